// SPDX-License-Identifier: GPL-3.0-or-later
// The Pitch stop by hand: nudging, the trial tone, mending, naming.
#include "audio/level.h"
#include "support/driver.h"

#include <catch2/catch.hpp>

using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

const std::string horn = std::string(DEMO_FOLDER) + "/sounds/fog-horn.flac";
const std::string knock = std::string(DEMO_FOLDER) + "/sounds/mooring-post.flac";

PitchStop* pitchStop(Driver& d)
{
    return static_cast<PitchStop*>(d.window.stop(Stop::pitch));
}

/// A hum with vibrato and a whistle, as a file.
std::string whistledHum(const TemporaryFolder& folder)
{
    std::vector<float> wave(std::size_t(3.0 * 48000.0));
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / 48000.0;
        phase += 220.0 * std::exp2(40.0 * std::sin(twoPi * 5.5 * t) / 1200.0) / 48000.0;
        for (int h = 1; h <= 10; ++h)
            wave[i] += float(0.1 / h * std::sin(twoPi * h * phase + h));
        wave[i] += float(0.02 * std::sin(twoPi * 1430.0 * t));
    }
    const auto path = folder / "whistled hum.wav";
    REQUIRE(writeWav(path, mono(std::move(wave)), SampleFormat::float32));
    return path.string();
}

double spreadOfLine(const Session& session)
{
    const auto movement = measureMovement(*session.pictures().pitchLine());
    return movement ? movement->spread : 0.0;
}

} // namespace

TEST_CASE("arrow keys nudge the fine tuning, one run of them is one step", "[app][pitch]")
{
    Driver d;
    d.open(horn);
    d.goTo(Stop::pitch);
    auto* line = pitchStop(d)->line();
    const double before = d.take().tuning.fineCents;
    QTest::keyClick(line, Qt::Key_Up);
    CHECK_THAT(d.take().tuning.fineCents, WithinAbs(before + 1.0, 1e-9));
    QTest::keyClick(line, Qt::Key_Down, Qt::ShiftModifier);
    CHECK_THAT(d.take().tuning.fineCents, WithinAbs(before + 0.9, 1e-9));
    QTest::keyClick(line, Qt::Key_Up, Qt::ControlModifier);
    CHECK_THAT(d.take().tuning.fineCents, WithinAbs(before + 10.9, 1e-9));
    const int root = d.take().tuning.rootKey;
    QTest::keyClick(line, Qt::Key_Plus);
    CHECK(d.take().tuning.rootKey == root + 12);
    QTest::keyClick(line, Qt::Key_Minus);
    QTest::keyClick(line, Qt::Key_Minus);
    CHECK(d.take().tuning.rootKey == root - 12);
    CHECK(d.session().history().undoName() == "Octave down");
}

TEST_CASE("what ends before a beat does stands still, and beats where it goes round",
    "[app][pitch][beating]")
{
    Driver d;
    d.open(knock);
    REQUIRE_FALSE(d.take().loop.on);
    d.goTo(Stop::pitch);
    auto* stop = pitchStop(d);
    const auto said = [&] {
        d.settle();
        for (auto* label : stop->findChildren<QLabel*>())
            if (label->accessibleName() == "Beating")
                return label->text();
        return QString();
    };
    d.settle();
    d.click(stop, "Stand still");
    CHECK(said().contains("Stands still"));
    d.session().editTake("Tune", [](Take& t) { t.tuning.fineCents += 2.0; });
    CHECK(said().contains("Stands still as long as it lasts"));
    d.session().editTake("Loop on", [](Take& t) { t.loop.on = true; });
    REQUIRE(d.take().loop.repeats());
    CHECK(said().contains("beats a second"));
    d.session().undo();
    CHECK(said().contains("Stands still as long as it lasts"));
    d.session().editLayer("Freeze", [](Layer& l) { l.manner = Manner::frozen; });
    CHECK(said().contains("beats a second"));
}

TEST_CASE("the trial tone sounds beside the take until the stop is left", "[app][pitch]")
{
    Driver d;
    d.open(horn);
    d.goTo(Stop::pitch);
    auto* stop = pitchStop(d);
    auto& trial = d.session().player().trial();
    d.settle();
    CHECK_FALSE(trial.on());
    d.click(stop, "Hear both");
    CHECK(trial.on());
    CHECK(rmsDb(d.hear(0.4)) > -40.0);
    SECTION("a wrong tuning beats, and one click makes it stand still")
    {
        const double right = d.take().tuning.fineCents;
        d.type(stop, "Fine tune", "+9 ct");
        d.click(stop, "Stand still");
        CHECK_THAT(d.take().tuning.fineCents, WithinAbs(right, 4.0));
    }
    SECTION("another key is judged by its own tone")
    {
        trial.setLevel(0.0);
        d.pressKey(53);
        d.hear(0.5);
        CHECK_THAT(d.hearPitch(0.6), WithinAbs(53.0, 0.1));
        d.releaseKey(53);
        d.hear(0.5);
        CHECK(trial.on());
        CHECK_THAT(d.hearPitch(0.6), WithinAbs(double(d.take().tuning.rootKey), 0.1));
    }
    SECTION("all notes off ends it, too")
    {
        d.hear(0.3);
        d.session().player().allOff();
        d.hear(0.3);
        QTest::qWait(100);
        CHECK_FALSE(trial.on());
    }
    d.goTo(Stop::loop);
    CHECK_FALSE(trial.on());
    d.hear(1.0);
    CHECK(rmsDb(d.hear(0.2)) < -80.0);
}

TEST_CASE("straightening is a treatment: listed, heard in the line, undone", "[app][pitch]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(whistledHum(folder));
    d.goTo(Stop::pitch);
    d.settle();
    REQUIRE(d.session().pictures().pitchLine());
    CHECK(spreadOfLine(d.session()) > 20.0);
    d.type(pitchStop(d), "Vibrato", "100 %");
    d.settle();
    REQUIRE(d.take().treatments.size() == 1);
    CHECK(std::holds_alternative<Straighten>(d.take().treatments[0].what));
    d.settle();
    CHECK(spreadOfLine(d.session()) < 4.0);
    d.type(pitchStop(d), "Vibrato", "0 %");
    CHECK(d.take().treatments.empty());
    d.session().undo();
    d.session().undo();
    CHECK(d.take().treatments.empty());
    CHECK(d.take().sound() == d.take().recording->audio);
}

TEST_CASE("a tone is marked in the spectrum, taken out, heard alone and left in", "[app][pitch]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(whistledHum(folder));
    d.goTo(Stop::pitch);
    d.settle();
    auto* stop = pitchStop(d);
    auto* spectrum = stop->spectrum();
    QTest::mouseClick(
        spectrum, Qt::LeftButton, {}, QPoint(int(spectrum->xOf(1430.0)), spectrum->height() / 2));
    const double loud = peak(d.take().audio().channel(0));
    d.click(stop, "Remove the tone at 1.43 kHz");
    d.settle();
    REQUIRE(d.take().treatments.size() == 1);
    const auto tone = std::get<RemoveTone>(d.take().treatments[0].what);
    CHECK_THAT(tone.hz, WithinAbs(1430.0, 3.0));
    d.click(stop, "Hear it alone");
    d.settle();
    CHECK(peak(d.take().audio().channel(0)) < 0.15 * loud);
    d.click(stop, "Hear it alone");
    d.settle();
    CHECK(peak(d.take().audio().channel(0)) > 0.8 * loud);
    d.click(stop, "Leave it in");
    CHECK(d.take().treatments.empty());
}

TEST_CASE("another A4 is heard on the keys and undone", "[app][pitch]")
{
    Driver d;
    d.open(horn);
    d.goTo(Stop::pitch);
    d.type(pitchStop(d), "A4 sounds at", "432 Hz");
    CHECK(d.document().a4 == 432.0);
    d.pressKey(57);
    CHECK_THAT(d.hearPitch(0.8), WithinAbs(57.0 + 12.0 * std::log2(432.0 / 440.0), 0.05));
    d.releaseKey(57);
    d.session().undo();
    CHECK(d.document().a4 == 440.0);
    d.type(pitchStop(d), "A4 sounds at", "500 Hz");
    CHECK(d.document().a4 == 440.0);
}

TEST_CASE("notes are looked up in a table", "[app][pitch]")
{
    Driver d;
    d.goTo(Stop::pitch);
    auto* table = pitchStop(d)->table();
    d.click(pitchStop(d), "Look up a note…");
    CHECK(table->isVisible());
    QTest::keyClicks(table->search(), "233 Hz");
    CHECK_FALSE(table->table()->isRowHidden(58));
    CHECK(table->table()->isRowHidden(57));
    CHECK(table->table()->item(58, 2)->text().startsWith("233.08"));
    table->hide();
}
