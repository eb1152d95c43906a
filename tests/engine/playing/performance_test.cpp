// SPDX-License-Identifier: GPL-3.0-or-later
// Layers: which keys sound which zones, and when.
#include "engine/offline/render.h"
#include "pitch/report.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

/// The sums of the levels below stay under the limiter's ceiling.
constexpr float headroom = 0.25f;

/// Takes of constant level: what is heard tells which of them sound, and how loud.
Instrument levels(const std::vector<float>& values, double seconds = 2.0)
{
    Instrument instrument;
    std::vector<Take> takes;
    for (const float value : values)
        takes.push_back(
            plainTake(mono(std::vector<float>(std::size_t(seconds * rate), headroom * value)), 60.0,
                "level"));
    addTakes(instrument, std::move(takes));
    for (auto& zone : instrument.layers[0].zones) {
        zone.lowKey = 0;
        zone.highKey = 127;
    }
    instrument.layers[0].envelope = {0.0, 0.0, 0.0, 0.0, 0.0, 0.005};
    return instrument;
}

struct Played {
    std::vector<float> left, right;
    /// In terms of levels(); silence behind the end.
    float at(double seconds) const
    {
        const auto frame = std::size_t(seconds * rate);
        return frame < left.size() ? left[frame] / headroom : 0.0f;
    }
};

Played play(const Instrument& instrument, std::vector<TimedEvent> events)
{
    const auto out = renderEvents(instrument, std::move(events), rate, 3.0);
    return {out.channels[0], out.channels[1]};
}

TimedEvent on(double seconds, int key, int velocity = 127)
{
    return {seconds, MidiEvent::noteOn(key, velocity)};
}
TimedEvent off(double seconds, int key)
{
    return {seconds, MidiEvent::noteOff(key)};
}
TimedEvent pedal(double seconds, int controller, bool down)
{
    return {seconds,
        {MidiEvent::Kind::control, std::uint8_t(controller), std::uint8_t(down ? 127 : 0), 0.0f}};
}

/// The pitch that is heard in a stretch, as a key.
double heardKey(const Played& played, double from, double to)
{
    const auto part =
        std::span(played.left).subspan(std::size_t(from * rate), std::size_t((to - from) * rate));
    return analysePitch(part, rate).midi.value_or(0.0);
}

Instrument toneOf(double midi)
{
    auto instrument = instrumentOf(looped(
        plainTake(mono(harmonicTone(hzOf(midi).value, rate, 2.0)), midi), 20000, 60000, 4000));
    instrument.layers[0].envelope.release = 0.02;
    return instrument;
}

} // namespace

TEST_CASE("layers sound together, each at its level and place, or not at all", "[engine][layers]")
{
    auto instrument = levels({0.1f});
    const auto second = duplicateLayer(instrument, 1);
    REQUIRE(second.value > 1);
    Layer& copy = *instrument.layer(second);
    copy.levelDb = -6.0205999;
    copy.pan = 1.0; // right only
    const auto both = play(instrument, {on(0.0, 60), off(0.5, 60)});
    CHECK_THAT(double(both.at(0.3)), WithinAbs(0.1, 0.0005));
    CHECK_THAT(double(both.right[14400] / headroom), WithinAbs(0.15, 0.0005));
    copy.on = false;
    const auto one = play(instrument, {on(0.0, 60), off(0.5, 60)});
    CHECK_THAT(double(one.right[14400] / headroom), WithinAbs(0.1, 0.0005));
}

TEST_CASE("zones have a level, a place and crossovers of equal power", "[engine][layers]")
{
    auto instrument = levels({0.1f, 0.1f});
    auto& zones = instrument.layers[0].zones;
    zones[0].highKey = 69;
    zones[0].highKeyFade = 10;
    zones[1].lowKey = 60;
    zones[1].lowKeyFade = 10;
    // Two copies of one sound add up in amplitude: their powers are what sums to one.
    for (int key = 60; key < 70; ++key) {
        const double a = zoneGain(zones[0], key, 100), b = zoneGain(zones[1], key, 100);
        CHECK_THAT(a * a + b * b, WithinAbs(1.0, 1e-9));
    }
    CHECK(zoneGain(zones[0], 59, 100) == 1.0);
    // Beside its keys and touches, where a held note may find itself, it is a gain all the same.
    for (const int key : {0, 59, 127})
        for (const int velocity : {1, 100, 127})
            for (const Zone& zone : {zones[0], zones[1], Zone{}}) {
                const double gain = zoneGain(zone, key, velocity);
                CHECK((gain >= 0.0 && gain <= 1.0));
            }
    zones[0].levelDb = -20.0;
    zones[0].pan = -0.5;
    const auto out = play(instrument, {on(0.0, 40), off(0.5, 40)});
    CHECK_THAT(double(out.at(0.3)), WithinAbs(0.01, 0.0001));
    CHECK_THAT(double(out.right[14400] / headroom), WithinAbs(0.005, 0.0001));
}

TEST_CASE("a crossover of sounds that are alike stays within 1 dB, of others within 0.5 dB",
    "[engine][layers]")
{
    const bool alike = GENERATE(true, false);
    CAPTURE(alike);
    auto instrument = levels({0.1f});
    const auto first = noise(rate, 2.0, 0.05, 1);
    instrument.takes.clear();
    instrument.layers[0].zones.clear();
    addTakes(instrument,
        {plainTake(mono(first), 60.0, "a"),
            plainTake(mono(alike ? first : noise(rate, 2.0, 0.05, 2)), 60.0, "b")});
    instrument.layers[0].follow = 0.0;
    auto& zones = instrument.layers[0].zones;
    zones[0].lowKey = 0;
    zones[0].highKey = 69;
    zones[0].highKeyFade = 10;
    zones[1].lowKey = 60;
    zones[1].lowKeyFade = 10;
    zones[1].highKey = 127;
    const auto levelOf = [&](int key) {
        const auto out = play(instrument, {on(0.0, key), off(1.5, key)});
        return rmsDb(std::span(out.left).subspan(4800, 60000));
    };
    const double whole = levelOf(40);
    for (int key = 60; key < 70; ++key)
        CHECK_THAT(levelOf(key), WithinAbs(whole, alike ? 1.0 : 0.5));
}

TEST_CASE("glides take their time by the way or by the octave, always or while a key is held",
    "[engine][layers]")
{
    auto instrument = toneOf(57.0);
    Layer& layer = instrument.layers[0];
    layer.glide = {0.4, false, true};
    const auto keyAt = [&](const std::vector<TimedEvent>& events, double seconds) {
        return heardKey(play(instrument, events), seconds - 0.03, seconds + 0.03);
    };
    const std::vector<TimedEvent> apart = {on(0.0, 57), off(0.3, 57), on(0.5, 69), off(1.6, 69)};
    const std::vector<TimedEvent> together = {
        on(0.0, 57), on(0.5, 69), off(0.52, 57), off(1.6, 69)};
    CHECK_THAT(keyAt(apart, 0.7), WithinAbs(63.0, 0.3));
    layer.glide.always = false;
    CHECK_THAT(keyAt(apart, 0.7), WithinAbs(69.0, 0.1));
    CHECK_THAT(keyAt(together, 0.8), WithinAbs(66.0, 0.5));
    // By rate an octave takes as long, half of it half.
    layer.glide = {0.8, true, true};
    const std::vector<TimedEvent> fifth = {on(0.0, 57), off(0.3, 57), on(0.5, 63), off(1.6, 63)};
    CHECK_THAT(keyAt(apart, 0.9), WithinAbs(63.0, 0.3));
    CHECK_THAT(keyAt(fifth, 0.7), WithinAbs(60.0, 0.3));
    CHECK_THAT(keyAt(fifth, 1.0), WithinAbs(63.0, 0.1));
}

TEST_CASE(
    "a layer on release sounds when a key comes up, also from under a pedal", "[engine][layers]")
{
    auto instrument = levels({0.1f}, 0.4);
    instrument.layers[0].when = SoundsWhen::release;
    // Its loop is not for this: it sounds once.
    instrument.takes[0].loop.on = true;
    instrument.takes[0].loop.span = {Frames{4800}, Frames{9600}};
    const auto plain = play(instrument, {on(0.0, 60, 64), off(0.5, 60)});
    CHECK(plain.at(0.45) == 0.0f);
    // With the touch that it was pressed with.
    CHECK_THAT(double(plain.at(0.6)), WithinAbs(0.1 * std::pow(64.0 / 127.0, 2.0), 0.001));
    CHECK(plain.at(1.0) == 0.0f);
    const auto held =
        play(instrument, {pedal(0.0, 64, true), on(0.1, 60), off(0.2, 60), pedal(0.6, 64, false)});
    CHECK(held.at(0.5) == 0.0f);
    CHECK(held.at(0.7) > 0.05f);
    // Silencing everything is no release.
    const auto stopped = play(instrument, {on(0.0, 60), {0.2, MidiEvent::allOff()}, on(1.0, 61)});
    CHECK(stopped.at(0.3) == 0.0f);
}

TEST_CASE("phrases: the first note and those that follow while others are held", "[engine][layers]")
{
    auto instrument = levels({0.1f});
    duplicateLayer(instrument, 1);
    instrument.layers[0].when = SoundsWhen::phraseStart;
    instrument.layers[1].when = SoundsWhen::phraseOn;
    instrument.layers[1].levelDb = 20.0;
    const auto out = play(instrument,
        {on(0.0, 60), on(0.2, 62), off(0.3, 60), off(0.4, 62), on(0.6, 64), off(0.7, 64)});
    CHECK_THAT(double(out.at(0.1)), WithinAbs(0.1, 0.001));
    CHECK_THAT(double(out.at(0.25)), WithinAbs(1.1, 0.01));
    CHECK_THAT(double(out.at(0.65)), WithinAbs(0.1, 0.001));
}

TEST_CASE("four sounds in turn on each key", "[engine][layers]")
{
    auto instrument = levels({0.1f, 0.2f, 0.3f, 0.4f});
    instrument.layers[0].sameKeys = SameKeys::inTurn;
    std::vector<TimedEvent> events;
    for (int n = 0; n < 10; ++n) {
        events.push_back(on(0.1 * n, 60 + n % 2));
        events.push_back(off(0.1 * n + 0.08, 60 + n % 2));
    }
    const auto out = play(instrument, events);
    // Each key counts for itself.
    for (int n = 0; n < 10; ++n)
        CHECK_THAT(double(out.at(0.1 * n + 0.05)), WithinAbs(0.1 * (1 + n / 2 % 4), 0.002));
}

TEST_CASE("at random no sound comes twice running, and all come", "[engine][layers]")
{
    auto instrument = levels({0.1f, 0.2f, 0.3f});
    instrument.layers[0].sameKeys = SameKeys::atRandom;
    std::vector<TimedEvent> events;
    for (int n = 0; n < 60; ++n) {
        events.push_back(on(0.05 * n, 60));
        events.push_back(off(0.05 * n + 0.035, 60));
    }
    const auto out = play(instrument, events);
    int last = 0;
    std::array<int, 4> count{};
    for (int n = 0; n < 60; ++n) {
        const int now = int(std::lround(out.at(0.05 * n + 0.02) * 10.0f));
        REQUIRE(now >= 1);
        REQUIRE(now <= 3);
        CHECK(now != last);
        last = now;
        ++count[std::size_t(now)];
    }
    CHECK(*std::min_element(count.begin() + 1, count.end()) > 8);
}

TEST_CASE("a note of a group ends the others of it, not those of its own event", "[engine][layers]")
{
    auto instrument = levels({0.1f});
    duplicateLayer(instrument, 1);
    instrument.layers[1].levelDb = 20.0;
    for (auto& layer : instrument.layers)
        layer.chokeGroup = 3;
    instrument.layers[0].zones[0].highKey = 60;
    const auto out = play(instrument, {on(0.0, 60), on(0.3, 62), off(0.6, 60), off(0.6, 62)});
    CHECK_THAT(double(out.at(0.2)), WithinAbs(1.1, 0.01));
    CHECK_THAT(double(out.at(0.5)), WithinAbs(1.0, 0.01));
}

TEST_CASE("a layer plays no more notes than it may", "[engine][layers]")
{
    auto instrument = levels({0.1f});
    instrument.layers[0].voices = 2;
    const auto out = play(instrument, {on(0.0, 60), on(0.1, 61), on(0.2, 62), on(0.3, 63)});
    CHECK_THAT(double(out.at(0.05)), WithinAbs(0.1, 0.001));
    CHECK_THAT(double(out.at(0.15)), WithinAbs(0.2, 0.001));
    CHECK_THAT(double(out.at(0.28)), WithinAbs(0.2, 0.001));
    CHECK_THAT(double(out.at(0.4)), WithinAbs(0.2, 0.001));
}

TEST_CASE("a note of several voices counts as one, and goes as one", "[engine][layers]")
{
    auto instrument = levels({0.1f, 0.1f});
    instrument.layers[0].voices = 1;
    const auto out = play(instrument, {on(0.0, 60), on(0.3, 62), off(0.6, 62)});
    CHECK_THAT(double(out.at(0.2)), WithinAbs(0.2, 0.001));
    CHECK_THAT(double(out.at(0.5)), WithinAbs(0.2, 0.001));
    CHECK_THAT(double(out.at(0.8)), WithinAbs(0.0, 0.001));
}

TEST_CASE("unison: beside the pitch, apart in place, as loud as one", "[engine][layers]")
{
    auto instrument = toneOf(57.0);
    Layer& layer = instrument.layers[0];
    const auto events = [] { return std::vector<TimedEvent>{on(0.0, 57), off(1.5, 57)}; };
    const auto level = [](const std::vector<float>& side) {
        return rmsDb(std::span(side).subspan(9600, 48000));
    };
    const auto one = play(instrument, events());
    // Two, wholly apart: each side is one voice, one of them lower and the other higher.
    layer.unison = {2, 30.0, 1.0};
    const auto two = play(instrument, events());
    const auto keyOf = [](const std::vector<float>& side) {
        const std::vector<float> heard(side.begin() + 9600, side.begin() + 57600);
        return analysePitch(heard, rate).midi.value_or(0.0);
    };
    CHECK_THAT(keyOf(two.left), WithinAbs(56.7, 0.02));
    CHECK_THAT(keyOf(two.right), WithinAbs(57.3, 0.02));
    CHECK_THAT(level(two.left), WithinAbs(level(one.left) - 3.0, 0.2));
    // Eight in the middle beat, and are as loud as one on the whole.
    layer.unison = {8, 15.0, 0.0};
    const auto eight = play(instrument, events());
    CHECK(eight.left == eight.right);
    CHECK_THAT(level(eight.left), WithinAbs(level(one.left), 2.5));
    // They do not begin as one: that would be eight times as loud as it goes on.
    const auto attack = rmsDb(std::span(eight.left).subspan(960, 960));
    CHECK_THAT(attack, WithinAbs(rmsDb(std::span(one.left).subspan(960, 960)), 6.0));
}

TEST_CASE("the pitch follows the keys fully, partly or not at all", "[engine][layers]")
{
    auto instrument = toneOf(57.0);
    const auto keyAt = [&](int key) {
        return heardKey(play(instrument, {on(0.0, key), off(0.8, key)}), 0.2, 0.7);
    };
    instrument.layers[0].follow = 0.0;
    CHECK_THAT(keyAt(69), WithinAbs(57.0, 0.02));
    instrument.layers[0].follow = 0.5;
    CHECK_THAT(keyAt(69), WithinAbs(63.0, 0.02));
    instrument.layers[0].follow = 2.0;
    CHECK_THAT(keyAt(60), WithinAbs(63.0, 0.02));
    instrument.layers[0].follow = 1.0;
    instrument.layers[0].octave = -1;
    instrument.layers[0].fineCents = 50.0;
    instrument.layers[0].zones[0].tuneCents = -20.0;
    CHECK_THAT(keyAt(69), WithinAbs(57.3, 0.02));
}

TEST_CASE("one note: a new one ends the last, letting go goes back", "[engine][layers][one]")
{
    auto instrument = toneOf(57.0);
    instrument.layers[0].notes = Notes::one;
    const auto out = play(instrument, {on(0.0, 57), on(0.6, 64), off(1.2, 64), off(1.8, 57)});
    CHECK_THAT(heardKey(out, 0.1, 0.5), WithinAbs(57.0, 0.02));
    CHECK_THAT(heardKey(out, 0.7, 1.1), WithinAbs(64.0, 0.02));
    CHECK_THAT(heardKey(out, 1.3, 1.7), WithinAbs(57.0, 0.02));
    CHECK(double(out.left.size()) / rate < 2.2);
    // A key that is no longer held is not gone back to.
    const auto done = play(instrument, {on(0.0, 57), on(0.4, 64), off(0.6, 57), off(0.8, 64)});
    CHECK(double(done.left.size()) / rate < 1.2);
}

TEST_CASE("tied notes glide without a new attack, and take their time", "[engine][layers][one]")
{
    auto instrument = toneOf(57.0);
    auto& layer = instrument.layers[0];
    layer.notes = Notes::tied;
    layer.glide.seconds = 0.4;
    layer.envelope.attack = 0.3;
    const auto out = play(instrument, {on(0.0, 57), on(1.0, 64), off(2.0, 64), off(3.0, 57)});
    CHECK_THAT(heardKey(out, 0.5, 0.95), WithinAbs(57.0, 0.03));
    // Half-way in the middle of the glide, give or take what a reading of 80 ms sees.
    CHECK_THAT(heardKey(out, 1.16, 1.24), WithinAbs(60.5, 0.4));
    CHECK_THAT(heardKey(out, 1.5, 1.9), WithinAbs(64.0, 0.03));
    CHECK_THAT(heardKey(out, 2.5, 2.9), WithinAbs(57.0, 0.03));
    // No dip where the second note begins: the attack of 0.3 s is not begun anew.
    const auto level = [&](double from) {
        return rmsDb(std::span(out.left).subspan(std::size_t(from * rate), 2400));
    };
    for (double t = 0.9; t < 2.8; t += 0.05)
        CHECK_THAT(level(t), WithinAbs(level(0.8), 1.0));
    // Apart, the next note has its attack.
    const auto apart = play(instrument, {on(0.0, 57), off(0.8, 57), on(1.0, 64), off(1.5, 64)});
    CHECK(rmsDb(std::span(apart.left).subspan(std::size_t(1.0 * rate), 2400)) < -18.0);
}

TEST_CASE("the second pedal holds what was down when it was pressed", "[engine][midi]")
{
    auto instrument = levels({0.1f}, 4.0);
    const auto out = play(instrument,
        {on(0.0, 60), pedal(0.1, 66, true), on(0.2, 62), off(0.3, 60), off(0.4, 62),
            pedal(0.6, 66, false)});
    CHECK_THAT(double(out.at(0.25)), WithinAbs(0.2, 0.001));
    CHECK_THAT(double(out.at(0.5)), WithinAbs(0.1, 0.001));
    CHECK_THAT(double(out.at(0.7)), WithinAbs(0.0, 0.001));
}

TEST_CASE("the wheel reaches as far as the layer says", "[engine][midi]")
{
    auto instrument = toneOf(57.0);
    instrument.layers[0].bendSemitones = 12.0;
    const auto out =
        play(instrument, {{0.0, {MidiEvent::Kind::bend, 0, 0, -1.0f}}, on(0.3, 69), off(1.0, 69)});
    CHECK_THAT(heardKey(out, 0.5, 0.95), WithinAbs(57.0, 0.02));
}

TEST_CASE("a layer that is changed while it sounds goes on", "[engine][layers][program]")
{
    auto instrument = toneOf(57.0);
    Compiler compiler;
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    engine->setProgram(compiler.compile(instrument, rate));
    std::vector<float> left(4800), right(4800);
    engine->process(left.data(), right.data(), 0);
    engine->handle(MidiEvent::noteOn(57, 100));
    engine->process(left.data(), right.data(), 4800);
    instrument.layers[0].envelope.sustainDb = -6.0;
    instrument.layers[0].bendSemitones = 5.0;
    engine->setProgram(compiler.compile(instrument, rate));
    engine->process(left.data(), right.data(), 4800);
    CHECK(engine->look().voices == 1);
    instrument.layers[0].on = false;
    engine->setProgram(compiler.compile(instrument, rate));
    for (int i = 0; i < 4; ++i)
        engine->process(left.data(), right.data(), 4800);
    CHECK(engine->look().voices == 0);
    CHECK(rmsDb(left) < -120.0);
}

TEST_CASE("held keys sound what comes to answer them", "[engine][layers][program]")
{
    auto instrument = toneOf(57.0);
    instrument.layers[0].zones[0].highKey = 70;
    Compiler compiler;
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    std::vector<float> left(4800), right(4800);
    const auto playOn = [&](int blocks) {
        for (int i = 0; i < blocks; ++i)
            engine->process(left.data(), right.data(), 4800);
    };
    const auto change = [&](const Instrument& to) {
        engine->setProgram(compiler.compile(to, rate));
        playOn(2);
    };
    const auto letGo = [&] {
        engine->handle(MidiEvent::noteOff(57));
        playOn(20);
    };
    engine->setProgram(compiler.compile(instrument, rate));
    playOn(1);
    engine->handle(MidiEvent::noteOn(57, 100));
    playOn(1);
    REQUIRE(engine->look().voices == 1);
    SECTION("a layer that is switched off and on")
    {
        auto off = instrument;
        off.layers[0].on = false;
        change(off);
        CHECK(rmsDb(left) < -120.0);
        change(instrument);
        CHECK(engine->look().voices == 1);
        CHECK(rmsDb(left) > -30.0);
        letGo();
        change(off);
        change(instrument);
        CHECK(engine->look().voices == 0); // nobody holds it
    }
    SECTION("another instrument")
    {
        auto other = toneOf(60.0);
        other.layers[0].id = 900;
        other.layers[0].zones[0].id = 901;
        other.layers[0].zones[0].lowKey = 40;
        change(other);
        CHECK(engine->look().voices == 1);
        CHECK(rmsDb(left) > -30.0);
    }
    SECTION("a take that takes the place of another")
    {
        auto other = instrument;
        other.layers[0].zones[0].id = 901;
        change(other);
        CHECK(engine->look().voices == 1);
        CHECK(rmsDb(left) > -30.0);
    }
    SECTION("a zone that is stretched away and back sounds once")
    {
        auto away = instrument;
        away.layers[0].zones[0].lowKey = 58;
        change(away);
        CHECK(rmsDb(left) < -120.0);
        change(instrument);
        CHECK(engine->look().voices == 1);
        CHECK(rmsDb(left) > -30.0);
        letGo();
        change(away);
        engine->handle(MidiEvent::noteOn(57, 100));
        playOn(1);
        CHECK(engine->look().voices == 0);
        change(instrument);
        CHECK(engine->look().voices == 1);
    }
    SECTION("a border that passes a held key leaves it to the neighbour, and back")
    {
        auto shared = instrument;
        shared.takes.push_back(shared.takes[0]);
        shared.takes.back().id = 77;
        shared.takes.back().tuning.fineCents += 700.0; // to tell them apart
        Zone next = shared.layers[0].zones[0];
        next.id = 901;
        next.take = 77;
        next.lowKey = 71;
        next.highKey = 90;
        shared.layers[0].zones.push_back(next);
        change(shared);
        CHECK(engine->look().voices == 1);
        for (const bool passed : {true, false, true}) {
            auto dragged = shared;
            dragged.layers[0].zones[0].highKey = passed ? 50 : 70;
            dragged.layers[0].zones[1].lowKey = passed ? 51 : 71;
            change(dragged);
            CHECK(engine->look().voices == 1);
            CHECK_THAT(
                analysePitch(left, rate).midi.value_or(0.0), WithinAbs(passed ? 64.0 : 57.0, 0.05));
        }
    }
    SECTION("what sounds on release waits for it, what was played to its end stays silent")
    {
        auto more = instrument;
        more.takes[0].loop.on = false;
        addLayer(more);
        Zone zone = more.layers[0].zones[0];
        zone.id = 902;
        more.layers[1].zones = {zone};
        more.layers[1].when = SoundsWhen::release;
        change(more);
        CHECK(engine->look().voices == 1);
        playOn(60); // past the end of the take
        REQUIRE(engine->look().voices == 0);
        more.layers[0].envelope.release = 0.5;
        change(more);
        CHECK(engine->look().voices == 0);
    }
    SECTION("of a layer that plays one note, the key that was pressed last")
    {
        auto one = instrument;
        one.layers[0].notes = Notes::one;
        auto off = one;
        off.layers[0].on = false;
        change(off);
        engine->handle(MidiEvent::noteOn(64, 100));
        engine->handle(MidiEvent::noteOn(60, 100));
        playOn(1);
        change(one);
        REQUIRE(engine->look().voices == 1);
        CHECK_THAT(analysePitch(left, rate).midi.value_or(0.0), WithinAbs(60.0, 0.05));
    }
}

TEST_CASE("whatever becomes of zones under held keys, what is heard is finite",
    "[engine][layers][program][bad-input]")
{
    auto instrument = toneOf(57.0);
    for (int id = 900; id < 903; ++id) {
        Zone zone = instrument.layers[0].zones[0];
        zone.id = id;
        instrument.layers[0].zones.push_back(zone);
    }
    Compiler compiler;
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    std::vector<float> left(512), right(512);
    std::mt19937 random(7);
    const auto any = [&](int most) { return int(random() % unsigned(most + 1)); };
    for (int turn = 0; turn < 400; ++turn) {
        Zone& zone = instrument.layers[0].zones[std::size_t(any(3))];
        zone.lowKey = any(127);
        zone.highKey = zone.lowKey + any(127 - zone.lowKey);
        zone.lowKeyFade = any(12);
        zone.highKeyFade = any(12);
        zone.lowVelocity = 1 + any(126);
        zone.highVelocity = zone.lowVelocity + any(127 - zone.lowVelocity);
        zone.lowVelocityFade = any(40);
        zone.highVelocityFade = any(40);
        instrument.layers[0].on = any(9) > 0;
        engine->setProgram(compiler.compile(sanitized(instrument), rate));
        const int key = 36 + any(48);
        engine->handle(any(2) > 0 ? MidiEvent::noteOn(key, 1 + any(126)) : MidiEvent::noteOff(key));
        engine->process(left.data(), right.data(), 512);
        float most = 0.0f;
        for (const float sample : left)
            most = std::isfinite(sample) ? std::max(most, std::abs(sample)) : 1e9f;
        // All keys at once, of a sound of -10 dB.
        REQUIRE(most < 20.0f);
    }
}

TEST_CASE("one note goes back to a key that its layer plays, not to any", "[engine][layers][one]")
{
    auto instrument = toneOf(57.0);
    instrument.layers[0].notes = Notes::one;
    instrument.layers[0].zones[0].highKey = 70;
    // 80 was pressed last of those that are held, and belongs to nobody.
    const auto out = play(instrument,
        {on(0.0, 57), on(0.2, 80), on(0.4, 64), off(0.8, 64), off(1.4, 57), off(1.4, 80)});
    CHECK_THAT(heardKey(out, 0.5, 0.75), WithinAbs(64.0, 0.02));
    CHECK_THAT(heardKey(out, 0.9, 1.35), WithinAbs(57.0, 0.02));
}

TEST_CASE("a level or a place that is turned is heard on the held note, without a step",
    "[engine][layers][program]")
{
    auto instrument = levels({0.2f}, 4.0);
    Compiler compiler;
    const auto owner = std::make_unique<Engine>();
    owner->prepare(rate);
    owner->setProgram(compiler.compile(instrument, rate));
    std::vector<float> left(4800), right(4800);
    owner->process(left.data(), right.data(), 0);
    owner->handle(MidiEvent::noteOn(60, 127));
    owner->process(left.data(), right.data(), 4800);
    const float before = left.back();
    instrument.layers[0].levelDb = -6.0205999;
    instrument.layers[0].zones[0].pan = -1.0;
    owner->setProgram(compiler.compile(instrument, rate));
    owner->process(left.data(), right.data(), 4800);
    CHECK_THAT(double(left.back()), WithinAbs(0.5 * double(before), 0.001));
    CHECK_THAT(double(right.back()), WithinAbs(0.0, 0.001));
    // A sixth of the way in a cell of 32 frames.
    float worst = std::abs(left.front() - before);
    for (std::size_t i = 1; i < left.size(); ++i)
        worst = std::max(worst, std::abs(left[i] - left[i - 1]));
    CHECK(double(worst) < 0.001);
}

TEST_CASE("a sound on release falls with the time that the key was held", "[engine][layers]")
{
    auto instrument = levels({0.4f});
    instrument.layers[0].when = SoundsWhen::release;
    instrument.layers[0].fallDbPerSecond = 12.0;
    const auto heldFor = [&](double seconds) {
        const auto out = play(instrument, {on(0.0, 60), off(seconds, 60)});
        return double(out.at(seconds + 0.3));
    };
    CHECK_THAT(heldFor(0.5), WithinAbs(0.4 * std::pow(10.0, -6.0 / 20.0), 0.003));
    CHECK_THAT(heldFor(1.5), WithinAbs(0.4 * std::pow(10.0, -18.0 / 20.0), 0.003));
}

TEST_CASE("turns go on from key to key where they are the layer's", "[engine][layers]")
{
    auto instrument = levels({0.1f, 0.2f, 0.4f}, 0.3);
    instrument.layers[0].sameKeys = SameKeys::inTurn;
    const auto heard = [&] {
        std::vector<TimedEvent> events;
        for (int i = 0; i < 4; ++i) {
            events.push_back(on(0.5 * i, 60 + i));
            events.push_back(off(0.5 * i + 0.2, 60 + i));
        }
        const auto out = play(instrument, events);
        std::vector<double> found;
        for (int i = 0; i < 4; ++i)
            found.push_back(double(out.at(0.5 * i + 0.1)));
        return found;
    };
    for (const double level : heard())
        CHECK_THAT(level, WithinAbs(0.1, 0.001)); // each key has its own turn
    instrument.layers[0].turnsOverAllKeys = true;
    const auto shared = heard();
    CHECK_THAT(shared[0], WithinAbs(0.1, 0.001));
    CHECK_THAT(shared[1], WithinAbs(0.2, 0.001));
    CHECK_THAT(shared[2], WithinAbs(0.4, 0.001));
    CHECK_THAT(shared[3], WithinAbs(0.1, 0.001));
}

TEST_CASE("a blend goes from layer to layer at equal power", "[engine][layers]")
{
    auto instrument = levels({0.4f});
    for (int i = 0; i < 2; ++i)
        duplicateLayer(instrument, 1);
    CHECK(blendGain(instrument, instrument.layers[1]) == 1.0); // nobody blends
    for (auto& layer : instrument.layers)
        layer.blends = true;
    for (const double at : {0.0, 0.2, 0.5, 0.8, 1.0}) {
        instrument.blend = at;
        double power = 0.0;
        for (const auto& layer : instrument.layers)
            power += std::pow(blendGain(instrument, layer), 2.0);
        CHECK_THAT(power, WithinAbs(1.0, 1e-9));
    }
    instrument.blend = 0.25; // half-way between the first two
    const auto out = play(instrument, {on(0.0, 60), off(0.5, 60)});
    CHECK_THAT(double(out.at(0.3)), WithinAbs(0.4 * 2.0 * std::sqrt(0.5), 0.002));
}
