// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/instrument/instrument.h"

#include "model/files/json.h"
#include "model/words/readings.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;

namespace {

Instrument example()
{
    auto take = *makeTake(makeRecording(mono(harmonicTone(233.0, 48000.0, 1.0)), "hum.wav"));
    return makeInstrument(std::move(take));
}

Result<Instrument> reread(const Instrument& i, const std::string& text)
{
    return fromJson(text, "x.puretone",
        [&](const std::string& path, const std::string&) -> Result<RecordingPtr> {
            for (const auto& t : i.takes)
                if (audioPath(*t.recording) == path)
                    return t.recording.pointer();
            return fail(ErrorCode::damaged, path + " is missing.");
        });
}

} // namespace

TEST_CASE("a document is the same after JSON and back", "[model][json]")
{
    auto instrument = example();
    instrument.layers[0].envelope = {0.1, 0.2, 0.3, 0.4, -12.5, 1.25};
    instrument.takes[0].loop.curve = FadeCurve::equalPower;
    instrument.takes[0].loop.evenOut = 0.4;
    instrument.takes[0].tuning = {61, -37.25, TuningSource::byHand};
    instrument.name = "Skerry \"Light\" ♯";
    const auto again = reread(instrument, toJson(instrument));
    REQUIRE(again);
    CHECK(*again == instrument);
    CHECK(toJson(*again) == toJson(instrument));
}

TEST_CASE("treatments that follow a pitch and another A4 come back from JSON", "[model][json]")
{
    auto instrument = example();
    Straighten straighten;
    straighten.drift = 0.75;
    straighten.vibrato = 0.25;
    straighten.to = Straighten::To::note;
    straighten.midi = 57.125;
    RemoveTone tone;
    tone.hz = 1480.5;
    tone.harmonics = true;
    tone.alone = true;
    instrument.takes[0].treatments = {{straighten, true}, {tone, false}};
    setConcertPitch(instrument, 432.0);
    const auto again = reread(instrument, toJson(instrument));
    REQUIRE(again);
    CHECK(again->takes[0].treatments == instrument.takes[0].treatments);
    CHECK(again->a4 == instrument.a4);
    CHECK(again->takes[0].tuning == instrument.takes[0].tuning);
    CHECK(toJson(*again) == toJson(instrument));
    // What is written is what stands there, not what every document has.
    CHECK_THAT(toJson(instrument), Contains("1480.5") && Contains("432"));
}

TEST_CASE("damaged documents are refused with a sentence", "[model][json][bad-input]")
{
    const auto instrument = example();
    auto text = toJson(instrument);
    SECTION("cut off")
    {
        text.resize(text.size() / 2);
    }
    SECTION("not JSON")
    {
        text = "hello";
    }
    SECTION("another kind")
    {
        text = "[1, 2, 3]";
    }
    SECTION("a missing part")
    {
        text.replace(text.find("\"takes\""), 7, "\"tokes\"");
    }
    SECTION("a wrong type")
    {
        text.replace(text.find("\"rootKey\": "), 11, "\"rootKey\": \"x\", \"q\": ");
    }
    SECTION("a newer version")
    {
        const std::string now = "\"schema\": " + std::to_string(schemaVersion);
        text.replace(
            text.find(now), now.size(), "\"schema\": " + std::to_string(schemaVersion + 1));
    }
    SECTION("a zone without its take")
    {
        text.replace(text.find("\"take\": 1"), 9, "\"take\": 7");
    }
    const auto again = reread(instrument, text);
    REQUIRE_FALSE(again);
    CHECK_THAT(again.error().message, Contains("x.puretone"));
}

TEST_CASE("numbers out of range are brought into range", "[model][bad-input]")
{
    auto wild = example();
    Noise next(4);
    for (int round = 0; round < 200; ++round) {
        auto& take = wild.takes[0];
        const auto any = [&] { return Frames{std::int64_t(next.between(-1e5, 2e5))}; };
        take.kept = {any(), any()};
        take.loop.on = true;
        take.loop.span = {any(), any()};
        take.loop.crossfade = any();
        take.tuning.rootKey = int(next.between(-50, 300));
        wild.layers[0].zones[0].lowKey = int(next.between(-50, 300));
        wild.layers[0].zones[0].highKey = int(next.between(-50, 300));
        wild.layers[0].envelope.release = round % 3 == 0 ? std::nan("") : next.between(-1, 100);
        const auto calm = sanitized(wild);
        const auto& t = calm.takes[0];
        REQUIRE(t.kept.start.value >= 0);
        REQUIRE(t.kept.end.value <= t.audio().frames());
        REQUIRE(t.kept.length() >= shortestTake);
        REQUIRE(t.loop.span.start >= t.kept.start);
        REQUIRE(t.loop.span.end <= t.kept.end);
        REQUIRE(t.loop.span.length() >= shortestLoop);
        REQUIRE(t.tuning.rootKey >= 0);
        REQUIRE(t.tuning.rootKey <= 127);
        REQUIRE(calm.layers[0].zones[0].lowKey <= calm.layers[0].zones[0].highKey);
        REQUIRE(calm.layers[0].envelope.release >= 0.005);
        REQUIRE(sanitized(calm) == calm);
    }
}

TEST_CASE("tuning splits a pitch into key and fine tune", "[model]")
{
    const auto tuning = Tuning::forPitch(57.88, TuningSource::proposed);
    CHECK(tuning.rootKey == 58);
    CHECK_THAT(tuning.fineCents, Catch::Matchers::WithinAbs(12.0, 1e-9)); // 12 cents flat: tuned up
    CHECK_THAT(tuning.soundingMidi(), Catch::Matchers::WithinAbs(57.88, 1e-12));
}

TEST_CASE("the path reads what is there and flags what wants a look", "[model][readings]")
{
    auto instrument = example();
    const auto read = [&](Stop stop) {
        return readingOf(stop, instrument, &instrument.takes[0], {});
    };
    CHECK(read(Stop::sound).text == "1.00 s");
    CHECK_THAT(read(Stop::pitch).text, Contains("A#3"));
    CHECK(read(Stop::pitch).concern.empty());
    CHECK(read(Stop::keys).text == "A0 to C8");
    CHECK(read(Stop::shape).text == "attack 2.0 ms");
    instrument.takes[0].facts.change().pitch.verdict = PitchVerdict::none;
    CHECK_FALSE(read(Stop::pitch).concern.empty());
    instrument.takes[0].tuning.source = TuningSource::byHand;
    CHECK(read(Stop::pitch).concern.empty());
    instrument.takes[0].loop.on = false;
    CHECK(read(Stop::loop).text == "off, one is ready");
    instrument.takes[0].facts.change().loopChoices.clear();
    instrument.takes[0].facts.change().loopMessage = message("dies away within 30 ms");
    CHECK(read(Stop::loop).concern == "No loop was found: it dies away within 30 ms.");
    CHECK(readingOf(Stop::sound, {}, nullptr, {}).text == "no sound yet");
    const auto several =
        readingOf(Stop::sound, instrument, &instrument.takes[0], {}, {std::nullopt, 10});
    CHECK(several.text == "10 notes: split them?");
    CHECK_THAT(several.concern, Contains("10 notes"));
}

TEST_CASE("short loops are offered what brings them into tune", "[model][readings]")
{
    auto take = looped(
        plainTake(mono(harmonicTone(240.0, 48000.0, 1.0)), midiOf(Hz{240.0})), 20000, 20400, 100);
    CHECK_FALSE(wantsFitting(take)); // two periods of 200 frames
    take.loop.span.end.value += 3;
    CHECK(wantsFitting(take));
    take.loop.span.end.value = 40003; // a hundred periods: nothing is heard of it
    CHECK_FALSE(wantsFitting(take));
    take.loop.span.end.value = 20403;
    take.loop.on = false;
    CHECK_FALSE(wantsFitting(take));

    CHECK_FALSE(tuningByTone(take, Hz{240.1})); // 0.7 cents away
    const auto own = tuningByTone(take, Hz{160.0});
    REQUIRE(own);
    CHECK(own->soundingMidi() == Approx(midiOf(Hz{160.0})));
    CHECK(own->source == TuningSource::byHand);
}

TEST_CASE("posts stop at each other and the crossfade at what there is", "[model][readings]")
{
    const Span kept{Frames{100}, Frames{10000}};
    Loop loop;
    loop.on = true;
    loop.span = {Frames{2000}, Frames{8000}};
    loop.crossfade = Frames{1500};
    CHECK(withLoopStart(loop, kept, -50).span.start.value == 100);
    CHECK(withLoopStart(loop, kept, 9000).span.start.value == 8000 - shortestLoop);
    CHECK(withLoopStart(loop, kept, 300).crossfade.value == 300);
    CHECK(withLoopEnd(loop, kept, 50000).span.end.value == 10000);
    CHECK(withLoopEnd(loop, kept, 2500).crossfade.value == 500);
    const auto moved = withLoopAt(loop, kept, 300);
    CHECK(moved.span == Span{Frames{300}, Frames{6300}});
    CHECK(moved.crossfade.value == 300);
    CHECK(withLoopAt(loop, kept, 9000).span == Span{Frames{4000}, Frames{10000}});
    CHECK(withLoopAt(loop, kept, -9).span.start.value == 100);
    CHECK(withLoopFrom(loop, kept, 300).span == Span{Frames{300}, Frames{8000}});
    CHECK(withLoopFrom(loop, kept, 9000).span == Span{Frames{4000}, Frames{10000}});
    CHECK(crossfadeLimitReason(loop).empty());
    loop.crossfade = Frames{2000};
    CHECK_THAT(crossfadeLimitReason(loop), Contains("before the start"));
    CHECK(withKeptEnd(kept, 0, 20000).length() == shortestTake);
    CHECK(withKeptStart(kept, 99999).length() == shortestTake);
}

TEST_CASE("another A4 moves the whole instrument and nothing else", "[model][tuning]")
{
    Instrument instrument;
    for (const double midi : {57.0, 60.3, 47.49}) {
        Take take;
        take.id = int(instrument.takes.size()) + 1;
        take.tuning = Tuning::forPitch(midi, TuningSource::proposed);
        instrument.takes.push_back(take);
    }
    const auto before = instrument;
    const double a4 = GENERATE(400.0, 432.0, 442.0, 466.0, 480.0);
    CAPTURE(a4);
    setConcertPitch(instrument, a4);
    const double offset = 12.0 * std::log2(a4 / 440.0);
    for (std::size_t i = 0; i < instrument.takes.size(); ++i) {
        const auto& now = instrument.takes[i].tuning;
        // What was recorded sounds as it did; the keys lie elsewhere.
        CHECK_THAT(now.soundingMidi(),
            Catch::Matchers::WithinAbs(before.takes[i].tuning.soundingMidi(), 1e-9));
        CHECK_THAT(now.keyMidi(),
            Catch::Matchers::WithinAbs(before.takes[i].tuning.keyMidi() - offset, 1e-9));
        CHECK(std::abs(now.fineCents) <= 50.0 + 1e-9);
    }
    setConcertPitch(instrument, 440.0);
    for (std::size_t i = 0; i < instrument.takes.size(); ++i)
        CHECK_THAT(instrument.takes[i].tuning.fineCents,
            Catch::Matchers::WithinAbs(before.takes[i].tuning.fineCents, 1e-9));
}

TEST_CASE("copied treatments follow the pitch and stretch of the take they come to", "[model]")
{
    auto take = probe::plainTake(probe::mono(probe::sine(220.0, 48000.0, 1.0)), 57.2);
    take.facts.change().pitch.midi = 57.2;
    take.tuning = Tuning::forPitch(57.2, TuningSource::proposed, 442.0);
    take.kept = {Frames{100}, Frames{20000}};
    const auto own = treatmentsFor(
        take, {{Straighten{1.0, 0.5, Straighten::To::note, 40.0, 41.0, {}}}, {RemoveTone{}}});
    const auto& straighten = std::get<Straighten>(own[0].what);
    CHECK(straighten.midi == 57.2);
    CHECK_THAT(
        straighten.note, Catch::Matchers::WithinAbs(57.0 + 12.0 * std::log2(442.0 / 440.0), 1e-9));
    CHECK(straighten.over == take.kept);
    CHECK(straighten.vibrato == 0.5);
    CHECK(std::get<RemoveTone>(own[1].what).over == take.kept);
}

TEST_CASE("readings name notes on the keys of the instrument's own A4", "[model][tuning]")
{
    auto take = probe::plainTake(probe::mono(probe::sine(220.0, 48000.0, 3.0)), 57.0);
    take.facts.change().pitch.verdict = PitchVerdict::uncertain;
    take.facts.change().pitch.notes = {57.0, 61.0};
    CHECK(pitchFacts(take, {}) == std::vector<std::string>{"2 notes sound at once: A3, C#4."});
    // A semitone lower, so that the same sounds lie a key higher.
    const double a4 = 440.0 / std::exp2(1.0 / 12.0);
    take.tuning = Tuning::forPitch(57.0, TuningSource::series, a4);
    CHECK(take.tuning.rootKey == 58);
    CHECK(pitchFacts(take, {}) == std::vector<std::string>{"2 notes sound at once: A#3, D4."});
    take.facts.change().pitch.midi = 57.0;
    CHECK_FALSE(contradictsSeries(take));
    take.facts.change().pitch.midi = 58.0;
    CHECK(contradictsSeries(take));
}

TEST_CASE("what a trial tone is held against lies inside the kept part", "[model]")
{
    auto take = probe::plainTake(probe::mono(probe::sine(220.0, 48000.0, 4.0)), 57.0);
    take.kept = {Frames{4800}, Frames{4800 + 3 * 48000}};
    CHECK(steadiestPart(take) == Span{Frames{4800 + 7200}, Frames{4800 + 7200 + 96000}});
    PitchMovement movement;
    movement.steadyStart = 2.0;
    movement.steadyEnd = 2.5;
    take.facts.change().pitch.movement = movement;
    // Two seconds that would run past the end begin earlier.
    CHECK(steadiestPart(take) == Span{Frames{4800 + 48000}, take.kept.end});
    take.kept.end = Frames{5000};
    CHECK(steadiestPart(take) == take.kept);
}
