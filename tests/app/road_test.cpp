// SPDX-License-Identifier: GPL-3.0-or-later
// The whole road in the real window, by mouse and keys only: open, trim, tune, loop, shape, save,
// reopen, undo to the start and redo to the end, hearing what comes out on the way.
#include "support/driver.h"

#include <catch2/catch.hpp>

using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

const std::string horn = std::string(DEMO_FOLDER) + "/sounds/fog-horn.flac";

void trim(Driver& d)
{
    d.goTo(Stop::sound);
    auto* wave = static_cast<SoundStop*>(d.window.stop(Stop::sound))->wave();
    const Span before = d.take().kept;
    d.dragHandle(wave, double(before.end.value), double(before.end.value) - 9600.0, false);
    // A pixel is about 200 frames here.
    CHECK_THAT(
        double(d.take().kept.end.value), WithinAbs(double(before.end.value) - 9600.0, 450.0));
    CHECK(d.take().kept.start == before.start);
    CHECK(d.session().history().undoName() == "Move end");
    d.type(d.window.stop(Stop::sound), "Start", "0.2 s");
    CHECK(d.take().kept.start.value == 9600);
}

void retune(Driver& d)
{
    d.goTo(Stop::pitch);
    auto* pitch = d.window.stop(Stop::pitch);
    d.type(pitch, "Root key", "C3");
    CHECK(d.take().tuning.rootKey == 48);
    d.pressKey(48);
    // The key that plays the recording at its own speed: two semitones more than it says.
    CHECK_THAT(d.hearPitch(), WithinAbs(46.0, 0.05));
    d.releaseKey(48);
    d.click(pitch, "Octave down");
    CHECK(d.take().tuning.rootKey == 36);
    d.click(pitch, "Use the reading again");
    CHECK(d.take().tuning.rootKey == 46);
    d.hear(0.4);
    d.pressKey(57);
    CHECK_THAT(d.hearPitch(), WithinAbs(57.0, 0.03));
    d.releaseKey(57);
}

/// Holds a key, makes the loop so short that it becomes a tone of its own, and hears that.
void loopWhileHeld(Driver& d)
{
    d.goTo(Stop::loop);
    auto* stop = static_cast<LoopStop*>(d.window.stop(Stop::loop));
    d.type(stop, "Crossfade", "0 ms");
    QTest::mouseClick(d.window.dock()->holdButton(), Qt::LeftButton);
    d.pressKey(46);
    d.releaseKey(46);
    const double natural = d.hearPitch(0.8);
    CHECK_THAT(natural, WithinAbs(46.0, 0.05));
    const double start = double(d.take().loop.span.start.value);
    // A loop of 250 frames at 48 kHz repeats 192 times a second, played 12 cents faster.
    d.type(stop, "Length", "250");
    CHECK(d.take().loop.span.length() == 250);
    stop->wave()->fit({Frames{std::int64_t(start) - 500}, Frames{std::int64_t(start) + 1500}});
    d.hear(0.1);
    const double shortLoop = d.hearPitch(0.6);
    CHECK_THAT(shortLoop, WithinAbs(midiOf(Hz{192.0}) + 0.12, 0.06));
    // The end post, dragged twice as far out: an octave lower, while the note is held.
    d.dragHandle(
        stop->wave(), start + 250.0, start + 500.0, true, Qt::AltModifier, [&] { d.hear(0.3); });
    const double length = double(d.take().loop.span.length());
    CHECK_THAT(length, WithinAbs(500.0, 5.0));
    CHECK_THAT(d.hearPitch(0.6), WithinAbs(midiOf(Hz{48000.0 / length}) + 0.12, 0.06));
    QTest::mouseClick(d.window.dock()->holdButton(), Qt::LeftButton);
    d.hear(0.6);
    CHECK(rmsDb(d.hear(0.2)) < -80.0);
}

void shape(Driver& d)
{
    d.goTo(Stop::shape);
    d.type(d.window.stop(Stop::shape), "Attack", "300 ms");
    CHECK_THAT(d.document().layers[0].envelope.attack, WithinAbs(0.3, 1e-9));
    d.pressKey(46);
    const auto rising = d.hear(0.5);
    d.releaseKey(46);
    const auto span = std::span(rising);
    CHECK(rmsDb(span.subspan(span.size() - 4800)) > rmsDb(span.first(4800)) + 6.0);
}

} // namespace

TEST_CASE("the whole road, by hand", "[app][road]")
{
    const TemporaryFolder folder;
    Driver d;
    const Instrument nothing = d.document();
    d.drop(horn);
    REQUIRE(d.session().take() != nullptr);
    CHECK(d.take().tuning.rootKey == 46);
    CHECK(d.take().loop.on);
    trim(d);
    retune(d);
    loopWhileHeld(d);
    shape(d);

    d.saveInDialog(folder / "x.puretone");
    CHECK(d.session().history().isSaved());
    const Instrument end = d.document();
    {
        Driver other;
        other.drop(folder / "x.puretone");
        CHECK(other.document() == end);
    }
    int steps = 0;
    while (d.session().history().canUndo()) {
        d.shortcut(Qt::Key_Z, Qt::ControlModifier);
        REQUIRE(++steps < 100);
    }
    CHECK(d.document() == nothing);
    while (d.session().history().canRedo()) {
        d.shortcut(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        REQUIRE(--steps > -100);
    }
    CHECK(d.document() == end);
    d.settle();
}
