// SPDX-License-Identifier: GPL-3.0-or-later
// What was begun ends: keys, crossing zones, edits of the document under sounding notes.
#include "engine/engine.h"
#include "pitch/report.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

/// Loops for ever: what is not let go is heard for ever.
Take endless(double midi)
{
    return looped(
        plainTake(mono(harmonicTone(hzOf(midi).value, rate, 1.0)), midi), 20000, 40000, 2000);
}

Zone zoneOver(int id, int low, int high, int lowFade, int highFade)
{
    Zone zone;
    zone.id = id;
    zone.take = 1;
    zone.lowKey = low;
    zone.highKey = high;
    zone.lowKeyFade = lowFade;
    zone.highKeyFade = highFade;
    return zone;
}

class Stage {
public:
    explicit Stage(const Instrument& instrument)
    {
        engine.prepare(rate);
        give(instrument);
        play(0.0);
    }
    void give(const Instrument& instrument)
    {
        engine.setProgram(compiler.compile(sanitized(instrument), rate));
    }
    /// The level of what is heard, dB.
    double play(double seconds)
    {
        left_.assign(std::size_t(seconds * rate), 0.0f);
        right_ = left_;
        for (std::size_t at = 0; at < std::max<std::size_t>(1, left_.size()); at += 480)
            engine.process(left_.data() + at, right_.data() + at,
                int(std::min<std::size_t>(480, left_.size() - at)));
        return left_.empty() ? 0.0 : rmsDb(left_);
    }
    int voices() { return engine.look().voices; }
    std::vector<float> heard() const { return left_; }
    Engine engine;
    Compiler compiler;

private:
    std::vector<float> left_, right_;
};

} // namespace

TEST_CASE("whatever keys and pedals do, with all of them up it is silent within the release",
    "[engine][layers][held]")
{
    const Notes notes = GENERATE(Notes::many, Notes::one, Notes::tied);
    const unsigned seed = GENERATE(1U, 2U, 3U, 4U, 5U, 6U);
    CAPTURE(int(notes), seed);
    std::mt19937 random(seed);
    const auto any = [&](int most) { return int(random() % unsigned(most + 1)); };
    auto instrument = instrumentOf(endless(57.0));
    Layer& layer = instrument.layers[0];
    layer.notes = notes;
    layer.envelope.release = 0.05;
    layer.glide.seconds = any(1) * 0.05;
    layer.zones.clear();
    for (int id = 10; id < 14; ++id) {
        const int low = 40 + any(20);
        Zone zone = zoneOver(id, low, low + any(20), any(10), any(10));
        zone.lowVelocity = 1 + any(60);
        layer.zones.push_back(zone);
    }
    layer.sameKeys =
        std::array{SameKeys::together, SameKeys::inTurn, SameKeys::atRandom}[std::size_t(any(2))];
    Stage stage(instrument);
    for (int turn = 0; turn < 200; ++turn) {
        const int key = 40 + any(30);
        switch (any(5)) {
        case 0:
            stage.engine.handle(MidiEvent::control(any(1) > 0 ? 64 : 66, any(1) * 127));
            break;
        case 1:
        case 2:
            stage.engine.handle(MidiEvent::noteOff(key));
            break;
        default:
            stage.engine.handle(MidiEvent::noteOn(key, 1 + any(126)));
        }
        stage.play(0.01 * any(2));
    }
    for (const int pedal : {64, 66})
        stage.engine.handle(MidiEvent::control(pedal, 0));
    for (int key = 0; key < 128; ++key)
        stage.engine.handle(MidiEvent::noteOff(key));
    stage.play(0.1);
    CHECK(stage.voices() == 0);
}

TEST_CASE("a tied note goes on in the zones that both keys sound, at the new key's gain",
    "[engine][layers][one][held]")
{
    auto instrument = instrumentOf(endless(57.0));
    Layer& layer = instrument.layers[0];
    layer.notes = Notes::tied;
    layer.envelope.release = 0.02;
    layer.zones = {zoneOver(10, 40, 62, 0, 12), zoneOver(11, 51, 80, 12, 0)};
    Stage stage(instrument);
    stage.engine.handle(MidiEvent::noteOn(45, 100));
    const double alone = stage.play(0.3);
    stage.engine.handle(MidiEvent::noteOn(57, 100)); // both zones
    stage.play(0.2);
    CHECK(stage.voices() == 2);
    // Two copies of one sound, at gains whose powers sum to one.
    CHECK_THAT(stage.play(0.3), WithinAbs(alone, 3.1));
    stage.engine.handle(MidiEvent::noteOff(57));
    stage.play(0.2);
    CHECK(stage.voices() == 1);
    // As loud as where only one zone sounds.
    CHECK_THAT(stage.play(0.3), WithinAbs(alone, 0.2));
    stage.engine.handle(MidiEvent::noteOff(45));
    stage.play(0.1);
    CHECK(stage.voices() == 0);
}

TEST_CASE("a soft tail outlives an edit, though its key was struck harder since",
    "[engine][layers][program][held]")
{
    auto instrument = instrumentOf(endless(57.0));
    Layer& layer = instrument.layers[0];
    layer.envelope.release = 8.0;
    layer.zones = {zoneOver(10, 0, 127, 0, 0), zoneOver(11, 0, 127, 0, 0)};
    layer.zones[0].highVelocity = 63;
    layer.zones[1].lowVelocity = 64;
    Stage stage(instrument);
    for (const int velocity : {40, 120}) {
        stage.engine.handle(MidiEvent::noteOn(57, velocity));
        stage.play(0.1);
        stage.engine.handle(MidiEvent::noteOff(57));
        stage.play(0.1);
    }
    REQUIRE(stage.voices() == 2);
    layer.envelope.attack = 0.2;
    stage.give(instrument);
    stage.play(0.1);
    CHECK(stage.voices() == 2);
}

TEST_CASE("an edit under 256 voices cuts none of them", "[engine][layers][program][held]")
{
    // Steady levels: a voice that is cut shows as a step of its own height.
    Take take = plainTake(mono(std::vector<float>(96000, 0.02f)), 60.0);
    auto instrument = instrumentOf(looped(std::move(take), 20000, 40000, 100));
    Layer& layer = instrument.layers[0];
    layer.follow = 0.0;
    layer.touch = 0.0;
    layer.unison.voices = 4;
    layer.unison.phase = 0.0;
    layer.unison.detuneCents = 0.0;
    layer.unison.width = 0.0;
    Stage stage(instrument);
    for (int key = 30; key < 94; ++key)
        stage.engine.handle(MidiEvent::noteOn(key, 100));
    stage.play(0.3);
    REQUIRE(stage.voices() == 256);
    instrument.takes[0].loop.span.end = Frames{39000}; // another sound: all go over to it
    stage.engine.master().setLimiting(false);
    stage.give(instrument);
    stage.play(0.2);
    // All of them cross over, an old side and a new one that add up to what it was: a voice that is
    // cut is missing until its new side has risen.
    const auto heard = stage.heard();
    const auto [least, most] = std::minmax_element(heard.begin(), heard.end());
    CHECK(double(*least) > 0.99 * double(heard.back()));
    CHECK(double(*most) < 1.01 * double(heard.back()));
}
