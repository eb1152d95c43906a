// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/words/movement_words.h"

#include <catch2/catch.hpp>
#include <random>

using namespace puretone;
using Catch::Matchers::Contains;

namespace {

Movement read(const std::string& text)
{
    const auto made = parseMovement(text);
    INFO(text);
    REQUIRE(made);
    return made->movement;
}

} // namespace

TEST_CASE("movements are read from sentences", "[model][movement]")
{
    const Movement wheel = read("wheel cutoff 2 oct");
    CHECK(wheel.source == Source{SourceKind::wheel, 0});
    CHECK(wheel.target == Target::cutoff);
    CHECK(wheel.amount == 2.0);
    CHECK(read("Touch level 24 dB").amount == 24.0);
    CHECK(read("touch level -24dB").amount == -24.0);
    CHECK(read("controller 74 resonance 40 %").source == Source{SourceKind::controller, 74});
    CHECK(read("controller 74 resonance 40 %").amount == Approx(0.4));
    CHECK(read("pressure pitch 50 ct").amount == Approx(0.5));
    CHECK(read("second envelope pitch 1 octave").amount == Approx(12.0));
    CHECK(read("bend start 0,2 s").amount == Approx(0.2));
    CHECK(read("noise shake 12 %").target == Target::ring);
    CHECK(read("release touch release").amount == factsOf(Target::release).usual);
    CHECK(read("wheel pitch 12 by touch").by == Source{SourceKind::touch, 0});
    CHECK(read("wheel cutoff 1000").amount == factsOf(Target::cutoff).most);
    // As they are called in the trade.
    CHECK(read("velocity filter 1 oct") == read("touch cutoff 1 oct"));
    CHECK(read("aftertouch volume 3 db") == read("pressure level 3 dB"));
    CHECK(parseMovement("lfo 5 hz pitch 20 ct")->wave->shape == Wave::Shape::sine);
    const auto wave = parseMovement("saw down 0.3 Hz cutoff 0.6 oct as far as wheel");
    REQUIRE(wave);
    REQUIRE(wave->wave);
    CHECK(wave->wave->shape == Wave::Shape::sawDown);
    CHECK(wave->wave->hz == Approx(0.3));
    CHECK(wave->movement.by == Source{SourceKind::wheel, 0});
    CHECK(parseMovement("sine 1 bar cutoff")->wave->beats == 4.0);
    // Note lengths as they are written, and the time of one swing.
    CHECK(parseMovement("triangle 1/4 cutoff 1 oct")->wave->beats == Approx(1.0));
    CHECK(parseMovement("triangle 1/8 triplet cutoff 1 oct")->wave->beats == Approx(1.0 / 3.0));
    CHECK(parseMovement("triangle 3/16 cutoff 1 oct")->movement.amount == 1.0);
    CHECK(parseMovement("sine 4 s cutoff 1 oct")->wave->hz == Approx(0.25));
    CHECK(parseMovement("sine 250 ms cutoff")->wave->hz == Approx(4.0));
    // A noise that has a speed is no hiss.
    CHECK(parseMovement("noise shake 50 %")->movement.source.kind == SourceKind::noise);
    const auto restless = parseMovement("noise 4 Hz level 8 dB");
    REQUIRE((restless && restless->wave));
    CHECK(restless->wave->shape == Wave::Shape::drift);
    CHECK(restless->wave->hz == Approx(4.0));
    CHECK(parseMovement("chance 1/8 pan 40 %")->wave->shape == Wave::Shape::steps);
    CHECK(parseMovement("chance pan 40 %")->movement.source.kind == SourceKind::random);
    CHECK(parseMovement("wheel place 60 %")->movement.target == Target::pan);
    const auto moment = parseMovement("wheel place 60 %", {}, Manner::frozen);
    CHECK(moment->movement.target == Target::place);
    CHECK(moment->movement.amount == 0.6);
    CHECK(parseMovement("wheel pan", {}, Manner::frozen)->movement.target == Target::pan);
}

TEST_CASE("what is no movement is refused with the word that was not understood",
    "[model][movement][bad-input]")
{
    const auto said = [](const std::string& text) {
        const auto made = parseMovement(text);
        INFO(text);
        REQUIRE_FALSE(made);
        CHECK_FALSE(made.error().hint.empty());
        return made.error().message;
    };
    CHECK_THAT(said(""), Contains("Nothing"));
    CHECK_THAT(said("weel cutoff"), Contains("weel"));
    CHECK_THAT(said("wheel"), Contains("what is moved"));
    CHECK_THAT(said("wheel nose 3"), Contains("nose"));
    CHECK_THAT(said("sine 3 db cutoff"), Contains("3"));
    CHECK_THAT(said("sine 1/x cutoff"), Contains("1/x"));
    CHECK_THAT(said("wheel cutoff 3 dB"), Contains("db"));
    CHECK_THAT(said("wheel cutoff 3 oct of course"), Contains("of"));
    CHECK_THAT(said("wheel cutoff by everything"), Contains("allows"));
    said("controller 200 cutoff");
    std::mt19937 random(4);
    const std::vector<std::string> words = {"wheel", "cutoff", "2", "oct", "by", "sine", "hz",
        "controller", "-", "1e300", "%", "\xC3\xA9", "touch", "level"};
    for (int i = 0; i < 5000; ++i) {
        std::string text;
        for (auto count = random() % 7; count > 0; --count)
            text += words[random() % words.size()] + (random() % 9 == 0 ? "" : " ");
        if (const auto made = parseMovement(text))
            CHECK(std::abs(made->movement.amount) <= factsOf(made->movement.target).most);
    }
}

TEST_CASE("every movement is a sentence", "[model][movement]")
{
    Layer layer;
    layer.waves[2] = {Wave::Shape::sine, 0.3, 0.0, 0.0, 0.0, 0.0, false};
    const Movement slow{
        {SourceKind::wave, 2}, Target::cutoff, 0, 0.6, {SourceKind::wheel, 0}, 0.0, true};
    CHECK(sentenceOf(layer, slow).whole()
        == "Sine, 0.30 Hz moves the cutoff by \xC2\xB1"
           "0.60 oct as far as mod wheel allows");
    const Movement touch{{SourceKind::touch, 0}, Target::level, 0, 24.0, {}, 0.0, true};
    CHECK(sentenceOf(layer, touch).whole() == "Touch raises the level by +24.0 dB");
    for (int kind = 1; kind <= int(SourceKind::noise); ++kind)
        for (int target = 0; target < targetCount; ++target) {
            const auto said =
                sentenceOf(layer, {{SourceKind(kind), 0}, Target(target), 0, 0.5, {}, 0.0, true});
            CHECK_FALSE(said.source.empty());
            CHECK_FALSE(said.verb.empty());
            CHECK(said.amount.size() > 2);
        }
}

TEST_CASE("what a movement says of itself can be written", "[model][movement]")
{
    const auto same = [](const Layer& layer, const Movement& m) {
        const auto said = sentenceOf(layer, m).whole();
        INFO(said);
        const auto read = parseMovement(said + ".");
        REQUIRE(read);
        CHECK(read->movement.source.kind == m.source.kind);
        CHECK(read->movement.by.kind == m.by.kind);
        CHECK(read->movement.target == m.target);
        CHECK(read->movement.amount == Approx(m.amount).margin(0.01));
    };
    Layer layer;
    layer.waves[0].hz = 0.3;
    std::mt19937 random(3);
    for (int kind = 1; kind <= int(SourceKind::noise); ++kind)
        for (int target = 0; target < targetCount; ++target) {
            if (Target(target) == Target::effect)
                continue; // of which there is none
            const bool upwards = isTwoSided({SourceKind(kind), 0}) || random() % 2 == 0;
            Movement m{
                {SourceKind(kind), 0}, Target(target), 0, upwards ? 0.5 : -0.5, {}, 0.0, true};
            same(layer, m);
            m.by = {SourceKind::wheel, 0};
            same(layer, m);
        }
    const auto typed = parseMovement("wheel opens cutoff by \xE2\x88\x92"
                                     "3 oct");
    REQUIRE(typed);
    CHECK(typed->movement.amount == -3.0);
    CHECK(parseMovement("wheel raises the level 6 dB by touch")->movement.by.kind
        == SourceKind::touch);
}

TEST_CASE("a wave of its own is given a place that nothing follows", "[model][movement]")
{
    Layer layer;
    for (int i = 0; i < mostWaves; ++i) {
        auto made = parseMovement("sine 1 Hz pitch 10 ct");
        made->wave->hz = i + 1.0;
        const auto at = addMovement(layer, *made);
        REQUIRE(at);
        CHECK(layer.movements[*at].source.number == i);
        CHECK(layer.waves[std::size_t(i)].hz == i + 1.0);
    }
    CHECK_FALSE(addMovement(layer, *parseMovement("sine 9 Hz level")));
    CHECK(addMovement(layer, *parseMovement("wheel cutoff")));
    while (layer.movements.size() < mostMovements)
        layer.movements.push_back({});
    CHECK_THAT(
        addMovement(layer, *parseMovement("wheel cutoff")).error().message, Contains("room"));
    layer.movements.erase(layer.movements.begin() + 1);
    const auto again = addMovement(layer, *parseMovement("square 9 Hz level"));
    REQUIRE(again);
    CHECK(layer.waves[1].shape == Wave::Shape::square);
}

TEST_CASE("ready movements can be added, and a learnt one does not jump", "[model][movement]")
{
    for (const auto& ready : readyMovements()) {
        Layer layer;
        CHECK(addMovement(layer, ready.made));
        CHECK_FALSE(sentenceOf(layer, layer.movements[0]).whole().empty());
    }
    Layer layer;
    layer.filter.hz = 2000.0;
    const Movement learnt{{SourceKind::controller, 20}, Target::cutoff, 0, 2.0, {}, 0.0, true};
    keepSounding(layer, learnt, 0.5);
    CHECK(layer.filter.hz * std::exp2(learnt.amount * 0.5) == Approx(2000.0));
    keepSounding(layer, {{SourceKind::wheel, 0}, Target::level, 0, 12.0, {}, 0.0, true}, 1.0);
    CHECK(layer.levelDb == Approx(-12.0));
}

TEST_CASE(
    "a source plays a value from below: at its highest nothing has changed", "[model][movement]")
{
    Layer layer;
    layer.levelDb = -3.0;
    const auto plays = [&](const std::string& text) {
        INFO(text);
        const auto made = parseMovement(text);
        REQUIRE(made);
        REQUIRE(addMovement(layer, *made));
        return layer.movements.back();
    };
    const auto loud = plays("wheel plays the loudness 30 dB");
    CHECK(loud.target == Target::level);
    CHECK(layer.levelDb + loud.amount == Approx(-3.0));
    layer.filter.hz = 4000.0;
    const auto open = plays("controller 2 plays cutoff 3 oct");
    CHECK(layer.filter.hz * std::exp2(open.amount) == Approx(4000.0));
    layer.levelDb = 0.0;
    plays("sine 2 Hz plays level 6 dB"); // swings to both sides
    CHECK(layer.levelDb == 0.0);
    CHECK_FALSE(parseMovement("wheel plays"));
}

TEST_CASE("the slow wave of plain formats is one of a layer's movements", "[model][movement]")
{
    Layer layer;
    CHECK_FALSE(slowWaveOf(layer).moves());
    const SlowWave wave{3.0, 20.0, 1.5, 0.5, 0.25};
    setSlowWave(layer, wave);
    CHECK(slowWaveOf(layer) == wave);
    CHECK(layer.movements.size() == 3);
    layer.movements.push_back(*addMovement(layer, *parseMovement("wheel cutoff 1"))
            ? layer.movements.back()
            : Movement{});
    setSlowWave(layer, {});
    for (const auto& m : layer.movements)
        CHECK(m.source.kind == SourceKind::wheel);
    // Of another shape, or scaled by something, it is not that.
    setSlowWave(layer, wave);
    layer.waves[0].shape = Wave::Shape::square;
    CHECK_FALSE(slowWaveOf(layer).moves());
}
