// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

#include <array>
#include <memory>
#include <vector>

namespace puretone {

/// A stretch of a recording at one bandwidth, oversampled by two for the interpolator.
struct BandCopy {
    double framesPerFrame = 2.0; ///< Frames of the copy for one frame of the recording.
    std::vector<std::vector<float>> channels; ///< Each with a margin of zeros at both ends.
};

/// Copies are filtered for the speeds at which they are played, so that nothing folds back from
/// above the Nyquist frequency of the output: reading speed s needs bandwidth 1/s.
struct Bandwidth {
    int numerator;
    int denominator;
    double share() const { return double(numerator) / double(denominator); }
};
inline constexpr std::array<Bandwidth, 13> bandwidths = {{{1, 1}, {4, 5}, {2, 3}, {1, 2}, {2, 5},
    {1, 3}, {1, 4}, {1, 5}, {1, 6}, {1, 8}, {1, 10}, {1, 12}, {1, 16}}};
/// Offsets that are multiples of this fall on whole frames in every copy.
inline constexpr std::int64_t copyGrid = 240;

/// Index into `bandwidths` of the widest one that may be read at `speed` frames of the recording
/// per output frame.
///
/// Up to 8 % more than the exact limit is allowed: what folds back then lies above 0.91 of the
/// output's Nyquist frequency, where the copies' own slope has taken it down already.
std::size_t bandwidthForSpeed(double speed) noexcept;

/// A stretch of a recording in all bandwidths that its speeds may need.
class BandCopies {
public:
    /// @param first Recording frame of the stretch's beginning; a multiple of copyGrid.
    /// @param fastest Reading speed, recording frames per output frame, that must be served.
    /// Stretches
    ///        of more than a minute get whole octaves down to a quarter only: their memory counts
    ///        more than the last third of an octave of brightness on keys above the root.
    BandCopies(const Audio& stretch, std::int64_t first, double fastest);

    std::int64_t first() const { return first_; }
    std::int64_t end() const { return end_; } ///< Recording frame behind the last one.
    bool serves(double speed) const { return speed <= fastest_; }
    std::size_t channelCount() const { return copies_[0].channels.size(); }
    /// The copy to be read at a speed.
    const BandCopy& copyFor(double speed) const noexcept
    {
        return copies_[copyOf_[bandwidthForSpeed(speed)]];
    }
    std::size_t bytes() const;

    /// Zeros before and behind the samples of every copy.
    static constexpr std::int64_t margin = 32;

private:
    std::int64_t first_;
    std::int64_t end_;
    double fastest_;
    std::array<std::size_t, bandwidths.size()>
        copyOf_{}; ///< Index of the copy that stands in for each bandwidth.
    std::vector<BandCopy> copies_;
};

} // namespace puretone
