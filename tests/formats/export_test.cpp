// SPDX-License-Identifier: GPL-3.0-or-later
// What may be chosen about an export, how large it will be, and what is heard of it.
#include "audio/files/riff.h"
#include "audio/level.h"
#include "base/files/safe_file.h"
#include "formats/export/export_names.h"
#include "formats/export/export_plan.h"
#include "formats/export/fit.h"
#include "formats/formats.h"
#include "formats/midi/played.h"
#include "support/banks.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fstream>
#include <set>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

Take tone(double midi, const std::string& name, double seconds = 1.5, int partials = 6)
{
    return plainTake(mono(harmonicTone(hzOf(midi).value, 48000.0, seconds, partials)), midi, name);
}

Take loopedTone(double midi, const std::string& name)
{
    return looped(tone(midi, name), 20000, 60000, 4000);
}

/// Twelve takes, every other key, half of them looped.
Instrument horns()
{
    Instrument instrument;
    instrument.name = "Horns";
    std::vector<Take> takes;
    for (int i = 0; i < 12; ++i)
        takes.push_back(i % 2 == 0 ? loopedTone(40 + 2 * i, "horn " + std::to_string(i))
                                   : tone(40 + 2 * i, "horn " + std::to_string(i), 2.0));
    addTakes(instrument, std::move(takes));
    return sanitized(std::move(instrument));
}

std::uint64_t onDisk(const std::vector<std::filesystem::path>& files)
{
    std::uint64_t bytes = 0;
    for (const auto& file : files)
        bytes += std::filesystem::file_size(file);
    return bytes;
}

void put(const std::filesystem::path& path, const std::string& text)
{
    std::ofstream(path, std::ios::binary) << text;
}

ExportChoices choose(Depth depth, std::optional<double> rate = {}, bool asMono = false)
{
    ExportChoices choices;
    choices.sound.depth = depth;
    choices.sound.rate = rate;
    choices.sound.mono = asMono;
    return choices;
}

Take randomTake(Noise& random)
{
    Audio audio = mono(noise(48000.0, random.between(0.3, 1.0), 0.3));
    if (random() > 0.0)
        audio.channels.push_back(audio.channels[0]);
    const auto frames = audio.frames();
    Take take = plainTake(std::move(audio), random.between(30.0, 90.0));
    take.kept = {Frames{std::int64_t(random.between(0.0, 3000.0))}, Frames{frames}};
    take.loop.mode = LoopMode(int(random.between(0.0, 3.999)));
    if (random() > -0.5) {
        take.loop.on = true;
        const auto start = std::int64_t(random.between(3000.0, double(frames) / 2.0));
        take.loop.span = {Frames{start},
            Frames{start + std::int64_t(random.between(50.0, double(frames) / 2.0 - 10.0))}};
        take.loop.crossfade = Frames{std::int64_t(random.between(0.0, 2000.0))};
        take.loop.fraction = take.loop.mode == LoopMode::alternating ? 0.0 : 0.4 * random();
    }
    sanitize(take);
    return take;
}

} // namespace

TEST_CASE("a plan says of a sample all but its sound", "[formats][export]")
{
    Noise random(11);
    for (int round = 0; round < 60; ++round) {
        CAPTURE(round);
        const auto take = randomTake(random);
        SoundChoices choices;
        choices.depth = Depth(int(random.between(0.0, 2.999)));
        choices.mono = random() > 0.0;
        if (random() > 0.0)
            choices.rate = random.between(8000.0, 96000.0);
        if (random() > 0.5)
            choices.longest = random.between(0.05, 0.6);
        if (random() > 0.5)
            choices.playedOut = random.between(0.1, 3.0);
        const auto planned = conformPlan(planTake(take), choices);
        const auto made = conform(prepareTake(take), choices);
        CHECK(planned.frames == made.audio.frames());
        CHECK(made.frames == made.audio.frames());
        CHECK(planned.audio.channelCount() == made.audio.channelCount());
        CHECK(planned.audio.rate == made.audio.rate);
        CHECK(planned.loop == made.loop);
        CHECK(planned.mode == made.mode);
        CHECK(planned.midi == made.midi);
        CHECK(planned.retuneCents == made.retuneCents);
    }
}

TEST_CASE("a loop at another rate goes round without a trace, in tune", "[formats][export][loop]")
{
    const double rate = GENERATE(44100.0, 32000.0, 22050.0, 96000.0);
    const auto length = GENERATE(std::int64_t(40000), std::int64_t(2001), std::int64_t(331));
    CAPTURE(rate, length);
    // A tone with whole periods in its loop.
    const double hz = 48000.0 * std::round(double(length) / 206.0) / double(length);
    auto take = looped(plainTake(mono(harmonicTone(hz, 48000.0, 1.5, 1)), midiOf(Hz{hz})), 20000,
        20000 + length, 0);
    SoundChoices choices = asHeard();
    choices.rate = rate;
    const auto made = conform(prepareTake(take), choices);
    REQUIRE(made.loop);
    const auto& wave = made.audio.channels[0];
    double worst = 0.0;
    for (std::int64_t i = 0; i < 60; ++i)
        worst = std::max(worst,
            std::abs(double(wave[std::size_t(made.loop->start.value + i)])
                - double(wave[std::size_t(made.loop->end.value + i)])));
    CHECK(worst < 1e-4); // -80 dB
    // So many periods in the loop, as it is played at the rate that the file says.
    const double periods = hz * double(length) / 48000.0;
    const double sounding = periods * rate / double(made.loop->length());
    CHECK_THAT(1200.0 * std::log2(sounding / hz) + made.retuneCents, WithinAbs(0.0, 0.01));
    CHECK_THAT(midiOf(Hz{sounding}) - made.midi, WithinAbs(0.0, 1e-3));
}

TEST_CASE("16 bits are rounded with a step of noise instead of distortion", "[formats][export]")
{
    // Half a step of a sine is silence without dither, and a sine in noise with it.
    auto wave = harmonicTone(1000.0, 48000.0, 1.0, 1);
    const float loudest = peak(wave);
    for (float& s : wave)
        s *= 0.45f / 32768.0f / loudest;
    PreparedTake quiet;
    quiet.audio = mono(wave);
    quiet.frames = quiet.audio.frames();
    SoundChoices choices;
    choices.depth = Depth::bits16;
    choices.dither = false;
    CHECK(peak(conform(quiet, choices).audio.channels[0]) == 0.0f);
    choices.dither = true;
    const auto made = conform(quiet, choices).audio.channels[0];
    const double alike = dotProduct(made.data(), wave.data(), made.size())
        / dotProduct(wave.data(), wave.data(), wave.size());
    CHECK_THAT(alike, WithinAbs(1.0, 0.05));
    CHECK(peak(made) <= 2.0f / 32768.0f);
    // Silence stays silence, and the same sound gives the same file.
    quiet.audio = mono(silence(48000.0, 0.1));
    quiet.frames = quiet.audio.frames();
    CHECK(peak(conform(quiet, choices).audio.channels[0]) == 0.0f);
}

TEST_CASE("a loop that is played out lasts as long as was chosen, and fades", "[formats][export]")
{
    SoundChoices choices = asHeard();
    choices.playedOut = 5.0;
    const auto made = conform(prepareTake(loopedTone(57, "a")), choices);
    CHECK_FALSE(made.loop);
    CHECK(made.frames == 240000);
    const auto& wave = made.audio.channels[0];
    const auto levelAt = [&](std::size_t at) {
        return meanSquare(std::span(wave).subspan(at, 4800));
    };
    CHECK_THAT(10.0 * std::log10(levelAt(200000) / levelAt(50000)), WithinAbs(0.0, 0.3));
    CHECK(std::abs(wave.back()) < 1e-6f);
}

TEST_CASE("sizes are known to the byte before anything is written", "[formats][export]")
{
    const TemporaryFolder folder;
    auto instrument = horns();
    instrument.layers[0].notes = Notes::one;
    instrument.effects.push_back(makeEffect(EffectKind::space, 1));
    instrument.effects[0].impulse = makeRecording(mono(noise(48000.0, 0.2, 0.3)), "shed.wav");
    for (const auto& choices : {choose(Depth::bits24), choose(Depth::bits16, 22050.0),
             choose(Depth::floating, 44100.0, true)}) {
        CAPTURE(int(choices.sound.depth));
        for (const char* name : {"a.puretone", "a.sfz", "a.sf2", "a.wav"}) {
            CAPTURE(name);
            const auto planned = plannedFiles(instrument, folder / name, choices);
            const auto written = writeInstrument(instrument, folder / name, choices);
            REQUIRE((written ? "" : written.error().sentence()) == "");
            CHECK(totalBytes(planned) == written->bytes);
            CHECK(planned.size() == written->files.size());
            CHECK(std::all_of(planned.begin(), planned.end(), [](auto& f) { return f.exact; }));
        }
        const auto planned = plannedWavSet(instrument, folder / "set", choices);
        const auto written = writeWavSet(instrument, folder / "set", choices);
        REQUIRE(written);
        CHECK(totalBytes(planned) == onDisk(written->files));
        for (std::size_t i = 0; i < planned.size(); ++i)
            CHECK(planned[i].path == written->files[i]);
    }
}

TEST_CASE("a SoundFont of 24 bits comes back as exact as that", "[formats][sf2][export]")
{
    const TemporaryFolder folder;
    Instrument instrument = instrumentOf(loopedTone(57, "a"));
    REQUIRE(writeInstrument(instrument, folder / "a.sf2", choose(Depth::bits24)));
    const auto again = openInstrument(folder / "a.sf2");
    REQUIRE(again);
    const auto was = prepareTake(instrument.takes[0]);
    const auto& is = again->takes[0].audio();
    double worst = 0.0;
    for (std::size_t i = 0; i < was.audio.channels[0].size(); ++i)
        worst =
            std::max(worst, std::abs(double(was.audio.channels[0][i]) - double(is.channels[0][i])));
    CHECK(worst < 1.0 / 8388608.0);
    // Without its second chunk it is a plain bank of 16 bits.
    auto bytes = *readFile(folder / "a.sf2");
    for (std::size_t i = 0; i + 4 < bytes.size(); ++i)
        if (std::memcmp(bytes.data() + i, "sm24", 4) == 0)
            bytes[i] = std::byte{'x'};
    const auto plain = readSoundFont(OriginalFile(bytes), "a");
    REQUIRE(plain);
    CHECK(plain->takes[0].audio().frames() == is.frames());
}

TEST_CASE("zones that play one sample of a bank share it, and only a note may be read",
    "[formats][sf2][export]")
{
    const TemporaryFolder folder;
    Instrument instrument = horns();
    // Twenty more zones of the first take.
    auto& zones = instrument.layers[0].zones;
    for (int i = 0; i < 20; ++i) {
        Zone more = zones[0];
        more.id = 1000 + i;
        more.lowKey = more.highKey = 100 + i;
        zones.push_back(more);
    }
    REQUIRE(writeInstrument(instrument, folder / "a.sf2"));
    const auto file = *OriginalFile::open(folder / "a.sf2");
    const auto all = readSoundFont(*file, "a");
    REQUIRE(all);
    REQUIRE(all->allZones().size() == 32);
    std::set<const Recording*> recordings;
    for (const auto& take : all->takes)
        recordings.insert(take.recording.pointer().get());
    CHECK(recordings.size() == 12);
    for (const auto& kind : {"a.sf2", "a.sfz"}) {
        REQUIRE(writeInstrument(instrument, folder / kind));
        const auto note = openForNote(folder / kind, {47, 100});
        REQUIRE(note);
        CHECK(note->allZones().size() == 1);
        CHECK(inZone(note->allZones()[0], 47, 100));
        const auto nothing = openForNote(folder / kind, {0, 100});
        REQUIRE(nothing);
        CHECK(nothing->allZones().size() == (inZone(zones[0], 0, 100) ? 1 : 0));
    }
}

TEST_CASE("SFZ has its samples as FLAC where that is chosen", "[formats][sfz][export]")
{
    const TemporaryFolder folder;
    auto choices = choose(GENERATE(Depth::bits16, Depth::bits24, Depth::floating));
    choices.flac = true;
    const auto instrument = horns();
    const auto written = writeInstrument(instrument, folder / "a.sfz", choices);
    REQUIRE((written ? "" : written.error().sentence()) == "");
    REQUIRE(written->files.size() == 13);
    CHECK(written->files[1].extension() == ".flac");
    const auto again = openInstrument(folder / "a.sfz");
    REQUIRE(again);
    CHECK(again->takes.size() == 12);
    CHECK(again->takes[0].loop.on);
}

TEST_CASE(
    "a set of WAV files is named by its notes, each with root and loop inside", "[formats][export]")
{
    const TemporaryFolder folder;
    auto instrument = horns();
    instrument.takes[1].name = instrument.takes[0].name = "horn/..\\a: b";
    instrument.takes[1].tuning.rootKey = instrument.takes[0].tuning.rootKey;
    const auto written = writeWavSet(instrument, folder / "set", choose(Depth::bits24));
    REQUIRE(written);
    REQUIRE(written->files.size() == 12);
    CHECK(written->files[0].filename() == "040 E2 horn____a_ b.wav");
    CHECK(written->files[1].filename() == "040 E2 horn____a_ b 2.wav");
    for (std::size_t i = 0; i < 12; ++i) {
        const auto recording = openRecording(written->files[i]);
        REQUIRE(recording);
        REQUIRE((*recording)->sampler);
        CHECK_THAT(
            (*recording)->sampler->midi, WithinAbs(instrument.takes[i].tuning.keyMidi(), 1e-4));
        CHECK((*recording)->sampler->loops.empty() == !instrument.takes[i].loop.repeats());
    }
    CHECK_THAT(written->checked, Contains("Played back: 12 keys"));
    CHECK(written->trouble.empty());
}

TEST_CASE("every so many keys a file is what the key sounds like", "[formats][export]")
{
    const TemporaryFolder folder;
    auto instrument = instrumentOf(loopedTone(57, "a"));
    instrument.layers[0].zones[0].lowKey = 48;
    instrument.layers[0].zones[0].highKey = 60;
    auto choices = choose(Depth::bits16);
    choices.keyStep = 6;
    const auto written = writeWavSet(instrument, folder / "keys", choices);
    REQUIRE((written ? "" : written.error().sentence()) == "");
    REQUIRE(written->files.size() == 3);
    CHECK(written->files[1].filename() == "054 F#3.wav");
    const auto recording = *openRecording(written->files[1]);
    CHECK(recording->sampler->midi == 54.0);
    const auto report = analysePitch(mixToMono(*recording->audio), 48000.0);
    REQUIRE(report.midi);
    CHECK_THAT(*report.midi, WithinAbs(54.0, 0.03));
}

TEST_CASE("an export is made as small as is asked, one way after the other", "[formats][export]")
{
    const TemporaryFolder folder;
    auto instrument = horns();
    const auto kind = GENERATE("a.sf2", "a.sfz", "set");
    const auto path = folder / kind;
    const auto whole =
        fitInto(instrument, path, choose(Depth::bits24), 1U << 30U, ExportWish().savers);
    CHECK(whole.met);
    CHECK(whole.said.empty());
    CHECK(whole.instrument == instrument);
    for (const double share : {0.9, 0.6, 0.3, 0.15, 0.05}) {
        CAPTURE(share);
        const auto limit = std::uint64_t(share * double(whole.bytes));
        const auto fit =
            fitInto(instrument, path, choose(Depth::bits24), limit, ExportWish().savers);
        REQUIRE(fit.met);
        CHECK(fit.bytes <= limit);
        CHECK_FALSE(fit.said.empty());
        if (std::string(kind) == "set")
            continue;
        const auto written = writeInstrument(fit.instrument, path, fit.choices);
        REQUIRE(written);
        CHECK(written->bytes == fit.bytes);
        // Every key that sounded still does.
        for (const auto& [a, b] : {std::pair(instrument, fit.instrument)}) {
            int low = 127, high = 0, lowThen = 127, highThen = 0;
            for (const auto& z : a.layers[0].zones) {
                low = std::min(low, z.lowKey);
                high = std::max(high, z.highKey);
            }
            for (const auto& z : b.layers[0].zones) {
                lowThen = std::min(lowThen, z.lowKey);
                highThen = std::max(highThen, z.highKey);
            }
            CHECK(low == lowThen);
            CHECK(high == highThen);
        }
    }
    // In the order that is asked for: takes first.
    const auto fewer = fitInto(instrument, path, choose(Depth::bits24), whole.bytes / 2,
        {Saver::fewerTakes, Saver::depth});
    CHECK(fewer.choices.sound.depth == Depth::bits24);
    CHECK(fewer.instrument.takes.size() <= 6);
    // What cannot be met is said, as small as it gets.
    const auto never = fitInto(instrument, path, choose(Depth::bits24), 100, ExportWish().savers);
    CHECK_FALSE(never.met);
    CHECK(never.bytes < whole.bytes / 20);
}

TEST_CASE("what is planned of each product is what is written", "[formats][export]")
{
    const TemporaryFolder folder;
    auto instrument = horns();
    instrument.name = "Horns/low";
    ExportWish wish;
    wish.limitMegabytes = GENERATE(0.0, 0.9);
    for (const auto product : allProducts) {
        const auto path = productPath(instrument, product, wish, folder.path());
        CAPTURE(path);
        CHECK(path.parent_path() == folder.path());
        const auto plan = planProduct(instrument, product, wish, folder.path());
        CHECK(plan.fits);
        CHECK(plan.said.empty() == (wish.limitMegabytes == 0.0 || product == Product::project));
        const auto written = writeProduct(instrument, product, wish, folder.path());
        REQUIRE((written ? "" : written.error().sentence()) == "");
        CHECK(written->bytes == plan.bytes);
        CHECK(written->files.size() == plan.files.size());
        if (product == Product::project)
            continue;
        CHECK((plan.bytes <= 900000) == (wish.limitMegabytes > 0.0));
        // A file each, beside the text; a bank has them all.
        const auto heard = heardProduct(instrument, product, wish, folder.path());
        if (product == Product::soundFont)
            CHECK(openInstrument(path)->takes.size() == heard.takes.size());
        else
            CHECK(plan.files.size() == heard.takes.size() + (product == Product::sfz ? 1 : 0));
    }
}

TEST_CASE("fewer takes leave no key silent and no border crossed", "[formats][export]")
{
    auto instrument = horns();
    instrument.layers[0].sameKeys = SameKeys::inTurn;
    auto twin = instrument.layers[0].zones[3];
    twin.id = instrument.freeId();
    instrument.layers[0].zones.push_back(twin);
    CHECK(withFewerTakes(instrument, 1).layers[0].zones.size() == 12);
    for (const int every : {2, 3, 5, 12}) {
        CAPTURE(every);
        const auto less = withFewerTakes(instrument, every);
        const auto& zones = less.layers[0].zones;
        CHECK(zones.size() == std::size_t((12 + every - 1) / every));
        for (std::size_t i = 1; i < zones.size(); ++i)
            CHECK(zones[i].lowKey == zones[i - 1].highKey + 1);
        CHECK(less.takes.size() == zones.size());
    }
}

TEST_CASE("what is heard before writing is what will be written", "[formats][export]")
{
    const TemporaryFolder folder;
    const auto choices = choose(Depth::bits16, 22050.0, true);
    const auto instrument = horns();
    const auto heard = sanitized(asWritten(instrument, choices.sound));
    REQUIRE(writeInstrument(instrument, folder / "a.sfz", choices));
    const auto again = *openInstrument(folder / "a.sfz");
    for (std::size_t i = 0; i < heard.takes.size(); ++i)
        CHECK(compareAudio(heard.takes[i].audio(), again.takes[i].audio(), 16).empty());
    const auto played = comparePlayed(heard, again);
    CHECK(played.keys == 12);
    CHECK(std::abs(played.cents) < 0.1);
    CHECK(std::abs(played.levelDb) < 0.05);
}

TEST_CASE("playing both tells what is off", "[formats][export]")
{
    auto instrument = horns();
    instrument.layers[0].zones.resize(4);
    const auto same = comparePlayed(instrument, instrument);
    CHECK(same.keys == 4);
    CHECK(std::abs(same.cents) < 0.001);
    CHECK(same.levelDb == 0.0);
    CHECK(troubleOf(same).empty());
    auto other = instrument;
    other.takes[2].tuning.fineCents += 7.0;
    auto played = comparePlayed(instrument, other);
    CHECK_THAT(std::abs(played.cents), WithinAbs(7.0, 0.1));
    CHECK_THAT(troubleOf(played), Contains("7.0 ct off"));
    other = instrument;
    other.layers[0].zones[1].levelDb -= 4.0;
    played = comparePlayed(instrument, other);
    CHECK_THAT(std::abs(played.levelDb), WithinAbs(4.0, 0.2));
    CHECK_THAT(troubleOf(played), Contains("dB off"));
    other = instrument;
    other.layers[0].zones.pop_back();
    CHECK_THAT(troubleOf(comparePlayed(instrument, other)), Contains("does not sound"));
    // 200 whole periods, and a third of one more.
    const auto clean = instrumentOf(looped(
        plainTake(mono(harmonicTone(240.0, 48000.0, 1.5)), midiOf(Hz{240.0})), 20000, 60000, 0));
    other = clean;
    other.takes[0].loop.span.end.value += 67;
    CHECK(troubleOf(comparePlayed(clean, clean)).empty());
    CHECK_THAT(troubleOf(comparePlayed(clean, other)), Contains("joint"));
}

TEST_CASE("controllers that move something plainly survive SFZ and SF2", "[formats][export]")
{
    const TemporaryFolder folder;
    auto instrument = instrumentOf(loopedTone(57, "a"));
    auto& layer = instrument.layers[0];
    layer.filter.kind = FilterKind::low;
    layer.filter.touchOctaves = 1.5;
    layer.movements = {{{SourceKind::wheel}, Target::cutoff, 0, 2.0, {}},
        {{SourceKind::controller, 11}, Target::pan, 0, -0.5, {}},
        {{SourceKind::controller, 74}, Target::pitch, 0, 3.0, {}}};
    instrument = sanitized(instrument);
    for (const char* name : {"a.sfz", "a.sf2"}) {
        CAPTURE(name);
        CHECK(lossesOf(instrument, *kindOfFile(name)).empty());
        const auto written = writeInstrument(instrument, folder / name);
        REQUIRE((written ? "" : written.error().sentence()) == "");
        LeftOut leftOut;
        const auto again = openInstrument(folder / name, {}, &leftOut);
        REQUIRE(again);
        CHECK(leftOut.empty());
        CHECK_THAT(again->layers[0].filter.touchOctaves, WithinAbs(1.5, 0.001));
        REQUIRE(again->layers[0].movements.size() == 3);
        for (const auto& m : instrument.layers[0].movements)
            CHECK(std::any_of(again->layers[0].movements.begin(), again->layers[0].movements.end(),
                [&](const Movement& n) {
                    return n.source == m.source && n.target == m.target
                        && std::abs(n.amount - m.amount) < 0.002;
                }));
    }
    // A level has no room to rise in a SoundFont; what is bent or scaled has no room anywhere.
    instrument.layers[0].movements = {{{SourceKind::wheel}, Target::level, 0, 6.0, {}}};
    CHECK(lossesOf(instrument, FileKind::sfz).empty());
    CHECK_THAT(lossesOf(instrument, FileKind::sf2).at(0), Contains("One movement is not written"));
    instrument.layers[0].movements[0].curve = 0.5;
    CHECK_FALSE(lossesOf(instrument, FileKind::sfz).empty());
}

TEST_CASE(
    "an SFZ file may include others and define words, but not itself", "[formats][sfz][bad-input]")
{
    const TemporaryFolder folder;
    std::filesystem::create_directories(folder / "a/b");
    REQUIRE(writeWav(
        folder / "a/tone.wav", mono(harmonicTone(220.0, 48000.0, 0.3)), SampleFormat::int16));
    put(folder / "a/b/one.sfz",
        "#define $KEY 57 // the root\n#define $KEYS 50\n/* nothing\n<region> */\n"
        "#include \"part.sfz\"\n");
    put(folder / "a/b/part.sfz",
        "<region> sample=..\\tone.wav pitch_keycenter=$KEY lokey=$KEYS hikey=60\n");
    const auto opened = openInstrument(folder / "a/b/one.sfz");
    REQUIRE((opened ? "" : opened.error().sentence()) == "");
    REQUIRE(opened->takes.size() == 1);
    CHECK(opened->takes[0].tuning.rootKey == 57);
    CHECK(opened->layers[0].zones[0].lowKey == 50);

    put(folder / "a/b/part.sfz", "#include \"one.sfz\"\n");
    CHECK_THAT(openInstrument(folder / "a/b/one.sfz").error().message, Contains("includes itself"));
    for (const std::string bad : {"../../tone.wav", "/etc/passwd", "c:/tone.wav",
             "x/../../../tone.wav", "..\\..\\..\\..\\..\\etc\\passwd"}) {
        CAPTURE(bad);
        put(folder / "a/b/bad.sfz", "<region> sample=" + bad + "\n");
        const auto refused = openInstrument(folder / "a/b/bad.sfz");
        REQUIRE_FALSE(refused);
        CHECK_THAT(refused.error().message, Contains("not beside it"));
        put(folder / "a/b/bad.sfz", "#include \"" + bad + "\"\n");
        CHECK_THAT(
            openInstrument(folder / "a/b/bad.sfz").error().message, Contains("not beside it"));
    }
    // A chain that never ends.
    for (int i = 0; i < 40; ++i)
        put(folder / ("a/b/chain" + std::to_string(i) + ".sfz"),
            "#include \"chain" + std::to_string(i + 1) + ".sfz\"\n");
    CHECK_THAT(openInstrument(folder / "a/b/chain0.sfz").error().message,
        Contains("too many files inside each other"));
    // One that doubles with each file.
    for (int i = 0; i < 15; ++i) {
        std::string text;
        for (int k = 0; k < 16; ++k)
            text += "#include \"wide" + std::to_string(i + 1) + ".sfz\"\n";
        put(folder / ("a/b/wide" + std::to_string(i) + ".sfz"), text);
    }
    put(folder / "a/b/wide15.sfz", std::string(1000, 'x').append(1, '\n'));
    CHECK_FALSE(openInstrument(folder / "a/b/wide0.sfz"));
}

TEST_CASE("a bank of several instruments names them, and each can be opened", "[formats][sf2]")
{
    const TemporaryFolder folder;
    REQUIRE(writeInstrument(instrumentOf(loopedTone(57, "a")), folder / "a.sf2"));
    const auto bytes = *readFile(folder / "a.sf2");
    // The same bank with two more presets, of the same instrument and of one that is not there.
    ByteWriter presets, bags, generators;
    const auto preset = [&](const char* name, unsigned program, unsigned bank, unsigned bag) {
        presets.fixedText(name, 20);
        presets.u16(program);
        presets.u16(bank);
        presets.u16(bag);
        presets.u32(0);
        presets.u32(0);
        presets.u32(0);
    };
    preset("low horn", 7, 0, 0);
    preset("drum", 0, 128, 1);
    preset("high horn", 2, 0, 2);
    preset("EOP", 0, 0, 3);
    for (unsigned i = 0; i < 4; ++i) {
        bags.u16(i);
        bags.u16(0);
    }
    for (unsigned i = 0; i < 3; ++i) {
        generators.u16(41);
        generators.u16(i == 1 ? 9 : 0);
    }
    generators.u32(0);
    REQUIRE(writeBytes(folder / "three.sf2",
        bankWith(bytes,
            {{"phdr", presets.take()}, {"pbag", bags.take()}, {"pgen", generators.take()}})));
    const auto found = presetsIn(folder / "three.sf2");
    REQUIRE(found.size() == 3);
    CHECK(found[0].name == "high horn");
    CHECK(found[1].name == "low horn");
    CHECK(found[2].name == "drum");
    CHECK(found[2].bank == 128);
    CHECK(openInstrument(folder / "three.sf2", {}, nullptr, 0)->name == "high horn");
    CHECK(openInstrument(folder / "three.sf2", {}, nullptr, 1)->name == "low horn");
    CHECK_THAT(openInstrument(folder / "three.sf2", {}, nullptr, 2).error().message,
        Contains("an instrument is missing"));
    CHECK_FALSE(openInstrument(folder / "three.sf2", {}, nullptr, 3));
    CHECK(presetsIn(folder / "a.sf2").size() == 1);
    CHECK(presetsIn(folder / "nothing.sf2").empty());
}
