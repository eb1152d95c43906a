// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch_oneshots.h"

#include "audio/files/sound_file.h"
#include "audio/signal/resample.h"
#include "model/making/take_maker.h"
#include "pitch_programs.h"
#include "pitch_rival.h"

#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <map>
#include <sstream>

namespace bench {

using namespace puretone;

namespace {

struct Labelled {
    std::string name;
    RecordingPtr recording;
    std::vector<double> notes; ///< MIDI; none for a noise.
};

/// "D3-25" and "A4" as MIDI pitches.
std::optional<double> parseNote(const std::string& text)
{
    const auto sign = text.find_first_of("+-", 2);
    const auto key = parseKey(text.substr(0, sign));
    if (!key)
        return std::nullopt;
    return *key + (sign == std::string::npos ? 0.0 : std::atof(text.c_str() + sign) / 100.0);
}

std::vector<Labelled> readLabelled(const std::filesystem::path& folder)
{
    std::map<std::string, std::filesystem::path> files;
    for (const auto& entry : std::filesystem::directory_iterator(folder))
        if (entry.path().extension() != ".tsv")
            files[entry.path().stem().string()] = entry.path();
    std::vector<Labelled> all;
    std::ifstream labels(folder / "labels.tsv");
    for (std::string line; std::getline(labels, line);) {
        std::istringstream words(line);
        Labelled sound;
        words >> sound.name;
        if (const auto file = files.find(sound.name); file != files.end())
            if (auto recording = openRecording(file->second))
                sound.recording = *recording;
        if (!sound.recording) {
            std::printf("  %s: not there, or not to be read\n", sound.name.c_str());
            continue;
        }
        for (std::string word; words >> word;)
            if (const auto note = parseNote(word))
                sound.notes.push_back(*note);
        all.push_back(std::move(sound));
    }
    return all;
}

enum class Change { none, slowest, slower, faster, fastest, hiss, room, dull };
constexpr Change allChanges[] = {Change::none, Change::slowest, Change::slower, Change::faster,
    Change::fastest, Change::hiss, Change::room, Change::dull};

double speedOf(Change change)
{
    switch (change) {
    case Change::slowest:
        return 0.67;
    case Change::slower:
        return 0.79;
    case Change::faster:
        return 1.27;
    case Change::fastest:
        return 1.5;
    default:
        return 1.0;
    }
}

std::vector<float> changed(
    const std::vector<float>& mono, double rate, Change change, std::uint64_t seed)
{
    if (const double speed = speedOf(change); speed != 1.0)
        return resample(mono, rate * speed, rate);
    if (change == Change::room)
        return harmed(mono, rate, Harm::room, seed);
    auto wave = mono;
    if (change == Change::hiss) {
        double power = 0.0;
        for (const float s : wave)
            power = std::max(power, double(std::abs(s)));
        std::uint64_t state = seed * 2862933555777941757ULL + 3037000493ULL;
        for (float& s : wave) {
            state = state * 6364136223846793005ULL + 1442695040888963407ULL;
            s += float(power * 0.0631 * 0.5 * (double(state >> 40U) / double(1U << 23U) - 1.0));
        }
    }
    if (change == Change::dull) {
        const double share = 1.0 - std::exp(-2.0 * std::numbers::pi * 1000.0 / rate);
        double held = 0.0;
        for (float& s : wave)
            s = float(held += share * (double(s) - held));
    }
    return wave;
}

struct Tally {
    int notes = 0, right = 0, offered = 0, owned = 0, clearButWrong = 0, contradicts = 0;
    int noises = 0, clear = 0, uncertain = 0;
    int yinfft = 0, mcomb = 0;
    double brier = 0.0;
    std::map<int, std::pair<int, int>> bands; ///< Confidence in tenths of what was said, right.

    void print(const char* name) const
    {
        const double n = 0.01 * std::max(1, notes);
        std::printf("%-10s %4d notes  right %5.1f  offered %5.1f  owned %5.1f  clear but wrong %d  "
                    "yinfft %5.1f  mcomb %5.1f   %3d noises: clear %d, uncertain %d\n",
            name, notes, right / n, offered / n, owned / n, clearButWrong, yinfft / n, mcomb / n,
            noises, clear, uncertain);
    }
    void printCalibration() const
    {
        std::printf("  confidence, right:");
        for (const auto& [band, counts] : bands)
            std::printf(
                "  .%d %.0f %% (%d)", band, 100.0 * counts.second / counts.first, counts.first);
        std::printf("   Brier %.3f\n", brier / std::max(1, notes + noises));
    }
};

bool isOneOf(const std::vector<double>& notes, double shift, std::optional<double> midi)
{
    return midi && std::any_of(notes.begin(), notes.end(), [&](double note) {
        return std::abs(*midi - note - shift) < 0.7;
    });
}

void judge(const Labelled& sound, Change change, std::uint64_t seed, Tally& tally)
{
    const auto& original = *sound.recording->audio;
    const auto wave = changed(mixToMono(original), original.rate, change, seed);
    auto audio = std::make_shared<Audio>(Audio{original.rate, {wave}});
    auto copy = std::make_shared<Recording>(*sound.recording);
    copy->audio = audio;
    copy->sampler.reset();
    TakeOptions options;
    options.findLoop = false;
    const auto take = makeTake(copy, options);
    const PitchReport report = take ? take->facts->pitch : PitchReport{};
    const double shift = 12.0 * std::log2(speedOf(change));
    const bool right = isOneOf(sound.notes, shift, report.midi);
    auto& [said, held] = tally.bands[std::min(9, int(10.0 * report.confidence))];
    ++said;
    held += right ? 1 : 0;
    tally.brier += std::pow(report.confidence - (right ? 1.0 : 0.0), 2.0);
    const bool clear = report.verdict == PitchVerdict::clear;
    if (sound.notes.empty()) {
        ++tally.noises;
        tally.clear += clear ? 1 : 0;
        tally.uncertain += report.verdict == PitchVerdict::uncertain ? 1 : 0;
    } else {
        bool offered = false;
        for (std::size_t i = 0; i < std::min<std::size_t>(3, report.choices.size()); ++i)
            offered = offered || isOneOf(sound.notes, shift, report.choices[i].midi);
        ++tally.notes;
        tally.right += right ? 1 : 0;
        tally.offered += offered ? 1 : 0;
        tally.owned += right && report.verdict != PitchVerdict::none ? 1 : 0;
        tally.clearButWrong += clear && !right ? 1 : 0;
        const auto at44 = resample(wave, original.rate, 44100.0);
        tally.yinfft += isOneOf(sound.notes, shift, aubioPitch("yinfft", at44)) ? 1 : 0;
        tally.mcomb += isOneOf(sound.notes, shift, aubioPitch("mcomb", at44)) ? 1 : 0;
    }
    const bool good = sound.notes.empty() ? report.verdict == PitchVerdict::none
                                          : right && report.verdict != PitchVerdict::none;
    if (good && std::getenv("PITCH_BENCH_TALK") == nullptr)
        return;
    std::printf("  %c %d %-18s", good ? ' ' : right ? '-' : '!', int(change), sound.name.c_str());
    for (const double note : sound.notes)
        std::printf(" %.2f", note + shift);
    std::printf("  %s %s %.2f:", nameOf(report.verdict), nameOf(report.kind), report.confidence);
    for (const auto& choice : report.choices)
        std::printf(" %.2f (%s)", choice.midi, choice.reason.said().c_str());
    std::printf("\n");
}

} // namespace

int benchLabelled(const char* folder)
{
    const auto sounds = readLabelled(folder);
    if (sounds.empty()) {
        std::fprintf(stderr, "%s has no labels.tsv with sounds beside it.\n", folder);
        return 1;
    }
    Tally asTheyAre, changes;
    const char* only = std::getenv("PITCH_BENCH_PLAIN");
    for (const Change change : allChanges)
        if (only == nullptr || change == Change::none)
            for (std::size_t i = 0; i < sounds.size(); ++i)
                judge(sounds[i], change, 100 * i + std::uint64_t(change),
                    change == Change::none ? asTheyAre : changes);
    asTheyAre.print("one-shots");
    asTheyAre.printCalibration();
    changes.print("changed");
    changes.printCalibration();
    return 0;
}

} // namespace bench
