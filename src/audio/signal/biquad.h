// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/units.h"

#include <numbers>

namespace puretone {

/// One section of second order, normalised: y = b0 x + b1 x' + b2 x'' - a1 y' - a2 y''.
///
/// The designs are bilinear transforms, after R. Bristow-Johnson, "Cookbook formulae for audio
/// equalizer biquad filter coefficients"; a frequency above what the rate holds is brought down to
/// it. Nothing in here allocates.
struct Biquad {
    double b0 = 1.0, b1 = 0.0, b2 = 0.0;
    double a1 = 0.0, a2 = 0.0;

    static constexpr double butterworth = std::numbers::sqrt2 / 2.0; ///< Flat to the corner: a Q.

    /// Of first order, 6 dB per octave.
    static Biquad lowCut(double hz, double rate) noexcept;
    static Biquad highCut(double hz, double rate) noexcept;
    /// Of second order, 12 dB per octave.
    static Biquad lowCut(double hz, double q, double rate) noexcept;
    static Biquad highCut(double hz, double q, double rate) noexcept;
    static Biquad bell(double hz, double gainDb, double q, double rate) noexcept;
    /// With the steepest slope that does not overshoot.
    static Biquad lowShelf(double hz, double gainDb, double rate) noexcept;
    static Biquad highShelf(double hz, double gainDb, double rate) noexcept;

    /// Gain at one frequency.
    Decibels response(double hz, double rate) const;
    bool operator==(const Biquad&) const = default;
};

/// One channel of a section in real time: transposed direct form II.
struct BiquadState {
    double s1 = 0.0, s2 = 0.0;
    double run(const Biquad& f, double in) noexcept
    {
        const double out = f.b0 * in + s1;
        s1 = f.b1 * in - f.a1 * out + s2;
        s2 = f.b2 * in - f.a2 * out;
        return out;
    }
};

} // namespace puretone
