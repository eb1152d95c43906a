// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/finder.h"

#include "audio/level.h"
#include "base/quantity.h"
#include "loop/search/ranking.h"
#include "loop/search/search.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double wholeLoop = 1e9;

std::vector<LoopGroup> groupsFor(
    const Sustain& sustain, std::optional<double> period, const LoopOptions& options)
{
    const double turn = period.value_or(0.005);
    const double matched = std::max(0.03, 3.0 * turn);
    const double from = sustain.from, to = sustain.to;
    std::vector<LoopGroup> groups;
    const double all = sustain.seconds();
    const bool noise = !period && all > longNoise;
    if (noise) {
        // Noise: most of it, with the longest crossfades that what lies before has room for. What
        // crackles in it must not come back soon.
        groups.push_back({LoopKind::longLiving,
            {0.5 * all, std::min(0.9 * all, 60.0), matched, 0.06, 2 * options.anchors, 24},
            from + 0.05 * all, from + 0.4 * all,
            {std::min(2.0, 0.3 * all), std::min(0.8, 0.15 * all), 0.25, 0.08}});
    }
    groups.push_back({LoopKind::longLiving, {0.3, 4.0, matched, 0.06, options.anchors, 10}, from,
        to, {0.03, 0.08, 0.18, 0.35}});
    if (!noise) // A short round of noise is a buzz.
        groups.push_back({LoopKind::middle,
            {std::max(0.06, 2.2 * turn), 0.3, matched, 0.06, options.anchors / 2, 6}, from, to,
            {0.008, 0.03, 0.08, wholeLoop}});
    if (!noise)
        groups.push_back({LoopKind::shortSteady,
            {std::max(0.9 * turn, 0.0008), 0.1, std::min(matched, std::max(0.004, 2.0 * turn)),
                0.01, 10, 6},
            from, to, {0.008, 0.03, wholeLoop}});
    if (sustain.seconds() > 0.15)
        groups.push_back({LoopKind::afterAttack,
            {(sustain.seconds() > 0.9 ? 0.45 : 0.65) * sustain.seconds(),
                std::min(sustain.seconds(), 30.0), matched, 0.06, 4, 3},
            from, from + std::min(0.25, 0.2 * sustain.seconds()), {0.03, 0.08, 0.18}});
    constexpr double deep = 12.0; // dB
    if (period && sustain.fallDbPerSecond * all > deep && all > 0.15)
        groups.push_back({LoopKind::heldHigh,
            {std::max(0.06, 2.2 * turn), std::min(0.4, 0.4 * all), matched, 0.0, 6, 4}, from,
            from + std::min(0.12, 0.2 * all), {0.03, 0.08}, true});
    if (const double steady = sustain.steadyTo; steady - from > 1.6)
        groups.push_back({LoopKind::lastSteady, {0.7, 1.2, matched, 0.02, 4, 3}, steady - 1.4,
            steady - 0.9, {0.03, 0.08, 0.18}});
    const auto swing = options.swing ? options.swing : sustain.swing;
    if (swing && *swing > 0.05 && *swing < 2.0) {
        const double swings = std::ceil(0.35 / *swing) * *swing;
        if (swings < 0.7 * sustain.seconds())
            groups.push_back({LoopKind::wholeSwings,
                {0.96 * swings, 1.04 * swings, matched, 0.0, options.anchors / 2, 4}, from, to,
                {0.03, 0.08, 0.18}});
    }
    return groups;
}

/// Costs above this are no proposal, only a choice.
constexpr double worthProposing = 4.0;

} // namespace

double loopPitchError(double roundFrames, double rate, std::optional<double> period)
{
    if (!period || *period <= 0.0)
        return 0.0;
    const double periods = roundFrames / rate / *period;
    const double whole = std::round(periods);
    if (whole < 1.0 || whole > 64.0)
        return 0.0;
    return 1200.0 * std::log2(whole / periods);
}

double measureHold(const Audio& audio, Span kept, const Loop& loop)
{
    const auto window = std::max<std::int64_t>(1, std::llround(0.05 * audio.rate));
    const auto attack = powerCurve(audio, kept, window, std::max<std::int64_t>(1, window / 4));
    const auto held = powerCurve(audio, loop.span, loop.span.length() * 2, loop.span.length());
    const double top = *std::max_element(attack.begin(), attack.end());
    return top > 0.0 ? 10.0 * std::log10(std::max(1e-20, held.front()) / top) : 0.0;
}

LoopCandidate judgeLoop(const Audio& audio, const Loop& loop, std::optional<double> period)
{
    return candidateFor(measureSeam(audio, loop, period), loop, audio.rate, period);
}

LoopCandidate loopNear(const Audio& audio, Span kept, Span wanted, const Loop& like,
    std::optional<double> period, bool keepCrossfade)
{
    // Wherever it was asked for, it has to lie in what is kept.
    Loop inside;
    inside.span = {std::max(wanted.start, kept.start), wanted.end};
    wanted = clampLoop(inside, kept.end.value).span;
    // Only what lies around the wanted loop is of interest here.
    const double room = 0.5;
    Sustain around;
    around.onset = toSeconds(kept.start, audio.rate);
    around.from = around.onset + 0.01;
    around.to = std::min(toSeconds(kept.end, audio.rate), toSeconds(wanted.end, audio.rate) + room);
    around.onset = std::max(around.onset, toSeconds(wanted.start, audio.rate) - room);
    around.from = std::max(around.from, around.onset);
    around.steadyTo = around.to;
    LoopSearch search(audio, around, period);
    search.tryNear(wanted, like, keepCrossfade, kept.end);
    const auto best = std::min_element(search.found().begin(), search.found().end(),
        [](const LoopCandidate& a, const LoopCandidate& b) { return a.cost < b.cost; });
    return search.complete(*best);
}

LoopReport findLoops(const Audio& audio, Span kept, std::optional<double> period,
    const LoopOptions& options, const Progress& progress)
{
    LoopReport report;
    Span searched = kept;
    if (options.within)
        searched = {
            std::max(kept.start, options.within->start), std::min(kept.end, options.within->end)};
    if (searched.length() < std::int64_t(0.008 * audio.rate)) {
        report.message = puretone::message("is too short to loop");
        return report;
    }
    const auto sustain = findSustain(audio, searched, options.mostSeconds);
    if (sustain.seconds() < std::max(0.004, 1.2 * period.value_or(0.0))) {
        report.message = puretone::message(
            "dies away within %1", formatSeconds(std::max(0.001, sustain.to - sustain.onset)));
        return report;
    }
    LoopSearch search(audio, sustain, period);
    const auto groups = groupsFor(sustain, period, options);
    const double share = 1.0 / double(groups.size() + 1);
    for (std::size_t g = 0; g < groups.size() && !progress.cancelled(); ++g)
        search.run(groups[g], progress.part(double(g) * share, double(g + 1) * share));
    search.runThereAndBack(progress.part(1.0 - share, 1.0));
    if (progress.cancelled())
        return report;
    const auto taste = tasteFor(sustain, period.has_value());
    auto chosen = ranked(search.found(), audio.rate, taste);
    for (auto& candidate : chosen) {
        candidate = search.complete(candidate);
        candidate.holdsDb = measureHold(audio, kept, candidate.loop);
    }
    // Between two notes of one recording silence repeats best of all.
    constexpr double silentDb = -60.0;
    std::erase_if(chosen, [](const LoopCandidate& c) { return c.holdsDb < silentDb; });
    report.candidates = ranked(std::move(chosen), audio.rate, taste);
    if (report.candidates.empty()) {
        report.message = puretone::message("has nothing in it that repeats for long enough");
        return report;
    }
    const auto& best = report.candidates.front();
    report.message = obstacle(best, sustain, audio.rate);
    if (best.cost <= worthProposing)
        report.verdict = seamVerdict(best.cost);
    return report;
}

} // namespace puretone
