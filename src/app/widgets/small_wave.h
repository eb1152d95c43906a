// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/peaks.h"

#include <QColor>
#include <QRectF>

class QPainter;

namespace puretone::app {

/// A stretch of a recording as a small filled wave, all channels laid over each other.
void paintSmallWave(QPainter& painter, const QRectF& area, const PeakPyramid& peaks, Span span,
    const QColor& color);

} // namespace puretone::app
