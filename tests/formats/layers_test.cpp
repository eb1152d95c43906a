// SPDX-License-Identifier: GPL-3.0-or-later
// What other formats carry of layers, and what they say that they do not.
#include "base/files/safe_file.h"
#include "engine/offline/render.h"
#include "formats/formats.h"
#include "pitch/report.h"
#include "support/banks.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

/// Three layers: a tone, four knocks in turn, and a noise on release that does not follow the keys.
Instrument threeLayers(bool stereo = false)
{
    std::vector<Take> takes;
    auto audio = mono(harmonicTone(220.0, 48000.0, 1.0));
    if (stereo)
        audio.channels.push_back(harmonicTone(220.0, 48000.0, 1.0, 4));
    takes.push_back(looped(plainTake(std::move(audio), 57.0, "tone"), 20000, 40000, 2000));
    for (int i = 0; i < 4; ++i)
        takes.push_back(plainTake(mono(decaying(noise(48000.0, 0.2, 0.2 + 0.1 * i), 48000.0, 0.1)),
            60.0, "knock " + std::to_string(i + 1)));
    takes.push_back(plainTake(mono(noise(48000.0, 0.3, 0.05)), 60.0, "valve"));
    Instrument instrument;
    instrument.name = "Signal pipe";
    addTakes(instrument, std::move(takes));
    auto zones = instrument.layers[0].zones;
    for (auto& zone : zones) {
        zone.lowKey = 36;
        zone.highKey = 84;
    }
    std::sort(
        zones.begin(), zones.end(), [](const Zone& a, const Zone& b) { return a.take < b.take; });
    Layer& tone = instrument.layers[0];
    tone.name = "Tone";
    tone.zones = {zones[0]};
    tone.envelope = {0.0, 0.05, 0.1, 0.5, -9.0, 0.4};
    tone.fineCents = 7.0;
    tone.levelDb = -3.0;
    Layer knocks;
    knocks.id = 2;
    knocks.name = "Knocks";
    knocks.zones = {zones.begin() + 1, zones.begin() + 5};
    knocks.sameKeys = SameKeys::inTurn;
    knocks.pan = -0.3;
    knocks.chokeGroup = 2;
    Layer valve;
    valve.id = 3;
    valve.name = "Valve";
    valve.zones = {zones[5]};
    valve.when = SoundsWhen::release;
    valve.follow = 0.0;
    valve.octave = 1;
    instrument.layers.push_back(knocks);
    instrument.layers.push_back(valve);
    return sanitized(std::move(instrument));
}

std::string writtenAs(const Instrument& instrument, const std::filesystem::path& path)
{
    const auto written = writeInstrument(instrument, path);
    return written ? "" : written.error().sentence();
}

} // namespace

TEST_CASE("three layers are saved and come back the same", "[formats][layers]")
{
    const TemporaryFolder folder;
    const auto instrument = threeLayers();
    REQUIRE(writtenAs(instrument, folder / "x.puretone") == "");
    const auto again = openInstrument(folder / "x.puretone");
    REQUIRE(again);
    CHECK(*again == instrument);
    CHECK(lossesOf(instrument, FileKind::project).empty());
}

TEST_CASE("SFZ carries layers, turns, releases, groups and follow", "[formats][layers][sfz]")
{
    const TemporaryFolder folder;
    const auto instrument = threeLayers(GENERATE(false, true));
    CHECK(lossesOf(instrument, FileKind::sfz).empty());
    REQUIRE(writtenAs(instrument, folder / "x.sfz") == "");
    const auto again = openInstrument(folder / "x.sfz");
    REQUIRE(again);
    REQUIRE(again->layers.size() == 3);
    CHECK(again->layers[0].name == "Tone");
    CHECK(again->layers[0].envelope.decay == Approx(0.5));
    CHECK(again->layers[1].sameKeys == SameKeys::inTurn);
    CHECK(again->layers[1].zones.size() == 4);
    CHECK(again->layers[1].envelope.attack == Approx(0.002));
    CHECK(again->layers[1].chokeGroup == 1); // the first that the file names
    CHECK(again->layers[2].when == SoundsWhen::release);
    CHECK(again->layers[2].follow == 0.0);
    // And it sounds the same.
    const auto events = *parseNotes("57:0:0.5:100 60:0.7:0.4:60 64:1.3:0.4:127 50:1.9:0.3:90");
    const auto want = renderEvents(instrument, events, 48000.0, 2.0);
    const auto got = renderEvents(*again, events, 48000.0, 2.0);
    for (std::size_t c = 0; c < 2; ++c)
        for (std::size_t at = 0;
             at + 4800 < std::min(want.channels[c].size(), got.channels[c].size()); at += 4800) {
            const double level = rmsDb(std::span(want.channels[c]).subspan(at, 4800));
            if (level > -60.0)
                CHECK_THAT(
                    rmsDb(std::span(got.channels[c]).subspan(at, 4800)), WithinAbs(level, 0.15));
        }
}

TEST_CASE("a SoundFont says what it leaves out and keeps the rest", "[formats][layers][sf2]")
{
    const TemporaryFolder folder;
    auto instrument = threeLayers(GENERATE(false, true));
    const auto losses = lossesOf(instrument, FileKind::sf2);
    REQUIRE(losses.size() == 3);
    CHECK_THAT(losses[0], Contains("\"Valve\" is left out"));
    CHECK_THAT(losses[1], Contains("in turn"));
    CHECK_THAT(losses[2], Contains("below the loudest"));
    REQUIRE(writtenAs(instrument, folder / "x.sf2") == "");
    const auto again = openInstrument(folder / "x.sf2");
    REQUIRE(again);
    REQUIRE(again->layers.size() == 2);
    CHECK(again->layers[0].envelope.sustainDb == Approx(-9.0).margin(0.1));
    CHECK(again->layers[1].envelope.sustainDb == Approx(0.0).margin(0.1));
    CHECK(again->layers[1].chokeGroup == 1);
    CHECK(again->layers[1].zones[0].pan == Approx(-0.3).margin(0.005));
    // Nothing that it could carry is left: an error, not an empty file.
    instrument.layers = {instrument.layers[2]};
    CHECK_THAT(writtenAs(instrument, folder / "y.sf2"), Contains("no layer sounds"));
    CHECK_FALSE(std::filesystem::exists(folder / "y.sf2"));
}

TEST_CASE("levels, follow, octaves and crossovers survive both formats", "[formats][layers]")
{
    const TemporaryFolder folder;
    auto instrument = threeLayers();
    instrument.layers.resize(1);
    Layer& layer = instrument.layers[0];
    layer.follow = GENERATE(0.0, 0.5, 1.0, 2.0);
    layer.octave = GENERATE(-1, 0, 2);
    layer.zones[0].tuneCents = -340.0;
    layer.zones[0].levelDb = 5.5;
    layer.zones[0].lowKeyFade = 6;
    layer.zones[0].highVelocityFade = 30;
    instrument = sanitized(std::move(instrument));
    CAPTURE(layer.follow, layer.octave);
    REQUIRE(writtenAs(instrument, folder / "x.sfz") == "");
    REQUIRE(writtenAs(instrument, folder / "x.sf2") == "");
    const auto sfz = openInstrument(folder / "x.sfz");
    REQUIRE(sfz);
    CHECK(sfz->layers[0].zones[0].lowKeyFade == 6);
    CHECK(sfz->layers[0].zones[0].highVelocityFade == 30);
    // Key by key the same pitch as before.
    const auto program = Compiler().compile(instrument, 48000.0);
    for (const char* name : {"x.sfz", "x.sf2"}) {
        const auto other = Compiler().compile(*openInstrument(folder / name), 48000.0);
        for (const int key : {36, 60, 84})
            CHECK_THAT(other->semitones(other->zones[0], key),
                WithinAbs(program->semitones(program->zones[0], key), 0.0051));
    }
}

TEST_CASE("SFZ carries filters with their envelope, slow waves and touch; a SoundFont says what "
          "it cannot",
    "[formats][layers][sfz]")
{
    const TemporaryFolder folder;
    auto instrument = threeLayers();
    Layer& tone = instrument.layers[0];
    tone.filter.kind =
        GENERATE(FilterKind::low, FilterKind::high, FilterKind::band, FilterKind::notch);
    tone.filter.steep = GENERATE(false, true);
    tone.filter.hz = 1234.5;
    tone.filter.resonance = 0.4;
    tone.filter.follow = 0.5;
    tone.filter.touchOctaves = -1.5;
    tone.filter.envelopeOctaves = 3.0;
    tone.second = {0.0, 0.05, 0.1, 0.5, -9.0, 0.4};
    setSlowWave(tone, {4.5, 35.0, 2.0, 0.0, 0.7});
    tone.touch = 0.6;
    CHECK(lossesOf(instrument, FileKind::sfz).empty());
    REQUIRE(writtenAs(instrument, folder / "x.sfz") == "");
    const auto again = openInstrument(folder / "x.sfz");
    REQUIRE(again);
    CHECK(again->layers[0].filter.kind == tone.filter.kind);
    CHECK(again->layers[0].filter.hz == Approx(1234.5));
    CHECK(again->layers[0].filter.resonance == Approx(0.4).margin(0.001));
    CHECK(slowWaveOf(again->layers[0]).pitchCents == Approx(35.0));
    CHECK(again->layers[0].touch == Approx(0.6));
    CHECK(again->layers[1].filter.kind == FilterKind::off);
    // And it sounds the same.
    const auto events = *parseNotes("57:0:0.6:100");
    const auto want = renderEvents(instrument, events, 48000.0, 2.0).channels[0];
    const auto got = renderEvents(*again, events, 48000.0, 2.0).channels[0];
    CHECK_THAT(
        rmsDb(std::span(got).first(24000)), WithinAbs(rmsDb(std::span(want).first(24000)), 0.1));
    const auto losses = lossesOf(instrument, FileKind::sf2);
    const auto says = [&](const char* word) {
        return std::any_of(losses.begin(), losses.end(),
            [&](const std::string& loss) { return loss.find(word) != std::string::npos; });
    };
    CHECK(says("lows through") == (tone.filter.kind != FilterKind::low));
    CHECK(says("12 dB") == (tone.filter.kind == FilterKind::low && tone.filter.steep));
    CHECK(says("Keys do not move"));
    CHECK(says("slow wave"));
    CHECK(says("Touch"));
    REQUIRE(writtenAs(instrument, folder / "x.sf2") == "");
}

TEST_CASE("a SoundFont carries a low-pass with its sweep, and slow waves", "[formats][layers][sf2]")
{
    const TemporaryFolder folder;
    auto instrument = threeLayers(GENERATE(false, true));
    Layer& tone = instrument.layers[0];
    tone.filter.kind = FilterKind::low;
    tone.filter.hz = 640.0;
    tone.filter.resonance = 0.3;
    tone.filter.envelopeOctaves = 2.5;
    tone.second = {0.0, 0.02, 0.0, 0.4, -12.0, 0.3};
    setSlowWave(tone, {4.5, 35.0, 2.0, 0.5, 0.0});
    REQUIRE(writtenAs(instrument, folder / "x.sf2") == "");
    const auto again = openInstrument(folder / "x.sf2");
    REQUIRE(again);
    const Layer& got = again->layers[0];
    CHECK(got.filter.kind == FilterKind::low);
    CHECK(got.filter.hz == Approx(640.0).epsilon(0.001));
    CHECK(got.filter.resonance == Approx(0.3).margin(0.002));
    CHECK(got.filter.envelopeOctaves == Approx(2.5).margin(0.001));
    CHECK(got.second.attack == Approx(0.02).epsilon(0.01));
    CHECK(got.second.decay == Approx(0.4).epsilon(0.01));
    CHECK(got.second.sustainDb == Approx(-12.0).margin(0.05));
    CHECK(slowWaveOf(got).hz == Approx(4.5).epsilon(0.001));
    CHECK(slowWaveOf(got).pitchCents == 35.0);
    CHECK(slowWaveOf(got).levelDb == 2.0);
    CHECK(slowWaveOf(got).cutoffOctaves == Approx(0.5).margin(0.001));
    CHECK(again->layers[1].filter.kind == FilterKind::off);
    CHECK_FALSE(slowWaveOf(again->layers[1]).moves());
    // Written once more it is the same file.
    REQUIRE(writtenAs(*again, folder / "y.sf2") == "");
    CHECK(openInstrument(folder / "y.sf2")->layers[0].filter == got.filter);
}

TEST_CASE("unison is written as voices side by side, or said to be lost", "[formats][layers]")
{
    const TemporaryFolder folder;
    auto instrument = threeLayers();
    instrument.layers.resize(1);
    Layer& layer = instrument.layers[0];
    layer.unison = {3, 20.0, 0.8};
    CHECK(flatten(instrument, FileKind::sfz, Prepares::nothing).size() == 3);
    for (const char* name : {"x.sfz", "x.sf2"}) {
        REQUIRE(writtenAs(instrument, folder / name) == "");
        const auto again = openInstrument(folder / name);
        REQUIRE(again);
        REQUIRE(again->layers[0].zones.size() == 3);
        const auto regions = flatten(*again, FileKind::sfz, Prepares::nothing);
        CHECK(regions[2].tuneCents - regions[0].tuneCents == Approx(40.0).margin(1.0));
        CHECK(regions[0].pan == Approx(-0.8).margin(0.01));
        CHECK(regions[1].pan == Approx(0.0).margin(0.01));
    }
    CHECK(lossesOf(instrument, FileKind::sfz).empty());
    layer.notes = Notes::tied;
    CHECK(flatten(instrument, FileKind::sfz, Prepares::nothing).size() == 1);
    CHECK_THAT(lossesOf(instrument, FileKind::sfz).front(), Contains("Unison"));
    REQUIRE(writtenAs(instrument, folder / "x.puretone") == "");
    CHECK(openInstrument(folder / "x.puretone")->layers[0].unison == layer.unison);
}

TEST_CASE("layers that are off are not written, and that is said", "[formats][layers]")
{
    const TemporaryFolder folder;
    auto instrument = threeLayers();
    instrument.layers[1].on = false;
    instrument.layers[0].notes = Notes::tied;
    const auto losses = lossesOf(instrument, FileKind::sfz);
    REQUIRE(losses.size() == 2);
    CHECK_THAT(losses[0], Contains("glides"));
    CHECK_THAT(losses[1], Contains("switched off"));
    REQUIRE(writtenAs(instrument, folder / "x.sfz") == "");
    CHECK(openInstrument(folder / "x.sfz")->layers.size() == 2);
    CHECK(lossesOf(instrument, FileKind::wav).size() >= 2);
}

TEST_CASE("foreign SFZ: groups that are played alike are one layer", "[formats][layers][sfz]")
{
    const TemporaryFolder folder;
    REQUIRE(
        writeWav(folder / "a.wav", mono(harmonicTone(220.0, 48000.0, 0.3)), SampleFormat::int16));
    std::ofstream(folder / "x.sfz") << "<global> ampeg_release=0.5\n"
                                       "<group> lokey=36 hikey=47\n<region> sample=a.wav\n"
                                       "<group> lokey=48 hikey=59\n<region> sample=a.wav\n"
                                       "<group> trigger=release volume=-6\n<region> sample=a.wav\n"
                                       "<region> sample=a.wav pitch_keytrack=0 tune=250\n";
    const auto read = openInstrument(folder / "x.sfz");
    REQUIRE(read);
    REQUIRE(read->layers.size() == 3);
    CHECK(read->layers[0].zones.size() == 2);
    CHECK(read->layers[0].envelope.release == Approx(0.5));
    CHECK(read->layers[1].when == SoundsWhen::release);
    CHECK(read->layers[1].zones[0].levelDb == -6.0);
    CHECK(read->layers[2].follow == 0.0);
}

TEST_CASE("foreign SFZ: masters, parts of samples, other spellings; what is not played is said",
    "[formats][layers][sfz]")
{
    const TemporaryFolder folder;
    REQUIRE(
        writeWav(folder / "a.wav", mono(harmonicTone(220.0, 48000.0, 1.0)), SampleFormat::int16));
    std::ofstream(folder / "x.sfz")
        << "<global> ampeg_release=0.5 lfo01_freq=3\n"
           "<master> volume=-6 pan=20\n<group> lokey=36 hikey=47 resonance_cc74=1200\n"
           "<region> sample=a.wav offset=4800 end=28799 loopmode=loop_continuous loopstart=9600 "
           "loopend=19199\n"
           "<master> pan=-20\n<region> sample=a.wav lokey=48 hikey=59 resonance_cc74=600\n";
    LeftOut leftOut;
    const auto read = openInstrument(folder / "x.sfz", {}, &leftOut);
    REQUIRE(read);
    CHECK(leftOut == LeftOut{"lfo01_freq", "resonance_cc74"});
    const auto& zones = read->layers[0].zones;
    REQUIRE(zones.size() == 2);
    CHECK(zones[0].levelDb == -6.0);
    CHECK(zones[0].pan == Approx(0.2));
    CHECK(zones[1].levelDb == 0.0);
    CHECK(zones[1].pan == Approx(-0.2));
    CHECK(read->takes[0].kept == Span{Frames{4800}, Frames{28800}});
    CHECK(read->takes[0].loop.span == Span{Frames{9600}, Frames{19200}});
    CHECK(read->takes[1].kept.end.value == 48000);
    // What we write ourselves, we play.
    auto own = threeLayers();
    own.layers[0].filter.kind = FilterKind::low;
    setSlowWave(own.layers[0], {5.0, 20.0, 0.0, 0.0, 0.0});
    for (const char* name : {"own.sfz", "own.sf2", "own.puretone"}) {
        REQUIRE(writtenAs(own, folder / name) == "");
        REQUIRE(openInstrument(folder / name, {}, &leftOut));
        CHECK(leftOut.empty());
        leftOut.clear();
    }
}

TEST_CASE("foreign SFZ: a group is a name until it is off by itself", "[formats][layers][sfz]")
{
    const TemporaryFolder folder;
    REQUIRE(
        writeWav(folder / "a.wav", mono(harmonicTone(220.0, 48000.0, 0.3)), SampleFormat::int16));
    std::ofstream(folder / "x.sfz") << "<region> sample=a.wav group=7\n"
                                       "<region> sample=a.wav group=400 off_by=400\n"
                                       "<region> sample=a.wav group=-3 off_by=-3\n"
                                       "<region> sample=a.wav group=400 off_by=400\n";
    const auto read = openInstrument(folder / "x.sfz");
    REQUIRE(read);
    REQUIRE(read->layers.size() == 4);
    CHECK(read->layers[0].chokeGroup == 0);
    CHECK(read->layers[1].chokeGroup == 1);
    CHECK(read->layers[2].chokeGroup == 2);
    CHECK(read->layers[3].chokeGroup == 1);
}

TEST_CASE("a layer that keeps its length is written key by key", "[formats][layers][length]")
{
    const TemporaryFolder folder;
    auto instrument = instrumentOf(plainTake(mono(harmonicTone(220.0, 48000.0, 0.5)), 57.0));
    Layer& layer = instrument.layers[0];
    layer.manner = Manner::keepsLength;
    layer.zones[0].lowKey = 55;
    layer.zones[0].highKey = 60;
    layer.zones[0].highKeyFade = 2;
    layer.zones[0].levelDb = -3.0;
    CHECK_THAT(lossesOf(instrument, FileKind::sf2).back(), Contains("6 in all"));
    for (const char* name : {"x.sfz", "x.sf2"}) {
        REQUIRE(writtenAs(instrument, folder / name) == "");
        const auto again = openInstrument(folder / name);
        REQUIRE(again);
        REQUIRE(again->takes.size() == 6);
        for (const auto& take : again->takes)
            CHECK(double(take.kept.length()) == Approx(24000.0).margin(300.0));
        const auto rendered = renderEvents(*again,
            {{0.0, MidiEvent::noteOn(60, 127)}, {0.5, MidiEvent::noteOff(60)}}, 48000.0, 0.1);
        const auto heard =
            analysePitch(std::span(rendered.channels[0]).subspan(4800, 14400), 48000.0).midi;
        REQUIRE(heard);
        CHECK(*heard == Approx(60.0).margin(0.02));
        // The last key of a crossover over two is a quarter of the power: 6 dB.
        const auto level = [&](std::size_t at) { return again->layers[0].zones[at].levelDb; };
        CHECK(level(0) - level(5) == Approx(6.02).margin(0.15));
    }
}

TEST_CASE("how a sound on release falls comes back from SFZ", "[formats][layers]")
{
    const TemporaryFolder folder;
    auto instrument = instrumentOf(plainTake(mono(harmonicTone(220.0, 48000.0, 0.5)), 57.0));
    instrument.layers[0].when = SoundsWhen::release;
    instrument.layers[0].fallDbPerSecond = 7.5;
    REQUIRE(writtenAs(instrument, folder / "x.sfz") == "");
    CHECK(openInstrument(folder / "x.sfz")->layers[0].fallDbPerSecond == Approx(7.5));
}

TEST_CASE("a layer's name may hold any sign, and SFZ is still what it was", "[formats][sfz]")
{
    const TemporaryFolder folder;
    for (const std::string name : {"Cello <soft>", "a=b c=d", "half // half", "<region> lokey=0",
             "/* all of it */", "$KEY", "two\nlines", "#define $A 1", "Größe ‹3›", ">", "="}) {
        CAPTURE(name);
        auto instrument = threeLayers();
        instrument.name = name;
        instrument.layers[0].name = name;
        // The folder of the samples is named after the file.
        const auto path = folder / "Cello <a=b> $KEY.sfz";
        const auto written = writeInstrument(instrument, path);
        REQUIRE((written ? "" : written.error().sentence()) == "");
        LeftOut leftOut;
        const auto read = openInstrument(path, {}, &leftOut);
        REQUIRE(read);
        CHECK(leftOut.empty());
        REQUIRE(read->layers.size() == instrument.layers.size());
        CHECK(read->layers[0].name.size() >= name.size());
        CHECK(read->layers[1].name == instrument.layers[1].name);
        CHECK(read->layers[0].zones[0].lowKey == 36);
        CHECK_THAT(read->layers[0].levelDb + read->layers[0].zones[0].levelDb,
            WithinAbs(instrument.layers[0].levelDb, 0.01));
    }
}

TEST_CASE("a SoundFont's preset adds to what its instruments say", "[formats][sf2]")
{
    const TemporaryFolder folder;
    auto instrument = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, 48000.0, 1.0)), 57.0), 20000, 40000, 2000));
    Layer& layer = instrument.layers[0];
    layer.envelope = {0.02, 0.1, 0.05, 0.5, -6.0, 0.4};
    layer.filter.kind = FilterKind::low;
    layer.filter.hz = 1000.0;
    REQUIRE(writeInstrument(instrument, folder / "a.sf2"));
    const auto plain = openInstrument(folder / "a.sf2");
    REQUIRE(plain);
    ByteWriter bags, generators;
    const auto put = [&](unsigned generator, int amount) {
        generators.u16(generator);
        generators.u16(unsigned(amount) & 0xffffU);
    };
    // Section 8.1.2: an octave of timecents doubles a time; 1200 cents of cutoff are an octave.
    put(34, 1200); // attack
    put(38, -1200); // release
    put(37, 60); // sustain: 6 dB lower
    put(8, 1200); // cutoff
    put(56, -50); // scale tuning
    put(15, 200); // chorus, which nobody here plays
    put(41, 0);
    generators.u32(0);
    for (const unsigned first : {0U, 7U}) {
        bags.u16(first);
        bags.u16(0);
    }
    const auto bytes = *readFile(folder / "a.sf2");
    REQUIRE(writeBytes(
        folder / "b.sf2", bankWith(bytes, {{"pbag", bags.take()}, {"pgen", generators.take()}})));
    LeftOut leftOut;
    const auto read = openInstrument(folder / "b.sf2", {}, &leftOut);
    REQUIRE(read);
    const Layer &was = plain->layers[0], &is = read->layers[0];
    CHECK_THAT(is.envelope.attack, WithinAbs(2.0 * was.envelope.attack, 1e-6));
    CHECK_THAT(is.envelope.release, WithinAbs(0.5 * was.envelope.release, 1e-6));
    CHECK_THAT(is.envelope.sustainDb, WithinAbs(was.envelope.sustainDb - 6.0, 1e-6));
    CHECK(is.envelope.delay == was.envelope.delay);
    CHECK_THAT(is.filter.hz / was.filter.hz, WithinAbs(2.0, 1e-6));
    CHECK_THAT(is.follow, WithinAbs(0.5, 1e-9));
    CHECK(leftOut == LeftOut{"chorus"});
}

TEST_CASE("more zones than a SoundFont has room for are refused with a sentence",
    "[formats][sf2][bad-input]")
{
    const TemporaryFolder folder;
    auto instrument = instrumentOf(plainTake(mono(harmonicTone(220.0, 48000.0, 0.1)), 57.0));
    auto& zones = instrument.layers[0].zones;
    const Zone like = zones[0];
    zones.clear();
    for (int i = 0; i < 6000; ++i) {
        Zone zone = like;
        zone.id = 10 + i;
        zone.lowKey = zone.highKey = i % 128;
        zone.lowVelocity = zone.highVelocity = 1 + i / 128;
        zones.push_back(zone);
    }
    const auto written = writeInstrument(instrument, folder / "a.sf2");
    REQUIRE_FALSE(written);
    CHECK_THAT(written.error().message, Contains("no room for so many zones"));
    CHECK(folder.names().empty());
}
