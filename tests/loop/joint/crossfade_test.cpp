// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/crossfade.h"

#include "audio/level.h"
#include "loop/joint/bake.h"
#include "loop/joint/closeup.h"
#include "loop/joint/evening.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

Loop loopOf(
    std::int64_t start, std::int64_t end, std::int64_t fade, FadeCurve curve = FadeCurve::automatic)
{
    Loop loop;
    loop.on = true;
    loop.span = {Frames{start}, Frames{end}};
    loop.crossfade = Frames{fade};
    loop.curve = curve;
    return loop;
}

} // namespace

TEST_CASE("after the mix the end goes on as the start does", "[loop][crossfade]")
{
    const auto curve = GENERATE(FadeCurve::automatic, FadeCurve::linear, FadeCurve::equalPower);
    const Audio audio = mono(noise(48000.0, 1.0));
    const Loop loop = loopOf(12000, 40000, 6000, curve);
    const auto baked = bakeLoop(audio, loop);
    const auto& turn = baked.turn.channels[0];
    REQUIRE(turn.size() == 28000);
    CHECK(baked.from == 12000);
    CHECK(baked.changed == 22000);
    CHECK(baked.rounds == 1);
    // One frame before the end only the beginning's side is left, up to the last step of the fade.
    CHECK_THAT(double(turn[27999]), WithinAbs(double(audio.channels[0][11999]), 2e-3));
    for (std::size_t i = 0; i < 22000; i += 99)
        REQUIRE(turn[i] == audio.channels[0][12000 + i]);
}

TEST_CASE(
    "the automatic fade keeps the loudness whatever both sides have in common", "[loop][crossfade]")
{
    // Two noises mixed so that the sides have a known correlation.
    const double wanted = GENERATE(-0.3, 0.0, 0.3, 0.6, 0.9, 1.0);
    CAPTURE(wanted);
    constexpr std::int64_t fade = 24000, length = 48000;
    const auto a = noise(48000.0, 1.0, 0.3, 1), b = noise(48000.0, 1.0, 0.3, 2);
    std::vector<float> wave(std::size_t(fade + length));
    for (std::size_t i = 0; i < std::size_t(fade); ++i)
        wave[i] = a[i];
    for (std::size_t i = std::size_t(fade); i < std::size_t(length); ++i)
        wave[i] = b[i - std::size_t(fade)];
    const double other = std::sqrt(1.0 - wanted * wanted);
    for (std::size_t i = 0; i < std::size_t(fade); ++i)
        wave[std::size_t(length) + i] =
            float(wanted * double(a[i]) + other * double(b[24000 + i % 24000]));
    const Audio audio = mono(wave);
    const Loop loop = loopOf(fade, fade + length, fade);
    CHECK_THAT(sideCorrelation(audio, loop.span, fade), WithinAbs(wanted, 0.05));
    const Audio turn = bakeLoop(audio, loop).turn;
    const double whole = rmsDb(a);
    for (std::int64_t at = length - fade; at + 4800 <= length; at += 2400) {
        const auto part = std::span(turn.channels[0]).subspan(std::size_t(at), 4800);
        // Half a decibel is the smallest change of level that is noticed on steady sounds; a tenth
        // of a second of noise varies by about 0.1 dB itself.
        CHECK_THAT(rmsDb(part), WithinAbs(whole, 0.5));
    }
}

TEST_CASE("evening out takes the rise of the level away without a step", "[loop][evening]")
{
    auto wave = harmonicTone(240.0, 48000.0, 2.0);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] *= float(std::pow(10.0, 6.0 * double(i) / double(wave.size()) / 20.0)); // +6 dB
    const Audio audio = mono(wave);
    Loop loop = loopOf(24000, 72000, 4800);
    CHECK_THAT(levelRise(audio, loop.span, 4800).value, WithinAbs(3.0, 0.2));
    loop.evenOut = 1.0;
    const Audio turn = bakeLoop(audio, loop).turn;
    const auto level = [&](std::size_t from) {
        return rmsDb(std::span(turn.channels[0]).subspan(from, 2000));
    };
    for (const std::size_t at : {10000U, 20000U, 30000U, 40000U, 45000U})
        CHECK_THAT(level(at), WithinAbs(level(0), 0.3));
    CHECK_THAT(double(turn.channels[0][0]), WithinAbs(double(wave[24000]), 1e-6));
}

TEST_CASE("loops are clamped into their recording", "[loop][bad-input]")
{
    Noise next(11);
    for (int i = 0; i < 500; ++i) {
        Loop loop = loopOf(std::int64_t(next.between(-2000, 3000)),
            std::int64_t(next.between(-2000, 3000)), std::int64_t(next.between(-500, 5000)));
        loop.evenOut = next.between(-1.0, 2.0);
        loop.evenColour = i % 7 == 0 ? std::nan("") : next.between(-1.0, 2.0);
        loop.fraction = next.between(-2.0, 2.0);
        loop.mode = LoopMode(i % 4);
        const std::int64_t frames = std::int64_t(next.between(4, 1500));
        const Loop c = clampLoop(loop, frames);
        REQUIRE(c.span.start.value >= 0);
        REQUIRE(c.span.end.value <= frames);
        REQUIRE(c.span.length() >= shortestLoop);
        REQUIRE(c.crossfade.value >= 0);
        REQUIRE(c.crossfade <= longestCrossfade(c.span, c.mode));
        REQUIRE((c.evenColour >= 0.0 && c.evenColour <= 1.0));
        REQUIRE(std::abs(c.fraction) <= 0.5);
        if (c.on && frames >= shortestLoop) {
            auto wave = noise(48000.0, 0.05);
            wave.resize(std::size_t(frames));
            REQUIRE(bakeLoop(mono(wave), c).turn.frames() > 0);
        }
        REQUIRE(clampLoop(c, frames) == c);
    }
    CHECK_FALSE(clampLoop(loopOf(0, 2, 0), 2).on);
}

TEST_CASE("the close-up shows both sides of the joint in step", "[loop][closeup]")
{
    const Audio audio = mono(sine(480.0, 48000.0, 1.0)); // 100 frames a period
    const auto up = seamCloseUp(audio, loopOf(10000, 30000, 0), 150);
    REQUIRE(up.channels.size() == 1);
    REQUIRE(up.channels[0].end.size() == 300);
    REQUIRE(up.channels[0].start.size() == 300);
    for (std::size_t i = 0; i < 300; ++i)
        REQUIRE_THAT(
            double(up.channels[0].end[i]), WithinAbs(double(up.channels[0].start[i]), 1e-4));
    // Nothing before the recording, nothing behind it.
    const auto edge = seamCloseUp(audio, loopOf(50, 48000, 0), 100);
    CHECK(edge.channels[0].start[0] == 0.0f);
    CHECK(edge.channels[0].end[199] == 0.0f);
    // There and back: what comes is what was, mirrored at the turn.
    Loop back = loopOf(10000, 30000, 2000);
    back.mode = LoopMode::alternating;
    const auto turn = seamCloseUp(audio, back, 100);
    CHECK(turn.channels[0].end[0] == audio.channels[0][28900]);
    CHECK(turn.channels[0].start[0] == turn.channels[0].end[199]);
}
