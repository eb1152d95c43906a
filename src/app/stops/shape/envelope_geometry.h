// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/layer.h"

#include <QPointF>
#include <QRectF>

namespace puretone::app {

/// Points of the envelope that can be grabbed.
enum class EnvelopePoint { delay, attack, hold, decay, release };
/// Ways between them that can be bent.
enum class EnvelopeSlope { attack, decay, release };

/// Where the envelope lies in its picture; no QWidget in it. Time runs from the key press; the key
/// is let go at `letGo` seconds. Levels stand above the middle as the wave does, so that the line
/// runs along it.
struct EnvelopeGeometry {
    QRectF area;
    Envelope envelope;
    double shownSeconds = 3.0;
    double letGo = 2.0;

    static EnvelopeGeometry make(const QRectF& area, const Envelope& envelope);
    double xOf(double seconds) const { return area.left() + seconds / shownSeconds * area.width(); }
    double secondsAt(double x) const { return (x - area.left()) / area.width() * shownSeconds; }
    /// Gain at a moment of the picture, release included.
    double gainAt(double seconds) const;
    /// How far from the middle an amplitude stands, 0 to 1: loudness rather than amplitude, which
    /// leaves room to see quiet levels.
    static double heightOf(double gain);
    double yOfGain(double gain) const; ///< Full level at the top, silence in the middle.
    double gainOfY(double y) const;
    /// Where a point of the envelope lies.
    QPointF placeOf(EnvelopePoint point) const;
    /// Where its grip is drawn: points that coincide are set apart to the right.
    QPointF gripOf(EnvelopePoint point) const;
    /// The middle of a slope; nothing to grab where it has no length.
    QPointF middleOf(EnvelopeSlope slope) const;
    /// Seconds between which a slope lies.
    std::pair<double, double> stretchOf(EnvelopeSlope slope) const;
    /// The envelope with a point dragged to `position`.
    Envelope dragged(EnvelopePoint point, QPointF position) const;
    /// The envelope with a slope bent by a way upwards, in the picture's own units.
    Envelope bent(EnvelopeSlope slope, double upwards) const;
};

} // namespace puretone::app
