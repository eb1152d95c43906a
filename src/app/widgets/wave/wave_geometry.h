// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/units.h"

#include <QRectF>
#include <QString>
#include <vector>

namespace puretone::app {

/// Where things are in a wave view; no QWidget in it. Painting asks where, the mouse asks what.
struct WaveGeometry {
    QRectF area; ///< Of the wave itself, device-independent pixels.
    double firstFrame = 0.0; ///< At the left edge of `area`.
    double framesPerPixel = 1.0; ///< Above 0.

    double xOf(double frame) const { return area.left() + (frame - firstFrame) / framesPerPixel; }
    double frameAt(double x) const { return firstFrame + (x - area.left()) * framesPerPixel; }
    double lastFrame() const { return firstFrame + area.width() * framesPerPixel; }

    /// The same view showing `span` with a little air at both ends.
    WaveGeometry fitting(Span span) const;
    /// Zoomed by `factor` (below 1: closer) with the frame under `x` staying there.
    WaveGeometry zoomed(double factor, double x, std::int64_t frames) const;
    /// Moved so that `firstFrame` and everything shown stay near the recording.
    WaveGeometry scrolledTo(double first, std::int64_t frames) const;

    /// Closest zoom: one frame in this many pixels.
    static constexpr double closest = 1.0 / 24.0;
};

/// One labelled place on the time axis.
struct Tick {
    double frame;
    QString label; ///< Seconds; empty for a place between labels.
};
/// Ticks at round times, labels at least `leastPixels` apart.
std::vector<Tick> timeTicks(const WaveGeometry& geometry, double rate, double leastPixels = 80.0);

} // namespace puretone::app
