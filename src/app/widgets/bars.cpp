// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/bars.h"

#include <QImage>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace puretone::app {

namespace {

double ratioOf(const QPainter& painter)
{
    return painter.device()->devicePixelRatio();
}

} // namespace

std::size_t barsAcross(const QPainter& painter, const QRectF& area)
{
    return std::size_t(std::max(1.0, std::ceil(area.width() * ratioOf(painter))));
}

void paintBars(
    QPainter& painter, const QRectF& area, const std::vector<Bar>& bars, const QColor& color)
{
    const double ratio = ratioOf(painter);
    const int width = int(barsAcross(painter, area));
    const int height = int(std::ceil(area.height() * ratio));
    if (bars.empty() || height < 1)
        return;
    QImage image(width, height, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    image.setDevicePixelRatio(ratio);
    const QRgb full = qPremultiply(color.rgba());
    const auto faded = [full](double share) {
        const auto part = [share](int v) { return int(std::lround(share * v)); };
        return qRgba(part(qRed(full)), part(qGreen(full)), part(qBlue(full)), part(qAlpha(full)));
    };
    auto* pixels = reinterpret_cast<QRgb*>(image.bits());
    const auto stride = std::size_t(image.bytesPerLine()) / sizeof(QRgb);
    for (int x = 0; x < width; ++x) {
        const Bar& bar = bars[std::size_t(x) * bars.size() / std::size_t(width)];
        const double top = std::clamp((bar.top - area.top()) * ratio, 0.0, double(height));
        const double bottom = std::clamp((bar.bottom - area.top()) * ratio, top, double(height));
        const int first = int(top), last = std::min(height - 1, int(bottom));
        auto* pixel = pixels + std::size_t(first) * stride + std::size_t(x);
        for (int y = first; y <= last; ++y, pixel += stride) {
            const double covered = std::min(bottom, y + 1.0) - std::max(top, double(y));
            *pixel = covered >= 0.999 ? full : faded(std::max(0.0, covered));
        }
    }
    painter.drawImage(area.topLeft(), image);
}

} // namespace puretone::app
