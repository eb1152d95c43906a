// SPDX-License-Identifier: GPL-3.0-or-later
// What hands and movements do to notes: random programs under movements as fast as they go, steps
// at tied notes, glides and steals beside the sound's own, the evenness of blocks with everything
// moving, aliasing of the drive. shape_bench [bounds|steps|cutoff|blocks [64] [once]|drive]...; all
// without an argument. Levels and ratios count; nothing here depends on the machine but "blocks".

#include "bench/bench_timing.h"
#include "bench/filter_accuracy.h"
#include "engine/offline/render.h"
#include "model/making/take_maker.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <ctime>
#include <numbers>
#include <random>

using namespace puretone;

namespace {

constexpr double rate = 48000.0;

double cpuSeconds()
{
    timespec now{};
    clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &now);
    return double(now.tv_sec) + 1e-9 * double(now.tv_nsec);
}

Instrument toneInstrument(double hz, int partials)
{
    std::vector<float> wave(std::size_t(3.0 * rate));
    for (std::size_t i = 0; i < wave.size(); ++i)
        for (int k = 1; k <= partials; ++k)
            wave[i] +=
                float(0.3 / k * std::sin(2.0 * std::numbers::pi * hz * k * double(i) / rate));
    Take take;
    take.id = 1;
    take.recording = makeRecording(Audio{rate, {wave}}, "tone.wav");
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.tuning = Tuning::forPitch(midiOf(Hz{hz}), TuningSource::byHand);
    take.loop.on = true;
    // Whole periods of 100 Hz and its multiples.
    take.loop.span = {Frames{48000}, Frames{96000}};
    auto instrument = makeInstrument(std::move(take));
    auto& zone = instrument.layers[0].zones.front();
    zone.lowKey = 0;
    zone.highKey = 127;
    return instrument;
}

/// Any instrument at all, within the gate.
Instrument randomInstrument(std::mt19937& random, const Instrument& tone)
{
    const auto share = [&] { return std::uniform_real_distribution(0.0, 1.0)(random); };
    const auto number = [&](int most) { return int(random() % unsigned(most)); };
    auto instrument = tone;
    Layer& layer = instrument.layers[0];
    for (Wave& wave : layer.waves)
        wave = {Wave::Shape(number(7)), std::pow(10.0, 5.0 * share() - 1.5), 0.0, 0.1 * share(),
            0.1 * share(), share(), number(2) == 0};
    for (int i = number(16); i >= 0; --i)
        layer.movements.push_back({{SourceKind(number(14)), number(4)}, Target(number(targetCount)),
            number(4), (2.0 * share() - 1.0) * 60.0, {SourceKind(number(14)), 1},
            2.0 * share() - 1.0, true});
    layer.filter = {FilterKind(number(5)), number(2) == 0, 20.0 * std::pow(1000.0, share()),
        share(), 36.0 * share(), 2.0 * share(), 16.0 * share() - 8.0, 16.0 * share() - 8.0};
    layer.manner = number(3) == 0 ? Manner::frozen : Manner::asRecorded;
    layer.unison.voices = 1 + number(3);
    layer.levelDb = -40.0;
    return sanitized(std::move(instrument));
}

void bounds()
{
    constexpr int programs = 10000;
    std::mt19937 random(11);
    const auto tone = toneInstrument(200.0, 12);
    Compiler compiler;
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    std::vector<float> left(512), right(512);
    double highest = 0.0;
    int broken = 0;
    for (int p = 0; p < programs; ++p) {
        engine->setProgram(compiler.compile(randomInstrument(random, tone), rate));
        engine->process(nullptr, nullptr, 0);
        engine->handle(MidiEvent::noteOn(int(random() % 128), 1 + int(random() % 127)));
        engine->handle(MidiEvent::control(1, int(random() % 128)));
        for (int block = 0; block < 4; ++block) {
            engine->process(left.data(), right.data(), 512);
            for (const float value : left)
                if (std::isfinite(value))
                    highest = std::max(highest, std::abs(double(value)));
                else
                    ++broken;
        }
        engine->handle(MidiEvent::allOff());
        engine->collect();
    }
    std::printf("%d random programs: %d numbers that are none; highest level %.1f dB (of -40, and "
                "60 of movement, 29 of resonance)\n",
        programs, broken, toDecibels(highest).value);
}

/// The largest second difference in a stretch: what a step stands out by.
double roughness(const std::vector<float>& wave, double from, double to)
{
    double worst = 0.0;
    for (auto i = std::size_t(from * rate); i + 2 < std::min(wave.size(), std::size_t(to * rate));
         ++i)
        worst = std::max(
            worst, std::abs(double(wave[i]) - 2.0 * double(wave[i + 1]) + double(wave[i + 2])));
    return worst;
}

void steps()
{
    auto instrument = toneInstrument(200.0, 6);
    Layer& layer = instrument.layers[0];
    const auto render = [&](std::vector<TimedEvent> events) {
        return renderEvents(instrument, std::move(events), rate, 1.0).channels[0];
    };
    const auto on = [](double t, int key) { return TimedEvent{t, MidiEvent::noteOn(key, 100)}; };
    const auto off = [](double t, int key) { return TimedEvent{t, MidiEvent::noteOff(key)}; };
    const double usual = roughness(render({on(0.0, 62), off(2.0, 62)}), 0.5, 1.9);
    const auto say = [](const char* what, const std::vector<float>& wave, double own) {
        std::printf("  %-34s %+5.1f dB beside the sound's own\n", what,
            toDecibels(roughness(wave, 0.5, 1.9) / own).value);
    };
    std::printf("the largest step (second difference) where notes change\n");
    layer.notes = Notes::tied;
    layer.glide = {0.2, false, false};
    say("tied, gliding a fifth down and back",
        render({on(0.0, 62), on(0.8, 55), off(1.4, 55), off(2.0, 62)}), usual);
    layer.glide.seconds = 0.0;
    say("tied, without a glide", render({on(0.0, 62), on(0.8, 55), off(1.4, 55), off(2.0, 62)}),
        usual);
    layer.notes = Notes::one;
    layer.envelope.attack = 0.02;
    say("one note takes over from another", render({on(0.0, 62), on(0.8, 55), off(2.0, 55)}),
        usual);
    layer.notes = Notes::many;
    // Two notes sound at a time: their own step is the chord's, before the theft and after it.
    const double chord = std::max(
        roughness(render({on(0.0, 62), on(0.1, 57), off(2.0, 62), off(2.0, 57)}), 0.5, 1.9),
        roughness(render({on(0.1, 57), on(0.2, 55), off(2.0, 57), off(2.0, 55)}), 0.5, 1.9));
    layer.voices = 2;
    say("stolen from a chord",
        render({on(0.0, 62), on(0.1, 57), on(0.9, 55), off(2.0, 62), off(2.0, 57), off(2.0, 55)}),
        chord);
}

/// Always the same sums, which need nothing but the processor.
double sameWork(int rounds)
{
    static volatile float seed = 0.5f;
    std::array<float, 1024> values;
    const float first = seed;
    values.fill(first);
    for (int round = 0; round < rounds; ++round)
        for (float& v : values)
            v = 0.999f * v + 0.001f;
    return double(values[17]);
}

/// CPU seconds of each block, and of the bare floor that was run behind it.
struct BlockTimes {
    std::vector<double> blocks, floor;
    int voices = 0; ///< That sound at the end.
};

/// While 30 keys of eight voices are held.
/// @param floorRounds Of the same work behind each block; 0 for none.
BlockTimes blockTimes(const Instrument& instrument, int block, double seconds, int floorRounds)
{
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    engine->setProgram(Compiler().compile(instrument, rate));
    engine->process(nullptr, nullptr, 0);
    engine->handle(MidiEvent::control(64, 127));
    for (int n = 0; n < 30; ++n)
        engine->handle(MidiEvent::noteOn(40 + n, 100));
    std::vector<float> left(static_cast<std::size_t>(block)), right(left);
    BlockTimes times;
    double sum = 0.0;
    for (int n = int(seconds * rate / block); n > 0; --n) {
        const double begin = cpuSeconds();
        engine->process(left.data(), right.data(), block);
        const double end = cpuSeconds();
        times.blocks.push_back(end - begin);
        if (floorRounds > 0) {
            sum += sameWork(floorRounds);
            times.floor.push_back(cpuSeconds() - end);
        }
    }
    if (sum < 0.0)
        std::printf("%f", sum); // so that it is not left out
    times.voices = engine->look().voices;
    return times;
}

/// "median 0.431 ms, 99.99 % within 1.81 times that, worst 6.20 times"
void printTimes(const char* what, std::vector<double> times)
{
    std::sort(times.begin(), times.end());
    const double middle = times[times.size() / 2];
    std::printf("  %-28s median %.3f ms, 99.99 %% within %.2f times that, worst %.2f times\n", what,
        1e3 * middle, times[std::size_t(0.9999 * double(times.size()))] / middle,
        times.back() / middle);
}

/// @param runs Whose best counts for each block; 1 tells what one was like beside the floor.
void blocks(const std::vector<int>& sizes, int runs)
{
    auto instrument = toneInstrument(200.0, 12);
    Layer& layer = instrument.layers[0];
    layer.unison.voices = 8;
    layer.filter.kind = FilterKind::low;
    layer.filter.envelopeOctaves = 1.0;
    setSlowWave(layer, {5.0, 10.0, 0.0, 0.3, 0.0});
    layer.waves[1] = {Wave::Shape::drift, 0.7, 0.0, 0.0, 0.0, 0.0, true};
    layer.movements.push_back({{SourceKind::wave, 1}, Target::pan, 0, 0.5, {}, 0.0, true});
    layer.movements.push_back({{SourceKind::touch, 0}, Target::level, 0, 6.0, {}, 0.0, true});
    for (const int block : sizes) {
        // As long a floor as a block takes.
        const double usual = median(blockTimes(instrument, block, 10.0, 0).blocks);
        constexpr int trial = 1000;
        const double begin = cpuSeconds();
        const double kept = sameWork(trial);
        const double each = (cpuSeconds() - begin) / trial + 0.0 * kept;
        const int rounds = std::max(1, int(std::lround(usual / each)));
        constexpr double seconds = 600.0;
        const auto first = blockTimes(instrument, block, seconds, rounds);
        std::printf(
            "blocks of %d, %d voices with movements over ten minutes, and as much work that "
            "is always the same behind each\n",
            block, first.voices);
        printTimes("one run", first.blocks);
        printTimes("the floor in the same run", first.floor);
        // Every run does the same: what not all of them were late for is the machine's.
        auto best = first.blocks;
        for (int run = 1; run < runs; ++run) {
            const auto again = blockTimes(instrument, block, seconds, 0).blocks;
            for (std::size_t n = 0; n < best.size(); ++n)
                best[n] = std::min(best[n], again[n]);
        }
        if (runs > 1)
            printTimes("the best of three runs", best);
        std::fflush(stdout);
    }
}

/// What a driven sine folds back: all that is no multiple of it.
void drive()
{
    std::printf("drive before the filter: what is no multiple of a sine, below 18 kHz\n");
    for (const double hz : {1250.0, 5000.0})
        for (const double db : {6.0, 18.0, 36.0}) {
            auto instrument = toneInstrument(hz, 1);
            instrument.layers[0].filter.driveDb = db;
            instrument.layers[0].touch = 0.0;
            const int key = instrument.takes[0].tuning.rootKey;
            instrument.takes[0].tuning.fineCents = 0.0;
            const auto out = renderEvents(instrument,
                {{0.0, MidiEvent::noteOn(key, 127)}, {2.0, MidiEvent::noteOff(key)}}, rate, 0.1)
                                 .channels[0];
            // A second of it: bins of 1 Hz, and the tone a whole number of them.
            constexpr std::size_t count = 48000;
            double whole = 0.0, strangers = 0.0;
            for (std::size_t bin = 1; bin < 18000; ++bin) {
                const bool own = bin % std::size_t(hz) == 0;
                // Aliases of multiples lie on multiples of their common divisor with the rate.
                if (!own && bin % 250 != 0)
                    continue;
                std::complex<double> sum = 0.0;
                const auto turn =
                    std::polar(1.0, -2.0 * std::numbers::pi * double(bin) / double(count));
                std::complex<double> at = 1.0;
                for (std::size_t i = 0; i < count; ++i, at *= turn)
                    sum += double(out[24000 + i]) * at;
                (own ? whole : strangers) += std::norm(sum);
            }
            std::printf("  %4.0f Hz, %2.0f dB of drive: %.1f dB\n", hz, db,
                10.0 * std::log10(strangers / whole));
        }
}

void cutoff()
{
    std::printf("cutoff moved over two octaves by a wave, worst error (1 %%):\n");
    for (const bool steep : {false, true})
        for (const double hz : {0.25, 0.5, 2.0})
            std::printf("  %d dB, %.2f Hz: %.2f %%\n", steep ? 24 : 12, hz,
                bench::movedCutoffError(steep, hz));
}

} // namespace

int main(int argc, char** argv)
{
    const auto wanted = [&](const char* name) {
        for (int i = 1; i < argc; ++i)
            if (std::strcmp(argv[i], name) == 0)
                return true;
        return argc < 2;
    };
    std::vector<int> sizes;
    for (int i = 1; i < argc; ++i)
        if (const int size = std::atoi(argv[i]); size > 0)
            sizes.push_back(size);
    if (wanted("bounds"))
        bounds();
    if (wanted("steps"))
        steps();
    if (wanted("cutoff"))
        cutoff();
    if (wanted("drive"))
        drive();
    if (wanted("blocks"))
        blocks(
            sizes.empty() ? std::vector{64, 128, 256} : sizes, argc > 1 && wanted("once") ? 1 : 3);
    return 0;
}
