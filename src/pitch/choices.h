// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/report.h"
#include "pitch/series/candidates.h"

namespace puretone {

/// Why a candidate is worth offering, in plain words, seen from the chosen fundamental (Hz).
Message reasonFor(const PitchCandidate& c, double chosenHz, const std::vector<Partial>& partials);

/// A note worth offering, and why.
struct Offer {
    double hz = 0.0;
    Message reason;
};

/// Fills the report's choices: its own note first, with `reason`, then `beside`, each note that
/// sounds with it, the lowest and the strongest partial of a sound without a series, and the
/// runners-up. Their confidences add up to 1 at most: what the note itself leaves is theirs by
/// belief.
void listChoices(PitchReport& report, const std::vector<PitchCandidate>& candidates,
    double chosenHz, const Message& reason, const std::vector<Offer>& beside);

} // namespace puretone
