// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/series/periodicity.h"
#include "pitch/series/spectrum.h"

namespace puretone {

/// A stiff string's series: partial h lies at h f0 sqrt(1 + B h^2) (H. Fletcher, "Normal vibration
/// frequencies of a stiff piano string", JASA 36, 1964).
struct Series {
    double f0 = 0.0; ///< Hz.
    double stretch = 0.0; ///< B, 0 to 0.005.

    double partial(double h) const { return h * f0 * std::sqrt(1.0 + stretch * h * h); }
    /// The (real) partial number at which `hz` lies, with the stretch undone.
    double number(double hz) const;
};

/// Fits f0 and B to the partials near the series of `start` (Hz) by weighted least squares.
Series fitSeries(const std::vector<Partial>& partials, double start);

/// One possible fundamental, the figures that describe it and its share of the belief.
struct PitchCandidate {
    Series series;
    double vote = 0.0; ///< Root of the share of frames' votes for this period.
    double notThirds = 0.0; ///< Weight explained by partials whose number is no multiple of 3.
    double missingOdd = 0.0; ///< Share of odd partials that are absent.
    double shorter = 0.0; ///< How much better a shorter period repeats.
    double score = 0.0; ///< Weight explained, beyond what chance would explain.
    double power = 0.0; ///< Power explained, 0 to 1.
    double low3 = 0.0; ///< Level of the loudest of partials 1 to 3, dB / 20.
    double half = 0.0; ///< Weight half-way between partials.
    double rest = 0.0; ///< Loudest unexplained partial, dB / 20.
    double low = 0.0; ///< Octaves below 65.4 Hz.
    double belief = 0.0; ///< Softmax over all candidates.
    int hits = 0; ///< Partials explained.
};

/// Proposes fundamentals widely and weighs each by ten figures of temporal and spectral evidence.
///
/// The belief is a conditional logit (D. McFadden, 1974) whose weights were fitted on hand-labelled
/// recordings. Votes follow M. Mauch and S. Dixon, "pYIN", ICASSP 2014, on N instead of YIN.
/// @return All candidates, the most believed first; none where there are no partials and no period.
std::vector<PitchCandidate> weighCandidates(
    const Periodicity& periodicity, const std::vector<Partial>& partials);

/// A partial counts as number round(g) of a series when it lies this close (in partial numbers).
inline double hitTolerance(double h)
{
    return std::min(0.03 * h, 0.16);
}

} // namespace puretone
