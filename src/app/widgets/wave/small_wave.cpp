// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave/small_wave.h"

#include "app/widgets/wave/bars.h"

#include <QPainter>

namespace puretone::app {

void paintSmallWave(
    QPainter& painter, const QRectF& area, const PeakPyramid& peaks, Span span, const QColor& color)
{
    const auto count = barsAcross(painter, area);
    const double perColumn = double(span.length()) / double(count);
    std::vector<Extent> columns(count), other(count);
    peaks.columns(0, double(span.start.value), perColumn, columns);
    for (std::size_t c = 1; c < peaks.audio().channelCount(); ++c) {
        peaks.columns(c, double(span.start.value), perColumn, other);
        for (std::size_t i = 0; i < count; ++i)
            columns[i].include(other[i]);
    }
    paintColumns(painter, area, columns, color);
}

void paintColumns(
    QPainter& painter, const QRectF& area, const std::vector<Extent>& columns, const QColor& color)
{
    // Quiet recordings fill their picture, too.
    float top = 0.05f;
    for (const auto& e : columns)
        top = std::max({top, e.high, -e.low});
    const double half = 0.5 * area.height() / double(top);
    std::vector<Bar> bars;
    bars.reserve(columns.size());
    for (const auto& e : columns)
        bars.push_back({area.center().y() - half * double(e.high) - 0.4,
            area.center().y() - half * double(e.low) + 0.4});
    paintBars(painter, area, bars, color);
}

} // namespace puretone::app
