// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave/bars.h"

#include <QImage>
#include <QPainter>
#include <algorithm>
#include <array>
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
    image.setDevicePixelRatio(ratio);
    std::array<QRgb, 256> shades{};
    for (int a = 0; a < 256; ++a)
        shades[std::size_t(a)] =
            qPremultiply(qRgba(color.red(), color.green(), color.blue(), a * color.alpha() / 255));
    const auto barAt = [&](int x) -> const Bar& {
        const int inside = std::clamp(x, 0, width - 1);
        return bars[std::size_t(inside) * bars.size() / std::size_t(width)];
    };
    // How much of each pixel is covered, as its change from the one above.
    std::vector<float> change(std::size_t(height) + 2);
    const auto add = [&](const Bar& bar, float share) {
        const double top = std::clamp((bar.top - area.top()) * ratio, 0.0, double(height));
        const double bottom = std::clamp((bar.bottom - area.top()) * ratio, top, double(height));
        const auto edge = [&](double y, float by) {
            const auto whole = std::size_t(y);
            const auto part = float(y - double(whole));
            change[whole] += by * (1.0f - part);
            change[whole + 1] += by * part;
        };
        edge(top, share);
        edge(bottom, -share);
    };
    auto* pixels = reinterpret_cast<QRgb*>(image.bits());
    const auto stride = std::size_t(image.bytesPerLine()) / sizeof(QRgb);
    for (int x = 0; x < width; ++x) {
        std::fill(change.begin(), change.end(), 0.0f);
        // A little of both neighbours: fine combs turn into a tone instead of a pattern, and a
        // single tall bar is seen at its full height.
        add(barAt(x - 1), 0.25f);
        add(barAt(x), 0.5f);
        add(barAt(x + 1), 0.25f);
        float covered = 0.0f;
        auto* pixel = pixels + std::size_t(x);
        for (std::size_t y = 0; y < std::size_t(height); ++y, pixel += stride) {
            covered += change[y];
            *pixel = shades[std::size_t(
                std::clamp(covered, 0.0f, 1.0f) * 255.0f + 0.5f)]; // NOLINT: quick
        }
    }
    painter.drawImage(area.topLeft(), image);
}

} // namespace puretone::app
