// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/say.h"
#include "base/threads/progress.h"
#include "loop/joint/seam.h"
#include "loop/loop.h"

#include <optional>
#include <string>

namespace puretone {

enum class LoopKind {
    longLiving, ///< 0.3 s or more: the sound goes on moving.
    middle,
    shortSteady, ///< Under 0.1 s: the sound stands still.
    afterAttack, ///< As much of the sound as can be had.
    lastSteady, ///< The last steady second.
    wholeSwings, ///< As long as a number of swings of vibrato, tremolo or beating.
    thereAndBack, ///< Alternating.
    heldHigh, ///< Of a sound that dies away: soon after the attack, evened out.
    fromFile, ///< Not found but set by whoever made the file.
};

/// A loop that was baked and measured.
struct LoopCandidate {
    Loop loop;
    LoopKind kind = LoopKind::longLiving;
    SeamMeasures seam;
    double cost = 0.0; ///< seamCost of the measures.
    double holdsDb =
        0.0; ///< Level that it holds, against the attack of what is kept; see measureHold.
    double pitchErrorCents = 0.0; ///< Loop length against whole periods; 0 without a pitch.
    Message reason; ///< Why it stands where it does: "seamless; short, so the sound stands still".
    bool operator==(const LoopCandidate&) const = default;
};

struct LoopReport {
    SeamVerdict verdict = SeamVerdict::none; ///< `none`: nothing that could be proposed.
    std::vector<LoopCandidate> candidates; ///< Best first, at most ten; [0] is the proposal.
    /// What stands in the way of a seamless loop, and what is nearest: "dies away within 0.8 s; the
    /// nearest is short and evened out". Empty where there is one.
    Message message;
    bool operator==(const LoopReport&) const = default;
};

struct LoopOptions {
    std::size_t anchors = 20; ///< Starts that are tried.
    double mostSeconds = 120.0; ///< Of the sustained part that are searched: no note lasts longer.
    std::optional<double> swing; ///< Seconds of one swing of vibrato, tremolo or beating.
    std::optional<Span> within; ///< Only here; levels are still told against all that is kept.
};

/// Finds loops inside the kept part: ranks joints by correlation of what would be mixed, bakes the
/// best of them with several crossfades, measures what would be heard, and chooses by that.
///
/// @param audio The whole recording; crossfades may use what lies before the kept part.
/// @param period Of the note in seconds, where it has one.
/// @return A report; verdict `none` with a message where the sound is too short or dies away.
///
/// Cost: O(n log n), see bench/loop_bench --speed. Keeps no state; safe from any thread.
LoopReport findLoops(const Audio& audio, Span kept, std::optional<double> period,
    const LoopOptions& options = {}, const Progress& progress = {});

/// The best loop whose posts lie near `wanted`: the end moved to where both sides are most alike
/// (at most 1.2 periods or 4 ms), the crossfade that is heard least.
///
/// @param kept What may be looped. @param like Curve, mode and evening are its own; its crossfade,
/// too, where `keepCrossfade` says so.
LoopCandidate loopNear(const Audio& audio, Span kept, Span wanted, const Loop& like,
    std::optional<double> period, bool keepCrossfade = false);

/// Bakes and measures one loop as it stands: what the window shows beside a loop placed by hand.
LoopCandidate judgeLoop(const Audio& audio, const Loop& loop, std::optional<double> period);

/// The level of a loop against the loudest 50 ms that are kept, dB: how far a sound that dies away
/// has come down to it.
double measureHold(const Audio& audio, Span kept, const Loop& loop);

/// Gives every candidate the reason for its place behind the first.
void explain(std::vector<LoopCandidate>& candidates, double rate);

/// Difference in cents between the pitch that a loop of this length repeats at and the note's own;
/// 0 for loops of more than 64 periods, where nothing of it is heard.
double loopPitchError(double roundFrames, double rate, std::optional<double> period);

const char* nameOf(LoopKind kind);

} // namespace puretone
