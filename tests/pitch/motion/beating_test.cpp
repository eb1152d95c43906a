// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/motion/beating.h"

#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

TEST_CASE("beats are counted from the signal", "[pitch][beating]")
{
    constexpr double rate = 48000.0;
    const double hz = GENERATE(61.0, 196.0, 441.0, 1760.0);
    const double cents = GENERATE(-31.0, -7.0, -0.3, 0.0, 2.0, 18.0, 44.0);
    CAPTURE(hz, cents);
    const double played = hz * std::exp2(cents / 1200.0);
    const auto beating = measureBeating(harmonicTone(played, rate, 2.0), rate, hz, 1);
    REQUIRE(beating);
    CHECK(beating->partial == 1);
    // A hundredth of a beat a second is one beat in more than a minute.
    CHECK_THAT(beating->perSecond, WithinAbs(std::abs(played - hz), 0.02 + 0.002 * hz * 0.02));
    CHECK_THAT(beating->cents, WithinAbs(cents, 0.5));
    CHECK(beating->depth > 0.95);
}

TEST_CASE("a sound without fundamental beats against a soft tone's partials", "[pitch][beating]")
{
    constexpr double rate = 48000.0, hz = 110.0;
    const double played = hz * std::exp2(10.0 / 1200.0);
    std::vector<float> wave(std::size_t(2.0 * rate));
    for (std::size_t i = 0; i < wave.size(); ++i)
        for (int h = 2; h <= 9; ++h)
            wave[i] += float(0.1 * std::sin(twoPi * h * played * double(i) / rate + h));
    CHECK_FALSE(measureBeating(wave, rate, hz, 1));
    const auto beating = measureBeating(wave, rate, hz, 6);
    REQUIRE(beating);
    CHECK(beating->partial == 2);
    CHECK_THAT(beating->cents, WithinAbs(10.0, 0.5));
    CHECK_THAT(beating->perSecond, WithinAbs(2.0 * (played - hz), 0.05));
}

TEST_CASE("a kick of a tenth of a second beats against its note", "[pitch][beating]")
{
    constexpr double rate = 44100.0, hz = 65.4, seconds = 0.092;
    const double cents = GENERATE(-40.0, -12.0, 0.0, 25.0);
    CAPTURE(cents);
    auto wave = sine(hz * std::exp2(cents / 1200.0), rate, seconds);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] *= float(std::exp(-double(i) / rate / 0.05));
    const auto beating = measureBeating(wave, rate, hz, 1);
    REQUIRE(beating);
    // Its own bandwidth is 11 Hz; a twentieth of that is 14 cents.
    CHECK_THAT(beating->cents, WithinAbs(cents, 14.0));
}

TEST_CASE("what is moved as told stands still", "[pitch][beating]")
{
    constexpr double rate = 48000.0;
    const double hz = GENERATE(61.0, 233.0, 1760.0, 3730.0), cents = GENERATE(-48.0, 0.2, 30.0);
    const int harmonics = GENERATE(1, 6);
    CAPTURE(hz, cents, harmonics);
    const double played = hz * std::exp2(cents / 1200.0);
    // A neighbour two semitones off draws the first reading aside.
    auto wave = harmonicTone(played, rate, 2.0);
    const auto beside = sine(played * std::exp2(2.0 / 12.0), rate, 2.0, 0.2);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] += beside[i];
    const auto beating = measureBeating(wave, rate, hz, harmonics);
    REQUIRE(beating);
    CHECK(beating->seconds == 2.0);
    const double still = centsToStandStill(wave, rate, hz, harmonics, *beating);
    CHECK_THAT(still, WithinAbs(cents, 0.5));
    const auto after = measureBeating(wave, rate, hz * std::exp2(still / 1200.0), harmonics);
    REQUIRE(after);
    CHECK(after->perSecond * after->seconds < 1.0 / 16.0);
}

TEST_CASE("nothing beats against silence, noise far off or a moment", "[pitch][beating][bad-input]")
{
    constexpr double rate = 48000.0;
    CHECK_FALSE(measureBeating(silence(rate, 1.0), rate, 440.0, 6));
    CHECK_FALSE(measureBeating(sine(440.0, rate, 0.001), rate, 440.0, 6));
    CHECK_FALSE(measureBeating(sine(523.0, rate, 1.0), rate, 440.0, 1));
    CHECK_FALSE(measureBeating({}, rate, 440.0, 1));
}
