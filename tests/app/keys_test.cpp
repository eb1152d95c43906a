// SPDX-License-Identifier: GPL-3.0-or-later
// The bench of the stop Keys by hand: blocks, borders, crossovers, laying out, levels, manners.
#include "support/driver.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace puretone::app;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

const std::string sounds = DEMO_FOLDER "/sounds/";

/// A tone, a second long, in a file of this name.
std::string toneFile(const TemporaryFolder& folder, const std::string& name, double midi,
    double level = 0.3, double seconds = 1.0)
{
    const auto path = folder / name;
    Audio audio = mono(harmonicTone(hzOf(midi).value, 48000.0, seconds, 12, level));
    REQUIRE(writeWav(path, audio, SampleFormat::int16));
    return path.string();
}

/// Opens tones of these pitches.
void openTones(Driver& d, const TemporaryFolder& folder, const std::vector<double>& pitches)
{
    QStringList files;
    for (std::size_t i = 0; i < pitches.size(); ++i)
        files << QString::fromStdString(
            toneFile(folder, "tone " + std::string(1, char('a' + i)) + ".wav", pitches[i]));
    d.session().opening().open(files.takeFirst());
    d.settle();
    if (!files.isEmpty())
        d.session().opening().addFiles(files);
    d.settle();
    REQUIRE(d.document().takes.size() == pitches.size());
}

Layer& open(Driver& d)
{
    return const_cast<Layer&>(d.session().layer());
}

} // namespace

TEST_CASE("a border drags with its neighbour, with Alt alone, and Esc puts it back", "[app][keys]")
{
    Driver d;
    const TemporaryFolder folder;
    openTones(d, folder, {48.0, 60.0, 72.0});
    auto* lanes = d.keysStop().lanes();
    const auto block = [&](std::size_t i) { return lanes->blockRect(open(d).zones[i]); };
    const double key = lanes->geometry().axis.keyWidth();
    const int border = open(d).zones[1].lowKey;
    QTest::mouseClick(lanes, Qt::LeftButton, {}, block(1).center().toPoint() + QPoint(4, 20));
    const QPointF at(block(1).left(), block(1).center().y());
    d.drag(lanes, at, at + QPointF(-3.0 * key, 0.0));
    CHECK(open(d).zones[1].lowKey == border - 3);
    CHECK(open(d).zones[0].highKey == border - 4);
    CHECK(open(d).zones[1].lowKeyByHand);
    CHECK(d.session().history().undoName() == "Move zone border");
    const QPointF now(block(1).left(), block(1).center().y());
    d.drag(lanes, now, now + QPointF(2.0 * key, 0.0), Qt::AltModifier);
    CHECK(open(d).zones[1].lowKey == border - 1);
    CHECK(open(d).zones[0].highKey == border - 4);
    d.session().undo();
    const auto before = d.document();
    d.drag(lanes, now, now + QPointF(5.0 * key, 0.0), {},
        [&] { QTest::keyClick(lanes, Qt::Key_Escape); });
    CHECK(d.document() == before);
}

TEST_CASE("a border that is dragged past a held key lets the neighbour sound", "[app][keys]")
{
    const TemporaryFolder folder;
    Driver d;
    openTones(d, folder, {57.0, 69.0});
    // The second one plays an octave higher than it says, to be told from the first.
    d.session().edit("Retune", [](Instrument& next) { next.takes[1].tuning.rootKey -= 12; });
    auto* lanes = d.keysStop().lanes();
    const auto block = [&](std::size_t i) { return lanes->blockRect(open(d).zones[i]); };
    const int border = open(d).zones[1].lowKey, key = border - 2;
    d.noteOn(key, 100);
    CHECK_THAT(d.hearPitch(), WithinAbs(key, 0.1));
    QTest::mouseClick(lanes, Qt::LeftButton, {}, block(1).center().toPoint() + QPoint(4, 20));
    const QPointF at(block(1).left(), block(1).center().y());
    d.drag(lanes, at, at + QPointF(-5.0 * lanes->geometry().axis.keyWidth(), 0.0));
    REQUIRE(open(d).zones[1].lowKey == border - 5);
    CHECK_THAT(d.hearPitch(), WithinAbs(key + 12, 0.1));
    d.session().undo();
    CHECK_THAT(d.hearPitch(), WithinAbs(key, 0.1));
}

TEST_CASE("blocks are chosen, moved together, and what is typed is for all of them", "[app][keys]")
{
    Driver d;
    const TemporaryFolder folder;
    openTones(d, folder, {48.0, 60.0, 72.0});
    auto& keys = d.keysStop();
    auto* lanes = keys.lanes();
    const auto middle = [&](std::size_t i) {
        return lanes->blockRect(open(d).zones[i]).center().toPoint() + QPoint(4, 20);
    };
    QTest::mouseClick(lanes, Qt::LeftButton, {}, middle(1));
    CHECK(lanes->chosen() == ZoneIds{open(d).zones[1].id});
    CHECK(d.take().id == open(d).zones[1].take); // what is chosen is on screen
    QTest::mouseClick(lanes, Qt::LeftButton, Qt::ControlModifier, middle(0));
    CHECK(lanes->chosen().size() == 2);
    d.type(&keys, "Level", "-6 dB");
    CHECK(open(d).zones[0].levelDb == -6.0);
    CHECK(open(d).zones[1].levelDb == -6.0);
    CHECK(open(d).zones[2].levelDb == 0.0);
    QTest::keyClick(lanes, Qt::Key_A, Qt::ControlModifier);
    CHECK(lanes->chosen().size() == 3);
    // From field to field they differ.
    for (auto* edit : keys.findChildren<QLineEdit*>())
        if (edit->accessibleName() == "Lowest key")
            CHECK(edit->placeholderText() == "various");
    QTest::mouseClick(lanes, Qt::LeftButton, {}, middle(0));
    QTest::mouseClick(lanes, Qt::LeftButton, Qt::ShiftModifier, middle(1));
    CHECK(lanes->chosen().size() == 2);
    // A frame over empty ground chooses what it touches.
    QTest::mouseClick(lanes, Qt::LeftButton, {}, middle(2));
    d.type(&keys, "Highest key", "C6");
    const auto g = lanes->geometry();
    QTest::keyClick(lanes, Qt::Key_Escape);
    CHECK(lanes->chosen().empty());
    d.drag(lanes, {g.axis.x(100), g.y(100)}, {g.axis.x(80), g.y(60)});
    CHECK_FALSE(lanes->chosen().empty());
    QTest::keyClick(lanes, Qt::Key_Delete);
    CHECK(open(d).zones.size() < 3);
}

TEST_CASE("keys cross over where the handle is dragged", "[app][keys]")
{
    Driver d;
    const TemporaryFolder folder;
    openTones(d, folder, {48.0, 60.0, 72.0});
    auto* lanes = d.keysStop().lanes();
    QTest::mouseClick(lanes, Qt::LeftButton, {},
        lanes->blockRect(open(d).zones[1]).center().toPoint() + QPoint(4, 20));
    REQUIRE(lanes->chosen().size() == 1);
    const QPointF handle = lanes->crossoverHandle(open(d).zones[1], ZoneEdge::lowKey);
    const double key = lanes->geometry().axis.keyWidth();
    d.drag(lanes, handle, handle + QPointF(2.0 * key, 0.0));
    CHECK(open(d).zones[1].lowKeyFade == 4);
    CHECK(open(d).zones[0].highKeyFade == 4);
    CHECK(d.session().history().undoName() == "Change crossover");
}

TEST_CASE("the wheel zooms about the pointer, and a double click fits", "[app][keys]")
{
    Driver d;
    const TemporaryFolder folder;
    openTones(d, folder, {48.0, 60.0});
    auto* lanes = d.keysStop().lanes();
    const auto before = lanes->geometry().axis;
    const QPointF at(before.x(60.0), lanes->geometry().field().center().y());
    QWheelEvent wheel(at, lanes->mapToGlobal(at), {}, {0, 480}, Qt::NoButton, Qt::NoModifier,
        Qt::NoScrollPhase, false);
    QCoreApplication::sendEvent(lanes, &wheel);
    const auto closer = lanes->geometry().axis;
    CHECK(closer.keys < 0.6 * before.keys);
    CHECK_THAT(closer.x(60.0), WithinAbs(at.x(), 0.5));
    QTest::mouseDClick(lanes, Qt::LeftButton, {},
        lanes->blockRect(open(d).zones[1]).center().toPoint() + QPoint(4, 20));
    CHECK(lanes->geometry().axis.at(lanes->geometry().field().left()) < open(d).zones[1].lowKey);
}

TEST_CASE("keys that are held light the zones that answer", "[app][keys]")
{
    Driver d;
    const TemporaryFolder folder;
    openTones(d, folder, {48.0, 72.0});
    auto* lanes = d.keysStop().lanes();
    const auto lit = [&] { return lanes->sounding(); };
    CHECK(lit().empty());
    d.pressKey(50);
    for (int i = 0; i < 100 && lit().empty(); ++i)
        QTest::qWait(20);
    CHECK(lit() == std::vector<int>{open(d).zones[0].id.value});
    d.releaseKey(50);
    for (int i = 0; i < 100 && !lit().empty(); ++i)
        QTest::qWait(20);
    CHECK(lit().empty());
}

TEST_CASE("names an octave off are read so in one action, and laid out by", "[app][keys][layout]")
{
    Driver d;
    const TemporaryFolder folder;
    d.open(toneFile(folder, "horn A2.wav", 57.0));
    d.session().opening().addFiles(
        {QString::fromStdString(toneFile(folder, "horn D3 soft.wav", 62.0, 0.1)),
            QString::fromStdString(toneFile(folder, "horn D3 loud.wav", 62.0, 0.3))});
    d.settle();
    auto& keys = d.keysStop();
    const auto before = d.document();
    d.click(&keys, "Lay out…");
    d.choose(keys.layOutPanel(), "Roots", "in its name");
    d.click(&keys, "Read them so");
    CHECK(keys.layOutPanel()->options().nameShift == 12);
    d.click(&keys, "Lay out");
    CHECK(d.document().takes[0].tuning.rootKey == 57);
    CHECK(d.document().takes[1].tuning.rootKey == 62);
    CHECK(keys.lanes()->isVisible());
    CHECK(d.session().history().undoName() == "Lay out by roots");
    d.session().undo();
    CHECK(d.document() == before);
}

TEST_CASE("levels are matched after every change was shown, and taken back", "[app][keys]")
{
    Driver d;
    const TemporaryFolder folder;
    d.open(toneFile(folder, "a.wav", 48.0, 0.3));
    d.session().opening().addFiles({QString::fromStdString(toneFile(folder, "b.wav", 60.0, 0.1)),
        QString::fromStdString(toneFile(folder, "c.wav", 72.0, 0.3))});
    d.settle();
    auto& keys = d.keysStop();
    d.click(&keys, "Levels…");
    auto* table = keys.findChildren<QTableWidget*>().last();
    CHECK(table->rowCount() == 3);
    CHECK(open(d).zones[1].levelDb == 0.0); // shown, not made
    d.click(&keys, "Match");
    CHECK_THAT(open(d).zones[1].levelDb - open(d).zones[0].levelDb, WithinAbs(9.5, 1.5));
    d.click(&keys, "Levels…");
    d.click(&keys, "As recorded");
    CHECK(open(d).zones[1].levelDb == 0.0);
}

TEST_CASE(
    "a layer keeps its length on every key, prepared beside the window", "[app][keys][length]")
{
    Driver d;
    const TemporaryFolder folder;
    d.open(toneFile(folder, "tone.wav", 57.0, 0.3, 0.5));
    auto& keys = d.keysStop();
    d.type(&keys, "Lowest key", "G3");
    d.type(&keys, "Highest key", "C4");
    d.choose(&keys, "Plays", "own length");
    for (int i = 0; i < 400 && d.session().lengths().state().made < 6; ++i)
        QTest::qWait(50);
    const auto& state = d.session().lengths().state();
    CHECK(state.wanted == 6);
    CHECK(state.made == 6);
    CHECK(state.bytes > 100000);
    // Nothing of it is in the document.
    d.session().undo();
    d.settle();
    CHECK(d.session().lengths().state().wanted == 0);
}

TEST_CASE("a frozen moment is moved while it sounds", "[app][keys][grains]")
{
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    auto& keys = d.keysStop();
    d.choose(&keys, "Plays", "frozen moment");
    auto* strip = keys.findChild<PlaceStrip*>();
    REQUIRE(strip != nullptr);
    REQUIRE(strip->isVisible());
    d.pressKey(55);
    QTest::qWait(300);
    d.drag(strip, {strip->xOf(0.3), 20.0}, {strip->xOf(0.6), 20.0});
    CHECK_THAT(open(d).frozen.place, WithinAbs(0.6, 0.02));
    CHECK_THAT(d.hearPitch(), WithinAbs(55.0, 0.3));
    CHECK(d.session().player().engine().look().grains > 1);
    d.type(&keys, "Grain", "20 ms");
    CHECK(open(d).frozen.sizeSeconds == Approx(0.02));
    d.releaseKey(55);
    CHECK(d.session().history().undoName() == "Change grain size");
}

TEST_CASE("bottles, knocks and a hum become one instrument of three layers", "[app][keys][walk]")
{
    Driver d;
    const TemporaryFolder folder;
    d.open(sounds + "bottles.flac");
    d.split();
    REQUIRE(d.document().takes.size() == 6);
    const auto bottles = d.document();
    d.session().opening().addFiles({QString::fromStdString(sounds + "mooring-post.flac"),
        QString::fromStdString(sounds + "keepers-hum.flac")});
    d.settle();
    auto& keys = d.keysStop();
    // The knock and the hum leave the bottles' keys and get layers of their own.
    auto* lanes = keys.lanes();
    const auto takes = d.document().takes;
    for (const std::size_t take : {6U, 7U}) {
        d.session().showTake(takes[take].id);
        d.click(&keys, "Take off these keys");
    }
    CHECK(open(d).zones.size() == 6);
    for (const std::size_t take : {6U, 7U}) {
        d.session().edit("Add layer", [](Instrument& next) { addLayer(next); });
        d.session().showLayer(d.document().layers.back().id);
        d.session().showTake(takes[take].id);
        d.click(&keys, "Lay this take on keys");
        CHECK(open(d).zones.size() == 1);
    }
    d.choose(&keys, "Sounds", "on release");
    d.type(&keys, "Follow keys", "0 %");
    d.type(&keys, "Falls a second", "6 dB");
    REQUIRE(d.document().layers.size() == 3);
    CHECK(d.document().layers[2].fallDbPerSecond == 6.0);
    CHECK(whatLayerDoes(d.document().layers[2]) == "one sound on every key · when a key comes up");
    const auto made = d.document();
    d.saveInDialog(folder / "three.puretone");
    d.session().opening().open(QString::fromStdString((folder / "three.puretone").string()));
    d.settle();
    CHECK(d.document() == made);
    CHECK(lanes->geometry().count() == 3);
    for (int i = 0; i < 40 && d.session().history().canUndo(); ++i)
        d.session().undo();
    d.settle();
    CHECK(d.document().takes.empty());
}

TEST_CASE("bad layouts are drawn and played, none refused in silence", "[app][keys][bad-input]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto& keys = d.keysStop();
    // 5,000 zones, all over each other; a take that is removed while it sounds.
    d.session().editLayer("Many", [&](Layer& layer) {
        const Zone one = layer.zones[0];
        for (int i = 0; i < 5000; ++i) {
            Zone zone = one;
            zone.id = 100 + i;
            zone.lowKey = i % 120;
            zone.highKey = std::min(127, zone.lowKey + i % 9);
            zone.lowVelocity = 1 + i % 100;
            layer.zones.push_back(zone);
        }
    });
    d.settle();
    CHECK(open(d).zones.size() == 5001);
    keys.lanes()->repaint();
    d.pressKey(60);
    QTest::qWait(100);
    d.session().removeTake(d.take().id);
    d.settle();
    CHECK(open(d).zones.empty());
    d.releaseKey(60);
    CHECK(d.document().takes.empty());
    keys.lanes()->repaint();
}
