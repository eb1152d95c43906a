// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/units.h"
#include "loop/loop.h"

#include <optional>

namespace puretone {

/// The tone that a loop of a few milliseconds is by itself, whatever it was cut from.
///
/// The rounds repeat exactly, so that every partial is a multiple of their rate; where nearly all
/// of the power lies in every second, third, ... of them, the loop holds two, three, ... periods.
///
/// @return Nothing for loops of more than 50 ms, silent ones, and while the loop is off.
std::optional<Hz> loopTone(const Audio& audio, const Loop& loop);

/// The loop with its end (and fraction of a frame) moved to the nearest whole number of periods;
/// unchanged where the recording does not hold as much.
///
/// @param periodSeconds Of the note, above 0. @param end Of what may be looped, frames.
Loop fittedToPeriods(const Loop& loop, double periodSeconds, double rate, std::int64_t end);

/// The end (or start) after or before the present one at which both sides are alike: the next peak
/// of the correlation of what would be mixed, at most two periods or 25 ms away.
///
/// @param forward Direction of the search. @return The present one where there is none.
std::int64_t nextMatchingEnd(
    const Audio& audio, const Loop& loop, bool forward, std::optional<double> periodSeconds);
std::int64_t nextMatchingStart(
    const Audio& audio, const Loop& loop, bool forward, std::optional<double> periodSeconds);

} // namespace puretone
