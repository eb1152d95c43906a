// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/engine.h"

#include "engine/offline/render.h"
#include "loop/joint/tone.h"
#include "pitch/report.h"
#include "support/blocks.h"
#include "support/no_allocation.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

/// One note of an instrument, left channel.
std::vector<float> playNote(
    const Instrument& instrument, int key, double seconds, double outRate = rate)
{
    auto events = std::vector<TimedEvent>{
        {0.0, MidiEvent::noteOn(key, 127)}, {seconds, MidiEvent::noteOff(key)}};
    return renderEvents(instrument, std::move(events), outRate).channels[0];
}

std::span<const float> part(
    const std::vector<float>& wave, double from, double to, double outRate = rate)
{
    return std::span(wave).subspan(std::size_t(from * outRate), std::size_t((to - from) * outRate));
}

} // namespace

TEST_CASE("a sine stays a sine from four octaves below to two above", "[engine][quality]")
{
    const int semitones = GENERATE(-48, -24, -17, -5, -1, 0, 1, 3, 4, 6, 7, 9, 11, 12, 17, 24);
    const double hz = GENERATE(441.7, 1000.0, 3001.3);
    CAPTURE(semitones, hz);
    const double midi = midiOf(Hz{hz});
    const auto instrument = instrumentOf(plainTake(mono(sine(hz, rate, 4.0)), midi));
    const int key = int(std::round(midi)) + semitones;
    const double sounding = hz * std::exp2((key - midi) / 12.0);
    const auto out = playNote(instrument, key, 0.9);
    // 90 dB is below the noise of 16-bit material; measured over these cases: 114 to 141 dB.
    CHECK(sineToRestDb(part(out, 0.1, 0.8), sounding, rate) > 90.0);
}

TEST_CASE("bright material played high does not fold back", "[engine][quality]")
{
    // A sine of 9 kHz an octave and a fifth up lies above 24 kHz: nothing of it may be heard.
    const auto instrument = instrumentOf(plainTake(mono(sine(9000.0, rate, 4.0)), 60.0));
    const auto out = playNote(instrument, 79, 0.5);
    CHECK(rmsDb(part(out, 0.1, 0.4)) < -95.0);
}

TEST_CASE("a loop goes round without a trace at its seam", "[engine][loop]")
{
    // 480 Hz is 100 frames a period: the loop of 40 periods is exact.
    const auto wave = sine(480.0, rate, 1.0);
    const auto take =
        looped(plainTake(mono(wave), midiOf(Hz{480.0})), 20000, 24000, GENERATE(0, 1000, 4000));
    const int semitones = GENERATE(-13, 0, 7, 12, 19, 31, 43);
    const int key = int(std::round(midiOf(Hz{480.0}))) + semitones;
    CAPTURE(semitones);
    const auto out = playNote(instrumentOf(take), key, 3.0);
    const double sounding = 480.0 * std::exp2((key - midiOf(Hz{480.0})) / 12.0);
    CHECK(sineToRestDb(part(out, 0.1, 2.9), sounding, rate) > 90.0);
}

TEST_CASE("a loop sounds like the same sound written out", "[engine][loop]")
{
    // Anything that repeats every 1000 frames: its loop and the recording itself are one sound.
    auto wave = sine(48.0, rate, 8.0, 0.1);
    for (const double hz : {480.0, 1056.0, 1488.0})
        wave = mixed(wave, sine(hz, rate, 8.0, 0.1));
    const auto plain = plainTake(mono(wave), 60.0);
    const auto loop = looped(plain, 20000, 20000 + GENERATE(1000, 7000, 40000), GENERATE(0, 1000));
    const int key = 60 + GENERATE(-11, 0, 5, 12, 23, 31);
    CAPTURE(key);
    const double seconds = 6.0 / std::exp2((key - 60) / 12.0);
    auto written = playNote(instrumentOf(plain), key, seconds);
    const auto turning = playNote(instrumentOf(loop), key, seconds);
    const auto frames = std::size_t(0.9 * seconds * rate);
    for (std::size_t i = 0; i < frames; ++i)
        written[i] -= turning[i];
    // The kernels themselves are 115 dB; odd lengths meet them at other phases.
    CHECK(rmsDb(std::span(written).first(frames)) < -115.0);
}

TEST_CASE("a loop of a few frames is a tone, too", "[engine][loop]")
{
    const auto take = looped(plainTake(mono(sine(4800.0, rate, 0.5)), 60.0), 1000, 1010, 0);
    const auto out = playNote(instrumentOf(take), GENERATE(48, 60, 72), 0.5);
    CHECK(rmsDb(part(out, 0.1, 0.4)) > -12.0);
}

TEST_CASE("there and back is heard without a trace at either turn", "[engine][loop][alternating]")
{
    // A cosine about each turning point runs backward as it ran forward.
    std::vector<float> wave(48000);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(0.5 * std::sin(twoPi * (double(i) + 0.5) / 100.0));
    auto take = looped(plainTake(mono(wave), midiOf(Hz{480.0})), 20025 - 1000, 24025 + 1000, 2000);
    take.loop.mode = LoopMode::alternating;
    const int semitones = GENERATE(-13, 0, 12);
    const int key = int(std::round(midiOf(Hz{480.0}))) + semitones;
    const auto out = playNote(instrumentOf(take), key, 3.0);
    const double sounding = 480.0 * std::exp2((key - midiOf(Hz{480.0})) / 12.0);
    // Its tops lie half-way between two frames, where it turns: the seam is exact. Measured: 133
    // dB.
    CHECK(sineToRestDb(part(out, 0.1, 2.9), sounding, rate) > 90.0);
    CHECK_THAT(rmsDb(part(out, 1.0, 1.5)), WithinAbs(rmsDb(part(out, 0.1, 0.3)), 0.3));
}

TEST_CASE("a short fitted loop is in tune with its note at every key", "[engine][loop][pitch]")
{
    const double hz = 987.77;
    auto take = plainTake(mono(harmonicTone(hz, rate, 1.0, 4)), midiOf(Hz{hz}));
    take.loop.on = true;
    take.loop.span = {Frames{20000}, Frames{20097}};
    take.loop = fittedToPeriods(take.loop, 1.0 / hz, rate, 48000);
    const int key = GENERATE(71, 83, 95);
    const auto out = playNote(instrumentOf(take), key, 3.0);
    const auto report = analysePitch(part(out, 1.0, 2.8), rate);
    REQUIRE(report.midi);
    CHECK_THAT(*report.midi - (midiOf(Hz{hz}) + key - std::round(midiOf(Hz{hz}))),
        WithinAbs(0.0, 0.006)); // semitones: 0.6 cent, of which the reading's own are 0.1
}

TEST_CASE("until release the note loops, then goes on to its recorded end", "[engine][loop]")
{
    // Low while it loops, an octave higher behind the loop.
    auto wave = harmonicTone(240.0, rate, 1.0);
    const auto tail = harmonicTone(480.0, rate, 1.0);
    wave.insert(wave.end(), tail.begin(), tail.end());
    auto take = looped(plainTake(mono(wave), midiOf(Hz{240.0})), 20000, 40000, 2000);
    take.loop.mode = LoopMode::untilRelease;
    auto instrument = instrumentOf(take);
    instrument.layers[0].envelope.release = 0.05;
    const auto out = playNote(instrument, 58, 3.0);
    const double shift = 58 - midiOf(Hz{240.0});
    const auto held = analysePitch(part(out, 1.5, 2.9), rate);
    CHECK_THAT(held.midi.value_or(0.0), WithinAbs(midiOf(Hz{240.0}) + shift, 0.05));
    REQUIRE(double(out.size()) / rate > 4.1);
    // At most one round later the recorded rest is heard, whatever the release.
    const auto left = analysePitch(part(out, 3.7, 4.1), rate);
    CHECK_THAT(left.midi.value_or(0.0), WithinAbs(midiOf(Hz{480.0}) + shift, 0.05));
    CHECK(double(out.size()) / rate < 5.5);
    // The octave's own bends are four times as sharp.
    CHECK(worstEdge(part(out, 2.9, 4.1)) < 4.5 * worstEdge(part(out, 0.5, 1.5)));
}

TEST_CASE("a one-shot plays to its end, but not through a panic", "[engine][loop]")
{
    auto take = plainTake(mono(harmonicTone(240.0, rate, 2.0)), midiOf(Hz{240.0}));
    take.loop.mode = LoopMode::oneShot;
    auto instrument = instrumentOf(take);
    instrument.layers[0].envelope.release = 0.05;
    const auto out = playNote(instrument, 58, 0.1);
    CHECK_THAT(rmsDb(part(out, 1.4, 1.8)), WithinAbs(rmsDb(part(out, 0.2, 0.6)), 0.2));
    const auto stopped = renderEvents(
        instrument, {{0.0, MidiEvent::noteOn(58, 127)}, {0.5, MidiEvent::allOff()}}, rate);
    CHECK(double(stopped.frames()) / rate < 0.8);
}

TEST_CASE("no note is left hanging when the way of looping changes", "[engine][loop]")
{
    auto take = looped(
        plainTake(mono(harmonicTone(240.0, rate, 2.0)), midiOf(Hz{240.0})), 20000, 40000, 2000);
    const auto before = GENERATE(LoopMode::untilRelease, LoopMode::oneShot);
    take.loop.mode = before;
    auto instrument = instrumentOf(take);
    instrument.layers[0].envelope.release = 0.05;
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    Compiler compiler;
    engine->setProgram(compiler.compile(instrument, rate));
    std::vector<float> left(4800), right(4800);
    const auto play = [&](int tenths) {
        for (int i = 0; i < tenths; ++i)
            engine->process(left.data(), right.data(), 4800);
    };
    play(1);
    engine->handle(MidiEvent::noteOn(58, 100));
    play(2);
    engine->handle(MidiEvent::noteOff(58));
    play(1);
    REQUIRE(engine->look().voices == 1); // goes on to its own end
    instrument.takes[0].loop.mode = LoopMode::forward;
    engine->setProgram(compiler.compile(instrument, rate));
    play(5);
    CHECK(engine->look().voices == 0);
}

TEST_CASE("a note goes on when its loop there and back is switched off", "[engine][loop]")
{
    auto take = looped(
        plainTake(mono(harmonicTone(240.0, rate, 2.0)), midiOf(Hz{240.0})), 20000, 80000, 2000);
    take.loop.mode = LoopMode::alternating;
    auto instrument = instrumentOf(take);
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    Compiler compiler;
    engine->setProgram(compiler.compile(instrument, rate));
    std::vector<float> left(4800), right(4800);
    const auto play = [&](int tenths) {
        for (int i = 0; i < tenths; ++i)
            engine->process(left.data(), right.data(), 4800);
    };
    play(1);
    engine->handle(MidiEvent::noteOn(58, 100));
    play(22); // on the way back, behind the recording's end as the turn counts
    instrument.takes[0].loop.on = false;
    engine->setProgram(compiler.compile(instrument, rate));
    play(2);
    CHECK(engine->look().voices == 1);
    CHECK(rmsDb(std::span<const float>(left)) > -40.0);
}

TEST_CASE("notes may begin at the loop, or before its joint again and again", "[engine][loop]")
{
    // A ramp tells the place: each frame's value is its own position.
    std::vector<float> wave(96000);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(double(i) / 96000.0);
    const auto take = looped(plainTake(mono(wave), 60.0), 48000, 84000, 0);
    auto instrument = instrumentOf(take);
    instrument.layers[0].envelope.attack = 0.0;
    const auto entered = [&](NoteEntry entry) {
        return renderEvents(instrument,
            {{0.0, MidiEvent::enterAt(entry)}, {0.001, MidiEvent::noteOn(60, 127)},
                {3.0, MidiEvent::noteOff(60)}},
            rate)
            .channels[0];
    };
    // Half a second of a ramp later.
    const auto at = [&](NoteEntry entry, double seconds) {
        return double(entered(entry)[std::size_t(seconds * rate)]) * 96000.0;
    };
    CHECK_THAT(at(NoteEntry::beginning, 0.25), WithinAbs(12000.0, 200.0));
    CHECK_THAT(at(NoteEntry::loopStart, 0.25), WithinAbs(60000.0, 200.0));
    CHECK_THAT(at(NoteEntry::beforeJoint, 0.25), WithinAbs(72000.0, 200.0));
    // A note that is stolen meanwhile ends: more voices than there are leave nothing behind.
    std::vector<TimedEvent> many{{0.0, MidiEvent::enterAt(NoteEntry::beforeJoint)}};
    for (int i = 0; i < 120; ++i) {
        many.push_back({0.001 + 0.03 * i, MidiEvent::noteOn(i, 100)});
        many.push_back({4.0, MidiEvent::noteOff(i)});
    }
    CHECK(double(renderEvents(instrument, many, rate).frames()) / rate < 6.0);
    // A second later, and a fade, it is there again.
    CHECK_THAT(at(NoteEntry::beforeJoint, 1.03 + 0.25), WithinAbs(72000.0, 2500.0));
}

TEST_CASE("a held looped note stays at full level for as long as it is held", "[engine][loop]")
{
    const auto take = looped(
        plainTake(mono(harmonicTone(240.0, rate, 1.0)), midiOf(Hz{240.0})), 10000, 40000, 2000);
    const auto out = playNote(instrumentOf(take), 58, 20.0);
    CHECK_THAT(rmsDb(part(out, 19.0, 20.0)), WithinAbs(rmsDb(part(out, 0.5, 1.0)), 0.2));
}

TEST_CASE("recordings of any rate play at their pitch at any output rate", "[engine]")
{
    const double from = GENERATE(8000.0, 44100.0, 96000.0, 192000.0),
                 to = GENERATE(44100.0, 96000.0);
    CAPTURE(from, to);
    const auto instrument = instrumentOf(plainTake(mono(sine(440.0, from, 2.0), from), 69.0));
    const auto out = playNote(instrument, 72, 0.8, to);
    CHECK(sineToRestDb(part(out, 0.1, 0.7, to), 440.0 * std::exp2(0.25), to) > 90.0);
}

TEST_CASE("notes begin and end without a click", "[engine][envelope]")
{
    // A cosine begins at its crest: the worst place to start and to stop.
    auto wave = sine(200.0, rate, 2.0);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(0.8 * std::cos(twoPi * 200.0 * double(i) / rate));
    auto take = *makeTake(makeRecording(mono(wave), "c.wav"));
    take.tuning = Tuning::forPitch(midiOf(Hz{200.0}), TuningSource::byHand);
    const auto out = playNote(instrumentOf(std::move(take)), 55, 0.3);
    const double inside = worstEdge(part(out, 0.1, 0.2));
    // Ten times the wave's own bend is a soft onset; a step to the crest would be two thousand
    // times it.
    CHECK(worstEdge(out) < 40.0 * inside);
    CHECK(std::abs(out.front()) < 0.01f);
    CHECK(rmsDb(std::span(out).last(100)) < -80.0);
}

TEST_CASE("envelopes take the times that they are given", "[engine][envelope]")
{
    auto instrument =
        instrumentOf(plainTake(mono(std::vector<float>(std::size_t(rate * 5), 0.5f)), 60.0));
    instrument.layers[0].envelope = {0.1, 0.2, 0.1, 0.4, -12.0, 0.3};
    const auto out = playNote(instrument, 60, 2.0);
    const auto at = [&](double seconds) { return double(out[std::size_t(seconds * rate)]) / 0.5; };
    CHECK_THAT(at(0.09), WithinAbs(0.0, 1e-6));
    CHECK_THAT(at(0.2), WithinAbs(0.5, 0.01)); // half-way up
    CHECK_THAT(at(0.35), WithinAbs(1.0, 0.0025)); // hold; the kernels are flat within 0.02 dB
    CHECK_THAT(20.0 * std::log10(at(0.6)), WithinAbs(-6.0, 0.1)); // half the decay in dB
    CHECK_THAT(20.0 * std::log10(at(1.5)), WithinAbs(-12.0, 0.05)); // sustain
    CHECK_THAT(20.0 * std::log10(at(2.15)), WithinAbs(-42.0, 0.3)); // half the release: 30 dB more
}

TEST_CASE("the drawn envelope is the played one", "[engine][envelope]")
{
    const Envelope e{0.05, 0.1, 0.05, 0.3, -20.0, 0.2};
    EnvelopeRun run;
    run.start(e, rate);
    std::vector<float> gains(48000);
    run.run(e, gains.data(), int(gains.size()));
    for (const double t : {0.02, 0.1, 0.17, 0.3, 0.45, 0.9})
        CHECK_THAT(double(gains[std::size_t(t * rate)]), WithinAbs(envelopeGain(e, t), 0.002));
}

TEST_CASE("processing allocates nothing, whatever happens", "[engine][realtime]")
{
    const auto first = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, rate, 1.0)), 57.0), 12000, 40000, 3000));
    auto second = first;
    second.takes[0].loop.span.end.value = 30000;
    Compiler compiler;
    Engine engine;
    engine.prepare(rate);
    std::vector<float> left(512), right(512);
    Noise next(9);
    for (int block = 0; block < 200; ++block) {
        if (block % 7 == 0)
            engine.setProgram(compiler.compile(block % 14 == 0 ? first : second, rate));
        for (int i = 0; i < 12; ++i)
            engine.post(MidiEvent::noteOn(int(next.between(20, 110)), int(next.between(1, 127))));
        engine.postMidi({MidiEvent::Kind::bend, 0, 0, float(next())});
        engine.postMidi({MidiEvent::Kind::control, 64,
            std::uint8_t(block % 3 == 0 || block > 150 ? 127 : 0), 0.0f});
        {
            const NoAllocation guard;
            engine.process(left.data(), right.data(), 512);
        }
        REQUIRE(NoAllocation::crimes() == 0);
        for (const float s : left)
            REQUIRE(std::isfinite(s));
    }
    CHECK(engine.look().voices == int(Engine::voices));
}

TEST_CASE("the guard against allocation does notice one", "[engine][realtime]")
{
    const NoAllocation guard;
    bool thrown = false;
    try {
        std::vector<int> many(100);
        many[0] = 1;
    } catch (const std::bad_alloc&) {
        thrown = true;
    }
    CHECK(thrown);
}

TEST_CASE("stolen voices leave without a click", "[engine][voices]")
{
    const auto instrument = instrumentOf(
        looped(plainTake(mono(sine(480.0, rate, 1.0, 0.1)), midiOf(Hz{480.0})), 10000, 40000, 0));
    Engine engine;
    engine.prepare(rate);
    engine.setProgram(Compiler().compile(instrument, rate));
    std::vector<float> out, right(480);
    std::vector<float> block(480);
    // 64 quiet voices on low keys, then one more every 10 ms.
    for (int n = 0; n < 100; ++n) {
        engine.post(MidiEvent::noteOn(n % 12 + 30 + 12 * (n / 12 % 3), n < 64 ? 20 : 1));
        if (n >= 70)
            engine.post(MidiEvent::noteOn(40 + n % 24, 1));
        engine.process(block.data(), right.data(), 480);
        out.insert(out.end(), block.begin(), block.end());
    }
    // A voice cut off at once would leave a step of its own height, about 0.002; faded ones bend
    // far less.
    CHECK(worstEdge(std::span(out).subspan(1000)) < 0.0012);
}

TEST_CASE("a moved loop takes over the held note without a gap", "[engine][program]")
{
    const auto before = instrumentOf(
        looped(plainTake(mono(sine(480.0, rate, 2.0)), midiOf(Hz{480.0})), 20000, 40000, 1000));
    auto after = before;
    after.takes[0].loop.span = {Frames{30000}, Frames{30500}};
    after.takes[0].loop.crossfade = Frames{500};
    Compiler compiler;
    Engine engine;
    engine.prepare(rate);
    engine.setProgram(compiler.compile(before, rate));
    std::vector<float> out, left(256), right(256);
    const auto run = [&](int blocks) {
        for (int b = 0; b < blocks; ++b) {
            engine.process(left.data(), right.data(), 256);
            out.insert(out.end(), left.begin(), left.end());
        }
    };
    run(1);
    engine.post(MidiEvent::noteOn(71, 127));
    run(200);
    engine.setProgram(compiler.compile(after, rate));
    run(200);
    engine.collect();
    // Level never leaves what a steady sine has, and the note is still there.
    for (std::size_t at = 10000; at + 4800 < out.size(); at += 480)
        REQUIRE_THAT(rmsDb(std::span(out).subspan(at, 4800)), WithinAbs(-9.0, 1.0));
    const double position = engine.look().position;
    CHECK(position >= 30000.0);
    CHECK(position < 30500.0);
    CHECK(worstEdge(std::span(out).subspan(8000)) < 0.01);
    // To hear the loop alone is to be in it at once, wherever it is moved.
    engine.post(MidiEvent::noteOff(71));
    run(400);
    engine.post(MidiEvent::enterAt(NoteEntry::loopStart));
    engine.post(MidiEvent::noteOn(71, 127));
    run(40);
    out.clear();
    for (const std::int64_t start : {70000, 12000, 90000}) {
        after.takes[0].loop.span = {Frames{start}, Frames{start + 500}};
        engine.setProgram(compiler.compile(after, rate));
        run(40);
        CHECK(engine.look().position >= double(start));
        CHECK(engine.look().position < double(start + 500));
    }
    engine.collect();
    CHECK(worstEdge(std::span(out)) < 0.01);
}

TEST_CASE("blocks of any size give the same sound", "[engine][law]")
{
    const auto instrument = instrumentOf(plainTake(mono(harmonicTone(220.0, rate, 1.0)), 57.0));
    const auto render = [&](int block) {
        return playInBlocks(instrument, {{0, MidiEvent::noteOn(64, 100)}}, 4096, block);
    };
    const auto reference = render(64);
    for (const int block : {1, 7, 61, 128, 512, 4096})
        CHECK(render(block) == reference);
}

TEST_CASE("blocks of any size give the same sound while it is bent and let go", "[engine][law]")
{
    auto instrument = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, rate, 1.0)), 57.0), 20000, 40000, 1000));
    instrument.layers[0].envelope.release = 0.02;
    // None of them where a block or a cell begins.
    const std::vector<EventAt> events{{0, MidiEvent::noteOn(64, 100)},
        {0, MidiEvent::noteOn(57, 80)}, {2049, {MidiEvent::Kind::bend, 0, 0, 0.7f}},
        {3001, MidiEvent::noteOn(71, 90)}, {4111, {MidiEvent::Kind::bend, 0, 0, -1.0f}},
        {6145, MidiEvent::noteOff(64)}, {7003, MidiEvent::noteOff(71)}};
    const auto render = [&](int block) { return playInBlocks(instrument, events, 8192, block); };
    const auto reference = render(64);
    for (const int block : {1, 7, 128, 512, 4096})
        CHECK(render(block) == reference);
    // And the bend is heard at all.
    double moved = 0.0;
    for (std::size_t i = 2049; i < 3000; ++i)
        moved = std::max(moved, std::abs(double(reference[i]) - double(reference[i - 2048])));
    CHECK(moved > 0.05);
}

TEST_CASE("recordings of more than a minute play in tune to their end", "[engine][long]")
{
    // 70 s, with a tone near the end only: whoever counts frames in too few bits plays something
    // else.
    auto wave = silence(rate, 68.0);
    const auto tone = sine(480.0, rate, 2.0);
    wave.insert(wave.end(), tone.begin(), tone.end());
    const auto instrument = instrumentOf(plainTake(mono(std::move(wave)), midiOf(Hz{480.0})));
    Engine engine;
    engine.prepare(rate);
    engine.setProgram(Compiler().compile(instrument, rate));
    std::vector<float> left(48000), right(48000);
    engine.process(left.data(), right.data(), 0);
    engine.handle(MidiEvent::noteOn(71, 127)); // a little above its own speed
    for (int second = 0; second < 65; ++second)
        engine.process(left.data(), right.data(), 48000);
    // From 65 s on at the speed of key 71.
    const double speed = std::exp2((71.0 - midiOf(Hz{480.0})) / 12.0);
    std::vector<float> out;
    for (int second = 0; second < 6; ++second) {
        engine.process(left.data(), right.data(), 48000);
        out.insert(out.end(), left.begin(), left.end());
    }
    const double begins = 68.0 / speed - 65.0;
    CHECK(sineToRestDb(part(out, begins + 0.2, begins + 1.2), 480.0 * speed, rate) > 90.0);
    CHECK(rmsDb(part(out, 0.0, begins - 0.1)) < -100.0);
    CHECK(engine.look().voices == 0); // it ended where the recording does
}

TEST_CASE("pedal, bend and all-off do what keyboards expect", "[engine][midi]")
{
    const auto instrument = instrumentOf(
        looped(plainTake(mono(sine(480.0, rate, 1.0)), midiOf(Hz{480.0})), 10000, 40000, 0));
    Engine engine;
    engine.prepare(rate);
    engine.setProgram(Compiler().compile(instrument, rate));
    std::vector<float> left(24000), right(24000);
    const auto run = [&] { engine.process(left.data(), right.data(), 24000); };
    run();
    engine.post({MidiEvent::Kind::control, 64, 127, 0.0f});
    engine.post(MidiEvent::noteOn(71, 127));
    engine.post(MidiEvent::noteOff(71));
    run();
    CHECK(engine.look().voices == 1); // held by the pedal
    engine.post({MidiEvent::Kind::bend, 0, 0, 1.0f});
    run();
    run();
    const double bent = 480.0 * std::exp2((71 + 2.0 - midiOf(Hz{480.0})) / 12.0);
    CHECK(sineToRestDb(left, bent, rate) > 60.0);
    engine.post({MidiEvent::Kind::control, 64, 0, 0.0f});
    run();
    run();
    CHECK(engine.look().voices == 0);
    engine.post(MidiEvent::noteOn(60, 100));
    run();
    CHECK((engine.keysDown()[0] >> 60U & 1U) == 1);
    engine.post(MidiEvent::allOff());
    run();
    run();
    CHECK(engine.look().voices == 0);
    CHECK(engine.keysDown()[0] == 0);
}

TEST_CASE("keys and velocities outside of a zone are silent", "[engine]")
{
    auto instrument = instrumentOf(plainTake(mono(sine(440.0, rate, 1.0)), 69.0));
    instrument.layers[0].zones[0] = {1, 1, 60, 72, 64, 127};
    CHECK(rmsDb(playNote(instrument, 59, 0.2)) < -100.0);
    CHECK(rmsDb(playNote(instrument, 72, 0.2)) > -20.0);
    const auto soft = renderEvents(instrument, {{0.0, MidiEvent::noteOn(65, 50)}}, rate, 0.2);
    CHECK(rmsDb(soft.channels[0]) < -100.0);
}

TEST_CASE("the compiler makes anew only what changed", "[engine][program]")
{
    Compiler compiler;
    const auto first = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, rate, 1.0)), 57.0), 12000, 40000, 3000));
    const auto a = compiler.compile(first, rate);
    auto louder = first;
    louder.layers[0].envelope.attack = 1.0;
    const auto b = compiler.compile(louder, rate);
    CHECK(a->zones[0].sound == b->zones[0].sound);
    auto moved = first;
    moved.takes[0].loop.span.end.value = 39000;
    const auto c = compiler.compile(moved, rate);
    CHECK(c->zones[0].sound != b->zones[0].sound);
    CHECK(c->zones[0].sound->recorded == b->zones[0].sound->recorded);
}

TEST_CASE("notes are read from text", "[engine][render]")
{
    const auto events = parseNotes("A3:0:1.5:100 60:1:0.5");
    REQUIRE(events);
    REQUIRE(events->size() == 4);
    CHECK(int((*events)[0].event.key) == 57);
    CHECK((*events)[1].seconds == 1.5);
    for (const char* bad : {"", "A3", "A3:0", "A3:0:0", "A3:-1:1", "X3:0:1", "A3:0:1:0",
             "A3:0:1:128", "A3:0:1:1:1", "A3:0:1e9"}) {
        CAPTURE(bad);
        CHECK_FALSE(parseNotes(bad));
    }
}

TEST_CASE("a take that lasts for hours many octaves down is read", "[engine][bad-input]")
{
    // Ten seconds at 1 kHz, ten octaves below, at 384 kHz: 6e9 frames of output, more than an int
    // counts.
    auto take = plainTake(mono(std::vector<float>(10000, 0.25f), 1000.0), 127.0);
    take.tuning = {127, 0.0, TuningSource::byHand};
    const auto owner = std::make_unique<Engine>();
    owner->prepare(384000.0);
    owner->setProgram(Compiler().compile(instrumentOf(std::move(take)), 384000.0));
    std::vector<float> left(4096), right(4096);
    owner->process(left.data(), right.data(), 0);
    owner->handle(MidiEvent::noteOn(0, 127));
    // Its first frame, half a minute long, rises to what it is.
    for (int i = 0; i < 400; ++i)
        owner->process(left.data(), right.data(), 4096);
    CHECK(double(left.back()) > 0.1);
    CHECK(owner->look().voices == 1);
}

TEST_CASE("events that nobody plays for a while leave no note hanging", "[engine][bad-input]")
{
    const auto owner = std::make_unique<Engine>();
    owner->prepare(rate);
    owner->setProgram(Compiler().compile(
        instrumentOf(looped(plainTake(mono(sine(480.0, rate, 1.0)), 71.0), 20000, 24000, 0)),
        rate));
    std::vector<float> left(512), right(512);
    owner->process(left.data(), right.data(), 0);
    SECTION("ends are taken when beginnings are refused")
    {
        int taken = 0;
        for (int i = 0; i < 2000; ++i)
            taken += owner->post(MidiEvent::noteOn(60 + i % 12, 100)) ? 1 : 0;
        CHECK(taken < 1024);
        CHECK(taken > 500);
        for (int key = 60; key < 72; ++key)
            CHECK(owner->post(MidiEvent::noteOff(key)));
    }
    SECTION("an end that is lost ends all")
    {
        CHECK(owner->postMidi(MidiEvent::noteOn(60, 100)));
        for (int i = 0; i < 2000; ++i)
            (void)owner->postMidi(MidiEvent::control(1, 0));
        CHECK_FALSE(owner->postMidi(MidiEvent::noteOff(60)));
    }
    for (int i = 0; i < 200; ++i)
        owner->process(left.data(), right.data(), 512);
    CHECK(owner->look().voices == 0);
    CHECK(owner->keysDown() == std::array<std::uint64_t, 2>{});
}

TEST_CASE("what is remembered of what was played lasts for seconds at any rate", "[engine]")
{
    const auto owner = std::make_unique<Engine>();
    std::vector<float> left(4096), right(4096);
    for (const double r : {44100.0, 96000.0, 192000.0}) {
        owner->prepare(r);
        const auto blocks = int(25.0 * r / 4096.0);
        for (int i = 0; i < blocks; ++i)
            owner->process(left.data(), right.data(), 4096);
        const auto kept = owner->master().recent().since(0).channels[0].size();
        CHECK(double(kept) / r > 17.0);
    }
}
