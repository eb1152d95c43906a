// SPDX-License-Identifier: GPL-3.0-or-later
// What was found out about takes stands beside the document, and is found again where it is
// missing.
#include "support/mangle.h"

#include "model/history.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using nlohmann::json;

namespace {

Instrument listened()
{
    auto take = *makeTake(makeRecording(mono(harmonicTone(220.0, 16000.0, 1.0), 16000.0), "a.wav"));
    auto instrument = makeInstrument(std::move(take));
    addTakes(instrument,
        {*makeTake(makeRecording(mono(harmonicTone(330.0, 16000.0, 1.0), 16000.0), "b.wav"))});
    return instrument;
}

/// As a file gives it back: the document, and the facts that fit it.
Instrument reread(const Instrument& of, const std::string& document, const std::string& facts)
{
    auto read = readWith(of, document);
    REQUIRE(read);
    addFacts(*read, facts);
    return *read;
}

} // namespace

TEST_CASE("facts are no part of the document", "[model][facts]")
{
    const auto known = listened();
    auto unknown = known;
    for (auto& take : unknown.takes)
        take.facts.forget();
    CHECK(known == unknown);
    CHECK(toJson(known) == toJson(unknown));
    auto changed = known;
    changed.takes[0].facts.change().loopMessage = message("is another");
    CHECK(known.takes[0].facts->loopMessage.empty()); // not that of the copy
    CHECK(known == changed);
}

TEST_CASE("facts come back beside the document, each for the take that it is of", "[model][facts]")
{
    const auto before = listened();
    const auto facts = factsToJson(before);
    const auto after = reread(before, toJson(before), facts);
    for (std::size_t i = 0; i < 2; ++i) {
        REQUIRE(after.takes[i].facts.known());
        CHECK(*after.takes[i].facts == *before.takes[i].facts);
    }
    // Whoever changes a take's description by hand gets no facts that are not of it.
    auto other = before;
    other.takes[1].kept.end.value -= 400;
    other = sanitized(other);
    const auto touched = reread(before, toJson(other), facts);
    CHECK(touched.takes[0].facts.known());
    CHECK_FALSE(touched.takes[1].facts.known());
}

TEST_CASE("damaged facts are left out, and what is let in is in range", "[model][facts][bad-input]")
{
    const auto before = listened();
    const auto text = factsToJson(before);
    for (const std::string bad : {"", "{", "[]", "null", "{\"facts\": 5}", "{\"facts\": [5, null]}",
             "{\"facts\": [{\"take\": \"one\"}]}"})
        CHECK_FALSE(reread(before, toJson(before), bad).takes[0].facts.known());
    auto j = json::parse(text);
    j["facts"][0]["pitch"]["verdict"] = "sideways";
    CHECK_FALSE(reread(before, toJson(before), j.dump()).takes[0].facts.known());
    Noise random(7);
    int known = 0;
    for (int i = 0; i < 60; ++i) {
        const auto read = reread(before, toJson(before), mangled(text, random, 1 + i % 5));
        for (const auto& take : read.takes) {
            if (!take.facts.known())
                continue;
            ++known;
            Facts mended = *take.facts;
            sanitize(mended, *take.recording->audio);
            CHECK(mended == *take.facts);
        }
        if (i % 10 == 0)
            walkThrough(read);
    }
    CHECK(known > 40);
}

TEST_CASE("findings that older files have as sentences are said as they stand", "[model][facts]")
{
    const auto before = listened();
    auto j = json::parse(factsToJson(before));
    auto& candidates = j["facts"][0]["pitch"]["candidates"];
    REQUIRE_FALSE(candidates.empty());
    REQUIRE(candidates[0]["reason"].is_array());
    candidates[0]["reason"] = "the wave says so, 100 %";
    j["facts"][0]["loopMessage"] = "";
    const auto facts = reread(before, toJson(before), j.dump()).takes[0].facts;
    REQUIRE(facts.known());
    CHECK(facts->pitch.choices[0].reason.said() == "the wave says so, 100 %");
    CHECK(facts->loopMessage.empty());
    // What is neither is no finding.
    candidates[0]["reason"] = 5;
    CHECK_FALSE(reread(before, toJson(before), j.dump()).takes[0].facts.known());
}

TEST_CASE("what is missing is found again and decides nothing", "[model][facts]")
{
    const auto before = listened();
    Take take = before.takes[0];
    take.loop.on = false;
    take.tuning = {60, 3.0, TuningSource::byHand};
    const Take decided = take;
    take.facts.forget();
    findFacts(take);
    CHECK(take == decided);
    REQUIRE(take.facts.known());
    CHECK(take.facts->pitch == before.takes[0].facts->pitch);
    CHECK_FALSE(take.facts->loopChoices.empty());
    Take stopped = decided;
    stopped.facts.forget();
    std::stop_source stop;
    stop.request_stop();
    findFacts(stopped, {stop.get_token(), {}});
    CHECK_FALSE(stopped.facts.known());
}

TEST_CASE("what nobody knows is not taken for known by a treatment", "[model][facts]")
{
    Take take = listened().takes[0];
    take.facts.forget();
    const Treatments list = {{Reverse{}}};
    setTreatments(take, list, treat(take.recording->audio, list));
    CHECK_FALSE(take.facts.known());
    hearAgain(take);
    REQUIRE(take.facts.known());
    CHECK(take.facts->pitch.midi);
    CHECK_FALSE(take.facts->loopChoices.empty());
}

TEST_CASE("facts that come later are known wherever the same take stands", "[model][history]")
{
    auto start = listened();
    start.takes[0].facts.forget();
    History history(start);
    auto louder = start;
    louder.layers[0].levelDb = -6.0;
    history.apply("Quieter", louder);
    auto moved = louder;
    moved.takes[0].kept.end.value -= 100;
    history.apply("Move end", moved);
    history.undo();
    auto knowing = history.current();
    knowing.takes[0].facts.change().loopMessage = message("was heard");
    CHECK_FALSE(history.apply("", knowing));
    CHECK(history.current().takes[0].facts->loopMessage == message("was heard"));
    history.undo();
    CHECK(history.current().takes[0].facts->loopMessage == message("was heard"));
    history.redo();
    history.redo();
    CHECK_FALSE(history.current().takes[0].facts.known()); // it is another take by then
}

TEST_CASE(
    "the sounds on the way of a drag take no room from those that undo wants", "[model][history]")
{
    auto start = makeInstrument(plainTake(mono(std::vector<float>(5'000'000, 0.25f)), 60.0));
    History history(start);
    const auto treatedBy = [&](double gain) {
        auto next = history.current();
        const Treatments list = {{Level{Level::To::gain, gain, {}}}};
        setTreatments(next.takes[0], list, treat(next.takes[0].recording->audio, list));
        return next;
    };
    history.apply("Level", treatedBy(-1.0));
    for (int i = 2; i < 7; ++i)
        history.apply("Drag", treatedBy(-i), 9);
    CHECK_FALSE(lacksSound(*history.target(History::Step::undo)));
}

TEST_CASE("treated sounds wait for undo while there is room, and are made again otherwise",
    "[model][history]")
{
    // Two of these fit into what is kept, three do not.
    const std::size_t frames = 5'000'000;
    auto start = makeInstrument(plainTake(mono(std::vector<float>(frames, 0.25f)), 60.0));
    History history(start);
    const auto treatedBy = [&](double gain) {
        auto next = history.current();
        const Treatments list = {{Level{Level::To::gain, gain, {}}}};
        setTreatments(next.takes[0], list, treat(next.takes[0].recording->audio, list));
        return next;
    };
    std::vector<float> heard;
    for (const double gain : {-1.0, -2.0, -3.0, -4.0}) {
        history.apply("Level", treatedBy(gain));
        heard.push_back(history.current().takes[0].audio().channels[0][100]);
    }
    const auto soundNow = [&] { return history.current().takes[0].audio().channels[0][100]; };
    for (int i = 3; i > 0; --i) {
        auto target = *history.target(History::Step::undo);
        const bool lacking = lacksSound(target);
        CHECK(lacking == (i < 3)); // what was left last is nearest
        REQUIRE(makeSounds(target));
        history.walk(History::Step::undo, &target);
        CHECK_FALSE(lacksSound(history.current()));
        CHECK(soundNow() == heard[std::size_t(i - 1)]);
    }
    history.undo();
    CHECK(soundNow() == 0.25f);
    CHECK_FALSE(lacksSound(history.current())); // nothing is done to it
}
