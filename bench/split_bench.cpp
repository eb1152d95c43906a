// SPDX-License-Identifier: GPL-3.0-or-later
// Splitting recordings whose borders are known. Computed ones: plucked, bowed, sung and drummed,
// with noise floors from -70 to -35 dB, notes over their predecessors' tails, and breaths between
// notes. Real ones, where a folder of single notes is to be had: long takes put together from them
// (long_takes.h).
//
// And what is offered without being asked (splitToOffer): long takes are to be, single sounds are
// not. Single ones are computed (rain, crackle, swells, drones, beating) and, where there are any,
// recorded.
//
//   split_bench [TAKES [SEED [NOTES [HITS [SINGLE...]]]]]
//
// TAKES of each kind; NOTES a folder of WAVs of single notes (loops inside are used), HITS one of
// drums and other one-shots. SINGLE: folders of single sounds, of which those longer than 0.8 s
// count.

#include "bench/field_sounds.h"
#include "bench/long_takes.h"
#include "prepare/split/split_offer.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <numbers>
#include <random>
#include <span>
#include <string>
#include <vector>

using namespace puretone;

namespace {

constexpr double rate = 48000.0;
constexpr double turn = 2.0 * std::numbers::pi;

enum class Kind { plucked, bowed, sung, drums };
const char* names[] = {"plucked", "bowed", "sung", "drums"};

struct Scene {
    Kind kind;
    double floorDb;
    bool overlaps, breaths;
    Audio audio{rate, {{}}};
    std::vector<double> starts; ///< Seconds.
};

double uniform(std::mt19937& random, double low, double high)
{
    return std::uniform_real_distribution<double>(low, high)(random);
}

/// One note added at `at`; returns its sounding length.
double addNote(Scene& scene, double at, double seconds, std::mt19937& random)
{
    auto& wave = scene.audio.channels[0];
    const double midi = uniform(random, 43.0, 76.0), hz = 440.0 * std::exp2((midi - 69.0) / 12.0);
    const double level = std::pow(10.0, uniform(random, -14.0, -4.0) / 20.0);
    const double attack = scene.kind == Kind::bowed ? uniform(random, 0.03, 0.09)
        : scene.kind == Kind::sung                  ? uniform(random, 0.02, 0.05)
                                                    : 0.0008;
    const double decay = scene.kind == Kind::plucked ? uniform(random, 0.8, 2.5)
        : scene.kind == Kind::drums                  ? uniform(random, 0.15, 0.5)
                                                     : 0.0;
    const double length = decay > 0.0 ? 1.5 * decay : seconds;
    double phase = 0.0;
    for (std::size_t i = 0; i < std::size_t(length * rate); ++i) {
        const double t = double(i) / rate;
        const auto place = std::size_t(at * rate) + i;
        if (place >= wave.size())
            break;
        double shape = std::min(1.0, t / attack);
        if (decay > 0.0)
            shape *= std::pow(10.0, -3.0 * t / decay);
        else
            shape *= std::min(1.0, (length - t) / 0.08);
        const double cents = scene.kind == Kind::sung
            ? 35.0 * std::min(1.0, t / 0.3) * std::sin(turn * 5.4 * t)
            : scene.kind == Kind::drums ? 700.0 * std::exp(-t / 0.02)
                                        : 0.0;
        phase += hz * std::exp2(cents / 1200.0) / rate;
        double s = 0.0;
        const int partials = scene.kind == Kind::drums ? 2 : 10;
        for (int h = 1; h <= partials && h * hz < 16000.0; ++h)
            s += std::sin(turn * h * phase + h) / std::pow(h, 1.2)
                * (decay > 0.0 ? std::exp(-t * h * 0.6 / decay) : 1.0);
        if (scene.kind == Kind::drums)
            s += 0.8 * std::exp(-t / 0.03) * uniform(random, -1.0, 1.0);
        wave[place] += float(0.4 * level * shape * s);
    }
    return length;
}

void addBreath(Scene& scene, double at, std::mt19937& random)
{
    auto& wave = scene.audio.channels[0];
    for (std::size_t i = 0; i < std::size_t(0.18 * rate); ++i) {
        const double shape = std::sin(std::numbers::pi * double(i) / (0.18 * rate));
        const auto place = std::size_t(at * rate) + i;
        if (place < wave.size())
            wave[place] += float(0.004 * shape * uniform(random, -1.0, 1.0));
    }
}

Scene makeScene(int number, std::mt19937& random)
{
    Scene scene;
    scene.kind = Kind(number % 4);
    scene.floorDb = uniform(random, -70.0, -35.0);
    scene.overlaps = number / 4 % 2 == 1;
    scene.breaths = scene.kind == Kind::sung && scene.floorDb < -55.0;
    scene.audio.channels[0].assign(std::size_t(24.0 * rate), 0.0f);
    double at = uniform(random, 0.3, 0.8);
    while (at < 21.0) {
        scene.starts.push_back(at);
        const double length = addNote(scene, at, uniform(random, 0.6, 1.4), random);
        const bool tailed = scene.kind == Kind::plucked || scene.kind == Kind::drums;
        // Over the tail: when it has fallen by 12 to 30 dB. Bowed and sung ones just follow
        // closely.
        const double next = scene.overlaps
            ? (tailed ? length / 1.5 * uniform(random, 0.2, 0.5) : length + 0.06)
            : length + uniform(random, 0.25, 0.7);
        if (scene.breaths && !scene.overlaps)
            addBreath(scene, at + length + 0.05, random);
        at += std::max(0.18, next);
    }
    const double noise = std::pow(10.0, scene.floorDb / 20.0) * std::sqrt(3.0);
    for (float& s : scene.audio.channels[0])
        s += float(noise * uniform(random, -1.0, 1.0));
    return scene;
}

std::vector<double> startsOf(const SplitResult& result, double ofRate)
{
    std::vector<double> starts;
    for (const auto& piece : result.pieces)
        if (!piece.sliver)
            starts.push_back(toSeconds(piece.span.start, ofRate));
    return starts;
}

double share(int part, int of)
{
    return 100.0 * part / std::max(1, of);
}

/// What came out for all takes of a kind.
struct Tally {
    int takes = 0, perfect = 0, notes = 0, found = 0, extra = 0;
    int struck = 0, struckInTime = 0, swelling = 0, swellingInTime = 0;
    int asked = 0, offered = 0; ///< Takes.
    std::vector<double> errorsMs;

    /// @param nearby Seconds that a start may be off and still be that note's.
    void add(const std::vector<bench::LongTake::Start>& truth, const std::vector<double>& starts,
        double nearby, const std::string& label, bool talkative)
    {
        const auto off = [](const bench::LongTake::Start& s, double at) {
            const double low = std::min(s.first, s.last), high = std::max(s.first, s.last);
            return at < low ? at - low : std::max(0.0, at - high);
        };
        std::vector<bool> used(starts.size(), false);
        int hits = 0;
        std::string misses;
        for (const auto& note : truth) {
            std::size_t best = starts.size();
            for (std::size_t i = 0; i < starts.size(); ++i)
                if (!used[i] && std::abs(off(note, starts[i])) < nearby
                    && (best == starts.size()
                        || std::abs(off(note, starts[i])) < std::abs(off(note, starts[best]))))
                    best = i;
            if (best == starts.size()) {
                misses += " -" + std::to_string(note.first).substr(0, 5) + note.sound;
                continue;
            }
            used[best] = true;
            ++hits;
            const double ms = 1000.0 * std::abs(off(note, starts[best]));
            errorsMs.push_back(ms);
            ++(note.struck ? struck : swelling);
            (note.struck ? struckInTime : swellingInTime) += ms <= (note.struck ? 10.0 : 30.0);
        }
        for (std::size_t i = 0; i < starts.size(); ++i)
            if (!used[i]) {
                misses += " +" + std::to_string(starts[i]).substr(0, 5);
                for (auto note = truth.rbegin(); note != truth.rend(); ++note)
                    if (note->first < starts[i]) {
                        misses += note->sound + "@"
                            + std::to_string(starts[i] - note->first).substr(0, 4);
                        break;
                    }
            }
        const int more = int(starts.size()) - hits;
        ++takes;
        notes += int(truth.size());
        found += hits;
        extra += more;
        perfect += hits == int(truth.size()) && more == 0;
        if (talkative)
            std::printf("%s: %d of %zu, %d too many%s\n", label.c_str(), hits, truth.size(), more,
                misses.c_str());
    }
    void print(const char* name) const
    {
        std::printf("%-24s %4d notes  found %5.1f  extra %5.1f  perfect %5.1f  struck %5.1f  "
                    "swelling %5.1f (%d)",
            name, notes, share(found, notes), share(extra, notes), share(perfect, takes),
            share(struckInTime, struck), share(swellingInTime, swelling), swelling);
        if (asked > 0)
            std::printf("  offered %5.1f", share(offered, asked));
        std::printf("\n");
    }
};

void computed(int files, std::mt19937& random)
{
    Tally tally;
    for (int f = 0; f < files; ++f) {
        const Scene scene = makeScene(f, random);
        std::vector<bench::LongTake::Start> truth;
        for (const double at : scene.starts)
            truth.push_back({at, at, scene.kind == Kind::plucked || scene.kind == Kind::drums, ""});
        char label[80];
        std::snprintf(label, sizeof label, "%-8s floor %4.0f dB %s%s", names[int(scene.kind)],
            scene.floorDb, scene.overlaps ? "overlapping " : "", scene.breaths ? "breaths " : "");
        tally.add(truth, startsOf(splitRecording(scene.audio), rate), 0.05, label, files <= 40);
    }
    tally.print("computed");
    auto& errors = tally.errorsMs;
    std::sort(errors.begin(), errors.end());
    if (!errors.empty())
        std::printf("  start error median %.1f ms, p98 %.1f ms\n", errors[errors.size() / 2],
            errors[errors.size() * 98 / 100]);
}

void fromRecordings(int takes, unsigned seed, const std::vector<bench::Sound>& notes,
    const std::vector<bench::Sound>& hits, bool talkative)
{
    std::printf("per cent; starts in time: struck within 10 ms, swelling within 30 ms\n");
    int asked = 0, offered = 0;
    for (int k = 0; k < bench::takeKinds; ++k) {
        const auto kind = bench::TakeKind(k);
        const bool dense =
            kind == bench::TakeKind::rhythm || kind == bench::TakeKind::pluckedRhythm;
        const bool parted = kind == bench::TakeKind::silences || kind == bench::TakeKind::noisy
            || kind == bench::TakeKind::tremolo || kind == bench::TakeKind::tails;
        Tally tally, onsets, silences;
        // Each kind has its own draw, so that one alone can be looked at.
        std::mt19937 random(seed * 1000 + unsigned(k));
        for (int t = 0; t < takes; ++t) {
            const auto take = bench::makeTake(kind, notes, hits, random);
            if (take.starts.empty())
                continue;
            const auto label = std::string(nameOf(kind)) + " " + std::to_string(t);
            tally.add(take.starts, startsOf(splitRecording(take.audio), bench::takeRate), 0.1,
                label, talkative);
            ++tally.asked;
            tally.offered += splitToOffer(take.audio).has_value();
            const auto addAs = [&](Tally& to, const SplitOptions& options, const char* how) {
                to.add(take.starts, startsOf(splitRecording(take.audio, options), bench::takeRate),
                    0.1, label + how, talkative);
            };
            SplitOptions options;
            options.onsetsOnly = dense;
            options.silencesOnly = parted;
            if (dense)
                addAs(onsets, options, " onsets");
            if (parted)
                addAs(silences, options, " silences");
        }
        tally.print(nameOf(kind));
        asked += tally.asked;
        offered += tally.offered;
        if (dense)
            onsets.print("  as onsets");
        if (parted)
            silences.print("  as silences");
    }
    std::printf("offered: %.1f %% of %d long takes\n", share(offered, asked), asked);
}

/// How many of sounds that are one each would be offered to be split.
class Singles {
public:
    void add(const Audio& audio, const std::string& name)
    {
        ++count_;
        if (const auto offer = splitToOffer(audio)) {
            ++offered_;
            names_ += " " + name + "(" + std::to_string(wantedNotes(*offer)) + ")";
        }
    }
    void print(const char* name) const
    {
        std::printf("%-24s %4d single sounds  offered %5.2f %%%s\n", name, count_,
            share(offered_, count_), names_.c_str());
    }

private:
    int count_ = 0, offered_ = 0;
    std::string names_;
};

void singles(int rounds, unsigned seed, std::span<char*> folders)
{
    Singles field, slow;
    for (const auto& sound : bench::fieldSounds(rounds, seed))
        field.add(sound.audio, sound.name);
    for (const auto& sound : bench::slowSounds(rounds, seed))
        slow.add(sound.audio, sound.name);
    field.print("field, computed");
    slow.print("slow, computed");
    for (const char* folder : folders) {
        Singles recorded;
        for (const auto& entry : std::filesystem::directory_iterator(folder))
            if (const auto sound = openRecording(entry.path());
                sound && (*sound)->audio->seconds() > 0.8)
                recorded.add(*(*sound)->audio, entry.path().stem().string());
        recorded.print(folder);
    }
}

} // namespace

int main(int argc, char** argv)
{
    const int takes = argc > 1 ? std::atoi(argv[1]) : 20;
    const auto seed = argc > 2 ? unsigned(std::atoi(argv[2])) : 1U;
    std::mt19937 random(seed);
    computed(takes, random);
    if (argc > 3)
        fromRecordings(takes, seed, bench::loadSounds(argv[3], true),
            argc > 4 ? bench::loadSounds(argv[4], false) : std::vector<bench::Sound>(),
            std::getenv("SPLIT_BENCH_TALK") != nullptr);
    singles(
        takes, seed, std::span(argv, std::size_t(argc)).subspan(std::size_t(std::min(argc, 5))));
    return 0;
}
