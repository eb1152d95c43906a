// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/progress.h"
#include "loop/loop.h"
#include "loop/seam.h"

#include <optional>
#include <string>

namespace puretone {

enum class LoopKind {
    longLiving,
    middle,
    shortSteady,
    fromFile, ///< Not found but set by whoever made the file.
};

/// A loop that was baked and measured.
struct LoopCandidate {
    Loop loop;
    LoopKind kind = LoopKind::longLiving;
    SeamMeasures seam;
    double cost = 0.0; ///< seamCost of the measures.
    double pitchErrorCents = 0.0; ///< Loop length against whole periods; 0 without a pitch.
    bool operator==(const LoopCandidate&) const = default;
};

struct LoopReport {
    SeamVerdict verdict = SeamVerdict::none;
    std::vector<LoopCandidate> candidates; ///< Best first, at most eight; [0] is the proposal.
    std::string message; ///< Why there is none; empty otherwise.
    bool operator==(const LoopReport&) const = default;
};

struct LoopOptions {
    std::size_t anchors = 24; ///< Starts that are tried.
    double mostSeconds = 20.0; ///< Of the sustained part that are searched.
};

/// Finds loops inside the kept part: ranks joints by correlation of what would be mixed, bakes the
/// best of them with several crossfades, measures what would be heard, and chooses by that.
///
/// @param audio The whole recording; crossfades may use what lies before the kept part.
/// @param period Of the note in seconds, where it has one.
/// @return A report; verdict `none` with a message where the sound is too short or dies away.
///
/// Cost: O(n log n); about 450 ms for 10 s of stereo at 48 kHz. Keeps no state; safe from any
/// thread.
LoopReport findLoops(const Audio& audio, Span kept, std::optional<double> period,
    const LoopOptions& options = {}, const Progress& progress = {});

/// Bakes and measures one loop as it stands: what the window shows beside a loop placed by hand.
LoopCandidate judgeLoop(const Audio& audio, const Loop& loop, std::optional<double> period);

/// Difference in cents between the pitch that a loop of this length repeats at and the note's own;
/// 0 for loops of more than 64 periods, where nothing of it is heard.
double loopPitchError(std::int64_t lengthFrames, double rate, std::optional<double> period);

const char* nameOf(LoopKind kind);

} // namespace puretone
