// SPDX-License-Identifier: GPL-3.0-or-later
// The loop's bench in the real window.
#include "support/driver.h"

#include <catch2/catch.hpp>

using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

const std::string sounds = std::string(DEMO_FOLDER) + "/sounds/";

LoopStop* loopStop(Driver& d)
{
    d.goTo(Stop::loop);
    return static_cast<LoopStop*>(d.window.stop(Stop::loop));
}

void choose(QWidget* stop, const QString& label, const QString& word)
{
    for (auto* field : stop->findChildren<ChoiceField*>())
        if (auto* box = field->findChild<QComboBox*>(); box->accessibleName() == label) {
            box->setCurrentText(word);
            emit box->activated(box->currentIndex());
        }
}

} // namespace

TEST_CASE("a click in the seam map loops there", "[app][loop][map]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = loopStop(d);
    d.settle();
    auto* map = stop->map();
    REQUIRE(d.session().looping().map());
    const Span wanted{Frames{60000}, Frames{100000}};
    const auto before = d.take().loop;
    QTest::mouseClick(map, Qt::LeftButton, {}, map->placeOf(wanted).toPoint());
    d.settle();
    const auto loop = d.take().loop;
    CHECK_FALSE(loop == before);
    // A pixel is about 400 frames, and the end settles within 1.2 periods.
    CHECK_THAT(double(loop.span.start.value), WithinAbs(60000.0, 1000.0));
    CHECK_THAT(double(loop.span.end.value), WithinAbs(100000.0, 2000.0));
    CHECK(d.session().history().undoName() == "Loop there");
    REQUIRE(d.session().looping().seam());
    CHECK(seamVerdict(d.session().looping().seam()->cost) == SeamVerdict::seamless);
    // By keys, too: Enter at the cross that the arrows move.
    map->setFocus();
    QTest::keyClick(map, Qt::Key_Right);
    QTest::keyClick(map, Qt::Key_Return);
    d.settle();
    CHECK(d.take().loop.span.start > loop.span.start);
    d.session().undo();
    d.session().undo();
    CHECK(d.take().loop == before);
}

TEST_CASE("the close-up moves the end under the beginning", "[app][loop]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* view = loopStop(d)->closeUp();
    const auto loop = d.take().loop;
    const QPoint from(view->width() / 2, view->height() / 2);
    QTest::mousePress(view, Qt::LeftButton, {}, from);
    QTest::mouseMove(view, from - QPoint(30, 0));
    CHECK(d.take().loop.span.end > loop.span.end);
    QTest::mouseMove(view, from);
    QTest::mouseRelease(view, Qt::LeftButton, {}, from);
    CHECK(d.take().loop.span.end == loop.span.end);
    view->setFocus();
    QTest::keyClick(view, Qt::Key_Left);
    QTest::keyClick(view, Qt::Key_Left);
    CHECK(d.take().loop.span.end.value == loop.span.end.value - 2);
}

TEST_CASE("Alt with an arrow key steps a post from match to match", "[app][loop][hand]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* wave = loopStop(d)->wave();
    const double period = *d.take().period() * d.take().rate();
    const double end = double(d.take().loop.span.end.value);
    const auto& g = wave->geometryOfWave();
    QTest::mouseClick(wave, Qt::LeftButton, {}, QPointF(g.xOf(end), g.area.top()).toPoint());
    QTest::keyClick(wave, Qt::Key_Left, Qt::AltModifier);
    const double moved = end - double(d.take().loop.span.end.value);
    CHECK(moved > 0.4 * period);
    CHECK(moved < 2.1 * period);
}

TEST_CASE("a start behind the loop finds another one, and dragged back the loop is there again",
    "[app][loop]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::sound);
    auto* stop = static_cast<SoundStop*>(d.window.stop(Stop::sound));
    const auto before = d.take();
    REQUIRE(before.loop.on);
    const double rate = before.rate();
    // Dragged behind every loop that is known, and on in the same drag to where it was.
    const auto from = double(before.kept.start.value);
    const double behind = double(before.kept.end.value) - 0.5 * rate;
    emit stop->wave()->handleMoved(SoundStop::keptStart, qint64(behind), true);
    CHECK(d.take().kept.start.value > before.loop.span.end.value);
    CHECK_FALSE(d.take().loop.on);
    emit stop->wave()->handleMoved(SoundStop::keptStart, qint64(from), false);
    CHECK(d.take().loop == before.loop);
    const auto seconds = [rate](
                             double frame) { return QString::number(frame / rate, 'f', 6) + " s"; };
    d.type(stop, "Start", seconds(behind));
    QTest::qWait(500);
    d.settle();
    const auto& now = d.take();
    CHECK(now.loop.span.start >= now.kept.start);
    // Whatever the end of a horn allows, it is no buzz.
    CHECK((!now.loop.on || double(now.loop.span.length()) / rate > 0.01));
    // Where one of the known ones is kept it is on at once, and a better one is looked for.
    d.open(sounds + "fog-horn.flac");
    d.type(stop, "Start", seconds(double(before.loop.span.start.value + 480)));
    CHECK(d.take().loop.on);
    CHECK(d.take().loop.span.start >= d.take().kept.start);
    QTest::qWait(500);
    d.settle();
    REQUIRE(d.session().looping().seam());
    CHECK(seamVerdict(d.session().looping().seam()->cost) == SeamVerdict::seamless);
    CHECK(d.take().loop == d.take().facts->loopChoices.front().loop);
    // All of it is one step.
    d.session().undo();
    CHECK(d.take().kept == before.kept);
    CHECK(d.take().loop == before.loop);
}

TEST_CASE("every way of looping is chosen, heard and undone", "[app][loop]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = loopStop(d);
    const auto before = d.take().loop;
    choose(stop, "Way", "there and back");
    d.settle();
    CHECK(d.take().loop.mode == LoopMode::alternating);
    d.pressKey(45);
    CHECK_THAT(d.hearPitch(), WithinAbs(45.0, 0.2));
    d.releaseKey(45);
    // Where it turned well it need not go round well: the way back looks for a joint again.
    choose(stop, "Way", "until release");
    d.settle();
    CHECK(d.take().loop.mode == LoopMode::untilRelease);
    REQUIRE(d.session().looping().seam());
    CHECK(seamVerdict(d.session().looping().seam()->cost) == SeamVerdict::seamless);
    choose(stop, "Way", "one-shot");
    CHECK_FALSE(d.take().loop.repeats());
    CHECK(d.window.stop(Stop::loop)->isVisible());
    // Switched on again it loops.
    d.click(stop, "off");
    CHECK(d.take().loop.mode == LoopMode::forward);
    CHECK(d.take().loop.repeats());
    for (int i = 0; i < 4; ++i)
        d.session().undo();
    CHECK(d.take().loop == before);
}

TEST_CASE("what the seam does is said, with a remedy that helps", "[app][loop][remedy]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = loopStop(d);
    d.settle();
    CHECK_FALSE(stop->remedyButton()->isVisible());
    d.session().editTake("Worse", [](Take& t) {
        t.loop.crossfade = Frames{0};
        t.loop.span.end.value += 200;
        t.loop.fraction = 0.0;
    });
    d.settle();
    REQUIRE(d.session().looping().seam());
    REQUIRE(seamVerdict(d.session().looping().seam()->cost) == SeamVerdict::audible);
    REQUIRE(stop->remedyButton()->isVisible());
    const auto name = stop->remedyButton()->text();
    QTest::mouseClick(stop->remedyButton(), Qt::LeftButton);
    CHECK(QString::fromStdString(d.session().history().undoName()) == name);
    d.settle();
    CHECK(seamVerdict(d.session().looping().seam()->cost) == SeamVerdict::seamless);
    CHECK_FALSE(stop->remedyButton()->isVisible());
}

TEST_CASE("a slice of a few milliseconds offers its own pitch", "[app][loop][tone]")
{
    Driver d;
    d.open(sounds + "wind-in-the-rigging.flac");
    auto* stop = loopStop(d);
    d.session().editTake("Slice", [](Take& t) {
        t.loop.on = true;
        t.loop.mode = LoopMode::forward;
        t.loop.span = {Frames{48000}, Frames{48000 + 300}};
        t.loop.crossfade = Frames{60};
        t.loop.fraction = 0.0;
    });
    d.settle();
    REQUIRE(d.session().looping().tone());
    REQUIRE(stop->toneButton()->isVisible());
    QTest::mouseClick(stop->toneButton(), Qt::LeftButton);
    const double hz = d.take().rate() / 300.0;
    const double midi = midiOf(d.session().looping().tone().value_or(Hz{hz}));
    CHECK_THAT(d.take().tuning.soundingMidi(), WithinAbs(midi, 1e-6));
    d.settle();
    CHECK_FALSE(stop->toneButton()->isVisible());
    // And so it plays in tune, once the wind before it has gone by.
    QTest::mouseClick(stop->hearing()->button(NoteEntry::loopStart), Qt::LeftButton);
    d.pressKey(60);
    CHECK_THAT(d.hearPitch(), WithinAbs(60.0, 0.03));
    d.releaseKey(60);
    // What is heard here is taken to the other stops by one button.
    REQUIRE(stop->beginButton()->isVisible());
    QTest::mouseClick(stop->beginButton(), Qt::LeftButton);
    CHECK(d.take().kept.start.value == 48000 - 60);
    CHECK_FALSE(stop->beginButton()->isVisible());
    d.session().undo();
    QTest::mouseClick(stop->hearing()->button(NoteEntry::beginning), Qt::LeftButton);
    CHECK_FALSE(stop->beginButton()->isVisible());
}

TEST_CASE("keys play one part of the loop only while the loop is on screen", "[app][loop][hear]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* hear = loopStop(d)->hearing();
    QTest::mouseClick(hear->button(NoteEntry::beforeJoint), Qt::LeftButton);
    d.pressKey(45);
    d.hearPitch();
    const auto place = d.session().player().engine().look().position;
    const auto& loop = d.take().loop.span;
    CHECK((place > double(loop.end.value) - 30000.0 || place < double(loop.start.value) + 30000.0));
    d.releaseKey(45);
    d.goTo(Stop::keys);
    CHECK(hear->button(NoteEntry::beginning)->isChecked());
    // The lowest and the highest key sound for as long as their buttons are pressed.
    d.goTo(Stop::loop);
    QTest::mousePress(hear->key(2), Qt::LeftButton);
    d.hearPitch();
    CHECK(d.session().player().engine().look().voices >= 1);
    QTest::mouseRelease(hear->key(2), Qt::LeftButton);
}

TEST_CASE("a loop is copied to the other takes in one step", "[app][loop][copy]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = loopStop(d);
    CHECK_FALSE(stop->copyButton()->isVisible());
    d.session().opening().addFiles({QString::fromStdString(sounds + "keepers-hum.flac")});
    d.settle();
    d.settle();
    REQUIRE(d.document().takes.size() == 2);
    d.session().showTake(d.document().takes[0].id);
    CHECK(stop->copyButton()->isVisible());
    const auto before = d.document();
    d.session().editTake("Curve", [](Take& t) { t.loop.curve = FadeCurve::linear; });
    d.session().looping().copyToOthers(LoopCopy::sameShare, false);
    d.settle();
    CHECK(d.document().takes[1].loop.curve == FadeCurve::linear);
    CHECK(d.document().takes[1].facts->loopChoices == before.takes[1].facts->loopChoices);
    d.session().undo();
    d.session().undo();
    CHECK(d.document() == before);
}

TEST_CASE("Shift and a drag across the wave find loops in that stretch", "[app][loop][stretch]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = loopStop(d);
    auto* wave = stop->wave();
    const auto before = d.take().loop;
    const auto& g = wave->geometryOfWave();
    const auto view = g.firstFrame;
    const auto place = [&](double frame) { return QPoint(int(std::lround(g.xOf(frame))), 70); };
    const auto drag = [&](double from, double to) {
        QTest::mousePress(wave, Qt::LeftButton, Qt::ShiftModifier, place(from));
        QTest::mouseMove(wave, place(0.5 * (from + to)));
        QTest::mouseMove(wave, place(to));
    };
    // From right to left as well as the other way.
    drag(100000.0, 60000.0);
    QTest::mouseRelease(wave, Qt::LeftButton, Qt::ShiftModifier, place(60000.0));
    d.settle();
    CHECK(g.firstFrame == view);
    const auto loop = d.take().loop;
    CHECK_FALSE(loop == before);
    const double pixel = g.framesPerPixel;
    CHECK(double(loop.span.start.value) >= 60000.0 - pixel);
    CHECK(double(loop.span.end.value) <= 100000.0 + pixel);
    CHECK(d.session().history().undoName() == "Find loops in a stretch");
    d.session().undo();
    CHECK(d.take().loop == before);
    // Given up, or hardly moved: nothing.
    drag(60000.0, 100000.0);
    QTest::keyClick(wave, Qt::Key_Escape);
    QTest::mouseRelease(wave, Qt::LeftButton, Qt::ShiftModifier, place(100000.0));
    QTest::mouseClick(wave, Qt::LeftButton, Qt::ShiftModifier, place(60000.0));
    d.settle();
    CHECK(d.take().loop == before);
    CHECK(d.session().history().undoName() != "Find loops in a stretch");
}

TEST_CASE("a search for loops ends in the take that it was made for", "[app][loop]")
{
    Driver d;
    const bool shared = GENERATE(true, false);
    if (shared) {
        // Two stretches of one recording.
        const auto recording = *openRecording(sounds + "bottles.flac");
        Take source;
        source.recording = recording;
        const auto pieces = splitRecording(*recording->audio).pieces;
        REQUIRE(pieces.size() > 2);
        d.session().edit("Set up", [&](Instrument& i) {
            addTakes(i, makePieces(source, {pieces.begin(), pieces.begin() + 2}));
        });
    } else {
        d.session().opening().addFiles({QString::fromStdString(sounds + "fog-horn.flac"),
            QString::fromStdString(sounds + "keepers-hum.flac")});
    }
    d.settle();
    const auto first = d.document().takes[0].id, second = d.document().takes[1].id;
    d.session().edit("Set up", [&](Instrument& i) {
        for (auto& take : i.takes) {
            take.loop.on = true;
            take.loop.span.end.value = take.loop.span.start.value + 100;
        }
    });
    const auto before = d.document();
    d.session().showTake(first);
    d.session().looping().find();
    d.session().showTake(second);
    d.settle();
    CHECK(*d.document().take(second) == *before.take(second));
    CHECK(d.document().take(first)->loop != before.take(first)->loop);
    CHECK(d.document().take(first)->loop.span.length() > 1000);
    // Undone in one step, wherever one looks.
    d.session().undo();
    CHECK(d.document() == before);
}

TEST_CASE("a search for loops does not overwrite what was done meanwhile", "[app][loop]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.session().looping().find();
    SECTION("the sound was changed")
    {
        d.session().editTake("Move start", [](Take& t) { t.kept.start.value += 4800; });
        const auto moved = d.document();
        d.settle();
        CHECK(d.document() == moved);
        CHECK_THAT(
            d.window.messages()->text().toStdString(), Contains("changed during the search"));
    }
    SECTION("another document was opened")
    {
        d.session().clear();
        d.settle();
        CHECK(d.document() == Instrument{});
    }
}
