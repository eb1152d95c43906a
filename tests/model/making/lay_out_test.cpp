// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/lay_out.h"

#include "model/making/reach.h"
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

namespace {

/// Takes of these pitches, as read, in files of these names.
Instrument namedTakes(const std::vector<std::pair<std::string, double>>& wanted)
{
    std::vector<Take> takes;
    for (const auto& [name, midi] : wanted) {
        auto take =
            *makeTake(makeRecording(mono(harmonicTone(hzOf(midi).value, 48000.0, 0.7)), name),
                {std::nullopt, false});
        takes.push_back(std::move(take));
    }
    Instrument instrument;
    addTakes(instrument, std::move(takes));
    return instrument;
}

std::vector<int> roots(const Instrument& instrument)
{
    std::vector<int> found;
    for (const auto& take : instrument.takes)
        found.push_back(take.tuning.rootKey);
    return found;
}

} // namespace

TEST_CASE("roots come from readings, names or a row, with their differences", "[model][layout]")
{
    // Named an octave low, as some count; one of them wrong.
    auto instrument =
        namedTakes({{"horn A2.wav", 57.0}, {"horn D3.wav", 62.1}, {"horn G3.wav", 67.0}});
    auto said = rootsSaid(instrument, 1);
    REQUIRE(said.size() == 3);
    CHECK(said[0].reading == 57);
    CHECK(said[0].name.key == 45);
    CHECK(said[0].disagree());
    CHECK(nameShift(said) == 12);
    CHECK_FALSE(said[0].disagree(12));
    LayOutOptions options;
    options.roots = RootFrom::name;
    auto byName = instrument;
    layOut(byName, 1, options);
    CHECK(roots(byName) == std::vector<int>{45, 50, 55});
    // The fine tuning is still what was heard.
    CHECK(byName.takes[1].tuning.fineCents == Approx(-10.0).margin(1.5));
    options.nameShift = 12;
    layOut(byName, 1, options);
    CHECK(roots(byName) == std::vector<int>{57, 62, 67});
    options.roots = RootFrom::series;
    options.series = {36, 6};
    auto row = instrument;
    layOut(row, 1, options);
    CHECK(roots(row) == std::vector<int>{36, 42, 48});
    options.roots = RootFrom::reading;
    options.rootsOf[row.takes[1].id] = RootFrom::name;
    layOut(row, 1, options);
    CHECK(roots(row) == std::vector<int>{57, 62, 67});
    // Names that contradict each other are no matter of counting octaves.
    const auto wrong = namedTakes({{"horn A2.wav", 57.0}, {"horn D2.wav", 62.0}});
    CHECK_FALSE(nameShift(rootsSaid(wrong, 1)));
}

TEST_CASE("words in names say which take is soft", "[model][layout]")
{
    auto instrument = namedTakes({{"horn A3 loud.wav", 57.0}, {"horn A3 soft.wav", 57.0},
        {"horn A4 soft.wav", 69.0}, {"horn A4 loud.wav", 69.0}});
    const auto done = layOut(instrument, 1);
    CHECK(done.shared == LaidOut::Shared::byTouch);
    CHECK(done.byWords);
    CHECK(zoneOf(instrument, 1).lowVelocity == 1);
    CHECK(zoneOf(instrument, 0).highVelocity == 127);
    CHECK(zoneOf(instrument, 2).highVelocity == 63);
    CHECK(sentenceFor(done).find("as their names say") != std::string::npos);
    LayOutOptions options;
    options.share = LayOutOptions::Share::inTurn;
    CHECK(layOut(instrument, 1, options).shared == LaidOut::Shared::inTurn);
}

TEST_CASE("takes without a pitch go to a row of keys or a layer of their own", "[model][layout]")
{
    const auto knock = [](const std::string& name, double root = 60.0) {
        auto take = plainTake(mono(decaying(noise(20000, 5), 48000.0, 0.1)), root, name);
        take.tuning.source = TuningSource::proposed;
        CHECK_FALSE(take.lacksPitch()); // as long as nobody has listened
        take.facts.change().pitch.verdict = PitchVerdict::none;
        return take;
    };
    Instrument instrument = takesOf({{48, 0.0}, {60, 0.0}});
    addTakes(instrument, {knock("knock a", 72.0), knock("knock b", 50.0), knock("knock c")});
    LayOutOptions options;
    options.unpitched = LayOutOptions::Unpitched::inARow;
    auto row = instrument;
    const auto done = layOut(row, 1, options);
    CHECK(done.unpitched == 3);
    REQUIRE(row.layers.size() == 2);
    CHECK(row.layers[0].zones.size() == 2);
    CHECK(row.layers[1].zones[1].lowKey == 37);
    CHECK(row.layers[1].zones[1].highKey == 37);
    CHECK(row.layers[1].follow == 0.0);
    options.unpitched = LayOutOptions::Unpitched::ownLayer;
    auto own = instrument;
    layOut(own, 1, options);
    CHECK(own.layers[1].sameKeys == SameKeys::inTurn);
    CHECK(own.layers[1].zones[2].lowKey == 0);
    // As they came, whatever was taken for their roots.
    for (const auto& laid : {row, own})
        for (std::size_t i = 0; i < 3; ++i)
            CHECK(laid.layers[1].zones[i].take == laid.takes[2 + i].id);
    // Alone they stay in their layer.
    Instrument alone;
    addTakes(alone, {knock("knock a"), knock("knock b")});
    options.unpitched = LayOutOptions::Unpitched::inARow;
    layOut(alone, 1, options);
    CHECK(alone.layers.size() == 1);
    CHECK(alone.layers[0].zones[0].highKey == 36);
}

TEST_CASE("takes that join leave borders where hands set them", "[model][layout]")
{
    auto instrument = takesOf({{48, 0.0}, {60, 0.0}, {72, 0.0}});
    Layer& layer = instrument.layers[0];
    // Between 48 and 60 by hand; the other one stays automatic.
    layer.zones[0].highKey = 49;
    layer.zones[0].highKeyByHand = true;
    layer.zones[1].lowKey = 50;
    layer.zones[1].lowKeyByHand = true;
    const auto tone = [] {
        return plainTake(mono(harmonicTone(220.0, 48000.0, 0.3)), 66.0, "new");
    };
    auto more = instrument;
    addTakes(more, {tone()});
    CHECK(zoneOf(more, 0).highKey == 49);
    CHECK(zoneOf(more, 1).lowKey == 50);
    CHECK(zoneOf(more, 1).highKey == 63);
    CHECK(zoneOf(more, 3).lowKey == 64);
    CHECK(zoneOf(more, 3).highKey == 69);
    // One that comes between them ends at the border that was set.
    auto between = instrument;
    between.layers[0].zones[0].highKey = 55;
    between.layers[0].zones[1].lowKey = 56;
    auto low = tone();
    low.tuning.rootKey = 53;
    addTakes(between, {low});
    CHECK(zoneOf(between, 0).highKey == 50);
    CHECK(zoneOf(between, 3).lowKey == 51);
    CHECK(zoneOf(between, 3).highKey == 55);
    CHECK(zoneOf(between, 1).lowKey == 56);
    // Laying out anew is what frees them.
    layOut(instrument, 1);
    CHECK(zoneOf(instrument, 0).highKey == 54);
}

TEST_CASE("what colours a sound more is proposed a shorter way", "[model][layout][reach]")
{
    // A plain slope of harmonics, and one with two strong resonances.
    const auto even = plainTake(mono(harmonicTone(220.0, 48000.0, 1.0, 40)), 57.0);
    std::vector<float> vowel(48000, 0.0f);
    for (int h = 1; h < 40; ++h) {
        const double hz = 220.0 * h;
        const double level = 0.01 / h + std::exp(-std::pow((hz - 700.0) / 120.0, 2.0))
            + 0.5 * std::exp(-std::pow((hz - 2600.0) / 200.0, 2.0));
        for (std::size_t i = 0; i < vowel.size(); ++i)
            vowel[i] += float(0.2 * level * std::sin(6.283185307 * hz * double(i) / 48000.0 + h));
    }
    const auto coloured = plainTake(mono(vowel), 57.0);
    const auto plain = proposeReach(even), short_ = proposeReach(coloured);
    CAPTURE(plain.up, plain.down, short_.up, short_.down);
    CHECK(short_.up < plain.up);
    CHECK(short_.down <= plain.down);
    CHECK(plain.up >= 10);
    // What rings high already has less room above.
    const auto high = plainTake(mono(harmonicTone(1760.0, 48000.0, 1.0)), 93.0);
    CHECK(proposeReach(high).up < plain.up);
    // Laying out may reach only so far.
    auto instrument = instrumentOf(coloured);
    LayOutOptions options;
    options.reach = LayOutOptions::Reach::asItSounds;
    layOut(instrument, 1, options);
    CHECK(instrument.layers[0].zones[0].lowKey == 57 - short_.down);
    CHECK(instrument.layers[0].zones[0].highKey == 57 + short_.up);
    options.reach = LayOutOptions::Reach::everyKey;
    layOut(instrument, 1, options);
    CHECK(instrument.layers[0].zones[0].highKey == 127);
}
