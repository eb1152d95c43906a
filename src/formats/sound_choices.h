// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/prepared.h"

#include <optional>

namespace puretone {

enum class Depth { bits16, bits24, floating };
/// 16, 24 or 32.
int bitsOf(Depth depth);
SampleFormat formatOf(Depth depth);

/// How the samples of an export are written.
struct SoundChoices {
    Depth depth = Depth::bits24;
    std::optional<double> rate; ///< Frames per second; none: as recorded.
    bool mono = false;
    /// Noise of one step (triangular), so that rounding to 16 bits is no distortion: Lipshitz,
    /// Wannamaker and Vanderkooy, "Quantization and Dither", JAES 40 (1992).
    bool dither = true;
    /// Seconds that a take without a loop may last; what is behind fades away.
    std::optional<double> longest;
    /// Seconds of a take whose loop is played out, for readers that know no loops.
    std::optional<double> playedOut;
    bool operator==(const SoundChoices&) const = default;
};

/// Nothing changed.
inline SoundChoices asHeard()
{
    SoundChoices choices;
    choices.depth = Depth::floating;
    return choices;
}

inline constexpr double shortestLongest = 0.05; ///< Seconds.

/// A prepared take as it is to be written: its samples are what will stand in the file, rounded to
/// the depth. A loop is a whole number of frames at the new rate; `retuneCents` takes back what
/// that moves the pitch by.
PreparedTake conform(PreparedTake prepared, const SoundChoices& choices);
/// The same for a plan (see planTake): all but the samples.
PreparedTake conformPlan(PreparedTake planned, const SoundChoices& choices);

} // namespace puretone
