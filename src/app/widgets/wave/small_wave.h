// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"

#include <QColor>
#include <QRectF>

class QPainter;

namespace puretone::app {

/// A stretch of a recording as a small filled wave, all channels laid over each other.
void paintSmallWave(QPainter& painter, const QRectF& area, const PeakPyramid& peaks, Span span,
    const QColor& color);

/// The same of extents that are known already, one for each of equally wide columns.
void paintColumns(
    QPainter& painter, const QRectF& area, const std::vector<Extent>& columns, const QColor& color);

} // namespace puretone::app
