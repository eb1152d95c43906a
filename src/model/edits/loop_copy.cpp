// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/loop_copy.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

/// Where the loop lies in its take: seconds and shares of the kept part.
struct Place {
    double start, length;
};

Place placeOf(const Take& take, bool shares)
{
    const double unit = shares ? double(take.kept.length()) : take.rate();
    return {double(take.loop.span.start.value - take.kept.start.value) / unit,
        double(take.loop.span.length()) / unit};
}

Span spanFor(const Take& to, Place place, bool shares)
{
    const double unit = shares ? double(to.kept.length()) : to.rate();
    const auto start = to.kept.start.value + std::llround(place.start * unit);
    return {Frames{start}, Frames{start + std::llround(place.length * unit)}};
}

/// Moves start and length by shares that never come close to each other again: multiples of the
/// golden ratio.
Span staggered(Span span, const Take& to, int stagger)
{
    if (stagger == 0)
        return span;
    const auto share = [](double step, int n) { return std::fmod(step * n, 1.0) - 0.5; };
    constexpr double golden = 0.6180339887, most = 0.4;
    const std::int64_t start = std::llround(most * share(golden, stagger) * double(span.length()));
    std::int64_t longer =
        std::llround(most * share(golden, 2 * stagger + 1) * double(span.length()));
    // A loop of few periods keeps to whole ones.
    if (const auto period = to.period()) {
        const double frames = *period * to.rate();
        longer = std::llround(std::round(double(longer) / frames) * frames);
        if (longer <= -span.length())
            longer = 0;
    }
    const auto low = to.kept.start.value, high = to.kept.end.value;
    span.start.value = std::clamp<std::int64_t>(span.start.value + start, low, high - shortestLoop);
    span.end.value = std::min(high, span.end.value + start + longer);
    return span;
}

/// The found loop that is most like the one to be copied.
const LoopCandidate* mostAlike(const std::vector<LoopCandidate>& found, const Loop& wanted,
    double wantedSeconds, double wantedShare, const Take& to)
{
    const LoopCandidate* best = nullptr;
    double least = 2.0; // more than that is not the like
    for (const auto& c : found) {
        if ((c.loop.mode == LoopMode::alternating) != (wanted.mode == LoopMode::alternating))
            continue;
        const double seconds = double(c.loop.span.length()) / to.rate();
        const double share =
            double(c.loop.span.start.value - to.kept.start.value) / double(to.kept.length());
        const double unlike = std::abs(std::log2(seconds / wantedSeconds))
            + std::abs(share - wantedShare) + 0.5 * std::max(0.0, c.cost - 1.0);
        if (unlike < least) {
            least = unlike;
            best = &c;
        }
    }
    return best;
}

} // namespace

LoopCandidate copiedLoop(
    const Take& from, const Take& to, LoopCopy how, int stagger, const Progress& progress)
{
    const bool shares = how != LoopCopy::sameTimes;
    const Place place = placeOf(from, shares);
    Span span = spanFor(to, place, shares);
    Loop like = from.loop;
    // The same crossfade in seconds, or in proportion.
    const double scale =
        shares ? double(to.kept.length()) / double(from.kept.length()) : to.rate() / from.rate();
    like.crossfade = Frames{std::llround(double(from.loop.crossfade.value) * scale)};
    bool keepCrossfade = true;
    if (how == LoopCopy::findTheLike) {
        const auto report = findLoops(to.audio(), to.kept, to.period(), {}, progress);
        const double seconds = double(from.loop.span.length()) / from.rate();
        if (const auto* found = mostAlike(report.candidates, from.loop, seconds, place.start, to)) {
            span = found->loop.span;
            like.crossfade = found->loop.crossfade;
            like.evenOut = std::max(like.evenOut, found->loop.evenOut);
            like.evenColour = std::max(like.evenColour, found->loop.evenColour);
        } else {
            keepCrossfade = false;
        }
    }
    const bool wasOn = from.loop.on;
    auto copied = loopNear(
        to.audio(), to.kept, staggered(span, to, stagger), like, to.period(), keepCrossfade);
    copied.loop.on = wasOn;
    return copied;
}

} // namespace puretone
