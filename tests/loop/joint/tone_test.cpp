// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/tone.h"

#include "loop/search/remedy.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

Loop loopOf(std::int64_t start, std::int64_t end, std::int64_t fade = 0)
{
    Loop loop;
    loop.on = true;
    loop.span = {Frames{start}, Frames{end}};
    loop.crossfade = Frames{fade};
    return loop;
}

} // namespace

TEST_CASE("a slice of noise is a tone of its own", "[loop][tone]")
{
    const Audio audio = mono(noise(rate, 0.5));
    const auto length = GENERATE(96, 211, 480, 1201);
    const auto tone = loopTone(audio, loopOf(5000, 5000 + length, 50));
    REQUIRE(tone);
    CHECK_THAT(tone->value, WithinAbs(rate / length, 1e-6));
}

TEST_CASE("several periods in a short loop are heard as their own pitch", "[loop][tone]")
{
    const Audio audio = mono(harmonicTone(400.0, rate, 0.5)); // 120 frames a period
    for (const int periods : {1, 2, 5, 7}) {
        const auto tone = loopTone(audio, loopOf(6000, 6000 + 120 * periods));
        REQUIRE(tone);
        CHECK_THAT(tone->value, WithinAbs(400.0, 1e-6));
    }
    Loop fraction = loopOf(6000, 6119);
    fraction.fraction = 0.25;
    CHECK_THAT(loopTone(audio, fraction)->value, WithinAbs(rate / 119.25, 1e-6));
    CHECK_FALSE(loopTone(audio, loopOf(6000, 12000))); // 125 ms: no tone
    CHECK_FALSE(loopTone(mono(silence(rate, 0.5)), loopOf(6000, 6200)));
    Loop off = loopOf(6000, 6120);
    off.on = false;
    CHECK_FALSE(loopTone(audio, off));
}

TEST_CASE("fitting finds the nearest whole number of periods", "[loop][tone]")
{
    const double period = 1.0 / 441.0;
    const auto fitted = fittedToPeriods(loopOf(1000, 1000 + 325), period, rate, 48000);
    CHECK_THAT(fitted.roundFrames(), WithinAbs(3.0 * rate / 441.0, 1e-9));
    CHECK(std::abs(fitted.fraction) <= 0.5);
    // At least one, and never beyond what may be looped.
    CHECK_THAT(fittedToPeriods(loopOf(1000, 1010), period, rate, 48000).roundFrames(),
        WithinAbs(rate / 441.0, 1e-9));
    const Loop last = loopOf(47950, 48000);
    CHECK(fittedToPeriods(last, period, rate, 48000) == last);
}

TEST_CASE("posts step from match to match", "[loop][tone]")
{
    const Audio audio = mono(harmonicTone(200.0, rate, 1.0)); // 240 frames a period
    const double period = 1.0 / 200.0;
    const Loop loop = loopOf(10000, 10000 + 240 * 20, 800);
    CHECK(nextMatchingEnd(audio, loop, true, period) == loop.span.end.value + 240);
    CHECK(nextMatchingEnd(audio, loop, false, period) == loop.span.end.value - 240);
    CHECK(nextMatchingStart(audio, loop, true, period) == 10240);
    CHECK(nextMatchingStart(audio, loop, false, period) == 9760);
    // From somewhere between two matches to the nearer side asked for.
    Loop off = loop;
    off.span.end.value += 100;
    CHECK(nextMatchingEnd(audio, off, true, period) == loop.span.end.value + 240);
    // At the very end there is none: it stays.
    const Loop last = loopOf(10000, audio.frames(), 800);
    CHECK(nextMatchingEnd(audio, last, true, period) == audio.frames());
}

TEST_CASE("a remedy does what it says", "[loop][remedy]")
{
    auto wave = harmonicTone(240.0, rate, 3.0);
    Loop loop = loopOf(30000, 30000 + 200 * 240, 2400);
    SECTION("a pulse is evened out")
    {
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] *= float(std::pow(10.0, 3.0 * std::cos(twoPi * double(i) / 48000.0) / 20.0));
        const auto judged = judgeLoop(mono(wave), loop, 1.0 / 240.0);
        REQUIRE(seamVerdict(judged.cost) == SeamVerdict::audible);
        CHECK(describeSeam(judged.seam, 1.0).said().find("pulses by") == 0);
        const auto remedy = loopRemedy(mono(wave), mono(wave).whole(), judged, 1.0 / 240.0);
        REQUIRE(remedy);
        CHECK(remedy->name == "Even out the level");
        CHECK(remedy->result.loop.evenOut == 1.0);
        CHECK(seamVerdict(remedy->result.cost) == SeamVerdict::seamless);
    }
    SECTION("a click is moved away")
    {
        loop.span.end.value += 97;
        loop.crossfade = Frames{0};
        const Audio audio = mono(wave);
        const auto judged = judgeLoop(audio, loop, 1.0 / 240.0);
        REQUIRE(seamVerdict(judged.cost) == SeamVerdict::audible);
        const auto remedy = loopRemedy(audio, audio.whole(), judged, 1.0 / 240.0);
        REQUIRE(remedy);
        CHECK(seamVerdict(remedy->result.cost) == SeamVerdict::seamless);
    }
    SECTION("a few milliseconds are a tone and do not pulse")
    {
        const Audio slice = mono(noise(rate, 1.0));
        CHECK(judgeLoop(slice, loopOf(20000, 20300, 60), std::nullopt).seam.pulseDb == 0.0);
    }
    SECTION("a seamless loop needs none")
    {
        const Audio audio = mono(wave);
        CHECK_FALSE(
            loopRemedy(audio, audio.whole(), judgeLoop(audio, loop, 1.0 / 240.0), 1.0 / 240.0));
    }
    SECTION("a short loop out of tune is fitted")
    {
        const Audio audio = mono(wave);
        loop = loopOf(30000, 30000 + 203, 100); // 200 frames a period: 26 cents
        const auto judged = judgeLoop(audio, loop, 1.0 / 240.0);
        const auto remedy = loopRemedy(audio, audio.whole(), judged, 1.0 / 240.0);
        REQUIRE(remedy);
        CHECK(std::abs(remedy->result.pitchErrorCents) < 0.5);
    }
}
