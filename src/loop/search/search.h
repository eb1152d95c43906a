// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Bakes and measures what the joint finder suggests. Inside the room `loop` only.

#include "loop/search/finder.h"
#include "loop/search/joints.h"
#include "loop/search/ranking.h"
#include "loop/sustain.h"

namespace puretone {

/// One kind of loop that is looked for.
struct LoopGroup {
    LoopKind kind;
    JointSearch search;
    double startFrom, startTo; ///< Seconds of the recording.
    std::vector<double> fades; ///< Seconds; a fade of the whole loop is written as 1e9.
    bool evened = false; ///< Only with level and brightness evened out.
};

class LoopSearch {
public:
    LoopSearch(const Audio& audio, const Sustain& sustain, std::optional<double> period);

    /// Loops of one kind, measured, added to what was found.
    void run(const LoopGroup& group, const Progress& progress);
    /// Alternating loops over several parts of the sound.
    void runThereAndBack(const Progress& progress);
    /// With several crossfades, no further than frame `last`; `settings` gives curve, mode and
    /// evening, which are left alone.
    void tryNear(Span wanted, const Loop& settings, bool keepCrossfade, Frames last);

    const std::vector<LoopCandidate>& found() const { return found_; }
    /// A candidate as judgeLoop sees it: measured to the end and by itself.
    LoopCandidate complete(const LoopCandidate& candidate);

private:
    double tryFade(const Joint& joint, double fade, const LoopGroup& group); ///< The least cost.
    void fitFraction(Loop& loop) const;
    double add(const Loop& loop, LoopKind kind, bool tryEvening); ///< The least cost.
    double longestFade(double start, double length) const;

    const Audio& audio_;
    SeamMeter meter_;
    Sustain sustain_;
    std::optional<double> period_;
    Span searched_;
    JointFinder joints_;
    std::vector<LoopCandidate> found_;
    LoopTaste taste_;
    double best_ = 1e9; ///< Least preference so far.
};

/// A loop with its measures as a candidate.
LoopCandidate candidateFor(
    const SeamMeasures& seam, const Loop& loop, double rate, std::optional<double> period);

/// The frame about which a stretch of `reach` frames is most alike to itself run backward, near
/// `wanted`: where an alternating loop may turn.
std::int64_t turningPoint(
    const Audio& audio, Span inside, std::int64_t wanted, std::int64_t fade, std::int64_t reach);

} // namespace puretone
