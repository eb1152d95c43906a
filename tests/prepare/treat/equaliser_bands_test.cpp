// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/equaliser_bands.h"

#include "effects/processor.h"
#include "prepare/treat/biquad.h"

#include <catch2/catch.hpp>
#include <random>

using namespace puretone;
using Catch::Matchers::WithinAbs;

TEST_CASE("an equaliser's points have its response, whatever they are", "[prepare][equaliser]")
{
    constexpr double rate = 48000.0;
    std::mt19937 random(3);
    for (int round = 0; round < 50; ++round) {
        Effect equaliser = makeEffect(EffectKind::equaliser, 7);
        const auto parameters = factsOf(equaliser.kind).parameters;
        for (std::size_t p = 0; p < parameters.size(); ++p)
            equaliser.values[p] = parameters[p].low
                + double(random() % 1001) / 1000.0 * (parameters[p].high - parameters[p].low);
        const auto bands = bandsOf(equaliser);
        REQUIRE(bands.size() == 4);
        for (double hz = 20.0; hz < 20000.0; hz *= 1.7)
            CHECK_THAT(filterResponse(bands, hz, rate).value,
                WithinAbs(equaliserResponse(equaliser.values, hz, rate).value, 1e-9));
        // Set again as they are, they change nothing.
        Effect again = equaliser;
        for (int i = 0; i < 4; ++i)
            setBand(again, i, bands[std::size_t(i)]);
        CHECK(again == equaliser);
    }
}

TEST_CASE("a low cut at its end is off, and a point that is dragged too far stays in range",
    "[prepare][equaliser]")
{
    Effect equaliser = makeEffect(EffectKind::equaliser, 1);
    CHECK_FALSE(bandsOf(equaliser)[0].on);
    setBand(equaliser, 0, {PassFilter{PassFilter::Cut::low, 120.0, 12}});
    CHECK(valueOf(equaliser, "lowCut") == 120.0);
    CHECK(bandsOf(equaliser)[0].on);
    setBand(equaliser, 0, {PassFilter{PassFilter::Cut::low, 1.0, 12}});
    CHECK_FALSE(bandsOf(equaliser)[0].on);
    setBand(equaliser, 2, {Band{Band::Shape::bell, 1e6, 100.0, 1e9}});
    CHECK(valueOf(equaliser, "highHz") == 20000.0);
    CHECK(valueOf(equaliser, "highDb") == 24.0);
    CHECK(valueOf(equaliser, "highQ") == 20.0);
    const Effect before = equaliser;
    setBand(equaliser, 9, {Band{}});
    setBand(equaliser, 1, {Reverse{}});
    CHECK(equaliser == before);
}
