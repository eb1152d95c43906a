// SPDX-License-Identifier: GPL-3.0-or-later
// How an instrument is exported belongs to it, and passes the gate.
#include "model/files/export_json.h"

#include "model/instrument/instrument.h"
#include "support/signals.h"

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>

using namespace puretone;
using namespace probe;
using nlohmann::json;

namespace {

Exports asOpened(const json& j)
{
    Instrument instrument;
    instrument.exports = exportsFrom(j);
    return sanitized(std::move(instrument)).exports;
}

} // namespace

TEST_CASE(
    "export choices are what they were when the instrument is opened again", "[model][export]")
{
    CHECK(exportsJson(Exports{}).empty()); // what is usual is not written
    CHECK(asOpened(json::object()) == Exports{});
    Noise random(3);
    const auto chance = [&] { return random.between(0.0, 1.0) < 0.5; };
    for (int i = 0; i < 200; ++i) {
        Instrument instrument;
        Exports& e = instrument.exports;
        auto& sound = e.wish.choices.sound;
        e.wish.usualDepth = chance();
        sound.depth = Depth(int(random.between(0.0, 2.99)));
        if (chance())
            sound.rate = random.between(8000.0, 192000.0);
        if (chance())
            sound.longest = random.between(0.05, 20.0);
        if (chance())
            sound.playedOut = random.between(0.5, 120.0);
        sound.mono = chance();
        sound.dither = chance();
        e.wish.choices.flac = chance();
        e.wish.choices.keyStep = int(random.between(0.0, 24.0));
        e.wish.limitMegabytes = chance() ? random.between(0.1, 900.0) : 0.0;
        if (chance())
            std::swap(e.wish.savers[0], e.wish.savers[std::size_t(random.between(0.0, 4.9))]);
        for (bool& ticked : e.ticked)
            ticked = chance();
        const auto wanted = sanitized(instrument).exports;
        CHECK(asOpened(exportsJson(wanted)) == wanted);
    }
}

TEST_CASE("export choices out of range are brought into it, unknown ones are refused",
    "[model][export][bad-input]")
{
    const auto opened = asOpened(json{{"rate", 1e300}, {"keyStep", 1e9}, {"limitMegabytes", -5.0},
        {"playedOutSeconds", 0.0}, {"longestSeconds", -1.0}, {"savers", {"rate", "rate"}}});
    const auto& wish = opened.wish;
    CHECK(*wish.choices.sound.rate == 192000.0);
    CHECK(wish.choices.keyStep == ExportChoices::mostKeyStep);
    CHECK(wish.limitMegabytes == 0.0);
    CHECK(*wish.choices.sound.playedOut == shortestPlayedOut);
    CHECK(*wish.choices.sound.longest == shortestLongest);
    REQUIRE(wish.savers.size() == std::size_t(saverCount));
    CHECK(wish.savers.front() == Saver::rate);
    for (const auto& bad : {json{{"depth", "31"}}, json{{"products", {"tape"}}},
             json{{"savers", 3}}, json{{"rate", "fast"}}})
        CHECK_THROWS_AS(exportsFrom(bad), json::exception);
}
