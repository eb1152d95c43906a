// SPDX-License-Identifier: GPL-3.0-or-later
// Frozen moments: grains that overlap without ripple, in tune with the keys.
#include "engine/offline/render.h"
#include "pitch/report.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

/// A take of one second or more, frozen at its middle.
Instrument frozen(Take take)
{
    auto instrument = instrumentOf(std::move(take));
    Layer& layer = instrument.layers[0];
    layer.manner = Manner::frozen;
    layer.frozen.place = 0.5;
    layer.envelope = {0.0, 0.0, 0.0, 0.0, 0.0, 0.02};
    return instrument;
}

std::vector<float> hold(const Instrument& instrument, int key, double seconds = 2.0)
{
    return renderEvents(instrument,
        {{0.0, MidiEvent::noteOn(key, 100)}, {seconds, MidiEvent::noteOff(key)}}, rate, 0.2)
        .channels[0];
}

/// Largest step between the levels of stretches of so many seconds, dB.
double ripple(std::span<const float> sound, double seconds)
{
    const auto length = std::size_t(seconds * rate);
    double most = 0.0, least = 1e9;
    for (std::size_t from = 0; from + length <= sound.size(); from += length / 2) {
        double power = 0.0;
        for (std::size_t i = from; i < from + length; ++i)
            power += double(sound[i]) * double(sound[i]);
        most = std::max(most, power);
        least = std::min(least, power);
    }
    return 10.0 * std::log10(most / least);
}

std::span<const float> steady(const std::vector<float>& sound)
{
    return std::span(sound).subspan(std::size_t(0.6 * rate), std::size_t(1.2 * rate));
}

} // namespace

TEST_CASE("a frozen steady tone neither ripples nor leaves its pitch", "[engine][grains]")
{
    for (const double midi : {43.37, 57.03, 70.81}) {
        auto instrument = frozen(plainTake(mono(harmonicTone(hzOf(midi).value, rate, 2.0)), midi));
        const int root = instrument.takes[0].tuning.rootKey;
        for (const double size : {0.03, 0.08, 0.25})
            for (const int density : {2, 8})
                for (const bool hard : {false, true})
                    for (const int away : {-12, 0, 7}) {
                        Frozen& how = instrument.layers[0].frozen;
                        how.sizeSeconds = size;
                        how.density = density;
                        how.hardEdges = hard;
                        const auto sound = hold(instrument, root + away);
                        const int key = root + away;
                        CAPTURE(midi, size, density, hard, away);
                        // Stretches of ten periods, so that the tone's own wave is no ripple. The
                        // issue allows 0.5 dB and a cent.
                        CHECK(ripple(steady(sound), 10.0 / hzOf(double(key)).value) < 0.5);
                        const auto heard = analysePitch(steady(sound), rate).midi;
                        // Where a grain holds a period or two its edges colour the tone.
                        REQUIRE(heard);
                        CHECK_THAT(*heard, WithinAbs(double(key), 0.01));
                    }
    }
}

TEST_CASE("a grain shorter than a period is a tone of the key", "[engine][grains]")
{
    // A click in noise has no pitch of its own.
    auto instrument = frozen(plainTake(mono(noise(std::size_t(2.0 * rate), 7)), 60.0));
    instrument.layers[0].frozen.sizeSeconds = 0.001;
    for (const int key : {48, 60, 67, 76}) {
        const auto heard = analysePitch(steady(hold(instrument, key)), rate).midi;
        REQUIRE(heard);
        CHECK_THAT(*heard, WithinAbs(double(key), 0.05));
    }
}

TEST_CASE("frozen notes hold for ever, end when let go, and follow the place", "[engine][grains]")
{
    // Two halves of different level: the place tells which.
    std::vector<float> halves = harmonicTone(220.0, rate, 2.0);
    for (std::size_t i = halves.size() / 2; i < halves.size(); ++i)
        halves[i] *= 0.25f;
    auto instrument = frozen(plainTake(mono(halves), midiOf(Hz{220.0})));
    instrument.layers[0].frozen.place = 0.2;
    const auto loud = hold(instrument, 57, 5.0); // longer than the take
    instrument.layers[0].frozen.place = 0.8;
    const auto soft = hold(instrument, 57, 5.0);
    const auto level = [](const std::vector<float>& sound, double at) {
        double power = 0.0;
        for (auto i = std::size_t(at * rate); i < std::size_t((at + 0.5) * rate); ++i)
            power += double(sound[i]) * double(sound[i]);
        return 10.0 * std::log10(power + 1e-20);
    };
    CHECK_THAT(level(loud, 4.0) - level(soft, 4.0), WithinAbs(12.04, 0.2));
    CHECK_THAT(level(loud, 1.0), WithinAbs(level(loud, 4.0), 0.1));
    CHECK(loud.size() < std::size_t(5.4 * rate));
    // A loop bounds nothing: what lies behind it can be held as well.
    instrument.takes[0] = looped(instrument.takes[0], 4000, 24000, 500);
    CHECK_THAT(level(hold(instrument, 57, 5.0), 4.0), WithinAbs(level(soft, 4.0), 0.1));
}

TEST_CASE("whatever a frozen moment is asked for, it stays finite and sounds", "[engine][grains]")
{
    std::mt19937 random(3);
    const auto share = [&] { return std::uniform_real_distribution<>(0.0, 1.0)(random); };
    auto instrument = frozen(
        plainTake({rate, {harmonicTone(110.0, rate, 0.7), harmonicTone(165.0, rate, 0.7)}}, 45.0));
    for (int i = 0; i < 60; ++i) {
        Frozen& how = instrument.layers[0].frozen;
        how = {share(), 0.001 + 0.5 * share() * share(), 1 + int(32 * share()), share() * share(),
            share(), 1200.0 * share() * share(), 2.0 * share() - 1.0,
            Frozen::Direction(int(3 * share()) % 3), share() < 0.5};
        instrument = sanitized(instrument);
        const auto sound = hold(instrument, int(128 * share()) % 128, 0.5);
        CHECK(std::all_of(sound.begin(), sound.end(), [](float x) { return std::abs(x) <= 1.0f; }));
        CHECK(std::any_of(sound.begin(), sound.end(), [](float x) { return x != 0.0f; }));
    }
}

TEST_CASE("grains as notes follow the tempo", "[engine][grains][tempo]")
{
    // A noise: each place of it is different, so grains of other lengths sound different.
    auto instrument = frozen(plainTake(mono(noise(std::size_t(3.0 * rate), 9)), 60.0));
    instrument.tempo = 120.0;
    instrument.layers[0].frozen.sizeSeconds = 0.25;
    const auto inSeconds = hold(instrument, 60, 1.0);
    instrument.layers[0].frozen.sizeSeconds = 0.01;
    instrument.layers[0].frozen.sizeBeats = 0.5;
    CHECK(hold(instrument, 60, 1.0) == inSeconds);
    instrument.tempo = 60.0;
    CHECK(hold(instrument, 60, 1.0) != inSeconds);
}

TEST_CASE(
    "a frozen sine is as pure on other keys, wherever in a cell grains begin", "[engine][grains]")
{
    // The 25th harmonic of the tuning: a grain that began a part of a frame too early would stand
    // out by 40 dB.
    const double period = 220.0, hz = 25.0 * period;
    for (const int away : {0, 4, 7}) {
        auto instrument = frozen(plainTake(mono(sine(hz, rate, 3.0, 0.1)), midiOf(Hz{period})));
        instrument.layers[0].frozen.sizeSeconds = 4.0 / period / std::exp2(away / 12.0);
        const auto sound = hold(instrument, 57 + away, 2.2);
        CAPTURE(away);
        CHECK(
            sineToRestDb(std::span(sound).subspan(24000, 65536), hz * std::exp2(away / 12.0), rate)
            > 90.0);
    }
}
