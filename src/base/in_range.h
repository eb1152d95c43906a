// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace puretone {

/// A number from outside, brought into a range; `fallback` for what is no number.
inline double inRange(double value, double low, double high, double fallback)
{
    return std::isfinite(value) ? std::clamp(value, low, high) : fallback;
}

/// The nearest whole number in a range, however far outside the value lies; `low` for what is no
/// number. A plain cast of such a value is undefined.
inline std::int64_t wholeIn(double value, std::int64_t low, std::int64_t high)
{
    if (!(value > double(low)))
        return low;
    return value < double(high) ? std::clamp(std::int64_t(std::llround(value)), low, high) : high;
}
/// The same for an int.
inline int intIn(double value, int low, int high)
{
    return int(wholeIn(value, low, high));
}

} // namespace puretone
