// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/judgement.h"

#include "base/quantity.h"
#include "pitch/series/note.h"

#include <algorithm>

namespace puretone {

namespace {

/// Struck and left to itself, or short at any rate.
bool isOneShot(const Decay& decay)
{
    return decay.rings || decay.seconds20 < 0.8;
}

/// Whether one gliding mode holds most of the sound, as in kicks and toms.
bool glidesAlone(const Evidence& evidence)
{
    const auto& line = evidence.strongest;
    const bool vibrates = evidence.movement && evidence.movement->vibratoHz > 0.0;
    return line && !vibrates && line->glides() && line->share > 0.5;
}

SoundKind kindOf(const Evidence& evidence, bool lonePartial, bool moves)
{
    const bool drum = isOneShot(evidence.decay) && evidence.decay.seconds20 < 0.8;
    if (evidence.decay.dying() || (drum && glidesAlone(evidence)))
        return SoundKind::percussive;
    // In a moment too short to tell partials apart, what has a pitch counts as harmonic.
    const double window = evidence.spectrum.windowSeconds;
    if (window < 0.15)
        return SoundKind::harmonic;
    const bool offSeries = !moves
        && inharmonicShare(evidence.partials, evidence.winner.series, window, evidence.tonal)
            > mostlyHarmonic;
    return lonePartial || offSeries ? SoundKind::inharmonic : SoundKind::harmonic;
}

/// A drum or kick whose one mode glides: an ear names where it dwells while it is loud.
std::optional<Judgement> glidingNote(const Evidence& evidence, double readHz)
{
    const auto& line = evidence.strongest;
    if (!glidesAlone(evidence) || !line->solid()
        || std::abs(line->heard - midiOf(Hz{readHz})) > 2.0)
        return std::nullopt;
    Judgement note;
    // What gathers nowhere has two witnesses: the middle of its glide, and its mean spectrum.
    const double strongest = midiOf(Hz{evidence.partials.front().hz});
    note.hz = hzOf(line->dwells() ? line->heard : 0.5 * (line->heard + strongest)).value;
    note.kind = SoundKind::percussive;
    note.reason = message("dwells here while it is loud");
    note.doubtful = !line->dwells();
    note.beside = {{hzOf(line->rest).value, message("settles here at the end")},
        {readHz, message("what the take as a whole repeats at")}};
    return note;
}

/// How well a series explains the loudest modes of a sound.
struct Explained {
    int modes = 0; ///< Above -15 dB and on a multiple, doublets counted once.
    bool strongest = false; ///< Whether the strongest is one of them.
};
Explained explainedBy(const std::vector<Partial>& partials, double hz)
{
    constexpr double loud = -15.0, near = 35.0, doublet = 100.0;
    std::vector<double> places;
    Explained explained;
    for (const auto& p : partials) {
        const double h = std::round(p.hz / hz);
        if (p.levelDb() < loud || h < 1.0 || h > 8.0 || centsBetween(p.hz, h * hz) > near)
            continue;
        explained.strongest = explained.strongest || &p == &partials.front();
        if (std::none_of(places.begin(), places.end(),
                [&](double other) { return centsBetween(other, p.hz) < doublet; }))
            places.push_back(p.hz);
    }
    explained.modes = int(places.size());
    return explained;
}

/// Share of the power of all partials that the three strongest modes hold, 0 to 1.
double shareOfFew(const std::vector<Partial>& partials)
{
    constexpr double oneMode = 50.0;
    struct Mode {
        double hz, power;
    };
    std::vector<Mode> modes;
    double all = 0.0;
    for (const auto& p : partials) {
        const double power = p.amplitude * p.amplitude;
        all += power;
        const auto known = std::find_if(modes.begin(), modes.end(),
            [&](const Mode& m) { return centsBetween(m.hz, p.hz) < oneMode; });
        if (known != modes.end())
            known->power += power;
        else
            modes.push_back({p.hz, power});
    }
    std::sort(
        modes.begin(), modes.end(), [](const Mode& a, const Mode& b) { return a.power > b.power; });
    double few = 0.0;
    for (std::size_t i = 0; i < std::min<std::size_t>(3, modes.size()); ++i)
        few += modes[i].power;
    return all > 0.0 ? few / all : 0.0;
}

enum class Accident { none, comb, fewModes };

/// Whether the winner's comb caught the many modes of a struck thing by accident.
Accident accidentOf(const Evidence& evidence, double readHz)
{
    constexpr double certain = 0.9, periodic = 0.95; // its series, its wave: no accident
    const auto& line = evidence.strongest;
    const auto& partials = evidence.partials;
    const double score = evidence.winner.score, confidence = evidence.certainty.confidence();
    if (!line || confidence > certain || evidence.certainty.clarity > periodic || score >= 0.35)
        return Accident::none;
    const double own = levelNear(partials, readHz);
    // Whatever its line does, where nothing speaks for the comb and few modes for the sound.
    const bool fewHold = confidence < 0.2 && shareOfFew(partials) > 0.8 && own < -3.0
        && centsBetween(partials.front().hz, readHz) > 50.0;
    if (fewHold)
        return Accident::fewModes;
    if (line->jitter > 80.0 || std::abs(line->heard - midiOf(Hz{readHz})) < 0.5)
        return Accident::none;
    if (line->share > 0.6 && own < -8.0)
        return Accident::fewModes;
    const auto explained = explainedBy(partials, readHz);
    const bool weakComb = score < 0.25;
    if ((own < -20.0 && (weakComb || explained.modes < 2))
        || (weakComb && !explained.strongest && own < (score < 0.1 ? -3.0 : -6.0)))
        return Accident::comb;
    return Accident::none;
}

/// What is heard where a comb is an accident: the strongest mode.
std::optional<Judgement> strongestMode(const Evidence& evidence, double readHz)
{
    const auto accident = accidentOf(evidence, readHz);
    if (accident == Accident::none)
        return std::nullopt;
    // Beside a neighbour the line may have gone over to that.
    const double strongest = evidence.partials.front().hz;
    const double heard = hzOf(evidence.strongest->heard).value;
    Judgement note;
    note.hz = centsBetween(heard, strongest) < 100.0 ? heard : strongest;
    note.kind = SoundKind::percussive;
    note.reason = accident == Accident::fewModes ? message("few modes hold nearly all of the sound")
                                                 : message("the strongest mode");
    note.doubtful = true;
    note.ofSeries = false;
    note.beside = {{readHz, message("what the take as a whole repeats at")}};
    return note;
}

/// Whether its own plain tone would find a partial beside it.
bool hasPartialNear(const std::vector<Partial>& partials, double hz, double faintest, double cents)
{
    return std::any_of(partials.begin(), partials.end(), [&](const Partial& p) {
        const double h = std::clamp(std::round(p.hz / hz), 1.0, 4.0);
        return p.levelDb() > faintest && centsBetween(p.hz, h * hz) < cents;
    });
}
bool agreesWithPartials(const Evidence& evidence, double hz)
{
    return hasPartialNear(evidence.partials, hz, -30.0, 35.0);
}

/// A note beside which no partial lies cannot stand first; unless it is held and many partials
/// above all of that are certain of it, as in a bass through a telephone.
void keepToPartials(Judgement& note, const Evidence& evidence)
{
    constexpr double certain = 0.95;
    const bool held = !evidence.decay.rings && evidence.certainty.confidence() > certain;
    if (evidence.partials.empty() || held || agreesWithPartials(evidence, note.hz))
        return;
    constexpr double worthHaving = 0.05; // belief
    note.doubtful = true;
    std::vector<const PitchCandidate*> others{&evidence.winner};
    for (const auto& c : evidence.candidates)
        if (c.belief > worthHaving)
            others.push_back(&c);
    const auto other = std::find_if(others.begin(), others.end(),
        [&](const auto* c) { return agreesWithPartials(evidence, c->series.partial(1.0)); });
    note.hz = other != others.end() ? (*other)->series.partial(1.0) : evidence.partials.front().hz;
    note.reason = other != others.end() ? reasonFor(**other, (*other)->series.f0, evidence.partials)
                                        : message("the strongest partial");
}

/// What holds for everything that is no lone gliding mode and no accident.
Judgement seriesNote(const Evidence& evidence, const FinalPitch& pitch)
{
    using From = FinalPitch::From;
    Judgement note;
    note.hz = pitch.hz;
    note.reason = reasonFor(evidence.winner, evidence.winner.series.f0, evidence.partials);
    const auto& movement = evidence.movement;
    if (const auto bar = barReason(evidence.partials, note.hz))
        note.reason = *bar;
    else if (pitch.from == From::centre && wanders(movement))
        note.reason = message("the middle of where it wanders");
    else if (pitch.from == From::rest)
        note.reason = message("steadiest here, from %1 to %2", formatSeconds(movement->steadyStart),
            formatSeconds(movement->steadyEnd));
    const bool moves = evidence.frames.moves() && !(movement && movement->rests());
    note.kind = kindOf(evidence, pitch.from == From::lonePartial, moves);
    return note;
}

} // namespace

Judgement judge(const Evidence& evidence)
{
    if (const auto struck = struckNote(evidence.partials, evidence.winner, evidence.decay)) {
        Judgement note;
        note.hz = struck->hz;
        note.reason = struck->reason;
        note.kind = evidence.decay.dying() ? SoundKind::percussive : SoundKind::inharmonic;
        note.doubtful = true;
        return note;
    }
    const auto pitch =
        finalPitch(evidence.winner, evidence.partials, evidence.frames, evidence.movement,
            evidence.certainty.clarity, evidence.spectrum.windowSeconds, evidence.tonal);
    if (isOneShot(evidence.decay) && evidence.notes.empty()) {
        if (auto note = glidingNote(evidence, pitch.hz))
            return *note;
        if (auto note = strongestMode(evidence, pitch.hz))
            return *note;
    }
    auto note = seriesNote(evidence, pitch);
    keepToPartials(note, evidence);
    return note;
}

double bodyConfidence(const Evidence& evidence, double hz, double staying)
{
    constexpr double most = 0.80;
    const auto& line = evidence.strongest;
    if (!line)
        return 0.0;
    if (!hasPartialNear(evidence.partials, hz, -12.0, 50.0)
        && std::abs(line->heard - midiOf(Hz{hz})) > 1.0)
        return 0.0;
    // Low kicks glide so quickly that their line seems to jump, but are nearly all of their sound.
    const double unsteady = std::clamp(line->jitter - 30.0, 0.0, 90.0) / 30.0;
    const double steady = std::max(0.0, 15.0 - line->jitter) / 15.0;
    const double z = -6.29 + 2.66 * line->share + 8.75 * std::max(0.0, line->share - 0.6)
        - 0.46 * unsteady + 1.08 * steady + 3.11 * evidence.tonal
        + 2.55 * shareOfFew(evidence.partials) + 4.02 * staying;
    return std::min(most, 1.0 / (1.0 + std::exp(-z)));
}

} // namespace puretone
