// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/layer_copy.h"

#include "loop/joint/bake.h"
#include "model/making/take_maker.h"
#include "prepare/treat/treat.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

TEST_CASE("copies of a layer keep every setting", "[model][layers][copy]")
{
    auto take =
        looped(plainTake(mono(harmonicTone(220.0, 48000.0, 1.0)), 57.0), 10000, 30000, 2000);
    auto instrument = instrumentOf(std::move(take));
    Layer& original = instrument.layers[0];
    original.name = "Horns";
    original.envelope.attack = 0.3;
    original.sameKeys = SameKeys::inTurn;
    const auto copied = [&](LayerCopy how) {
        auto next = instrument;
        const auto id = copyLayer(next, 1, how);
        REQUIRE(next.layers.size() == 2);
        Layer copy = *next.layer(id);
        CHECK(copy.envelope == instrument.layers[0].envelope);
        CHECK(copy.sameKeys == SameKeys::inTurn);
        CHECK(copy.zones.size() == 1);
        CHECK(copy.zones[0].id != instrument.layers[0].zones[0].id);
        return copy;
    };
    CHECK(copied(LayerCopy::same).octave == 0);
    CHECK(copied(LayerCopy::octaveUp).octave == 1);
    CHECK(copied(LayerCopy::octaveDown).name == "Horns, octave down");
    CHECK(std::abs(copied(LayerCopy::detuned).fineCents) == 9.0);
    CHECK(copyLayer(instrument, 77, LayerCopy::same) == LayerId{});
}

TEST_CASE("a turned loop goes round the same sound, its joint included", "[model][layers][copy]")
{
    // A glide: nothing in it is like anything else.
    std::vector<float> wave(48000);
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / 48000.0;
        wave[i] = float(0.4 * std::sin(2.0 * std::numbers::pi * (200.0 * t + 150.0 * t * t)));
    }
    for (const auto curve : {FadeCurve::linear, FadeCurve::equalPower, FadeCurve::automatic}) {
        Take take = looped(plainTake(mono(wave), 57.0), 10000, 30000, 2000);
        take.loop.curve = curve;
        const auto forth = bakeLoop(take.audio(), take.loop).turn.channels[0];
        const Treatments turned{{Reverse{}, true}};
        setTreatments(take, turned, treat(take.recording->audio, turned));
        auto back = bakeLoop(take.audio(), take.loop).turn.channels[0];
        REQUIRE(back.size() == forth.size());
        std::reverse(back.begin(), back.end());
        // It begins elsewhere in the round.
        std::rotate(back.begin(), back.begin() + 2000, back.end());
        float worst = 0.0f;
        for (std::size_t i = 0; i < back.size(); ++i)
            worst = std::max(worst, std::abs(back[i] - forth[i]));
        // The gains of a fade are not alike from both ends, by one frame of 2000.
        CHECK(worst < 0.8f / 2000.0f + 1e-4f);
    }
}

TEST_CASE("a copy is named by what it does", "[model][layers]")
{
    auto instrument = instrumentOf(plainTake(mono(harmonicTone(220.0, 48000.0, 0.5)), 57.0, "a"));
    const auto nameOf = [&](LayerId from, LayerCopy how) {
        return instrument.layer(copyLayer(instrument, from, how))->name;
    };
    const auto first = instrument.layers.front().id;
    CHECK(nameOf(first, LayerCopy::octaveUp) == "Octave up");
    CHECK(nameOf(first, LayerCopy::octaveDown) == "Octave down");
    CHECK(nameOf(first, LayerCopy::reversed) == "Reversed");
    CHECK(nameOf(first, LayerCopy::detuned) == "Detuned");
    instrument.layer(first)->name = "Horn";
    CHECK(nameOf(first, LayerCopy::octaveUp) == "Horn, octave up");
    CHECK(nameOf(first, LayerCopy::reversed) == "Horn reversed");
}

TEST_CASE("a reversed copy runs backwards, loop and crossfade included", "[model][layers][copy]")
{
    auto instrument = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, 48000.0, 1.0)), 57.0), 10000, 30000, 2000));
    const auto frames = instrument.takes[0].audio().frames();
    const auto id = copyLayer(instrument, 1, LayerCopy::reversed);
    REQUIRE(instrument.takes.size() == 2);
    const Take& back = instrument.takes[1];
    CHECK(instrument.layer(id)->zones[0].take == back.id);
    CHECK(instrument.layers[0].zones[0].take == instrument.takes[0].id);
    CHECK(back.loop.span.start.value == frames - 30000 + 2000);
    CHECK(back.loop.crossfade.value == 2000);
    CHECK(back.tuning == instrument.takes[0].tuning);
    const auto& forth = instrument.takes[0].audio().channels[0];
    CHECK(back.audio().channels[0][100] == forth[forth.size() - 101]);
    // Turned twice it is the recording itself.
    const auto again = copyLayer(instrument, id, LayerCopy::reversed);
    const Take* third = instrument.take(instrument.layer(again)->zones[0].take);
    REQUIRE(third != nullptr);
    CHECK(third->treatments.empty());
    CHECK(third->loop.span == instrument.takes[0].loop.span);
}

TEST_CASE("each sound of a layer gets one of its own", "[model][layers]")
{
    const auto wire = [](const char* name, double midi) {
        auto take = plainTake(mono(sine(220.0, 48000.0, 0.5)), midi);
        take.name = name;
        return take;
    };
    auto instrument = instrumentOf(wire("wire 1", 57.0));
    addTakes(instrument, {wire("wire 2", 62.0), wire("wire 3", 67.0)});
    REQUIRE(instrument.layers.front().zones.size() == 3);
    auto& layer = instrument.layers.front();
    layer.voices = 1;
    layer.zones.push_back(layer.zones.front()); // one sound has two places
    layer.zones.back().id = ZoneId{instrument.freeId()};
    layer.zones.back().lowKey = 100;
    const auto before = instrument.allZones();
    const auto id = layer.id;
    SECTION("unless they take turns on the same keys")
    {
        const auto other = instrument.layers.front().zones[1].take;
        layer.zones.back().take = other; // two takes share all keys from 100 up
        layer.zones.back().highKey = 127;
        layer.sameKeys = SameKeys::inTurn;
        const auto layers = spreadLayer(instrument, id);
        REQUIRE(layers);
        for (const auto& each : instrument.layers)
            for (const auto& of : instrument.layers)
                for (const auto& a : each.zones)
                    for (const auto& b : of.zones)
                        CHECK((&each == &of || !overlap(a, b)));
        CHECK(*layers < 3);
        return;
    }
    SECTION("or their layer blends")
    {
        layer.blends = true;
        const auto whole = instrument;
        CHECK_FALSE(spreadLayer(instrument, id));
        CHECK(instrument == whole);
        return;
    }
    REQUIRE(spreadLayer(instrument, id).value() == 3);
    REQUIRE(instrument.layers.size() == 3);
    CHECK(instrument.layers.front().id == id);
    CHECK(instrument.allZones().size() == before.size());
    for (const auto& each : instrument.layers) {
        CHECK(each.voices == 1);
        REQUIRE_FALSE(each.zones.empty());
        CHECK(each.name == instrument.take(each.zones.front().take)->name);
        for (const auto& zone : each.zones)
            CHECK(zone.take == each.zones.front().take);
    }
    // One sound is no reason to.
    const Instrument spread = instrument;
    CHECK_FALSE(spreadLayer(instrument, id));
    CHECK_FALSE(spreadLayer(instrument, LayerId{999}));
    CHECK(instrument == spread);
    while (addLayer(instrument) != LayerId{})
        continue;
    instrument.layers.front().zones.push_back(instrument.layers[1].zones.front());
    CHECK_FALSE(spreadLayer(instrument, id));
}
