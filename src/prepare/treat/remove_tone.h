// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"
#include "prepare/treat/treatment.h"

namespace puretone {

/// Takes one tone out, with its overtones where that is wanted, as it moves and swells.
///
/// The tone is followed in short spectra from where it is strongest, both ways, and refined by its
/// own phase (heterodyne analysis; J. A. Moorer, "The heterodyne filter as a tool for analysis of
/// transient waveforms", 1973). Each channel is brought down by the tone's phase, what lies within
/// 7 Hz of it is kept by a linear-phase low pass and taken away from the signal: a notch that
/// follows, 16 Hz wide, with nothing left to ring.
/// @return False, with the audio untouched, where no tone can be found near `how.hz` or when
/// cancelled.
bool removeTone(Audio& audio, const RemoveTone& how, Span over, const Progress& progress = {});

} // namespace puretone
