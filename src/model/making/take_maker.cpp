// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/take_maker.h"

#include "pitch/struck/struck.h"

#include "base/files/safe_file.h"
#include "base/say.h"
#include "base/threads/all_cores.h"
#include "model/making/lay_out.h"
#include "prepare/kept_part.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <filesystem>
#include <string_view>

namespace puretone {

std::string nameFromFile(const std::string& fileName)
{
    std::string name = std::filesystem::path(fileName).stem().string();
    for (char& c : name)
        if (c == '-' || c == '_')
            c = ' ';
    return name.empty() ? "Untitled" : name;
}

namespace {

/// The words that all of them begin with; may be empty.
std::string sharedWords(const std::vector<std::string>& names)
{
    std::string shared = names.front();
    const auto begins = [&](const std::string& other) {
        return other.starts_with(shared)
            && (other.size() == shared.size() || other[shared.size()] == ' ');
    };
    for (const auto& other : names)
        while (!shared.empty() && !begins(other)) {
            const auto space = shared.rfind(' ');
            shared.resize(space == std::string::npos ? 0 : space);
        }
    return shared;
}

/// Words that stand for any sound, or any folder of them.
bool saysNothing(std::string words)
{
    constexpr std::array<std::string_view, 11> nothing{"take", "note", "sample", "sound", "track",
        "audio", "rec", "recording", "music", "download", "desktop"};
    std::transform(words.begin(), words.end(), words.begin(),
        [](char c) { return c >= 'A' && c <= 'Z' ? char(c - 'A' + 'a') : c; });
    const auto is = [&](const std::string& word) {
        return std::find(nothing.begin(), nothing.end(), word) != nothing.end();
    };
    return words.empty() || is(words)
        || (words.back() == 's' && is(words.substr(0, words.size() - 1)));
}

std::string asTitle(std::string name)
{
    if (name.empty())
        return Instrument{}.name;
    if (name.front() >= 'a' && name.front() <= 'z')
        name.front() = char(name.front() - 'a' + 'A');
    return name;
}

} // namespace

std::string instrumentName(const std::vector<std::filesystem::path>& files)
{
    if (files.empty())
        return asTitle({});
    std::vector<std::string> names;
    names.reserve(files.size());
    for (const auto& file : files)
        names.push_back(nameFromFile(shownName(file)));
    const std::string shared = sharedWords(names);
    if (files.size() == 1 || !saysNothing(shared))
        return asTitle(shared);
    const auto folder = files.front().parent_path();
    const bool together = std::all_of(files.begin(), files.end(),
        [&](const std::filesystem::path& file) { return file.parent_path() == folder; });
    const auto named = together ? folder.filename().string() : std::string();
    return asTitle(saysNothing(named) ? names.front() : nameFromFile(named + "."));
}

std::string layerName(const std::vector<std::filesystem::path>& files)
{
    std::string name = instrumentName(files);
    const auto end = name.find_last_not_of("0123456789");
    if (files.size() == 1 && end != std::string::npos && name[end] == ' ') {
        const auto words = name.substr(0, name.find_last_not_of(' ', end) + 1);
        if (!saysNothing(words))
            name = words;
    }
    return name;
}

void readPitch(Take& take, const Progress& progress)
{
    const Span heard = stretchForPitch(take.audio(), take.kept);
    auto& report = take.facts.change().pitch;
    report = analysePitch(mixToMono(take.audio(), heard), take.rate(), progress);
    // The movement's times count from the beginning of the kept part.
    if (auto& movement = report.movement) {
        const double later =
            toSeconds(Frames{heard.start.value - take.kept.start.value}, take.rate());
        movement->steadyStart += later;
        movement->steadyEnd += later;
    }
    // What somebody or something else decided stays.
    if (take.tuning.source != TuningSource::proposed)
        return;
    // Where there is no clear pitch, middle C plays the recording as it is: by a guess, a sheet of
    // iron would lie four octaves above it. The guesses stand among the candidates.
    take.tuning = report.midi && report.verdict != PitchVerdict::none
        ? Tuning::forPitch(*report.midi, TuningSource::proposed, take.tuning.a4)
        : Tuning{60, 0.0, TuningSource::proposed, take.tuning.a4};
}

namespace {

/// A loop that stands in the file, measured as ours are; nothing where it lies outside.
std::optional<LoopCandidate> loopFromFile(const Take& take, const SamplerInfo::Loop& given)
{
    Loop loop;
    loop.on = true;
    loop.mode = loopModeOf(given);
    loop.span = given.span;
    const auto frames = take.audio().frames();
    if (loop.span.start.value < 0 || loop.span.end.value > frames
        || loop.span.length() < shortestLoop)
        return std::nullopt;
    if (reversed(take.treatments))
        loop.span = mirrored(loop.span, frames);
    if (loop.span.start < take.kept.start || loop.span.start >= take.kept.end)
        return std::nullopt;
    auto judged = judgeLoop(take.audio(), loop, take.period());
    judged.kind = LoopKind::fromFile;
    judged.holdsDb = measureHold(take.audio(), take.kept, judged.loop);
    return judged;
}

/// All of them, in the order of the file.
std::vector<LoopCandidate> loopsFromFile(const Take& take)
{
    std::vector<LoopCandidate> loops;
    if (const auto& inFile = take.recording->sampler)
        for (const auto& given : inFile->loops)
            if (const auto judged = loopFromFile(take, given))
                loops.push_back(*judged);
    return loops;
}

} // namespace

bool isStruckDead(const Take& take)
{
    if (take.facts->pitch.kind == SoundKind::percussive)
        return true;
    if (take.facts->pitch.verdict != PitchVerdict::none)
        return false;
    const Span heard = stretchForPitch(take.audio(), take.kept);
    return measureDecay(mixToMono(take.audio(), heard), take.rate()).dying();
}

namespace {

/// A noise that goes round more than twenty times a second is a tone, and no longer this noise.
bool wouldBuzz(const Take& take)
{
    constexpr double longestRound = 0.05;
    return take.facts->pitch.verdict == PitchVerdict::none
        && double(take.loop.span.length()) < longestRound * take.rate();
}

LoopReport findLoopsOf(const Take& take, std::optional<Span> within, const Progress& progress)
{
    LoopOptions options;
    options.within = within;
    if (const auto& movement = take.facts->pitch.movement; movement && movement->vibratoHz > 0.0)
        options.swing = 1.0 / movement->vibratoHz;
    return findLoops(take.audio(), take.kept, take.period(), options, progress);
}

/// Searches loops in the kept part and puts those of the file among them. @return Whether the first
/// one is worth switching on.
bool findChoices(Take& take, const Progress& progress)
{
    auto report = findLoopsOf(take, std::nullopt, progress);
    Facts& facts = take.facts.change();
    auto& choices = facts.loopChoices;
    choices = std::move(report.candidates);
    facts.loopMessage = std::move(report.message);
    if (const auto given = loopsFromFile(take); !given.empty()) {
        // Beside our best, and before it only where it is clearly better.
        constexpr double clearly = 0.5;
        const bool first = choices.empty() || choices.front().cost > given.front().cost + clearly;
        choices.insert(choices.begin() + (first ? 0 : 1), given.begin(), given.end());
    }
    explain(choices, take.rate());
    return report.verdict != SeamVerdict::none
        || (!choices.empty() && choices.front().kind == LoopKind::fromFile);
}

} // namespace

void searchLoops(Take& take, const Progress& progress)
{
    const bool worthwhile = findChoices(take, progress);
    const auto& choices = take.facts->loopChoices;
    if (choices.empty())
        return;
    take.loop = choices.front().loop;
    take.loop.on = worthwhile;
    if (choices.front().kind == LoopKind::fromFile)
        take.kept.end = std::max(take.kept.end, take.loop.span.end);
}

bool searchLoopsWithin(Take& take, Span stretch, const Progress& progress)
{
    auto report = findLoopsOf(take, stretch, progress);
    Facts& facts = take.facts.change();
    facts.loopMessage = std::move(report.message);
    if (report.verdict == SeamVerdict::none)
        return false;
    explain(report.candidates, take.rate());
    facts.loopChoices = std::move(report.candidates);
    take.loop = facts.loopChoices.front().loop;
    take.loop.on = true;
    return true;
}

void hearAgain(Take& take, const Progress& progress)
{
    const bool knew = take.facts.known();
    readPitch(take, progress.part(0.0, 0.5));
    if (!knew) {
        findChoices(take, progress.part(0.5, 1.0)); // nobody had looked for loops yet
        return;
    }
    auto& choices = take.facts.change().loopChoices;
    for (auto& choice : choices) {
        if (progress.cancelled())
            return;
        const auto kind = choice.kind;
        choice = judgeLoop(take.audio(), choice.loop, take.period());
        choice.kind = kind;
        choice.holdsDb = measureHold(take.audio(), take.kept, choice.loop);
    }
    explain(choices, take.rate());
}

bool keepPart(Take& take, Span kept)
{
    take.kept = kept;
    const auto lies = [kept](const Loop& loop) {
        return loop.span.start >= kept.start && loop.span.end <= kept.end;
    };
    if (!take.loop.repeats() || lies(take.loop))
        return true;
    const auto& choices = take.facts->loopChoices;
    const auto other = std::find_if(choices.begin(), choices.end(),
        [&](const LoopCandidate& choice) { return lies(choice.loop); });
    take.loop.on = other != choices.end();
    if (take.loop.on)
        take.loop = other->loop;
    return false;
}

void findFacts(Take& take, const Progress& progress)
{
    Take heard = take;
    heard.facts.forget();
    readPitch(heard, progress.part(0.0, 0.3));
    heard.tuning = take.tuning;
    findChoices(heard, progress.part(0.3, 1.0));
    if (!progress.cancelled())
        take.facts = heard.facts;
}

namespace {

/// What the file itself says, where we know no better.
void takeFromFile(Take& take, const SamplerInfo& sampler)
{
    if (take.facts->pitch.verdict != PitchVerdict::clear)
        take.tuning = Tuning::forPitch(sampler.midi, TuningSource::fromFile);
}

} // namespace

Result<Take> makePiece(const Take& source, Span kept, const std::string& name,
    const TakeOptions& options, const Progress& progress)
{
    const RecordingPtr recording = source.recording.pointer();
    Take take;
    take.id = 1;
    take.recording = recording;
    take.treatments = source.treatments;
    take.treated = source.treated;
    take.name = name;
    take.kept = kept;
    readPitch(take, progress.part(0.0, 0.2));
    if (options.midi)
        take.tuning = Tuning::forPitch(*options.midi, TuningSource::byHand);
    else if (recording->sampler)
        takeFromFile(take, *recording->sampler);
    if (options.findLoop) {
        searchLoops(take, progress.part(0.2, 1.0));
        const bool given = !take.facts->loopChoices.empty()
            && take.facts->loopChoices.front().kind == LoopKind::fromFile;
        take.loop.on = take.loop.on && (given || !(isStruckDead(take) || wouldBuzz(take)));
    }
    if (progress.cancelled())
        return fail(
            ErrorCode::cancelled, say("Listening to %1 was cancelled.", recording->fileName));
    return take;
}

Result<Take> makeTake(
    const RecordingPtr& recording, const TakeOptions& options, const Progress& progress)
{
    const auto kept = proposeKept(*recording->audio, recording->fileName);
    if (!kept)
        return tl::unexpected(kept.error());
    Take source;
    source.recording = recording;
    return makePiece(source, *kept, nameFromFile(recording->fileName), options, progress);
}

std::vector<Take> makePieces(const Take& source, const std::vector<Piece>& pieces,
    const TakeOptions& options, const std::optional<NoteSeries>& series, const Progress& progress)
{
    std::vector<Span> wanted;
    for (const auto& piece : pieces)
        if (!piece.sliver)
            wanted.push_back(piece.span);
    std::vector<std::optional<Take>> made(wanted.size());
    std::atomic<std::size_t> done{0};
    onAllCores(wanted.size(), [&](std::size_t i) {
        if (progress.cancelled())
            return;
        if (auto take = makePiece(source, wanted[i], {}, options, {progress.stop, {}}))
            made[i] = std::move(*take);
        progress.at(double(++done) / double(wanted.size()));
    });
    std::vector<Take> takes;
    for (auto& take : made) {
        if (!take)
            continue;
        take->name =
            nameFromFile(source.recording->fileName) + " " + std::to_string(takes.size() + 1);
        if (series) {
            const int key = std::clamp(series->firstKey + int(takes.size()) * series->step, 0, 127);
            const double off = take->facts->pitch.midi ? *take->facts->pitch.midi - key : 1e9;
            take->tuning = {
                key, std::abs(off) <= seriesTolerance ? -100.0 * off : 0.0, TuningSource::series};
        }
        takes.push_back(std::move(*take));
    }
    return takes;
}

void addTakes(Instrument& instrument, std::vector<Take> takes, LayerId layer)
{
    Layer* into = instrument.layer(layer);
    if (into == nullptr)
        into = &instrument.layers.front();
    int id = instrument.freeId();
    Instrument arriving;
    arriving.takes = std::move(takes);
    setConcertPitch(arriving, instrument.a4);
    for (auto& take : arriving.takes) {
        take.id = id++;
        into->zones.push_back(proposeZone(take));
        instrument.takes.push_back(std::move(take));
    }
    spreadByRoots(instrument, *into);
}

Take inPlaceOf(const Take& old, Take made, double a4)
{
    Instrument alone;
    alone.takes = {std::move(made)};
    setConcertPitch(alone, a4);
    Take take = std::move(alone.takes.front());
    take.id = old.id;
    take.fades = old.fades;
    Loop& loop = take.loop;
    loop.on = old.loop.on && (loop.on || !take.facts->loopChoices.empty());
    loop.mode = old.loop.mode;
    loop.curve = old.loop.curve;
    loop.evenOut = old.loop.evenOut;
    loop.evenColour = old.loop.evenColour;
    const double seconds = double(old.loop.crossfade.value) / old.rate();
    loop.crossfade =
        std::min(toFrames(seconds, take.rate()), longestCrossfade(loop.span, loop.mode));
    loop = clampLoop(loop, take.audio().frames());
    return take;
}

Instrument makeInstrument(Take take)
{
    Instrument instrument;
    instrument.name = asTitle(take.name);
    instrument.layers.front().zones.push_back(proposeZone(take));
    instrument.takes.push_back(std::move(take));
    return sanitized(std::move(instrument));
}

} // namespace puretone
