// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/finder.h"

#include "audio/level.h"
#include "base/quantity.h"
#include "loop/crossfade.h"
#include "loop/joints.h"

#include <algorithm>

namespace puretone {

namespace {

/// The part of a take in which loops are looked for, seconds from the beginning of the recording.
struct Sustain {
    double onset = 0.0;
    double from = 0.0;
    double to = 0.0;
};

Sustain findSustain(const Audio& audio, Span kept, double mostSeconds)
{
    const auto hop = std::max<std::int64_t>(1, std::llround(0.005 * audio.rate));
    auto levels = powerCurve(audio, kept, std::llround(0.03 * audio.rate), hop);
    for (double& p : levels)
        p = 10.0 * std::log10(std::max(1e-20, p));
    const double top = *std::max_element(levels.begin(), levels.end());
    std::vector<double> loud;
    for (const double level : levels)
        if (level > top - 40.0)
            loud.push_back(level);
    const auto at = loud.begin() + std::ptrdiff_t(0.85 * double(loud.size() - 1));
    std::nth_element(loud.begin(), at, loud.end());
    const double reference = *at;
    const auto first =
        std::find_if(levels.begin(), levels.end(), [&](double l) { return l > reference - 3.0; });
    const auto last = std::find_if(
        levels.rbegin(), levels.rend(), [&](double l) { return l > reference - 45.0; });
    const double start = toSeconds(kept.start, audio.rate);
    const double step = double(hop) / audio.rate;
    Sustain s;
    s.onset = start + double(first - levels.begin()) * step;
    const double end =
        std::min(toSeconds(kept.end, audio.rate), start + double(levels.rend() - last) * step);
    s.to = std::min(end, s.onset + mostSeconds);
    s.from = s.onset + std::min(0.03, 0.2 * (s.to - s.onset));
    return s;
}

struct Group {
    LoopKind kind;
    JointSearch search;
    std::vector<double> fades; ///< Seconds; a fade of the whole loop is written as 1e9.
};

std::vector<Group> groupsFor(std::optional<double> period, const LoopOptions& options)
{
    const double turn = period.value_or(0.005);
    const double matched = std::max(0.03, 3.0 * turn);
    std::vector<Group> groups;
    groups.push_back({LoopKind::longLiving, {0.3, 4.0, matched, 0.06, options.anchors, 12},
        {0.03, 0.08, 0.18, 0.35}});
    groups.push_back(
        {LoopKind::middle, {std::max(0.06, 2.2 * turn), 0.3, matched, 0.06, options.anchors / 2, 6},
            {0.008, 0.03, 0.08, 1e9}});
    groups.push_back({LoopKind::shortSteady,
        {std::max(0.9 * turn, 0.0008), 0.1, std::min(matched, std::max(0.004, 2.0 * turn)), 0.01,
            10, 6},
        {0.008, 0.03, 1e9}});
    return groups;
}

/// The end at full rate around a point found at the search rate; whole frames.
std::int64_t refineEnd(const Audio& audio, Span span, std::int64_t crossfade, std::int64_t reach)
{
    constexpr std::int64_t most = 2048;
    const auto window =
        std::min({std::max<std::int64_t>(crossfade, 64), most, span.start.value, span.length()});
    // The middle of the fade, where both sides are heard.
    const auto back = std::max<std::int64_t>(0, (crossfade - window) / 2);
    const SideCorrelation correlation(window);
    std::int64_t best = span.end.value;
    double bestMatch = -2.0;
    for (auto end = span.end.value - reach; end <= span.end.value + reach; ++end) {
        if (end > audio.frames() || end - span.start.value < shortestLoop
            || span.start.value - back - window < 0)
            continue;
        const Span shifted{Frames{span.start.value - back}, Frames{end - back}};
        const double match = correlation(audio, shifted);
        if (match > bestMatch) {
            bestMatch = match;
            best = end;
        }
    }
    return best;
}

double preference(const LoopCandidate& c, double rate)
{
    const double seconds = double(c.loop.span.length()) / rate;
    // Below 0.35 all are equally good and length decides; a dead loop must be much better to win.
    return std::max(c.cost, 0.35) - 0.08 * std::log2(std::min(seconds, 1.5))
        + (seconds < 0.3 ? 0.4 : 0.0) + std::min(0.5, std::abs(c.pitchErrorCents) / 20.0);
}

LoopCandidate judged(
    const SeamMeasures& seam, const Loop& loop, double rate, std::optional<double> period)
{
    const double seconds = double(loop.span.length()) / rate;
    LoopCandidate candidate;
    candidate.loop = loop;
    candidate.seam = seam;
    candidate.cost = seamCost(seam, seconds);
    candidate.pitchErrorCents = loopPitchError(loop.span.length(), rate, period);
    candidate.kind = seconds >= 0.3 ? LoopKind::longLiving
        : seconds >= 0.1            ? LoopKind::middle
                                    : LoopKind::shortSteady;
    return candidate;
}

class Search {
public:
    Search(const Audio& audio, const Sustain& sustain, std::optional<double> period)
        : audio_(audio)
        , meter_(audio, period)
        , sustain_(sustain)
        , period_(period)
        , searched_{toFrames(std::max(0.0, sustain.onset - 0.1), audio.rate),
              Frames{std::min(audio.frames(), toFrames(sustain.to, audio.rate).value)}}
        , joints_(mixToMono(audio, searched_), audio.rate)
    {
    }

    std::vector<LoopCandidate> run(const Group& group, const Progress& progress)
    {
        const double offset = toSeconds(searched_.start, audio_.rate);
        const auto found = joints_.find(group.search, sustain_.from - offset, sustain_.to - offset);
        std::vector<LoopCandidate> candidates;
        for (std::size_t i = 0; i < found.size() && !progress.cancelled(); ++i) {
            for (const double fade : group.fades)
                tryFade(found[i], fade, group.kind, candidates);
            progress.at(double(i + 1) / double(found.size()));
        }
        return candidates;
    }

private:
    void tryFade(
        const Joint& joint, double fade, LoopKind kind, std::vector<LoopCandidate>& candidates)
    {
        const double offset = toSeconds(searched_.start, audio_.rate);
        const double length = joint.end - joint.start;
        // The attack is not to be mixed into every round.
        const double room = joint.start + offset - sustain_.onset * 0.9 - 0.1 * sustain_.from;
        const double seconds = std::min({fade, length, std::max(0.002, room)});
        const double reach = std::max(0.004, 1.2 * period_.value_or(0.0));
        const Joint refined = joints_.refine(joint, seconds, std::min(reach, 0.25 * length));
        Loop loop;
        loop.on = true;
        loop.span = {toFrames(refined.start + offset, audio_.rate),
            toFrames(refined.end + offset, audio_.rate)};
        loop.crossfade = toFrames(seconds, audio_.rate);
        loop = clampLoop(loop, searched_.end.value);
        const auto slack = std::int64_t(audio_.rate / 11025.0) + 1;
        loop.span.end.value = refineEnd(audio_, loop.span, loop.crossfade.value, slack);
        loop = clampLoop(loop, searched_.end.value);
        // The same fade again: an earlier, longer wish was cut to the same room.
        if (!candidates.empty() && candidates.back().loop.span == loop.span
            && candidates.back().loop.crossfade == loop.crossfade)
            return;
        addJudged(loop, kind, candidates);
        if (std::abs(levelRise(audio_, loop.span, loop.crossfade.value).value) > 0.5) {
            loop.evenOut = 1.0;
            addJudged(loop, kind, candidates);
        }
    }

    void addJudged(const Loop& loop, LoopKind kind, std::vector<LoopCandidate>& candidates)
    {
        candidates.push_back(judged(meter_.measure(loop), loop, audio_.rate, period_));
        candidates.back().kind = kind;
    }

    const Audio& audio_;
    SeamMeter meter_;
    Sustain sustain_;
    std::optional<double> period_;
    Span searched_;
    JointFinder joints_;
};

bool alike(const LoopCandidate& a, const LoopCandidate& b)
{
    const auto shorter = std::min(a.loop.span.length(), b.loop.span.length());
    return std::abs(a.loop.span.start.value - b.loop.span.start.value)
        + std::abs(a.loop.span.end.value - b.loop.span.end.value)
        < shorter * 15 / 100;
}

/// At most eight: half of them whatever is best, the rest with at least two of every kind, so that
/// there is a choice. The order stays.
std::vector<LoopCandidate> bestOfEveryKind(const std::vector<LoopCandidate>& sorted)
{
    constexpr std::size_t most = 8, freely = 4, ofEachKind = 2;
    std::vector<LoopCandidate> different;
    for (const auto& candidate : sorted)
        if (std::none_of(different.begin(), different.end(),
                [&](const LoopCandidate& c) { return alike(c, candidate); }))
            different.push_back(candidate);
    std::vector<bool> taken(different.size(), false);
    std::size_t count = 0;
    const auto take = [&](std::size_t i) {
        if (!taken[i] && count < most) {
            taken[i] = true;
            ++count;
        }
    };
    for (std::size_t i = 0; i < std::min(freely, different.size()); ++i)
        take(i);
    for (const auto kind : {LoopKind::longLiving, LoopKind::middle, LoopKind::shortSteady}) {
        std::size_t have = 0;
        for (std::size_t i = 0; i < different.size(); ++i)
            have += taken[i] && different[i].kind == kind ? 1 : 0;
        for (std::size_t i = 0; i < different.size() && have < ofEachKind; ++i)
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
    return chosen;
}

} // namespace

double loopPitchError(std::int64_t lengthFrames, double rate, std::optional<double> period)
{
    if (!period || *period <= 0.0)
        return 0.0;
    const double periods = double(lengthFrames) / rate / *period;
    const double whole = std::round(periods);
    if (whole < 1.0 || whole > 64.0)
        return 0.0;
    return 1200.0 * std::log2(whole / periods);
}

LoopCandidate judgeLoop(const Audio& audio, const Loop& loop, std::optional<double> period)
{
    return judged(measureSeam(audio, loop, period), loop, audio.rate, period);
}

LoopReport findLoops(const Audio& audio, Span kept, std::optional<double> period,
    const LoopOptions& options, const Progress& progress)
{
    LoopReport report;
    if (kept.length() < std::int64_t(0.008 * audio.rate)) {
        report.message = "too short to loop";
        return report;
    }
    const auto sustain = findSustain(audio, kept, options.mostSeconds);
    const double usable = sustain.to - sustain.from;
    if (usable < std::max(0.004, 1.2 * period.value_or(0.0))) {
        report.message =
            "dies away within " + formatSeconds(std::max(0.001, sustain.to - sustain.onset));
        return report;
    }
    Search search(audio, sustain, period);
    const auto groups = groupsFor(period, options);
    std::vector<LoopCandidate> all;
    for (std::size_t g = 0; g < groups.size() && !progress.cancelled(); ++g) {
        const double share = 1.0 / double(groups.size());
        const auto found =
            search.run(groups[g], progress.part(double(g) * share, double(g + 1) * share));
        all.insert(all.end(), found.begin(), found.end());
    }
    std::stable_sort(all.begin(), all.end(), [&](const LoopCandidate& a, const LoopCandidate& b) {
        return preference(a, audio.rate) < preference(b, audio.rate);
    });
    report.candidates = bestOfEveryKind(all);
    if (report.candidates.empty())
        report.message = "nothing in it repeats for long enough";
    else
        report.verdict = seamVerdict(report.candidates[0].cost);
    return report;
}

const char* nameOf(LoopKind kind)
{
    switch (kind) {
    case LoopKind::longLiving:
        return "long, living";
    case LoopKind::middle:
        return "middle";
    case LoopKind::fromFile:
        return "from the file";
    case LoopKind::shortSteady:
        break;
    }
    return "short, steady";
}

} // namespace puretone
