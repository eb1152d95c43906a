// SPDX-License-Identifier: GPL-3.0-or-later
// Exports and openings of a large instrument beside the bare cost of the same bytes: the samples
// through the same encoder onto the disk, the file read into memory. Prints times, their ratio,
// and how far memory rose, as a multiple of the instrument's audio.
//
//   export_bench [MEGABYTES]      500 where none are given

#include "base/files/safe_file.h"
#include "bench_timing.h"
#include "engine/program/program.h"
#include "formats/formats.h"
#include "model/making/take_maker.h"

#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <functional>
#include <memory>

using namespace puretone;

namespace {

constexpr double rate = 48000.0, seconds = 20.0;

/// Stereo notes of 20 s with a loop.
Instrument instrumentOf(double megabytes)
{
    const double each = 2.0 * 4.0 * rate * seconds / 1e6;
    const int count = std::max(1, int(megabytes / each));
    std::vector<Take> takes;
    for (int n = 0; n < count; ++n) {
        Audio audio{rate, std::vector(2, std::vector<float>(std::size_t(rate * seconds)))};
        std::uint32_t noise = 7U + std::uint32_t(n);
        const double hz = 60.0 * std::exp2(double(n % 48) / 12.0);
        for (auto& channel : audio.channels)
            for (std::size_t i = 0; i < channel.size(); ++i) {
                noise = noise * 1664525U + 1013904223U;
                channel[i] = float(0.4 * std::sin(6.283185307 * hz * double(i) / rate)
                    + 0.02 * (double(noise) / 2147483648.0 - 1.0));
            }
        Take take;
        take.id = n + 1;
        take.name = "note " + std::to_string(n);
        take.recording = makeRecording(std::move(audio), take.name + ".wav");
        take.kept = {Frames{0}, Frames{std::int64_t(rate * seconds)}};
        take.tuning = Tuning::forPitch(midiOf(Hz{hz}), TuningSource::byHand);
        take.loop.on = true;
        take.loop.span = {Frames{200000}, Frames{800000}};
        take.loop.crossfade = Frames{20000};
        takes.push_back(std::move(take));
    }
    Instrument instrument;
    instrument.name = "large";
    addTakes(instrument, std::move(takes));
    return sanitized(std::move(instrument));
}

/// Kilobytes that the process holds, or held at most since the last forgetting.
double memory(const char* what)
{
    std::ifstream status("/proc/self/status");
    for (std::string word; status >> word;)
        if (word == what) {
            double kilobytes = 0.0;
            status >> kilobytes;
            return kilobytes;
        }
    return 0.0;
}

void forgetPeak()
{
    std::ofstream("/proc/self/clear_refs") << "5";
}

double once(const std::function<void()>& work)
{
    return timesMs(1, work).front() / 1000.0;
}

void report(const char* name, double took, double bare, double before, double audioKilobytes)
{
    std::printf("%-22s %6.2f s, bare %6.2f s, ratio %5.2f, memory +%.2f of the audio\n", name, took,
        bare, took / bare, (memory("VmHWM:") - before) / audioKilobytes);
}

} // namespace

int main(int argc, char** argv)
{
    const double megabytes = argc > 1 ? std::atof(argv[1]) : 500.0;
    const auto instrument = instrumentOf(megabytes);
    const auto folder = std::filesystem::temp_directory_path() / "puretone-export-bench";
    std::filesystem::create_directories(folder);
    double audioKilobytes = 0.0;
    for (const auto& take : instrument.takes)
        audioKilobytes += double(take.audio().frames()) * 2.0 * 4.0 / 1024.0;
    std::printf("%zu takes, %.0f MB of audio\n", instrument.takes.size(), audioKilobytes / 1024.0);
    for (const bool flac : {false, true}) {
        ExportChoices choices;
        choices.flac = flac;
        // The same samples through the same encoder, and read back once.
        const double bare = once([&] {
            for (const auto& take : instrument.takes) {
                const auto file = folder / (flac ? "bare.flac" : "bare.wav");
                (void)writeWhole(file, [&](const std::filesystem::path& temporary) {
                    return flac
                        ? writeFlac(temporary, take.audio())
                        : writeBytes(temporary, encodeWav(take.audio(), SampleFormat::int24));
                });
                (void)openRecording(file);
            }
        });
        forgetPeak();
        const double before = memory("VmRSS:");
        const double took =
            once([&] { (void)writeInstrument(instrument, folder / "large.sfz", choices); });
        report(flac ? "SFZ with FLAC" : "SFZ with WAV", took, bare, before, audioKilobytes);
    }
    {
        const double bare = once([&] {
            for (const auto& take : instrument.takes) {
                (void)writeWhole(folder / "bare.wav", [&](const std::filesystem::path& temporary) {
                    return writeBytes(temporary, encodeWav(take.audio(), SampleFormat::int16));
                });
                (void)openRecording(folder / "bare.wav");
            }
        });
        forgetPeak();
        const double before = memory("VmRSS:");
        const double took = once([&] { (void)writeInstrument(instrument, folder / "large.sf2"); });
        report("SoundFont", took, bare, before, audioKilobytes);
    }
    {
        (void)writeInstrument(instrument, folder / "large.puretone");
        const double bare = once([&] { (void)readFile(folder / "large.puretone"); });
        forgetPeak();
        const double before = memory("VmRSS:");
        const double took = once([&] {
            auto opened = openInstrument(folder / "large.puretone");
            if (opened)
                (void)Compiler().compile(*opened, rate, {});
        });
        report("open and compile", took, bare, before, audioKilobytes);
    }
    std::error_code ignored;
    std::filesystem::remove_all(folder, ignored);
    return 0;
}
