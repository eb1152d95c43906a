// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/level.h"
#include "engine/offline/render.h"
#include "formats/formats.h"
#include "loop/joint/bake.h"
#include "model/files/json.h"
#include "prepare/treat/treat.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <csignal>
#include <fstream>
#include <sys/resource.h>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

Instrument example(bool stereo = false)
{
    Audio audio = mono(silence(48000.0, 0.1) + harmonicTone(233.0, 48000.0, 1.5));
    if (stereo)
        audio.channels.push_back(silence(48000.0, 0.1) + harmonicTone(233.0, 48000.0, 1.5, 5));
    auto instrument = makeInstrument(*makeTake(makeRecording(std::move(audio), "hum.wav")));
    instrument.layers[0].envelope = {0.0, 0.05, 0.1, 0.5, -9.0, 0.4};
    return instrument;
}

double pitchOf(const Instrument& instrument, int key)
{
    const auto out = renderEvents(
        instrument, {{0.0, MidiEvent::noteOn(key, 100)}, {1.5, MidiEvent::noteOff(key)}}, 48000.0);
    return analysePitch(mixToMono(out), 48000.0).midi.value_or(-1.0);
}

std::vector<std::byte> bytesOf(const std::filesystem::path& path)
{
    std::ifstream in(path, std::ios::binary);
    const std::string text{std::istreambuf_iterator<char>(in), {}};
    const auto bytes = std::as_bytes(std::span(text));
    return {bytes.begin(), bytes.end()};
}

void put(const std::filesystem::path& path, std::span<const std::byte> bytes)
{
    std::ofstream(path, std::ios::binary)
        .write(reinterpret_cast<const char*>(bytes.data()), std::streamsize(bytes.size()));
}

} // namespace

TEST_CASE("the longest release is not taken for a one-shot", "[formats][sf2]")
{
    const TemporaryFolder folder;
    auto instrument = example();
    instrument.takes[0].loop.on = false;
    instrument.layers[0].envelope.release = 60.0;
    REQUIRE(writeInstrument(instrument, folder / "a.sf2"));
    const auto read = openInstrument(folder / "a.sf2");
    REQUIRE(read);
    CHECK(playedMode(read->takes[0]) == LoopMode::forward);
    CHECK(read->layers[0].envelope.release > 50.0);
}

TEST_CASE("every way of looping is written so that it comes back", "[formats][loop]")
{
    const TemporaryFolder folder;
    const auto mode = GENERATE(
        LoopMode::forward, LoopMode::alternating, LoopMode::untilRelease, LoopMode::oneShot);
    auto instrument = example(GENERATE(false, true));
    auto& take = instrument.takes[0];
    take.loop.span = {Frames{20000}, Frames{44000}};
    take.loop.crossfade = Frames{3000};
    take.loop.evenOut = 0.7;
    take.loop.mode = mode;
    const auto prepared = prepareTake(take);
    CHECK(preparedFrames(take) == prepared.audio.frames());
    for (const char* name : {"a.sf2", "a.sfz", "a.wav", "a.puretone"}) {
        CAPTURE(name, int(mode));
        const auto written = writeInstrument(instrument, folder / name);
        REQUIRE((written ? "" : written.error().sentence()) == "");
        const auto read = openInstrument(folder / name);
        REQUIRE(read);
        const auto& got = read->takes[0];
        if (std::string(name) == "a.puretone") {
            CHECK(got.loop == take.loop);
            continue;
        }
        CHECK(got.loop.on == (mode != LoopMode::oneShot));
        if (std::string(name) != "a.wav") { // which has no room for it
            CHECK(playedMode(got) == modeInFiles(mode));
            CHECK_THAT(read->layers[0].envelope.release,
                WithinAbs(mode == LoopMode::untilRelease || mode == LoopMode::oneShot
                        ? Envelope{}.release
                        : 0.4,
                    0.01));
        }
        // The same seam for whoever reads it: sample by sample the turn that is heard here, rounded
        // to 16 bits at the coarsest.
        if (mode != LoopMode::oneShot) {
            const auto turn = bakeLoop(take.audio(), take.loop).turn.channels[0];
            const Span span = got.loop.span;
            REQUIRE(std::size_t(span.length()) == turn.size());
            const auto& wave = got.audio().channels[0];
            double worst = 0.0;
            for (std::size_t i = 0; i < turn.size(); ++i)
                worst = std::max(worst,
                    std::abs(double(wave[std::size_t(span.start.value) + i]) - double(turn[i])));
            CHECK(worst < 1.6 / 32768.0); // half a step of rounding, one of dither
        }
    }
}

TEST_CASE("a project opens as the same instrument, its audio byte for byte", "[formats][project]")
{
    const TemporaryFolder folder;
    const auto instrument = example();
    const auto written = writeInstrument(instrument, folder / "a.puretone");
    REQUIRE(written);
    CHECK_THAT(written->checked, Contains("byte for byte"));
    const auto again = openInstrument(folder / "a.puretone");
    REQUIRE(again);
    CHECK(*again == instrument);
    CHECK(bytesOf(*again->takes[0].recording) == bytesOf(*instrument.takes[0].recording));
    // Equal documents give equal files.
    REQUIRE(writeInstrument(instrument, folder / "b.puretone"));
    CHECK(bytesOf(folder / "a.puretone") == bytesOf(folder / "b.puretone"));
}

TEST_CASE("every format sounds the same pitch within a cent, from its file", "[formats][pitch]")
{
    const TemporaryFolder folder;
    const auto instrument = example(GENERATE(false, true));
    const int key = GENERATE(45, 58, 67);
    for (const char* name : {"x.puretone", "x.wav", "x.sfz", "x.sf2"}) {
        CAPTURE(name, key);
        REQUIRE(writeInstrument(instrument, folder / name));
        const auto again = openInstrument(folder / name);
        REQUIRE(again);
        CHECK_THAT(100.0 * (pitchOf(*again, key) - key), WithinAbs(0.0, 1.0));
        CHECK(again->takes[0].audio().channelCount() == instrument.takes[0].audio().channelCount());
    }
}

TEST_CASE("exports hold the sound that is heard, loop and tail included", "[formats][prepared]")
{
    const auto instrument = example();
    const auto& take = instrument.takes[0];
    const auto prepared = prepareTake(take);
    REQUIRE(prepared.loop);
    CHECK(prepared.audio.frames() == prepared.loop->end.value + framesBehindLoop);
    const auto& wave = prepared.audio.channels[0];
    for (std::int64_t i = 0; i < framesBehindLoop; ++i)
        REQUIRE(wave[std::size_t(prepared.loop->end.value + i)]
            == wave[std::size_t(prepared.loop->start.value + i)]);
}

TEST_CASE("recordings of more than two channels are written as they are heard", "[formats]")
{
    const TemporaryFolder folder;
    auto audio = mono(harmonicTone(233.0, 48000.0, 1.0));
    for (int c = 1; c < 6; ++c)
        audio.channels.push_back(audio.channels[0]);
    const auto instrument = makeInstrument(*makeTake(makeRecording(std::move(audio), "six.wav")));
    for (const char* name : {"x.wav", "x.sfz", "x.sf2"}) {
        REQUIRE(writeInstrument(instrument, folder / name));
        CHECK(openInstrument(folder / name)->takes[0].audio().channelCount() == 2);
    }
}

TEST_CASE("a fade in longer than what lies before the loop ends where the loop begins",
    "[formats][prepared]")
{
    auto instrument = example();
    auto& take = instrument.takes[0];
    take.loop.span.start.value = take.kept.start.value + 4800;
    take.fades.inSeconds = 0.5;
    CHECK(fadePlan(take).at(double(take.loop.span.start.value)) == 1.0f);
    const auto prepared = prepareTake(take);
    // The last faded frame is one step of the slope below the first whole one: no jump.
    const auto f = std::size_t(prepared.loop->start.value) - 1;
    const double plain = take.audio().channels[0][f + std::size_t(take.kept.start.value)];
    CHECK_THAT(double(prepared.audio.channels[0][f]), WithinAbs(plain, 1e-3));
    const auto program = Compiler().compile(instrument, 48000.0);
    CHECK(program->zones[0].sound->fades.inEnd == double(take.loop.span.start.value));
}

TEST_CASE("envelopes survive SFZ and SF2", "[formats][envelope]")
{
    const TemporaryFolder folder;
    const auto instrument = example();
    const auto* name = GENERATE("x.sfz", "x.sf2");
    REQUIRE(writeInstrument(instrument, folder / name));
    const auto e = openInstrument(folder / name)->layers[0].envelope;
    CHECK_THAT(e.attack, WithinAbs(0.05, 0.001));
    CHECK_THAT(e.hold, WithinAbs(0.1, 0.001));
    CHECK_THAT(e.decay, WithinAbs(0.5, 0.005));
    CHECK_THAT(e.sustainDb, WithinAbs(-9.0, 0.06));
    CHECK_THAT(e.release, WithinAbs(0.4, 0.004));
}

TEST_CASE("two takes with keys and touches of their own survive SFZ and SF2", "[formats]")
{
    const TemporaryFolder folder;
    auto instrument = example();
    addTakes(instrument,
        {*makeTake(makeRecording(mono(harmonicTone(466.0, 48000.0, 1.2, 6)), "hum high.wav"))});
    REQUIRE(instrument.layers[0].zones.size() == 2);
    instrument.layers[0].zones[0].lowKey = 30;
    instrument.layers[0].zones[0].highKey = 61;
    instrument.layers[0].zones[0].lowVelocity = 1;
    instrument.layers[0].zones[0].highVelocity = 79;
    instrument.layers[0].zones[1].lowKey = 40;
    instrument.layers[0].zones[1].highKey = 90;
    instrument.layers[0].zones[1].lowVelocity = 80;
    instrument.layers[0].zones[1].highVelocity = 127;
    const auto* name = GENERATE("x.sfz", "x.sf2");
    REQUIRE(writeInstrument(instrument, folder / name));
    const auto again = openInstrument(folder / name);
    REQUIRE(again);
    REQUIRE(again->layers[0].zones.size() == 2);
    for (std::size_t i = 0; i < 2; ++i) {
        const Zone &want = instrument.layers[0].zones[i], &got = again->layers[0].zones[i];
        CHECK(got.lowKey == want.lowKey);
        CHECK(got.highKey == want.highKey);
        CHECK(got.lowVelocity == want.lowVelocity);
        CHECK(got.highVelocity == want.highVelocity);
        CHECK_THAT(again->take(got.take)->tuning.keyMidi(),
            WithinAbs(instrument.take(want.take)->tuning.keyMidi(), 0.005));
    }
    // Soft on key 58 it is the low take alone, hard the high one alone.
    const auto heard = [&](const Instrument& i, int velocity) {
        const auto out = renderEvents(
            i, {{0.0, MidiEvent::noteOn(58, velocity)}, {1.0, MidiEvent::noteOff(58)}}, 48000.0);
        return rmsDb(std::span(out.channels[0]).subspan(15000, 20000));
    };
    for (const int velocity : {40, 110})
        CHECK_THAT(heard(*again, velocity), WithinAbs(heard(instrument, velocity), 0.2));
    CHECK(heard(instrument, 110) - heard(instrument, 40) > 3.0);
}

TEST_CASE(
    "what was written is compared with what was meant, envelopes included", "[formats][compare]")
{
    const auto instrument = example();
    const TemporaryFolder folder;
    REQUIRE(writeInstrument(instrument, folder / "x.sfz"));
    const auto again = *openInstrument(folder / "x.sfz");
    const auto compared = [&](const Instrument& other) {
        return difference(flatten(instrument, FileKind::sfz),
            flatten(other, FileKind::sfz, Prepares::nothing), Exactness{});
    };
    CHECK(compared(again).empty());
    const auto says = [&](const auto& change) {
        auto other = again;
        change(other);
        return compared(other);
    };
    CHECK(says([](Instrument& i) { i.layers[0].zones.clear(); }) == "the number of zones");
    CHECK(says([](Instrument& i) { i.layers[0].zones[0].highVelocity = 90; }) == "the key range");
    CHECK(says([](Instrument& i) { i.takes[0].tuning.fineCents += 1.0; }) == "the tuning");
    CHECK(says([](Instrument& i) { i.takes[0].loop.span.start.value += 1; }) == "the loop");
    CHECK(says([](Instrument& i) { i.takes[0].loop.on = false; }) != "");
    CHECK(says([](Instrument& i) { i.takes.clear(); }) == "the number of zones");
    CHECK(says([](Instrument& i) { i.layers[0].zones[0].levelDb = -1.0; }) == "the level");
    CHECK(says([](Instrument& i) { i.layers[0].zones[0].pan = 0.1; }) == "the place left or right");
    CHECK(says([](Instrument& i) { i.layers[0].when = SoundsWhen::release; }) != "");
    CHECK(says([](Instrument& i) { i.layers[0].chokeGroup = 1; }) == "the choke group");
    CHECK(says([](Instrument& i) { i.layers[0].follow = 0.9; }) == "the tuning");
    CHECK(says([](Instrument& i) { i.layers[0].zones[0].lowKeyFade = 2; }) == "the crossovers");
    CHECK(says([](Instrument& i) {
        auto audio = std::make_shared<Audio>(i.takes[0].audio());
        audio->channels[0][30000] += 0.001f;
        auto recording = std::make_shared<Recording>(*i.takes[0].recording);
        recording->audio = audio;
        i.takes[0].recording = RecordingPtr(recording);
    }) == "the sound");
    for (double Envelope::*part : {&Envelope::attack, &Envelope::hold, &Envelope::decay,
             &Envelope::sustainDb, &Envelope::release})
        CHECK(says([&](Instrument& i) {
            i.layers[0].envelope.*part = 1.1 * i.layers[0].envelope.*part;
        }) == "the envelope");
    CHECK(says([](Instrument& i) { i.layers[0].envelope.delay = 0.1; }) == "the envelope");
}

TEST_CASE("a one-shot without loop is written as one", "[formats]")
{
    const TemporaryFolder folder;
    auto instrument = example();
    instrument.takes[0].loop.on = false;
    for (const char* name : {"x.wav", "x.sfz", "x.sf2", "x.puretone"}) {
        REQUIRE(writeInstrument(instrument, folder / name));
        CHECK_FALSE(openInstrument(folder / name)->takes[0].loop.on);
    }
}

TEST_CASE("SFZ text of other hands is understood", "[formats][sfz]")
{
    const TemporaryFolder folder;
    REQUIRE(writeWav(folder / "a b.wav", mono(sine(440.0, 48000.0, 0.5)), SampleFormat::int16));
    std::ofstream(folder / "x.sfz")
        << "// comment\n<control> default_path=\n<group> ampeg_release=0.5 lovel=10\n"
           "<region> sample=a b.wav key=c4 tune=-12 loop_mode=loop_continuous loop_start=100 "
           "loop_end=999\n"
           "<region> sample=.\\a b.wav lokey=61 hikey=72 pitch_keycenter=64 transpose=1\n";
    const auto read = openInstrument(folder / "x.sfz");
    REQUIRE(read);
    REQUIRE(read->layers[0].zones.size() == 2);
    CHECK(read->layers[0].zones[0].lowKey == 60);
    CHECK(read->layers[0].zones[0].lowVelocity == 10);
    CHECK(read->takes[0].loop.span == Span{Frames{100}, Frames{1000}});
    CHECK_THAT(read->takes[0].tuning.soundingMidi(), WithinAbs(60.12, 1e-9));
    CHECK_THAT(read->takes[1].tuning.soundingMidi(), WithinAbs(63.0, 1e-9));
    CHECK_THAT(read->layers[0].envelope.release, WithinAbs(0.5, 1e-9));
}

TEST_CASE(
    "damaged instruments of any kind are refused by name, and never crash", "[formats][bad-input]")
{
    const TemporaryFolder folder;
    const std::string name = GENERATE("x.puretone", "x.sf2", "x.wav", "x.sfz");
    REQUIRE(writeInstrument(example(), folder / name));
    const auto good = bytesOf(folder / name);
    SECTION("cut off anywhere")
    {
        for (const double share : {0.0, 0.001, 0.1, 0.5, 0.9, 0.999}) {
            put(folder / name, std::span(good).first(std::size_t(share * double(good.size()))));
            const auto opened = openInstrument(folder / name);
            if (name != "x.sfz") { // a shorter text may still be a text
                CAPTURE(share);
                REQUIRE_FALSE(opened);
                CHECK_THAT(opened.error().message, Contains(name));
            }
        }
    }
    SECTION("bytes changed at random")
    {
        Noise next(17);
        for (int round = 0; round < 60; ++round) {
            auto bad = good;
            for (int i = 0; i < 20; ++i) {
                // Mostly where the heads and tables are.
                const double where = next.between(0.0, 1.0);
                const auto at = std::size_t(where * where * double(bad.size() - 1));
                bad[round % 2 == 0 ? at : bad.size() - 1 - at] =
                    std::byte(int(next.between(0, 255)));
            }
            put(folder / name, bad);
            const auto opened = openInstrument(folder / name);
            if (!opened)
                CHECK_FALSE(opened.error().message.empty());
        }
    }
}

TEST_CASE("an SFZ without its samples says which is missing", "[formats][bad-input]")
{
    const TemporaryFolder folder;
    REQUIRE(writeInstrument(example(), folder / "x.sfz"));
    std::filesystem::remove_all(sfzFolder(folder / "x.sfz"));
    const auto opened = openInstrument(folder / "x.sfz");
    REQUIRE_FALSE(opened);
    CHECK_THAT(opened.error().message, Contains("x.sfz") && Contains("hum 1.wav"));
}

TEST_CASE(
    "writing where nothing can be written leaves everything as it was", "[formats][bad-input]")
{
    const TemporaryFolder folder;
    const auto* name = GENERATE("x.puretone", "x.wav", "x.sf2");
    CAPTURE(name);
    const auto written = writeInstrument(example(), folder / "nowhere" / name);
    REQUIRE_FALSE(written);
    CHECK(written.error().code == ErrorCode::cannotWrite);
    CHECK_THAT(written.error().message, Contains(name));
    CHECK(folder.names().empty());
    CHECK(writeInstrument(example(), folder / "x.xyz").error().code == ErrorCode::badValue);
    CHECK(writeInstrument({}, folder / "x.sf2").error().code == ErrorCode::badValue);
    // A folder stands where the file should go.
    std::filesystem::create_directories(folder / name);
    CHECK_FALSE(writeInstrument(example(), folder / name));
    CHECK(std::filesystem::is_directory(folder / name));
}

TEST_CASE("a disk that fills up while writing leaves the old file whole", "[formats][bad-input]")
{
    const TemporaryFolder folder;
    const std::string name = GENERATE("x.puretone", "x.wav", "x.sfz", "x.sf2");
    CAPTURE(name);
    std::ofstream(folder / name) << "what was there before";
    const auto before = bytesOf(folder / name);
    // A limit on file sizes fails writes the way a full disk does, for this process only.
    std::signal(SIGXFSZ, SIG_IGN);
    rlimit limit{};
    ::getrlimit(RLIMIT_FSIZE, &limit);
    const rlimit small{20000, limit.rlim_max};
    ::setrlimit(RLIMIT_FSIZE, &small);
    const auto written = writeInstrument(example(), folder / name);
    ::setrlimit(RLIMIT_FSIZE, &limit);
    REQUIRE_FALSE(written);
    CHECK(written.error().code == ErrorCode::cannotWrite);
    CHECK(bytesOf(folder / name) == before);
    CHECK(folder.names() == std::vector<std::string>{name});
}

TEST_CASE("of several files that do not all fit none is changed", "[formats][bad-input]")
{
    const TemporaryFolder folder;
    const bool sfz = GENERATE(true, false);
    CAPTURE(sfz);
    Instrument instrument;
    std::vector<Take> takes{plainTake(mono(harmonicTone(200.0, 48000.0, 0.1, 3)), 55, "short"),
        plainTake(mono(harmonicTone(300.0, 48000.0, 1.0, 3)), 62, "long")};
    addTakes(instrument, std::move(takes));
    instrument = sanitized(std::move(instrument));
    const auto write = [&] {
        return sfz ? writeInstrument(instrument, folder / "x.sfz")
                   : writeWavSet(instrument, folder / "set", usualChoices(FileKind::wav));
    };
    REQUIRE(write());
    const auto all = [&] {
        std::map<std::string, std::vector<std::byte>> files;
        for (const auto& entry :
            std::filesystem::recursive_directory_iterator(std::filesystem::path(folder / "")))
            if (entry.is_regular_file())
                files[entry.path().string()] = bytesOf(entry.path());
        return files;
    };
    const auto before = all();
    CHECK(before.size() == (sfz ? 3 : 2));
    for (auto& take : instrument.takes)
        take.fades.inSeconds = 0.05; // which is heard in both
    // The short one fits, the long one does not.
    std::signal(SIGXFSZ, SIG_IGN);
    rlimit limit{};
    ::getrlimit(RLIMIT_FSIZE, &limit);
    const rlimit small{50000, limit.rlim_max};
    ::setrlimit(RLIMIT_FSIZE, &small);
    const auto failed = write();
    ::setrlimit(RLIMIT_FSIZE, &limit);
    REQUIRE_FALSE(failed);
    CHECK(all() == before);
    REQUIRE(write());
    CHECK(all() != before);
}

TEST_CASE(
    "a project keeps treatments and fades, and refuses a treatment it does not know", "[project]")
{
    const TemporaryFolder folder;
    auto instrument = example();
    Take& take = instrument.takes[0];
    const Treatments list{{RemoveDc{}}, {PassFilter{PassFilter::Cut::high, 9000.0, 12}, false},
        {Band{Band::Shape::highShelf, 3000.0, -4.0, 1.0}},
        {Level{Level::To::loudness, -20.0, take.kept}}, {EvenOut{0.5, take.kept}},
        {Channels{Channels::How::picked, 1, 0}}, {Width{0.5}}, {Reverse{}}};
    setTreatments(take, list, treat(take.recording->audio, list));
    take.fades.outShape = FadeShape::early;
    instrument = sanitized(instrument);
    REQUIRE(writeInstrument(instrument, folder / "a.puretone"));
    const auto again = openInstrument(folder / "a.puretone");
    REQUIRE(again);
    CHECK(*again == instrument);
    CHECK(again->takes[0].audio() == instrument.takes[0].audio());
    auto text = toJson(instrument);
    const auto at = text.find("\"removeDc\"");
    REQUIRE(at != std::string::npos);
    text.replace(at, 10, "\"turnBlue\"");
    const auto refused = fromJson(
        text, "b.puretone", [&](const std::string&, const std::string&) -> Result<RecordingPtr> {
            return instrument.takes[0].recording.pointer();
        });
    REQUIRE_FALSE(refused);
    CHECK(refused.error().code == ErrorCode::damaged);
}

TEST_CASE("what is written is what the treatments made", "[project]")
{
    const TemporaryFolder folder;
    auto take = plainTake(mono(harmonicTone(220.0, 48000.0, 1.0)), 57.0);
    const Treatments list{{Level{Level::To::peak, -20.0, {}}}};
    setTreatments(take, list, treat(take.recording->audio, list));
    for (const char* name : {"a.wav", "a.sf2", "a.sfz"}) {
        REQUIRE(writeInstrument(instrumentOf(take), folder / name));
        const auto again = openInstrument(folder / name);
        REQUIRE(again);
        const auto& audio = again->takes[0].audio();
        CHECK(peakLevel(audio, audio.whole()).value == Approx(-20.0).margin(0.02));
    }
}

TEST_CASE("a long file stays on disk, and is saved whatever becomes of it there", "[project]")
{
    const TemporaryFolder folder;
    const auto path = folder / "long.wav";
    // Just above what is copied into memory.
    std::vector<float> wave(std::size_t(OriginalFile::mostInMemory / 4 + 1000));
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(i % 100) * 0.004f;
    REQUIRE(writeWav(path, mono(std::move(wave)), SampleFormat::float32));
    const auto recording = openRecording(path);
    REQUIRE(recording);
    CHECK((*recording)->original->path() == path);
    Take take;
    take.id = 1;
    take.name = "long";
    take.recording = *recording;
    take.kept = {Frames{0}, Frames{48000}};
    const auto instrument = instrumentOf(take);

    // Written into: the samples as they were read are saved.
    {
        std::fstream file(path, std::ios::in | std::ios::out | std::ios::binary);
        file.seekp(5000);
        file << "overwritten";
    }
    REQUIRE(writeInstrument(instrument, folder / "a.puretone"));
    const auto again = openInstrument(folder / "a.puretone");
    REQUIRE(again);
    CHECK(again->takes[0].audio() == take.audio());

    // Removed: what is held open is still there.
    const auto fresh = openRecording(path);
    REQUIRE(fresh);
    std::filesystem::remove(path);
    CHECK(savable(*fresh) == *fresh);
}

TEST_CASE(
    "two files that hold the same bytes are two takes of one recording", "[formats][puretone]")
{
    const TemporaryFolder folder;
    auto first = plainTake(mono(harmonicTone(220.0, 48000.0, 0.5)), 57.0, "left");
    auto second = first;
    second.recording = underName(first.recording.pointer(), "right.wav");
    auto instrument = makeInstrument(std::move(first));
    addTakes(instrument, {std::move(second)});
    instrument = sanitized(std::move(instrument));
    REQUIRE(writeInstrument(instrument, folder / "two.puretone"));
    const auto again = openInstrument(folder / "two.puretone");
    REQUIRE(again);
    CHECK(*again == instrument);
    CHECK(again->takes[1].recording->fileName == "right.wav");
    CHECK(again->takes[0].recording->audio == again->takes[1].recording->audio);
}
