// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

#include <optional>

namespace puretone {

/// How a sound beats against a plain tone.
struct Beating {
    double perSecond = 0.0; ///< Beats of the loudest pair of partials, 0 or more.
    double cents = 0.0; ///< The sound above (positive) or below the tone.
    int partial = 1; ///< Of the tone: which pair is heard beating.
    double seconds = 0.0; ///< Of sound that was measured: what is short may end before a beat does.
    double depth = 0.0; ///< 0 to 1: how evenly the pair beats; a wavering sound beats irregularly.
};

/// Reads the beating from the signal itself: brings the partials of the sound that lie within half
/// a semitone of the tone's down to 0 Hz and sees how fast their phase turns.
///
/// @param mono The steady part: half a second or more tells partials a semitone apart; less, down
///        to five periods of the tone, only such as lie further off. @param toneHz Of the tone's
///        fundamental.
/// @param harmonics 1 for a sine; more for a tone with partials of its own.
/// @return Nothing where no partial of the sound is near one of the tone's.
std::optional<Beating> measureBeating(
    std::span<const float> mono, double rate, double toneHz, int harmonics);

/// By how many cents the tone would have to move for the same pair to stand still: measured again
/// from there until less than a sixteenth of a beat is left over the sound's length, at most four
/// times.
///
/// @param beating What measureBeating said of the same sound and tone.
double centsToStandStill(
    std::span<const float> mono, double rate, double toneHz, int harmonics, const Beating& beating);

} // namespace puretone
