// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

namespace skerry {

/// Seeded noise, -1 to 1: the same on every machine (xorshift64*, Vigna 2016).
class Noise {
public:
    explicit Noise(std::uint64_t seed)
        : state_(seed * 0x9e3779b97f4a7c15ULL + 1)
    {
    }
    double next()
    {
        state_ ^= state_ >> 12U;
        state_ ^= state_ << 25U;
        state_ ^= state_ >> 27U;
        return double((state_ * 0x2545f4914f6cdd1dULL) >> 11U) / double(1ULL << 52U) - 1.0;
    }

private:
    std::uint64_t state_;
};

/// Second-order band-pass with unit gain at its centre (R. Bristow-Johnson, Audio EQ Cookbook).
class BandPass {
public:
    BandPass(double hz, double q, double rate);
    double run(double x);

private:
    double a0_, a1_, a2_, x1_ = 0, x2_ = 0, y1_ = 0, y2_ = 0;
};

/// Straight lines between (seconds, value) points; the first and last values go on.
double curveAt(const std::vector<std::pair<double, double>>& points, double seconds);

} // namespace skerry
