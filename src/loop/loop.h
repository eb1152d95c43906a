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

enum class LoopMode {
    forward, ///< From the end back to the start, for as long as the note sounds.
    alternating, ///< Forward, then backward, mixed at both turns.
    untilRelease, ///< Forward while the key is held, then on to the recorded end.
    oneShot, ///< No loop: to the recorded end, however short the key is held.
};

/// A stretch that is repeated for as long as a key is held.
///
/// The last `crossfade` frames before the end are mixed with the frames before the start, so that
/// after the mix the end continues as the start does. An alternating loop mixes the way there with
/// the way back, inside the stretch, at both turns.
struct Loop {
    bool on = false;
    Span span; ///< Half open, frames of the recording.
    Frames crossfade;
    FadeCurve curve = FadeCurve::automatic;
    LoopMode mode = LoopMode::forward;
    /// Frames that one true round is longer than the span, -0.5 to 0.5: a short loop holds whole
    /// periods, whose length is seldom a whole number of frames. 0 for alternating loops.
    double fraction = 0.0;
    double evenOut = 0.0; ///< 0 to 1: how much of the level change inside is taken out.
    double evenColour = 0.0; ///< 0 to 1: how much of the change in brightness inside.

    /// Whether anything goes round.
    bool repeats() const { return on && mode != LoopMode::oneShot; }
    /// One round in frames, as it is heard.
    double roundFrames() const { return double(span.length()) + fraction; }
    bool operator==(const Loop&) const = default;
};

/// Fewer frames than this are no loop.
inline constexpr std::int64_t shortestLoop = 4;

/// What the recording holds before the start, or the loop itself, whichever is shorter; for an
/// alternating loop half of it.
inline Frames longestCrossfade(Span span, LoopMode mode = LoopMode::forward)
{
    const auto most = mode == LoopMode::alternating ? (span.length() - shortestLoop / 2) / 2
                                                    : std::min(span.start.value, span.length());
    return Frames{std::max<std::int64_t>(0, most)};
}

/// The nearest loop that a recording of `frames` frames can play.
inline Loop clampLoop(Loop loop, std::int64_t frames)
{
    auto& [start, end] = loop.span;
    start.value =
        std::clamp<std::int64_t>(start.value, 0, std::max<std::int64_t>(0, frames - shortestLoop));
    end.value = std::clamp<std::int64_t>(
        end.value, start.value + shortestLoop, std::max(frames, start.value + shortestLoop));
    loop.crossfade.value = std::clamp<std::int64_t>(
        loop.crossfade.value, 0, longestCrossfade(loop.span, loop.mode).value);
    // The comparisons put a NaN at the low end, too.
    const auto unit = [](double v) { return v > 0.0 ? std::min(v, 1.0) : 0.0; };
    loop.evenOut = unit(loop.evenOut);
    loop.evenColour = unit(loop.evenColour);
    loop.fraction = loop.mode == LoopMode::alternating ? 0.0 : unit(loop.fraction + 0.5) - 0.5;
    if (loop.fraction == -0.5 && loop.span.length() <= shortestLoop)
        loop.fraction = 0.0;
    if (frames < shortestLoop)
        loop.on = false;
    return loop;
}

} // namespace puretone
