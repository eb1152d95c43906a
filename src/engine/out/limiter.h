// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/true_peak.h"

#include <cstdint>
#include <vector>

namespace puretone {

/// Keeps a stereo signal below a ceiling without a step: it looks ahead, goes down as slowly as the
/// way to the peak allows, and comes back in a tenth of a second.
///
/// For each frame the gain that its true peak needs; the least of these over the look-ahead; rising
/// back exponentially; and the mean of that over the look-ahead, so that the gain at a frame is
/// never more than that frame needs (a running minimum and a mean of the same length). Where
/// nothing comes near the ceiling every sample goes through as it is, later by latency().
class Limiter {
public:
    /// dB below full scale, true peak.
    static constexpr double ceilingDb = -0.3;
    static constexpr double lookAheadSeconds = 0.0015;

    /// Allocates.
    void prepare(double rate);
    /// Frames by which it is late.
    int latency() const noexcept { return latency_; }
    /// One frame. @return The gain, 0 to 1, that was applied.
    float process(float& left, float& right) noexcept;
    /// One frame while it is off: only remembered, so that it can be switched on.
    void remember(float left, float right) noexcept { (void)delayed({left, right}); }

private:
    struct Frame {
        float left = 0.0f, right = 0.0f;
    };
    Frame delayed(Frame frame) noexcept;
    double needed(float peak) noexcept;
    double leastOfLast(double gain) noexcept;

    int length_ = 0, latency_ = 0;
    float ceiling_ = 1.0f;
    double rise_ = 0.0;
    TruePeak left_, right_;
    std::vector<Frame> line_; ///< Waiting for their gain.
    std::size_t lineAt_ = 0;
    /// The running minimum: gains that may still be the least, rising, with their frames.
    struct Low {
        double gain = 1.0;
        std::int64_t frame = 0;
    };
    std::vector<Low> lows_;
    std::size_t lowsBegin_ = 0, lowsCount_ = 0;
    std::int64_t frame_ = 0;
    double risen_ = 1.0;
    std::vector<double> recent_; ///< For the mean.
    std::size_t recentAt_ = 0;
    int reduced_ = 0; ///< How many of those are below 1: at none the mean is 1 exactly.
    double sum_ = 0.0;
    float before_ = 0.0f; ///< Peak of the interval before this one.
};

} // namespace puretone
