// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/match_levels.h"

#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

Instrument tonesAt(const std::vector<double>& levelsDb)
{
    std::vector<Take> takes;
    for (const double db : levelsDb)
        takes.push_back(plainTake(
            mono(harmonicTone(220.0, 48000.0, 1.0, 12, 0.2 * std::pow(10.0, db / 20.0))), 57.0));
    Instrument instrument;
    addTakes(instrument, std::move(takes));
    return instrument;
}

} // namespace

TEST_CASE("levels are matched to the middle one, and taken back", "[model][levels]")
{
    auto instrument = tonesAt({0.0, -9.0, 4.0});
    Layer& layer = instrument.layers[0];
    const auto matches = matchLevels(instrument, layer.id);
    REQUIRE(matches.size() == 3);
    CHECK_THAT(matches[0].changeDb, WithinAbs(0.0, 1e-9));
    CHECK_THAT(matches[1].changeDb, WithinAbs(9.0, 0.05));
    CHECK_THAT(matches[2].changeDb, WithinAbs(-4.0, 0.05));
    applyMatch(layer, matches);
    for (const auto& again : matchLevels(instrument, layer.id))
        CHECK_THAT(again.changeDb, WithinAbs(0.0, 1e-9));
    levelsAsRecorded(layer);
    for (const auto& zone : layer.zones)
        CHECK(zone.levelDb == 0.0);
    CHECK(matchLevels(instrument, 99).empty());
}

TEST_CASE("soft takes are matched among themselves, silent ones not at all", "[model][levels]")
{
    auto instrument = tonesAt({0.0, -20.0, -3.0, -26.0, -200.0});
    auto& zones = instrument.layers[0].zones;
    for (std::size_t i = 0; i < zones.size(); ++i) {
        zones[i].lowVelocity = i % 2 == 0 ? 64 : 1;
        zones[i].highVelocity = i % 2 == 0 ? 127 : 63;
    }
    const auto matches = matchLevels(instrument, 1);
    REQUIRE(matches.size() == 4);
    for (const auto& match : matches)
        CHECK(std::abs(match.changeDb) < 6.5);
    Progress cancelled;
    std::stop_source stop;
    stop.request_stop();
    cancelled.stop = stop.get_token();
    CHECK(matchLevels(instrument, 1, cancelled).empty());
}
