// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/biquad.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>

namespace puretone {

namespace {

/// Angle of a frequency on the unit circle, kept a little below the Nyquist frequency.
double angleOf(double hz, double rate)
{
    return 2.0 * std::numbers::pi * std::min(hz, 0.49 * rate) / rate;
}

Biquad normalised(double b0, double b1, double b2, double a0, double a1, double a2)
{
    return {b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0};
}

/// @param sign 1 for low, -1 for high.
Biquad shelf(double hz, double gainDb, double rate, double sign)
{
    const double angle = angleOf(hz, rate);
    const double c = std::cos(angle);
    const double a = std::pow(10.0, gainDb / 40.0);
    const double beta = 2.0 * std::sqrt(a) * std::sin(angle) / std::numbers::sqrt2;
    const double up = a + 1.0, down = (a - 1.0) * sign;
    return normalised(a * (up - down * c + beta), 2.0 * a * sign * ((a - 1.0) - up * c * sign),
        a * (up - down * c - beta), up + down * c + beta, -2.0 * sign * ((a - 1.0) + up * c * sign),
        up + down * c - beta);
}

} // namespace

Biquad Biquad::lowCut(double hz, double rate) noexcept
{
    const double k = std::tan(angleOf(hz, rate) / 2.0);
    return normalised(1.0, -1.0, 0.0, 1.0 + k, k - 1.0, 0.0);
}

Biquad Biquad::highCut(double hz, double rate) noexcept
{
    const double k = std::tan(angleOf(hz, rate) / 2.0);
    return normalised(k, k, 0.0, 1.0 + k, k - 1.0, 0.0);
}

Biquad Biquad::lowCut(double hz, double q, double rate) noexcept
{
    const double angle = angleOf(hz, rate);
    const double c = std::cos(angle), alpha = std::sin(angle) / (2.0 * q);
    return normalised(
        (1.0 + c) / 2.0, -(1.0 + c), (1.0 + c) / 2.0, 1.0 + alpha, -2.0 * c, 1.0 - alpha);
}

Biquad Biquad::highCut(double hz, double q, double rate) noexcept
{
    const double angle = angleOf(hz, rate);
    const double c = std::cos(angle), alpha = std::sin(angle) / (2.0 * q);
    return normalised(
        (1.0 - c) / 2.0, 1.0 - c, (1.0 - c) / 2.0, 1.0 + alpha, -2.0 * c, 1.0 - alpha);
}

Biquad Biquad::bell(double hz, double gainDb, double q, double rate) noexcept
{
    const double angle = angleOf(hz, rate);
    const double c = std::cos(angle), alpha = std::sin(angle) / (2.0 * q);
    const double a = std::pow(10.0, gainDb / 40.0);
    return normalised(
        1.0 + alpha * a, -2.0 * c, 1.0 - alpha * a, 1.0 + alpha / a, -2.0 * c, 1.0 - alpha / a);
}

Biquad Biquad::lowShelf(double hz, double gainDb, double rate) noexcept
{
    return shelf(hz, gainDb, rate, 1.0);
}

Biquad Biquad::highShelf(double hz, double gainDb, double rate) noexcept
{
    return shelf(hz, gainDb, rate, -1.0);
}

Decibels Biquad::response(double hz, double rate) const
{
    const auto z = std::polar(1.0, -angleOf(hz, rate));
    return toDecibels(std::abs((b0 + z * (b1 + z * b2)) / (1.0 + z * (a1 + z * a2))));
}

} // namespace puretone
