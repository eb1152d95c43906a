// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/between.h"

#include "audio/signal/resample.h"

namespace puretone {

BetweenSamples::BetweenSamples(std::span<const float> channel, double rate)
    : kernel_(InterpolationKernel::shared())
{
    constexpr auto margin = InterpolationKernel::taps;
    const auto inside = resample(channel, rate, 2.0 * rate);
    last_ = std::max(0.0, double(inside.size()) - 1.0);
    doubled_.reserve(inside.size() + 2 * margin);
    doubled_.assign(margin, inside.empty() ? 0.0f : inside.front());
    doubled_.insert(doubled_.end(), inside.begin(), inside.end());
    doubled_.insert(doubled_.end(), margin, inside.empty() ? 0.0f : inside.back());
}

} // namespace puretone
