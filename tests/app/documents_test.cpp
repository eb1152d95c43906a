// SPDX-License-Identifier: GPL-3.0-or-later
// What a hand takes back is what it did, and what is open belongs to its document.
#include "app/stops/effects/effects_stop.h"
#include "app/stops/export/export_stop.h"
#include "app/stops/shape/shape_stop.h"
#include "app/widgets/sound_files.h"
#include "support/driver.h"

#include <QMimeData>

using namespace probe;

namespace {

const std::string sounds = DEMO_FOLDER "/sounds/";

/// A trim by hand, which no other drag may take back.
Span trimmed(Driver& d)
{
    const Span kept = d.take().kept;
    d.type(d.window.stop(Stop::sound), "Start", "150 ms");
    REQUIRE(d.take().kept != kept);
    return d.take().kept;
}

} // namespace

TEST_CASE("Esc in the drag of a split's border puts the border back, and nothing else",
    "[app][split][gesture]")
{
    Driver d;
    d.open(sounds + "bottles.flac");
    d.goTo(Stop::sound);
    const Span kept = trimmed(d);
    d.session().splitting().propose({});
    d.settle();
    const auto before = *d.session().splitting().proposal();
    auto* wave = static_cast<SoundStop*>(d.window.stop(Stop::sound))->wave();
    wave->fit({Frames{0}, Frames{d.take().audio().frames()}});
    const double border = double(before.pieces[1].span.start.value);
    const double there = border - 0.02 * d.take().rate() * 20.0;
    bool moved = false;
    d.dragHandle(wave, border, there, false, Qt::AltModifier, [&] {
        moved = d.session().splitting().proposal()->pieces != before.pieces;
        QTest::keyClick(wave, Qt::Key_Escape);
    });
    CHECK(moved);
    CHECK(d.session().splitting().proposal()->pieces == before.pieces);
    CHECK(d.take().kept == kept);
    CHECK(d.session().history().canUndo());

    // Undo goes through the proposal first, step by step, and then through the document.
    d.dragHandle(wave, border, there, false);
    REQUIRE(d.session().splitting().proposal()->pieces != before.pieces);
    CHECK(d.session().undoName() == "Change split");
    d.session().undo();
    CHECK(d.session().splitting().proposal()->pieces == before.pieces);
    d.session().redo();
    CHECK(d.session().splitting().proposal()->pieces != before.pieces);
    d.session().undo();
    d.session().undo();
    CHECK_FALSE(d.session().splitting().proposal());
    CHECK(d.take().kept == kept);
    d.session().undo();
    CHECK(d.take().kept != kept);
}

TEST_CASE("Esc in the drag of a layer's ribbon takes nothing back", "[app][keys][gesture]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::sound);
    const Span kept = trimmed(d);
    d.session().edit("Copy", [](Instrument& next) { duplicateLayer(next, next.layers[0].id); });
    auto* lanes = d.keysStop().lanes();
    d.settle();
    const auto before = d.document();
    // The layer that is not open is a ribbon.
    const std::size_t ribbon = d.session().layer().id == before.layers[0].id ? 1 : 0;
    const QPointF at = lanes->geometry().track(ribbon).center();
    d.drag(lanes, at, at + QPointF(0.0, ribbon == 1 ? -120.0 : 120.0), {},
        [&] { QTest::keyClick(lanes, Qt::Key_Escape); });
    CHECK(d.document() == before);
    CHECK(d.take().kept == kept);
}

TEST_CASE("a split proposal goes with its document and its take", "[app][split]")
{
    Driver d;
    d.open(sounds + "bottles.flac");
    d.session().splitting().propose({});
    d.settle();
    REQUIRE(d.session().splitting().proposal());
    SECTION("another one is opened")
    {
        d.open(sounds + "fog-horn.flac");
    }
    SECTION("undo goes to what was there before")
    {
        d.session().edit("Softer", [](Instrument& next) { next.layers[0].levelDb = -3.0; });
        d.session().undo(); // the document's step is newer
        CHECK(d.session().splitting().proposal());
        d.session().undo(); // the proposal
        CHECK_FALSE(d.session().splitting().proposal());
        return;
    }
    SECTION("its sound is another")
    {
        d.session().treating().set("Reverse", {{Reverse{}, true}});
        d.settle();
    }
    CHECK_FALSE(d.session().splitting().proposal());
}

TEST_CASE("panels of the stop Keys go with their document and layer", "[app][keys]")
{
    Driver d;
    d.open(sounds + "bottles.flac");
    d.split();
    auto& keys = d.keysStop();
    const QString panel = GENERATE("Levels\u2026", "Lay out\u2026");
    CAPTURE(panel.toStdString());
    d.button(&keys, panel)->click();
    d.settle();
    REQUIRE_FALSE(keys.lanes()->isVisible());
    SECTION("another instrument is opened")
    {
        d.open(sounds + "fog-horn.flac");
        d.goTo(Stop::keys);
    }
    SECTION("undo goes to another document")
    {
        while (d.session().history().canUndo())
            d.session().undo();
        d.settle();
    }
    CHECK(keys.lanes()->isVisible());
}

TEST_CASE("Steps and Octaves are one step of undo, and steps survive the way down and up",
    "[app][pattern][gesture]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.session().edit("Pattern", [](Instrument& next) {
        next.pattern.on = true;
        next.pattern.steps.resize(8);
        next.pattern.steps[6].sounds = false;
    });
    d.goTo(Stop::shape);
    auto* steps = d.lineOf(d.window.stop(Stop::shape), "Steps");
    d.focus(steps);
    const auto before = d.document();
    for (int i = 0; i < 3; ++i)
        QTest::keyClick(steps, Qt::Key_Down);
    CHECK(d.document().pattern.steps.size() == 5);
    for (int i = 0; i < 3; ++i)
        QTest::keyClick(steps, Qt::Key_Up);
    CHECK(d.document().pattern.steps == before.pattern.steps);
    QTest::keyClick(steps, Qt::Key_Down);
    d.session().undo();
    CHECK(d.document() == before);
}

TEST_CASE("printing onto a take is one step, made with the take's sound", "[app][effects][print]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::effects);
    auto* stop = static_cast<EffectsStop*>(d.window.stop(Stop::effects));
    stop->add(EffectKind::drive);
    d.settle();
    const auto before = d.document();
    d.button(stop, "Print onto this take")->click();
    // Nothing is switched off before the sound is there.
    CHECK(d.document() == before);
    SECTION("given up")
    {
        d.session().treating().drop();
        d.settle();
        CHECK(d.document() == before);
        return;
    }
    d.settle();
    CHECK(d.take().treatments.size() == before.takes[0].treatments.size() + 1);
    CHECK_FALSE(d.document().effects[0].on);
    d.session().undo();
    CHECK(d.document() == before);
}

TEST_CASE(
    "export choices are the instrument's: saved, undone, and another's are others", "[app][export]")
{
    const TemporaryFolder folder;
    {
        Driver d;
        d.open(sounds + "fog-horn.flac");
        d.goTo(Stop::write);
        d.button(d.window.stop(Stop::write), "SoundFont")->click();
        CHECK_FALSE(d.session().exporting().ticked(Product::sfz));
        d.saveInDialog(folder / "horn.puretone");
        d.open(sounds + "buoy-bell.flac");
        CHECK(d.session().exporting().ticked(Product::sfz));
        d.session().undo();
        CHECK_FALSE(d.session().exporting().ticked(Product::sfz));
        d.session().undo();
        CHECK(d.session().exporting().ticked(Product::sfz));
    }
    Driver d;
    d.open((folder / "horn.puretone").string());
    CHECK_FALSE(d.session().exporting().ticked(Product::sfz));
    CHECK(d.session().exporting().ticked(Product::soundFont));
}

TEST_CASE("every folder of a drop counts, and an address elsewhere is refused", "[app][drop]")
{
    const TemporaryFolder folder;
    for (const char* name : {"one", "two", "empty"})
        std::filesystem::create_directory(folder / name);
    for (const char* file : {"one/a.wav", "one/b.wav", "two/c.wav", "d.wav"})
        REQUIRE(
            writeWav(folder / file, mono(harmonicTone(220.0, 48000.0, 0.4)), SampleFormat::int16));
    const auto url = [&](const char* name) {
        return QUrl::fromLocalFile(QString::fromStdString((folder / name).string()));
    };
    Driver d;
    const auto drop = [&](const QList<QUrl>& urls) {
        QMimeData data;
        data.setUrls(urls);
        QDragEnterEvent enter(
            QPoint(500, 300), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QCoreApplication::sendEvent(&d.window, &enter);
        QDropEvent event(QPointF(500, 300), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QCoreApplication::sendEvent(&d.window, &event);
        d.settle();
    };
    SECTION("two folders and a file")
    {
        drop({url("one"), url("two"), url("d.wav")});
        CHECK(d.document().takes.size() == 4);
    }
    SECTION("a folder without sounds")
    {
        drop({url("empty")});
        CHECK(d.window.messages()->text().contains("no sound file"));
    }
    SECTION("an address on another computer")
    {
        drop({QUrl("https://skerry.example/horn.wav")});
        CHECK(d.window.messages()->text().contains("not on this computer"));
        CHECK(d.document().takes.empty());
    }
    SECTION("an instrument among recordings is opened, and they join it")
    {
        QMimeData data;
        data.setUrls({url("d.wav"), QUrl::fromLocalFile(DEMO_FOLDER "/skerry-light.puretone")});
        CHECK(droppedPaths(data).paths.size() == 2);
        drop(data.urls());
        CHECK(d.document().name == "Skerry Light");
        CHECK(d.document().takes.size() == 2);
    }
}
