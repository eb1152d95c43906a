// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/say.h"
#include "pitch/series/candidates.h"

#include <optional>
#include <string>

namespace puretone {

/// Level of the strongest partial within 3 % of `hz`, dB under the strongest of all; -100 for none.
double levelNear(const std::vector<Partial>& partials, double hz);

/// How a sound dies away after its loudest moment.
struct Decay {
    double endLevel = 1.0; ///< Level of the last 50 ms over the loudest 25 ms, 0 to 1.
    double seconds20 = 0.0; ///< From the strike until it is 20 dB down for good.
    bool rings = false; ///< Struck and left to itself, rather than held and let go.
    /// Gone as fast as a knock or a drum.
    bool dying() const { return rings && seconds20 < 0.4; }
};
Decay measureDecay(std::span<const float> mono, double rate);

/// A note that is heard although no partial lies there, or not as the lowest of a series.
struct StruckNote {
    double hz = 0.0;
    Message reason;
};
/// The candidate to believe: usually the first. One that rests on its second partial alone, with
/// nothing at its odd ones up to the seventh, catches the overtones of a bar or block by accident;
/// then the octave above it.
const PitchCandidate& secondLook(
    const std::vector<PitchCandidate>& candidates, const std::vector<Partial>& partials);
/// Church bells (hum, prime, tierce, quint, nominal), chimes (modes 2 : 3 : 4 above the note),
/// kettledrums (1 : 1.5 : 2) and free bars (1 : 2.76 : 5.4).
std::optional<StruckNote> struckNote(
    const std::vector<Partial>& partials, const PitchCandidate& winner, const Decay& decay);
/// Says so where a note is the lowest mode of a free bar; nothing otherwise.
std::optional<Message> barReason(const std::vector<Partial>& partials, double hz);

} // namespace puretone
