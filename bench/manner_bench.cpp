// SPDX-License-Identifier: GPL-3.0-or-later
// Playing manners: what keeping the length does to pitch, length, loops and formants, and what a
// frozen moment costs and how steady it is.
//
//   manner_bench length [FOLDER]   loops of a folder of recordings beside the computed ones
//   manner_bench frozen            20 computed sounds; cost beside a plain voice in the same run

#include "bench_timing.h"

#include "audio/files/sound_file.h"
#include "audio/signal/fft.h"
#include "base/threads/all_cores.h"
#include "engine/engine.h"
#include "engine/offline/render.h"
#include "loop/search/finder.h"
#include "model/making/kept_length.h"
#include "model/making/take_maker.h"
#include "prepare/treat/shift_pitch.h"

#include <array>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <mutex>
#include <numbers>
#include <span>

using namespace puretone;

namespace {

constexpr double rate = 48000.0;

std::vector<float> tone(double hz, double seconds, int partials, double tilt, double attack = 0.0)
{
    std::vector<float> wave(std::size_t(seconds * rate));
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        double sum = 0.0;
        for (int h = 1; h <= partials && h * hz < 0.45 * rate; ++h)
            sum += std::pow(h, -tilt) * std::sin(2.0 * std::numbers::pi * h * hz * t + 1.7 * h);
        wave[i] = float(0.25 * sum * (attack > 0.0 ? std::min(1.0, t / attack) : 1.0));
    }
    return wave;
}

Take takeOf(std::vector<float> wave, double midi)
{
    Take take;
    take.id = 1;
    take.recording = makeRecording(Audio{rate, {std::move(wave)}}, "tone.wav");
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.fades = {0.0, 0.0};
    take.tuning = Tuning::forPitch(midi, TuningSource::byHand);
    return take;
}

/// A sung vowel: harmonics under two resonances.
std::vector<float> vowel(double hz, double first, double second)
{
    std::vector<float> wave(std::size_t(2.0 * rate), 0.0f);
    for (int h = 1; h * hz < 8000.0; ++h) {
        const auto bell = [&](double centre, double width) {
            return std::exp(-std::pow((h * hz - centre) / width, 2.0));
        };
        const double level = 0.02 + bell(first, 130.0) + 0.6 * bell(second, 220.0);
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] += float(0.12 * level
                * std::sin(2.0 * std::numbers::pi * h * hz * double(i) / rate + 2.1 * h));
    }
    return wave;
}

/// Centre of what lies between two frequencies, by power: a formant that stands alone there.
double centreHz(std::span<const float> wave, double low, double high)
{
    double sum = 0.0, weighted = 0.0;
    constexpr double step = 5.0;
    for (double hz = low; hz < high; hz += step) {
        double re = 0.0, im = 0.0;
        const double turn = 2.0 * std::numbers::pi * hz / rate;
        for (std::size_t i = 0; i < wave.size(); i += 1) {
            const double window =
                0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * double(i) / double(wave.size()));
            re += window * double(wave[i]) * std::cos(turn * double(i));
            im += window * double(wave[i]) * std::sin(turn * double(i));
        }
        sum += re * re + im * im;
        weighted += hz * (re * re + im * im);
    }
    return weighted / sum;
}

void measurePitchAndLength()
{
    double worstCents = 0.0, worstLength = 0.0;
    for (const double midi : {40.3, 52.0, 57.7, 66.1, 74.9}) {
        auto wave = tone(hzOf(midi).value, 1.5, 14, 1.0);
        wave.resize(wave.size() + std::size_t(rate)); // where it ends is its length
        for (int semitones = -12; semitones <= 12; semitones += 3) {
            const auto moved = shiftPitch({rate, {wave}}, semitones, false);
            const auto& out = moved->channels[0];
            const auto heard = analysePitch(
                std::span(out).subspan(std::size_t(0.3 * rate), std::size_t(rate)), rate)
                                   .midi;
            if (heard)
                worstCents = std::max(worstCents, 100.0 * std::abs(*heard - midi - semitones));
            std::size_t last = 0;
            float most = 0.0f;
            for (const float x : out)
                most = std::max(most, std::abs(x));
            for (std::size_t i = 0; i < out.size(); ++i)
                if (std::abs(out[i]) > 0.3f * most)
                    last = i;
            worstLength = std::max(worstLength, std::abs(double(last) / rate - 1.5) / 1.5);
        }
    }
    std::printf("pitch   worst %.2f cents (2), length worst %.2f %% (1), 45 keys of 5 tones\n",
        worstCents, 100.0 * worstLength);
}

void measureFormants()
{
    double worst = 0.0, worstMoving = 0.0;
    for (const double hz : {110.0, 147.0, 196.0})
        for (int semitones = -12; semitones <= 12; semitones += 4) {
            const auto wave = vowel(hz, 700.0, 2400.0);
            const auto kept = shiftPitch({rate, {wave}}, semitones, true);
            const auto moving = shiftPitch({rate, {wave}}, semitones, false);
            const auto middle = [](const std::vector<float>& w) {
                return std::span(w).subspan(std::size_t(0.6 * rate), 16384);
            };
            // The second resonance: the first holds too few harmonics to have a centre of its own.
            const double before = centreHz(middle(wave), 1700.0, 3200.0);
            const double ratio = std::exp2(semitones / 12.0);
            worst = std::max(worst,
                std::abs(centreHz(middle(kept->channels[0]), 1700.0, 3200.0) / before - 1.0));
            if (semitones > -12 && semitones < 12)
                worstMoving = std::max(worstMoving,
                    std::abs(centreHz(middle(moving->channels[0]), 1700.0 * ratio, 3200.0 * ratio)
                            / (before * ratio)
                        - 1.0));
        }
    std::printf("formant kept: worst %.1f %% (3); moving with the pitch: worst %.1f %% of where it "
                "would be\n",
        100.0 * worst, 100.0 * worstMoving);
}

struct Loops {
    std::size_t keys = 0, seamless = 0, takes = 0;
};

/// Loops of a take on the keys of two octaves.
void addLoops(const Take& take, Loops& loops, std::mutex& lock)
{
    for (int semitones = -12; semitones <= 12; semitones += 4) {
        const auto made = makeKept(take, semitones, true);
        std::optional<double> period = take.period();
        if (period)
            *period /= std::exp2(semitones / 12.0);
        const auto judged = judgeLoop(made->take.audio(), made->take.loop, period);
        const std::scoped_lock hold(lock);
        ++loops.keys;
        loops.seamless += judged.cost <= 1.0 ? 1 : 0;
    }
    const std::scoped_lock hold(lock);
    ++loops.takes;
}

void measureLoops(const std::vector<Take>& takes, const char* what)
{
    Loops loops;
    std::mutex lock;
    onAllCores(takes.size(), [&](std::size_t i) {
        const Take& take = takes[i];
        if (take.loop.repeats() && judgeLoop(take.audio(), take.loop, take.period()).cost <= 1.0)
            addLoops(take, loops, lock);
    });
    std::printf("loops   %s: %zu of %zu keys stay seamless (%.1f %%), of %zu takes whose own loop "
                "is\n",
        what, loops.seamless, loops.keys,
        100.0 * double(loops.seamless) / double(std::max<std::size_t>(1, loops.keys)), loops.takes);
}

void measureLength(const std::string& folder)
{
    measurePitchAndLength();
    measureFormants();
    std::vector<Take> computed;
    for (const double midi : {43.2, 50.0, 57.6, 64.0, 71.3})
        computed.push_back(*makeTake(
            makeRecording(Audio{rate, {tone(hzOf(midi).value, 2.5, 14, 1.0, 0.05)}}, "tone.wav")));
    measureLoops(computed, "computed tones");
    if (folder.empty())
        return;
    std::vector<std::filesystem::path> files;
    for (const auto& entry : std::filesystem::directory_iterator(folder))
        files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    std::vector<std::optional<Take>> read(files.size());
    onAllCores(files.size(), [&](std::size_t i) {
        if (const auto recording = openRecording(files[i]))
            if (auto take = makeTake(*recording))
                read[i] = std::move(*take);
    });
    std::vector<Take> takes;
    for (auto& take : read)
        if (take && take->audio().seconds() < 20.0)
            takes.push_back(std::move(*take));
    measureLoops(takes, "recordings of the folder");
}

Instrument frozen(Take take, int density)
{
    auto instrument = makeInstrument(std::move(take));
    Layer& layer = instrument.layers[0];
    layer.zones[0].lowKey = 0;
    layer.zones[0].highKey = 127;
    layer.manner = density > 0 ? Manner::frozen : Manner::asRecorded;
    layer.frozen.place = 0.5;
    layer.frozen.density = std::max(1, density);
    layer.frozen.sizeSeconds = 0.25;
    layer.envelope = {0.0, 0.0, 0.0, 0.0, 0.0, 0.02};
    return instrument;
}

void measureSteadiness()
{
    double worstRipple = 0.0, worstCents = 0.0;
    for (int i = 0; i < 20; ++i) {
        const double midi = 40.0 + 1.83 * i;
        auto instrument = frozen(
            takeOf(tone(hzOf(midi).value, 2.0, 3 + i, 0.6 + 0.05 * i), midi), i % 2 == 0 ? 4 : 8);
        instrument.layers[0].frozen.sizeSeconds = 0.03 + 0.01 * i;
        instrument.layers[0].frozen.hardEdges = i % 3 == 0;
        for (const int away : {-7, 0, 5, 12}) {
            const int key = instrument.takes[0].tuning.rootKey + away;
            const auto out = renderEvents(instrument,
                {{0.0, MidiEvent::noteOn(key, 100)}, {2.0, MidiEvent::noteOff(key)}}, rate, 0.1);
            const auto steady = std::span(out.channels[0])
                                    .subspan(std::size_t(0.6 * rate), std::size_t(1.2 * rate));
            const auto length = std::size_t(10.0 / hzOf(double(key)).value * rate);
            double most = 0.0, least = 1e9;
            for (std::size_t at = 0; at + length <= steady.size(); at += length / 2) {
                double power = 0.0;
                for (std::size_t k = at; k < at + length; ++k)
                    power += double(steady[k]) * double(steady[k]);
                most = std::max(most, power);
                least = std::min(least, power);
            }
            worstRipple = std::max(worstRipple, 10.0 * std::log10(most / least));
            if (const auto heard = analysePitch(steady, rate).midi)
                worstCents = std::max(worstCents, 100.0 * std::abs(*heard - key));
        }
    }
    std::printf("frozen  worst ripple %.2f dB (0.5), worst pitch %.2f cents (1), 80 keys of 20 "
                "sounds\n",
        worstRipple, worstCents);
}

/// A tone with harmonics up to the top of the band, frozen and played up: what lies between the
/// harmonics has folded back, since grains that begin with every period put nothing there.
void measureFolding()
{
    constexpr std::size_t size = 65536;
    RealFft fft(size);
    double worst = -300.0;
    for (const int away : {-12, -5, 0, 4, 7, 12, 19, 24}) {
        constexpr double hz = 220.0;
        auto instrument = frozen(takeOf(tone(hz, 4.0, 200, 0.3), midiOf(Hz{hz})), 4);
        instrument.layers[0].frozen.sizeSeconds = 4.0 / (hz * std::exp2(away / 12.0));
        instrument.layers[0].levelDb = -30.0; // far from the limiter
        const int key = instrument.takes[0].tuning.rootKey + away;
        const auto out = renderEvents(instrument,
            {{0.0, MidiEvent::noteOn(key, 100)}, {3.0, MidiEvent::noteOff(key)}}, rate, 0.1);
        std::vector<float> wave(size);
        for (std::size_t i = 0; i < size; ++i) {
            // Blackman and Harris's window of seven terms: side lobes 180 dB down.
            constexpr std::array terms = {0.27105140069342, -0.43329793923448, 0.21812299954311,
                -0.06592544638803, 0.01081174209837, -0.00077658482522, 0.00001388721735};
            double window = 0.0;
            for (std::size_t k = 0; k < terms.size(); ++k)
                window += terms[k]
                    * std::cos(2.0 * std::numbers::pi * double(k) * double(i) / double(size));
            wave[i] = float(window) * out.channels[0][std::size_t(0.8 * rate) + i];
        }
        fft.forward(wave);
        const double tone = hz * std::exp2(away / 12.0);
        double of = 0.0, between = 0.0;
        for (std::size_t k = 8; k + 8 < fft.bins(); ++k) {
            const double at = double(k) * rate / double(size);
            const double off = std::abs(at - std::max(1.0, std::round(at / tone)) * tone);
            (off < 10.0 * rate / double(size) ? of : between) +=
                double(std::norm(fft.spectrum()[k]));
        }
        worst = std::max(worst, 10.0 * std::log10(between / of));
    }
    std::printf("frozen  folds back at most %.1f dB (-90), one octave down to two up\n", worst);
}

/// Milliseconds for one second of so many voices.
double cost(const Instrument& instrument, int voices)
{
    Engine engine;
    engine.prepare(rate);
    engine.setProgram(Compiler().compile(instrument, rate));
    std::array<float, 256> left{}, right{};
    engine.process(left.data(), right.data(), 256);
    for (int i = 0; i < voices; ++i)
        engine.handle(MidiEvent::noteOn(48 + i, 100));
    for (int i = 0; i < 200; ++i)
        engine.process(left.data(), right.data(), 256);
    return medianMs(7, [&] {
        for (int i = 0; i < 187; ++i)
            engine.process(left.data(), right.data(), 256);
    });
}

void measureFrozen()
{
    measureSteadiness();
    measureFolding();
    const auto take = takeOf(tone(220.0, 30.0, 10, 1.0), midiOf(Hz{220.0}));
    constexpr int voices = 8;
    const double nothing = cost(frozen(take, 0), 0);
    const double plain = cost(frozen(take, 0), voices) - nothing;
    for (const int density : {8, 32})
        std::printf("cost    %2d grains: %.1f times a plain voice\n", density,
            (cost(frozen(take, density), voices) - nothing) / plain);
}

} // namespace

int main(int argc, char** argv)
{
    const std::string what = argc > 1 ? argv[1] : "";
    if (what == "length")
        measureLength(argc > 2 ? argv[2] : "");
    else if (what == "frozen")
        measureFrozen();
    else {
        std::fprintf(stderr, "manner_bench length [FOLDER] | frozen\n");
        return 2;
    }
    return 0;
}
