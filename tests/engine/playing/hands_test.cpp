// SPDX-License-Identifier: GPL-3.0-or-later
// What the MIDI standard says of wheels, controllers and channels.
#include "engine/playing/hands.h"

#include "engine/offline/render.h"
#include "pitch/report.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;
/// Reading is flat within 0.02 dB, a quarter of a percent.
constexpr double flat = 0.003;

void settle(Hands& hands)
{
    for (int i = 0; i < 200; ++i)
        hands.beginCell(1.6);
}

MidiEvent bend(float value, int channel = 0)
{
    return {MidiEvent::Kind::bend, 0, 0, value, std::uint8_t(channel)};
}
MidiEvent on(int key, int channel)
{
    return {MidiEvent::Kind::noteOn, std::uint8_t(key), 100, 0.0f, std::uint8_t(channel)};
}
MidiEvent controlOn(int channel, int number, int value)
{
    return {MidiEvent::Kind::control, std::uint8_t(number), std::uint8_t(value), 0.0f,
        std::uint8_t(channel)};
}

Instrument tone()
{
    auto instrument = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, rate, 2.0)), 57.0), 20000, 75000, 4000));
    instrument.layers[0].envelope.release = 0.01;
    return instrument;
}

double keyIn(const Audio& audio, double from, double to)
{
    return analysePitch(std::span(audio.channels[0])
                            .subspan(std::size_t(from * rate), std::size_t((to - from) * rate)),
        rate)
        .midi.value_or(0.0);
}

} // namespace

TEST_CASE(
    "a registered number sets how far the wheel bends, in semitones and cents", "[engine][hands]")
{
    const std::vector<TimedEvent> events = {{0.0, MidiEvent::control(101, 0)},
        {0.0, MidiEvent::control(100, 0)}, {0.0, MidiEvent::control(6, 11)},
        {0.0, MidiEvent::control(38, 50)}, {0.0, MidiEvent::noteOn(57, 100)}, {0.4, bend(1.0f)},
        {1.2, MidiEvent::noteOff(57)}};
    CHECK_THAT(keyIn(renderEvents(tone(), events, rate), 0.6, 1.1), WithinAbs(57.0 + 11.5, 0.03));
    // Data for another number is for nobody.
    auto others = events;
    others[1].event = MidiEvent::control(100, 1);
    CHECK_THAT(keyIn(renderEvents(tone(), others, rate), 0.6, 1.1), WithinAbs(59.0, 0.03));
}

TEST_CASE("keys with channels of their own bend alone, and all with the first", "[engine][hands]")
{
    Hands hands;
    hands.reset();
    hands.setPerKey(true);
    hands.handle(bend(0.25f, 3));
    hands.handle({MidiEvent::Kind::pressure, 0, 127, 0.0f, 5});
    settle(hands);
    CHECK_THAT(double(hands.controls().bend[3]), WithinAbs(0.25, 1e-5));
    CHECK(hands.controls().bend[4] == 0.0f);
    CHECK_THAT(double(hands.controls().pressure[5]), WithinAbs(1.0, 1e-5));
    CHECK(hands.controls().reach[3] == 48.0f);
    CHECK(hands.controls().reach[0] < 0.0f); // the layer's own
    // Said of one, it is said of all keys.
    for (const auto& [number, value] : {std::pair(101, 0), {100, 0}, {6, 24}})
        hands.handle(controlOn(2, number, value));
    CHECK(hands.controls().reach[9] == 24.0f);
    hands.setPerKey(false);
    hands.handle(bend(0.5f, 9));
    settle(hands);
    CHECK_THAT(double(hands.controls().bend[0]), WithinAbs(0.5, 1e-5));

    // As it is heard: one of two notes, an octave apart, goes up.
    Engine engine;
    engine.prepare(rate);
    engine.setPerKey(true);
    engine.setProgram(Compiler().compile(tone(), rate));
    std::vector<float> left(48000), right(left);
    engine.process(left.data(), right.data(), 0);
    engine.handle(on(57, 2));
    engine.handle(bend(12.0f / 48.0f, 2));
    engine.handle(bend(-12.0f / 48.0f, 3)); // nobody's
    engine.process(left.data(), right.data(), 48000);
    Audio heard{rate, {left, right}};
    CHECK_THAT(keyIn(heard, 0.3, 0.9), WithinAbs(69.0, 0.03));
}

TEST_CASE("controllers are reset as the standard says", "[engine][hands]")
{
    Hands hands;
    hands.reset();
    CHECK(hands.level() == 1.0);
    hands.handle(MidiEvent::control(7, 64));
    hands.handle(MidiEvent::control(1, 127));
    hands.handle(MidiEvent::control(11, 0));
    hands.handle(bend(1.0f));
    settle(hands);
    CHECK(hands.level() == Approx(0.0).margin(1e-6));
    hands.handle(MidiEvent::control(121, 0));
    settle(hands);
    CHECK(hands.controls().controllers[1] == 0.0f);
    CHECK(hands.controls().bend[0] == 0.0f);
    // The volume stays, the expression is full again.
    CHECK_THAT(hands.level(), WithinAbs(std::pow(64.0 / 127.0, 2.0), 1e-4));
}

TEST_CASE(
    "volume and expression change the level, unless something else follows them", "[engine][hands]")
{
    auto instrument = instrumentOf(plainTake(mono(std::vector<float>(96000, 0.1f)), 60.0));
    instrument.layers[0].touch = 0.0;
    const std::vector<TimedEvent> events = {{0.0, MidiEvent::control(11, 64)},
        {0.1, MidiEvent::noteOn(60, 100)}, {0.6, MidiEvent::noteOff(60)}};
    const auto at = [&](const Instrument& i) {
        return double(renderEvents(i, events, rate).channels[0][19200]);
    };
    CHECK_THAT(at(instrument), WithinAbs(0.1 * std::pow(64.0 / 127.0, 2.0), 1e-4));
    instrument.layers[0].movements = {
        {{SourceKind::controller, 11}, Target::pan, 0, 0.0001, {}, 0.0, true}};
    CHECK_THAT(at(instrument), WithinAbs(0.1, 0.1 * flat));
}

TEST_CASE("the soft pedal makes notes that begin softer", "[engine][hands]")
{
    auto instrument = instrumentOf(plainTake(mono(std::vector<float>(96000, 0.1f)), 60.0));
    const auto at = [&](int pedal) {
        return double(renderEvents(instrument,
            {{0.0, MidiEvent::control(67, pedal)}, {0.1, MidiEvent::noteOn(60, 120)},
                {0.6, MidiEvent::noteOff(60)}},
            rate)
                          .channels[0][19200]);
    };
    CHECK(at(127) < 0.6 * at(0));
    CHECK(at(127) > 0.2 * at(0));
}

TEST_CASE(
    "messages are read from bytes, and what is not for us is left alone", "[base][midi][bad-input]")
{
    using Kind = MidiEvent::Kind;
    const auto read = [](std::vector<std::uint8_t> bytes) { return parseMidi(bytes); };
    CHECK(read({0x92, 60, 1})->channel == 2);
    CHECK(read({0x92, 60, 0})->kind == Kind::noteOff);
    CHECK(read({0x80, 60, 33})->value == 33);
    CHECK(read({0xd4, 99})->kind == Kind::pressure);
    CHECK(read({0xa1, 60, 5})->kind == Kind::keyPressure);
    CHECK(read({0xf8})->kind == Kind::clock);
    CHECK(read({0xfc})->kind == Kind::clockStop);
    CHECK(read({0xb0, 124, 0})->kind == Kind::allOff);
    CHECK(read({0xe0, 0, 64})->bend == 0.0f);
    for (const auto& bytes : std::vector<std::vector<std::uint8_t>>{{}, {0xf0}, {0xf0, 1, 2, 0xf7},
             {0xc0, 5}, {0x90}, {0x90, 200, 5}, {60, 60}, {0xd0, 200}, {0xff}})
        CHECK_FALSE(read(bytes));
    std::mt19937 random(1);
    for (int i = 0; i < 20000; ++i) {
        std::vector<std::uint8_t> bytes(random() % 5);
        for (auto& byte : bytes)
            byte = std::uint8_t(random());
        if (const auto event = read(bytes)) {
            CHECK(event->key < 128);
            CHECK(event->channel < 16);
            CHECK(std::abs(event->bend) <= 1.0f);
        }
    }
}

TEST_CASE("a note begins where its channel was put ahead of it, without a chirp", "[engine][hands]")
{
    Engine engine;
    engine.prepare(rate);
    engine.setPerKey(true);
    engine.setProgram(Compiler().compile(tone(), rate));
    std::vector<float> left(9600), right(left);
    engine.process(left.data(), right.data(), 0);
    const auto beginFrom = [&](float before) {
        engine.handle(MidiEvent::allOff());
        engine.process(left.data(), right.data(), 9600);
        engine.handle(bend(before, 2));
        engine.process(left.data(), right.data(), 9600);
        engine.handle(bend(0.25f, 2));
        engine.handle(on(57, 2));
        engine.process(left.data(), right.data(), 9600);
        return left;
    };
    const auto settled = beginFrom(0.25f); // it has long been there
    const auto ahead = beginFrom(-0.25f);
    // The same note, sample by sample.
    float off = 0.0f;
    for (std::size_t i = 0; i < settled.size(); ++i)
        off = std::max(off, std::abs(settled[i] - ahead[i]));
    CHECK(off < 1e-4f);
}

TEST_CASE("pressure and controller 74 belong to the note of their channel", "[engine][hands]")
{
    auto instrument = tone();
    const Source source =
        GENERATE(Source{SourceKind::controller, 74}, Source{SourceKind::pressure, 0});
    instrument.layers[0].movements = {{source, Target::level, 0, -24.0, {}, 0.0, true}};
    const auto levelWith = [&](int channelMoved, bool perKey) {
        Engine engine;
        engine.prepare(rate);
        engine.setPerKey(perKey);
        engine.setProgram(Compiler().compile(instrument, rate));
        std::vector<float> left(24000), right(left);
        engine.process(left.data(), right.data(), 0);
        engine.handle(on(57, 2));
        engine.handle(source.kind == SourceKind::pressure
                ? MidiEvent{MidiEvent::Kind::pressure, 0, 127, 0.0f, std::uint8_t(channelMoved)}
                : controlOn(channelMoved, 74, 127));
        engine.process(left.data(), right.data(), 24000);
        return rmsDb(std::span(left).subspan(12000));
    };
    const double usual = levelWith(5, true);
    CHECK_THAT(levelWith(2, true), WithinAbs(usual - 24.0, 0.2));
    // The first channel is everybody's, and so is any where keys have none of their own.
    CHECK_THAT(levelWith(0, true), WithinAbs(usual - 24.0, 0.2));
    CHECK_THAT(levelWith(5, false), WithinAbs(usual - 24.0, 0.2));
}
