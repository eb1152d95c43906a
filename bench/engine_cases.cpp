// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/engine_cases.h"

#include "formats/project/instrument_file.h"
#include "model/history.h"
#include "model/making/take_maker.h"
#include "prepare/treat/treat.h"

#include <cmath>
#include <cstdio>
#include <ctime>
#include <fluidsynth.h>
#include <fstream>
#include <numbers>
#include <random>
#include <sys/wait.h>
#include <unistd.h>

using namespace puretone;

namespace bench {

namespace {

constexpr double rate = 48000.0;
/// Seven keys on each side, sixteen takes on every one of them.
constexpr int voicesAtOnce = 7 * 2 * 16;

double cpuSeconds()
{
    timespec now{};
    clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &now);
    return double(now.tv_sec) + 1e-9 * double(now.tv_nsec);
}

std::vector<float> tone(double hz, double seconds)
{
    std::vector<float> wave(std::size_t(seconds * rate));
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = 2.0 * std::numbers::pi * hz * double(i) / rate;
        wave[i] = float(0.02 * (std::sin(t) + 0.5 * std::sin(2.0 * t) + 0.3 * std::sin(5.0 * t)));
    }
    return wave;
}

Take toneTake(int id, double midi, double seconds, std::size_t channels)
{
    Take take;
    take.id = id;
    take.name = "tone " + std::to_string(id);
    Audio audio{rate, {}};
    for (std::size_t c = 0; c < channels; ++c)
        audio.channels.push_back(tone(hzOf(midi).value, seconds));
    const auto frames = audio.frames();
    take.recording = makeRecording(std::move(audio), take.name + ".wav");
    take.kept = {Frames{0}, Frames{frames}};
    take.tuning = Tuning::forPitch(midi, TuningSource::byHand);
    take.loop.on = true;
    take.loop.span = {Frames{frames / 4}, Frames{frames * 3 / 4}};
    take.loop.crossfade = Frames{frames / 20};
    return take;
}

Instrument tones(int count, double seconds, std::size_t channels, int keysEach)
{
    Instrument instrument;
    for (int i = 0; i < count; ++i) {
        const int low = count == 1 ? 21 : 24 + i * keysEach % 80;
        const int root = low + keysEach / 2;
        instrument.takes.push_back(toneTake(i + 1, root, seconds, channels));
        instrument.layers[0].zones.push_back(
            {i + 1, i + 1, low, std::min(127, low + keysEach - 1)});
    }
    return instrument;
}

std::filesystem::path scratch(const char* name)
{
    return std::filesystem::temp_directory_path()
        / ("puretone-bench-" + std::to_string(getpid()) + "-" + name);
}

/// An engine that plays an instrument, with notes held.
std::unique_ptr<Engine> playing(const Instrument& instrument, int voices)
{
    auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    engine->setProgram(Compiler().compile(instrument, rate));
    engine->process(nullptr, nullptr, 0);
    engine->handle({MidiEvent::Kind::control, 64, 127, 0.0f});
    const auto count = int(instrument.layers[0].zones.size());
    for (int n = 0; n < voices && count > 0; ++n) {
        const auto& zone = instrument.layers[0].zones[std::size_t(n % count)];
        engine->handle(
            MidiEvent::noteOn(zone.lowKey + n / count * 7 % (zone.highKey - zone.lowKey + 1), 60));
    }
    return engine;
}

} // namespace

Instrument thirtyTwoTakes(std::size_t channels, bool moved)
{
    Instrument instrument;
    if (moved) {
        Layer& layer = instrument.layers[0];
        layer.filter.kind = FilterKind::low;
        layer.filter.hz = 3000.0;
        layer.filter.resonance = 0.2;
        layer.filter.touchOctaves = 1.0;
        layer.filter.envelopeOctaves = 1.0;
        setSlowWave(layer, {5.0, 10.0, 0.0, 0.3, 0.0});
    }
    for (int i = 0; i < 32; ++i) {
        const int low = 40 + i / 16 * 16;
        instrument.takes.push_back(toneTake(i + 1, low + 7 + 0.01 * (i % 16), 2.0, channels));
        instrument.layers[0].zones.push_back({i + 1, i + 1, low, low + 14});
    }
    return instrument;
}

double ourCost(const Instrument& instrument, int block)
{
    auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    engine->setProgram(Compiler().compile(instrument, rate));
    engine->process(nullptr, nullptr, 0);
    engine->handle({MidiEvent::Kind::control, 64, 127, 0.0f});
    for (int n = 0; n < 14; ++n)
        engine->handle(MidiEvent::noteOn(40 + n / 7 * 16 + n % 7 * 2 + 1, 100));
    std::vector<float> left(static_cast<std::size_t>(block)), right(left);
    engine->process(left.data(), right.data(), block);
    if (engine->look().voices != voicesAtOnce)
        std::printf("only %d voices play\n", engine->look().voices);
    constexpr double seconds = 0.25;
    const double begin = cpuSeconds();
    for (int b = 0; b < int(seconds * rate / block); ++b)
        engine->process(left.data(), right.data(), block);
    return (cpuSeconds() - begin) / seconds / voicesAtOnce;
}

struct Fluid::State {
    fluid_settings_t* settings = new_fluid_settings();
    fluid_synth_t* synth = nullptr;
};

Fluid::Fluid(const Instrument& instrument, int order)
    : state_(std::make_unique<State>())
{
    for (const int level : {FLUID_PANIC, FLUID_ERR, FLUID_WARN, FLUID_INFO, FLUID_DBG})
        fluid_set_log_function(level, nullptr, nullptr);
    const auto file = scratch("voices.sf2");
    if (!writeInstrument(instrument, file))
        std::printf("the SoundFont could not be written\n");
    auto* settings = state_->settings;
    fluid_settings_setnum(settings, "synth.sample-rate", rate);
    fluid_settings_setint(settings, "synth.polyphony", 512);
    fluid_settings_setint(settings, "synth.reverb.active", 0);
    fluid_settings_setint(settings, "synth.chorus.active", 0);
    state_->synth = new_fluid_synth(settings);
    fluid_synth_sfload(state_->synth, file.c_str(), 1);
    fluid_synth_set_interp_method(state_->synth, -1, order);
    fluid_synth_cc(state_->synth, 0, 64, 127);
    // Its own lowpass is on below 20 kHz, its waves where they have a depth.
    fluid_synth_set_gen(state_->synth, 0, GEN_FILTERFC, -3300.0f);
    fluid_synth_set_gen(state_->synth, 0, GEN_VIBLFOTOPITCH, 10.0f);
    fluid_synth_set_gen(state_->synth, 0, GEN_MODLFOTOFILTERFC, 360.0f);
    fluid_synth_set_gen(state_->synth, 0, GEN_MODENVTOFILTERFC, 1200.0f);
    for (int n = 0; n < 14; ++n)
        fluid_synth_noteon(state_->synth, 0, 40 + n / 7 * 16 + n % 7 * 2 + 1, 100);
    std::filesystem::remove(file);
}

Fluid::~Fluid()
{
    delete_fluid_synth(state_->synth);
    delete_fluid_settings(state_->settings);
}

double Fluid::cost(int block)
{
    std::vector<float> left(static_cast<std::size_t>(block)), right(left);
    const auto play = [&] {
        fluid_synth_write_float(state_->synth, block, left.data(), 0, 1, right.data(), 0, 1);
    };
    play();
    const int voices = fluid_synth_get_active_voice_count(state_->synth);
    if (voices != voicesAtOnce)
        std::printf("libfluidsynth plays %d voices\n", voices);
    constexpr double seconds = 0.25;
    const double begin = cpuSeconds();
    for (int b = 0; b < int(seconds * rate / block); ++b)
        play();
    return (cpuSeconds() - begin) / seconds / std::max(1, voices);
}

BlockTimes blockTimes(const Instrument& instrument, double seconds)
{
    const auto engine = playing(instrument, int(Engine::voices) * 2);
    std::vector<float> left(128), right(128);
    std::vector<double> times;
    for (int b = 0; b < int(seconds * rate / 128.0); ++b) {
        const double begin = cpuSeconds();
        engine->process(left.data(), right.data(), 128);
        times.push_back(cpuSeconds() - begin);
    }
    std::sort(times.begin(), times.end());
    return {times[times.size() / 2], times[times.size() * 999 / 1000], times.back()};
}

double noteOnSeconds(int zones)
{
    Instrument instrument;
    instrument.takes.push_back(toneTake(1, 60, 1.0, 1));
    // Three zones on each key; the others lie on other keys.
    for (int i = 0; i < zones; ++i) {
        const int key = zones < 4 ? 60 : i < 3 ? 60 : 61 + i % 60;
        instrument.layers[0].zones.push_back({i + 1, 1, key, key});
    }
    const auto engine = playing(instrument, 0);
    constexpr int times = 20000;
    const double begin = cpuSeconds();
    for (int n = 0; n < times; ++n)
        engine->handle(MidiEvent::noteOn(60, 100));
    return (cpuSeconds() - begin) / times;
}

namespace {

double residentBytes()
{
    std::ifstream status("/proc/self/statm");
    double whole = 0.0, resident = 0.0;
    status >> whole >> resident;
    return resident * double(sysconf(_SC_PAGESIZE));
}

/// What `measure` says in a process of its own.
double elsewhere(const std::function<double()>& measure)
{
    int ends[2];
    if (pipe(ends) != 0)
        return 0.0;
    const pid_t child = fork();
    if (child == 0) {
        const double value = measure();
        const auto written = write(ends[1], &value, sizeof value);
        _exit(written == sizeof value ? 0 : 1);
    }
    double value = 0.0;
    if (read(ends[0], &value, sizeof value) != sizeof value)
        value = 0.0;
    waitpid(child, nullptr, 0);
    close(ends[0]);
    close(ends[1]);
    return value;
}

} // namespace

double memoryOf(int takes, double seconds, int keysEach)
{
    // Written and read by processes of their own: nothing of the making stays in memory.
    const auto file = scratch("memory.puretone");
    elsewhere([&] {
        const auto made = tones(takes, seconds, 2, keysEach);
        return writeInstrument(made, file) ? 1.0 : 0.0;
    });
    const double bytes = elsewhere([&] {
        const auto idle = playing(Instrument{}, 0);
        const double before = residentBytes();
        const auto instrument = openInstrument(file);
        if (!instrument)
            return 0.0;
        idle->setProgram(Compiler().compile(*instrument, rate));
        idle->process(nullptr, nullptr, 0);
        return residentBytes() - before;
    });
    std::filesystem::remove(file);
    return bytes / (takes * seconds * rate * 2.0 * 4.0);
}

double historyBytes()
{
    return elsewhere([] {
        constexpr int steps = 200, treatEvery = 10;
        Audio audio;
        audio.rate = rate;
        audio.channels.assign(2, std::vector<float>(std::size_t(600.0 * rate)));
        for (auto& channel : audio.channels)
            for (std::size_t i = 0; i < channel.size(); ++i)
                channel[i] = float(0.3 * std::sin(0.03 * double(i)));
        Take take;
        take.id = 1;
        take.recording = makeRecording(std::move(audio), "long.wav");
        take.kept = {Frames{0}, Frames{take.audio().frames()}};
        take.loop.span = {Frames{48000}, Frames{take.audio().frames()}};
        take.loop.on = true;
        History history(makeInstrument(std::move(take)));
        const double before = residentBytes();
        for (int i = 0; i < steps; ++i) {
            Instrument next = history.current();
            Take& t = next.takes.front();
            t.loop.span.end.value -= 100;
            if (i % treatEvery == 0) {
                const Treatments list = {{PassFilter{PassFilter::Cut::low, 30.0 + i, 24}}};
                setTreatments(t, list, treat(t.recording->audio, list));
            }
            history.apply("step", std::move(next));
        }
        return residentBytes() - before;
    });
}

double movedPostSeconds()
{
    auto instrument = tones(1, 10.0, 2, 88);
    Compiler compiler;
    auto program = compiler.compile(instrument, rate);
    constexpr int times = 20;
    const double begin = cpuSeconds();
    for (int n = 0; n < times; ++n) {
        instrument.takes[0].loop.span.end.value -= 100;
        program = compiler.compile(instrument, rate);
    }
    return (cpuSeconds() - begin) / times;
}

double changedEnvelopeSeconds()
{
    auto instrument = tones(200, 0.5, 1, 2);
    Compiler compiler;
    auto program = compiler.compile(instrument, rate);
    constexpr int times = 50;
    const double begin = cpuSeconds();
    for (int n = 0; n < times; ++n) {
        instrument.layers[0].envelope.release = 0.1 + 0.01 * n;
        program = compiler.compile(instrument, rate);
    }
    return (cpuSeconds() - begin) / times;
}

double openingSeconds()
{
    const auto file = scratch("opening.puretone");
    if (const auto written = writeInstrument(tones(200, 4.0, 2, 1), file); !written) {
        std::printf("%s\n", written.error().sentence().c_str());
        return 0.0;
    }
    const double begin = cpuSeconds();
    const auto instrument = openInstrument(file);
    if (instrument)
        playing(*instrument, 1);
    const double seconds = cpuSeconds() - begin;
    std::filesystem::remove(file);
    return seconds;
}

} // namespace bench
