// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/ranking.h"

#include "base/quantity.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr std::size_t mostChoices = 10, freely = 4, ofEachKind = 2;
constexpr double livingFrom = 0.3; ///< Seconds.

double secondsOf(const LoopCandidate& c, double rate)
{
    return double(c.loop.span.length()) / rate;
}

bool alike(const LoopCandidate& a, const LoopCandidate& b)
{
    if (a.loop.mode != b.loop.mode)
        return false;
    const auto shorter = std::min(a.loop.span.length(), b.loop.span.length());
    return std::abs(a.loop.span.start.value - b.loop.span.start.value)
        + std::abs(a.loop.span.end.value - b.loop.span.end.value)
        < shorter * 15 / 100;
}

Message reasonFor(const LoopCandidate& c, const LoopCandidate& best, double rate)
{
    const double seconds = secondsOf(c, rate);
    constexpr double worthSaying = -10.0; // dB
    const Message hold = c.holdsDb < worthSaying
        ? message("; holds %1 dB below the attack", formatNumber(-c.holdsDb, 0))
        : Message();
    if (seamVerdict(c.cost) != SeamVerdict::seamless)
        return describeSeam(c.seam, seconds) += hold;
    Message reason = message("seamless");
    if (c.loop.evenOut > 0.0)
        reason += c.loop.evenColour > 0.0 ? message(" with level and brightness evened out")
                                          : message(" with its level evened out");
    if (c.loop.mode == LoopMode::alternating)
        reason += message("; every other time it runs backward");
    else if (seconds < livingFrom)
        reason += message("; short, so the sound stands still");
    else if (c == best)
        reason += message(" and long enough to stay alive");
    else if (c.cost > std::max(equallyGood, best.cost))
        reason += message(", but not as smooth as the best");
    else if (seconds < secondsOf(best, rate))
        reason += message(", but shorter than the best");
    else
        reason += message(", much the same as the best");
    return reason += hold;
}

} // namespace

LoopTaste tasteFor(const Sustain& sustain, bool hasPeriod)
{
    if (!hasPeriod && sustain.seconds() > longNoise)
        return {0.5 * sustain.seconds(), sustain.seconds(), true};
    // In a very short recording nothing lives, and a round or two of its wave is what there is.
    constexpr double brief = 0.2;
    LoopTaste taste;
    taste.living = sustain.seconds() < brief ? 0.0 : std::min(livingFrom, 0.65 * sustain.seconds());
    return taste;
}

double preference(const LoopCandidate& c, double rate, const LoopTaste& taste)
{
    const double seconds = secondsOf(c, rate);
    // A dead loop must be much better to win; of noise a shorter one only does less well.
    const double halvings = seconds < taste.living ? std::log2(taste.living / seconds) : -1.0;
    const double dead = halvings < 0.0 ? 0.0
        : taste.longFades              ? std::min(1.5, 0.4 * halvings)
                                       : std::min(1.5, 0.9 + 0.35 * halvings);
    const double fade = taste.longFades
        ? 0.04 * std::log2(1.0 + double(c.loop.crossfade.value) / rate / 0.05)
        : 0.0;
    return std::max(c.cost, equallyGood) - 0.08 * std::log2(std::min(seconds, taste.enough)) + dead
        - fade + std::min(0.5, std::abs(c.pitchErrorCents) / 20.0)
        + (c.loop.mode == LoopMode::alternating ? 0.2 : 0.0);
}

std::vector<LoopCandidate> ranked(
    std::vector<LoopCandidate> all, double rate, const LoopTaste& taste)
{
    std::stable_sort(all.begin(), all.end(), [&](const LoopCandidate& a, const LoopCandidate& b) {
        return preference(a, rate, taste) < preference(b, rate, taste);
    });
    std::vector<LoopCandidate> different;
    for (const auto& candidate : all)
        if (std::none_of(different.begin(), different.end(),
                [&](const LoopCandidate& c) { return alike(c, candidate); }))
            different.push_back(candidate);
    std::vector<bool> taken(different.size(), false);
    std::size_t count = 0;
    const auto take = [&](std::size_t i) {
        if (!taken[i] && count < mostChoices) {
            taken[i] = true;
            ++count;
        }
    };
    for (std::size_t i = 0; i < std::min(freely, different.size()); ++i)
        take(i);
    // One of every kind, then a second one: a choice of different sounds, not of ten alike.
    for (std::size_t wanted = 1; wanted <= ofEachKind; ++wanted)
        for (const auto kind : {LoopKind::longLiving, LoopKind::middle, LoopKind::shortSteady,
                 LoopKind::afterAttack, LoopKind::lastSteady, LoopKind::wholeSwings,
                 LoopKind::heldHigh, LoopKind::thereAndBack}) {
            std::size_t have = 0;
            for (std::size_t i = 0; i < different.size(); ++i)
                have += taken[i] && different[i].kind == kind ? 1 : 0;
            for (std::size_t i = 0; i < different.size() && have < wanted; ++i)
                if (!taken[i] && different[i].kind == kind) {
                    take(i);
                    ++have;
                }
        }
    for (std::size_t i = 0; i < different.size(); ++i)
        take(i);
    std::vector<LoopCandidate> chosen;
    for (std::size_t i = 0; i < different.size(); ++i)
        if (taken[i])
            chosen.push_back(different[i]);
    explain(chosen, rate);
    return chosen;
}

void explain(std::vector<LoopCandidate>& candidates, double rate)
{
    for (auto& candidate : candidates)
        candidate.reason = reasonFor(candidate, candidates.front(), rate);
}

Message obstacle(const LoopCandidate& best, const Sustain& sustain, double rate)
{
    const double seconds = secondsOf(best, rate);
    if (seamVerdict(best.cost) == SeamVerdict::seamless)
        return {};
    constexpr double soon = 1.5;
    Message why = sustain.diesWithin() < soon
        ? message("dies away within %1", formatSeconds(sustain.diesWithin()))
        : message("never comes back to where it was");
    why += message("; the nearest ");
    if (best.loop.mode == LoopMode::alternating)
        why += message("runs there and back and ");
    else if (best.loop.evenOut > 0.0)
        why += message("is evened out and ");
    else if (seconds < livingFrom)
        why += message("is short and ");
    return why += describeSeam(best.seam, seconds);
}

const char* nameOf(LoopKind kind)
{
    switch (kind) {
    case LoopKind::longLiving:
        return text("long, living");
    case LoopKind::middle:
        return text("in between");
    case LoopKind::afterAttack:
        return text("after the attack");
    case LoopKind::lastSteady:
        return text("last steady second");
    case LoopKind::wholeSwings:
        return text("whole swings");
    case LoopKind::heldHigh:
        return text("high, evened out");
    case LoopKind::thereAndBack:
        return text("there and back");
    case LoopKind::fromFile:
        return text("from the file");
    case LoopKind::shortSteady:
        break;
    }
    return text("short, steady");
}

} // namespace puretone
