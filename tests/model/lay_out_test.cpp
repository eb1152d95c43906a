// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/lay_out.h"

#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

/// Takes with these roots and levels, dB.
Instrument takesOf(const std::vector<std::pair<int, double>>& wanted)
{
    std::vector<Take> takes;
    for (const auto& [root, db] : wanted) {
        auto wave = harmonicTone(220.0, 48000.0, 0.6);
        for (float& s : wave)
            s *= float(std::pow(10.0, db / 20.0));
        takes.push_back(plainTake(mono(std::move(wave)), root));
    }
    Instrument instrument;
    addTakes(instrument, std::move(takes));
    return instrument;
}

const Zone& zoneOf(const Instrument& instrument, std::size_t take)
{
    for (const auto& zone : instrument.layers[0].zones)
        if (zone.take == instrument.takes[take].id)
            return zone;
    throw std::logic_error("no zone");
}

} // namespace

TEST_CASE("takes are laid out by their roots, borders half-way", "[model][layout]")
{
    auto instrument = takesOf({{60, 0.0}, {48, -3.0}, {72, 0.0}});
    for (auto& zone : instrument.layers[0].zones)
        zone.lowKey = zone.highKey = 64; // whatever was there
    const auto done = layOut(instrument, 1);
    CHECK(done.takes == 3);
    CHECK(done.roots == 3);
    CHECK(done.shared == LaidOut::Shared::none);
    CHECK(zoneOf(instrument, 1).highKey == 54);
    CHECK(zoneOf(instrument, 0).lowKey == 55);
    CHECK(zoneOf(instrument, 0).highKey == 66);
    CHECK(layOut(instrument, 99).takes == 0);
}

TEST_CASE("takes of one root sound by touch where their levels differ clearly, else in turn",
    "[model][layout]")
{
    // As they come: the soft ones last.
    auto touched =
        takesOf({{48, 0.0}, {60, -1.0}, {48, -9.0}, {60, -8.0}, {48, -20.0}, {60, -17.0}});
    const auto done = layOut(touched, 1);
    CHECK(done.shared == LaidOut::Shared::byTouch);
    CHECK(done.leastStepDb == Approx(7.0).margin(0.2));
    CHECK(touched.layers[0].sameKeys == SameKeys::together);
    CHECK(zoneOf(touched, 4).lowVelocity == 1);
    CHECK(zoneOf(touched, 4).highVelocity == 42);
    CHECK(zoneOf(touched, 2).lowVelocity == 43);
    CHECK(zoneOf(touched, 0).highVelocity == 127);
    CHECK(zoneOf(touched, 0).lowKey == zoneOf(touched, 4).lowKey);
    // Every touch sounds one take of each root, and one only.
    for (int velocity = 1; velocity <= 127; ++velocity) {
        int sounding = 0;
        for (const auto& zone : touched.layers[0].zones)
            sounding += inZone(zone, 50, velocity) ? 1 : 0;
        REQUIRE(sounding == 1);
    }
    auto alike = takesOf({{48, 0.0}, {48, -1.0}, {60, 0.0}, {60, -9.0}});
    CHECK(layOut(alike, 1).shared == LaidOut::Shared::inTurn);
    CHECK(alike.layers[0].sameKeys == SameKeys::inTurn);
    CHECK(zoneOf(alike, 3).lowVelocity == 1);
    // One root more or less: no consistent touches.
    auto uneven = takesOf({{48, 0.0}, {48, -9.0}, {60, 0.0}});
    CHECK(layOut(uneven, 1).shared == LaidOut::Shared::inTurn);
    // Again, nothing changes.
    const auto once = touched;
    layOut(touched, 1);
    CHECK(touched == once);
}
