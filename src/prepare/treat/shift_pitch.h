// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"

namespace puretone {

/// Moves the pitch of a sound and keeps its length: Rubber Band's R3 engine, offline.
///
/// @param semitones -48 to 48.
/// @param keepsFormants Whether the colour of a voice stays where it is, or moves with the pitch.
/// @return Audio of the same rate, length and channels; null when cancelled.
///
/// Cost: 4 to 6 times as fast as the sound lasts, for each channel.
AudioPtr shiftPitch(
    const Audio& audio, double semitones, bool keepsFormants, const Progress& progress = {});
/// The same with the colour moved on its own. @param formants Semitones, -48 to 48.
AudioPtr shiftPitchAndFormants(
    const Audio& audio, double semitones, double formants, const Progress& progress = {});

} // namespace puretone
