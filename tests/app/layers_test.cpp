// SPDX-License-Identifier: GPL-3.0-or-later
// Layers, by hand: made, switched, named, ordered, given takes, saved and written.
#include "app/stops/export/export_stop.h"
#include "support/driver.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace puretone::app;
using namespace probe;
using Catch::Matchers::Contains;

namespace {

const std::string sounds = DEMO_FOLDER "/sounds/";

} // namespace

TEST_CASE("three layers are made in the window, saved, reopened equal and written", "[app][layers]")
{
    Driver d;
    const TemporaryFolder folder;
    d.open(sounds + "fog-horn.flac");
    d.session().opening().addFiles({QString::fromStdString(sounds + "mooring-post.flac"),
        QString::fromStdString(sounds + "keepers-hum.flac")});
    d.settle();
    REQUIRE(d.document().takes.size() == 3);
    auto& keys = d.keysStop();
    // A second layer, in turn, of the knock and the hum.
    d.session().edit("Add layer", [](Instrument& next) { addLayer(next); });
    d.session().showLayer(d.document().layers[1].id);
    REQUIRE(d.document().layers.size() == 2);
    CHECK(d.session().layer().id == d.document().layers[1].id);
    for (const std::size_t take : {1U, 2U}) {
        d.session().showTake(d.document().takes[take].id);
        d.click(&keys, "Lay this take on keys");
    }
    d.choose(&keys, "Same keys", "in turn");
    CHECK(d.document().layers[1].zones.size() == 2);
    CHECK(d.document().layers[1].sameKeys == SameKeys::inTurn);
    // A third one on release, which does not follow the keys: a copy, changed.
    keys.copyLayerAs(LayerCopy::same);
    d.settle();
    REQUIRE(d.document().layers.size() == 3);
    d.choose(&keys, "Sounds", "on release");
    d.session().editLayer("Follow", [](Layer& layer) { layer.follow = 0.0; });
    CHECK(d.document().layers[2].when == SoundsWhen::release);
    CHECK(d.document().layers[2].follow == 0.0);
    CHECK(d.document().layers[1].follow == 1.0);
    const auto before = d.document();
    d.saveInDialog(folder / "pipe.puretone");
    d.session().opening().open(QString::fromStdString((folder / "pipe.puretone").string()));
    d.settle();
    CHECK(d.document() == before);
    // What a SoundFont leaves out is said before anything is written.
    d.goTo(Stop::write);
    d.settle();
    QStringList said;
    for (auto* label : d.window.stop(Stop::write)->findChildren<QLabel*>())
        if (label->isVisible())
            said << label->text();
    CHECK_THAT(said.join(" ").toStdString(), Contains("is left out: a SoundFont knows no sounds"));
    // Steps are undone one by one.
    d.session().undo();
    d.session().undo();
    CHECK(d.document().layers[2].follow == 1.0);
}

TEST_CASE("layers are opened, switched, named, moved and removed at their lanes", "[app][layers]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto& keys = d.keysStop();
    auto* lanes = keys.lanes();
    keys.copyLayerAs(LayerCopy::same);
    d.settle();
    REQUIRE(d.document().layers.size() == 2);
    const auto first = d.document().layers[0].id, second = d.document().layers[1].id;
    CHECK(d.session().layer().id == second);
    const auto dot = [&](std::size_t i) { return lanes->geometry().dot(i).center().toPoint(); };
    QTest::mouseClick(lanes, Qt::LeftButton, {}, dot(0));
    CHECK_FALSE(d.document().layers[0].on);
    CHECK(d.session().layer().id == second); // switching is not opening
    // Alone, and all again.
    QTest::mouseClick(lanes, Qt::LeftButton, Qt::AltModifier, dot(0));
    CHECK(d.document().layers[0].on);
    CHECK_FALSE(d.document().layers[1].on);
    QTest::mouseClick(lanes, Qt::LeftButton, Qt::AltModifier, dot(0));
    CHECK(d.document().layers[1].on);
    QTest::mouseClick(lanes, Qt::LeftButton, {}, lanes->geometry().track(0).center().toPoint());
    CHECK(d.session().layer().id == first);
    QTest::keyClick(lanes, Qt::Key_Return);
    CHECK_FALSE(d.document().layers[0].on);
    d.session().undo();
    // F2 leads to the name.
    QTest::keyClick(lanes, Qt::Key_F2);
    auto* name = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    REQUIRE(name != nullptr);
    QTest::keyClicks(name, "Low horn");
    QTest::keyClick(name, Qt::Key_Return);
    CHECK(d.document().layers[0].name == "Low horn");
    lanes->setFocus();
    QTest::keyClick(lanes, Qt::Key_Down, Qt::AltModifier);
    CHECK(d.document().layers[1].id == first);
    // By hand it goes back.
    const auto g = lanes->geometry();
    d.drag(lanes, g.name(1).center(), g.lane(0).center());
    CHECK(d.document().layers[0].id == first);
    QTest::keyClick(lanes, Qt::Key_Down);
    CHECK(d.session().layer().id == second);
    d.click(&keys, "Remove");
    REQUIRE(d.document().layers.size() == 1);
    CHECK(d.document().layers[0].id == first);
}

TEST_CASE(
    "a tied bass: one note, a glide and the wheel's reach are fields of the shape", "[app][layers]")
{
    Driver d;
    d.open(sounds + "mooring-post.flac");
    d.goTo(Stop::shape);
    d.choose(d.window.stop(Stop::shape), "Notes", "one, tied");
    CHECK(d.document().layers[0].notes == Notes::tied);
    d.type(d.window.stop(Stop::shape), "Glide", "200 ms");
    d.type(d.window.stop(Stop::shape), "Bend", "12");
    d.type(d.window.stop(Stop::shape), "Unison", "3");
    d.type(d.window.stop(Stop::shape), "Detune", "7 ct");
    d.type(d.window.stop(Stop::shape), "Width", "80 %");
    CHECK(d.session().layer().unison == Unison{3, 7.0, 0.8});
    CHECK(d.document().layers[0].glide.seconds == Approx(0.2));
    CHECK(d.document().layers[0].bendSemitones == 12.0);
}

TEST_CASE("takes that share a root take turns after one click, and undo brings them back",
    "[app][layers][layout]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.session().opening().addFiles({QString::fromStdString(sounds + "fog-horn.flac"),
        QString::fromStdString(sounds + "buoy-bell.flac")});
    d.settle();
    REQUIRE(d.document().takes.size() == 3);
    const auto before = d.document();
    d.goTo(Stop::keys);
    d.click(d.window.stop(Stop::keys), "Lay out…");
    d.click(d.window.stop(Stop::keys), "Lay out");
    d.settle();
    CHECK(d.document().layers[0].sameKeys == SameKeys::inTurn);
    CHECK(d.session().history().undoName() == "Lay out by roots");
    d.session().undo();
    CHECK(d.document() == before);
    // The same is offered where a chosen one says that they sound together.
    auto& keys = d.keysStop();
    const auto& zones = d.document().layers[0].zones;
    QTest::mouseClick(
        keys.lanes(), Qt::LeftButton, {}, keys.lanes()->blockRect(zones[0]).center().toPoint());
    d.click(&keys, "Take turns");
    CHECK(d.document().layers[0].sameKeys == SameKeys::inTurn);
    for (auto* button : keys.findChildren<QPushButton*>())
        CHECK((button->text() != "Take turns" || !button->isVisible()));
}
