// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/motion/track.h"

#include "pitch/series/note.h"

#include <algorithm>
#include <array>
#include <limits>

namespace puretone {

namespace {

/// One period that a frame may have.
struct Proposal {
    LagPeak peak;
    double cents = 0.0; ///< Above 1 Hz.
    double cost = 0.0; ///< -log of its probability.
};
struct FrameProposals {
    std::vector<Proposal> voiced;
    double unvoicedCost = 0.0;
};

constexpr std::size_t mostProposals = 8;

FrameProposals propose(
    const Periodicity& periodicity, const PeriodicityFrame& frame, double anchorHz, double loudest)
{
    struct Threshold {
        double share, weight;
    };
    // The last one lets the very highest peak count for itself.
    static constexpr std::array<Threshold, 6> thresholds = {
        {{.75, .10}, {.80, .15}, {.85, .20}, {.90, .25}, {.93, .20}, {.96, .10}}};
    constexpr double hardlyEver = 0.01; // what a peak that no threshold picks is worth
    constexpr double octaveCost = 2.0; // for each octave from the decided pitch
    constexpr double quietest = 0.003; // of the loudest frame: 50 dB
    FrameProposals result;
    auto maxima = periodicity.maxima(frame.difference, 0.2);
    double top = 0.0;
    for (const auto& peak : maxima)
        top = std::max(top, peak.value);
    const double clear = std::clamp((top - 0.3) / 0.4, 0.02, 0.98);
    const double voiced = frame.rms < quietest * loudest ? 0.02 : clear;
    result.unvoicedCost = -std::log(1.0 - voiced);
    std::vector<double> share(maxima.size(), hardlyEver);
    for (const auto& threshold : thresholds)
        for (std::size_t i = 0; i < maxima.size(); ++i)
            if (maxima[i].value >= threshold.share * top) {
                share[i] += threshold.weight;
                break;
            }
    for (std::size_t i = 0; i < maxima.size(); ++i) {
        const double hz = 1.0 / maxima[i].period;
        result.voiced.push_back({maxima[i], 1200.0 * std::log2(hz),
            -std::log(voiced * share[i] * maxima[i].value / top)
                + octaveCost * std::abs(std::log2(hz / anchorHz))});
    }
    std::sort(result.voiced.begin(), result.voiced.end(),
        [](const Proposal& a, const Proposal& b) { return a.cost < b.cost; });
    result.voiced.resize(std::min(result.voiced.size(), mostProposals));
    return result;
}

/// Cheap for what voices and strings do, never impossible: a Student-like tail.
double moveCost(double cents, double seconds)
{
    constexpr double usualCentsPerSecond = 3500.0; // a wide vibrato at its steepest, and half more
    const double steps = cents / (usualCentsPerSecond * seconds);
    return 2.0 * std::log1p(steps * steps);
}
constexpr double voicingCost = 3.0;

/// Best path through frames whose last state is "unvoiced"; gives each frame's state.
class Path {
public:
    explicit Path(const std::vector<FrameProposals>& frames, double hop)
        : frames_(frames)
        , hop_(hop)
    {
    }

    std::vector<std::size_t> best()
    {
        from_.resize(frames_.size());
        std::vector<double> costs = emissions(0);
        from_[0].assign(costs.size(), 0);
        for (std::size_t f = 1; f < frames_.size(); ++f)
            costs = step(f, costs);
        auto state = std::size_t(std::min_element(costs.begin(), costs.end()) - costs.begin());
        std::vector<std::size_t> states(frames_.size());
        for (std::size_t f = frames_.size(); f-- > 0;) {
            states[f] = state;
            state = from_[f][state];
        }
        return states;
    }

private:
    std::vector<double> emissions(std::size_t f) const
    {
        std::vector<double> costs;
        for (const auto& proposal : frames_[f].voiced)
            costs.push_back(proposal.cost);
        costs.push_back(frames_[f].unvoicedCost);
        return costs;
    }

    std::vector<double> step(std::size_t f, const std::vector<double>& before)
    {
        auto costs = emissions(f);
        const auto& now = frames_[f].voiced;
        const auto& then = frames_[f - 1].voiced;
        from_[f].resize(costs.size());
        for (std::size_t to = 0; to < costs.size(); ++to) {
            double least = std::numeric_limits<double>::max();
            for (std::size_t from = 0; from < before.size(); ++from) {
                const bool sounds = to < now.size(), sounded = from < then.size();
                const double move = sounds != sounded ? voicingCost
                    : sounds ? moveCost(now[to].cents - then[from].cents, hop_)
                             : 0.0;
                if (before[from] + move < least) {
                    least = before[from] + move;
                    from_[f][to] = from;
                }
            }
            costs[to] += least;
        }
        return costs;
    }

    const std::vector<FrameProposals>& frames_;
    double hop_;
    std::vector<std::vector<std::size_t>> from_;
};

/// The same period read at the largest multiple that still repeats: as many times finer.
double refined(const Periodicity& periodicity, const PeriodicityFrame& frame, LagPeak peak)
{
    constexpr int most = 16;
    constexpr double asGood = 0.92; // of the first peak's height
    double period = peak.period;
    for (int k = 2; k <= most; ++k) {
        const auto next = periodicity.peakNear(frame, k * period, 0.2 / k);
        if (next.value < asGood * peak.value)
            break;
        period = next.period / k;
    }
    return period;
}

} // namespace

PitchLine bestPath(const Periodicity& periodicity, double anchorHz)
{
    PitchLine line;
    const auto& frames = periodicity.frames;
    line.frames = frames.size();
    if (frames.empty())
        return line;
    double loudest = 0.0;
    for (const auto& frame : frames)
        loudest = std::max(loudest, frame.rms);
    std::vector<FrameProposals> proposals;
    proposals.reserve(frames.size());
    for (const auto& frame : frames)
        proposals.push_back(propose(periodicity, frame, anchorHz, loudest));
    const double hop = frames.size() > 1
        ? (frames.back().seconds - frames.front().seconds) / double(frames.size() - 1)
        : 1.0;
    const auto states = Path(proposals, hop).best();
    for (std::size_t f = 0; f < frames.size(); ++f) {
        if (states[f] >= proposals[f].voiced.size())
            continue;
        const auto& peak = proposals[f].voiced[states[f]].peak;
        const double period = refined(periodicity, frames[f], peak);
        line.points.push_back({frames[f].seconds, midiOf(Hz{1.0 / period}),
            std::clamp(peak.value, 0.0, 1.0), frames[f].rms});
    }
    return line;
}

PitchLine followPitch(std::span<const float> mono, double rate, double midi,
    const TrackOptions& wanted, const Progress& progress)
{
    const double hz = hzOf(midi).value;
    PeriodicityOptions options;
    // Four periods are enough to measure one; shorter windows follow vibrato without rounding it
    // off.
    options.windowSeconds =
        wanted.windowSeconds > 0.0 ? wanted.windowSeconds : std::clamp(4.0 / hz, 0.012, 0.093);
    options.hopSeconds = wanted.hopSeconds;
    options.mostFrames = wanted.mostPoints;
    options.withCompressed = false;
    return bestPath(analysePeriodicity(mono, rate, options, progress), hz);
}

PitchLine followPitch(const Audio& audio, Span span, double midi, const TrackOptions& options,
    const Progress& progress)
{
    const std::int64_t piece = toFrames(30.0, audio.rate).value;
    const auto pieces = std::size_t(std::max<std::int64_t>(1, (span.length() + piece - 1) / piece));
    TrackOptions each = options;
    each.mostPoints = std::max<std::size_t>(8, options.mostPoints / pieces);
    PitchLine line;
    for (std::size_t i = 0; i < pieces && !progress.cancelled(); ++i) {
        const auto from = span.start.value + std::int64_t(i) * piece;
        const Span part{Frames{from}, Frames{std::min(span.end.value, from + piece)}};
        const auto found = followPitch(mixToMono(audio, part), audio.rate, midi, each,
            progress.part(double(i) / double(pieces), double(i + 1) / double(pieces)));
        for (auto point : found.points) {
            point.seconds += toSeconds(Frames{from - span.start.value}, audio.rate);
            line.points.push_back(point);
        }
        line.frames += found.frames;
    }
    return line;
}

} // namespace puretone
