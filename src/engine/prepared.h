// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument.h"

namespace puretone {

/// A take as it sounds at its recorded speed, ready to be written: cut to what is played, fades and
/// crossfade in place.
struct PreparedTake {
    Audio audio;
    std::optional<Span> loop; ///< Inside `audio`; frames behind its end go on as the loop does.
    double midi = 60.0; ///< Sounding pitch.
};

/// Frames that a prepared loop goes on for behind its end, so that no reader's interpolator meets
/// an edge (SoundFont 2.04, section 7.10, asks for at least eight).
inline constexpr std::int64_t framesBehindLoop = 64;

/// @param take With its loop inside the kept part (see sanitized).
PreparedTake prepareTake(const Take& take);

/// Frames that the fade in takes: it ends where the loop begins at the latest, so that no round
/// repeats it.
double fadeInFrames(const Take& take);
/// Gain of the fades at one frame of the recording, 0 to 1. A looped take has no fade out.
float fadeGain(const Take& take, double frame);

} // namespace puretone
