// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

#include <optional>

namespace puretone {

/// The part of a take in which loops are looked for, seconds from the beginning of the recording.
struct Sustain {
    double onset = 0.0; ///< Where it has come up to its level.
    double from = 0.0; ///< Where the attack is over.
    double to = 0.0; ///< Up to 45 dB under its level.
    double steadyTo = 0.0; ///< Up to 8 dB under its level.
    double fallDbPerSecond = 0.0; ///< Of the whole part; negative where it swells.
    std::optional<double> swing; ///< Seconds of one round of tremolo or beating, where regular.
    double seconds() const { return to - from; }
    /// Within how long it falls by 30 dB; infinite for a sound that does not.
    double diesWithin() const;
};

/// @param kept Inside the recording, not empty. @param mostSeconds Of it that are looked at.
Sustain findSustain(const Audio& audio, Span kept, double mostSeconds);

} // namespace puretone
