// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/zone_edit.h"

#include "support/takes.h"

#include <catch2/catch.hpp>
#include <random>

using namespace puretone;
using namespace probe;

namespace {

Zone zoneAt(int id, int low, int high, int soft = 1, int hard = 127)
{
    Zone zone;
    zone.id = id;
    zone.take = id;
    zone.lowKey = low;
    zone.highKey = high;
    zone.lowVelocity = soft;
    zone.highVelocity = hard;
    return zone;
}

Layer layerOf(std::vector<Zone> zones)
{
    Layer layer;
    layer.zones = std::move(zones);
    return layer;
}

/// How many zones play a key and touch.
int playing(const Layer& layer, int key, int velocity)
{
    return int(std::count_if(layer.zones.begin(), layer.zones.end(),
        [&](const Zone& z) { return inZone(z, key, velocity); }));
}

} // namespace

TEST_CASE("a border takes its neighbour along, or goes alone", "[model][zones]")
{
    auto layer = layerOf({zoneAt(1, 20, 47), zoneAt(2, 48, 59), zoneAt(3, 60, 90)});
    moveBorder(layer, 2, ZoneEdge::lowKey, -5, {}, false);
    CHECK(layer.zones[0].highKey == 42);
    CHECK(layer.zones[1].lowKey == 43);
    CHECK(layer.zones[0].highKeyByHand);
    CHECK(layer.zones[1].lowKeyByHand);
    CHECK_FALSE(layer.zones[1].highKeyByHand);
    // No further than leaves the neighbour a key.
    moveBorder(layer, 2, ZoneEdge::lowKey, -100, {}, false);
    CHECK(layer.zones[0].highKey == 20);
    CHECK(layer.zones[1].lowKey == 21);
    moveBorder(layer, 3, ZoneEdge::lowKey, 10, {}, true);
    CHECK(layer.zones[2].lowKey == 70);
    CHECK(layer.zones[1].highKey == 59);
}

TEST_CASE("stacks move as one, and touches that do not meet stay", "[model][zones]")
{
    auto layer = layerOf({zoneAt(1, 20, 47, 1, 63), zoneAt(2, 20, 47, 64, 127),
        zoneAt(3, 48, 90, 1, 63), zoneAt(4, 48, 90, 64, 127), zoneAt(5, 48, 90, 64, 127)});
    moveBorder(layer, 4, ZoneEdge::lowKey, 4, {}, false);
    CHECK(layer.zones[3].lowKey == 52);
    CHECK(layer.zones[4].lowKey == 52);
    CHECK(layer.zones[1].highKey == 51);
    CHECK(layer.zones[0].highKey == 47); // the soft ones meet among themselves
    CHECK(layer.zones[2].lowKey == 48);
    moveBorder(layer, 1, ZoneEdge::loud, -20, {}, false);
    CHECK(layer.zones[0].highVelocity == 43);
    CHECK(layer.zones[1].lowVelocity == 44);
}

TEST_CASE("chosen borders move together", "[model][zones]")
{
    auto layer = layerOf({zoneAt(1, 20, 30), zoneAt(2, 40, 50), zoneAt(3, 60, 70)});
    moveBorder(layer, 1, ZoneEdge::highKey, 5, {1, 3}, false);
    CHECK(layer.zones[0].highKey == 35);
    CHECK(layer.zones[1].highKey == 50);
    CHECK(layer.zones[2].highKey == 75);
}

TEST_CASE("zones move as far as all of them can", "[model][zones]")
{
    auto layer = layerOf({zoneAt(1, 20, 30, 1, 60), zoneAt(2, 100, 120)});
    moveZones(layer, {1, 2}, 20, 5);
    CHECK(layer.zones[0].lowKey == 27);
    CHECK(layer.zones[1].highKey == 127);
    CHECK(layer.zones[0].highVelocity == 60); // the other one fills all touches
    moveZones(layer, {1}, -100, 100);
    CHECK(layer.zones[0].lowKey == 0);
    CHECK(layer.zones[0].highKey == 10);
    CHECK(layer.zones[0].highVelocity == 127);
}

TEST_CASE("neighbours cross over about their border at equal power", "[model][zones]")
{
    auto layer = layerOf({zoneAt(1, 20, 59), zoneAt(2, 60, 90)});
    for (const int width : {4, 7, 12, 3, 0, 5}) {
        setCrossover(layer, 1, ZoneEdge::highKey, width);
        CHECK(crossover(layer, 2, ZoneEdge::lowKey) == width);
        CHECK(layer.zones[0].highKey - layer.zones[1].lowKey + 1 == width);
        for (int key = 20; key <= 90; ++key) {
            double power = 0.0;
            for (const auto& zone : layer.zones)
                if (inZone(zone, key, 100))
                    power += std::pow(zoneGain(zone, key, 100), 2.0);
            REQUIRE(power == Approx(1.0));
        }
        // A border that crosses over is dragged as one.
        const int before = layer.zones[1].lowKey;
        moveBorder(layer, 1, ZoneEdge::highKey, 3, {}, false);
        CHECK(layer.zones[1].lowKey == before + 3);
        moveBorder(layer, 1, ZoneEdge::highKey, -3, {}, false);
    }
    auto lone = layerOf({zoneAt(1, 20, 59)});
    setCrossover(lone, 1, ZoneEdge::highKey, 100);
    CHECK(lone.zones[0].highKeyFade == 40);
    CHECK(lone.zones[0].highKey == 59);
}

TEST_CASE("whatever a hand does, zones stay on the keys and no gap opens", "[model][zones]")
{
    std::mt19937 random(11);
    const auto upTo = [&](int n) { return int(random() % unsigned(n)); };
    auto layer = layerOf({zoneAt(1, 10, 40), zoneAt(2, 41, 60), zoneAt(3, 61, 61),
        zoneAt(4, 62, 100), zoneAt(5, 101, 120)});
    for (int i = 0; i < 3000; ++i) {
        const auto id = ZoneId(1 + upTo(5));
        const auto edge = ZoneEdge(upTo(2));
        if (upTo(3) == 0)
            setCrossover(layer, id, edge, upTo(20));
        else
            moveBorder(layer, id, edge, upTo(41) - 20, {}, false);
        int lowest = 127, highest = 0;
        for (const auto& zone : layer.zones) {
            REQUIRE(zone.lowKey >= 0);
            REQUIRE(zone.lowKey <= zone.highKey);
            REQUIRE(zone.highKey <= 127);
            lowest = std::min(lowest, zone.lowKey);
            highest = std::max(highest, zone.highKey);
        }
        for (int key = lowest; key <= highest; ++key)
            REQUIRE(playing(layer, key, 64) >= 1);
    }
}

TEST_CASE("variations of the same keys are ordered", "[model][zones]")
{
    auto layer =
        layerOf({zoneAt(1, 20, 30), zoneAt(2, 40, 50), zoneAt(3, 20, 30), zoneAt(4, 20, 30)});
    CHECK(stackOf(layer, layer.zones[0]) == std::vector<ZoneId>{1, 3, 4});
    moveInStack(layer, 4, 0);
    CHECK(stackOf(layer, layer.zones[0]) == std::vector<ZoneId>{4, 1, 3});
    moveInStack(layer, 4, 9);
    CHECK(stackOf(layer, layer.zones[0]) == std::vector<ZoneId>{1, 3, 4});
}

TEST_CASE("silent keys, and who plays the others", "[model][zones]")
{
    Instrument instrument;
    instrument.layers = {layerOf({zoneAt(1, 40, 60)}), layerOf({zoneAt(2, 55, 70)})};
    instrument.layers[1].id = 2;
    instrument.layers[1].name = "Lid";
    CHECK_FALSE(silentKeys(instrument)[70]);
    CHECK(silentKeys(instrument)[71]);
    CHECK(layersOnKey(instrument, 57) == std::vector<std::string>{"Layer 1", "Lid"});
    instrument.layers[1].when = SoundsWhen::release;
    CHECK(silentKeys(instrument)[70]); // nothing sounds when it is pressed
}
