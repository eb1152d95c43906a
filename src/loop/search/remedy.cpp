// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/remedy.h"

#include "loop/joint/tone.h"

#include <algorithm>

namespace puretone {

namespace {

struct Trial {
    const char* name;
    Loop loop;
};

/// Everything that could help, whatever is wrong: the measures decide.
std::vector<Trial> trialsFor(
    const Audio& audio, Span kept, const LoopCandidate& candidate, std::optional<double> period)
{
    const Loop& loop = candidate.loop;
    const auto limits = seamLimits(double(loop.span.length()) / audio.rate);
    const auto& seam = candidate.seam;
    std::vector<Trial> trials;
    const auto with = [&](const char* name, auto change) {
        Loop changed = loop;
        change(changed);
        changed = clampLoop(changed, kept.end.value);
        if (!(changed == loop))
            trials.push_back({name, changed});
    };
    if (seam.pulseDb > limits.pulseDb || seam.levelDb > limits.levelDb)
        with(text("Even out the level"), [](Loop& l) { l.evenOut = 1.0; });
    if (seam.timbreDb > limits.timbreDb || seam.changeDb > limits.changeDb)
        with(text("Even out the brightness"), [](Loop& l) { l.evenOut = l.evenColour = 1.0; });
    if (loop.curve != FadeCurve::automatic)
        with(text("Make the curve automatic"), [](Loop& l) { l.curve = FadeCurve::automatic; });
    for (const double seconds : {0.03, 0.1, 0.25}) {
        const auto fade = toFrames(seconds, audio.rate);
        with(fade < loop.crossfade ? text("Shorten the crossfade") : text("Lengthen the crossfade"),
            [&](Loop& l) { l.crossfade = fade; });
    }
    const bool fewPeriods = period && double(loop.span.length()) < 0.06 * audio.rate;
    if (fewPeriods && std::abs(candidate.pitchErrorCents) > 0.5)
        with(text("Fit to whole periods"),
            [&](Loop& l) { l = fittedToPeriods(l, *period, audio.rate, kept.end.value); });
    return trials;
}

} // namespace

std::optional<LoopRemedy> loopRemedy(
    const Audio& audio, Span kept, const LoopCandidate& loop, std::optional<double> period)
{
    // Being out of tune is as bad as being heard.
    const auto trouble = [](const LoopCandidate& c) {
        return c.cost + std::abs(c.pitchErrorCents) / 5.0;
    };
    if (seamVerdict(trouble(loop)) == SeamVerdict::seamless)
        return std::nullopt;
    std::optional<LoopRemedy> best;
    const auto consider = [&](const char* name, const LoopCandidate& result) {
        if (!best || trouble(result) < trouble(best->result))
            best = LoopRemedy{name, result};
    };
    for (const auto& trial : trialsFor(audio, kept, loop, period))
        consider(trial.name, judgeLoop(audio, trial.loop, period));
    // Moving a post is the last thing to offer: it was put there by hand.
    if (!best || seamVerdict(trouble(best->result)) != SeamVerdict::seamless)
        consider(text("Move the end to a match"),
            loopNear(audio, kept, loop.loop.span, loop.loop, period));
    constexpr double worthIt = 0.9;
    if (!best || trouble(best->result) > worthIt * trouble(loop))
        return std::nullopt;
    return best;
}

} // namespace puretone
