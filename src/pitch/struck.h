// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/candidates.h"

#include <optional>
#include <string>

namespace puretone {

/// How a sound dies away after its loudest moment.
struct Decay {
    double endLevel = 1.0; ///< Level of the last 50 ms over the loudest 50 ms, 0 to 1.
    bool dying = false; ///< 20 dB down within 0.35 s of the peak.
};
Decay measureDecay(std::span<const float> mono, double rate);

/// A note that is heard although no partial lies there, or not as the lowest of a series.
struct StruckNote {
    double hz = 0.0;
    std::string reason;
};
/// Church bells (hum, prime, tierce, quint, nominal) and kettledrums (modes 1 : 1.5 : 2).
std::optional<StruckNote> struckNote(
    const std::vector<Partial>& partials, const PitchCandidate& winner, const Decay& decay);

/// Where a falling pitch comes to rest: only for sounds that die away and fall by more than a
/// semitone from the first frames to the last.
std::optional<Hz> restingPitch(const Periodicity& periodicity, double f0, const Decay& decay);

} // namespace puretone
