// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave/two_tone.h"

#include "app/theme/theme.h"

namespace puretone::app {

void TwoTonePicture::prepare(
    const std::vector<double>& key, QSize size, double pixelRatio, const Draw& draw)
{
    auto full = key;
    full.push_back(double(Theme::name()));
    if (full == key_ && size == size_ && pixelRatio == pixelRatio_)
        return;
    key_ = std::move(full);
    size_ = size;
    pixelRatio_ = pixelRatio;
    const auto& t = Theme::tokens();
    kept_ = QPixmap(size * pixelRatio);
    kept_.setDevicePixelRatio(pixelRatio);
    kept_.fill(Qt::transparent);
    {
        QPainter painter(&kept_);
        painter.setRenderHint(QPainter::Antialiasing);
        draw(painter, t.sea);
    }
    // The pale one is the same shape in the other tone.
    cut_ = kept_.copy();
    QPainter painter(&cut_);
    painter.setCompositionMode(QPainter::CompositionMode_SourceIn);
    painter.fillRect(QRect(QPoint(), size), t.faded);
}

void TwoTonePicture::paint(QPainter& painter, double left, double right) const
{
    const double width = size_.width(), height = size_.height();
    left = std::clamp(left, 0.0, width);
    right = std::clamp(right, left, width);
    const auto part = [&](const QPixmap& picture, double from, double to) {
        if (to > from)
            painter.drawPixmap(QRectF(from, 0.0, to - from, height), picture,
                QRectF(from * pixelRatio_, 0.0, (to - from) * pixelRatio_, height * pixelRatio_));
    };
    part(cut_, 0.0, left);
    part(kept_, left, right);
    part(cut_, right, width);
}

} // namespace puretone::app
