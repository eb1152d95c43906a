// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Which of many measured loops are shown, and in which order. Inside the room `loop` only.

#include "loop/finder.h"
#include "loop/sustain.h"

namespace puretone {

/// Below this cost all loops are equally good, and length decides.
inline constexpr double equallyGood = 0.35;

/// From how many seconds on a loop of this sound counts as living: 0.3, or most of a short sound.
double livingSeconds(const Sustain& sustain);

/// Less is better: the cost, then length. @param living See livingSeconds.
double preference(const LoopCandidate& candidate, double rate, double living);

/// The best ten, with at least two of every kind that was found, reasons filled in.
std::vector<LoopCandidate> ranked(
    std::vector<LoopCandidate> all, double rate, double living);

/// What LoopReport::message says about the best loop of a sound.
std::string obstacle(const LoopCandidate& best, const Sustain& sustain, double rate);

} // namespace puretone
