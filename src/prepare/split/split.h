// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"

#include <optional>

namespace puretone {

/// One note of a long recording.
struct Piece {
    Span span;
    /// Too short, or far below the others: a sliver, a breath, a chair. Left out unless wanted.
    bool sliver = false;
    double peakDb = -200.0; ///< Highest level inside.
    bool operator==(const Piece&) const = default;
};

struct SplitOptions {
    std::optional<double> quietLineDb; ///< Level under which nothing sounds; found when not given.
    double shortestSeconds = 0.08; ///< Shorter pieces are slivers, unless they are loud.
    /// Material without silences: each piece ends where the next begins, and less evidence is
    /// needed for one.
    bool onsetsOnly = false;
    /// A note lasts until it is silent, or its tail gives way to the next: what swells, beats or is
    /// struck again is part of it.
    bool silencesOnly = false;
};

struct SplitResult {
    std::vector<Piece> pieces; ///< In order, never overlapping.
    double quietLineDb = -200.0; ///< In use.
    double noiseFloorDb = -200.0;
};

/// How many pieces are no slivers.
std::size_t wantedNotes(const SplitResult& split);

/// Finds the notes of a long recording: where something new begins, and where it has died away into
/// the noise.
///
/// Silences part stretches; inside one a start needs a sum of evidence (see onsets.h). Starts lie
/// on the attack; ends follow the decay down to the noise, never beyond the next start.
/// @return No pieces for silence. When cancelled, the result is to be dropped.
/// Cost: O(n log n); about 60 ms for 10 s of stereo at 48 kHz.
SplitResult splitRecording(
    const Audio& audio, const SplitOptions& options = {}, const Progress& progress = {});

/// The same pieces with a border at `frame`: a piece that holds it becomes two; outside of all
/// pieces a new one begins there and lasts until the next, at most two seconds. Too close to a
/// border (16 frames): unchanged.
SplitResult withCut(SplitResult result, Frames frame, Frames recordingEnd, double rate);
/// Piece `index` and the next as one, wanted if either was; unchanged for the last one.
SplitResult withJoined(SplitResult result, std::size_t index);

} // namespace puretone
