// SPDX-License-Identifier: GPL-3.0-or-later
// The stop Sound: treatments, fades, recording, driven by hand.
#include "audio/level.h"
#include "engine/program/prepared.h"
#include "support/driver.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace probe;
using Catch::Matchers::Contains;

namespace {

const std::string sounds = std::string(DEMO_FOLDER) + "/sounds/";

SoundStop& soundStop(Driver& d)
{
    return *static_cast<SoundStop*>(d.window.stop(Stop::sound));
}
QPoint middleOf(ChipRow* chips, int index)
{
    return chips->chipRect(index).center().toPoint();
}
void waitFor(const std::function<bool()>& done, int mostMs = 5000)
{
    for (int ms = 0; ms < mostMs && !done(); ms += 10)
        QTest::qWait(10);
}

} // namespace

TEST_CASE("treatments are added, switched, moved, changed and undone by hand", "[app][treat]")
{
    Driver d;
    d.drop(sounds + "fog-horn.flac");
    const auto before = d.document();
    auto* panel = soundStop(d).treatments();
    auto* chips = panel->chips();
    panel->add(PassFilter{PassFilter::Cut::low, 30.0, 24});
    panel->add(Level{});
    d.settle();
    REQUIRE(d.take().treatments.size() == 2);
    CHECK(d.take().sound() != d.take().recording->audio);
    CHECK(peakLevel(d.take().audio(), d.take().kept).value == Approx(-1.0).margin(0.01));

    // The values of the chosen chip stand in the details; a new one is chosen.
    QTest::mouseClick(chips, Qt::LeftButton, {}, middleOf(chips, 0));
    CHECK(chips->chosenChip() == 0);
    QTest::mouseClick(chips, Qt::LeftButton, {}, middleOf(chips, 1));
    CHECK(panel->fields()->isVisible());
    d.type(panel->fields(), "Peak", "-12 dB");
    CHECK(peakLevel(d.take().audio(), d.take().kept).value == Approx(-12.0).margin(0.01));
    CHECK(d.session().history().undoName() == "Change level");

    // Off and on again; a second step each.
    QTest::mouseDClick(chips, Qt::LeftButton, {}, middleOf(chips, 1));
    d.settle();
    CHECK_FALSE(d.take().treatments[1].on);
    CHECK(peakLevel(d.take().audio(), d.take().kept).value > -11.0);
    d.shortcut(Qt::Key_Z, Qt::ControlModifier);
    d.settle();
    CHECK(d.take().treatments[1].on);

    // Dragged before the first one.
    const QPointF from = chips->chipRect(1).center();
    d.drag(chips, from, from - QPointF(from.x() - 4.0, 0.0));
    CHECK(std::holds_alternative<Level>(d.take().treatments[0].what));
    // By keyboard: back again, then removed.
    chips->setFocus();
    QTest::keyClick(chips, Qt::Key_Left);
    QTest::keyClick(chips, Qt::Key_Left);
    QTest::keyClick(chips, Qt::Key_Right, Qt::ControlModifier);
    d.settle();
    CHECK(std::holds_alternative<PassFilter>(d.take().treatments[0].what));
    QTest::keyClick(chips, Qt::Key_Delete);
    d.settle();
    CHECK(d.take().treatments.size() == 1);
    while (d.session().history().undoName() != "Open fog-horn.flac") {
        d.shortcut(Qt::Key_Z, Qt::ControlModifier);
        d.settle();
    }
    CHECK(d.document() == before);
}

TEST_CASE("a filter is dragged over the spectrum as one step, and Esc puts it back", "[app][treat]")
{
    Driver d;
    d.drop(sounds + "fog-horn.flac");
    auto* panel = soundStop(d).treatments();
    panel->add(Band{Band::Shape::bell, 500.0, 0.0, 1.0});
    d.settle();
    auto* view = panel->filters();
    REQUIRE(view->isVisible());
    const auto point = *view->pointOf(0);
    d.drag(view, point, point + QPointF(80.0, -30.0));
    const auto band = std::get<Band>(d.take().treatments[0].what);
    CHECK(band.hz > 700.0);
    CHECK(band.gainDb > 4.0);
    CHECK(d.session().history().undoName() == "Change band");
    d.shortcut(Qt::Key_Z, Qt::ControlModifier);
    d.settle();
    CHECK(std::get<Band>(d.take().treatments[0].what).hz == 500.0);
    const auto before = d.document();
    d.drag(view, *view->pointOf(0), *view->pointOf(0) + QPointF(60.0, 0.0), {},
        [&] { QTest::keyClick(view, Qt::Key_Escape); });
    CHECK(d.document() == before);
}

TEST_CASE("undo right after a treatment takes it back, ready or not", "[app][treat]")
{
    Driver d;
    d.drop(sounds + "fog-horn.flac");
    const auto before = d.document();
    soundStop(d).treatments()->add(Reverse{});
    CHECK(d.session().treating().list().size() == 1); // shown at once
    d.session().undo();
    d.settle();
    CHECK(d.document() == before);
    CHECK(d.session().treating().list().empty());
}

TEST_CASE("a long treated sound that nobody has kept is made again for undo", "[app][treat]")
{
    Driver d;
    // More than waits for undo.
    std::vector<float> wave(13'000'000);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(0.2 * std::sin(0.05 * double(i)));
    const TemporaryFolder folder;
    REQUIRE(writeBytes(folder / "long.wav", encodeWav(mono(wave), SampleFormat::int16, {})));
    d.drop(folder / "long.wav");
    const auto setLevel = [&](double gain) {
        d.session().treating().set("Level", {{Level{Level::To::gain, gain, {}}}});
        d.settle();
    };
    setLevel(-6.0);
    const auto before = d.document();
    const float heard = d.take().audio().channels[0][20'000];
    setLevel(-12.0);
    CHECK(d.take().audio().channels[0][20'000] == Approx(0.5 * heard).epsilon(0.01));
    d.session().undo();
    d.settle();
    CHECK(d.document() == before);
    CHECK_FALSE(lacksSound(d.document()));
    CHECK(d.take().audio().channels[0][20'000] == heard);
}

TEST_CASE("what nobody knows about a take is found when it is looked at", "[app][facts]")
{
    Driver d;
    d.drop(sounds + "fog-horn.flac");
    const auto known = *d.take().facts;
    d.session().editTake("forget", [](Take& t) { t.facts.forget(); });
    const auto step = d.session().history().undoName();
    d.settle();
    REQUIRE(d.take().facts.known());
    CHECK(d.take().facts->pitch == known.pitch);
    CHECK(d.session().history().undoName() == step); // no step of its own
}

TEST_CASE("reversing keeps the same sound, seen from the other end, and is heard", "[app][treat]")
{
    Driver d;
    d.drop(sounds + "buoy-bell.flac");
    const Take before = d.take();
    soundStop(d).treatments()->add(Reverse{});
    d.settle();
    const Take after = d.take();
    const auto frames = before.audio().frames();
    CHECK(after.kept == mirrored(before.kept, frames));
    CHECK(after.audio().channels[0].front() == before.audio().channels[0].back());
    CHECK(after.tuning.rootKey == before.tuning.rootKey);
    d.session().editTake("no loop", [](Take& t) { t.loop.on = false; });
    d.settle();
    d.pressKey(after.tuning.rootKey);
    const auto heard = d.hear(1.0);
    d.releaseKey(after.tuning.rootKey);
    // A bell backwards grows.
    const auto half = heard.size() / 2;
    CHECK(rmsDb({heard.data() + half, half}) > rmsDb({heard.data(), half}));
}

TEST_CASE("what is kept is still in view when a long recording is turned round", "[app][treat]")
{
    const TemporaryFolder folder;
    const auto path = folder / "early.wav";
    REQUIRE(writeWav(path, mono(harmonicTone(220.0, 48000.0, 1.0) + silence(48000.0, 5.0)),
        SampleFormat::int16));
    Driver d;
    d.drop(path.string());
    d.goTo(Stop::sound);
    const auto shows = [&](const WaveView& wave) {
        const auto& g = wave.geometryOfWave();
        const Span kept = d.take().kept;
        return g.frameAt(g.area.left()) <= double(kept.start.value)
            && g.frameAt(g.area.right()) >= double(kept.end.value);
    };
    auto& stop = soundStop(d);
    REQUIRE(shows(*stop.wave()));
    stop.treatments()->add(Reverse{});
    d.settle();
    REQUIRE(d.take().kept.start.value > 4 * 48000);
    CHECK(shows(*stop.wave()));
}

TEST_CASE("treatments are copied to all takes, each measured by itself", "[app][treat]")
{
    Driver d;
    d.session().opening().addFiles({QString::fromStdString(sounds + "fog-horn.flac"),
        QString::fromStdString(sounds + "keepers-hum.flac")});
    d.settle();
    auto* panel = soundStop(d).treatments();
    panel->add(Level{Level::To::peak, -6.0, {}});
    d.settle();
    d.click(panel->fields(), "Treat all takes alike");
    for (const auto& take : d.document().takes) {
        CHECK(take.treatments.size() == 1);
        CHECK(peakLevel(take.audio(), take.kept).value == Approx(-6.0).margin(0.01));
    }
}

TEST_CASE("a treated instrument comes back from its file as it was", "[app][treat]")
{
    const TemporaryFolder folder;
    Driver d;
    d.drop(sounds + "fog-horn.flac");
    auto* panel = soundStop(d).treatments();
    panel->add(PassFilter{});
    panel->add(EvenOut{0.7, {}});
    panel->add(Reverse{});
    d.settle();
    d.saveInDialog(folder / "horn.puretone");
    const Take saved = d.take();
    Driver other;
    other.open((folder / "horn.puretone").string());
    CHECK(other.take() == saved);
    CHECK(other.take().audio() == saved.audio());
}

TEST_CASE("fades are dragged on the wave and shaped", "[app][fades]")
{
    Driver d;
    d.drop(sounds + "mooring-post.flac");
    d.session().editTake("no loop", [](Take& t) { t.loop.on = false; });
    auto& stop = soundStop(d);
    const auto start = d.take().kept.start.value;
    const double inEnd = fadePlan(d.take()).inEnd;
    d.dragHandle(stop.wave(), inEnd, inEnd + 4800.0, true);
    CHECK(d.take().fades.inSeconds == Approx(0.1).margin(0.01));
    CHECK(d.take().kept.start.value == start);
    d.session().editTake("shape", [](Take& t) { t.fades.inShape = FadeShape::soft; });
    CHECK(fadePlan(d.take()).at(double(start) + 2400.0) == Approx(0.5).margin(0.05));
    d.type(&stop, "Fade in", "0.01 ms");
    CHECK(d.take().fades.inSeconds == shortestFade);
    d.type(&stop, "Fade in", "0 ms");
    CHECK(d.take().fades.inSeconds == 0.0);
}

TEST_CASE("what is kept of a line is tuned by itself, in the step that trimmed it", "[app][trim]")
{
    const TemporaryFolder folder;
    const auto path = folder / "line.wav";
    // Two notes, the first one longer: A3, then D#4.
    REQUIRE(writeWav(path,
        mono(harmonicTone(220.0, 48000.0, 1.6) + silence(48000.0, 0.2)
            + harmonicTone(hzOf(63.0).value, 48000.0, 0.8)),
        SampleFormat::int16));
    Driver d;
    d.drop(path.string());
    d.goTo(Stop::sound);
    REQUIRE(d.take().tuning.rootKey == 57);
    const auto before = d.document();
    auto& stop = soundStop(d);
    const auto move = [&](int id, double seconds) {
        emit stop.wave()->handleMoved(id, qint64(seconds * 48000.0), true);
        waitFor([&] { return d.take().tuning.rootKey == 63; }, 3000);
        d.settle();
    };
    SECTION("as it is read")
    {
        move(SoundStop::keptStart, 1.85);
        CHECK(d.take().tuning.rootKey == 63);
        CHECK(d.take().facts->pitch.midi.value_or(0.0) == Approx(63.0).margin(0.02));
        d.session().undo();
        d.settle();
        CHECK(d.document() == before);
    }
    SECTION("what somebody has set stays, and the reading is beside it")
    {
        d.session().editTake(
            "Root", [](Take& t) { t.tuning = Tuning::forPitch(60.0, TuningSource::byHand); });
        emit stop.wave()->handleMoved(SoundStop::keptStart, qint64(1.85 * 48000.0), true);
        waitFor([&] { return std::abs(d.take().facts->pitch.midi.value_or(0.0) - 63.0) < 0.1; });
        CHECK(d.take().facts->pitch.midi.value_or(0.0) == Approx(63.0).margin(0.02));
        CHECK(d.take().tuning.rootKey == 60);
    }
}

TEST_CASE("a recording from the simulated microphone becomes a take in tune", "[app][record]")
{
    Driver d;
    auto* panel = soundStop(d).recording();
    d.shortcut(Qt::Key_R, Qt::ControlModifier);
    REQUIRE(panel->isOpen());
    d.session().player().useInput(simulatedId);
    waitFor([&] { return !d.hear(0.1).empty() && d.session().player().recorder() != nullptr; });
    QTest::qWait(300);
    d.shortcut(Qt::Key_R, Qt::ControlModifier);
    QTest::qWait(1500);
    d.shortcut(Qt::Key_R, Qt::ControlModifier);
    d.settle();
    REQUIRE(d.document().takes.size() == 1);
    CHECK(d.take().audio().channelCount() == 1);
    CHECK_THAT(d.take().name, Contains("Recording"));
    // It hums D3, E3, F#3 and G#3 in turn; one of those is what was read.
    CHECK(d.take().facts->pitch.verdict != PitchVerdict::none);
    const int key = d.take().tuning.rootKey;
    CHECK((key == 50 || key == 52 || key == 54 || key == 56));
    const auto path = Opening::recordingsFolder() / d.take().recording->fileName;
    CHECK(std::filesystem::exists(path));
    std::filesystem::remove(path);
    panel->open(false);
    CHECK(d.session().player().recorder() == nullptr);
}

TEST_CASE("a microphone that is pulled out while recording leaves what it heard",
    "[app][record][bad-input]")
{
    Driver d;
    auto* panel = soundStop(d).recording();
    panel->open(true);
    d.session().player().useInput(simulatedId);
    QTest::qWait(300);
    panel->toggle();
    QTest::qWait(800);
    dynamic_cast<SimulatedMicrophone&>(*d.session().player().input()).unplug();
    waitFor([&] { return d.session().player().recorder() == nullptr; });
    d.settle();
    REQUIRE(d.document().takes.size() == 1);
    CHECK(d.take().audio().seconds() > 0.7);
    std::filesystem::remove(Opening::recordingsFolder() / d.take().recording->fileName);
}

TEST_CASE("an interrupted recording is offered at the next start", "[app][record]")
{
    const auto folder = Opening::recordingsFolder();
    std::filesystem::create_directories(folder);
    const auto unfinished = folder / "Recording 2026-01-01 10.00.00 (unfinished).wav";
    REQUIRE(writeWav(
        unfinished, probe::mono(probe::harmonicTone(220.0, 48000.0, 1.0)), SampleFormat::float32));
    Driver d;
    d.window.offerUnfinished();
    CHECK_THAT(d.window.offers()->text().toStdString(), Contains("interrupted"));
    d.click(d.window.offers(), "Open");
    REQUIRE(d.document().takes.size() == 1);
    CHECK(d.take().tuning.rootKey == 57);
    std::filesystem::remove(folder / d.take().recording->fileName);
    CHECK(unfinishedRecordings(folder).empty());
}

TEST_CASE("a folder with forty good and ten broken files gives forty takes and one list",
    "[app][bad-input]")
{
    const TemporaryFolder folder;
    for (int i = 0; i < 50; ++i) {
        const auto path = folder / ("note " + std::to_string(10 + i) + ".wav");
        if (i % 5 == 3)
            std::ofstream(path) << "not a sound";
        else
            REQUIRE(writeWav(path,
                probe::mono(
                    probe::harmonicTone(110.0 * std::exp2(i / 12.0), 22050.0, 0.5), 22050.0),
                SampleFormat::int16));
    }
    Driver d;
    d.drop(folder.path());
    CHECK(d.document().takes.size() == 40);
    CHECK(d.window.messages()->details().size() == 10);
    // In the order of their names, one step of undo for all.
    CHECK(d.document().takes.front().name == "note 10");
    CHECK(d.document().takes.back().name == "note 59");
    d.session().undo();
    CHECK(d.document().takes.empty());
}

TEST_CASE("a long take is treated with progress that can be cancelled", "[app][treat]")
{
    Driver d;
    // Progress is shown after a third of a second. It must last for longer than a look at the
    // window; a sanitizer makes everything last.
#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
    constexpr int seconds = 61;
#else
    constexpr int seconds = 900;
#endif
    Audio audio{48000.0, {std::vector<float>(std::size_t(seconds * 48000), 0.1f)}};
    const auto take = plainTake(std::move(audio), 60.0, "long");
    d.session().edit("Long", [&](Instrument& next) { next = instrumentOf(take); });
    d.settle();
    const auto before = d.document();
    auto* panel = soundStop(d).treatments();
    panel->add(PassFilter{PassFilter::Cut::low, 40.0, 48});
    waitFor([&] { return d.window.messages()->text().contains("Treating"); });
    CHECK_THAT(d.window.messages()->text().toStdString(), Contains("Treating"));
    d.click(d.window.messages(), "Cancel");
    CHECK(d.document() == before);
    CHECK(d.session().treating().list().empty());
    panel->add(PassFilter{PassFilter::Cut::low, 40.0, 48});
    d.settle();
    CHECK(d.take().treatments.size() == 1);
    CHECK_FALSE(d.window.messages()->text().contains("Treating"));
}
