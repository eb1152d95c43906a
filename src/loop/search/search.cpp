// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/search.h"

#include "loop/joint/crossfade.h"
#include "loop/joint/evening.h"
#include "loop/joint/sides.h"
#include "loop/joint/tone.h"

#include <algorithm>
#include <array>

namespace puretone {

namespace {

/// Loops longer than this gain nothing by a fraction of a frame.
constexpr double longestFitted = 0.06;
/// What already costs more than the best by this is shown only if nothing else is there.
constexpr double hopeless = 1.2;
/// Of one kind: who has so many equally good ones needs no more.
constexpr std::size_t enoughGood = 3;

/// Correlation of both sides around the middle of the fade, where both are heard, for ends near
/// one.
class EndMatch {
public:
    EndMatch(const Audio& audio, const Loop& loop)
        : audio_(audio)
        , start_(loop.span.start.value)
        , window_(std::min({std::max<std::int64_t>(loop.crossfade.value, 64), std::int64_t(2048),
              start_, loop.span.length()}))
        , back_(std::max<std::int64_t>(0, (loop.crossfade.value - window_) / 2))
        , correlation_(window_)
    {
    }
    /// -2 where such a loop cannot be.
    double at(std::int64_t end) const
    {
        if (end > audio_.frames() || end - start_ < shortestLoop || start_ - back_ - window_ < 0)
            return -2.0;
        return correlation_(audio_, {Frames{start_ - back_}, Frames{end - back_}});
    }

private:
    const Audio& audio_;
    std::int64_t start_, window_, back_;
    SideCorrelation correlation_;
};

std::int64_t refinedEnd(const Audio& audio, const Loop& loop, std::int64_t reach)
{
    const EndMatch match(audio, loop);
    std::int64_t best = loop.span.end.value;
    double top = -2.0;
    for (auto end = best - reach; end <= loop.span.end.value + reach; ++end)
        if (const double m = match.at(end); m > top) {
            top = m;
            best = end;
        }
    return best;
}

/// Low, for speed, but high notes want their fundamental and the octave above it.
double searchRate(std::optional<double> period)
{
    constexpr double low = 8000.0, high = 22050.0;
    return std::clamp(4.0 / period.value_or(1.0), low, high);
}

} // namespace

LoopCandidate candidateFor(
    const SeamMeasures& seam, const Loop& loop, double rate, std::optional<double> period)
{
    const double seconds = double(loop.span.length()) / rate;
    LoopCandidate candidate;
    candidate.loop = loop;
    candidate.seam = seam;
    candidate.cost = seamCost(seam, seconds);
    if (loop.mode != LoopMode::alternating)
        candidate.pitchErrorCents = loopPitchError(loop.roundFrames(), rate, period);
    candidate.kind = loop.mode == LoopMode::alternating ? LoopKind::thereAndBack
        : seconds >= 0.3                                ? LoopKind::longLiving
        : seconds >= 0.1                                ? LoopKind::middle
                                                        : LoopKind::shortSteady;
    return candidate;
}

std::int64_t turningPoint(
    const Audio& audio, Span inside, std::int64_t wanted, std::int64_t fade, std::int64_t reach)
{
    constexpr std::int64_t enough = 1024;
    const auto half = std::clamp<std::int64_t>(fade / 2, 8, enough);
    const auto low = std::max(inside.start.value + half, wanted - reach);
    const auto high = std::min(inside.end.value - half, wanted + reach);
    // Both stretches lead away from the turning point, the middle of the fade.
    const auto sine = fadeWeights(2 * std::size_t(half));
    const auto weights = std::span(sine).last(std::size_t(half));
    std::int64_t best = std::clamp(wanted, inside.start.value, inside.end.value);
    double top = -2.0;
    std::vector<std::vector<float>> reversed;
    for (std::size_t c = 0; c < audio.channelCount() && high >= low; ++c) {
        const auto x = audio.channel(c, {Frames{low - half}, Frames{high + half}});
        reversed.emplace_back(x.rbegin(), x.rend());
    }
    for (auto at = low; at <= high; ++at) {
        Likeness sums;
        for (std::size_t c = 0; c < reversed.size(); ++c)
            sums.add(
                audio.channels[c].data() + at, reversed[c].data() + (high + half - at), weights);
        if (const double match = sums.correlation(); match > top) {
            top = match;
            best = at;
        }
    }
    return best;
}

LoopSearch::LoopSearch(const Audio& audio, const Sustain& sustain, std::optional<double> period)
    : audio_(audio)
    , meter_(audio, period)
    , sustain_(sustain)
    , period_(period)
    , searched_{toFrames(std::max(0.0, sustain.onset - 0.1), audio.rate),
          Frames{std::min(audio.frames(), toFrames(sustain.to, audio.rate).value)}}
    , joints_(mixToMono(audio, searched_), audio.rate, searchRate(period))
    , taste_(tasteFor(sustain, period.has_value()))
{
    // The surroundings that a short loop is compared with, too. Of very long sounds only what is
    // asked for: the sums take sixteen bytes a frame.
    constexpr double most = 30.0, around = 0.5;
    if (double(searched_.length()) < most * audio.rate) {
        const auto room = std::int64_t(around * audio.rate);
        meter_.expect({Frames{std::max<std::int64_t>(0, searched_.start.value - room)},
            Frames{std::min(audio.frames(), searched_.end.value + room)}});
    }
}

void LoopSearch::run(const LoopGroup& group, const Progress& progress)
{
    const double offset = toSeconds(searched_.start, audio_.rate);
    const auto joints =
        joints_.find(group.search, group.startFrom - offset, group.startTo - offset);
    std::size_t good = 0;
    for (std::size_t i = 0; i < joints.size() && good < enoughGood && !progress.cancelled(); ++i) {
        // Coarse to fine: what is good with one crossfade needs no other, what is hopeless with the
        // first is not helped by the rest.
        double best = 1e9;
        auto fades = group.fades;
        // Where both sides have little in common, there is no phase to meet: a long crossfade at
        // constant power hides more.
        constexpr double inCommon = 0.4, probe = 0.05;
        if (joints_.refine(joints[i], probe, 0.002).score < inCommon)
            std::reverse(fades.begin(), fades.end());
        for (const double fade : fades) {
            best = std::min(best, tryFade(joints[i], fade, group));
            if (best <= equallyGood || best > best_ + hopeless)
                break;
        }
        good += best <= equallyGood ? 1 : 0;
        progress.at(double(i + 1) / double(joints.size()));
    }
}

/// What lies before the start, without the attack, which is not to be mixed into every round.
double LoopSearch::longestFade(double start, double length) const
{
    const double room = start - sustain_.onset * 0.9 - 0.1 * sustain_.from;
    return std::min(length, std::max(0.002, room));
}

double LoopSearch::tryFade(const Joint& joint, double fade, const LoopGroup& group)
{
    const double offset = toSeconds(searched_.start, audio_.rate);
    const double length = joint.end - joint.start;
    const double seconds = std::min(fade, longestFade(joint.start + offset, length));
    const double reach = std::max(0.004, 1.2 * period_.value_or(0.0));
    const Joint refined = joints_.refine(joint, seconds, std::min(reach, 0.25 * length));
    Loop loop;
    loop.on = true;
    loop.span = {
        toFrames(refined.start + offset, audio_.rate), toFrames(refined.end + offset, audio_.rate)};
    loop.crossfade = toFrames(seconds, audio_.rate);
    loop = clampLoop(loop, searched_.end.value);
    const auto slack = std::int64_t(audio_.rate / joints_.rate()) + 1;
    loop.span.end.value = refinedEnd(audio_, loop, slack);
    loop = clampLoop(loop, searched_.end.value);
    fitFraction(loop);
    // The same fade again: an earlier, longer wish was cut to the same room.
    if (!found_.empty() && found_.back().loop.span == loop.span
        && found_.back().loop.crossfade == loop.crossfade)
        return found_.back().cost;
    if (group.evened)
        loop.evenOut = loop.evenColour = 1.0;
    return add(loop, group.kind, !group.evened);
}

/// A round of few periods is seldom a whole number of frames: the top of the correlation between
/// them says by how much.
void LoopSearch::fitFraction(Loop& loop) const
{
    loop.fraction = 0.0;
    if (double(loop.span.length()) > longestFitted * audio_.rate)
        return;
    const EndMatch match(audio_, loop);
    const auto end = loop.span.end.value;
    const double before = match.at(end - 1), here = match.at(end), after = match.at(end + 1);
    const double bend = before - 2.0 * here + after;
    if (before > -2.0 && after > -2.0 && bend < 0.0)
        loop.fraction = std::clamp(0.5 * (before - after) / bend, -0.5, 0.5);
    // What is nearly whole periods is meant to be: the pitch was read over more of them than the
    // correlation sees.
    constexpr double nearlyCents = 8.0;
    if (period_ && std::abs(loopPitchError(loop.roundFrames(), audio_.rate, period_)) < nearlyCents)
        loop = fittedToPeriods(loop, *period_, audio_.rate, searched_.end.value);
}

double LoopSearch::add(const Loop& loop, LoopKind kind, bool tryEvening)
{
    const auto measured = [&](const Loop& l) {
        found_.push_back(
            candidateFor(meter_.measure(l, best_ + hopeless), l, audio_.rate, period_));
        found_.back().kind = kind;
        best_ = std::min(best_, preference(found_.back(), audio_.rate, taste_));
        return found_.back();
    };
    auto candidate = measured(loop);
    double least = candidate.cost;
    if (!tryEvening || least <= equallyGood)
        return least;
    auto even = loop;
    const auto limits = seamLimits(double(loop.span.length()) / audio_.rate);
    if (std::abs(levelRise(audio_, loop.span, loop.crossfade.value).value) > 0.5
        || candidate.seam.pulseDb > 0.3 * limits.pulseDb) {
        even.evenOut = 1.0;
        candidate = measured(even);
        least = std::min(least, candidate.cost);
    }
    if (candidate.cost < best_ + 0.5 && candidate.seam.timbreDb > limits.timbreDb
        && candidate.seam.timbreDb < 99.0
        && candidate.loop.crossfade.value > std::int64_t(0.02 * audio_.rate)) {
        even = candidate.loop;
        even.evenColour = 1.0;
        least = std::min(least, measured(even).cost);
    }
    return least;
}

void LoopSearch::runThereAndBack(const Progress& progress)
{
    constexpr std::array<std::pair<double, double>, 4> parts = {
        {{0.1, 0.5}, {0.3, 0.9}, {0.5, 0.95}, {0.05, 0.95}}};
    constexpr double longest = 3.0;
    const Span inside = {toFrames(sustain_.from, audio_.rate), searched_.end};
    const auto reach = std::int64_t(std::max(0.004, 0.6 * period_.value_or(0.0)) * audio_.rate);
    std::size_t good = 0;
    for (std::size_t i = 0; i < parts.size() && good < 2 && !progress.cancelled(); ++i) {
        const double seconds =
            std::min(longest, (parts[i].second - parts[i].first) * sustain_.seconds());
        const double start = sustain_.from + parts[i].first * sustain_.seconds();
        for (const double fadeSeconds : {0.03, 0.12}) {
            const auto fade = toFrames(std::min(fadeSeconds, 0.25 * seconds), audio_.rate).value;
            const auto first = turningPoint(
                audio_, inside, toFrames(start, audio_.rate).value + fade / 2, fade, reach);
            const auto last = turningPoint(audio_, inside,
                toFrames(start + seconds, audio_.rate).value - fade / 2, fade, reach);
            if (last - first < 2 * fade + shortestLoop)
                continue;
            Loop loop;
            loop.on = true;
            loop.mode = LoopMode::alternating;
            loop.span = {Frames{first - fade / 2}, Frames{last + fade / 2}};
            loop.crossfade = Frames{fade / 2 * 2};
            if (add(clampLoop(loop, searched_.end.value), LoopKind::thereAndBack, false)
                <= equallyGood) {
                ++good;
                break;
            }
        }
        progress.at(double(i + 1) / double(parts.size()));
    }
}

void LoopSearch::tryNear(Span wanted, const Loop& settings, bool keepCrossfade, Frames last)
{
    std::vector<double> fades = {0.03, 0.08, 0.18, 0.35, 0.008};
    if (keepCrossfade)
        fades = {toSeconds(settings.crossfade, audio_.rate)};
    const double length = double(wanted.length()) / audio_.rate;
    const double start = toSeconds(wanted.start, audio_.rate);
    const auto reach = std::int64_t(
        std::min(std::max(0.004, 1.2 * period_.value_or(0.0)), 0.25 * length) * audio_.rate);
    std::int64_t tried = -1;
    for (const double fade : fades) {
        Loop loop = settings;
        loop.on = true;
        loop.span = wanted;
        loop.crossfade = toFrames(
            keepCrossfade ? fade : std::min(fade, longestFade(start, length)), audio_.rate);
        loop = clampLoop(loop, last.value);
        if (loop.crossfade.value == tried)
            continue;
        tried = loop.crossfade.value;
        if (loop.mode == LoopMode::alternating) {
            const auto half = loop.crossfade.value / 2;
            const Span whole = audio_.whole();
            loop.span.start.value =
                turningPoint(audio_, whole, wanted.start.value + half, loop.crossfade.value, reach)
                - half;
            loop.span.end.value =
                turningPoint(audio_, whole, wanted.end.value - half, loop.crossfade.value, reach)
                + half;
        } else {
            loop.span.end.value = refinedEnd(audio_, loop, reach);
        }
        loop = clampLoop(loop, last.value);
        if (loop.mode != LoopMode::alternating)
            fitFraction(loop);
        add(loop, LoopKind::longLiving, false);
        found_.back().kind = candidateFor(found_.back().seam, loop, audio_.rate, period_).kind;
    }
}

LoopCandidate LoopSearch::complete(const LoopCandidate& candidate)
{
    auto whole =
        candidateFor(meter_.measureAlone(candidate.loop), candidate.loop, audio_.rate, period_);
    whole.kind = candidate.kind;
    return whole;
}

} // namespace puretone
