// SPDX-License-Identifier: GPL-3.0-or-later
// The chain of effects as a program brings it and voices play into it.
#include "base/song_time.h"
#include "engine/offline/render.h"
#include "support/blocks.h"
#include "support/signals.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

Instrument horn()
{
    auto instrument =
        instrumentOf(plainTake(mono(harmonicTone(220.0, rate, 3.0)), midiOf(Hz{220.0})));
    instrument.layers[0].envelope = {0.0, 0.0, 0.0, 0.0, 0.0, 0.02};
    return instrument;
}

Effect with(EffectKind kind, int id, std::initializer_list<std::pair<const char*, double>> values)
{
    Effect effect = makeEffect(kind, id);
    for (const auto& [name, value] : values)
        setValue(effect, name, value);
    return effect;
}

Audio play(const Instrument& instrument, double seconds = 0.5)
{
    return renderEvents(instrument,
        {{0.0, MidiEvent::noteOn(57, 100)}, {seconds, MidiEvent::noteOff(57)}}, rate, 8.0);
}

double level(const Audio& audio, double from, double to)
{
    const auto a = std::size_t(from * rate), b = std::size_t(to * rate);
    return rmsDb(std::span(audio.channels[0]).subspan(a, b - a));
}

} // namespace

TEST_CASE("blocks of any size give the same bits through effects", "[engine][effects]")
{
    auto instrument = horn();
    for (int k = 0; k < effectKindCount; ++k)
        instrument.effects.push_back(makeEffect(EffectKind(k), k + 1));
    instrument.layers[0].toEffects = 0.7;
    Movement wheel;
    wheel.source = {SourceKind::touch, 0};
    wheel.target = Target::effect;
    wheel.number = EffectPlace{2, 1}.number();
    instrument.layers[0].movements = {wheel};
    const std::vector<EventAt> events = {{0, MidiEvent::noteOn(57, 90)},
        {4801, MidiEvent::noteOn(61, 70)}, {9000, MidiEvent::noteOff(57)},
        {15011, MidiEvent::noteOff(61)}};
    const auto whole = playInBlocks(instrument, events, 40000, 4096);
    for (const int block : {1, 37, 64, 441})
        CHECK(playInBlocks(instrument, events, 40000, block) == whole);
}

TEST_CASE("effects ring on behind the last note, and a render waits for them", "[engine][effects]")
{
    auto instrument = horn();
    const auto dry = play(instrument);
    instrument.effects = {with(EffectKind::reverb, 1, {{"decay", 2.0}, {"mix", 0.4}})};
    const auto wet = play(instrument);
    CHECK(dry.seconds() < 1.0);
    CHECK(wet.seconds() > 2.0);
    CHECK(wet.seconds() < 8.0);
    CHECK_THAT(level(wet, 1.0, 1.2) - level(wet, 1.6, 1.8), WithinAbs(18.0, 4.0));
    // What is switched off is not heard.
    instrument.effects[0].on = false;
    CHECK(play(instrument).channels == dry.channels);
}

TEST_CASE("a layer goes through the effects as far as it is told to", "[engine][effects]")
{
    auto instrument = horn();
    const auto dry = play(instrument);
    // Late by a millisecond inside: what goes past waits for it, and the file is not late.
    instrument.effects = {with(EffectKind::drive, 1, {{"drive", 24.0}})};
    instrument.layers[0].toEffects = 0.0;
    const auto past = play(instrument);
    const auto frames = std::min(past.channels[0].size(), dry.channels[0].size());
    REQUIRE(frames > std::size_t(0.4 * rate));
    for (std::size_t i = 0; i < frames; i += 17)
        REQUIRE_THAT(double(past.channels[0][i]), WithinAbs(double(dry.channels[0][i]), 1e-6));
    instrument.layers[0].toEffects = 1.0;
    const auto through = play(instrument);
    CHECK(through.channels != dry.channels);
    // It begins with the dry one: nothing is late.
    double together = 0.0;
    for (std::size_t i = 0; i < 9600; ++i)
        together += double(through.channels[0][i]) * double(dry.channels[0][i]);
    CHECK(together > 0.0);
}

TEST_CASE("movements reach into the chain", "[engine][effects]")
{
    auto instrument = horn();
    instrument.effects = {with(EffectKind::width, 3, {{"width", 1.0}, {"monoBelow", 10.0}}),
        with(EffectKind::tremolo, 4, {{"every", 100.0}, {"depth", 0.0}, {"sides", 0.0}}),
        with(EffectKind::equaliser, 5, {})};
    const int shelf = factsOf(EffectKind::equaliser).place("shelfDb");
    Movement wheel;
    wheel.source = {SourceKind::wheel, 0};
    wheel.target = Target::effect;
    wheel.number = EffectPlace{5, shelf}.number();
    wheel.amount = -0.5; // 24 dB down
    instrument.layers[0].movements = {wheel};
    setValue(instrument.effects[2], "shelfHz", 500.0);
    const auto still = play(instrument, 1.0);
    const auto moved = renderEvents(instrument,
        {{0.0, MidiEvent::noteOn(57, 100)}, {0.3, MidiEvent::control(1, 127)},
            {1.0, MidiEvent::noteOff(57)}},
        rate, 1.0);
    CHECK_THAT(level(moved, 0.1, 0.28), WithinAbs(level(still, 0.1, 0.28), 0.01));
    CHECK(level(moved, 0.6, 0.9) < level(still, 0.6, 0.9) - 3.0);
}

TEST_CASE("effects are edited while a note sounds, and what goes is freed", "[engine][effects]")
{
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    Compiler compiler;
    auto instrument = horn();
    std::array<float, 256> left{}, right{};
    std::vector<std::weak_ptr<Processor>> seen;
    engine->setProgram(compiler.compile(instrument, rate));
    engine->process(left.data(), right.data(), 256);
    engine->handle(MidiEvent::noteOn(57, 100));
    for (int round = 0; round < 40; ++round) {
        instrument.effects = {with(EffectKind(round % effectKindCount), round + 1, {})};
        auto program = compiler.compile(instrument, rate);
        seen.push_back(program->effects[0].processor);
        engine->setProgram(std::move(program));
        for (int i = 0; i < 40; ++i) {
            engine->process(left.data(), right.data(), 256);
            for (const float sample : left)
                REQUIRE(std::isfinite(sample));
        }
    }
    // The same effect keeps its processor.
    const auto again = compiler.compile(instrument, rate);
    CHECK(again->effects[0].processor == seen.back().lock());
    instrument.effects.clear();
    engine->setProgram(compiler.compile(instrument, rate));
    engine->handle(MidiEvent::noteOff(57));
    for (int i = 0; i < 187 * 40; ++i)
        engine->process(left.data(), right.data(), 256);
    engine->setProgram(compiler.compile(instrument, rate));
    engine->process(left.data(), right.data(), 256);
    engine->collect();
    const auto alive =
        std::count_if(seen.begin(), seen.end(), [](const auto& p) { return !p.expired(); });
    CHECK(alive <= 1); // `again` has it
}

TEST_CASE("another rate while it sounds leaves nothing wild behind", "[engine][effects][bad]")
{
    const auto engine = std::make_unique<Engine>();
    Compiler compiler;
    auto instrument = horn();
    for (int k = 0; k < effectKindCount; ++k)
        instrument.effects.push_back(makeEffect(EffectKind(k), k + 1));
    std::array<float, 256> left{}, right{};
    for (const double now : {48000.0, 44100.0, 96000.0, 48000.0}) {
        engine->prepare(now);
        // For a block it is still the program of the other rate, as when a device changes.
        for (const bool renewed : {false, true}) {
            if (renewed)
                engine->setProgram(compiler.compile(instrument, now));
            engine->process(left.data(), right.data(), 0); // so that the program is known
            engine->handle(MidiEvent::noteOn(57, 100));
            for (int i = 0; i < 60; ++i) {
                engine->process(left.data(), right.data(), 256);
                for (const float sample : left)
                    REQUIRE(std::abs(sample) < 20.0f);
            }
        }
        CHECK(rmsDb(left) > -80.0);
    }
}

TEST_CASE(
    "an effect that has left comes back as a new one: nobody cleans long lines while it plays",
    "[engine][effects]")
{
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    Compiler compiler;
    auto with1 = horn();
    with1.effects = {makeEffect(EffectKind::echo, 1)};
    std::array<float, 256> left{}, right{};
    const auto play = [&](const Instrument& instrument, int blocks) {
        auto program = compiler.compile(instrument, rate);
        const auto processor =
            program->effects.empty() ? nullptr : program->effects[0].processor.get();
        engine->setProgram(std::move(program));
        for (int i = 0; i < blocks; ++i)
            engine->process(left.data(), right.data(), 256);
        return processor;
    };
    const auto* first = play(with1, 20);
    CHECK(play(with1, 20) == first);
    std::weak_ptr<Processor> watched = compiler.compile(with1, rate)->effects[0].processor;
    (void)play(horn(), 4000); // it goes
    CHECK((watched.expired() || watched.lock()->spent()));
    const auto again = compiler.compile(with1, rate);
    CHECK_FALSE(again->effects[0].processor->spent());
}
