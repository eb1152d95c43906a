// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/words/readings.h"

#include "base/quantity.h"
#include "base/say.h"
#include "model/making/name_note.h"
#include "model/making/printing.h"
#include "model/making/take_maker.h"

namespace puretone {

const char* nameOf(Stop stop)
{
    switch (stop) {
    case Stop::sound:
        return text("Sound");
    case Stop::pitch:
        return text("Pitch");
    case Stop::loop:
        return text("Loop");
    case Stop::keys:
        return text("Keys");
    case Stop::shape:
        return text("Shape");
    case Stop::effects:
        return text("Effects");
    case Stop::write:
        break;
    }
    return text("Export");
}

bool contradictsSeries(const Take& take)
{
    return take.tuning.source == TuningSource::series && take.facts->pitch.midi
        && take.facts->pitch.verdict != PitchVerdict::none
        && std::abs(take.tuning.onKeys(*take.facts->pitch.midi) - take.tuning.rootKey)
        > seriesTolerance;
}

namespace {

/// What the file's name says, in the octave that is nearest to the reading where the note agrees:
/// octaves are counted in several ways.
void addNamed(const Take& take, std::vector<PitchChoice>& choices)
{
    const auto named = noteInName(take.recording->fileName);
    if (!named)
        return;
    constexpr double agrees = 0.6; // semitones
    double midi = *named + Tuning::offset(take.tuning.a4);
    for (auto& choice : choices) {
        const double off = choice.midi - midi;
        const double octaves = 12.0 * std::round(off / 12.0);
        if (std::abs(off - octaves) > agrees || std::abs(octaves) > 24.0)
            continue;
        choice.reason += message(", as the file's name says");
        return;
    }
    midi = std::clamp(midi, 0.0, 127.0);
    choices.insert(choices.begin() + (choices.empty() ? 0 : 1),
        PitchChoice{midi, 0.0, message("from the file's name")});
}

} // namespace

std::vector<PitchChoice> pitchChoices(const Take& take)
{
    auto choices = take.facts->pitch.choices;
    if (const auto& given = take.recording->sampler)
        choices.insert(choices.begin() + (choices.empty() ? 0 : 1),
            PitchChoice{given->midi, 0.0, message("from the file")});
    addNamed(take, choices);
    return choices;
}

namespace {

std::string noteAndCents(double midi, const Naming& naming)
{
    const auto [key, rest] = nearestKey(midi);
    return noteName(key, naming) + " " + formatCents(rest);
}

} // namespace

std::vector<std::string> pitchFacts(const Take& take, const Naming& naming)
{
    const PitchReport& report = take.facts->pitch;
    const auto onKeys = [&](double midi) { return take.tuning.onKeys(midi); };
    std::vector<std::string> facts;
    if (report.notes.size() > 1) {
        std::string names;
        for (const double midi : report.notes)
            names += (names.empty() ? "" : ", ") + noteName(nearestKey(onKeys(midi)).key, naming);
        facts.push_back(say("%1 notes sound at once: %2.", report.notes.size(), names));
    }
    const auto& m = report.movement;
    if (m && report.wanders())
        facts.push_back(say("It wanders from %1 to %2, steadiest from %3 to %4.",
            noteAndCents(onKeys(m->low), naming), noteAndCents(onKeys(m->high), naming),
            formatSeconds(m->steadyStart), formatSeconds(m->steadyEnd)));
    if (m && m->smooth() && m->vibratoHz > 0.0 && m->vibratoCents >= 8.0)
        facts.push_back(say("Vibrato of ±%1 cents, %2 a second.", formatNumber(m->vibratoCents, 0),
            formatNumber(m->vibratoHz, 1)));
    if (report.kind == SoundKind::percussive && report.tonal > 0.0)
        facts.push_back(say("Body %1 %, noise %2 %.", formatNumber(100.0 * report.tonal, 0),
            formatNumber(100.0 * (1.0 - report.tonal), 0)));
    return facts;
}

Span steadiestPart(const Take& take)
{
    constexpr double behindAttack = 0.15, most = 2.0; // seconds
    const double rate = take.rate();
    const auto& m = take.facts->pitch.movement;
    const double from = m && m->steadyEnd > m->steadyStart ? m->steadyStart : behindAttack;
    const auto length = std::min(take.kept.length(), toFrames(most, rate).value);
    const auto start =
        std::min(take.kept.start.value + toFrames(from, rate).value, take.kept.end.value - length);
    return {Frames{start}, Frames{start + length}};
}

std::string keyWithNumber(int key, const Naming& naming)
{
    return noteName(key, naming) + " (" + std::to_string(key) + ")";
}

namespace {

Reading soundReading(const Take& take, std::size_t notesInside)
{
    Reading reading;
    reading.text = formatSeconds(double(take.kept.length()) / take.rate());
    const auto channels = take.audio().channelCount();
    if (notesInside > 1) {
        reading.text = say("%1 notes: split them?", notesInside);
        reading.concern = say("This recording of %1 holds %2 notes: click here to see where it "
                              "would be cut; nothing is made yet.",
            formatSeconds(take.audio().seconds()), notesInside);
    } else if (channels > 2)
        reading.concern = say("Only the first two of %1 channels are heard: choose others with "
                              "\"Choose channels\" below the wave.",
            channels);
    else if (playedPart(take).length() < take.kept.length() && !take.loop.on)
        reading.concern = say("Longer than %1 minutes: keys play the first %2 minutes of it. Split "
                              "it, or keep less.",
            formatNumber(longestNoteSeconds / 60.0, 0),
            formatNumber(playedOfLongSeconds / 60.0, 0));
    return reading;
}

Reading pitchReading(const Take& take, const Naming& naming)
{
    Reading reading;
    const double rounded = std::round(-take.tuning.fineCents);
    reading.text = noteName(take.tuning.rootKey, naming)
        + (rounded == 0.0       ? ""
                : rounded > 0.0 ? " +"
                                : " ")
        + (rounded == 0.0 ? "" : formatNumber(rounded, 0) + " ct");
    for (const auto& treatment : take.treatments)
        if (const auto* tone = std::get_if<RemoveTone>(&treatment.what);
            tone != nullptr && tone->alone && treatment.on) {
            reading.concern =
                say("Only the removed tone is heard: press \"Hear it alone\" again for "
                    "the take.");
            return reading;
        }
    if (contradictsSeries(take)) {
        reading.concern =
            say("It reads as %1, but its place in the row says %2: check which is right.",
                keyWithNumber(nearestKey(take.tuning.onKeys(*take.facts->pitch.midi)).key, naming),
                keyWithNumber(take.tuning.rootKey, naming));
        return reading;
    }
    if (take.tuning.source == TuningSource::series || take.tuning.source == TuningSource::byHand
        || take.facts->pitch.verdict == PitchVerdict::clear)
        return reading;
    if (!take.facts.known())
        return reading; // being listened to
    if (take.lacksPitch())
        reading.text = say("no clear pitch");
    if (take.facts->pitch.verdict == PitchVerdict::uncertain)
        reading.concern = say("The pitch is uncertain: compare the candidates and choose one.");
    else if (take.tuning.source == TuningSource::fromFile)
        reading.concern =
            say("No clear pitch was heard; the root key is the one in the file. Check it by ear.");
    else
        reading.concern = say("There is no clear pitch: set the root key by ear.");
    return reading;
}

Reading loopReading(const Take& take, const std::optional<LoopCandidate>& seam)
{
    if (take.loop.mode == LoopMode::oneShot)
        return {say("one-shot"), ""};
    if (!take.loop.on) {
        if (take.facts->loopChoices.empty() && !take.facts->loopMessage.empty())
            return {say("none"), say("No loop was found: it %1.", take.facts->loopMessage.said())};
        // Kicks and knocks get none by themselves; one that would do is a click away.
        return {take.facts->loopChoices.empty() ? say("off") : say("off, one is ready"), ""};
    }
    const double seconds = double(take.loop.span.length()) / take.rate();
    Reading reading{formatSeconds(seconds), ""};
    if (!seam || !(seam->loop == take.loop))
        return reading;
    const auto words = describeSeam(seam->seam, seconds).said();
    reading.text += ", " + words;
    if (seamVerdict(seam->cost) != SeamVerdict::seamless)
        reading.concern = say("The loop %1: choose another candidate or move a post.", words);
    return reading;
}

Reading keysReading(const Instrument& instrument, const Naming& naming)
{
    int low = 127, high = -1;
    for (const auto& layer : instrument.layers)
        for (const auto& zone : layer.zones) {
            low = std::min(low, zone.lowKey);
            high = std::max(high, zone.highKey);
        }
    if (high < 0)
        return {say("no keys"), say("No key plays anything yet: open a recording.")};
    return {say("%1 to %2", noteName(low, naming), noteName(high, naming)), ""};
}

Reading shapeReading(const Instrument& instrument)
{
    std::string reading =
        say("attack %1", formatSeconds(instrument.layers.front().envelope.attack));
    std::ptrdiff_t moves = 0;
    for (const auto& layer : instrument.layers)
        moves += std::count_if(
            layer.movements.begin(), layer.movements.end(), [](const Movement& m) { return m.on; });
    if (moves > 0)
        reading += ", " + (moves == 1 ? say("1 move") : say("%1 moves", moves));
    return {reading, ""};
}

/// "drive, hall", "4 effects".
Reading effectsReading(const Instrument& instrument, const Take& take)
{
    Reading reading;
    constexpr std::ptrdiff_t named = 3;
    const auto isOn = [](const Effect& effect) { return effect.on; };
    const auto on = std::count_if(instrument.effects.begin(), instrument.effects.end(), isOn);
    for (const Effect& effect : instrument.effects) {
        if (!isOn(effect) || on > named)
            continue;
        const auto& kind = factsOf(effect.kind);
        // A reverb goes by its kind: "hall".
        const bool isReverb = effect.kind == EffectKind::reverb;
        const std::string word = say(
            isReverb ? kind.parameters[0].words[std::size_t(valueOf(effect, "kind"))] : kind.word);
        reading.text += (reading.text.empty() ? "" : ", ") + word;
    }
    if (on > named)
        reading.text = say("%1 effects", on);
    if (on == 0)
        reading.text = instrument.effects.empty() ? say("none") : say("all passed by");
    if (isStalePrint(instrument, take))
        reading.concern = say("What this take was printed from has changed: print it anew.");
    return reading;
}

} // namespace

Reading readingOf(Stop stop, const Instrument& instrument, const Take* take, const Naming& naming,
    const KnownFacts& known)
{
    if (take == nullptr)
        return {stop == Stop::sound ? say("no sound yet") : "", ""};
    switch (stop) {
    case Stop::sound:
        return soundReading(*take, known.notesInside);
    case Stop::pitch:
        return pitchReading(*take, naming);
    case Stop::loop:
        return loopReading(*take, known.seam);
    case Stop::keys:
        return keysReading(instrument, naming);
    case Stop::shape:
        return shapeReading(instrument);
    case Stop::effects:
        return effectsReading(instrument, *take);
    case Stop::write:
        break;
    }
    return {"", ""};
}

Loop withLoopStart(Loop loop, Span kept, std::int64_t frame)
{
    loop.span.start.value = std::clamp(frame, kept.start.value, loop.span.end.value - shortestLoop);
    loop.fraction = 0.0; // belonged to the length that was
    return clampLoop(loop, kept.end.value);
}

Loop withLoopEnd(Loop loop, Span kept, std::int64_t frame)
{
    loop.span.end.value = std::clamp(frame, loop.span.start.value + shortestLoop, kept.end.value);
    loop.fraction = 0.0;
    return clampLoop(loop, kept.end.value);
}

Loop withLoopAt(Loop loop, Span kept, std::int64_t frame)
{
    const auto length = loop.span.length();
    const auto latest = std::max(kept.start.value, kept.end.value - length);
    loop.span.start.value = std::clamp(frame, kept.start.value, latest);
    loop.span.end.value = loop.span.start.value + length;
    return clampLoop(loop, kept.end.value);
}

Loop withLoopFrom(Loop loop, Span kept, std::int64_t frame)
{
    const bool past = frame > loop.span.end.value - shortestLoop;
    return past ? withLoopAt(loop, kept, frame) : withLoopStart(loop, kept, frame);
}

std::optional<Span> keptFromLoop(const Take& take)
{
    constexpr double worthSeconds = 0.01;
    const auto from = take.loop.span.start.value - take.loop.crossfade.value;
    if (!take.loop.repeats() || double(from - take.kept.start.value) <= worthSeconds * take.rate())
        return std::nullopt;
    return withKeptStart(take.kept, from);
}

std::string crossfadeLimitReason(const Loop& loop)
{
    if (loop.crossfade < longestCrossfade(loop.span, loop.mode))
        return "";
    if (loop.mode == LoopMode::alternating)
        return say("as long as both turns have room for");
    return loop.span.start.value <= loop.span.length()
        ? say("as long as the sound before the start")
        : say("as long as the loop itself");
}

bool wantsFitting(const Take& take)
{
    constexpr double heardCents = 0.05;
    return take.loop.repeats() && take.loop.mode != LoopMode::alternating
        && std::abs(loopPitchError(take.loop.roundFrames(), take.rate(), take.period()))
        > heardCents;
}

std::optional<Tuning> tuningByTone(const Take& take, Hz tone)
{
    constexpr double sameSemitones = 0.02;
    if (std::abs(midiOf(tone) - take.tuning.soundingMidi()) <= sameSemitones)
        return std::nullopt;
    return Tuning::forPitch(midiOf(tone), TuningSource::byHand, take.tuning.a4);
}

Span withKeptStart(Span kept, std::int64_t frame)
{
    kept.start.value = std::clamp<std::int64_t>(frame, 0, kept.end.value - shortestTake);
    return kept;
}

Span withKeptEnd(Span kept, std::int64_t frame, std::int64_t frames)
{
    kept.end.value = std::clamp(frame, kept.start.value + shortestTake, frames);
    return kept;
}

} // namespace puretone
