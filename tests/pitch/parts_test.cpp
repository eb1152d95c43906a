// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/series/candidates.h"
#include "pitch/struck/struck.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

TEST_CASE("partials of a chord of sines are found where they are", "[pitch][spectrum]")
{
    constexpr double rate = 48000.0;
    auto wave = mixed(sine(311.3, rate, 1.5, 0.4),
        mixed(sine(777.7, rate, 1.5, 0.2), sine(1501.0, rate, 1.5, 0.05)));
    const auto partials = findPartials(meanSpectrum(wave, rate), rate);
    REQUIRE(partials.size() >= 3);
    CHECK_THAT(partials[0].hz, WithinAbs(311.3, 0.2));
    CHECK_THAT(partials[1].hz, WithinAbs(777.7, 0.2));
    CHECK_THAT(partials[2].hz, WithinAbs(1501.0, 0.2));
    CHECK_THAT(partials[1].levelDb(), WithinAbs(-6.0, 0.3));
    CHECK_THAT(partials[2].levelDb(), WithinAbs(-18.1, 0.3));
}

TEST_CASE("a stretched series gives its fundamental and its stretch back", "[pitch][series]")
{
    const double f0 = GENERATE(55.0, 131.0), stretch = GENERATE(0.0, 0.0002, 0.002);
    CAPTURE(f0, stretch);
    std::vector<Partial> partials;
    for (int h = 1; h <= 14; ++h)
        partials.push_back({h * f0 * std::sqrt(1.0 + stretch * h * h), 1.0 / h});
    const auto series = fitSeries(partials, f0 * 1.01);
    CHECK_THAT(series.f0, WithinAbs(f0, 1e-3 * f0));
    CHECK_THAT(series.stretch, WithinAbs(stretch, 2e-5));
    for (int h = 1; h <= 14; ++h)
        CHECK_THAT(series.number(series.partial(h)), WithinAbs(h, 1e-6));
}

TEST_CASE("a periodic wave repeats at its period and not between", "[pitch][periodicity]")
{
    constexpr double rate = 44100.0;
    const auto p = analysePeriodicity(harmonicTone(187.0, rate, 0.6), rate);
    REQUIRE_FALSE(p.frames.empty());
    using Curve = Periodicity::Curve;
    CHECK(p.at(1.0 / 187.0, Curve::difference) > 0.99);
    CHECK(p.at(2.0 / 187.0, Curve::difference) > 0.99);
    CHECK(p.at(1.37 / 187.0, Curve::difference) < 0.9);
    const auto noisy = analysePeriodicity(noise(rate, 0.6), rate);
    CHECK(noisy.at(1.0 / 187.0, Curve::difference) < 0.4);
    CHECK(analysePeriodicity(noise(rate, 10.0 / rate), rate).frames.empty());
}

TEST_CASE("decays are told from held notes", "[pitch][struck]")
{
    constexpr double rate = 48000.0;
    CHECK_FALSE(measureDecay(harmonicTone(220.0, rate, 1.0), rate).dying());
    const auto knock = measureDecay(decaying(harmonicTone(220.0, rate, 1.0), rate, 0.4), rate);
    CHECK(knock.dying());
    CHECK(knock.endLevel < 0.05);
}

TEST_CASE("the peak beside a frequency is found between the bins", "[pitch][spectrum]")
{
    constexpr double rate = 48000.0;
    const auto spectrum =
        meanSpectrum(mixed(sine(440.7, rate, 1.0), sine(600.0, rate, 1.0, 0.05)), rate);
    REQUIRE(peakNear(spectrum, 450.0, 20.0));
    CHECK(std::abs(*peakNear(spectrum, 450.0, 20.0) - 440.7) < 0.1);
    CHECK(std::abs(*peakNear(spectrum, 598.0, 10.0) - 600.0) < 0.2);
    // The louder of two within reach.
    CHECK(std::abs(*peakNear(spectrum, 520.0, 100.0) - 440.7) < 0.1);
    CHECK_FALSE(peakNear({}, 440.0, 10.0));
}
