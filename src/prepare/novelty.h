// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/progress.h"

namespace puretone {

/// How much of a sound is new from moment to moment.
struct Novelty {
    double hopSeconds = 0.005;
    std::vector<double> riseDb; ///< By how much the strong bands rise from what was before, dB.
    std::vector<double> levelDb; ///< Level of 30 ms around each moment.
};

/// Measures the rise of band levels across each moment, with the bands around each counted as known
/// before, so that vibrato is not new.
///
/// @param mono Any length. Cost: O(n log n) in short transforms.
/// Method: S. Boeck and G. Widmer, "Maximum filter vibrato suppression for onset detection", DAFx
/// 2013. Ours differs: levels in dB over 25 ms on either side instead of a flux of single frames,
/// weighted by what is strong afterwards, so that the figure is a rise in dB whatever the sound.
Novelty measureNovelty(std::span<const float> mono, double rate, const Progress& progress = {});

} // namespace puretone
