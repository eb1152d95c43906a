// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/mangle.h"

#include <catch2/catch.hpp>
#include <set>

using namespace puretone;
using namespace probe;
using nlohmann::json;

namespace {

/// Two layers in which nothing is as it stands by itself.
Instrument layered()
{
    auto instrument = everyKindOfValue();
    const auto second = duplicateLayer(instrument, instrument.layers[0].id);
    Layer& layer = *instrument.layer(second);
    layer.name = "On release, \xE2\x99\xAF";
    layer.on = false;
    layer.levelDb = -4.5;
    layer.pan = 0.25;
    layer.octave = -2;
    layer.fineCents = 12.5;
    layer.follow = 0.75;
    layer.when = SoundsWhen::release;
    layer.sameKeys = SameKeys::atRandom;
    layer.fallDbPerSecond = 6.5;
    layer.turnsOverAllKeys = true;
    layer.manner = Manner::frozen;
    layer.keepsFormants = false;
    layer.frozen = {0.7, 0.05, 9, 0.1, 0.2, 30.0, -0.5, Frozen::Direction::either, true, 0.25};
    layer.blends = true;
    layer.chokeGroup = 5;
    layer.voices = 7;
    layer.notes = Notes::tied;
    layer.glide = {0.2, true, false};
    layer.inner = InnerUse::harder;
    layer.innerTouch = 99;
    layer.second = {0.0, 0.1, 0.2, 0.3, -6.0, 0.4, 0.0, 0.0, 0.0, 0.0, -0.5};
    layer.bendSemitones = 12.0;
    layer.envelope = {0.1, 0.2, 0.3, 0.4, -12.5, 1.25, 0.5, -0.25, 1.0, -1.5, 0.75};
    layer.touch = 0.25;
    layer.filter = {FilterKind::band, true, 777.0, 0.3, 6.0, 0.5, -1.0, 2.5};
    setSlowWave(layer, {3.3, 20.0, 1.5, 0.75, 0.6});
    layer.waves[3] = {Wave::Shape::drift, 0.3, 4.0, 0.5, 1.5, 0.25, true};
    layer.movements.push_back({{SourceKind::controller, 74}, Target::waveRate, 3, -1.25,
        {SourceKind::wheel, 0}, -0.5, false});
    Zone& zone = layer.zones[0];
    zone.highKey = std::min(127, zone.lowKey + 20);
    zone.lowKeyFade = 3;
    zone.highKeyFade = 4;
    zone.lowVelocity = 10;
    zone.lowVelocityFade = 5;
    zone.highVelocityFade = 6;
    zone.levelDb = -3.0;
    zone.pan = -1.0;
    zone.tuneCents = 33.0;
    zone.lowKeyByHand = true;
    zone.highKeyByHand = true;
    instrument.blend = 0.4;
    instrument.tempo = 133.0;
    instrument.pattern = {
        true, Pattern::Order::atRandom, 0.25, 0.6, 0.2, 3, {{true, {LayerId{1}}}, {false, {}}}};
    instrument.takes[0].innerStart = Frames{instrument.takes[0].kept.start.value + 100};
    return sanitized(std::move(instrument));
}

} // namespace

TEST_CASE("everything that layers say comes back from JSON", "[model][layers]")
{
    const auto instrument = layered();
    const auto again = readWith(instrument, toJson(instrument));
    REQUIRE(again);
    CHECK(*again == instrument);
}

TEST_CASE("a copy of a layer has ids of its own and stands behind it", "[model][layers]")
{
    auto instrument = layered();
    const auto before = instrument.layers.size();
    const auto id = duplicateLayer(instrument, instrument.layers[0].id);
    CHECK(instrument.layers.size() == before + 1);
    CHECK(instrument.layers[1].id == id);
    CHECK(instrument.layers[1].name == instrument.layers[0].name + " copy");
    std::set<ZoneId> ids;
    for (const auto& zone : instrument.allZones())
        CHECK(ids.insert(zone.id).second);
    CHECK(duplicateLayer(instrument, 999) == 0);
    while (instrument.layers.size() < mostLayers)
        CHECK(bool(addLayer(instrument)));
    CHECK(addLayer(instrument) == 0);
    CHECK(duplicateLayer(instrument, id) == 0);
}

TEST_CASE("a list shows takes by layer, then by root, then as they came", "[model][layers]")
{
    Instrument instrument;
    const auto take = [&](int id, int root) {
        Take made;
        made.id = id;
        made.tuning.rootKey = root;
        instrument.takes.push_back(made);
    };
    take(1, 60), take(2, 48), take(3, 72), take(4, 30), take(5, 48);
    const auto second = addLayer(instrument);
    const auto zone = [&](LayerId layer, int of) {
        Zone made;
        made.take = of;
        instrument.layer(layer)->zones.push_back(made);
    };
    for (const int id : {3, 1, 2})
        zone(second, id);
    zone(instrument.layers[0].id, 5);
    zone(instrument.layers[0].id, 3);
    std::vector<int> order;
    for (const Take* listed : byLayerAndPitch(instrument))
        order.push_back(listed->id.value);
    CHECK(order == std::vector{5, 3, 2, 1, 4});

    const auto beside = [&](int id) {
        std::set<int> ids;
        for (const Take* other : heardBeside(instrument, TakeId{id}))
            ids.insert(other->id.value);
        return ids;
    };
    CHECK(beside(5) == std::set{3});
    CHECK(beside(2) == std::set{1, 3});
    CHECK(beside(3) == std::set{1, 2, 5}); // in both
    CHECK(beside(4) == std::set{1, 2, 3, 5}); // in none
}

TEST_CASE("names that are not known are refused and said", "[model][layers][bad-input]")
{
    const auto instrument = layered();
    const auto place = GENERATE("/layers/0/when", "/layers/0/sameKeys", "/layers/1/notes",
        "/layers/1/filter/kind", "/layers/1/movements/0/target", "/layers/1/waves/0/shape",
        "/takes/0/loop/mode", "/takes/0/tuning/source");
    auto j = json::parse(toJson(instrument));
    j[json::json_pointer(place)] = "sideways";
    const auto read = readWith(instrument, j.dump());
    REQUIRE_FALSE(read);
    CHECK_THAT(read.error().message, Catch::Matchers::Contains("unknown name: sideways"));
}

TEST_CASE("layers and zones that share a number, or claim millions, are refused",
    "[model][layers][bad-input]")
{
    const auto instrument = layered();
    auto j = json::parse(toJson(instrument));
    SECTION("two layers")
    {
        j["layers"][1]["id"] = j["layers"][0]["id"];
    }
    SECTION("zones of different layers")
    {
        j["layers"][1]["zones"][0]["id"] = j["layers"][0]["zones"][0]["id"];
    }
    SECTION("ids that leave no room above them")
    {
        j["layers"][1]["id"] = 2147483647;
    }
    SECTION("no id")
    {
        j["layers"][0].erase("id");
    }
    SECTION("a zone of a take that is not there")
    {
        j["layers"][1]["zones"][0]["take"] = 77;
    }
    SECTION("a hundred layers")
    {
        for (int i = 0; i < 100; ++i)
            j["layers"].push_back(j["layers"][0]);
    }
    SECTION("no layers")
    {
        j.erase("layers");
    }
    SECTION("a newer schema")
    {
        j["schema"] = schemaVersion + 1;
    }
    CHECK_FALSE(readWith(instrument, j.dump()));
}

TEST_CASE("hundreds of thousands of zones are refused", "[model][layers][bad-input]")
{
    const auto instrument = layered();
    auto j = json::parse(toJson(instrument));
    const auto zone = j["layers"][0]["zones"][0].dump();
    j["layers"][0]["zones"] = "HERE";
    auto text = j.dump();
    std::string zones = "[" + zone;
    for (int i = 1; i < 200000; ++i)
        zones += "," + zone;
    text.replace(text.find("\"HERE\""), 6, zones + "]");
    CHECK_FALSE(readWith(instrument, text));
}

TEST_CASE("an instrument without layers gets one; fields that are not known do not matter",
    "[model][layers]")
{
    const auto instrument = layered();
    auto j = json::parse(toJson(instrument));
    j["layers"] = json::array();
    j["colour"] = "of the sea";
    const auto read = readWith(instrument, j.dump());
    REQUIRE(read);
    REQUIRE(read->layers.size() == 1);
    CHECK(read->layers[0].zones.empty());
    // Fields that are missing stand as they do in a new layer.
    j = json::parse(toJson(instrument));
    j["layers"][1] = {{"id", 9}, {"zones", json::array()}, {"envelope", json::object()}};
    const auto bare = readWith(instrument, j.dump());
    REQUIRE(bare);
    Layer standard;
    standard.id = 9;
    CHECK(bare->layers[1] == standard);
}

TEST_CASE("what a mangled document lets through can be played", "[model][layers][bad-input]")
{
    const auto instrument = layered();
    const auto text = toJson(instrument);
    Noise random(77);
    int opened = 0;
    for (int i = 0; i < 60; ++i) {
        const auto read = readWith(instrument, mangled(text, random, 3));
        if (!read)
            continue;
        ++opened;
        CHECK(sanitized(*read) == *read);
        walkThrough(*read);
    }
    CHECK(opened > 10);
}
