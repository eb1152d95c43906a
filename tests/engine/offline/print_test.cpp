// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/offline/print.h"

#include "engine/offline/render.h"
#include "model/files/json.h"
#include "support/signals.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

Instrument pad()
{
    auto instrument =
        instrumentOf(plainTake(mono(harmonicTone(220.0, rate, 1.5)), midiOf(Hz{220.0})));
    instrument.layers[0].envelope = {0.0, 0.05, 0.0, 0.0, 0.0, 0.2};
    instrument.layers[0].filter.kind = FilterKind::low;
    instrument.layers[0].filter.hz = 900.0;
    instrument.layers[0].zones[0].lowKey = 40;
    instrument.layers[0].zones[0].highKey = 80;
    instrument.effects = {makeEffect(EffectKind::drive, 1), makeEffect(EffectKind::reverb, 2)};
    return instrument;
}

PrintPlan planOf(int key, double seconds)
{
    PrintPlan plan;
    plan.key = key;
    plan.heldSeconds = seconds;
    return plan;
}

} // namespace

TEST_CASE("a print is the offline rendering, bit for bit", "[engine][print]")
{
    const auto instrument = pad();
    const Print print = planPrint(instrument, planOf(60, 0.8));
    const auto audio = printAudio(instrument, print, rate);
    REQUIRE(audio);
    const auto rendered = renderEvents(
        instrument, {{0.0, MidiEvent::noteOn(60, 100)}, {0.8, MidiEvent::noteOff(60)}}, rate, 30.0);
    const auto length = std::size_t(audio->frames());
    REQUIRE(length <= std::size_t(rendered.frames()));
    for (std::size_t c = 0; c < 2; ++c) {
        const auto& whole = rendered.channels[c];
        CHECK(std::equal(audio->channels[c].begin(), audio->channels[c].end(), whole.begin()));
        // What was left out is not heard.
        CHECK(std::all_of(whole.begin() + long(length), whole.end(),
            [](float s) { return std::abs(s) < 3.3e-5f; }));
    }
    CHECK(audio->seconds() > 1.5); // its tail
}

TEST_CASE("a print leaves out what it is told to", "[engine][print]")
{
    const auto instrument = pad();
    auto plan = planOf(60, 0.5);
    plan.effects = false;
    const auto dry = printAudio(instrument, planPrint(instrument, plan), rate);
    REQUIRE(dry);
    CHECK(dry->seconds() < 1.0);
    plan.shape = false;
    plan.mono = true;
    plan.untilSilent = false;
    plan.tailSeconds = 0.5;
    const auto plain = printAudio(instrument, planPrint(instrument, plan), rate);
    REQUIRE(plain);
    CHECK(plain->channels.size() == 1);
    CHECK(plain->frames() == 48000);
    // No attack: it is loud at once; the envelope's release stays.
    CHECK(rmsDb(std::span(plain->channels[0]).subspan(0, 480))
        > rmsDb(std::span(dry->channels[0]).subspan(0, 480)) + 6.0);
}

TEST_CASE("what cannot be printed says why", "[engine][print][bad]")
{
    auto instrument = pad();
    const auto none = printAudio(instrument, planPrint(instrument, planOf(20, 1.0)), rate);
    REQUIRE_FALSE(none);
    CHECK(none.error().code == ErrorCode::nothingInside);
    instrument.layers[0].levelDb = -60.0;
    instrument.layers[0].on = false;
    CHECK_FALSE(printAudio(instrument, planPrint(instrument, planOf(60, 1.0)), rate));
    std::stop_source stop;
    stop.request_stop();
    const auto stopped =
        printAudio(pad(), planPrint(pad(), planOf(60, 1.0)), rate, Progress{stop.get_token(), {}});
    REQUIRE_FALSE(stopped);
    CHECK(stopped.error().code == ErrorCode::cancelled);
}

TEST_CASE("a print sounds alone, as what it was made of did, and knows when that changes",
    "[engine][print]")
{
    auto instrument = pad();
    const Print print = planPrint(instrument, planOf(60, 0.8));
    const auto audio = printAudio(instrument, print, rate);
    REQUIRE(audio);
    auto take =
        printedTake(instrument, makeRecording(*audio, "print C4.wav"), print, "Print of C4");
    const auto layer = addPrints(instrument, {take}, "Print of C4");
    REQUIRE(layer);
    CHECK_FALSE(instrument.layers[0].on);
    CHECK_FALSE(instrument.effects[0].on);
    const Take& made = instrument.takes.back();
    CHECK(made.tuning.rootKey == 60);
    CHECK_FALSE(isStalePrint(instrument, made));
    // Its root key plays the print as it is, but for the end of the key.
    const auto again = renderEvents(
        instrument, {{0.0, MidiEvent::noteOn(60, 100)}, {0.6, MidiEvent::noteOff(60)}}, rate, 1.0);
    for (std::size_t i = 4800; i < 24000; i += 97)
        REQUIRE_THAT(double(again.channels[0][i]), WithinAbs(double(audio->channels[0][i]), 0.02));

    SECTION("it is saved with what it was made of")
    {
        const auto reread = fromJson(toJson(instrument), "x",
            [&](const std::string& path, const std::string&) -> Result<RecordingPtr> {
                for (const auto& t : instrument.takes)
                    if (audioPath(*t.recording) == path)
                        return t.recording.pointer();
                return fail(ErrorCode::damaged, "?", "");
            });
        REQUIRE(reread);
        CHECK(reread->takes.back().print == made.print);
        CHECK_FALSE(isStalePrint(*reread, reread->takes.back()));
    }
    SECTION("names and layers that did not sound do not matter, sources do")
    {
        auto changed = instrument;
        changed.layers[0].name = "other";
        changed.takes[0].name = "other";
        changed.layers[0].on = true;
        CHECK_FALSE(isStalePrint(changed, changed.takes[1]));
        changed.layers[0].filter.hz = 500.0;
        CHECK(isStalePrint(changed, changed.takes[1]));
        changed = instrument;
        setValue(changed.effects[1], "decay", 0.5);
        CHECK(isStalePrint(changed, changed.takes[1]));
        Print next = *changed.takes[1].print;
        const auto second = printAudio(changed, next, rate);
        REQUIRE(second);
        CHECK(second->seconds() < audio->seconds());
        next.sources = printSources(changed, next);
        const TakeId id = changed.takes[1].id;
        replacePrint(changed, id, makeRecording(*second, "print C4.wav"), next);
        CHECK_FALSE(isStalePrint(changed, *changed.take(id)));
        CHECK(changed.take(id)->kept.end.value == second->frames());
        CHECK(describePrint(changed, next).find("drive, reverb") != std::string::npos);
    }
    SECTION("without its layer it cannot be made anew")
    {
        auto changed = instrument;
        changed.layers.erase(changed.layers.begin());
        CHECK_FALSE(printObstacle(changed, *changed.takes[1].print).empty());
    }
}

TEST_CASE("many keys are printed at once and laid out between each other", "[engine][print]")
{
    auto instrument = pad();
    PrintMany many;
    many.plan = planOf(60, 0.2);
    many.plan.effects = false;
    many.from = 36;
    many.to = 84;
    many.step = 12;
    many.touches = {60, 120};
    const auto plans = plansOf(instrument, many);
    CHECK(plans.size() == 6); // 48, 60, 72: others are not played
    std::vector<Print> prints;
    for (const auto& plan : plans)
        prints.push_back(planPrint(instrument, plan));
    const auto audio = printAll(instrument, prints, rate);
    REQUIRE(audio);
    std::vector<Take> takes;
    for (std::size_t i = 0; i < plans.size(); ++i)
        takes.push_back(printedTake(
            instrument, makeRecording((*audio)[i], "p.wav"), planPrint(instrument, plans[i]), "p"));
    const auto id = addPrints(instrument, takes, "Prints");
    const auto& zones = instrument.layer(id)->zones;
    REQUIRE(zones.size() == 6);
    CHECK(zones[0].lowKey == 21);
    CHECK(zones[0].highKey == 54);
    CHECK(zones[0].highVelocity == 90);
    CHECK(zones[1].lowVelocity == 91);
    CHECK(zones[3].lowKey == 55);
    CHECK(zones[3].highKey == 66);
    CHECK(zones[5].highKey == 108);
}
