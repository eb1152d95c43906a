// SPDX-License-Identifier: GPL-3.0-or-later
// Our loops against loops set by hand, against the plainest search and against chance.
//
//   loop_bench FOLDER [--each]   WAVs whose `smpl` chunk holds a loop
//   loop_bench FOLDER --field [SOUNDS]  those loops give the limits; judged are ours in computed
//   rain,
//                                crackle, wind, ... and in the sound files of a second folder
//   loop_bench --computed        sounds of known make: steady, beating, vibrato, decaying, ...
//   loop_bench --speed           cost of finding, and of the seam map, by length
//
// Ours are judged from the WAV that Pure Tone writes, read again: by the finder's own measures and
// by seam_judge, which shares no code with them. A loop passes the judge when in every measure it
// stays within what nine in ten of the loops set by hand reach.

#include "field_sounds.h"
#include "loop_cases.h"
#include "seam_judge.h"

#include "audio/files/sound_file.h"
#include "base/files/safe_file.h"
#include "engine/program/prepared.h"
#include "formats/project/instrument_file.h"
#include "loop/search/finder.h"
#include "model/making/take_maker.h"
#include "prepare/kept_part.h"

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstring>
#include <map>
#include <random>
#include <unistd.h>

using namespace puretone;

namespace {

double at(std::vector<double> values, double share)
{
    if (values.empty())
        return 0.0;
    std::sort(values.begin(), values.end());
    return values[std::size_t(share * double(values.size() - 1))];
}

struct Judged {
    bool found = true;
    double seconds = 0.0;
    double cost = 99.0;
    SeamMeasures own;
    JudgeMeasures seam{};
};

struct Case {
    std::string name;
    double handSeconds = 0.0;
    std::optional<LoopCandidate> livingBest; ///< Our best loop of 0.3 s or more.
    LoopCandidate thought; ///< Our best, as the finder measured it.
    double fileSeconds = 0.0, rate = 48000.0;
    Judged hand, ours, plain, chance;
};

constexpr double longFrom = 0.12;

std::array<double, 5> values(const SeamMeasures& m)
{
    return {m.clickDb, m.levelDb, m.timbreDb, m.dipDb, m.pulseDb};
}

Judged judge(const Audio& audio, Span span, std::optional<double> period)
{
    Loop loop;
    loop.on = true;
    loop.span = span;
    const auto own = judgeLoop(audio, loop, period);
    return {true, double(span.length()) / audio.rate, own.cost, own.seam,
        judgeSeam(audio, span, period.value_or(0.005))};
}

/// A take's loop as a reader of the written file finds it.
Judged judgeWritten(const Take& take, const std::filesystem::path& folder)
{
    const auto path = folder / "written.wav";
    if (!writeInstrument(makeInstrument(take), path))
        return {false, 0.0, 99.0, {}, {}};
    const auto read = openRecording(path);
    if (!read || !(*read)->sampler || (*read)->sampler->loops.empty())
        return {false, 0.0, 99.0, {}, {}};
    return judge(*(*read)->audio, (*read)->sampler->loops[0].span, take.period());
}

/// The best of many joints by plain correlation of the 30 ms before them, mixed in a straight line.
Loop plainLoop(const Audio& audio, Span kept, double shortest)
{
    Loop best;
    const auto fade = std::int64_t(0.03 * audio.rate);
    const auto mono = mixToMono(audio, kept);
    const auto frames = std::int64_t(mono.size());
    const auto least = std::max<std::int64_t>(fade, std::int64_t(shortest * audio.rate));
    double top = -2.0;
    for (int a = 0; a < 10; ++a) {
        const auto start = fade + (frames - least - fade) * a / 12;
        if (start < fade)
            continue;
        for (auto end = start + least; end < std::min(frames, start + least * 8); ++end) {
            double product = 0.0, ee = 0.0, ss = 0.0;
            for (std::int64_t i = 1; i <= fade; i += 4) {
                const double e = mono[std::size_t(end - i)], s = mono[std::size_t(start - i)];
                product += e * s;
                ee += e * e;
                ss += s * s;
            }
            const double match = product / std::sqrt(std::max(1e-20, ee * ss));
            if (match > top) {
                top = match;
                best.on = true;
                best.span = {Frames{kept.start.value + start}, Frames{kept.start.value + end}};
            }
        }
    }
    best.crossfade = Frames{fade};
    best.curve = FadeCurve::linear;
    return clampLoop(best, kept.end.value);
}

Loop chanceLoop(Span kept, double seconds, double rate, std::mt19937& random)
{
    Loop loop;
    loop.on = true;
    const auto length = std::min(kept.length() - 8, std::int64_t(seconds * rate));
    std::uniform_int_distribution<std::int64_t> start(
        kept.start.value, kept.end.value - length - 1);
    loop.span.start.value = start(random);
    loop.span.end.value = loop.span.start.value + length;
    loop.crossfade = std::min(longestCrossfade(loop.span), toFrames(0.03, rate));
    loop.curve = FadeCurve::linear;
    return clampLoop(loop, kept.end.value);
}

Take takeOf(const std::shared_ptr<const Recording>& recording, double midi)
{
    Take take;
    take.id = 1;
    take.name = "take";
    take.recording = recording;
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.tuning = Tuning::forPitch(midi, TuningSource::fromFile);
    take.fades = {0.0, 0.0};
    return take;
}

/// What nine in ten loops set by hand stay within.
JudgeMeasures limitsOf(const std::vector<const Case*>& cases)
{
    // Nothing is heard of less than this, however clean the loops set by hand are.
    constexpr JudgeMeasures inaudible = {1.5, 0.5, 0.7, 1.5, 1.5, 0.6, 0.5};
    JudgeMeasures limits{};
    for (std::size_t i = 0; i < judgeMeasures; ++i) {
        std::vector<double> all;
        all.reserve(cases.size());
        for (const Case* c : cases)
            all.push_back(c->hand.seam[i]);
        limits[i] = std::max(inaudible[i], at(all, 0.9));
    }
    return limits;
}

bool isWithin(const Judged& judged, const JudgeMeasures& limits)
{
    for (std::size_t i = 0; i < judgeMeasures; ++i)
        if (judged.seam[i] > limits[i] + 1e-9)
            return false;
    return judged.found;
}

void printOutside(const std::string& name, const Judged& judged, const JudgeMeasures& limits)
{
    std::printf("    outside: %-34s %5.2f s cost %.2f:", name.c_str(), judged.seconds, judged.cost);
    for (std::size_t i = 0; i < judgeMeasures; ++i)
        if (judged.seam[i] > limits[i])
            std::printf(" %s %.1f (%.1f)", judgeNames[i], judged.seam[i], limits[i]);
    std::printf("\n");
}

void printTable(const char* name, const std::vector<const Case*>& cases)
{
    const auto column = [&](auto value, double share) {
        std::vector<double> all;
        all.reserve(cases.size());
        for (const Case* c : cases)
            all.push_back(value(*c));
        return at(all, share);
    };
    std::printf("\n%s (%zu files)          by hand        ours         plain        chance\n", name,
        cases.size());
    std::printf("                        median p90   median p90   median p90   median p90\n");
    const auto line = [&](const char* what, auto value) {
        std::printf("  %-20s", what);
        for (const auto part : {&Case::hand, &Case::ours, &Case::plain, &Case::chance})
            for (const double share : {0.5, 0.9})
                std::printf(" %6.2f", column([&](const Case& c) { return value(c.*part); }, share));
        std::printf("\n");
    };
    const char* own[] = {"own click", "own level", "own timbre", "own dip", "own pulse"};
    for (std::size_t i = 0; i < 5; ++i)
        line(own[i], [&](const Judged& j) { return values(j.own)[i]; });
    for (std::size_t i = 0; i < judgeMeasures; ++i)
        line(judgeNames[i], [&](const Judged& j) { return j.seam[i]; });
    line("own cost", [](const Judged& j) { return j.cost; });
    line("length, s", [](const Judged& j) { return j.seconds; });

    const auto limits = limitsOf(cases);
    const auto within = [&](const Judged& j) { return isWithin(j, limits); };
    const auto percent = [&](auto test) {
        return 100.0 * double(std::count_if(cases.begin(), cases.end(), test))
            / double(std::max<std::size_t>(1, cases.size()));
    };
    std::printf(
        "  within the judge's limits, %%: by hand %.1f, ours %.1f, plain %.1f, chance %.1f\n",
        percent([&](const Case* c) { return within(c->hand); }),
        percent([&](const Case* c) { return within(c->ours); }),
        percent([&](const Case* c) { return within(c->plain); }),
        percent([&](const Case* c) { return within(c->chance); }));
    std::printf("  ours: seamless by its own verdict %.1f, own verdict as good as by hand %.1f, "
                "living %.1f %%\n",
        percent([](const Case* c) { return c->ours.cost <= 1.0; }),
        percent([](const Case* c) { return c->ours.cost <= std::max(1.0, c->hand.cost); }),
        percent(
            [](const Case* c) { return c->ours.seconds >= std::min(0.3, 0.6 * c->handSeconds); }));
    for (const Case* c : cases) {
        if (!within(c->ours))
            printOutside(c->name, c->ours, limits);
    }
}

void printEach(const std::vector<Case>& cases)
{
    for (const Case& c : cases)
        std::printf("%-34s by hand %.3f s cost %.2f  ours %.3f s cost %.2f  best living %.2f\n",
            c.name.c_str(), c.handSeconds, c.hand.cost, c.ours.seconds, c.ours.cost,
            c.livingBest ? c.livingBest->cost : 99.0);
    for (const Case& c : cases)
        if (c.ours.cost > std::max(1.0, c.hand.cost))
            std::printf(
                "  worse: %-33s thought %.2f, %s, fade %.3f s, even %.0f %.0f, fraction %.2f: "
                "click %.1f level %.1f timbre %.1f change %.1f dip %.1f pulse %.1f\n",
                c.name.c_str(), c.thought.cost, nameOf(c.thought.kind),
                double(c.thought.loop.crossfade.value) / c.rate, c.thought.loop.evenOut,
                c.thought.loop.evenColour, c.thought.loop.fraction, c.ours.own.clickDb,
                c.ours.own.levelDb, c.ours.own.timbreDb, c.ours.own.changeDb, c.ours.own.dipDb,
                c.ours.own.pulseDb);
    for (const Case& c : cases)
        if (c.livingBest && c.ours.seconds < std::min(0.3, 0.6 * c.handSeconds))
            std::printf(
                "  dead: %-34s of %.2f s: %s %.2f s click %.1f level %.1f timbre %.1f change "
                "%.1f dip %.1f pulse %.1f fade %.3f even %.0f\n",
                c.name.c_str(), c.fileSeconds, nameOf(c.livingBest->kind),
                double(c.livingBest->loop.span.length()) / c.rate, c.livingBest->seam.clickDb,
                c.livingBest->seam.levelDb, c.livingBest->seam.timbreDb,
                c.livingBest->seam.changeDb, c.livingBest->seam.dipDb, c.livingBest->seam.pulseDb,
                double(c.livingBest->loop.crossfade.value) / c.rate,
                c.livingBest->loop.evenOut + c.livingBest->loop.evenColour);
}

/// A folder for what is written, gone at the end.
class Scratch {
public:
    Scratch()
        : path_(
            std::filesystem::temp_directory_path() / ("loop_bench_" + std::to_string(::getpid())))
    {
        std::filesystem::create_directories(path_);
    }
    ~Scratch() { std::filesystem::remove_all(path_); }
    Scratch(const Scratch&) = delete;
    Scratch& operator=(const Scratch&) = delete;
    const std::filesystem::path& path() const { return path_; }

private:
    std::filesystem::path path_;
};

std::vector<std::filesystem::path> filesIn(const char* folder)
{
    std::vector<std::filesystem::path> paths;
    for (const auto& entry : std::filesystem::directory_iterator(folder))
        paths.push_back(entry.path());
    std::sort(paths.begin(), paths.end());
    return paths;
}

struct HandLoop {
    std::filesystem::path path;
    RecordingPtr recording;
    Span span;
};

/// The files of a folder that hold a loop set by hand.
std::vector<HandLoop> handLoops(const char* folder)
{
    std::vector<HandLoop> loops;
    for (const auto& path : filesIn(folder)) {
        const auto recording = openRecording(path);
        if (!recording || !(*recording)->sampler || (*recording)->sampler->loops.empty())
            continue;
        const Span span = (*recording)->sampler->loops[0].span;
        if (span.length() >= shortestLoop && span.end.value <= (*recording)->audio->frames())
            loops.push_back({path, *recording, span});
    }
    return loops;
}

/// Of long and of short loops set by hand in a folder.
std::pair<JudgeMeasures, JudgeMeasures> limitsByHand(const char* folder)
{
    std::vector<Case> cases;
    for (const auto& [path, recording, hand] : handLoops(folder)) {
        const Audio& audio = *recording->audio;
        Case c;
        c.handSeconds = double(hand.length()) / audio.rate;
        c.hand = judge(audio, hand, takeOf(recording, recording->sampler->midi).period());
        cases.push_back(c);
    }
    std::vector<const Case*> longOnes, shortOnes;
    for (const Case& c : cases)
        (c.handSeconds > longFrom ? longOnes : shortOnes).push_back(&c);
    return {limitsOf(longOnes), limitsOf(shortOnes)};
}

void measureFieldSounds(const char* name, const std::vector<bench::FieldSound>& sounds,
    const std::pair<JudgeMeasures, JudgeMeasures>& limits)
{
    const Scratch scratch;
    int within = 0, seamless = 0, seamlessWithin = 0, written = 0, on = 0, onWithin = 0;
    std::vector<double> lengths;
    for (const auto& sound : sounds) {
        auto recording = std::make_shared<Recording>();
        recording->audio = std::make_shared<Audio>(sound.audio);
        recording->fileName = sound.name;
        auto take = makeTake(recording);
        if (!take || take->facts->loopChoices.empty()) {
            std::printf("    no loop: %s\n", sound.name.c_str());
            continue;
        }
        const bool isOn = take->loop.on;
        const auto best = take->facts->loopChoices.front();
        take->loop = best.loop;
        const auto judged = judgeWritten(*take, scratch.path());
        const auto& limit = judged.seconds > longFrom ? limits.first : limits.second;
        const bool good = isWithin(judged, limit);
        ++written;
        within += good ? 1 : 0;
        on += isOn ? 1 : 0;
        onWithin += isOn && good ? 1 : 0;
        lengths.push_back(judged.seconds);
        const bool claims = seamVerdict(best.cost) == SeamVerdict::seamless;
        seamless += claims ? 1 : 0;
        seamlessWithin += claims && good ? 1 : 0;
        if (!good)
            printOutside((claims ? "! " : "  ") + sound.name, judged, limit);
    }
    const double n = 0.01 * std::max(1, written);
    std::printf(
        "%s: %d loops, within the judge's limits %.1f %%; called seamless %.1f %%, of which "
        "within %.1f %%; switched on %d, of which within %.1f %%; length %.2f / %.2f / %.2f s\n",
        name, written, within / n, seamless / n, 100.0 * seamlessWithin / std::max(1, seamless), on,
        100.0 * onWithin / std::max(1, on), at(lengths, 0.1), at(lengths, 0.5), at(lengths, 0.9));
}

int measureField(const char* byHand, const char* folder)
{
    const auto limits = limitsByHand(byHand);
    measureFieldSounds("computed field sounds", bench::fieldSounds(12, 1), limits);
    if (folder == nullptr)
        return 0;
    std::vector<bench::FieldSound> sounds;
    for (const auto& path : filesIn(folder))
        if (const auto recording = openRecording(path))
            sounds.push_back({shownName(path), *(*recording)->audio});
    measureFieldSounds(folder, sounds, limits);
    return 0;
}

int measureFolder(const char* folder, bool each)
{
    const Scratch scratch;
    std::vector<Case> cases;
    std::mt19937 random(1);
    double spent = 0.0, audioSeconds = 0.0;
    for (const auto& [path, recording, hand] : handLoops(folder)) {
        const Audio& audio = *recording->audio;
        const auto kept = proposeKept(audio, "take");
        if (!kept)
            continue;
        Take take = takeOf(recording, recording->sampler->midi);
        const auto period = take.period();
        const auto begin = std::chrono::steady_clock::now();
        const auto report = findLoops(audio, *kept, period);
        spent += std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
        audioSeconds += audio.seconds();
        Case c;
        c.name = shownName(path);
        c.fileSeconds = audio.seconds();
        c.rate = audio.rate;
        c.handSeconds = double(hand.length()) / audio.rate;
        c.hand = judge(audio, hand, period);
        const auto written = [&](const Loop& loop) {
            take.loop = loop;
            return judgeWritten(take, scratch.path());
        };
        for (const auto& candidate : report.candidates)
            if (double(candidate.loop.span.length())
                >= std::min(0.3, 0.6 * c.handSeconds) * audio.rate)
                if (!c.livingBest || candidate.cost < c.livingBest->cost)
                    c.livingBest = candidate;
        c.ours.found = !report.candidates.empty();
        if (c.ours.found)
            c.thought = report.candidates[0];
        if (c.ours.found)
            c.ours = written(report.candidates[0].loop);
        c.plain = written(plainLoop(audio, *kept, std::min(0.3, c.handSeconds)));
        c.chance = written(chanceLoop(*kept, c.handSeconds, audio.rate, random));
        cases.push_back(c);
    }
    if (each)
        printEach(cases);
    std::vector<const Case*> longOnes, shortOnes;
    for (const Case& c : cases)
        (c.handSeconds > longFrom ? longOnes : shortOnes).push_back(&c);
    printTable("long", longOnes);
    printTable("short", shortOnes);
    std::printf("\n%.1f ms per second of audio\n", 1000.0 * spent / std::max(1e-9, audioSeconds));
    return 0;
}

} // namespace

int main(int argc, char** argv)
{
    if (argc < 2) {
        std::puts("loop_bench FOLDER [--each | --field [SOUNDS]] | --computed | --speed");
        return 2;
    }
    if (std::strcmp(argv[1], "--computed") == 0)
        return measureComputedLoops();
    if (std::strcmp(argv[1], "--speed") == 0)
        return measureLoopSpeed();
    if (argc > 2 && std::strcmp(argv[2], "--field") == 0)
        return measureField(argv[1], argc > 3 ? argv[3] : nullptr);
    return measureFolder(argv[1], argc > 2 && std::strcmp(argv[2], "--each") == 0);
}
