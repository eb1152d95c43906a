// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"

namespace puretone {

/// Levels below it, dB, are those of no recorder: nothing at all.
inline constexpr double digitalSilenceDb = -150.0;

/// How much of a sound is new from moment to moment, hop by hop.
struct Novelty {
    double hopSeconds = 0.005;
    /// By how much the bands that stand out afterwards rise from what was just before, dB: every
    /// band counts alike, so that a soft note over a loud one is seen. 0 to 20.
    std::vector<float> rise;
    /// The same from the most that was there in the last 150 ms: what swings, beats or trembles is
    /// known by then.
    std::vector<float> longRise;
    std::vector<float> bands; ///< How many semitone bands stand out afterwards.
    std::vector<double> levelDb; ///< Level of 30 ms around each moment.

    std::size_t hops(double seconds) const
    {
        return std::size_t(std::lround(seconds / hopSeconds));
    }
};

/// Measures semitone bands from 80 Hz to 12 kHz in 30 ms, and what they rise by over 25 ms on
/// either side, the bands around each counted as known before, so that vibrato is not new.
///
/// @param mono Any length. Cost: O(n log n) in short transforms.
/// Method: S. Boeck and G. Widmer, "Maximum filter vibrato suppression for onset detection", DAFx
/// 2013. Ours differs: levels in dB over 25 ms on either side instead of a flux of single frames.
Novelty measureNovelty(std::span<const float> mono, double rate, const Progress& progress = {});

/// How steeply the energy rises, every millisecond: of 8 ms after it over 8 ms before it, dB.
class Steps {
public:
    Steps(std::span<const float> mono, double rate);
    std::int64_t size() const { return std::int64_t(edge_.size()); }
    /// Of the first difference of the wave, in which attacks stand out from what rings on.
    double edge(std::int64_t millisecond) const { return at(edge_, millisecond); }
    /// Of either the first difference or the wave itself, for low notes in hiss.
    double either(std::int64_t millisecond) const
    {
        return std::max(at(edge_, millisecond), at(plain_, millisecond));
    }
    /// The steepest edge within [from, to).
    double steepest(std::int64_t from, std::int64_t to) const;

private:
    static double at(const std::vector<float>& steps, std::int64_t millisecond)
    {
        return millisecond >= 0 && millisecond < std::int64_t(steps.size())
            ? double(steps[std::size_t(millisecond)])
            : 0.0;
    }
    std::vector<float> edge_, plain_;
};

} // namespace puretone
