// SPDX-License-Identifier: GPL-3.0-or-later
// Pitch readings against labels: pitch_bench FOLDER of WAVs whose `smpl` chunk holds the true
// pitch.

#include "audio/sound_file.h"
#include "base/safe_file.h"
#include "pitch/report.h"

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <vector>

using namespace puretone;

namespace {

struct Tally {
    int right = 0, octave = 0, wrong = 0, clear = 0, clearRight = 0;
    std::vector<double> cents;

    void add(const PitchReport& report, double truth)
    {
        const double off = report.midi ? *report.midi - truth : 99.0;
        const double inOctave = off - 12.0 * std::round(off / 12.0);
        const bool good = std::abs(off) < 0.5;
        if (good) {
            ++right;
            cents.push_back(std::abs(100.0 * off));
        } else if (std::abs(inOctave) < 0.5) {
            ++octave;
        } else {
            ++wrong;
        }
        if (report.verdict == PitchVerdict::clear) {
            ++clear;
            clearRight += good ? 1 : 0;
        }
    }
    void print(const char* name)
    {
        const double n = std::max(1, right + octave + wrong);
        std::sort(cents.begin(), cents.end());
        const auto at = [&](double share) {
            return cents.empty() ? 0.0 : cents[std::size_t(share * double(cents.size() - 1))];
        };
        std::printf(
            "%-14s n %4.0f  right %5.1f  octave %4.1f  wrong %4.1f %%  cents median %.1f p90 %.1f  "
            "clear %d, of them right %.1f %%\n",
            name, n, 100 * right / n, 100 * octave / n, 100 * wrong / n, at(0.5), at(0.9), clear,
            100.0 * clearRight / std::max(1, clear));
    }
};

} // namespace

int main(int argc, char** argv)
{
    if (argc < 2) {
        std::puts("pitch_bench FOLDER");
        return 2;
    }
    Tally longer, shorter;
    double audioSeconds = 0.0, spent = 0.0;
    std::vector<std::filesystem::path> files;
    for (const auto& entry : std::filesystem::directory_iterator(argv[1]))
        files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    for (const auto& path : files) {
        const auto recording = openRecording(path);
        if (!recording || !(*recording)->sampler)
            continue;
        const Audio& audio = *(*recording)->audio;
        const auto mono = mixToMono(audio);
        const auto begin = std::chrono::steady_clock::now();
        const auto report = analysePitch(mono, audio.rate);
        spent += std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
        audioSeconds += audio.seconds();
        const double truth = (*recording)->sampler->midi;
        (audio.seconds() >= 0.3 ? longer : shorter).add(report, truth);
        if (!report.midi || std::abs(*report.midi - truth) >= 0.5)
            std::printf("  %-40s label %.2f read %.2f %s %.2f (%s)\n", shownName(path).c_str(),
                truth, report.midi.value_or(-1), nameOf(report.verdict), report.confidence,
                report.choices.size() > 1
                    ? noteName(int(std::round(report.choices[1].midi))).c_str()
                    : "-");
    }
    longer.print("0.3 s or more");
    shorter.print("shorter");
    std::printf("%.1f ms per second of audio\n", 1000.0 * spent / std::max(1e-9, audioSeconds));
    return 0;
}
