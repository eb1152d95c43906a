// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/voice.h"

#include <cmath>
#include <numbers>
#include <utility>

namespace skerry {

BandPass::BandPass(double hz, double q, double rate)
{
    const double w = 2.0 * std::numbers::pi * hz / rate;
    const double alpha = std::sin(w) / (2.0 * q);
    a0_ = alpha / (1.0 + alpha);
    a1_ = -2.0 * std::cos(w) / (1.0 + alpha);
    a2_ = (1.0 - alpha) / (1.0 + alpha);
}

double BandPass::run(double x)
{
    const double y = a0_ * (x - x2_) - a1_ * y1_ - a2_ * y2_;
    x2_ = x1_;
    x1_ = x;
    y2_ = y1_;
    y1_ = y;
    return y;
}

double curveAt(const std::vector<std::pair<double, double>>& points, double seconds)
{
    if (seconds <= points.front().first)
        return points.front().second;
    for (std::size_t i = 1; i < points.size(); ++i)
        if (seconds < points[i].first) {
            const auto& [t0, v0] = points[i - 1];
            const auto& [t1, v1] = points[i];
            return v0 + (v1 - v0) * (seconds - t0) / (t1 - t0);
        }
    return points.back().second;
}

} // namespace skerry
