// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "prepare/split/novelty.h"

namespace puretone {

/// A stretch in which something sounds all the time, hops of a Novelty, half open.
struct SoundingStretch {
    std::size_t from = 0, to = 0;
};

struct OnsetOptions {
    double evidence = 13.2; ///< That a start needs.
    double youthSeconds = 0.3; ///< A stretch's own attack is no start: more is needed so soon.
    double soonSeconds = 0.2; ///< After a start, too.
    double recurringDoubt = 4.0; ///< Taken off where much the same comes all the time.
    /// Material in which one hit follows another without silences.
    static OnsetOptions dense() { return {11.5, 0.2, 0.1, 0.0}; }
};

/// Finds where something new begins inside stretches that sound already.
///
/// @param mono What the novelty was measured on.
/// @return For each stretch frames, in order, without the stretch's own beginning. Where hits
/// follow one another everywhere, the options for dense material are used by themselves.
///
/// Method: one sum of evidence, found by experiment on some 4000 notes of real instruments: rises
/// of all bands alike, rises over the last 150 ms, the steepness of the attack, new peaks in the
/// spectrum against a memory of a third of a second, less what this sound does by itself; each is
/// fooled by something (swells, beating, noise, vibrato), but seldom all at once.
std::vector<std::vector<std::int64_t>> findOnsets(std::span<const float> mono, double rate,
    const Novelty& novelty, const std::vector<SoundingStretch>& stretches,
    const OnsetOptions& options = {}, const Progress& progress = {});

/// Where, to a millisecond, the sound that is new about `frame` begins over what rings on: what was
/// there before is filtered out.
std::int64_t placeOnset(std::span<const float> mono, double rate, std::int64_t frame);

/// Share, 0 to 1, of the spectral peaks after an attack at `frame` that were not there in the third
/// of a second before it.
double newPeaks(std::span<const float> mono, double rate, std::int64_t frame);

} // namespace puretone
