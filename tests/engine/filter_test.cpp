// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/wide_vectors.h"
#include "engine/voices/filter_run.h"

#include "engine/offline/render.h"
#include "pitch/report.h"
#include "support/blocks.h"
#include "support/no_allocation.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <complex>
#include <numbers>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

void setTo(FilterRun& run, const Filter& filter, double cutoff)
{
    ControlGroup control;
    run.ask(filter, filter.resonance, control, 3);
    control.cutoff[3] = float(cutoff / rate);
    control.restWanted = true;
    control.makeRest();
    run.set(filter, filter.driveDb, control, 3);
}

/// A sine through a filter that stands still: its gain once it has settled, dB.
double measuredDb(const Filter& filter, double cutoff, double hz)
{
    FilterRun run;
    run.start();
    auto wave = sine(hz, rate, 0.6, 0.25);
    const double before = rmsDb(std::span(wave).subspan(9600, 9600));
    for (std::size_t at = 0; at + 32 <= wave.size(); at += 32) {
        setTo(run, filter, cutoff);
        FilterGroup group;
        group.add(run, wave.data() + at, nullptr);
        group.run();
    }
    return rmsDb(std::span(wave).subspan(9600, 9600)) - before;
}

Instrument noiseWith(const Filter& filter)
{
    auto instrument = instrumentOf(plainTake(mono(noise(rate, 3.0, 0.2)), 60.0));
    instrument.layers[0].filter = filter;
    return instrument;
}

std::vector<float> play(const Instrument& instrument, int key, double seconds, int velocity = 127)
{
    return renderEvents(instrument,
        {{0.0, MidiEvent::noteOn(key, velocity)}, {seconds, MidiEvent::noteOff(key)}}, rate)
        .channels[0];
}

std::span<const float> part(const std::vector<float>& wave, double from, double to)
{
    return std::span(wave).subspan(std::size_t(from * rate), std::size_t((to - from) * rate));
}

/// Power above 5 kHz against all, dB: a difference twice over is a high-pass of its own.
double brightness(std::span<const float> wave)
{
    double high = 0.0, all = 0.0;
    for (std::size_t i = 1; i < wave.size(); ++i) {
        const double d = double(wave[i]) - double(wave[i - 1]);
        high += d * d;
        all += double(wave[i]) * double(wave[i]);
    }
    return 10.0 * std::log10(high / all);
}

} // namespace

TEST_CASE("filters have the response that is drawn", "[engine][filter]")
{
    Filter filter;
    filter.kind = GENERATE(FilterKind::low, FilterKind::high, FilterKind::band, FilterKind::notch);
    filter.steep = GENERATE(false, true);
    filter.resonance = GENERATE(0.0, 0.6);
    CAPTURE(int(filter.kind), filter.steep, filter.resonance);
    const double cutoff = 1200.0;
    for (const double hz : {150.0, 600.0, 1000.0, 1700.0, 5000.0, 12000.0}) {
        const double drawn = 20.0 * std::log10(filterGain(filter, cutoff, hz, rate));
        if (drawn > -70.0)
            CHECK_THAT(measuredDb(filter, cutoff, hz), WithinAbs(drawn, 0.1));
    }
}

TEST_CASE("slopes are 12 and 24 dB per octave, and -3 dB at the cutoff", "[engine][filter]")
{
    Filter filter;
    filter.kind = FilterKind::low;
    const auto db = [&](double hz) {
        return 20.0 * std::log10(filterGain(filter, 500.0, hz, rate));
    };
    CHECK_THAT(db(500.0), WithinAbs(-3.01, 0.01));
    CHECK_THAT(db(2000.0) - db(4000.0), WithinAbs(12.0, 0.6));
    filter.steep = true;
    CHECK_THAT(db(500.0), WithinAbs(-3.01, 0.01));
    CHECK_THAT(db(2000.0) - db(4000.0), WithinAbs(24.0, 1.2));
    filter.resonance = 1.0;
    CHECK_THAT(db(500.0), WithinAbs(-3.01 + 28.94, 0.01));
}

TEST_CASE("a resonant filter under the fastest movement stays bounded", "[engine][filter]")
{
    Filter filter;
    filter.kind = GENERATE(FilterKind::low, FilterKind::band, FilterKind::high);
    filter.steep = true;
    filter.resonance = 1.0;
    FilterRun run;
    run.start();
    auto wave = noise(rate, 4.0, 0.25);
    Noise random(8);
    for (std::size_t at = 0; at + 32 <= wave.size(); at += 32) {
        setTo(run, filter, 16.0 * std::exp2(random.between(0.0, 10.3)));
        FilterGroup group;
        group.add(run, wave.data() + at, nullptr);
        group.run();
    }
    for (const float s : wave)
        REQUIRE(std::abs(s) < 100.0f);
}

TEST_CASE(
    "eight notes side by side are filtered as each alone, one channel or two", "[engine][filter]")
{
    std::array<FilterRun, 8> together, alone;
    std::array<Filter, 8> filters;
    for (std::size_t v = 0; v < 8; ++v) {
        filters[v].kind = FilterKind(v % 5);
        filters[v].steep = v % 3 == 0;
        filters[v].resonance = 0.1 * double(v);
        together[v].start();
        alone[v].start();
    }
    Noise random(4);
    for (int cell = 0; cell < 50; ++cell) {
        std::array<std::array<float, 32>, 16> a{}, b{};
        for (auto& buffer : a)
            for (float& s : buffer)
                s = float(random());
        b = a;
        FilterGroup group;
        for (std::size_t v = 0; v < 8; ++v) {
            const double hz = 100.0 * std::exp2(random.between(0.0, 6.0));
            float* right = v % 2 == 0 ? nullptr : a[8 + v].data();
            setTo(together[v], filters[v], hz);
            group.add(together[v], a[v].data(), right);
            setTo(alone[v], filters[v], hz);
            FilterGroup one;
            one.add(alone[v], b[v].data(), v % 2 == 0 ? nullptr : b[8 + v].data());
            one.run();
        }
        group.run();
        REQUIRE(a == b);
    }
}

TEST_CASE("the cutoff follows keys, touch and its envelope", "[engine][filter]")
{
    Filter filter;
    filter.kind = FilterKind::low;
    filter.hz = 300.0;
    Envelope second;
    const auto bright = [&](int key, int velocity, double from, double to) {
        auto instrument = noiseWith(filter);
        instrument.layers[0].follow = 0.0; // the same noise on all keys
        instrument.layers[0].second = second;
        return brightness(part(play(instrument, key, 1.5, velocity), from, to));
    };
    const double plain = bright(60, 127, 0.2, 1.2);
    CHECK_THAT(bright(84, 127, 0.2, 1.2), WithinAbs(plain, 0.5));
    filter.follow = 1.0;
    CHECK(bright(84, 127, 0.2, 1.2) > plain + 8.0);
    filter.follow = 0.0;
    filter.touchOctaves = 4.0;
    CHECK(bright(60, 127, 0.2, 1.2) > bright(60, 20, 0.2, 1.2) + 8.0);
    filter.touchOctaves = 0.0;
    filter.envelopeOctaves = 5.0;
    second = {0.0, 0.01, 0.0, 0.3, silentSustainDb, 0.1};
    CHECK(bright(60, 127, 0.0, 0.05) > bright(60, 127, 0.8, 1.2) + 8.0);
    // Once the sweep is over it is the plain filter.
    CHECK_THAT(bright(60, 127, 0.8, 1.2), WithinAbs(plain, 1.0));
}

TEST_CASE("the slow wave moves pitch and level, each note from its beginning", "[engine][lfo]")
{
    auto instrument = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, rate, 2.0)), 57.0), 20000, 75000, 4000));
    setSlowWave(instrument.layers[0], {1.0, 100.0, 0.0, 0.0, 0.0});
    const auto out = play(instrument, 57, 1.5);
    const auto keyAt = [&](double t) {
        return analysePitch(part(out, t - 0.06, t + 0.06), rate).midi.value_or(0.0);
    };
    CHECK_THAT(keyAt(0.25), WithinAbs(58.0, 0.1));
    CHECK_THAT(keyAt(0.75), WithinAbs(56.0, 0.1));
    setSlowWave(instrument.layers[0], {1.0, 0.0, 6.0, 0.0, 0.0});
    instrument.layers[0].levelDb = -12.0; // the limiter has nothing to do
    const auto trembling = play(instrument, 57, 1.5);
    const auto db = [&](double t) { return rmsDb(part(trembling, t - 0.02, t + 0.02)); };
    CHECK_THAT(db(0.25) - db(0.75), WithinAbs(12.0, 0.5));
    // Let go in mid-swing it falls from where it stands, without a step.
    const auto whole = part(trembling, 0.1, 1.53);
    double worst = 0.0;
    for (std::size_t i = 2; i < whole.size(); ++i)
        worst = std::max(
            worst, std::abs(double(whole[i]) - 2.0 * double(whole[i - 1]) + double(whole[i - 2])));
    double usual = 0.0;
    const auto plain = play(instrumentOf(instrument.takes[0]), 57, 1.5);
    const auto steady = part(plain, 0.1, 1.4);
    for (std::size_t i = 2; i < steady.size(); ++i)
        usual = std::max(usual,
            std::abs(double(steady[i]) - 2.0 * double(steady[i - 1]) + double(steady[i - 2])));
    CHECK(worst < 2.2 * usual); // 6 dB up is twice the wave
    setSlowWave(instrument.layers[0], {1.0, 0.0, 6.0, 0.0, 10.0});
    const auto slow = play(instrument, 57, 1.5);
    CHECK(std::abs(rmsDb(part(slow, 0.23, 0.27)) - rmsDb(part(slow, 0.02, 0.04))) < 1.0);
}

TEST_CASE("the drive presses crests, keeps the tone and folds little back", "[engine][drive]")
{
    constexpr double hz = 1250.0;
    auto instrument = instrumentOf(plainTake(mono(sine(hz, rate, 3.0, 0.5)), midiOf(Hz{hz})));
    instrument.takes[0].tuning.fineCents = 0.0;
    instrument.layers[0].touch = 0.0;
    const int key = instrument.takes[0].tuning.rootKey;
    const auto crest = [](std::span<const float> wave) {
        float peak = 0.0f;
        for (const float value : wave)
            peak = std::max(peak, std::abs(value));
        return toDecibels(double(peak)).value - rmsDb(wave);
    };
    instrument.layers[0].filter.driveDb = 24.0;
    const auto out = play(instrument, key, 2.5, 127);
    const auto driven = part(out, 1.0, 2.0);
    CHECK(crest(driven) < 1.5); // a sine has 3 dB
    // What is no multiple of the tone, in bins of 1 Hz on the lattice where aliases lie.
    const double played = hz; // the key's own pitch is the recording's
    const auto power = [&](double at) {
        std::complex<double> sum = 0.0;
        for (std::size_t i = 0; i < driven.size(); ++i)
            sum += double(driven[i])
                * std::polar(1.0, -2.0 * std::numbers::pi * at * double(i) / rate);
        return std::norm(sum);
    };
    double own = 0.0, strange = 0.0;
    for (double at = 250.0; at < 16000.0; at += 250.0)
        (std::fmod(at, played) == 0.0 ? own : strange) += power(at);
    CHECK(10.0 * std::log10(strange / own) < -70.0);
    // A tenth of a dB is as good as none.
    instrument.layers[0].filter.driveDb = 0.1;
    const auto plain = play(instrument, key, 2.5, 127);
    CHECK_THAT(
        rmsDb(part(plain, 1.0, 2.0)), WithinAbs(toDecibels(0.5 / std::sqrt(2.0)).value, 0.1));
}

TEST_CASE("touch can be left out of the level", "[engine][layers]")
{
    auto instrument = instrumentOf(plainTake(mono(std::vector<float>(96000, 0.2f)), 60.0));
    instrument.layers[0].touch = 0.0;
    CHECK_THAT(double(play(instrument, 60, 0.5, 1)[9600]), WithinAbs(0.2, 0.001));
    instrument.layers[0].touch = 0.5;
    CHECK_THAT(double(play(instrument, 60, 0.5, 64)[9600]), WithinAbs(0.2 * 64.0 / 127.0, 0.001));
}

TEST_CASE("filters, waves and glides: blocks of any size give the same bits", "[engine][law]")
{
    auto audio = mono(harmonicTone(220.0, rate, 1.0));
    audio.channels.push_back(harmonicTone(220.0, rate, 1.0, 3));
    auto instrument = instrumentOf(looped(plainTake(std::move(audio), 57.0), 20000, 40000, 1000));
    Layer& layer = instrument.layers[0];
    layer.filter.kind = FilterKind::low;
    layer.filter.steep = true;
    layer.filter.resonance = 0.7;
    layer.filter.envelopeOctaves = 3.0;
    setSlowWave(layer, {6.0, 30.0, 2.0, 0.5, 0.1});
    layer.notes = Notes::tied;
    layer.glide.seconds = 0.03;
    const auto second = duplicateLayer(instrument, 1);
    instrument.layer(second)->notes = Notes::many;
    instrument.layer(second)->filter.kind = FilterKind::band;
    const std::vector<EventAt> events{{5, MidiEvent::noteOn(57, 90)},
        {2049, MidiEvent::noteOn(64, 110)}, {3001, {MidiEvent::Kind::bend, 0, 0, -0.8f, 0}},
        {4111, MidiEvent::noteOff(64)}, {6145, MidiEvent::noteOff(57)}};
    const auto render = [&](int block) { return playInBlocks(instrument, events, 8192, block); };
    const auto reference = render(64);
    for (const int block : {1, 7, 128, 512})
        CHECK(render(block) == reference);
}

namespace {

/// Everything at once: notes, pedals, wheel, programs swapped, layers and limiter switched.
void playRandomly(double seconds)
{
    auto audio = mono(harmonicTone(220.0, rate, 0.5));
    audio.channels.push_back(harmonicTone(330.0, rate, 0.5, 3));
    auto first = instrumentOf(looped(plainTake(std::move(audio), 57.0), 10000, 20000, 1000));
    first.layers[0].filter.kind = FilterKind::low;
    first.layers[0].filter.resonance = 0.5;
    setSlowWave(first.layers[0], {5.0, 20.0, 3.0, 1.0, 0.2});
    duplicateLayer(first, 1);
    first.layers[1].when = SoundsWhen::release;
    first.layers[1].sameKeys = SameKeys::atRandom;
    duplicateLayer(first, 1);
    first.layers[1].notes = Notes::tied;
    first.layers[1].glide.seconds = 0.1;
    duplicateLayer(first, 1);
    first.layers[1].notes = Notes::one;
    first.layers[1].chokeGroup = 1;
    first.layers[1].voices = 3;
    first.layers[2].unison = {3, 20.0, 0.7};
    first.layers[0].movements.push_back(
        {{SourceKind::wheel, 0}, Target::loopPlace, 0, 0.3, {}, 0.0, true});
    first.layers[1].inner = InnerUse::softer;
    first.layers[2].movements = {
        {{SourceKind::noise, 0}, Target::ring, 0, 0.5, {SourceKind::pressure, 0}, 0.0, true},
        {{SourceKind::key, 0}, Target::waveRate, 1, 1.0, {}, 0.0, true},
        {{SourceKind::wave, 1}, Target::pan, 0, 0.5, {}, 0.5, true},
        {{SourceKind::random, 0}, Target::start, 0, 0.2, {}, 0.0, true}};
    first.takes[0].innerStart = Frames{2000};
    first = sanitized(std::move(first));
    auto second = first;
    second.layers[2].on = false;
    second.layers[0].filter.kind = FilterKind::off;
    second.pattern = {true, Pattern::Order::atRandom, 1.0 / 16.0, 1.0, 0.4, 3, {}};
    second.tempo = 400.0;
    second.takes[0].loop.span.end.value = 18000;
    Compiler compiler;
    const auto owner = std::make_unique<Engine>();
    Engine& engine = *owner;
    engine.prepare(rate);
    std::vector<float> left(512), right(512);
    Noise next(19);
    double played = 0.0;
    for (int block = 0; played < seconds; ++block) {
        engine.master().setLimiting(block % 200 < 100);
        // Now and then another program, for a while one in each block.
        if (block % 37 == 0 || block % 400 < 20)
            engine.setProgram(compiler.compile(block % 2 == 0 ? first : second, rate));
        for (int i = 0; i < 3; ++i) {
            const int key = int(next.between(20, 110));
            engine.post(next() > 0.0 ? MidiEvent::noteOn(key, int(next.between(1, 127)))
                                     : MidiEvent::noteOff(key));
        }
        engine.postMidi({MidiEvent::Kind::bend, 0, 0, float(next()), std::uint8_t(block % 16)});
        engine.postMidi({MidiEvent::Kind::keyPressure, 60, std::uint8_t(block % 128), 0.0f, 0});
        engine.postMidi({MidiEvent::Kind::clock});
        engine.postListening(MidiEvent::control(block % 128, int(next.between(0, 127))));
        engine.setFollowsClock(block % 300 < 150);
        engine.setPerKey(block % 90 < 45);
        // A flood: as many as the queue holds.
        for (int i = 0; block % 61 == 0 && i < 1500; ++i)
            (void)engine.postMidi(MidiEvent::control(1, i % 128));
        engine.postMidi({MidiEvent::Kind::control, std::uint8_t(next() > 0.0 ? 64 : 66),
            std::uint8_t(next() > 0.3 ? 127 : 0), 0.0f});
        const int frames = int(next.between(1, 512));
        {
            const NoAllocation guard;
            engine.process(left.data(), right.data(), frames);
        }
        REQUIRE(NoAllocation::crimes() == 0);
        for (int i = 0; i < frames; ++i)
            REQUIRE(std::abs(left[std::size_t(i)]) < 1000.0f);
        engine.collect();
        played += frames / rate;
    }
    engine.post(MidiEvent::allOff());
    for (int block = 0; block < 400; ++block)
        engine.process(left.data(), right.data(), 512);
    CHECK(engine.look().voices == 0);
    CHECK(rmsDb(left) < -120.0);
}

} // namespace

TEST_CASE("random playing of everything at once: nothing allocates, breaks or hangs",
    "[engine][realtime]")
{
    playRandomly(20.0);
}

TEST_CASE("half an hour of it", "[.halfhour]")
{
    playRandomly(1800.0);
}

TEST_CASE("every processor plays the same, as far as it can be heard", "[engine][filter]")
{
    Filter filter;
    filter.kind = GENERATE(FilterKind::low, FilterKind::high, FilterKind::band, FilterKind::notch);
    filter.steep = true;
    filter.hz = 900.0;
    filter.resonance = 0.6;
    filter.driveDb = 6.0;
    filter.envelopeOctaves = 2.0;
    auto instrument = noiseWith(filter);
    setSlowWave(instrument.layers[0], {5.0, 30.0, 3.0, 0.5, 0.0});
    const auto wide = play(instrument, 65, 1.0);
    avoidWideVectors(true);
    const auto plain = play(instrument, 65, 1.0);
    avoidWideVectors(false);
    REQUIRE(wide.size() == plain.size());
    double most = 0.0, apart = 0.0;
    for (std::size_t i = 0; i < wide.size(); ++i) {
        most = std::max(most, std::abs(double(plain[i])));
        apart = std::max(apart, std::abs(double(wide[i]) - double(plain[i])));
    }
    CHECK(most > 0.02);
    // Sums in another order, in single precision, rung by the resonance: 80 dB down.
    CHECK(apart < 1e-4 * most);
}
