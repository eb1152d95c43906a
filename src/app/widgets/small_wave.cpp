// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/small_wave.h"

#include <QPainter>

namespace puretone::app {

void paintSmallWave(
    QPainter& painter, const QRectF& area, const PeakPyramid& peaks, Span span, const QColor& color)
{
    const auto count = std::size_t(std::max(2.0, area.width()));
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
    const double wide = area.width() / double(columns.size());
    // Quiet recordings fill their picture, too.
    float top = 0.05f;
    for (const auto& e : columns)
        top = std::max({top, e.high, -e.low});
    const double half = 0.5 * area.height() / double(top);
    QPolygonF outline;
    for (std::size_t i = 0; i < columns.size(); ++i)
        outline << QPointF(area.left() + (double(i) + 0.5) * wide,
            area.center().y() - half * double(columns[i].high) - 0.4);
    for (std::size_t i = columns.size(); i-- > 0;)
        outline << QPointF(
            area.left() + (double(i) + 0.5) * wide, area.center().y() - half * double(columns[i].low) + 0.4);
    painter.setPen(Qt::NoPen);
    painter.setBrush(color);
    painter.drawPolygon(outline);
}

} // namespace puretone::app
