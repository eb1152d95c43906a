// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/candidates.h"
#include "pitch/report.h"

namespace puretone {

/// Why a candidate is worth offering, in plain words, seen from the chosen fundamental (Hz).
std::string reasonFor(
    const PitchCandidate& c, double chosenHz, const std::vector<Partial>& partials);

/// Fills the report's choices: its own note first, with `reason`, then each note that sounds beside
/// it, the lowest and the strongest partial of a sound without a series, and the runners-up.
void listChoices(PitchReport& report, const std::vector<PitchCandidate>& candidates,
    double chosenHz, const std::string& reason);

} // namespace puretone
