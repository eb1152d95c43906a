// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/series/spectrum.h"

#include <QPainter>
#include <QRectF>

namespace puretone::app {

/// Frequencies from left to right, each octave as wide as any other.
struct SpectrumAxis {
    QRectF area;
    double lowest = 10.0, highest = 22000.0; ///< Hz.

    double xOf(double hz) const;
    double hzAt(double x) const;
};

/// Lines at 20, 50, 100 and so on, named below.
void paintFrequencies(QPainter& painter, const SpectrumAxis& axis);
/// A filled outline; its highest peak stands near the top.
void paintSpectrum(QPainter& painter, const SpectrumAxis& axis, const MeanSpectrum& spectrum);

} // namespace puretone::app
