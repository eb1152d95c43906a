// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QRectF>
#include <vector>

class QPainter;

namespace puretone::app {

/// From top to bottom, in the painter's units.
struct Bar {
    double top = 0.0;
    double bottom = 0.0;
};

/// Fills one upright bar for every pixel column of `area`, side by side, with soft ends.
///
/// What a wave is drawn with: an outline that goes up and down in every column costs a general
/// polygon filler a hundred times as much.
/// @param bars Spread evenly over the area: as many as it has device pixels across, or any number.
void paintBars(
    QPainter& painter, const QRectF& area, const std::vector<Bar>& bars, const QColor& color);

/// Device pixels across an area: how many bars it takes.
std::size_t barsAcross(const QPainter& painter, const QRectF& area);

} // namespace puretone::app
