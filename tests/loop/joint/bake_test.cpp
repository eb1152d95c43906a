// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/bake.h"

#include "audio/level.h"
#include "loop/joint/sides.h"
#include "loop/joint/tone.h"
#include "pitch/series/note.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

Loop loopOf(
    std::int64_t start, std::int64_t end, std::int64_t fade, LoopMode mode = LoopMode::forward)
{
    Loop loop;
    loop.on = true;
    loop.span = {Frames{start}, Frames{end}};
    loop.crossfade = Frames{fade};
    loop.mode = mode;
    return loop;
}

/// Frequency of a tone from where it stands in its wave a second apart.
double measuredHz(const std::vector<float>& turn, double near)
{
    // The turn played round and round; the phase of the partial over eight seconds.
    const auto phaseAt = [&](std::size_t from) {
        double re = 0.0, im = 0.0;
        constexpr std::size_t window = 24000;
        for (std::size_t i = 0; i < window; ++i) {
            const double x = double(turn[(from + i) % turn.size()])
                * (0.5 - 0.5 * std::cos(twoPi * double(i) / double(window)));
            re += x * std::cos(twoPi * near * double(from + i) / rate);
            im -= x * std::sin(twoPi * near * double(from + i) / rate);
        }
        return std::atan2(im, re);
    };
    double turned = 0.0, last = phaseAt(0);
    constexpr int steps = 80;
    for (int i = 1; i <= steps; ++i) {
        const double now = phaseAt(std::size_t(i) * 4800);
        turned += std::remainder(now - last, twoPi);
        last = now;
    }
    return near + turned / twoPi / (steps * 0.1);
}

} // namespace

TEST_CASE("a loop of few periods is in tune at every root", "[loop][bake][pitch]")
{
    // Loops of 2 ms and more, fitted to whole periods, whatever part of a frame is left over.
    const double hz = GENERATE(41.2, 110.37, 261.63, 439.11, 987.77, 1396.91, 3322.44);
    const auto periods = std::max<double>(1.0, std::ceil(0.002 * hz));
    CAPTURE(hz, periods);
    const Audio audio = mono(harmonicTone(hz, rate, 1.0, 4, 0.3));
    Loop loop = loopOf(20000, 20000 + std::llround(periods * rate / hz), 60);
    loop.crossfade = std::min(loop.crossfade, longestCrossfade(loop.span));
    loop = fittedToPeriods(loop, 1.0 / hz, rate, audio.frames());
    CHECK_THAT(loop.roundFrames(), WithinAbs(periods * rate / hz, 1e-6));
    const auto baked = bakeLoop(audio, loop);
    CHECK(baked.turn.frames() == turnFrames(loop));
    const double cents = 1200.0 * std::log2(measuredHz(baked.turn.channels[0], hz) / hz);
    CHECK_THAT(cents, WithinAbs(0.0, 0.2));
    // The wave itself goes on: no step where one round meets the next.
    const auto& turn = baked.turn.channels[0];
    float steepest = 0.0f;
    for (std::size_t i = 1; i < audio.channels[0].size(); ++i)
        steepest = std::max(steepest, std::abs(audio.channels[0][i] - audio.channels[0][i - 1]));
    for (std::size_t i = 0; i < turn.size(); ++i)
        REQUIRE(std::abs(turn[(i + 1) % turn.size()] - turn[i]) < 1.1f * steepest + 1e-4f);
}

TEST_CASE("there and back goes on without a step at both turns", "[loop][bake][alternating]")
{
    const std::int64_t fade = GENERATE(0, 2, 600, 9998);
    CAPTURE(fade);
    const Audio audio = mono(harmonicTone(220.0, rate, 1.0));
    const Loop loop = loopOf(10000, 30000, fade, LoopMode::alternating);
    const auto baked = bakeLoop(audio, loop);
    REQUIRE(baked.from == 10000 + fade);
    REQUIRE(baked.turn.frames() == 2 * (20000 - fade));
    CHECK(baked.changed == 20000 - 2 * fade);
    const auto& turn = baked.turn.channels[0];
    float steepest = 0.0f;
    for (std::size_t i = 1; i < audio.channels[0].size(); ++i)
        steepest = std::max(steepest, std::abs(audio.channels[0][i] - audio.channels[0][i - 1]));
    for (std::size_t i = 0; i < turn.size(); ++i)
        // The mix may lift by 4 dB where both ways are opposed, and the level is ridden.
        REQUIRE(std::abs(turn[(i + 1) % turn.size()] - turn[i]) < 2.0f * steepest + 1e-4f);
    // The way back is the way there, mirrored.
    for (std::int64_t i = 0; i < 20000 - 2 * fade; i += 77)
        REQUIRE(turn[std::size_t(20000 - fade + i)]
            == audio.channels[0][std::size_t(30000 - fade - 1 - i)]);
}

TEST_CASE("the place of a turn in the recording runs there and back", "[loop][bake]")
{
    const Loop back = loopOf(10000, 30000, 1000, LoopMode::alternating);
    CHECK(recordedPlace(back, 0.0) == Approx(11000.0));
    CHECK(recordedPlace(back, 18500.0) == Approx(29500.0)); // the middle of the turn at the end
    CHECK(recordedPlace(back, 19500.0) == Approx(28500.0));
    CHECK(recordedPlace(back, 37500.0) == Approx(10500.0));
    CHECK(recordedPlace(loopOf(100, 300, 0), 450.0) == Approx(150.0));
}

TEST_CASE("evening takes out a swing once a round, and brightness that fades", "[loop][evening]")
{
    auto wave = harmonicTone(240.0, rate, 3.0);
    SECTION("a swing of 6 dB")
    {
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] *= float(std::pow(10.0, 3.0 * std::cos(twoPi * double(i) / 48000.0) / 20.0));
        Loop loop = loopOf(48000, 96000, 2400);
        const auto swing = [&] {
            const auto turn = bakeLoop(mono(wave), loop).turn;
            return rmsDb(std::span(turn.channels[0]).subspan(0, 4800))
                - rmsDb(std::span(turn.channels[0]).subspan(24000, 4800));
        };
        CHECK_THAT(swing(), WithinAbs(5.9, 0.3));
        loop.evenOut = 1.0;
        CHECK_THAT(swing(), WithinAbs(0.0, 0.4));
        // It begins as the recording does.
        CHECK_THAT(double(bakeLoop(mono(wave), loop).turn.channels[0][0]),
            WithinAbs(double(wave[48000]), 1e-5));
    }
    SECTION("highs that fall by 6 dB")
    {
        const auto high = sine(6000.0, rate, 3.0, 0.1);
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] = float(0.3 * std::sin(twoPi * 240.0 * double(i) / rate)
                + std::pow(10.0, -6.0 * double(i) / 48000.0 / 20.0) * double(high[i]));
        Loop loop = loopOf(48000, 96000, 4800);
        const auto fall = [&] {
            const auto turn = bakeLoop(mono(wave), loop).turn;
            const auto highAt = [&](std::size_t from) {
                double re = 0.0, im = 0.0;
                for (std::size_t i = 0; i < 4800; ++i) {
                    re += double(turn.channels[0][from + i])
                        * std::cos(twoPi * 6000.0 * double(i) / rate);
                    im += double(turn.channels[0][from + i])
                        * std::sin(twoPi * 6000.0 * double(i) / rate);
                }
                return 20.0 * std::log10(std::hypot(re, im));
            };
            return highAt(0) - highAt(38000);
        };
        CHECK_THAT(fall(), WithinAbs(4.75, 0.3));
        loop.evenColour = 1.0;
        CHECK_THAT(fall(), WithinAbs(0.0, 0.8));
    }
}

TEST_CASE("each band keeps its power where the bands disagree", "[loop][crossfade]")
{
    // Low partials meet in phase, high ones against each other: one law for both would leave a hole
    // of 3 dB and more in the highs.
    FadeSides sides{{sine(400.0, rate, 0.2, 0.3)}, {sine(400.0, rate, 0.2, 0.3)}};
    const auto high = sine(9000.0, rate, 0.2, 0.2);
    for (std::size_t i = 0; i < high.size(); ++i) {
        sides.ending[0][i] += high[i];
        // A third of a turn away: correlation -0.5.
        sides.beginning[0][i] +=
            float(0.2 * std::sin(twoPi * (9000.0 * double(i) / rate + 1.0 / 3.0)));
    }
    const auto mixed = mixSides(sides, FadeCurve::automatic, rate);
    const auto highLevel = [&](std::size_t from) {
        double re = 0.0, im = 0.0;
        for (std::size_t i = from; i < from + 480; ++i) {
            re += double(mixed[0][i]) * std::cos(twoPi * 9000.0 * double(i) / rate);
            im += double(mixed[0][i]) * std::sin(twoPi * 9000.0 * double(i) / rate);
        }
        return 20.0 * std::log10(std::hypot(re, im));
    };
    const double whole = highLevel(0);
    for (std::size_t at = 480; at + 480 < mixed[0].size(); at += 480)
        CHECK_THAT(highLevel(at), WithinAbs(whole, 0.8));
    CHECK_THAT(rmsDb(std::span(mixed[0]).subspan(4560, 480)),
        WithinAbs(rmsDb(std::span(mixed[0]).subspan(0, 480)), 0.5));
}

TEST_CASE("beating inside the crossfade is ridden", "[loop][crossfade]")
{
    // Two tones that run in phase at first and against each other at last: no single correlation
    // serves both ends.
    FadeSides sides{{sine(500.0, rate, 0.25, 0.4)}, {sine(502.0, rate, 0.25, 0.4)}};
    const auto mixed = mixSides(sides, FadeCurve::automatic, rate);
    const double whole = rmsDb(sides.ending[0]);
    for (std::size_t at = 0; at + 960 <= mixed[0].size(); at += 480) {
        CAPTURE(at);
        CHECK_THAT(rmsDb(std::span(mixed[0]).subspan(at, 960)), WithinAbs(whole, 0.5));
    }
    // Equal power, which is right in the mean, bumps and dips by more.
    const auto plain = mixSides(sides, FadeCurve::equalPower, rate);
    CHECK(rmsDb(std::span(plain[0]).subspan(3000, 960)) > whole + 1.0);
    CHECK(rmsDb(std::span(plain[0]).subspan(8000, 960)) < whole - 1.0);
}

TEST_CASE("a loop lead out goes on as the loop, then as recorded", "[loop][bake]")
{
    const Audio audio = mono(noise(rate, 1.0));
    const Loop loop = loopOf(12000, 20000, 1000, LoopMode::untilRelease);
    const auto baked = bakeLoop(audio, loop);
    const auto leaving = leaveLoop(audio, loop, baked, 64, 40000);
    REQUIRE(leaving.frames() == 20000);
    for (std::size_t i = 0; i < 64; ++i)
        REQUIRE(leaving.channels[0][i] == baked.turn.channels[0][i]);
    for (std::size_t i = 4000; i < 20000; i += 333)
        REQUIRE(leaving.channels[0][i] == audio.channels[0][20000 + i]);
    CHECK(leaveLoop(audio, loop, baked, 64, 20010).frames() == 10);
    CHECK(leaveLoop(audio, loop, baked, 64, 100).frames() == 0);
}
