// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>

namespace puretone {

/// The top of a parabola through three neighbouring values, the middle one the highest.
struct ParabolaTop {
    double shift = 0.0; ///< From the middle one, -0.5 to 0.5 steps.
    double height = 0.0;
};
inline ParabolaTop parabolaTop(double left, double middle, double right)
{
    const double bend = left - 2.0 * middle + right;
    const double shift = bend < 0.0 ? std::clamp(0.5 * (left - right) / bend, -0.5, 0.5) : 0.0;
    return {shift, middle - 0.25 * (left - right) * shift};
}

} // namespace puretone
