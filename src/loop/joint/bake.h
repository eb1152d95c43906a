// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "loop/loop.h"

namespace puretone {

/// One round of a loop as it sounds: from frame `from` on the recording as it is, but for the last
/// frames, which are `tail`.
struct BakedRound {
    std::int64_t from = 0; ///< Frame of the recording.
    std::int64_t length = 0; ///< Frames of the round, tail included.
    Audio tail; ///< Its last frames: the crossfade, or all of it where all of it differs.
};

/// @param loop On, and inside the recording (see clampLoop); `fraction` is counted, so that the
/// round is read minutely faster or slower than recorded.
BakedRound bakeRound(const Audio& audio, const Loop& loop);

/// A loop as it is played and written: the recording up to `from`, then `turn` for ever.
struct BakedLoop {
    std::int64_t from = 0; ///< Frame of the recording.
    std::int64_t changed = 0; ///< Frames of the turn that are still as recorded.
    Audio turn;
    /// Rounds in the turn: a round that is not a whole number of frames is written out several
    /// times, until the rest is less than a tenth of a cent; and no turn is shorter than 64 frames,
    /// which some readers need.
    std::int64_t rounds = 1;
};

/// What the engine plays and every export writes.
BakedLoop bakeLoop(const Audio& audio, const Loop& loop);

/// Frames of bakeLoop's turn, without making it.
std::int64_t turnFrames(const Loop& loop);

/// What a loop leads into when its key is let go: `guard` frames as it would have gone on, then a
/// crossfade into what was recorded behind the loop, up to frame `until` of the recording. Frame i
/// takes the place of frame `loop.end + i`.
///
/// @return until - loop.end frames, 0 or more.
Audio leaveLoop(const Audio& audio, const Loop& loop, const BakedLoop& baked, std::int64_t guard,
    std::int64_t until);

/// Where a frame of the turn lies in the recording, for showing it; a backward stretch runs
/// backward.
double recordedPlace(const Loop& loop, double frameOfTurn) noexcept;

} // namespace puretone
