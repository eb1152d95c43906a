// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace puretone {

/// Modified Bessel function of the first kind, order 0, by its series: what Kaiser windows are made
/// of. For tables of many values at the start of a program, where std::cyl_bessel_i takes too long.
inline double besselI0(double x)
{
    double sum = 1.0, term = 1.0;
    for (int k = 1; k < 60 && term > 1e-18 * sum; ++k) {
        term *= (x / 2.0 / k) * (x / 2.0 / k);
        sum += term;
    }
    return sum;
}

} // namespace puretone
