// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/take_maker.h"
#include "prepare/treat/treat.h"

#include "model/words/readings.h"

#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

TEST_CASE("one recording becomes a tuned, looped take", "[model][take]")
{
    const auto take = makeTake(makeRecording(
        mono(silence(48000.0, 0.2) + harmonicTone(147.2, 48000.0, 2.0)), "low_note.wav"));
    REQUIRE(take);
    CHECK(take->name == "low note");
    CHECK_THAT(double(take->kept.start.value) / 48000.0, Catch::Matchers::WithinAbs(0.2, 0.005));
    CHECK_THAT(take->tuning.soundingMidi(), Catch::Matchers::WithinAbs(midiOf(Hz{147.2}), 0.02));
    CHECK(take->loop.on);
    CHECK(take->loop.span.start >= take->kept.start);
    CHECK(take->loop.span.end <= take->kept.end);
}

TEST_CASE("a loop that is trimmed away gives way to a choice that is kept", "[model][take]")
{
    Take take;
    take.kept = {Frames{0}, Frames{96000}};
    const auto loop = [](std::int64_t from, std::int64_t to) {
        Loop made;
        made.on = true;
        made.span = {Frames{from}, Frames{to}};
        return made;
    };
    take.loop = loop(20000, 40000);
    for (const auto& choice : {loop(20000, 40000), loop(10000, 70000), loop(60000, 80000)}) {
        LoopCandidate known;
        known.loop = choice;
        take.facts.change().loopChoices.push_back(known);
    }
    const auto whole = take;
    CHECK(keepPart(take, {Frames{20000}, Frames{90000}}));
    CHECK(take.loop == whole.loop);
    CHECK_FALSE(keepPart(take, {Frames{20001}, Frames{90000}}));
    CHECK(take.loop == loop(60000, 80000));
    take = whole;
    CHECK_FALSE(keepPart(take, {Frames{20001}, Frames{79999}}));
    CHECK_FALSE(take.loop.on);
    CHECK(take.kept == Span{Frames{20001}, Frames{79999}});
    // What does not go round loses nothing.
    take = whole;
    take.loop.mode = LoopMode::oneShot;
    CHECK(keepPart(take, {Frames{50000}, Frames{90000}}));
    CHECK(take.loop.on);
}

TEST_CASE("kicks and snares get no loop by themselves, but one is ready", "[model][take][drum]")
{
    constexpr double rate = 48000.0;
    std::vector<float> wave;
    bool dies = true;
    SECTION("a kick")
    {
        wave = decaying(sine(55.0, rate, 0.6, 0.8), rate, 0.5);
    }
    SECTION("a snare without a note")
    {
        wave = decaying(noise(rate, 0.5, 0.4), rate, 0.4);
    }
    SECTION("a string that rings")
    {
        wave = decaying(harmonicTone(196.0, rate, 2.0), rate, 4.0);
        dies = false;
    }
    SECTION("wind")
    {
        wave = noise(rate, 2.0, 0.2);
        dies = false;
    }
    const auto take = *makeTake(makeRecording(mono(wave), "hit.wav"));
    CHECK(isStruckDead(take) == dies);
    CHECK(take.loop.on != dies);
    REQUIRE_FALSE(take.facts->loopChoices.empty());
    CHECK(take.loop.span == take.facts->loopChoices.front().loop.span);
    // Asked for, it is switched on.
    auto asked = take;
    searchLoops(asked);
    CHECK(asked.loop.on);
}

TEST_CASE(
    "what has no clear pitch is played as it is by middle C, whatever the guess", "[model][take]")
{
    // Sheets of metal: many modes at no ratios in a hiss.
    constexpr double rate = 48000.0;
    int guessed = 0;
    for (std::uint64_t seed = 1; seed <= 12; ++seed) {
        Noise next(seed);
        auto wave = noise(rate, 0.6, 0.05, seed);
        for (int mode = 0; mode < 14; ++mode) {
            const double hz = 400.0 * std::exp2(2.0 * (next() + 1.0));
            for (std::size_t i = 0; i < wave.size(); ++i)
                wave[i] += float(0.04 * std::sin(twoPi * hz * double(i) / rate + mode));
        }
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] *= float(std::exp(-double(i) / rate / 0.2));
        const auto take = *makeTake(makeRecording(mono(wave), "sheet.wav"));
        CAPTURE(seed, take.facts->pitch.confidence);
        if (!take.lacksPitch())
            continue;
        guessed += take.facts->pitch.confidence > 0.2 ? 1 : 0;
        CHECK(take.tuning.rootKey == 60);
        CHECK(take.tuning.fineCents == 0.0);
    }
    CHECK(guessed > 0);
}

TEST_CASE("a puff of noise is not made a tone by a loop of its own", "[model][take][drum]")
{
    constexpr double rate = 48000.0;
    auto wave = noise(rate, 0.12, 0.3);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] *= float(std::sin(std::numbers::pi * double(i) / double(wave.size())));
    const auto take = *makeTake(makeRecording(mono(wave), "puff.wav"));
    CHECK(take.lacksPitch());
    CHECK_FALSE(isStruckDead(take));
    CHECK_FALSE(take.loop.on);
    // Asked for, it is there.
    auto asked = take;
    searchLoops(asked);
    REQUIRE(asked.loop.on);
    CHECK(double(asked.loop.span.length()) < 0.05 * rate);
}

TEST_CASE("loops are found inside a stretch of choice", "[model][take][stretch]")
{
    constexpr double rate = 48000.0;
    const auto tone = decaying(harmonicTone(147.2, rate, 4.0), rate, 5.0);
    auto take = *makeTake(makeRecording(mono(tone + silence(rate, 2.0)), "tone.wav"));
    take.kept.end = Frames{take.audio().frames()};
    const auto before = take;
    // Wherever it lies, reaching over the end of what is kept or not.
    for (const double from : {0.3, 1.1, 2.6}) {
        const Span stretch{
            Frames{std::llround(from * rate)}, Frames{std::llround((from + 0.8) * rate)}};
        auto searched = before;
        REQUIRE(searchLoopsWithin(searched, stretch));
        CHECK(searched.loop.on);
        CHECK(searched.kept == before.kept);
        for (const auto& choice : searched.facts->loopChoices) {
            CHECK(choice.loop.span.start >= stretch.start);
            CHECK(choice.loop.span.end <= stretch.end);
            // 60 dB in five seconds, from the attack on and not from the stretch's own beginning.
            const double middle =
                (double(choice.loop.span.start.value) + 0.5 * double(choice.loop.span.length()))
                / rate;
            if (choice.loop.span.length() < std::int64_t(0.3 * rate))
                CHECK_THAT(choice.holdsDb, Catch::Matchers::WithinAbs(-12.0 * middle, 2.5));
        }
    }
    // Where nothing sounds there is none, and the take keeps what it had.
    auto silent = before;
    CHECK_FALSE(searchLoopsWithin(silent, {Frames{216000}, Frames{264000}}));
    CHECK(silent.loop == before.loop);
    CHECK(silent.facts->loopChoices == before.facts->loopChoices);
    CHECK_FALSE(silent.facts->loopMessage.empty());
    CHECK_FALSE(searchLoopsWithin(silent, {Frames{900000}, Frames{990000}}));
    CHECK_FALSE(searchLoopsWithin(silent, {Frames{5000}, Frames{5010}}));
    CHECK(silent.loop == before.loop);
}

TEST_CASE("root and loop in a file are used where ours are worse", "[model][take]")
{
    SamplerInfo sampler;
    sampler.midi = 61.5;
    sampler.loops.push_back({{Frames{9600}, Frames{38400}}, 0});
    const auto read = [&](const std::vector<float>& wave) {
        return *makeTake(
            *decodeRecording(encodeWav(mono(wave), SampleFormat::float32, sampler), "x.wav"));
    };
    const auto hiss = read(noise(48000.0, 1.0));
    CHECK(hiss.tuning.source == TuningSource::fromFile);
    CHECK_THAT(hiss.tuning.soundingMidi(), Catch::Matchers::WithinAbs(61.5, 1e-6));
    const auto tone = read(harmonicTone(440.0, 48000.0, 1.0));
    CHECK(tone.tuning.source == TuningSource::proposed);
    CHECK(tone.tuning.rootKey == 69);
    CHECK(std::any_of(tone.facts->loopChoices.begin(), tone.facts->loopChoices.end(),
        [&](const LoopCandidate& c) { return c.loop.span == sampler.loops[0].span; }));
}

TEST_CASE("noise is not put out of tune by a guess", "[model][take]")
{
    const auto take = *makeTake(makeRecording(mono(noise(48000.0, 1.5)), "wind.wav"));
    CHECK(take.facts->pitch.verdict == PitchVerdict::none);
    CHECK(take.tuning == Tuning{60, 0.0, TuningSource::proposed});
    CHECK_FALSE(take.period());
}

TEST_CASE(
    "pieces of a row get their place in it, and what reads differently is flagged", "[model][take]")
{
    auto wave = harmonicTone(hzOf(48.2).value, 48000.0, 0.5)
        + harmonicTone(hzOf(53.0).value, 48000.0, 0.5)
        + harmonicTone(hzOf(60.0).value, 48000.0, 0.5);
    const auto recording = makeRecording(mono(wave), "row.wav");
    std::vector<Piece> pieces;
    for (std::int64_t n = 0; n < 3; ++n)
        pieces.push_back({{Frames{n * 24000}, Frames{(n + 1) * 24000}}, false, -10.0});
    Take source;
    source.recording = recording;
    const auto takes = makePieces(source, pieces, {{}, false}, NoteSeries{48, 6});
    REQUIRE(takes.size() == 3);
    CHECK(takes[0].tuning.rootKey == 48);
    CHECK_THAT(takes[0].tuning.fineCents, Catch::Matchers::WithinAbs(-20.0, 1.0));
    CHECK_FALSE(contradictsSeries(takes[0]));
    CHECK(takes[1].tuning.rootKey == 54);
    CHECK(contradictsSeries(takes[1])); // it is a semitone lower
    CHECK(takes[1].tuning.fineCents == 0.0);
    CHECK(takes[2].tuning.rootKey == 60);
    Instrument instrument;
    const auto reading = readingOf(Stop::pitch, instrument, &takes[1], {});
    CHECK_THAT(reading.concern,
        Catch::Matchers::Contains("F3 (53)") && Catch::Matchers::Contains("F#3 (54)"));
    CHECK(readingOf(Stop::pitch, instrument, &takes[2], {}).concern.empty());
}

TEST_CASE("takes are spread over the keys by their roots", "[model][take]")
{
    const auto recording = makeRecording(mono(harmonicTone(220.0, 48000.0, 0.5)), "x.wav");
    std::vector<Take> takes;
    for (const int root : {64, 48, 55, 55}) {
        takes.push_back(
            plainTake(recording->audio->channels.empty() ? Audio{} : *recording->audio, root));
        takes.back().tuning.rootKey = root;
    }
    Instrument instrument;
    addTakes(instrument, takes);
    REQUIRE(instrument.layers[0].zones.size() == 4);
    CHECK(instrument.takes[3].id == 4);
    const auto& z = instrument.layers[0].zones;
    CHECK(z[0].lowKey == 21);
    CHECK(z[0].highKey == 51);
    CHECK(z[1].lowKey == 52);
    CHECK(z[1].highKey == 59);
    CHECK(z[2].lowKey == 52); // the same root: the same keys
    CHECK(z[2].highKey == 59);
    CHECK(z[3].lowKey == 60);
    CHECK(z[3].highKey == 108);
}

TEST_CASE("a silent recording makes no take", "[model][take][bad-input]")
{
    CHECK_FALSE(makeTake(makeRecording(mono(silence(48000.0, 1.0)), "still.wav")));
}

TEST_CASE("names are made from file names", "[model][take]")
{
    CHECK(nameFromFile("fog-horn.flac") == "fog horn");
    CHECK(nameFromFile("a.b.wav") == "a.b");
    CHECK(nameFromFile("") == "Untitled");
    using Files = std::vector<std::filesystem::path>;
    const auto named = [](const Files& files) { return instrumentName(files); };
    CHECK(named({"horn_A2.wav"}) == "Horn A2");
    CHECK(named({"x/take 01.wav"}) == "Take 01");
    CHECK(named({"horn_A2.wav", "horn-C3.wav", "horn C3 soft.flac"}) == "Horn");
    CHECK(named({"low horn A2.wav", "low horn A3.wav", "low.wav"}) == "Low");
    CHECK(named({"low horn.wav", "low horns.wav"}) == "Low"); // words, not letters
    CHECK(named({"Ölfass 1.wav", "Ölfass 2.wav"}) == "Ölfass");
    // Where they share none, by their folder.
    CHECK(named({"/pier/wood_1.0/knock.wav", "/pier/wood_1.0/creak.wav"}) == "Wood 1.0");
    CHECK(named({"/harmonium/Take 01.wav", "/harmonium/Take 02.wav"}) == "Harmonium");
    CHECK(named({"/harmonium/knock.wav", "/pier/creak.wav"}) == "Knock");
    CHECK(named({"/pier/Recordings/knock.wav", "/pier/Recordings/creak.wav"}) == "Knock");
    CHECK(named({"knock.wav", "creak.wav"}) == "Knock");
    CHECK(named({"/knock.wav", "/creak.wav"}) == "Knock");
    CHECK(named({}) == Instrument{}.name);
    // A layer's does not take the number of its first.
    CHECK(layerName({"knock 1.wav"}) == "Knock");
    CHECK(layerName({"low_horn-02.wav"}) == "Low horn");
    CHECK(layerName({"horn_A2.wav"}) == "Horn A2");
    CHECK(layerName({"x/take 01.wav"}) == "Take 01"); // the rest says nothing
    CHECK(layerName({"12.wav"}) == "12");
    CHECK(layerName({"knock 1.wav", "knock 2.wav"}) == "Knock");
}

TEST_CASE("root and loop of a file stand beside our own", "[take]")
{
    SamplerInfo sampler;
    sampler.midi = 60.25; // not what it sounds like
    sampler.loops.push_back({{Frames{20000}, Frames{60000}}, 0});
    sampler.loops.push_back({{Frames{30000}, Frames{50000}}, 1}); // there and back
    sampler.loops.push_back({{Frames{30000}, Frames{900000}}, 0}); // outside
    const auto bytes = encodeWav(
        probe::mono(probe::harmonicTone(220.0, 48000.0, 2.0)), SampleFormat::float32, sampler);
    const auto recording = decodeRecording(bytes, "given.wav");
    REQUIRE(recording);
    const auto take = makeTake(*recording);
    REQUIRE(take);
    CHECK(take->tuning.rootKey == 57); // clear: our own reading
    const auto choices = pitchChoices(*take);
    const auto given = std::find_if(choices.begin(), choices.end(),
        [](const PitchChoice& c) { return c.reason.said() == "from the file"; });
    REQUIRE(given != choices.end());
    CHECK(given->midi == Approx(60.25));
    CHECK(take->facts->pitch.choices.size() + 1 == choices.size());
    const auto loop = std::find_if(take->facts->loopChoices.begin(), take->facts->loopChoices.end(),
        [](const LoopCandidate& c) { return c.kind == LoopKind::fromFile; });
    REQUIRE(loop != take->facts->loopChoices.end());
    CHECK(loop->loop.span == sampler.loops[0].span);
    CHECK(loop->loop.mode == LoopMode::forward);
    CHECK(std::count_if(take->facts->loopChoices.begin(), take->facts->loopChoices.end(),
              [](const auto& c) { return c.kind == LoopKind::fromFile; })
        == 2);
    CHECK(std::next(loop)->loop.mode == LoopMode::alternating);
    // It stays a choice when loops are looked for again, and turns round with the sound.
    Take again = *take;
    setTreatments(again, {{Reverse{}}}, treat(again.recording->audio, {{Reverse{}}}));
    searchLoops(again);
    CHECK(std::any_of(
        again.facts->loopChoices.begin(), again.facts->loopChoices.end(), [&](const auto& c) {
            return c.kind == LoopKind::fromFile
                && c.loop.span == mirrored(sampler.loops[0].span, take->audio().frames());
        }));
}

TEST_CASE("turning a take round twice gives it back", "[take][treat]")
{
    auto take =
        probe::looped(probe::plainTake(probe::mono(probe::harmonicTone(220.0, 48000.0, 1.0)), 57.0),
            20000, 30000, 2000);
    take.kept = {Frames{100}, Frames{40000}};
    take.fades = {0.002, 0.2, FadeShape::soft, FadeShape::late};
    const Take before = take;
    const Treatments turned{{Reverse{}}};
    setTreatments(take, turned, treat(take.recording->audio, turned));
    CHECK(take.kept == Span{Frames{8000}, Frames{47900}});
    CHECK(take.loop.span == Span{Frames{20000}, Frames{30000}}); // behind its crossfade
    CHECK(take.fades.inShape == FadeShape::late);
    setTreatments(take, {}, take.recording->audio);
    CHECK(take == before);
    CHECK(take.sound() == take.recording->audio);
}

TEST_CASE("very long kept parts are played from their beginning only", "[take]")
{
    Take take = probe::plainTake({100.0, {std::vector<float>(100000, 0.1f)}}, 60.0);
    CHECK(playedPart(take) == Span{Frames{0}, Frames{12000}});
    take.loop.on = true;
    take.loop.span = {Frames{100}, Frames{90000}};
    CHECK(playedPart(take).end == Frames{90000});
    take = probe::plainTake({100.0, {std::vector<float>(50000, 0.1f)}}, 60.0);
    CHECK(playedPart(take) == take.kept);
}

TEST_CASE("more than two channels and hours of sound are pointed out", "[take]")
{
    Audio six{48000.0, std::vector(6, probe::harmonicTone(220.0, 48000.0, 0.5))};
    Take take = probe::plainTake(std::move(six), 57.0);
    const auto concern = [](const Take& t) {
        Instrument instrument;
        instrument.takes = {t};
        return readingOf(Stop::sound, instrument, &t, {}, {}).concern;
    };
    CHECK_THAT(concern(take), Catch::Matchers::Contains("6 channels"));
    const Treatments pair{{Channels{Channels::How::picked, 4, 5}}};
    setTreatments(take, pair, treat(take.recording->audio, pair));
    CHECK(concern(take).empty());
    const Take hour = probe::plainTake({100.0, {std::vector<float>(360000, 0.1f)}}, 60.0);
    CHECK_THAT(concern(hour), Catch::Matchers::Contains("Split it"));
}
