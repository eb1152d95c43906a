// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/choices.h"
#include "pitch/decision.h"
#include "pitch/report.h"
#include "pitch/struck/mode_line.h"
#include "pitch/struck/struck.h"

namespace puretone {

/// All that is known about a sound when its note is named.
struct Evidence {
    std::span<const float> mono; ///< The useful part, peak 1.
    double rate = 0.0;
    const MeanSpectrum& spectrum;
    const std::vector<Partial>&
        partials; ///< Strongest first; never empty where there is a candidate.
    const std::vector<PitchCandidate>& candidates;
    const PitchCandidate& winner;
    FrameSpread frames;
    std::optional<PitchMovement> movement;
    Certainty certainty; ///< Of the winner.
    double tonal = 0.0; ///< See tonalShare.
    Decay decay;
    std::optional<ModeLine> strongest; ///< Of the strongest partial.
    std::vector<double> notes; ///< Hz, lowest first, where several sound at once; otherwise empty.
};

/// The note itself: pitch, what kind of sound, and why.
struct Judgement {
    double hz = 0.0;
    SoundKind kind = SoundKind::harmonic;
    Message reason;
    bool ofSeries = true; ///< The winner's, so that what speaks for that speaks for the note.
    bool doubtful = false; ///< Never to be called clear.
    /// What else to offer before all runners-up, with reasons.
    std::vector<Offer> beside;
};
Judgement judge(const Evidence& evidence);

/// Probability that a sound which owns to no series has a note all the same: that one line holds
/// much of it or stands still, that few modes carry it, and that they stay. A logistic fitted
/// beside Certainty::confidence; at most 0.8, for nothing is certain of such a sound. 0 where the
/// note does not lie near what is heard.
/// @param staying See stayingShare.
double bodyConfidence(const Evidence& evidence, double hz, double staying);

} // namespace puretone
