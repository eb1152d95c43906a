// SPDX-License-Identifier: GPL-3.0-or-later
// The shelf: a folder looked through by ear, from which sounds are brought in.
#include "support/driver.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace puretone;
using namespace puretone::app;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

void writeTone(const std::filesystem::path& path, double midi, double seconds = 1.5)
{
    REQUIRE(writeWav(
        path, mono(harmonicTone(hzOf(midi).value, 48000.0, seconds)), SampleFormat::int16));
}

/// Waits until the shelf shows so many sounds.
void waitForCount(Driver& d, int count)
{
    for (int i = 0; i < 400 && d.window.shelf()->list()->count() != count; ++i)
        QTest::qWait(10);
    REQUIRE(d.window.shelf()->list()->count() == count);
}

/// Waits until what is heard has this pitch.
bool hears(Driver& d, double midi)
{
    for (int i = 0; i < 12; ++i)
        if (std::abs(d.hearPitch(0.3) - midi) < 0.2)
            return true;
    return false;
}

} // namespace

TEST_CASE(
    "sounds of a folder are heard by arrow keys, at their pitch or on a held key", "[app][shelf]")
{
    const TemporaryFolder folder;
    // Long enough to be heard out on a machine that does other things, too.
    writeTone(folder / "a hum A3.wav", 57.0, 8.0);
    writeTone(folder / "b bell.wav", 67.0, 8.0);
    std::ofstream(folder / "c broken.wav") << "no sound";
    Driver d;
    auto* shelf = d.window.shelf();
    CHECK_FALSE(shelf->isOpen()); // folded away at first
    d.shortcut(Qt::Key_L, Qt::ControlModifier);
    CHECK(shelf->isOpen());
    shelf->setFolder(QString::fromStdString(folder.path().string()));
    waitForCount(d, 3);
    auto* list = shelf->list();
    list->setFocus();
    QTest::keyClick(list, Qt::Key_Down);
    CHECK(hears(d, 57.0));
    CHECK(d.document().takes.empty()); // nothing was brought in
    // On the key that is held: the hum says its note, the bell does not, so middle C is its pitch.
    d.pressKey(67);
    CHECK(hears(d, 67.0));
    QTest::keyClick(list, Qt::Key_Down);
    CHECK(hears(d, 74.0));
    d.releaseKey(67);
    QTest::keyClick(list, Qt::Key_Right);
    CHECK(hears(d, 67.0)); // and at its own pitch without one
    // What is no sound is said, and the list goes on.
    QTest::keyClick(list, Qt::Key_Down);
    d.settle();
    CHECK(list->chosen().endsWith("c broken.wav"));
    QTest::keyClick(list, Qt::Key_Up);
    // Enter brings in.
    QTest::keyClick(list, Qt::Key_Return);
    d.settle();
    REQUIRE(d.document().takes.size() == 1);
    CHECK(d.document().takes[0].name == "b bell");
    CHECK(d.take().tuning.rootKey == 67);
}

TEST_CASE("a sound takes the place of a take, whose keys and shape stay", "[app][shelf]")
{
    const TemporaryFolder folder;
    writeTone(folder / "other.wav", 60.0, 2.0);
    writeTone(folder / "first.wav", 57.0, 2.0);
    Driver d;
    d.open((folder / "first.wav").string());
    d.session().editLayer("Shape", [](Layer& layer) {
        layer.envelope.attack = 0.4;
        layer.zones[0].lowKey = 40;
        layer.zones[0].highKey = 70;
    });
    d.session().editTake("Loop", [](Take& take) { take.loop.mode = LoopMode::untilRelease; });
    const auto before = d.document();
    auto* shelf = d.window.shelf();
    shelf->unfold(true);
    shelf->setFolder(QString::fromStdString(folder.path().string()));
    waitForCount(d, 2);
    shelf->search()->setText("OTH");
    CHECK(shelf->list()->count() == 1);
    shelf->list()->choose(0);
    d.settle();
    d.click(shelf, "In place of first");
    d.settle();
    REQUIRE(d.document().takes.size() == 1);
    CHECK(d.take().name == "other");
    CHECK(d.take().tuning.rootKey == 60);
    CHECK(d.take().loop.mode == LoopMode::untilRelease);
    CHECK(d.document().layers == before.layers);
    d.session().undo();
    CHECK(d.document() == before);
}

TEST_CASE("ten thousand files are no more work than those in sight", "[app][shelf]")
{
    const TemporaryFolder folder;
    writeTone(folder / "tone 00000.wav", 60.0, 0.1);
    for (int i = 1; i < 10000; ++i) {
        char name[40];
        std::snprintf(name, sizeof name, "tone %05d.wav", i);
        std::filesystem::create_hard_link(folder / "tone 00000.wav", folder / name);
    }
    Driver d;
    auto* shelf = d.window.shelf();
    int looked = 0;
    QObject::connect(shelf->list(), &ShelfList::lookWanted,
        [&](const QStringList& paths) { looked += int(paths.size()); });
    shelf->unfold(true);
    shelf->setFolder(QString::fromStdString(folder.path().string()));
    waitForCount(d, 10000);
    shelf->search()->setText("77 tone");
    CHECK(shelf->list()->count() == 280); // 77 somewhere in four digits
    shelf->search()->setText("");
    CHECK(shelf->list()->count() == 10000);
    shelf->list()->setFocus();
    QTest::keyClick(shelf->list(), Qt::Key_End);
    d.settle();
    CHECK(shelf->list()->chosen().endsWith("tone 09999.wav"));
    CHECK(looked < 200);
    CHECK(d.document().takes.empty());
}

TEST_CASE("a sound let go over a lane joins that layer", "[app][shelf][keys]")
{
    const TemporaryFolder folder;
    writeTone(folder / "low.wav", 48.0);
    writeTone(folder / "high.wav", 72.0);
    Driver d;
    d.open((folder / "low.wav").string());
    d.session().edit("Add layer", [](Instrument& next) { addLayer(next); });
    auto* lanes = d.keysStop().lanes();
    QMimeData sound;
    sound.setUrls({QUrl::fromLocalFile(QString::fromStdString((folder / "high.wav").string()))});
    const QPointF at = lanes->geometry().lane(1).center();
    QDragEnterEvent enter(at.toPoint(), Qt::CopyAction, &sound, Qt::LeftButton, Qt::NoModifier);
    QCoreApplication::sendEvent(lanes, &enter);
    REQUIRE(enter.isAccepted());
    QDropEvent drop(at, Qt::CopyAction, &sound, Qt::LeftButton, Qt::NoModifier);
    QCoreApplication::sendEvent(lanes, &drop);
    d.settle();
    REQUIRE(d.document().takes.size() == 2);
    CHECK(d.document().layers[0].zones.size() == 1);
    REQUIRE(d.document().layers[1].zones.size() == 1);
    CHECK(d.document().layers[1].zones[0].take == d.document().takes[1].id);
}
