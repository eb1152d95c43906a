// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <bit>
#include <cmath>
#include <cstdint>

namespace puretone {

// What moves in every cell of every voice, without branches, so that a loop over eight voices
// becomes vectors. The standard library is exact to the last digit; a thousandth of what can be
// heard is enough here.

/// To the nearest whole number, for |x| up to 2^50.
[[gnu::always_inline]] inline double nearestWhole(double x) noexcept
{
    // Adding 1.5 * 2^52 leaves it in the last digits.
    constexpr double shift = 6755399441055744.0;
    return (x + shift) - shift;
}

/// 2^x for |x| up to 1000, within 1e-12 of it: a pitch that is off by more drifts away from a tone
/// it is measured against.
[[gnu::always_inline]] inline double quickExp2(double x) noexcept
{
    constexpr double shift = 6755399441055744.0;
    const double shifted = x + shift;
    const double t = (x - (shifted - shift)) * 0.6931471805599453;
    // Its series around the middle of [0, 1).
    constexpr double terms[] = {1.0 / 3628800.0, 1.0 / 362880.0, 1.0 / 40320.0, 1.0 / 5040.0,
        1.0 / 720.0, 1.0 / 120.0, 1.0 / 24.0, 1.0 / 6.0, 0.5, 1.0};
    double series = terms[0];
    for (int i = 1; i < 10; ++i)
        series = series * t + terms[i];
    series = series * t + 1.0;
    return std::bit_cast<double>((std::bit_cast<std::uint64_t>(shifted) + 1023U) << 52U) * series;
}

/// 2^x for |x| up to 100, within 3e-7 of it.
[[gnu::always_inline]] inline float quickExp2(float x) noexcept
{
    constexpr float shift = 12582912.0f; // 1.5 * 2^23
    const float shifted = x + shift;
    const float t = (x - (shifted - shift)) * 0.69314718f;
    const float series = 1.0f
        + t
            * (1.0f
                + t
                    * (0.5f
                        + t
                            * (1.6666667e-1f
                                + t * (4.1666667e-2f + t * (8.3333333e-3f + t * 1.3888889e-3f)))));
    return std::bit_cast<float>((std::bit_cast<std::uint32_t>(shifted) + 127U) << 23U) * series;
}

/// The sine of so many turns, -0.5 to 0.5, within 4e-6.
[[gnu::always_inline]] inline float quickSine(float turns) noexcept
{
    // Into a quarter on either side of nothing, then the odd series.
    const float folded = std::copysign(0.5f, turns) - turns;
    const float t = std::abs(turns) > 0.25f ? folded : turns;
    const float x = 6.2831853f * t, xx = x * x;
    return x
        * (1.0f
            + xx
                * (-1.6666667e-1f
                    + xx * (8.3333333e-3f + xx * (-1.9841270e-4f + xx * 2.7557319e-6f))));
}

/// The tangent, 0 to 1.42, within 3e-5 of it: a Padé approximant of order 5 over 4.
[[gnu::always_inline]] inline float quickTangent(float x) noexcept
{
    const float xx = x * x;
    return x * (945.0f + xx * (-105.0f + xx)) / (945.0f + xx * (-420.0f + 15.0f * xx));
}

} // namespace puretone
