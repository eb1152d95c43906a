// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/interpolation.h"

#include "audio/signal/bessel.h"

#include <cmath>
#include <numbers>

namespace puretone {

namespace {

double sinc(double x)
{
    const double angle = std::numbers::pi * x;
    return std::abs(angle) < 1e-9 ? 1.0 : std::sin(angle) / angle;
}

} // namespace

InterpolationKernel::InterpolationKernel()
{
    // J. F. Kaiser's design for 118 dB: beta = 0.1102 (A - 8.7).
    constexpr double beta = 0.1102 * (118.0 - 8.7);
    constexpr double half = double(taps) / 2.0;
    for (std::size_t p = 0; p <= phases; ++p) {
        const double fraction = double(p) / double(phases);
        double sum = 0.0;
        std::array<double, taps> exact{};
        for (std::size_t i = 0; i < taps; ++i) {
            const double x = double(i) - double(before) - fraction;
            const double inside = 1.0 - (x / half) * (x / half);
            exact[i] =
                inside > 0.0 ? sinc(x) * besselI0(beta * std::sqrt(inside)) / besselI0(beta) : 0.0;
            sum += exact[i];
        }
        for (std::size_t i = 0; i < taps; ++i)
            rows_[p][i] = float(exact[i] / sum);
    }
}

const InterpolationKernel& InterpolationKernel::shared()
{
    static const InterpolationKernel kernel;
    return kernel;
}

} // namespace puretone
