// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/report.h"

#include "audio/level.h"
#include "audio/signal/resample.h"
#include "pitch/judgement.h"
#include "pitch/several.h"
#include "pitch/struck/rings.h"
#include "pitch/struck/staying.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double clearFrom = 0.85;
constexpr double uncertainFrom = 0.45;
constexpr double neverClear = 0.84; ///< Ceiling where something in the evidence forbids certainty.
constexpr std::size_t mostPartials = 40;

/// What the report looks at.
struct Useful {
    std::vector<float> mono; ///< Peak 1.
    double rate = 0.0; ///< 48 kHz at most.
    double offset = 0.0; ///< Seconds from the beginning of the take.
};

/// First 6 s, without what lies 50 dB below the peak at either end.
Useful usefulPart(std::span<const float> mono, double rate)
{
    const auto most = mono.first(std::min(mono.size(), std::size_t(6.0 * rate)));
    Useful useful;
    const bool fine = rate > 50000.0;
    useful.rate = fine ? 48000.0 : rate;
    std::vector<float> part =
        fine ? resample(most, rate, useful.rate) : std::vector<float>(most.begin(), most.end());
    const float top = peak(part);
    if (top < 1e-6f)
        return useful;
    const auto loud = [&](float s) { return std::abs(s) > top * 0.00316f; };
    const auto first = std::find_if(part.begin(), part.end(), loud);
    const auto last = std::find_if(part.rbegin(), part.rend(), loud).base();
    useful.offset = double(first - part.begin()) / useful.rate;
    useful.mono.assign(first, last);
    for (float& s : useful.mono)
        s /= top;
    return useful;
}

/// The coarse frames do for a steady note; one that moves is followed closely.
std::optional<PitchMovement> followMovement(
    const Useful& useful, double f0, const FrameSpread& frames, const Periodicity& periodicity)
{
    TrackOptions closely;
    closely.mostPoints = 400;
    auto movement = measureMovement(frames.moves()
            ? followPitch(useful.mono, useful.rate, midiOf(Hz{f0}), closely)
            : bestPath(periodicity, f0));
    if (movement) {
        movement->steadyStart += useful.offset;
        movement->steadyEnd += useful.offset;
    }
    return movement;
}

/// Several notes at once are looked for where one steady series leaves something over.
std::vector<double> notesBeside(const PitchReport& report, const MeanSpectrum& spectrum,
    const std::vector<Partial>& partials, const FrameSpread& frames)
{
    constexpr double mostlyTonal = 0.6;
    const bool strays =
        frames.moves() && report.movement && report.movement->smooth() && !report.movement->rests();
    return strays || report.tonal < mostlyTonal
        ? std::vector<double>{}
        : notesAtOnce(partials, spectrum.windowSeconds, report.tonal);
}

/// Of several notes at once the lowest is the root, where one of them or their common period was
/// read.
void nameLowest(
    Judgement& note, const std::vector<double>& notes, const std::vector<Partial>& partials)
{
    constexpr double same = 50.0; // cents
    const auto isRead = [&](double hz) {
        return std::abs(interval(Hz{hz}, Hz{note.hz}).value) < same;
    };
    if (notes.empty() || isRead(notes.front())
        || (std::none_of(notes.begin(), notes.end(), isRead)
            && !isCommonPeriod(note.hz, notes, partials)))
        return;
    note.hz = notes.front();
    note.reason = message("the lowest of %1 notes at once", notes.size());
}

void decideVerdict(PitchReport& report, double ceiling)
{
    // No single note can be clear, but that there are notes is certain enough.
    if (!report.notes.empty())
        report.confidence = std::max(report.confidence, 0.5);
    report.confidence = std::min(report.confidence, ceiling);
    report.verdict = report.confidence >= clearFrom ? PitchVerdict::clear
        : report.confidence >= uncertainFrom        ? PitchVerdict::uncertain
                                                    : PitchVerdict::none;
    if (report.verdict == PitchVerdict::none)
        report.kind = SoundKind::unpitched;
}

} // namespace

PitchReport analysePitch(std::span<const float> mono, double rate, const Progress& progress)
{
    PitchReport report;
    const auto useful = usefulPart(mono, rate);
    if (useful.mono.size() < 16)
        return report;
    const auto periodicity =
        analysePeriodicity(useful.mono, useful.rate, {}, progress.part(0.0, 0.7));
    const auto spectrum = meanSpectrum(useful.mono, useful.rate);
    const auto partials = findPartials(spectrum, useful.rate);
    report.partials = partials;
    report.partials.resize(std::min(partials.size(), mostPartials));
    measureDecays(report.partials, useful.mono, useful.rate);
    report.tonal = tonalShare(spectrum, partials);
    const auto candidates = weighCandidates(periodicity, partials);
    if (candidates.empty())
        return report;
    progress.at(0.8);
    const PitchCandidate& winner = secondLook(candidates, partials);
    const double f0 = winner.series.f0;
    const auto frames = spreadOfFrames(periodicity, f0);
    report.movement = followMovement(useful, f0, frames, periodicity);
    // A wide vibrato is proposed at both of its ends.
    const bool sways = frames.moves() && report.movement && report.movement->smooth();
    const double belief = sways ? noteBelief(candidates, hzOf(report.movement->centre).value, 130.0)
                                : noteBelief(candidates, f0);
    const auto certainty = certaintyOf(winner, belief, periodicity, frames, report.movement);
    Evidence evidence{useful.mono, useful.rate, spectrum, partials, candidates, winner, frames,
        report.movement, certainty, report.tonal, measureDecay(useful.mono, useful.rate),
        std::nullopt, notesBeside(report, spectrum, partials, frames)};
    if (!partials.empty())
        evidence.strongest = followMode(useful.mono, useful.rate, Hz{partials.front().hz});
    auto note = judge(evidence);
    if (note.kind != SoundKind::percussive)
        nameLowest(note, evidence.notes, partials);
    report.midi = midiOf(Hz{note.hz});
    report.kind = note.kind;
    report.stretch = winner.series.stretch;
    // A comb fits the chance peaks of a rumble, but little is in them and they do not stay. A
    // glide's do not either.
    constexpr double hardlyAny = 0.1, littleOfBoth = 0.35;
    const double staying = stayingShare(useful.mono, useful.rate, note.hz);
    const bool chance = report.tonal < hardlyAny || report.tonal + staying < littleOfBoth;
    const bool hasSeries = note.ofSeries && (sways || !chance);
    report.confidence = std::max(
        hasSeries ? certainty.confidence() : 0.0, bodyConfidence(evidence, note.hz, staying));
    // Between the modes of a bell a line may leap; a drum's glide is told by where it dwells.
    if (report.kind != SoundKind::harmonic)
        report.movement.reset();
    if (report.kind != SoundKind::percussive)
        for (const double hz : evidence.notes)
            report.notes.push_back(midiOf(Hz{hz}));
    const double periods = double(useful.mono.size()) / useful.rate * note.hz;
    constexpr double octaveDoubt = 0.9;
    constexpr double slides = 100.0; // cents: more than one key's worth
    const bool doubtful = note.doubtful || belief < octaveDoubt || periods < 3.0
        || !report.notes.empty()
        || (wanders(report.movement) && report.movement->slowRange > slides);
    decideVerdict(report, periods < 1.5 ? 0.0 : doubtful ? neverClear : 1.0);
    listChoices(report, candidates, f0, note.reason, note.beside);
    progress.at(1.0);
    return report;
}

Span stretchForPitch(const Audio& audio, Span kept)
{
    constexpr double heard = 7.0, before = 1.0, mostSeconds = 600.0, hopSeconds = 0.05;
    const auto frames = [&](double seconds) { return toFrames(seconds, audio.rate).value; };
    const auto from = [&](std::int64_t start) {
        return Span{Frames{start}, Frames{std::min(kept.end.value, start + frames(heard))}};
    };
    if (kept.length() <= frames(heard))
        return kept;
    const Span looked{
        kept.start, Frames{std::min(kept.end.value, kept.start.value + frames(mostSeconds))}};
    const auto hop = frames(hopSeconds);
    const auto power = powerCurve(audio, looked, 2 * hop, hop);
    const auto early = power.begin() + std::ptrdiff_t((heard - before) / hopSeconds);
    const double top = *std::max_element(power.begin(), power.end());
    if (*std::max_element(power.begin(), early) > 0.06 * top) // -12 dB
        return from(kept.start.value);
    const auto there =
        std::find_if(early, power.end(), [&](double p) { return p > 0.25 * top; }); // -6 dB
    const auto start =
        kept.start.value + std::int64_t(there - power.begin()) * hop - frames(before);
    return from(std::max(kept.start.value, start));
}

std::optional<double> foreignTone(const PitchReport& report)
{
    constexpr double faintest = -50.0, standsOut = 2.0; // dB; times the next of its like
    if (!report.midi || report.kind != SoundKind::harmonic || report.notes.size() > 1)
        return std::nullopt;
    const double f0 = report.hz()->value / std::sqrt(1.0 + report.stretch);
    const Series series{f0, report.stretch};
    const Partial* loudest = nullptr;
    double next = 0.0;
    for (const auto& p : report.partials) {
        const double g = series.number(p.hz), off = std::abs(g - std::round(g));
        // Below the note and between its partials; far up a comb has a tooth everywhere.
        if (p.levelDb() < faintest || g > 16.0 || off < std::max(0.08, 0.025 * g) || p.decay > 0.0)
            continue;
        if (loudest == nullptr)
            loudest = &p;
        else if (std::abs(p.hz / loudest->hz - std::round(p.hz / loudest->hz)) > 0.02)
            next = std::max(next, p.amplitude);
    }
    if (loudest == nullptr || loudest->amplitude < standsOut * next)
        return std::nullopt;
    return loudest->hz;
}

const char* nameOf(PitchVerdict verdict)
{
    switch (verdict) {
    case PitchVerdict::clear:
        return text("clear");
    case PitchVerdict::uncertain:
        return text("uncertain");
    case PitchVerdict::none:
        break;
    }
    return text("none");
}

const char* nameOf(SoundKind kind)
{
    switch (kind) {
    case SoundKind::harmonic:
        return text("harmonic");
    case SoundKind::inharmonic:
        return text("inharmonic");
    case SoundKind::percussive:
        return text("percussive");
    case SoundKind::unpitched:
        break;
    }
    return text("unpitched");
}

} // namespace puretone
