// SPDX-License-Identifier: GPL-3.0-or-later
// Keys, letters, buttons and MIDI keyboards play, and whatever they began ends.
#include "app/shell/docks/shelf.h"
#include "app/stops/effects/effect_card.h"
#include "app/stops/effects/effects_stop.h"
#include "app/stops/sound/chip_row.h"
#include "app/widgets/fields/choice_list.h"
#include "app/widgets/shelf_list.h"
#include "devices/device_choice.h"
#include "support/driver.h"

#include <QSettings>

using namespace probe;

namespace {

const std::string sounds = DEMO_FOLDER "/sounds/";

bool isDown(Driver& d, int key)
{
    const auto down = d.session().player().engine().keysDown();
    return ((down[std::size_t(key / 64)] >> (key % 64)) & 1U) != 0;
}

bool anyDown(Driver& d)
{
    d.hear(0.05);
    const auto down = d.session().player().engine().keysDown();
    return (down[0] | down[1]) != 0;
}

} // namespace

TEST_CASE("a letter that was pressed ends what it began, whatever has changed since", "[app][keys]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    QTest::keyPress(&d.window, Qt::Key_A);
    d.hear(0.05);
    REQUIRE(isDown(d, 48));
    SECTION("the octave")
    {
        QTest::keyClick(&d.window, Qt::Key_PageUp);
        QTest::keyRelease(&d.window, Qt::Key_A);
    }
    SECTION("the focus, which a field has taken")
    {
        auto* edit = d.window.findChild<QLineEdit*>();
        REQUIRE(edit != nullptr);
        edit->setFocus();
        QTest::keyRelease(edit, Qt::Key_A);
    }
    SECTION("a modifier that is down by now")
    {
        QTest::keyRelease(&d.window, Qt::Key_A, Qt::ShiftModifier);
    }
    SECTION("another window has the keys")
    {
        QWidget other;
        other.show();
        other.activateWindow();
        REQUIRE(QTest::qWaitForWindowActive(&other));
    }
    CHECK_FALSE(anyDown(d));
}

TEST_CASE("the root that was pressed ends, though it is another by now", "[app][keys]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    const int root = d.take().tuning.rootKey;
    const bool bySpace = GENERATE(true, false);
    auto* play = d.button(d.window.dock(), "Play root");
    if (bySpace)
        QTest::keyPress(&d.window, Qt::Key_Space);
    else
        QTest::mousePress(play, Qt::LeftButton);
    d.hear(0.05);
    REQUIRE(isDown(d, root));
    d.session().editTake("Set root", [&](Take& take) { take.tuning.rootKey = root + 3; });
    if (bySpace)
        QTest::keyRelease(&d.window, Qt::Key_Space);
    else
        QTest::mouseRelease(play, Qt::LeftButton);
    CHECK_FALSE(anyDown(d));
    CHECK_FALSE(play->isDown());
}

TEST_CASE("letters lie where they lie, whatever is printed on them", "[app][keyboard]")
{
    const auto event = [](int key, quint32 scan) {
        return QKeyEvent(QEvent::KeyPress, key, Qt::NoModifier, scan, 0, 0);
    };
    TypingKeys keys;
    // On a German keyboard Z and Y have changed places: the key right of T is the black one.
    CHECK(keys.keyOf(event(Qt::Key_Z, 29)) == 56);
    CHECK_FALSE(keys.keyOf(event(Qt::Key_Y, 52)));
    CHECK(keys.keyOf(event(Qt::Key_Odiaeresis, 47)) == 64);
    // An event that was made without a keyboard has a symbol only.
    CHECK(keys.keyOf(event(Qt::Key_Y, 0)) == 56);
}

TEST_CASE("Hold keeps what any keyboard plays, until it is played again", "[app][keys][devices]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* hold = d.window.dock()->holdButton();
    hold->click();
    const bool byMidi = GENERATE(true, false);
    const auto strike = [&](int key) {
        if (byMidi) {
            d.send(MidiEvent::noteOn(key, 100));
            d.send(MidiEvent::noteOff(key));
        } else {
            d.pressKey(key);
            d.releaseKey(key);
        }
        d.hear(0.05);
    };
    strike(57);
    CHECK(isDown(d, 57));
    strike(60);
    CHECK(isDown(d, 57));
    CHECK(isDown(d, 60));
    strike(57);
    CHECK_FALSE(isDown(d, 57));
    CHECK(isDown(d, 60));
    SECTION("Hold is let go")
    {
        hold->click();
    }
    SECTION("All off")
    {
        d.button(d.window.dock(), "All off")->click();
        CHECK_FALSE(anyDown(d));
        strike(60); // nothing is left that this would end
        CHECK(isDown(d, 60));
        hold->click();
    }
    CHECK_FALSE(anyDown(d));
}

TEST_CASE("each key bends by itself where the device panel says so", "[app][devices]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.session().player().setPerKey(true);
    d.send({MidiEvent::Kind::bend, 0, 0, 0.25f, 3}); // an octave of 48 semitones, nobody's yet
    d.send({MidiEvent::Kind::noteOn, 45, 100, 0.0f, 2});
    CHECK(std::abs(d.hearPitch() - 45.0) < 0.05);
    d.send({MidiEvent::Kind::bend, 0, 0, 0.25f, 2});
    CHECK(std::abs(d.hearPitch() - 57.0) < 0.05);
    d.session().player().setPerKey(false);
}

TEST_CASE("Space presses what has the focus, and pages turn the shelf", "[app][accessible]")
{
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    const auto press = [&](QWidget* widget, Qt::Key key) {
        REQUIRE(widget != nullptr);
        widget->setFocus();
        REQUIRE(widget->hasFocus());
        QTest::keyClick(widget, key);
        d.settle();
    };
    SECTION("a treatment's chip")
    {
        d.session().editTake("Add", [](Take& take) { take.treatments = {{Reverse{}, true}}; });
        d.goTo(Stop::sound);
        auto* chips = d.window.stop(Stop::sound)->findChild<ChipRow*>();
        chips->setFocus();
        const auto before = d.session().treating().list();
        press(chips, Qt::Key_Space);
        CHECK(d.session().treating().list() != before);
    }
    SECTION("an effect's card")
    {
        d.goTo(Stop::effects);
        static_cast<EffectsStop*>(d.window.stop(Stop::effects))->add(EffectKind::echo);
        d.settle();
        auto* card = d.window.stop(Stop::effects)->findChild<EffectCard*>();
        const bool on = d.document().effects[0].on;
        press(card, Qt::Key_Space);
        CHECK(d.document().effects[0].on != on);
    }
    SECTION("a candidate of the pitch")
    {
        d.goTo(Stop::pitch);
        auto* list = static_cast<PitchStop*>(d.window.stop(Stop::pitch))->choices();
        list->setFocus();
        QTest::keyClick(list, Qt::Key_Down);
        press(list, Qt::Key_Space);
        CHECK(d.take().tuning.source == TuningSource::byHand);
    }
    CHECK_FALSE(anyDown(d));
}

TEST_CASE("pages turn the shelf, not the octave", "[app][shelf]")
{
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    auto* list = d.window.findChild<ShelfList*>();
    REQUIRE(list != nullptr);
    list->setFocus();
    QTest::keyClick(list, Qt::Key_PageDown);
    QTest::keyPress(&d.window, Qt::Key_A);
    d.hear(0.05);
    CHECK(isDown(d, 48));
    QTest::keyRelease(&d.window, Qt::Key_A);
}

TEST_CASE("devices that were chosen are chosen again, and loop-backs only by hand", "[devices]")
{
    std::vector<DeviceName> keyboards = {{"alsa:Midi Through:Midi Through Port-0 14:0",
                                             "Midi Through:Midi Through Port-0 14:0", false},
        {"jack:a2j:midi_through", "a2j:midi_through", false},
        {"alsa:Skerry keys:out 20:0", "Skerry keys:out 20:0", false}};
    putLoopbacksLast(keyboards);
    CHECK(keyboards[0].name == "Skerry keys:out 20:0");
    CHECK(keyboards[1].name.find("Midi Through") == 0);
    CHECK(preferredDevice(keyboards, "").id == keyboards[0].id);
    CHECK(preferredDevice(keyboards, keyboards[2].id).id == keyboards[2].id);
    CHECK(preferredDevice(keyboards, "jack:gone").id == keyboards[0].id);
    // Plugged in again, it has another number.
    CHECK(preferredDevice(keyboards, "alsa:Midi Through:Midi Through Port-0 24:1").id
        == "alsa:Midi Through:Midi Through Port-0 14:0");

    Driver d;
    d.session().player().chooseMidi(simulatedId);
    d.session().player().chooseOutput(simulatedId);
    CHECK(d.session().player().preferredMidi().id == simulatedId);
    CHECK(d.session().player().preferredOutput().id == simulatedId);
    QSettings().remove("outputDevice");
    QSettings().remove("midiDevice");
}
