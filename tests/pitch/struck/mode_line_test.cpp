// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck/mode_line.h"

#include "pitch/series/note.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

/// A lone mode that falls from `rest` + `fall` semitones, and 60 dB in `ring` seconds.
std::vector<float> skin(double rest, double fall, double time, double ring, double seconds)
{
    std::vector<float> wave(std::size_t(seconds * rate));
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        phase += hzOf(rest + fall * std::exp(-t / time)).value / rate;
        wave[i] = float(0.8 * std::pow(10.0, -3.0 * t / ring) * std::sin(twoPi * phase));
    }
    return wave;
}

} // namespace

TEST_CASE("a mode is followed down its glide", "[pitch][mode]")
{
    const double rest = GENERATE(38.3, 45.7, 57.2);
    const double fall = GENERATE(0.8, 2.0);
    constexpr double time = 0.12;
    CAPTURE(rest, fall);
    const auto line = followMode(skin(rest, fall, time, 0.9, 0.8), rate, hzOf(rest + 0.3));
    REQUIRE(line);
    CHECK(line->solid());
    CHECK(line->glides() == (fall > 1.0));
    CHECK(line->share > 0.8);
    for (const auto& p : line->points)
        // A window of up to 52 ms names the middle of what it spans, a little early.
        CHECK_THAT(p.midi, WithinAbs(rest + fall * std::exp(-p.seconds / time), 0.25));
    // It dwells below the middle of its way, and not at the end that is 26 dB down.
    CHECK(line->heard < rest + 0.5 * fall);
    CHECK(line->heard > rest);
    CHECK_THAT(line->rest, WithinAbs(rest, 0.15));
}

TEST_CASE("a steady mode gathers at one place, noise at none", "[pitch][mode]")
{
    const auto steady = followMode(skin(60.0, 0.0, 1.0, 1.0, 0.9), rate, hzOf(60.2));
    REQUIRE(steady);
    CHECK_THAT(steady->heard, WithinAbs(60.0, 0.02));
    CHECK(steady->gather > 0.99);
    CHECK_FALSE(steady->glides());
    const auto nothing = followMode(noise(rate, 1.0), rate, Hz{300.0});
    REQUIRE(nothing);
    CHECK_FALSE(nothing->solid());
    CHECK(nothing->gather < 0.6);
    CHECK(nothing->share < 0.2);
}

TEST_CASE("short, silent and absurd sounds have no mode to follow", "[pitch][mode][bad-input]")
{
    CHECK_FALSE(followMode({}, rate, Hz{100.0}));
    CHECK_FALSE(followMode(silence(rate, 1.0), rate, Hz{100.0}));
    CHECK_FALSE(followMode(std::vector<float>(20, 0.5f), rate, Hz{100.0}));
    CHECK_FALSE(followMode(noise(rate, 0.5), rate, Hz{0.0}));
    // Beyond half the rate there is nothing; whatever is said, nothing is read out of bounds.
    CHECK_FALSE(followMode(silence(8000.0, 0.5), 8000.0, Hz{20000.0}));
    followMode(noise(8000.0, 0.5), 8000.0, Hz{20000.0});
    // 40 ms of a knock are enough.
    const auto knock = followMode(skin(70.0, 0.0, 1.0, 0.1, 0.04), rate, hzOf(70.0));
    REQUIRE(knock);
    CHECK_THAT(knock->heard, WithinAbs(70.0, 0.1));
}
