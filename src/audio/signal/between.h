// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/interpolation.h"

#include <algorithm>
#include <span>
#include <vector>

namespace puretone {

/// Reads one channel between its samples: oversampled by two (soxr), then InterpolationKernel. Flat
/// up to the whole band of the channel; -110 dB errors.
class BetweenSamples {
public:
    /// @param rate Of the channel, frames per second.
    BetweenSamples(std::span<const float> channel, double rate);

    /// The signal at a position in frames of the channel; outside, as near its edge.
    float at(double frame) const noexcept
    {
        const double place =
            std::clamp(2.0 * frame, 0.0, last_) + double(InterpolationKernel::taps);
        const auto whole = std::size_t(place);
        InterpolationKernel::Row row;
        kernel_.weights(place - double(whole), row);
        return InterpolationKernel::dot(row, doubled_.data() + whole - InterpolationKernel::before);
    }

private:
    const InterpolationKernel& kernel_;
    std::vector<float> doubled_; ///< With a margin of the kernel's taps on both sides.
    double last_;
};

} // namespace puretone
