// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/units.h"

#include <algorithm>

namespace puretone {

enum class FadeCurve {
    automatic, ///< Gains hold the power constant for the measured correlation of the two sides.
    linear, ///< Gains add up to 1: right for sides that are alike.
    equalPower, ///< Squares add up to 1: right for sides that have nothing in common.
};

/// A stretch that is repeated for as long as a key is held.
///
/// The last `crossfade` frames before the end are mixed with the frames before the start, so that
/// after the mix the end continues as the start does.
struct Loop {
    bool on = false;
    Span span; ///< Half open, frames of the recording.
    Frames crossfade;
    FadeCurve curve = FadeCurve::automatic;
    double evenOut = 0.0; ///< 0 to 1: how much of the level change inside is taken out.
    bool operator==(const Loop&) const = default;
};

/// Fewer frames than this are no loop.
inline constexpr std::int64_t shortestLoop = 4;

/// What the recording holds before the start, or the loop itself, whichever is shorter.
inline Frames longestCrossfade(Span span)
{
    return Frames{std::max<std::int64_t>(0, std::min(span.start.value, span.length()))};
}

/// The nearest loop that a recording of `frames` frames can play.
inline Loop clampLoop(Loop loop, std::int64_t frames)
{
    auto& [start, end] = loop.span;
    start.value =
        std::clamp<std::int64_t>(start.value, 0, std::max<std::int64_t>(0, frames - shortestLoop));
    end.value = std::clamp<std::int64_t>(
        end.value, start.value + shortestLoop, std::max(frames, start.value + shortestLoop));
    loop.crossfade.value =
        std::clamp<std::int64_t>(loop.crossfade.value, 0, longestCrossfade(loop.span).value);
    loop.evenOut = std::clamp(loop.evenOut, 0.0, 1.0);
    if (frames < shortestLoop)
        loop.on = false;
    return loop;
}

} // namespace puretone
