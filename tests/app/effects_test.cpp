// SPDX-License-Identifier: GPL-3.0-or-later
// The stop Effects: the chain under the hand, printing, and what was just played.
#include "app/stops/effects/effects_stop.h"
#include "app/stops/effects/print_sheet.h"
#include "app/widgets/filter_view.h"
#include "base/song_time.h"
#include "effects/ready_chains.h"
#include "engine/offline/print.h"
#include "formats/formats.h"
#include "support/driver.h"

#include <QMenu>
#include <QTemporaryDir>

using namespace puretone;
using namespace puretone::app;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

const std::string sounds = SOURCE_FOLDER "/demo/sounds/";

EffectsStop* effectsOf(Driver& d)
{
    d.goTo(Stop::effects);
    return static_cast<EffectsStop*>(d.window.stop(Stop::effects));
}

std::vector<EffectKind> kindsOf(const Instrument& instrument)
{
    std::vector<EffectKind> kinds;
    for (const Effect& effect : instrument.effects)
        kinds.push_back(effect.kind);
    return kinds;
}

/// Waits for something that comes by itself.
template <class What> bool eventually(What what)
{
    for (int i = 0; i < 600 && !what(); ++i)
        QTest::qWait(10);
    return what();
}

} // namespace

TEST_CASE("a chain is built, changed and ordered by hand", "[app][effects]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    stop->add(EffectKind::drive);
    stop->add(EffectKind::echo);
    stop->add(EffectKind::reverb);
    REQUIRE(d.document().effects.size() == 3);
    CHECK(d.session().history().undoName() == "Add reverb");
    d.settle();

    SECTION("values are typed in the words of their kind")
    {
        QTest::mouseClick(stop->chain()->card(1), Qt::LeftButton, {}, QPoint(60, 12));
        d.type(stop, "Time left", "1/8");
        CHECK(valueOf(d.document().effects[1], "left") == inBeats(0.5));
        d.type(stop, "Time right", "320 ms");
        CHECK_THAT(valueOf(d.document().effects[1], "right"), WithinAbs(0.32, 1e-9));
        d.choose(stop, "Crosses over", "yes");
        CHECK(valueOf(d.document().effects[1], "crosses") == 1.0);
        d.type(stop, "Comes back", "300");
        CHECK_THAT(valueOf(d.document().effects[1], "back"), WithinAbs(0.45, 1e-9)); // refused
        QTest::mouseClick(stop->chain()->card(0), Qt::LeftButton, {}, QPoint(60, 12));
        d.type(stop, "High cut", "off");
        CHECK(valueOf(d.document().effects[0], "tone") == 20000.0);
        d.choose(stop, "Kind", "fold");
        CHECK(valueOf(d.document().effects[0], "kind") == 2.0);
    }
    SECTION("the mix is dragged on the card, one step, and Esc puts it back")
    {
        auto* mix = stop->chain()->card(2)->mix();
        const double before = mix->share(), y = mix->height() / 2.0;
        d.drag(mix, {mix->xOf(before), y}, {mix->xOf(0.8), y});
        CHECK_THAT(valueOf(d.document().effects[2], "mix"), WithinAbs(0.8, 0.02));
        d.session().undo();
        CHECK(valueOf(d.document().effects[2], "mix") == before);
        d.drag(mix, {mix->xOf(before), y}, {mix->xOf(0.1), y}, {},
            [&] { QTest::keyClick(mix, Qt::Key_Escape); });
        CHECK(valueOf(d.document().effects[2], "mix") == before);
        mix->setFocus();
        QTest::keyClick(mix, Qt::Key_Right);
        CHECK_THAT(valueOf(d.document().effects[2], "mix"), WithinAbs(before + 0.01, 1e-9));
    }
    SECTION("cards are switched, moved by dragging and by keys, and removed")
    {
        auto* chain = stop->chain();
        QTest::mouseClick(chain->card(0)->dot(), Qt::LeftButton);
        CHECK_FALSE(d.document().effects[0].on);
        // The first card to the end.
        auto* card = chain->card(0);
        const QPointF from(70.0, 12.0);
        const QPoint end = chain->card(2)->mapTo(
            d.window.stop(Stop::effects), QPoint(chain->card(2)->width() - 4, 40));
        const QPoint there = card->mapFromGlobal(d.window.stop(Stop::effects)->mapToGlobal(end));
        d.drag(card, from, there);
        CHECK(kindsOf(d.document())
            == std::vector{EffectKind::echo, EffectKind::reverb, EffectKind::drive});
        chain->card(2)->setFocus();
        QTest::keyClick(chain->card(2), Qt::Key_Left, Qt::ControlModifier);
        CHECK(kindsOf(d.document())
            == std::vector{EffectKind::echo, EffectKind::drive, EffectKind::reverb});
        QTest::keyClick(chain->card(1), Qt::Key_Delete);
        CHECK(kindsOf(d.document()) == std::vector{EffectKind::echo, EffectKind::reverb});
        d.click(stop, "Remove");
        d.click(stop, "Remove");
        CHECK(d.document().effects.empty());
        for (int i = 0; i < 3; ++i)
            d.session().undo();
        CHECK(d.document().effects.size() == 3);
    }
    SECTION("a drag that is given up moves nothing")
    {
        auto* card = stop->chain()->card(0);
        d.drag(
            card, {70.0, 12.0}, {400.0, 12.0}, {}, [&] { QTest::keyClick(card, Qt::Key_Escape); });
        CHECK(kindsOf(d.document()).front() == EffectKind::drive);
    }
}

TEST_CASE("ready chains take the place of the chain, and undo brings it back", "[app][effects]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    stop->add(EffectKind::width);
    for (int i = 0; i < int(readyChains().size()); ++i) {
        stop->useReady(i);
        CHECK(d.document().effects.size() == readyChains()[std::size_t(i)].effects.size());
    }
    for (std::size_t i = 0; i < readyChains().size(); ++i)
        d.session().undo();
    CHECK(kindsOf(d.document()) == std::vector{EffectKind::width});
}

TEST_CASE("effects are heard as they are set", "[app][effects]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    const auto loudness = [&] {
        d.noteOn(46, 110);
        (void)d.hear(0.4);
        const auto heard = d.hear(0.3);
        d.noteOff(46);
        (void)d.hear(0.4);
        return rmsDb(heard);
    };
    const double before = loudness();
    stop->add(EffectKind::equaliser);
    d.type(stop, "Shelf gain", "-24 dB");
    d.type(stop, "Shelf", "500 Hz");
    d.type(stop, "Low bell", "120 Hz");
    d.type(stop, "Low gain", "-24 dB");
    d.settle();
    CHECK(loudness() < before - 3.0);
}

TEST_CASE("a print sounds alone, knows its sources and is made anew", "[app][effects][print]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    stop->add(EffectKind::reverb);
    d.type(stop, "Decay", "0.5 s");
    d.type(stop->print(), "Held", "700 ms");
    d.settle();
    REQUIRE(eventually([&] { return d.session().printing().look() != nullptr; }));
    d.click(stop, "Print a take");
    d.settle();
    REQUIRE(d.document().takes.size() == 2);
    REQUIRE(d.document().layers.size() == 2);
    CHECK_FALSE(d.document().layers[0].on);
    CHECK_FALSE(d.document().effects[0].on);
    const Take printed = d.document().takes[1];
    REQUIRE(printed.print);
    CHECK(printed.tuning.rootKey == printed.print->plan.key);
    CHECK(d.session().take()->id == printed.id);
    CHECK_THAT(printed.audio().seconds(), WithinAbs(1.2, 0.4));

    // What was made of: another decay, and the print is made anew, longer.
    CHECK(readingOf(Stop::effects, d.document(), &printed, {}).concern.empty());
    d.session().edit("Longer", [](Instrument& next) { setValue(next.effects[0], "decay", 2.0); });
    CHECK_FALSE(readingOf(Stop::effects, d.document(), d.session().take(), {}).concern.empty());
    d.click(stop, "Print anew");
    d.settle();
    CHECK(d.document().take(printed.id)->audio().seconds() > printed.audio().seconds() + 0.3);
    CHECK(readingOf(Stop::effects, d.document(), d.session().take(), {}).concern.empty());

    // Saved and opened again it is the same.
    const QTemporaryDir folder;
    const auto file = std::filesystem::path(folder.path().toStdString()) / "p.puretone";
    REQUIRE(writeProject(d.document(), file));
    const auto again = readProject(file);
    REQUIRE(again);
    CHECK(*again == d.document());
    for (int i = 0; i < 3; ++i)
        d.session().undo();
    CHECK(d.document().takes.size() == 1);
    CHECK(d.document().layers[0].on);
}

TEST_CASE("many keys are printed into takes and files", "[app][effects][print]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    d.type(stop->print(), "Held", "200 ms");
    PrintSheet sheet(d.session(), stop);
    d.type(&sheet, "From", "36");
    d.type(&sheet, "To", "60");
    d.type(&sheet, "Every", "12");
    const auto many = sheet.many();
    CHECK(many.from == 36);
    CHECK(many.to == 60);
    const QTemporaryDir folder;
    d.session().printing().printFiles(many, folder.path());
    d.settle();
    CHECK(QDir(folder.path()).entryList({"*.wav"}).size() == 3);
    d.session().printing().printMany(many);
    d.settle();
    CHECK(d.document().takes.size() == 4);
    CHECK(d.document().layers.back().zones.size() == 3);
    CHECK(d.session().history().undoName() == "Print many keys");
}

TEST_CASE("a layer goes past the effects by its field", "[app][effects]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    stop->add(EffectKind::echo);
    d.type(stop, QString::fromStdString(d.document().layers[0].name), "25 %");
    CHECK_THAT(d.document().layers[0].toEffects, WithinAbs(0.25, 1e-9));
}

TEST_CASE("nothing to print is said where the print would stand", "[app][effects][bad]")
{
    Driver d;
    auto* stop = effectsOf(d);
    CHECK_FALSE(d.session().printing().obstacle().isEmpty());
    d.open(sounds + "fog-horn.flac");
    d.session().editLayer(
        "Narrow", [](Layer& layer) { layer.zones[0].lowKey = layer.zones[0].highKey = 90; });
    d.settle();
    d.type(stop->print(), "Key", "40");
    CHECK_FALSE(d.session().printing().obstacle().isEmpty());
    d.type(stop->print(), "Key", "90");
    CHECK(eventually([&] { return d.session().printing().look() != nullptr; }));
}

TEST_CASE(
    "effects are printed onto the take, as one step, and off it again", "[app][effects][treat]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    stop->add(EffectKind::drive);
    d.type(stop, "Drive", "24 dB");
    const auto before = d.take().audio().channels[0];
    d.click(stop, "Print onto this take");
    d.settle();
    REQUIRE(d.take().treatments.size() == 1);
    CHECK(std::holds_alternative<Colour>(d.take().treatments[0].what));
    CHECK_FALSE(d.document().effects[0].on);
    CHECK(d.take().audio().channels[0] != before);
    d.session().undo();
    d.settle();
    CHECK(d.take().treatments.empty());
    CHECK(d.document().effects[0].on);
}

TEST_CASE("an empty chain offers the ready ones", "[app][effects]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    d.click(stop, "Lamp room");
    CHECK(kindsOf(d.document()) == std::vector{EffectKind::equaliser, EffectKind::reverb});
    d.session().undo();
    CHECK(d.document().effects.empty());
}

TEST_CASE("what was just played stands as a strip and becomes a take", "[app][effects]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    d.noteOn(46, 100);
    (void)d.hear(0.6);
    d.noteOff(46);
    REQUIRE(eventually([&] {
        const auto chosen = stop->print()->strip()->chosen();
        return chosen.to > chosen.from;
    }));
    d.click(stop, "As a take");
    d.settle();
    CHECK(eventually([&] { return d.document().takes.size() == 2; }));
}

TEST_CASE(
    "an equaliser's points are dragged over the spectrum, as those of treatments", "[app][effects]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = effectsOf(d);
    stop->add(EffectKind::equaliser);
    d.settle();
    auto* curve = stop->findChild<FilterView*>();
    REQUIRE(curve != nullptr);
    REQUIRE(curve->isVisible());
    // The lower bell, up by a quarter of the picture.
    const auto from = curve->pointOf(1);
    REQUIRE(from);
    d.drag(curve, *from, {from->x(), from->y() - 30.0});
    const double lifted = valueOf(d.document().effects[0], "lowDb");
    CHECK(lifted > 5.0);
    CHECK(d.session().history().undoName() == "Change equaliser");
    d.drag(curve, *curve->pointOf(1), *curve->pointOf(1) + QPointF(0.0, 20.0), {},
        [&] { QTest::keyClick(curve, Qt::Key_Escape); });
    CHECK(valueOf(d.document().effects[0], "lowDb") == lifted);
    d.session().undo();
    CHECK(valueOf(d.document().effects[0], "lowDb") == 0.0);
    // The low cut comes in from the left.
    const auto cut = curve->pointOf(0);
    d.drag(curve, *cut, {cut->x() + 60.0, cut->y()});
    CHECK(valueOf(d.document().effects[0], "lowCut") > 20.0);
    // Another effect has no such curve.
    stop->add(EffectKind::drive);
    CHECK_FALSE(curve->isVisible());
}
