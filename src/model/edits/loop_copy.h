// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

namespace puretone {

enum class LoopCopy {
    sameTimes, ///< As many seconds after the kept start.
    sameShare, ///< At the same shares of the kept length.
    findTheLike, ///< The take's own loop that is most like it in kind, length and place.
};

/// The loop of one take for another: mode, curve and evening as they are; the end is moved to where
/// both sides match, by 1.2 periods at most, for the same frame is another phase in every sound.
///
/// @param from With a loop. @param stagger 0 for none; otherwise the how many-eth take gets the
/// copy: start and length are made unequal (by at most a fifth, whole periods where the loop has
/// few), so that takes side by side neither begin nor last the same.
/// @return Inside `to`'s kept part.
LoopCandidate copiedLoop(
    const Take& from, const Take& to, LoopCopy how, int stagger, const Progress& progress = {});

} // namespace puretone
