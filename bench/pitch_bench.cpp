// SPDX-License-Identifier: GPL-3.0-or-later
// Pitch readings against the truth, beside aubio's yinfft and mcomb in the same run.
//
// pitch_bench FOLDER: WAVs whose `smpl` chunk holds the true pitch: whole, spoilt and cut
//
// pitch_bench --labelled FOLDER: real one-shots with labels.tsv: as they are, sped up, hissed,
// dulled
//
// pitch_bench --computed: 300 random computed sounds of exactly known pitch
//
// pitch_bench --speed: the whole report for takes of 1 s to an hour
//
// Labels set by hand are wrong now and then. Those that the sound's own partials contradict are
// listed and counted apart.

#include "audio/files/sound_file.h"
#include "audio/signal/resample.h"
#include "base/files/safe_file.h"
#include "bench_timing.h"
#include "demo/sounds.h"
#include "pitch/report.h"
#include "pitch_oneshots.h"
#include "pitch_programs.h"
#include "pitch_rival.h"

#include <cstdio>
#include <cstring>
#include <map>

using namespace puretone;

namespace {

struct Tally {
    int right = 0, octave = 0, wrong = 0;
    std::vector<double> cents;

    void add(const std::optional<double>& midi, double truth)
    {
        const double off = midi ? *midi - truth : 99.0;
        if (std::abs(off) < 0.5) {
            ++right;
            cents.push_back(std::abs(100.0 * off));
        } else if (midi && std::abs(off - 12.0 * std::round(off / 12.0)) < 0.5) {
            ++octave;
        } else {
            ++wrong;
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
            "  %-10s n %4.0f  right %5.1f  octave %4.1f  wrong %4.1f %%   cents: median %5.2f "
            "p90 %5.2f worst %5.2f\n",
            name, n, 100 * right / n, 100 * octave / n, 100 * wrong / n, at(0.5), at(0.9), at(1.0));
    }
};

/// Of all readings given a confidence, how many are right.
struct Calibration {
    struct Row {
        int n = 0, right = 0;
        double sum = 0.0;
    };
    std::map<int, Row> rows;
    Row clear, uncertain, none;

    void add(const PitchReport& report, double truth)
    {
        const bool right = report.midi && std::abs(*report.midi - truth) < 0.5;
        const auto count = [&](Row& row) {
            ++row.n;
            row.right += right ? 1 : 0;
            row.sum += report.confidence;
        };
        static constexpr double edges[] = {0.45, 0.7, 0.85, 0.95, 0.99, 1.01};
        int bin = 0;
        while (report.confidence >= edges[bin])
            ++bin;
        count(rows[bin]);
        count(report.verdict == PitchVerdict::clear         ? clear
                : report.verdict == PitchVerdict::uncertain ? uncertain
                                                            : none);
    }
    void print() const
    {
        std::printf("  confidence said -> right:");
        for (const auto& [bin, row] : rows)
            std::printf("  %.2f -> %.3f (%d)", row.sum / row.n, double(row.right) / row.n, row.n);
        std::printf("\n  clear %d, right %.1f %%; uncertain %d, right %.1f %%; none %d\n", clear.n,
            100.0 * clear.right / std::max(1, clear.n), uncertain.n,
            100.0 * uncertain.right / std::max(1, uncertain.n), none.n);
    }
};

struct Table {
    Tally ours, yinfft, mcomb;
    Calibration calibration;
    double oursMs = 0.0, yinfftMs = 0.0, mcombMs = 0.0, seconds = 0.0;

    PitchReport add(std::span<const float> mono, double rate, double truth)
    {
        PitchReport report;
        oursMs += medianMs(1, [&] { report = analysePitch(mono, rate); });
        ours.add(report.midi, truth);
        calibration.add(report, truth);
        const auto at44 = rate == 44100.0 ? std::vector<float>(mono.begin(), mono.end())
                                          : resample(mono, rate, 44100.0);
        std::optional<double> midi;
        yinfftMs += medianMs(1, [&] { midi = bench::aubioPitch("yinfft", at44); });
        yinfft.add(midi, truth);
        mcombMs += medianMs(1, [&] { midi = bench::aubioPitch("mcomb", at44); });
        mcomb.add(midi, truth);
        seconds += double(mono.size()) / rate;
        return report;
    }
    void print(const char* name)
    {
        std::printf("\n%s\n", name);
        ours.print("Pure Tone");
        yinfft.print("yinfft");
        mcomb.print("mcomb");
        calibration.print();
        std::printf("  ms per second of audio: ours %.1f, yinfft %.1f, mcomb %.1f\n",
            oursMs / seconds, yinfftMs / seconds, mcombMs / seconds);
    }
};

/// Why the partials contradict a label, or null. Looks at nothing but the comb at the label.
const char* contradiction(std::span<const float> mono, double rate, double midi)
{
    const double f = hzOf(midi).value;
    double all = 0.0, hit = 0.0, half = 0.0, odd = 0.0, even = 0.0;
    for (const auto& p : findPartials(meanSpectrum(mono, rate), rate)) {
        if (p.hz > 14.5 * f || p.levelDb() < -45.0)
            continue;
        const double g = p.hz / f, h = std::round(g), w = std::sqrt(p.amplitude);
        all += w;
        if (h >= 1.0 && std::abs(g - h) < std::min(0.03 * h, 0.12)) {
            hit += w;
            (std::lround(h) % 2 != 0 ? odd : even) = 1.0;
        } else if (std::abs(g - std::floor(g) - 0.5) < 0.1) {
            half += w;
        }
    }
    if (half > 0.15 * all)
        return "partials half-way between its own";
    if (even > 0.0 && odd == 0.0)
        return "no odd partials";
    if (hit < 0.5 * all)
        return "most partials lie elsewhere";
    return nullptr;
}

int benchFolder(const char* folder)
{
    std::vector<std::filesystem::path> files;
    for (const auto& entry : std::filesystem::directory_iterator(folder))
        files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    Table longer, shorter, doubtful, spoilt, cut;
    std::map<bench::Harm, Tally> harms;
    std::uint64_t seed = 0;
    for (const auto& path : files) {
        const auto recording = openRecording(path);
        if (!recording || !(*recording)->sampler)
            continue;
        const double rate = (*recording)->audio->rate, truth = (*recording)->sampler->midi;
        const auto mono = mixToMono(*(*recording)->audio);
        const char* doubt = contradiction(mono, rate, truth);
        const bool isLong = double(mono.size()) >= 0.3 * rate;
        auto& table = doubt != nullptr ? doubtful : isLong ? longer : shorter;
        const auto tell = [&](const char* what, const PitchReport& report) {
            if (!report.midi || std::abs(*report.midi - truth) >= 0.5)
                std::printf("  %-9s %-36s label %6.2f read %6.2f %-9s %.2f, next %6.2f  %s\n", what,
                    shownName(path).c_str(), truth, report.midi.value_or(-1),
                    nameOf(report.verdict), report.confidence,
                    report.choices.size() > 1 ? report.choices[1].midi : -1,
                    doubt != nullptr ? doubt : "");
        };
        tell("whole", table.add(mono, rate, truth));
        ++seed;
        if (doubt != nullptr)
            continue;
        for (const auto harm : bench::allHarms) {
            if (harm == bench::Harm::cut && !isLong)
                continue;
            const auto changed = bench::harmed(mono, rate, harm, seed * 7 + std::uint64_t(harm));
            auto& here = harm == bench::Harm::cut ? cut : spoilt;
            const auto report = here.add(changed, rate, truth);
            harms[harm].add(report.midi, truth);
            tell(bench::nameOf(harm), report);
        }
    }
    longer.print("0.3 s or more");
    shorter.print("shorter than 0.3 s");
    doubtful.print("labels that the partials contradict");
    spoilt.print("spoilt: noise 12 dB below, telephone, room, overdrive, hum");
    cut.print("cut to 35 to 300 ms");
    std::printf("\nby harm\n");
    for (auto& [harm, tally] : harms)
        tally.print(bench::nameOf(harm));
    return 0;
}

void benchChords()
{
    int exact = 0, said = 0;
    const auto chords = bench::randomChords(200, 5);
    for (const auto& chord : chords) {
        const auto notes = analysePitch(chord.audio.channels[0], chord.audio.rate).notes;
        said += notes.size() > 1 ? 1 : 0;
        exact += notes.size() == chord.midi.size()
                && std::equal(notes.begin(), notes.end(), chord.midi.begin(),
                    [](double a, double b) { return std::abs(a - b) < 0.5; })
            ? 1
            : 0;
    }
    std::printf("\nseveral notes at once: said of %d of %zu, every note right in %d\n", said,
        chords.size(), exact);
}

void benchDemo()
{
    std::printf("\ndemo sounds\n");
    for (const auto& sound : skerry::allSounds()) {
        const auto report = analysePitch(mixToMono(sound.audio), sound.audio.rate);
        std::printf("  %-20s %-10s read %-10s %-9s %.2f", sound.name.c_str(),
            sound.truth.kind.c_str(), nameOf(report.kind), nameOf(report.verdict),
            report.confidence);
        if (sound.truth.hz && report.midi)
            std::printf("  %+.1f cents", 100.0 * (*report.midi - midiOf(Hz{*sound.truth.hz})));
        std::printf("\n");
    }
}

int benchComputed()
{
    benchDemo();
    benchChords();
    int chordsOfOne = 0;
    Table all;
    std::map<std::string, Tally> kinds;
    std::map<std::string, std::map<std::string, int>> said;
    for (const auto& program : bench::randomPrograms(300, 1)) {
        const auto mono = mixToMono(program.audio);
        if (!program.midi) {
            const auto report = analysePitch(mono, program.audio.rate);
            ++said["noise, called "][nameOf(report.verdict)];
            if (report.verdict != PitchVerdict::none)
                std::printf("  %-16s read %6.2f %s %.2f\n", program.kind.c_str(),
                    report.midi.value_or(-1), nameOf(report.verdict), report.confidence);
            continue;
        }
        const auto report = all.add(mono, program.audio.rate, *program.midi);
        chordsOfOne += report.notes.size() > 1 ? 1 : 0;
        kinds[program.kind].add(report.midi, *program.midi);
        ++said[program.kind + std::string(" is ")][nameOf(report.kind)];
        if (!report.midi || std::abs(*report.midi - *program.midi) >= 0.05)
            std::printf("  %-16s truth %6.2f read %6.2f %s %.2f, next %.2f\n", program.kind.c_str(),
                *program.midi, report.midi.value_or(-1), nameOf(report.verdict), report.confidence,
                report.choices.size() > 1 ? report.choices[1].midi : -1);
    }
    std::printf("several notes said of a single one: %d\n", chordsOfOne);
    all.print("computed sounds");
    for (auto& [kind, tally] : kinds)
        tally.print(kind.c_str());
    for (const auto& [what, counts] : said) {
        std::printf("  %s", what.c_str());
        for (const auto& [name, n] : counts)
            std::printf(" %s %d", name.c_str(), n);
        std::printf("\n");
    }
    return 0;
}

int benchSpeed()
{
    std::printf("length        report      yinfft   ratio\n");
    for (const double seconds : {1.0, 10.0, 60.0, 600.0}) {
        std::vector<float> wave(std::size_t(seconds * 44100.0));
        double phase = 0.0;
        for (std::size_t i = 0; i < wave.size(); ++i) {
            phase += 2.0 * std::numbers::pi * 196.0 / 44100.0;
            for (int h = 1; h < 12; ++h)
                wave[i] += float(0.2 / h * std::sin(h * phase));
        }
        const int rounds = seconds < 100.0 ? 7 : 1;
        const double ours = medianMs(rounds, [&] { analysePitch(wave, 44100.0); });
        const double theirs = medianMs(rounds, [&] { bench::aubioPitch("yinfft", wave); });
        std::printf("%6.0f s  %8.1f ms %8.1f ms  %6.2f\n", seconds, ours, theirs, ours / theirs);
    }
    return 0;
}

} // namespace

int main(int argc, char** argv)
{
    if (argc < 2) {
        std::puts("pitch_bench FOLDER | --labelled FOLDER | --computed | --speed");
        return 2;
    }
    if (std::strcmp(argv[1], "--computed") == 0)
        return benchComputed();
    if (argc > 2 && std::strcmp(argv[1], "--labelled") == 0)
        return bench::benchLabelled(argv[2]);
    return std::strcmp(argv[1], "--speed") == 0 ? benchSpeed() : benchFolder(argv[1]);
}
