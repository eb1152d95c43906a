// SPDX-License-Identifier: GPL-3.0-or-later
// The engine beside libfluidsynth in the same run: voices at real time, the worst block, notes on
// crowded keys, memory, edits, and how pure what is read stays. Ratios count; seconds are CPU time
// of this machine. engine_bench [voices|block|notes|memory|edits|purity|history]...; all without an
// argument.

#include "base/threads/large_memory.h"
#include "base/wide_vectors.h"
#include "bench/engine_cases.h"
#include "engine/reading/reading.h"

#include <cstdio>
#include <cstring>

using namespace puretone;
using namespace bench;

namespace {

constexpr int rounds = 14;

/// Voices that one core plays in real time: best of several rounds, turn about with the others.
struct Contest {
    std::string name;
    std::function<double(int block)> secondsPerVoiceSecond;
    double best = 1e9;
};

void voices()
{
    for (const int block : {64, 128}) {
        const auto mono = thirtyTwoTakes(1, true), stereo = thirtyTwoTakes(2, true);
        const auto plain = thirtyTwoTakes(1, false);
        Fluid seventh(mono, 7), fourth(mono, 4);
        std::vector<Contest> all{
            {"ours, one channel", [&](int b) { return ourCost(mono, b); }},
            {"ours, two channels", [&](int b) { return ourCost(stereo, b); }},
            {"ours without filter and wave", [&](int b) { return ourCost(plain, b); }},
            {"ours without AVX2, one channel",
                [&](int b) {
                    avoidWideVectors(true);
                    const double cost = ourCost(mono, b);
                    avoidWideVectors(false);
                    return cost;
                }},
            {"libfluidsynth, 7th order", [&](int b) { return seventh.cost(b); }},
            {"libfluidsynth, 4th order", [&](int b) { return fourth.cost(b); }},
        };
        for (int r = 0; r < rounds; ++r)
            for (auto& one : all)
                one.best = std::min(one.best, one.secondsPerVoiceSecond(block));
        std::printf("voices at real time on one core, blocks of %d\n", block);
        for (const auto& one : all)
            std::printf("  %-32s %6.0f  %5.2f x libfluidsynth's 7th order\n", one.name.c_str(),
                1.0 / one.best, all[4].best / one.best);
    }
}

void block()
{
    const auto times = blockTimes(thirtyTwoTakes(1, true), 60.0);
    std::printf("blocks of 128 at %zu voices over a minute: median %.3f ms, 99.9 %% within %.2f "
                "times that, worst %.2f times\n",
        Engine::voices, 1e3 * times.median, times.most / times.median, times.worst / times.median);
}

void notes()
{
    for (const int zones : {1, 100, 5000})
        std::printf("a note-on among %4d zones: %.2f us\n", zones, 1e6 * noteOnSeconds(zones));
}

void memory()
{
    const auto show = [](const char* what, double times) {
        std::printf(
            "memory that a process takes for %s: %.2f times the decoded takes\n", what, times);
    };
    show("60 takes of 5 s, two channels, a key each", memoryOf(60, 5.0, 1));
    show("one take of 40 s, two channels, over 88 keys", memoryOf(1, 40.0, 88));
}

void edits()
{
    std::printf(
        "compile: a moved loop post of a 10 s take %.2f ms; a changed envelope of 200 takes "
        "%.3f ms\n",
        1e3 * movedPostSeconds(), 1e3 * changedEnvelopeSeconds());
    std::printf("200 takes of 4 s from a project until they play: %.2f s\n", openingSeconds());
}

void purity()
{
    const auto worst = worstPurity();
    std::printf(
        "everything that is not the sound, -48 to +24 semitones, the whole band: sines "
        "%.1f dB below, 34 tones to 17 kHz %.1f dB below, the sines through a filter that stands "
        "still %.1f dB below\n",
        worst.sine, worst.material, worst.filtered);
}

void history()
{
    std::printf(
        "200 steps over ten minutes of treated stereo: %.0f MB beyond the recording (300)\n",
        historyBytes() / 1e6);
}

} // namespace

int main(int count, char** words)
{
    returnLargeMemory();
    const std::pair<const char*, void (*)()> parts[] = {{"memory", memory}, {"voices", voices},
        {"block", block}, {"notes", notes}, {"edits", edits}, {"purity", purity},
        {"history", history}};
    for (const auto& [name, part] : parts)
        if (count < 2 || std::any_of(words + 1, words + count, [n = name](const char* w) {
                return std::strcmp(w, n) == 0;
            }))
            part();
    return 0;
}
