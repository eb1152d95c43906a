// SPDX-License-Identifier: GPL-3.0-or-later
// Layers that keep the length of their takes on every key.
#include "engine/offline/render.h"
#include "engine/program/program.h"
#include "loop/search/finder.h"
#include "pitch/report.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

Instrument keeping(Take take)
{
    auto instrument = instrumentOf(std::move(take));
    instrument.layers[0].manner = Manner::keepsLength;
    instrument.layers[0].envelope = {0.0, 0.0, 0.0, 0.0, 0.0, 0.02};
    return instrument;
}

/// A tone of 0.8 s with silence behind it: where it ends is its length.
Take shortTone(double midi)
{
    auto sound = harmonicTone(hzOf(midi).value, rate, 0.8);
    sound.resize(std::size_t(1.6 * rate));
    return plainTake(mono(sound), midi);
}

double soundingSeconds(const std::vector<float>& sound)
{
    float most = 0.0f;
    for (const float x : sound)
        most = std::max(most, std::abs(x));
    std::size_t last = 0;
    for (std::size_t i = 0; i < sound.size(); ++i)
        if (std::abs(sound[i]) > 0.3f * most)
            last = i;
    return double(last) / rate;
}

} // namespace

TEST_CASE("every key has its pitch and the length of the root", "[engine][length]")
{
    const auto instrument = keeping(shortTone(57.0));
    for (const int away : {-12, -7, -1, 0, 4, 12}) {
        const int key = 57 + away;
        const auto sound = renderEvents(instrument,
            {{0.0, MidiEvent::noteOn(key, 100)}, {2.0, MidiEvent::noteOff(key)}}, rate, 0.2)
                               .channels[0];
        CAPTURE(away);
        // The marks: 2 cents, 1 %, and what the fading of a stretched end takes.
        CHECK_THAT(soundingSeconds(sound), WithinAbs(0.8, 0.015));
        const auto heard = analysePitch(
            std::span(sound).subspan(std::size_t(0.2 * rate), std::size_t(0.5 * rate)), rate)
                               .midi;
        REQUIRE(heard);
        CHECK_THAT(*heard, WithinAbs(double(key), 0.02));
    }
}

TEST_CASE("the loop of every prepared key is seamless where the take's own is", "[engine][length]")
{
    auto take = plainTake(mono(harmonicTone(220.0, rate, 2.0)), midiOf(Hz{220.0}));
    take.tuning.source = TuningSource::byHand;
    const auto found = findLoops(take.audio(), take.kept, take.period());
    REQUIRE(found.verdict == SeamVerdict::seamless);
    take.loop = found.candidates[0].loop;
    take.loop.on = true;
    for (const double semitones : {-12.0, -7.0, -6.0, 1.0, 3.0, 7.0, 12.0}) {
        const auto made = makeKept(take, semitones, false);
        REQUIRE(made);
        CHECK(made->take.loop.on);
        const double period = *take.period() / std::exp2(semitones / 12.0);
        CAPTURE(semitones);
        CHECK(judgeLoop(made->take.audio(), made->take.loop, period).cost <= 1.0);
        CHECK_THAT(double(made->take.loop.span.length()) / double(take.loop.span.length()),
            WithinAbs(1.0, 0.01 + 1.3 * period * rate / double(take.loop.span.length())));
    }
}

TEST_CASE("a program plays prepared keys and the take itself on the others", "[engine][length]")
{
    const auto instrument = keeping(shortTone(57.0));
    const Take& take = instrument.takes[0];
    KeptLengths lengths;
    for (const int key : {60, 61, 70}) {
        const auto wish = keptWish(instrument.layers[0], take, key);
        lengths.put(wish, makeKept(take, wish.semitones, wish.formants));
    }
    Compiler compiler;
    const auto program = compiler.compile(instrument, rate, lengths);
    const auto soundOn = [&](int key) {
        return program->zone(instrument.layers[0].zones[0].id, key)->sound;
    };
    CHECK(soundOn(59) == soundOn(62));
    CHECK(soundOn(59) == soundOn(71));
    CHECK(soundOn(60) != soundOn(59));
    CHECK(soundOn(60) != soundOn(61));
    for (int key = 0; key < 128; ++key)
        REQUIRE(program->zonesOfKey[std::size_t(key)].size() == 1);
    CHECK(lackingLengths(instrument, lengths).size() == wantedLengths(instrument).size() - 3);
    // A moved loop wants new joints, but no new sound.
    auto moved = instrument;
    moved.takes[0].kept.end.value -= 100;
    const auto wish = keptWish(moved.layers[0], moved.takes[0], 60);
    CHECK(lengths.find(moved.takes[0], wish) == nullptr);
    const auto known = lengths.alike(moved.takes[0], wish);
    REQUIRE(known);
    const auto again = makeKept(moved.takes[0], wish.semitones, wish.formants, {}, known.get());
    CHECK(again->take.sound() == known->take.sound());
    // And what nobody wants any more goes.
    moved.layers[0].manner = Manner::asRecorded;
    lengths.keepFor(moved);
    CHECK(lengths.count() == 0);
}

TEST_CASE("a long recording's piece is moved alone", "[engine][length]")
{
    auto take = plainTake(mono(harmonicTone(220.0, rate, 30.0)), midiOf(Hz{220.0}));
    take.kept = {Frames{std::int64_t(10.0 * rate)}, Frames{std::int64_t(11.0 * rate)}};
    const auto made = makeKept(take, 5.0, true);
    REQUIRE(made);
    CHECK(made->take.audio().seconds() < 4.0);
    CHECK(made->from + made->take.kept.start.value == take.kept.start.value);
    CHECK(made->take.kept.length() == take.kept.length());
}
