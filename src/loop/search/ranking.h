// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Which of many measured loops are shown, and in which order. Inside the room `loop` only.

#include "loop/search/finder.h"
#include "loop/sustain.h"

namespace puretone {

/// Below this cost all loops are equally good, and length decides.
inline constexpr double equallyGood = 0.35;

/// What is wanted of a sound's loops.
struct LoopTaste {
    double living = 0.3; ///< Seconds from which on a loop counts as living.
    double enough = 1.5; ///< Seconds beyond which more length adds nothing.
    bool longFades = false; ///< Of equally good ones the longer crossfade.
};
/// Of a note 0.3 s are living, or most of a short one. Noise has nothing that repeats but what is
/// heard to repeat: half of it at the least, and the longer the better.
LoopTaste tasteFor(const Sustain& sustain, bool hasPeriod);
/// Seconds of noise from which on it is treated so.
inline constexpr double longNoise = 0.1;

/// Less is better: the cost, then length.
double preference(const LoopCandidate& candidate, double rate, const LoopTaste& taste);

/// The best ten, with at least two of every kind that was found, reasons filled in.
std::vector<LoopCandidate> ranked(
    std::vector<LoopCandidate> all, double rate, const LoopTaste& taste);

/// What LoopReport::message says about the best loop of a sound.
Message obstacle(const LoopCandidate& best, const Sustain& sustain, double rate);

} // namespace puretone
