// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/in_range.h"
#include "model/instrument/instrument.h"

#include <algorithm>

namespace puretone {

namespace {

/// From far below hearing to far above it; key names and frequencies stay sensible.
constexpr double lowestMidi = -36.0, highestMidi = 160.0;
/// No measure of ours comes near; it keeps sums and pictures finite.
constexpr double largestMeasure = 1e6;

double pitchIn(double midi)
{
    return inRange(midi, lowestMidi, highestMidi, 60.0);
}
double measureIn(double value)
{
    return inRange(value, -largestMeasure, largestMeasure, largestMeasure);
}
double shareIn(double value)
{
    return inRange(value, 0.0, 1.0, 0.0);
}

double levelIn(double db)
{
    return inRange(db, -60.0, 24.0, 0.0);
}

Span inside(Span span, std::int64_t frames)
{
    span.start.value = std::clamp<std::int64_t>(span.start.value, 0, frames);
    span.end.value = std::clamp<std::int64_t>(span.end.value, span.start.value, frames);
    return span;
}

template <class T> void keepFirst(std::vector<T>& list, std::size_t most)
{
    if (list.size() > most)
        list.resize(most);
}

void sanitize(PitchMovement& m, double seconds)
{
    for (double* pitch : {&m.low, &m.high, &m.mean, &m.centre, &m.steady})
        *pitch = pitchIn(*pitch);
    m.high = std::max(m.low, m.high);
    for (double* cents : {&m.vibratoCents, &m.spread, &m.slowRange, &m.steadySpread, &m.jitter})
        *cents = inRange(*cents, 0.0, 100.0 * (highestMidi - lowestMidi), 0.0);
    m.vibratoHz = inRange(m.vibratoHz, 0.0, 100.0, 0.0);
    m.clarity = shareIn(m.clarity);
    m.voiced = shareIn(m.voiced);
    m.steadyStart = inRange(m.steadyStart, 0.0, seconds, 0.0);
    m.steadyEnd = inRange(m.steadyEnd, m.steadyStart, seconds, m.steadyStart);
}

void sanitize(PitchReport& report, double seconds)
{
    if (report.midi && !std::isfinite(*report.midi))
        report.midi.reset();
    if (report.midi)
        report.midi = pitchIn(*report.midi);
    else
        report.verdict = PitchVerdict::none;
    report.confidence = shareIn(report.confidence);
    report.tonal = shareIn(report.tonal);
    report.stretch = inRange(report.stretch, -1.0, 1.0, 0.0);
    keepFirst(report.choices, 64);
    for (auto& choice : report.choices) {
        choice.midi = pitchIn(choice.midi);
        choice.confidence = shareIn(choice.confidence);
    }
    keepFirst(report.notes, 16);
    for (double& note : report.notes)
        note = pitchIn(note);
    keepFirst(report.partials, 100);
    for (auto& partial : report.partials) {
        partial.hz = inRange(partial.hz, 1.0, 1e6, 1.0);
        partial.amplitude = shareIn(partial.amplitude);
        partial.decay = inRange(partial.decay, 0.0, 1e4, 0.0);
    }
    if (report.movement)
        sanitize(*report.movement, seconds);
}

void sanitize(LoopCandidate& choice, std::int64_t frames)
{
    choice.loop = clampLoop(choice.loop, frames);
    auto& s = choice.seam;
    for (double* measure : {&s.clickDb, &s.levelDb, &s.timbreDb, &s.changeDb, &s.dipDb, &s.pulseDb,
             &choice.cost, &choice.pitchErrorCents, &choice.holdsDb})
        *measure = measureIn(*measure);
}

} // namespace

void sanitize(Take& take)
{
    const Audio& audio = *take.recording->audio;
    const auto frames = audio.frames();
    if (take.print)
        take.print->plan = sanitized(take.print->plan);
    for (auto& treatment : take.treatments) {
        treatment = sanitized(treatment);
        std::visit(
            [&](auto& what) {
                if constexpr (requires { what.over; })
                    what.over = inside(what.over, frames);
            },
            treatment.what);
    }
    auto& [start, end] = take.kept;
    start.value = std::clamp<std::int64_t>(start.value, 0, frames - shortestTake);
    end.value = std::clamp<std::int64_t>(end.value, start.value + shortestTake, frames);
    for (double* seconds : {&take.fades.inSeconds, &take.fades.outSeconds}) {
        *seconds = inRange(*seconds, 0.0, 60.0, 0.0);
        if (*seconds > 0.0)
            *seconds = std::max(*seconds, shortestFade);
    }
    take.tuning.rootKey = std::clamp(take.tuning.rootKey, 0, 127);
    take.tuning.fineCents = inRange(take.tuning.fineCents, -1200.0, 1200.0, 0.0);
    // What is looped is kept: trimming behind the loop's start pushes it along.
    take.loop.span.start.value = std::max(take.loop.span.start.value, start.value);
    take.loop = clampLoop(take.loop, end.value);
    if (take.innerStart.value != 0)
        take.innerStart.value = std::clamp(take.innerStart.value, start.value, end.value - 1);
}

void sanitize(Facts& facts, const Audio& audio)
{
    sanitize(facts.pitch, audio.seconds());
    keepFirst(facts.loopChoices, 256);
    for (auto& choice : facts.loopChoices)
        sanitize(choice, audio.frames());
}

namespace {

void sanitize(Zone& zone)
{
    zone.lowKey = std::clamp(zone.lowKey, 0, 127);
    zone.highKey = std::clamp(zone.highKey, zone.lowKey, 127);
    zone.lowVelocity = std::clamp(zone.lowVelocity, 1, 127);
    zone.highVelocity = std::clamp(zone.highVelocity, zone.lowVelocity, 127);
    const int keys = zone.highKey - zone.lowKey + 1;
    const int touches = zone.highVelocity - zone.lowVelocity + 1;
    for (int* fade : {&zone.lowKeyFade, &zone.highKeyFade})
        *fade = std::clamp(*fade, 0, keys);
    for (int* fade : {&zone.lowVelocityFade, &zone.highVelocityFade})
        *fade = std::clamp(*fade, 0, touches);
    zone.levelDb = levelIn(zone.levelDb);
    zone.pan = inRange(zone.pan, -1.0, 1.0, 0.0);
    zone.tuneCents = inRange(zone.tuneCents, -1200.0, 1200.0, 0.0);
}

void sanitize(Envelope& e)
{
    const Envelope standard;
    e.delay = inRange(e.delay, 0.0, 20.0, standard.delay);
    e.attack = inRange(e.attack, 0.0, 60.0, standard.attack);
    e.hold = inRange(e.hold, 0.0, 60.0, standard.hold);
    e.decay = inRange(e.decay, 0.0, 60.0, standard.decay);
    e.sustainDb = inRange(e.sustainDb, silentSustainDb, 0.0, standard.sustainDb);
    // Never zero: a note that is cut off inside its wave ends with a pop.
    e.release = inRange(e.release, shortestRelease, 60.0, standard.release);
    for (double* curve : {&e.attackCurve, &e.decayCurve, &e.releaseCurve}) {
        *curve = inRange(*curve, -1.0, 1.0, 0.0);
        // Nearly straight is straight: its formula divides by what is left.
        if (std::abs(*curve) < 1e-3)
            *curve = 0.0;
    }
    e.touchTimes = inRange(e.touchTimes, -4.0, 4.0, 0.0);
    e.keyTimes = inRange(e.keyTimes, -2.0, 2.0, 0.0);
}

void sanitize(Filter& f)
{
    f.hz = inRange(f.hz, 16.0, 20000.0, 2000.0);
    f.resonance = shareIn(f.resonance);
    f.follow = inRange(f.follow, 0.0, 2.0, 0.0);
    f.touchOctaves = inRange(f.touchOctaves, -8.0, 8.0, 0.0);
    f.envelopeOctaves = inRange(f.envelopeOctaves, -8.0, 8.0, 0.0);
    f.driveDb = inRange(f.driveDb, 0.0, 36.0, 0.0);
}

void sanitize(Wave& wave)
{
    wave.hz = inRange(wave.hz, 0.01, 8000.0, 5.0);
    if (wave.beats != 0.0)
        wave.beats = inRange(wave.beats, 1.0 / 64.0, 64.0, 0.0);
    wave.delaySeconds = inRange(wave.delaySeconds, 0.0, 20.0, 0.0);
    wave.fadeSeconds = inRange(wave.fadeSeconds, 0.0, 20.0, 0.0);
    wave.phase = shareIn(wave.phase);
}

void sanitize(Source& source)
{
    const int most = source.kind == SourceKind::controller ? 127
        : source.kind == SourceKind::wave                  ? mostWaves - 1
                                                           : 0;
    source.number = std::clamp(source.number, 0, most);
}

void sanitize(Movement& m)
{
    sanitize(m.source);
    sanitize(m.by);
    const auto& facts = factsOf(m.target);
    m.amount = inRange(m.amount, -facts.most, facts.most, 0.0);
    m.curve = inRange(m.curve, -1.0, 1.0, 0.0);
    const bool ofWave = m.target == Target::waveRate || m.target == Target::waveDepth;
    const int most = ofWave          ? mostWaves - 1
        : m.target == Target::effect ? EffectPlace{mostEffectId, EffectPlace::most - 1}.number()
                                     : 0;
    m.number = std::clamp(m.number, 0, most);
}

void sanitize(Pattern& p)
{
    const Pattern standard;
    p.beats = inRange(p.beats, 1.0 / 16.0, 8.0, standard.beats);
    p.gate = inRange(p.gate, 0.05, 1.0, standard.gate);
    p.swing = inRange(p.swing, 0.0, 0.75, 0.0);
    p.octaves = std::clamp(p.octaves, 1, 4);
    keepFirst(p.steps, Pattern::mostSteps);
    for (auto& step : p.steps)
        keepFirst(step.layers, mostLayers);
}

void sanitize(Frozen& f)
{
    const Frozen standard;
    f.place = inRange(f.place, 0.0, 1.0, standard.place);
    f.sizeSeconds = inRange(f.sizeSeconds, 0.001, 0.5, standard.sizeSeconds);
    f.density = std::clamp(f.density, 1, Frozen::most);
    f.scatterSeconds = inRange(f.scatterSeconds, 0.0, 1.0, 0.0);
    f.scatterSize = shareIn(f.scatterSize);
    f.scatterCents = inRange(f.scatterCents, 0.0, 1200.0, 0.0);
    f.drift = inRange(f.drift, -1.0, 1.0, 0.0);
    if (!(f.sizeBeats > 0.0))
        f.sizeBeats = 0.0;
    else
        f.sizeBeats = inRange(f.sizeBeats, 1.0 / 64.0, 8.0, 1.0);
}

void sanitize(Layer& layer)
{
    for (Zone& zone : layer.zones)
        sanitize(zone);
    layer.levelDb = levelIn(layer.levelDb);
    layer.pan = inRange(layer.pan, -1.0, 1.0, 0.0);
    layer.octave = std::clamp(layer.octave, -4, 4);
    layer.fineCents = inRange(layer.fineCents, -100.0, 100.0, 0.0);
    layer.follow = inRange(layer.follow, 0.0, 2.0, 1.0);
    layer.fallDbPerSecond = inRange(layer.fallDbPerSecond, 0.0, 60.0, 0.0);
    sanitize(layer.frozen);
    layer.toEffects = inRange(layer.toEffects, 0.0, 1.0, 1.0);
    layer.chokeGroup = std::clamp(layer.chokeGroup, 0, 16);
    layer.voices = std::clamp(layer.voices, 1, Layer::mostVoices);
    const Unison standard;
    layer.unison.voices = std::clamp(layer.unison.voices, 1, Unison::most);
    layer.unison.detuneCents = inRange(layer.unison.detuneCents, 0.0, 100.0, standard.detuneCents);
    layer.unison.width = inRange(layer.unison.width, 0.0, 1.0, standard.width);
    layer.unison.phase = inRange(layer.unison.phase, 0.0, 1.0, standard.phase);
    layer.glide.seconds = inRange(layer.glide.seconds, 0.0, 10.0, 0.0);
    layer.bendSemitones = inRange(layer.bendSemitones, 0.0, 48.0, 2.0);
    layer.innerTouch = std::clamp(layer.innerTouch, 1, 127);
    layer.touch = inRange(layer.touch, 0.0, 1.0, 1.0);
    sanitize(layer.envelope);
    sanitize(layer.filter);
    sanitize(layer.second);
    for (Wave& wave : layer.waves)
        sanitize(wave);
    keepFirst(layer.movements, mostMovements);
    for (Movement& movement : layer.movements)
        sanitize(movement);
}

void sanitize(Exports& exports)
{
    ExportWish& wish = exports.wish;
    SoundChoices& sound = wish.choices.sound;
    const auto within = [](std::optional<double>& value, double low, double high) {
        if (value)
            value = inRange(*value, low, high, high);
    };
    constexpr double lowestRate = 8000.0, highestRate = 192000.0;
    within(sound.rate, lowestRate, highestRate);
    within(sound.longest, shortestLongest, longestNoteSeconds);
    within(sound.playedOut, shortestPlayedOut, longestPlayedOut);
    if (wish.usualDepth)
        sound.depth = SoundChoices().depth;
    wish.choices.keyStep = std::clamp(wish.choices.keyStep, 0, ExportChoices::mostKeyStep);
    wish.limitMegabytes = inRange(wish.limitMegabytes, 0.0, ExportWish::mostMegabytes, 0.0);
    // Each once: those that a file leaves out come last.
    std::vector<Saver> savers;
    for (const auto& list : {wish.savers, ExportWish().savers})
        for (const Saver saver : list)
            if (std::find(savers.begin(), savers.end(), saver) == savers.end())
                savers.push_back(saver);
    wish.savers = std::move(savers);
}

} // namespace

PrintPlan sanitized(PrintPlan plan)
{
    const PrintPlan standard;
    plan.key = std::clamp(plan.key, 0, 127);
    plan.touch = std::clamp(plan.touch, 1, 127);
    plan.heldSeconds = inRange(plan.heldSeconds, 0.05, longestPrint, standard.heldSeconds);
    plan.tailSeconds = inRange(plan.tailSeconds, 0.0, longestPrintTail, standard.tailSeconds);
    return plan;
}

Instrument sanitized(Instrument instrument)
{
    instrument.a4 = inRange(instrument.a4, lowestA4, highestA4, concertPitch.value);
    for (Take& take : instrument.takes) {
        sanitize(take);
        take.tuning.a4 = instrument.a4;
    }
    instrument.blend = shareIn(instrument.blend);
    instrument.tempo = inRange(instrument.tempo, slowestTempo, fastestTempo, 96.0);
    sanitize(instrument.pattern);
    sanitize(instrument.exports);
    if (instrument.layers.empty())
        instrument.layers.emplace_back();
    keepFirst(instrument.layers, mostLayers);
    instrument.effects = sanitized(std::move(instrument.effects));
    for (Layer& layer : instrument.layers) {
        sanitize(layer);
        // What moved an effect goes with it.
        std::erase_if(layer.movements, [&](const Movement& m) {
            if (m.target != Target::effect)
                return false;
            const auto [id, parameter] = EffectPlace::of(m.number);
            const Effect* effect = instrument.effect(id);
            return effect == nullptr
                || std::size_t(parameter) >= factsOf(effect->kind).parameters.size();
        });
    }
    return instrument;
}

} // namespace puretone
