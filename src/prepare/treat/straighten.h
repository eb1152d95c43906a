// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"
#include "prepare/treat/treatment.h"

namespace puretone {

/// The pitch of a note and what becomes of it, on an even grid.
struct Straightened {
    double hopSeconds = 0.0;
    std::vector<double> before; ///< Cents from the pitch that was followed; gaps are bridged.
    std::vector<double> wanted; ///< The same after straightening.
};

/// What Straighten does to a stretch, without doing it: for drawing and for the treatment itself.
///
/// Slow is what lies below about 2 Hz, vibrato what lies between that and about 10 Hz; what is
/// faster (jitter, the grain of a bow) stays. @return Empty where no pitch can be followed.
Straightened straightenedLine(
    const Audio& audio, const Straighten& how, Span over, const Progress& progress = {});

/// Takes drift and vibrato out by reading the recording faster and slower along its own pitch: what
/// a tape with a steady hand would have done. No stretching, so no artefact of it; the length
/// changes by as much as the mean pitch does, the start of `over` stays where it is.
/// @return False where there was no pitch to follow (the audio is untouched) or when cancelled.
bool straighten(Audio& audio, const Straighten& how, Span over, const Progress& progress = {});

} // namespace puretone
