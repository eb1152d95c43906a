// SPDX-License-Identifier: GPL-3.0-or-later
// What makers of libraries want to get done, from files on disk to files on disk: laid out, looped,
// layered, made as small as is asked, written, and read again.
#include "app/stops/export/export_stop.h"
#include "app/stops/keys/keys_stop.h"
#include "app/stops/shape/shape_stop.h"
#include "engine/offline/render.h"
#include "formats/export/export_names.h"
#include "formats/export/regions.h"
#include "formats/midi/midi_file.h"
#include "formats/midi/played.h"
#include "support/driver.h"

#include <cmath>
#include <set>

using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

const std::filesystem::path sounds = std::filesystem::path(DEMO_FOLDER) / "sounds";

/// A note with a slow swell in it, for something to loop.
std::vector<float> note(double hz, double seconds = 2.0)
{
    auto wave = harmonicTone(hz, 48000.0, seconds);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] *=
            float(std::min(1.0, double(i) / 2400.0) * (1.0 + 0.05 * std::sin(double(i) * 2e-4)));
    return wave;
}

QStringList written(
    const TemporaryFolder& folder, const std::vector<std::pair<std::string, double>>& notes)
{
    QStringList paths;
    for (const auto& [name, midi] : notes) {
        const auto path = folder / (name + ".wav");
        REQUIRE(writeWav(path, mono(note(hzOf(midi).value)), SampleFormat::int24));
        paths << QString::fromStdString(path.string());
    }
    return paths;
}

/// Joins more takes to what is open, as a drop on the list of takes does.
void add(Driver& d, const QStringList& paths)
{
    d.session().opening().addFiles(paths);
    d.settle();
}

std::vector<Take> takesOf(Driver& d)
{
    return d.document().takes;
}

/// A new layer, which is on screen then: what is added joins it.
LayerId newLayer(Driver& d)
{
    LayerId made;
    d.session().edit("Add layer", [&](Instrument& next) { made = addLayer(next); });
    d.session().showLayer(made);
    d.settle();
    return made;
}

ExportStop* exportInto(Driver& d, const TemporaryFolder& folder)
{
    d.goTo(Stop::write);
    auto* stop = static_cast<ExportStop*>(d.window.stop(Stop::write));
    stop->setFolder(QString::fromStdString(folder.path().string()));
    d.settle();
    return stop;
}

/// Writes what is ticked, and has every report good.
void writeAll(Driver& d, ExportStop* stop)
{
    d.click(stop, "Write ticked files");
    d.settle();
    for (const auto product : allProducts) {
        if (!d.session().exporting().ticked(product))
            continue;
        const auto* report = d.session().exporting().reportOf(product);
        REQUIRE(report != nullptr);
        INFO(Exporting::nameOf(product).toStdString());
        CHECK((*report ? "" : report->error().sentence()) == "");
        if (*report)
            CHECK((*report)->trouble == "");
    }
}

} // namespace

TEST_CASE(
    "walk 3: twelve named horns and a dozen of bells, blended on the wheel", "[app][walk][library]")
{
    const TemporaryFolder folder, out;
    std::vector<std::pair<std::string, double>> horns, bells;
    for (int i = 0; i < 12; ++i) {
        const int key = 36 + 3 * i;
        horns.emplace_back("horn_" + noteName(key), key);
        bells.emplace_back("bell_" + noteName(key + 1), key + 1.0);
    }
    horns[4].first = "horn_" + noteName(36 + 12 + 12) + "_wrong"; // an octave above what it sounds
    Driver d;
    add(d, written(folder, horns));
    REQUIRE(d.document().takes.size() == 12);
    // The contradiction is shown, and what is heard is what it is laid out by.
    const auto said = rootsSaid(d.document(), d.document().layers[0].id);
    CHECK(std::count_if(said.begin(), said.end(), [](const RootsSaid& s) { return s.disagree(); })
        == 1);
    const auto& zones = d.document().layers[0].zones;
    REQUIRE(zones.size() == 12);
    for (const auto& zone : zones) {
        const int root = d.document().take(zone.take)->tuning.rootKey;
        CHECK(zone.lowKey <= root);
        CHECK(zone.highKey >= root);
    }
    // All looped alike in one action, staggered.
    d.goTo(Stop::loop);
    const auto before = d.document();
    d.session().looping().copyToOthers(LoopCopy::findTheLike, true);
    d.settle();
    CHECK(std::all_of(d.document().takes.begin(), d.document().takes.end(),
        [](const Take& take) { return take.loop.on; }));
    d.session().undo();
    CHECK(d.document() == before);
    d.session().redo();
    // Bells as a second layer, blended by the wheel, each with a filter of its own.
    const auto second = newLayer(d);
    add(d, written(folder, bells));
    REQUIRE(d.document().layer(second)->zones.size() == 12);
    auto* shape = static_cast<ShapeStop*>(d.window.stop(Stop::shape));
    d.goTo(Stop::shape);
    for (const auto& layer : {d.document().layers[0].id, second}) {
        d.session().showLayer(layer);
        d.session().editLayer("Filter", [](Layer& l) {
            l.blends = true;
            l.filter.kind = FilterKind::low;
            l.filter.hz = 3000.0;
        });
        shape->movements()->sentence()->setText("wheel blend 100 %");
        QTest::keyClick(shape->movements()->sentence(), Qt::Key_Return);
    }
    d.session().edit("Echo", [](Instrument& next) {
        next.effects.push_back(makeEffect(EffectKind::echo, next.freeId()));
    });
    d.settle();
    const auto end = d.document();
    auto* stop = exportInto(d, out);
    writeAll(d, stop);
    for (const char* ending : {".sfz", ".sf2", ".puretone"}) {
        CAPTURE(ending);
        const auto again = openInstrument(out / (end.name + ending));
        REQUIRE(again);
        CHECK(again->allZones().size() == 24);
        if (std::string(ending) == ".puretone")
            CHECK(*again == end);
    }
    CHECK(std::distance(std::filesystem::directory_iterator(out / (end.name + " WAV")), {}) == 24);
}

TEST_CASE(
    "walk 10: a pipe with its valve on press, in turn, and on release", "[app][walk][library]")
{
    const TemporaryFolder folder, out;
    Driver d;
    d.open(sounds / "fog-horn.flac");
    CHECK(d.take().facts->pitch.midi.has_value());
    // Valves: four openings in turn, one closing.
    std::vector<std::string> names{"open 1", "open 2", "open 3", "open 4", "close"};
    QStringList valves;
    for (std::size_t i = 0; i < names.size(); ++i) {
        auto click = noise(48000.0, 0.2, 0.3);
        for (std::size_t k = 0; k < click.size(); ++k)
            click[k] *= std::exp(-float(k) / (600.0f + 150.0f * float(i)));
        const auto path = folder / (names[i] + ".wav");
        REQUIRE(writeWav(path, mono(click), SampleFormat::int24));
        valves << QString::fromStdString(path.string());
    }
    const auto opening = newLayer(d);
    add(d, valves.mid(0, 4));
    auto& keys = d.keysStop();
    d.session().editLayer("All keys", [](Layer& layer) {
        for (auto& zone : layer.zones) {
            zone.lowKey = 0;
            zone.highKey = 127;
        }
    });
    d.choose(&keys, "Same keys", "in turn");
    d.type(&keys, "Follow keys", "0 %");
    CHECK(d.document().layer(opening)->sameKeys == SameKeys::inTurn);
    const auto closing = newLayer(d);
    add(d, valves.mid(4));
    REQUIRE(d.document().takes.size() == 6);
    d.session().editLayer("All keys", [](Layer& layer) {
        layer.zones[0].lowKey = 0;
        layer.zones[0].highKey = 127;
    });
    d.choose(&keys, "Sounds", "on release");
    d.type(&keys, "Follow keys", "0 %");
    d.type(&keys, "Falls a second", "6 dB");
    CHECK(d.document().layer(closing)->when == SoundsWhen::release);
    // An octave below, with its level on a controller.
    d.session().edit("Octave below", [](Instrument& next) {
        const auto copy = duplicateLayer(next, next.layers[0].id);
        next.layer(copy)->octave = -1;
        Movement level;
        level.source = {SourceKind::controller, 20};
        level.target = Target::level;
        level.amount = 12.0;
        next.layer(copy)->movements.push_back(level);
    });
    const auto end = d.document();
    auto* stop = exportInto(d, out);
    writeAll(d, stop);
    const auto again = openInstrument(out / (end.name + ".sfz"));
    REQUIRE(again);
    REQUIRE(again->layers.size() == 4);
    const auto with = [&](auto which) {
        return std::count_if(again->layers.begin(), again->layers.end(), which);
    };
    CHECK(with([](const Layer& l) { return l.sameKeys == SameKeys::inTurn && l.follow == 0.0; })
        == 1);
    CHECK(with([](const Layer& l) {
        return l.when == SoundsWhen::release && l.fallDbPerSecond == 6.0;
    }) == 1);
    CHECK(with([](const Layer& l) { return l.movements.size() == 1; }) == 1);
    // A SoundFont has no valve, and says so.
    CHECK_THAT(lossesOf(end, FileKind::sf2).at(0), Contains("left out"));
}

TEST_CASE(
    "walk 13: two voices by hand, thirty files in any order, slow waves", "[app][walk][library]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(sounds / "keepers-hum.flac");
    auto& keys = d.keysStop();
    d.type(&keys, "Lowest key", "C1");
    d.type(&keys, "Highest key", "E2");
    d.choose(&keys, "Plays", "own length");
    d.settle();
    CHECK(d.document().layers[0].manner == Manner::keepsLength);
    CHECK(d.document().layers[0].zones[0].highKey == 40);
    std::vector<std::pair<std::string, double>> reeds;
    for (int i = 0; i < 30; ++i)
        reeds.emplace_back("reed " + std::to_string((i * 7) % 30), 41.0 + (i * 11) % 30);
    const auto files = written(folder, reeds);
    const auto second = newLayer(d);
    add(d, files);
    d.session().edit("Lay out", [&](Instrument& next) { layOut(next, second); });
    const auto& zones = d.document().layer(second)->zones;
    CHECK(zones.size() == 30);
    std::set<int> covered;
    for (const auto& zone : zones)
        for (int key = zone.lowKey; key <= zone.highKey; ++key)
            covered.insert(key);
    for (int key = 41; key <= 70; ++key)
        CHECK(covered.count(key) == 1);
    auto* shape = static_cast<ShapeStop*>(d.window.stop(Stop::shape));
    d.goTo(Stop::shape);
    d.session().showLayer(second);
    for (const char* sentence : {"wave 1 pitch 0.2 st", "wave 2 cutoff 1 oct"}) {
        shape->movements()->sentence()->setText(QString::fromLatin1(sentence));
        QTest::keyClick(shape->movements()->sentence(), Qt::Key_Return);
    }
    d.session().editLayer("Waves", [](Layer& layer) {
        layer.waves[0].fadeSeconds = 0.5;
        layer.waves[1].beats = 1.0;
    });
    CHECK(d.document().layer(second)->movements.size() == 2);
    d.pressKey(50);
    CHECK_THAT(d.hearPitch(), WithinAbs(50.0, 0.3));
    d.releaseKey(50);
    const auto end = d.document();
    while (d.session().history().canUndo())
        d.session().undo();
    while (d.session().history().canRedo())
        d.session().redo();
    d.settle();
    CHECK(d.document() == end);
}

TEST_CASE(
    "walk 18: nine notes in one file, every six semitones, into 4.6 MB", "[app][walk][library]")
{
    const TemporaryFolder folder, out;
    std::vector<float> all;
    for (int i = 0; i < 9; ++i) {
        auto wave = note(hzOf(36.0 + 6.0 * i).value, 4.0);
        for (float& s : wave)
            s *= 0.4f + 0.06f * float(i); // levels as played
        for (std::size_t k = 0; k < 4800; ++k)
            wave[wave.size() - 1 - k] *= float(k) / 4800.0f;
        all.insert(all.end(), wave.begin(), wave.end());
        all.insert(all.end(), 48000, 0.0f);
    }
    Audio audio = mono(all);
    audio.channels.push_back(audio.channels[0]);
    REQUIRE(writeWav(folder / "harp.wav", audio, SampleFormat::int24));
    Driver d;
    d.open(folder / "harp.wav");
    d.split(NoteSeries{36, 6});
    REQUIRE(d.document().takes.size() == 9);
    for (int i = 0; i < 9; ++i)
        CHECK(d.document().takes[std::size_t(i)].tuning.rootKey == 36 + 6 * i);
    d.goTo(Stop::loop);
    d.session().looping().copyToOthers(LoopCopy::findTheLike, true);
    d.settle();
    // Unequal on purpose.
    std::set<std::int64_t> lengths;
    for (const auto& take : d.document().takes)
        lengths.insert(take.loop.span.length());
    CHECK(lengths.size() > 6);
    d.session().editLayer("Inner start", [](Layer& layer) { layer.inner = InnerUse::softer; });
    auto* stop = exportInto(d, out);
    d.click(stop, "Little memory");
    d.type(stop, "Limit", "4.6 MB");
    d.settle();
    const auto* plan = d.session().exporting().planOf(Product::soundFont);
    REQUIRE(plan != nullptr);
    CHECK(plan->fits);
    CHECK(plan->bytes <= 4600000);
    const auto bytes = plan->bytes;
    writeAll(d, stop);
    const auto bank = out / (d.document().name + ".sf2");
    CHECK(std::filesystem::file_size(bank) == bytes);
    const auto again = openInstrument(bank);
    REQUIRE(again);
    CHECK(again->allZones().size() == 9);
    const auto played = comparePlayed(d.document(), *again);
    CHECK(std::abs(played.cents) < 1.0);
    CHECK(std::abs(played.levelDb) < 0.5);
}

TEST_CASE(
    "walk 19: four wires in one take, two octaves each, and a MIDI file", "[app][walk][library]")
{
    const TemporaryFolder folder;
    std::vector<float> all;
    for (int i = 0; i < 4; ++i) {
        auto wave = harmonicTone(hzOf(33.0 + 19.0 * i).value, 48000.0, 2.0, 4);
        for (std::size_t k = 0; k < wave.size(); ++k)
            wave[k] *= std::exp(-float(k) / 24000.0f);
        all.insert(all.end(), wave.begin(), wave.end());
        all.insert(all.end(), 36000, 0.0f);
    }
    REQUIRE(writeWav(folder / "wires.wav", mono(all), SampleFormat::int24));
    Driver d;
    d.open(folder / "wires.wav");
    d.split();
    REQUIRE(d.document().takes.size() == 4);
    for (int i = 0; i < 4; ++i)
        CHECK(d.document().takes[std::size_t(i)].tuning.rootKey == 33 + 19 * i);
    auto& keys = d.keysStop();
    // A wire ends its own last note.
    d.type(&keys, "Ends group", "1");
    d.type(&keys, "At once", "1");
    CHECK(d.session().layer().voices == 1);
    const std::vector<TimedEvent> song{{0.0, MidiEvent::noteOn(40, 100)},
        {0.3, MidiEvent::noteOff(40)}, {0.3, MidiEvent::noteOn(57, 90)},
        {0.8, MidiEvent::noteOff(57)}};
    REQUIRE(writeBytes(folder / "song.mid", encodeMidiFile(song, 120.0)));
    const auto events = readMidiFile(folder / "song.mid");
    REQUIRE(events);
    CHECK(rmsDb(renderEvents(d.document(), *events, 48000.0).channels[0]) > -50.0);
    d.pressKey(57);
    CHECK_THAT(d.hearPitch(), WithinAbs(57.0, 0.05));
    d.releaseKey(57);
}

TEST_CASE(
    "walk 20: three notes to a SoundFont, with the loops of their files", "[app][walk][library]")
{
    const TemporaryFolder folder, out;
    // 200 Hz and its octaves: loops of whole periods.
    std::vector<std::pair<std::string, double>> notes;
    for (const double hz : {200.0, 400.0, 800.0})
        notes.emplace_back(std::to_string(int(hz)), midiOf(Hz{hz}));
    SamplerInfo inside;
    inside.loops.push_back({{Frames{24000}, Frames{72000}}, 0});
    Driver d;
    for (const auto& [name, midi] : notes) {
        inside.midi = midi;
        REQUIRE(writeWav(folder / (name + ".wav"),
            mono(harmonicTone(hzOf(midi).value, 48000.0, 2.0)), SampleFormat::int24, inside));
    }
    add(d,
        {QString::fromStdString((folder / "200.wav").string()),
            QString::fromStdString((folder / "400.wav").string()),
            QString::fromStdString((folder / "800.wav").string())});
    REQUIRE(d.document().takes.size() == 3);
    const auto zones = d.document().layers[0].zones;
    REQUIRE(zones.size() == 3);
    std::vector<int> roots;
    // The loop of the file stands beside ours, and is taken.
    for (const auto& take : takesOf(d)) {
        roots.push_back(take.tuning.rootKey);
        const auto& choices = take.facts->loopChoices;
        const auto given = std::find_if(choices.begin(), choices.end(),
            [](const LoopCandidate& c) { return c.kind == LoopKind::fromFile; });
        REQUIRE(given != choices.end());
        CHECK(given->loop.span == Span{Frames{24000}, Frames{72000}});
        d.session().editTake(
            d.session().keyOf(take), "Choose loop", [&](Take& t) { t.loop = given->loop; });
    }
    d.settle();
    CHECK(roots == std::vector<int>{55, 67, 79});
    CHECK(std::abs(zones[0].highKey - 61) <= 1); // half-way
    CHECK(zones[1].lowKey == zones[0].highKey + 1);
    d.session().editLayer("Decay", [](Layer& layer) {
        layer.envelope.decay = 1.2;
        layer.envelope.sustainDb = -12.0;
        layer.envelope.release = 0.25;
    });
    const auto end = d.document();
    auto* stop = exportInto(d, out);
    d.click(stop, "SoundFont");
    writeAll(d, stop);
    const auto again = openInstrument(out / (end.name + ".sf2"));
    REQUIRE(again);
    CHECK(again->layers[0].zones.size() == 3);
    CHECK_THAT(again->layers[0].envelope.decay, WithinAbs(1.2, 0.01));
    CHECK_THAT(again->layers[0].envelope.release, WithinAbs(0.25, 0.01));
    // No pop at the end of a note: what is let go falls without a step.
    const auto out20 = renderEvents(
        *again, {{0.0, MidiEvent::noteOn(60, 100)}, {1.0, MidiEvent::noteOff(60)}}, 48000.0);
    double step = 0.0;
    const auto& wave = out20.channels[0];
    for (std::size_t i = 47000; i + 1 < std::min<std::size_t>(wave.size(), 60000); ++i)
        step = std::max(step, double(std::abs(wave[i + 1] - wave[i])));
    double usual = 0.0;
    for (std::size_t i = 30000; i < 46000; ++i)
        usual = std::max(usual, double(std::abs(wave[i + 1] - wave[i])));
    CHECK(step <= 1.05 * usual);
}
