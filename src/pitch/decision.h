// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/motion/movement.h"
#include "pitch/series/candidates.h"

namespace puretone {

/// How the frames' own periods lie around a fundamental, within a semitone of it.
struct FrameSpread {
    double offset = 0.0; ///< Weighted mean, cents.
    double spread = 0.0; ///< Weighted deviation, cents.
    double drift = 0.0; ///< Size of the slope over the whole take, cents.
    bool moves() const { return spread > 8.0; }
};
FrameSpread spreadOfFrames(const Periodicity& periodicity, double f0);

/// What speaks for and against a reading being a note at all.
struct Certainty {
    double belief = 0.0; ///< In the note, among all candidates.
    double clarity = 0.0; ///< N at the period.
    double compressed = 0.0; ///< G at the period.
    double power = 0.0, score = 0.0, rest = 0.0, vote = 0.0; ///< See PitchCandidate.
    double spread = 0.0; ///< Cents that the frames jump about; a smooth line counts for little.
    double drift = 0.0; ///< Cents.

    /// Probability that the reading is right within half a semitone: a logistic (J. Platt,
    /// "Probabilistic outputs for support vector machines", 1999).
    double confidence() const;
};
Certainty certaintyOf(const PitchCandidate& winner, double belief, const Periodicity& periodicity,
    const FrameSpread& frames, const std::optional<PitchMovement>& movement);

/// Belief in a note: everything within so many cents of it.
double noteBelief(
    const std::vector<PitchCandidate>& candidates, double hz, double reachCents = 50.0);

/// Share of the weight of the stronger partials that lies off a series.
/// @param windowSeconds Of the spectrum that they were found in. @param tonal See tonalShare.
double inharmonicShare(
    const std::vector<Partial>& partials, const Series& series, double windowSeconds, double tonal);
inline constexpr double mostlyHarmonic = 0.2; ///< More than this off it is a bell, bar or gong.

/// Step from the chosen series to the pitch that an ear would name.
struct FinalPitch {
    double hz = 0.0;
    enum class From {
        series, ///< Several partials agree on it.
        partial, ///< A single one, where there are no others.
        lonePartial, ///< Partials that belong to no series: the one which is heard most.
        wave, ///< What the wave repeats at.
        centre, ///< The middle of a moving line.
        rest, ///< Where a moving line stays.
    } from = From::series;
};
/// @param movement Of the line through the take, where it moves.
FinalPitch finalPitch(const PitchCandidate& winner, const std::vector<Partial>& partials,
    const FrameSpread& frames, const std::optional<PitchMovement>& movement, double clarity,
    double windowSeconds, double tonal);

} // namespace puretone
