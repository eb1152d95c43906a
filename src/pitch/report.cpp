// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/report.h"

#include "audio/level.h"
#include "audio/resample.h"
#include "pitch/candidates.h"
#include "pitch/struck.h"

#include <algorithm>

namespace puretone {

namespace {

/// First 6 s, without what lies 50 dB below the peak at either end, peak 1, at 48 kHz at most.
std::vector<float> usefulPart(std::span<const float> mono, double& rate)
{
    const auto most = std::size_t(6.0 * rate);
    std::vector<float> part;
    if (rate > 50000.0) {
        part = resample(mono.first(std::min(mono.size(), most)), rate, 48000.0);
        rate = 48000.0;
    } else {
        part.assign(mono.begin(), mono.begin() + std::ptrdiff_t(std::min(mono.size(), most)));
    }
    const float top = peak(part);
    if (top < 1e-6f)
        return {};
    const auto loud = [&](float s) { return std::abs(s) > top * 0.00316f; };
    const auto first = std::find_if(part.begin(), part.end(), loud);
    const auto last = std::find_if(part.rbegin(), part.rend(), loud).base();
    std::vector<float> useful(first, last);
    for (float& s : useful)
        s /= top;
    return useful;
}

/// How the frames' own pitches lie around the winner.
struct Movement {
    double offset = 0.0; ///< Weighted mean, cents.
    double spread = 0.0; ///< Weighted deviation, cents.
    double drift = 0.0; ///< Size of the slope over the whole take, cents.
    double early = 0.0; ///< First 100 ms against the last frames, cents.
};

Movement measureMovement(const Periodicity& periodicity, double f0)
{
    double w = 0, wt = 0, wc = 0, wtt = 0, wtc = 0, wcc = 0;
    double firstTime = 0.0, lastTime = 0.0;
    for (const auto& frame : periodicity.frames) {
        const auto top = periodicity.peakNear(frame, 1.0 / f0, 0.06);
        if (top.value < 0.3)
            continue;
        const double cents = 1200.0 * std::log2(1.0 / top.period / f0);
        const double weight = frame.weight * top.value;
        if (w == 0.0)
            firstTime = frame.seconds;
        lastTime = frame.seconds;
        w += weight;
        wt += weight * frame.seconds;
        wc += weight * cents;
        wtt += weight * frame.seconds * frame.seconds;
        wtc += weight * frame.seconds * cents;
        wcc += weight * cents * cents;
    }
    Movement m;
    if (w <= 0.0)
        return m;
    m.offset = wc / w;
    m.spread = std::sqrt(std::max(0.0, wcc / w - m.offset * m.offset));
    const double timeSpread = wtt / w - (wt / w) * (wt / w);
    if (timeSpread > 1e-6)
        m.drift = std::abs((wtc / w - wt / w * m.offset) / timeSpread) * (lastTime - firstTime);
    return m;
}

struct FinalPitch {
    double hz = 0.0;
    bool lonePartial = false;
};

/// Step from the chosen series to the pitch an ear would name.
FinalPitch refine(const PitchCandidate& winner, const std::vector<Partial>& partials,
    const Movement& movement, double clarity)
{
    const Series& series = winner.series;
    double weights = 0.0, squares = 0.0;
    const Partial* strongest = nullptr;
    double strongestNumber = 1.0;
    for (const auto& p : partials) {
        const double h = std::max(1.0, std::round(series.number(p.hz)));
        const double cents = 1200.0 * std::log2(p.hz / series.partial(h));
        if (h > 8.0 || std::abs(cents) > 50.0)
            continue;
        const double w = p.amplitude * std::sqrt(h);
        weights += w;
        squares += w * cents * cents;
        if (strongest == nullptr || p.amplitude / h > strongest->amplitude / strongestNumber) {
            strongest = &p;
            strongestNumber = h;
        }
    }
    const bool fits = weights > 0.0 && std::sqrt(squares / weights) < 6.0;
    // The first partial of a stretched series is what the fit calls f0 only for B = 0.
    if (fits)
        return {series.f0 * std::sqrt(1.0 + series.stretch), false};
    if (movement.spread > 8.0 && clarity > 0.8)
        return {transpose(Hz{series.f0}, Cents{movement.offset}).value, false};
    if (strongest != nullptr)
        return {strongest->hz / strongestNumber, true};
    return {transpose(Hz{series.f0}, Cents{movement.offset}).value, false};
}

double confidenceOf(const PitchCandidate& c, double belief, const Periodicity& periodicity,
    const Movement& movement)
{
    const double period = 1.0 / c.series.f0;
    const double n = periodicity.at(period, Periodicity::Curve::difference);
    const double g = periodicity.at(period, Periodicity::Curve::compressed);
    const double p = std::clamp(belief, 1e-6, 1.0 - 1e-6);
    const double logit = std::clamp(std::log(p / (1.0 - p)), -4.0, 5.0);
    const double z = -8.0 + 0.27 * logit + 2.0 * n + 1.2 * std::max(0.0, 0.7 - n) + 6.6 * c.power
        + 3.0 * c.score - 2.35 * std::min(60.0, movement.spread) / 20.0
        + 1.6 * std::min(120.0, movement.drift) / 60.0 + 0.7 * c.rest + 2.3 * g
        + 1.55 * c.vote * c.vote;
    return 1.0 / (1.0 + std::exp(-z));
}

/// Belief in a note: everything within 50 cents of it.
double noteBelief(const std::vector<PitchCandidate>& candidates, double hz)
{
    double sum = 0.0;
    for (const auto& c : candidates)
        if (std::abs(interval(Hz{hz}, Hz{c.series.f0}).value) < 50.0)
            sum += c.belief;
    return std::min(1.0, sum);
}

std::string reasonFor(
    const PitchCandidate& c, double chosenHz, const std::vector<Partial>& partials)
{
    const double octaves = std::log2(c.series.f0 / chosenHz);
    const auto isOctave = [&](double wanted) { return std::abs(octaves - wanted) < 0.04; };
    if (isOctave(0.0))
        return c.hits >= 3 ? "common spacing of " + std::to_string(c.hits) + " partials"
            : c.vote > 0.5 ? "the wave repeats at this pitch"
                           : "the strongest partial";
    if (isOctave(-1.0))
        return c.missingOdd > 0.3 ? "one octave below: even partials only"
                                  : "one octave below: its odd partials are weak";
    if (isOctave(1.0))
        return "one octave above: odd partials unexplained";
    if (isOctave(2.0))
        return "two octaves above: most partials unexplained";
    if (!partials.empty() && std::abs(interval(Hz{partials[0].hz}, Hz{c.series.f0}).value) < 50.0)
        return "the strongest partial";
    if (c.vote > 0.3)
        return "the wave repeats at this pitch now and then";
    return "explains " + std::to_string(c.hits) + (c.hits == 1 ? " partial" : " partials");
}

void listChoices(PitchReport& report, const std::vector<PitchCandidate>& candidates,
    double chosenHz, const std::string& chosenReason)
{
    report.choices.push_back(
        {*report.midi, noteBelief(candidates, candidates[0].series.f0), chosenReason});
    for (const auto& c : candidates) {
        const double midi = midiOf(Hz{c.series.f0});
        const bool known = std::any_of(report.choices.begin(), report.choices.end(),
            [&](const PitchChoice& other) { return std::abs(other.midi - midi) < 0.5; });
        if (known)
            continue;
        report.choices.push_back(
            {midi, noteBelief(candidates, c.series.f0), reasonFor(c, chosenHz, report.partials)});
        if (report.choices.size() >= 4)
            break;
    }
}

SoundKind kindOf(const std::vector<Partial>& partials, const PitchCandidate& winner, bool special,
    bool moves, bool dying)
{
    if (dying)
        return SoundKind::percussive;
    double all = 0.0, off = 0.0;
    for (const auto& p : partials) {
        if (p.levelDb() < -26.0 || p.hz < 0.4 * winner.series.f0 || p.hz > 12.0 * winner.series.f0)
            continue;
        const double g = winner.series.number(p.hz);
        all += std::sqrt(p.amplitude);
        if (std::abs(g - std::round(g)) > 0.06)
            off += std::sqrt(p.amplitude);
    }
    if (special || (!moves && all > 0.0 && off / all > 0.2))
        return SoundKind::inharmonic;
    return SoundKind::harmonic;
}

} // namespace

PitchReport analysePitch(std::span<const float> mono, double rate, const Progress& progress)
{
    PitchReport report;
    const auto useful = usefulPart(mono, rate);
    if (useful.size() < 16)
        return report;
    const auto periodicity = analysePeriodicity(useful, rate, {}, progress.part(0.0, 0.7));
    auto partials = findPartials(meanSpectrum(useful, rate), rate);
    report.partials = partials;
    report.partials.resize(std::min<std::size_t>(partials.size(), 40));
    const auto candidates = weighCandidates(periodicity, partials);
    if (candidates.empty())
        return report;
    const PitchCandidate& winner = candidates[0];
    const double f0 = winner.series.f0;
    const auto movement = measureMovement(periodicity, f0);
    const double clarity = periodicity.at(1.0 / f0, Periodicity::Curve::difference);
    auto pitch = refine(winner, partials, movement, clarity);
    const auto decay = measureDecay(useful, rate);
    const auto struck = struckNote(partials, winner, decay);
    std::string reason = reasonFor(winner, f0, partials);
    if (struck) {
        pitch.hz = struck->hz;
        reason = struck->reason;
    }
    // A dying sound whose pitch falls is named by where it comes to rest.
    const auto rest = restingPitch(periodicity, f0, decay);
    const bool glides = rest && !struck;
    if (glides) {
        pitch.hz = rest->value;
        reason = "settles here after the attack";
    }
    report.midi = midiOf(Hz{pitch.hz});
    report.stretch = winner.series.stretch;
    report.confidence = confidenceOf(winner, noteBelief(candidates, f0), periodicity, movement);
    const double periods = double(useful.size()) / rate * pitch.hz;
    const bool octaveDoubt = noteBelief(candidates, f0) < 0.9;
    if (periods < 3.0 || struck || octaveDoubt)
        report.confidence = std::min(report.confidence, 0.84);
    if (periods < 1.5)
        report.confidence = 0.0;
    report.verdict = report.confidence >= 0.85 ? PitchVerdict::clear
        : report.confidence >= 0.45            ? PitchVerdict::uncertain
                                               : PitchVerdict::none;
    report.kind = report.verdict == PitchVerdict::none
        ? SoundKind::unpitched
        : kindOf(partials, winner, struck.has_value() || pitch.lonePartial, movement.spread > 8.0,
            decay.dying || glides);
    listChoices(report, candidates, f0, reason);
    progress.at(1.0);
    return report;
}

PitchLine followPitch(std::span<const float> mono, double rate, double midi, std::size_t mostPoints,
    const Progress& progress)
{
    const double period = 1.0 / hzOf(midi).value;
    PeriodicityOptions options;
    // Four periods are enough to measure one; shorter windows follow vibrato without rounding it
    // off.
    options.windowSeconds = std::clamp(4.0 * period, 0.012, 0.093);
    options.hopSeconds = 0.010;
    options.mostFrames = mostPoints;
    options.withCompressed = false;
    const auto periodicity = analysePeriodicity(mono, rate, options, progress);
    PitchLine line;
    for (const auto& frame : periodicity.frames) {
        const auto top = periodicity.peakNear(frame, period, 0.06);
        if (top.value > 0.3)
            line.points.push_back(
                {frame.seconds, midiOf(Hz{1.0 / top.period}), top.value, frame.rms});
    }
    return line;
}

PitchLine followPitch(const Audio& audio, Span span, double midi, std::size_t mostPoints,
    const Progress& progress)
{
    const std::int64_t piece = toFrames(30.0, audio.rate).value;
    const auto pieces = std::size_t(std::max<std::int64_t>(1, (span.length() + piece - 1) / piece));
    PitchLine line;
    for (std::size_t i = 0; i < pieces && !progress.cancelled(); ++i) {
        const auto from = span.start.value + std::int64_t(i) * piece;
        const Span part{Frames{from}, Frames{std::min(span.end.value, from + piece)}};
        const auto found = followPitch(mixToMono(audio, part), audio.rate, midi,
            std::max<std::size_t>(8, mostPoints / pieces), progress);
        for (auto point : found.points) {
            point.seconds += toSeconds(Frames{from - span.start.value}, audio.rate);
            line.points.push_back(point);
        }
    }
    return line;
}

const char* nameOf(PitchVerdict verdict)
{
    switch (verdict) {
    case PitchVerdict::clear:
        return "clear";
    case PitchVerdict::uncertain:
        return "uncertain";
    case PitchVerdict::none:
        break;
    }
    return "none";
}

const char* nameOf(SoundKind kind)
{
    switch (kind) {
    case SoundKind::harmonic:
        return "harmonic";
    case SoundKind::inharmonic:
        return "inharmonic";
    case SoundKind::percussive:
        return "percussive";
    case SoundKind::unpitched:
        break;
    }
    return "unpitched";
}

} // namespace puretone
