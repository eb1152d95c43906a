// SPDX-License-Identifier: GPL-3.0-or-later
// Our loops against loops set by hand: loop_bench FOLDER of WAVs whose `smpl` chunk holds a loop.

#include "audio/sound_file.h"
#include "base/safe_file.h"
#include "loop/finder.h"
#include "pitch/report.h"
#include "prepare/kept_part.h"

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <vector>

using namespace puretone;

namespace {

struct Row {
    std::vector<double> ours, theirs, lengths;
    int seamlessOurs = 0, seamlessTheirs = 0, asGood = 0, living = 0;
};

double at(std::vector<double> values, double share)
{
    if (values.empty())
        return 0.0;
    std::sort(values.begin(), values.end());
    return values[std::size_t(share * double(values.size() - 1))];
}

void print(const char* name, const Row& row)
{
    const double n = std::max<double>(1.0, double(row.ours.size()));
    std::printf(
        "%-6s n %4.0f  cost median %.2f p90 %.2f (by hand %.2f %.2f)  seamless %.1f %% (by hand "
        "%.1f %%)  at least as good %.1f %%  living %.1f %%  length median %.2f s\n",
        name, n, at(row.ours, 0.5), at(row.ours, 0.9), at(row.theirs, 0.5), at(row.theirs, 0.9),
        100 * row.seamlessOurs / n, 100 * row.seamlessTheirs / n, 100 * row.asGood / n,
        100 * row.living / n, at(row.lengths, 0.5));
}

} // namespace

int main(int argc, char** argv)
{
    if (argc < 2) {
        std::puts("loop_bench FOLDER");
        return 2;
    }
    Row rows[2];
    double spent = 0.0, audioSeconds = 0.0;
    for (const auto& entry : std::filesystem::directory_iterator(argv[1])) {
        const auto recording = openRecording(entry.path());
        if (!recording || !(*recording)->sampler || (*recording)->sampler->loops.empty())
            continue;
        const Audio& audio = *(*recording)->audio;
        const auto kept = proposeKept(audio, "take");
        if (!kept)
            continue;
        const double period = 1.0 / hzOf((*recording)->sampler->midi).value;
        const auto begin = std::chrono::steady_clock::now();
        const auto report = findLoops(audio, *kept, period);
        spent += std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
        audioSeconds += audio.seconds();
        Loop hand;
        hand.on = true;
        hand.span = (*recording)->sampler->loops[0].span;
        hand = clampLoop(hand, audio.frames());
        const auto theirs = judgeLoop(audio, hand, period);
        const double handSeconds = double(hand.span.length()) / audio.rate;
        Row& row = rows[handSeconds > 0.12 ? 0 : 1];
        row.theirs.push_back(theirs.cost);
        row.seamlessTheirs += theirs.cost <= 1.0;
        if (report.candidates.empty()) {
            std::printf("  none: %s %.2f s: %s\n", shownName(entry.path()).c_str(), audio.seconds(),
                report.message.c_str());
            row.ours.push_back(99.0);
            continue;
        }
        const auto& best = report.candidates[0];
        const double seconds = double(best.loop.span.length()) / audio.rate;
        row.ours.push_back(best.cost);
        row.lengths.push_back(seconds);
        row.seamlessOurs += best.cost <= 1.0;
        row.asGood += best.cost <= std::max(1.0, theirs.cost);
        row.living += seconds >= std::min(0.3, 0.6 * handSeconds);
    }
    print("long", rows[0]);
    print("short", rows[1]);
    std::printf("%.1f ms per second of audio\n", 1000.0 * spent / std::max(1e-9, audioSeconds));
    return 0;
}
