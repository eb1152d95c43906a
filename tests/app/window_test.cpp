// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/own_keys.h"
#include "support/driver.h"

#include "app/stops/export/export_stop.h"
#include "app/stops/keys/keys_stop.h"
#include "app/stops/shape/shape_stop.h"
#include "app/widgets/wave/played_strip.h"

#include <QElapsedTimer>
#include <catch2/catch.hpp>

#include <QAbstractItemView>
#include <QButtonGroup>
#include <fstream>
#include <set>

using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

const std::string sounds = std::string(DEMO_FOLDER) + "/sounds/";

std::string messageOf(Driver& d)
{
    return d.window.messages()->text().toStdString();
}

} // namespace

TEST_CASE("a dropped recording is opened, in the background, and can be undone", "[app]")
{
    Driver d;
    d.drop(sounds + "keepers-hum.flac");
    REQUIRE(d.session().take() != nullptr);
    CHECK(d.take().name == "keepers hum");
    d.drop(sounds + "mooring-post.flac");
    CHECK(d.take().name == "mooring post");
    d.shortcut(Qt::Key_Z, Qt::ControlModifier);
    CHECK(d.take().name == "keepers hum");
}

TEST_CASE("opening can be cancelled and leaves nothing behind", "[app]")
{
    const TemporaryFolder folder;
    REQUIRE(writeWav(
        folder / "long.wav", mono(harmonicTone(220.0, 48000.0, 60.0)), SampleFormat::int16));
    Driver d;
    d.session().opening().open(QString::fromStdString((folder / "long.wav").string()));
    QTest::qWait(30);
    d.click(d.window.messages(), "Cancel");
    CHECK_FALSE(d.session().opening().busy());
    CHECK(d.session().take() == nullptr);
    CHECK(messageOf(d).empty());
    CHECK_FALSE(d.session().history().canUndo());
}

TEST_CASE("bad files give a sentence and change nothing", "[app][bad-input]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    const auto before = d.document();
    std::ofstream(folder / "letter.wav") << "Dear keeper";
    std::ofstream(folder / "broken.puretone") << "PK but not really";
    std::ofstream(folder / "empty.flac");
    REQUIRE(writeWav(folder / "still.wav", mono(silence(48000.0, 0.5)), SampleFormat::int16));
    for (const char* name :
        {"letter.wav", "broken.puretone", "empty.flac", "still.wav", "gone.wav"}) {
        CAPTURE(name);
        d.open((folder / name).string());
        CHECK_THAT(messageOf(d), Contains(name));
        CHECK(d.document() == before);
    }
    d.open(folder.path().string());
    CHECK_THAT(messageOf(d), Contains("is a folder"));
    CHECK(d.document() == before);
    d.session().saving().save(QString::fromStdString((folder / "no/x.puretone").string()));
    d.settle();
    CHECK_FALSE(d.session().history().isSaved());
    CHECK_THAT(messageOf(d), Contains("x.puretone"));
}

TEST_CASE("typed values that make no sense are refused with a reason", "[app][bad-input]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::loop);
    const auto before = d.document();
    auto* stop = d.window.stop(Stop::loop);
    for (const auto& [field, text] :
        {std::pair{"Start", "soon"}, {"Start", "99 s"}, {"End", "-1 s"}, {"Crossfade", "1 h"},
            {"Crossfade", "60 s"}, {"Even out", "300 %"}, {"Length", "2"}}) {
        CAPTURE(field, text);
        d.window.messages()->say({}, false);
        d.type(stop, QString::fromLatin1(field), QString::fromUtf8(text));
        CHECK(d.document() == before);
        CHECK_FALSE(messageOf(d).empty());
    }
}

TEST_CASE("a drag is one step, Esc puts it back, Shift is ten times finer", "[app][hand]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::loop);
    auto* wave = static_cast<LoopStop*>(d.window.stop(Stop::loop))->wave();
    const auto loop = d.take().loop;
    const double end = double(loop.span.end.value);
    const auto& g = wave->geometryOfWave();

    SECTION("one step for a whole drag, from where it is grabbed")
    {
        // Grabbed 5 pixels off its middle: no jump to the pointer.
        const QPointF at(g.xOf(end) + 5.0, g.area.top());
        QTest::mousePress(wave, Qt::LeftButton, Qt::AltModifier, at.toPoint());
        CHECK(d.take().loop == loop);
        QTest::mouseRelease(wave, Qt::LeftButton, Qt::AltModifier, at.toPoint());
        d.dragHandle(wave, end, end - 8000.0, true);
        CHECK_THAT(double(d.take().loop.span.end.value), WithinAbs(end - 8000.0, 450.0));
        d.session().undo();
        CHECK(d.take().loop == loop);
    }
    SECTION("with Ctrl the whole loop goes along, as long as it was")
    {
        const double start = double(loop.span.start.value);
        d.dragHandle(wave, start, start + 6000.0, true, Qt::ControlModifier);
        CHECK_THAT(double(d.take().loop.span.start.value), WithinAbs(start + 6000.0, 2000.0));
        CHECK(d.take().loop.span.length() == loop.span.length());
        CHECK(d.session().history().undoName() == "Move loop");
        d.session().undo();
        CHECK(d.take().loop == loop);
        // And so does a start that is typed behind the end.
        auto* stop = d.window.stop(Stop::loop);
        d.type(stop, "Length", "6 ms");
        const auto length = d.take().loop.span.length();
        const double behind = double(d.take().loop.span.end.value) + 4800.0;
        d.type(stop, "Start", QString::number(std::llround(behind)));
        CHECK(double(d.take().loop.span.start.value) == std::round(behind));
        CHECK(d.take().loop.span.length() == length);
    }
    SECTION("Esc")
    {
        d.dragHandle(wave, end, end - 8000.0, true, Qt::AltModifier, [&] {
            CHECK_FALSE(d.take().loop == loop);
            QTest::keyClick(wave, Qt::Key_Escape);
            CHECK_FALSE(d.window.messages()->text().contains("Redone")); // that is no step
            CHECK(d.take().loop == loop);
        });
        CHECK(d.take().loop == loop);
        CHECK(d.session().history().undoName() != "Move loop end");
    }
    SECTION("Shift")
    {
        d.dragHandle(wave, end, end - 20000.0, true, Qt::AltModifier | Qt::ShiftModifier);
        CHECK_THAT(double(d.take().loop.span.end.value), WithinAbs(end - 2000.0, 60.0));
    }
    SECTION("without Alt it snaps to where the wave rises through zero")
    {
        d.dragHandle(wave, end, end - 8000.0, true, {});
        const auto f = std::size_t(d.take().loop.span.end.value);
        const auto& w = d.take().audio().channels[0];
        CHECK((w[f - 2] < 0.0f || w[f - 1] < 0.0f));
        CHECK((w[f] >= 0.0f || w[f + 1] >= 0.0f));
    }
    SECTION("arrow keys move the focused post: a frame, a millisecond, a period")
    {
        QTest::mouseClick(wave, Qt::LeftButton, {}, QPointF(g.xOf(end), g.area.top()).toPoint());
        QTest::keyClick(wave, Qt::Key_Left);
        CHECK(d.take().loop.span.end.value == loop.span.end.value - 1);
        QTest::keyClick(wave, Qt::Key_Left, Qt::ControlModifier);
        CHECK(d.take().loop.span.end.value == loop.span.end.value - 49);
        QTest::keyClick(wave, Qt::Key_Left, Qt::ShiftModifier);
        const double period = 48000.0 / hzOf(d.take().tuning.soundingMidi()).value;
        CHECK_THAT(double(d.take().loop.span.end.value), WithinAbs(end - 49.0 - period, 1.0));
    }
    SECTION("the crossfade stops at what there is and says why")
    {
        const double grip = end - double(loop.crossfade.value);
        d.dragHandle(wave, grip, grip - 150000.0, false);
        CHECK(d.take().loop.crossfade == longestCrossfade(d.take().loop.span));
        CHECK_FALSE(crossfadeLimitReason(d.take().loop).empty());
    }
    SECTION("the wheel zooms about the pointer")
    {
        const QPointF at(g.area.left() + 300.0, g.area.center().y());
        const double under = g.frameAt(at.x()), before = g.framesPerPixel;
        QWheelEvent wheel(at, wave->mapToGlobal(at), {}, {0, 480}, Qt::NoButton, Qt::NoModifier,
            Qt::NoScrollPhase, false);
        QCoreApplication::sendEvent(wave, &wheel);
        CHECK_THAT(wave->geometryOfWave().frameAt(at.x()), WithinAbs(under, 2.0));
        CHECK(wave->geometryOfWave().framesPerPixel < 0.6 * before);
    }
}

TEST_CASE("loop candidates and pitch candidates are taken with one click", "[app]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::loop);
    auto* row = static_cast<LoopStop*>(d.window.stop(Stop::loop))->candidates();
    QTest::mouseClick(row, Qt::LeftButton, {}, row->cardRect(2).center().toPoint());
    CHECK(d.take().loop == d.take().facts->loopChoices[2].loop);
    d.settle();
    REQUIRE(d.session().looping().seam());
    CHECK(d.session().looping().seam()->loop == d.take().loop);
    d.click(d.window.stop(Stop::loop), "on");
    CHECK_FALSE(d.take().loop.on);
    d.click(d.window.stop(Stop::loop), "Find again");
    CHECK(d.take().loop == d.take().facts->loopChoices[0].loop);
    d.goTo(Stop::pitch);
    auto* list = static_cast<PitchStop*>(d.window.stop(Stop::pitch))->choices();
    QTest::mouseClick(list, Qt::LeftButton, {}, list->rowRect(1).center().toPoint());
    CHECK(d.take().tuning.rootKey == nearestKey(d.take().facts->pitch.choices[1].midi).key);
    CHECK(d.take().tuning.source == TuningSource::byHand);
}

TEST_CASE("the computer's keyboard plays, but not while a field is typed in", "[app][keys]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::keys);
    QTest::keyPress(&d.window, Qt::Key_H); // A3: the tenth letter from C3
    CHECK_THAT(d.hearPitch(), WithinAbs(57.0, 0.03));
    QTest::keyRelease(&d.window, Qt::Key_H);
    d.hear(0.5);
    CHECK(rmsDb(d.hear(0.1)) < -80.0);
    QTest::keyClick(&d.window, Qt::Key_PageDown);
    QTest::keyPress(&d.window, Qt::Key_H);
    CHECK_THAT(d.hearPitch(), WithinAbs(45.0, 0.03));
    QTest::keyRelease(&d.window, Qt::Key_H);
    d.hear(0.5);
    d.goTo(Stop::shape);
    auto* edit = d.lineOf(d.window.stop(Stop::shape), "Attack");
    edit->setFocus();
    QTest::keyPress(edit, Qt::Key_H);
    CHECK(rmsDb(d.hear(0.3)) < -80.0);
    // Enter says that it is done: letters play again, and what is written anew is a value again.
    edit->selectAll();
    QTest::keyClicks(edit, "7");
    QTest::keyClick(edit, Qt::Key_Return);
    CHECK(edit->hasFocus());
    CHECK(edit->text().startsWith("7.0"));
    QTest::keyPress(edit, Qt::Key_H);
    CHECK(rmsDb(d.hear(0.3)) > -60.0);
    QTest::keyRelease(edit, Qt::Key_H);
    CHECK(edit->text().startsWith("7.0"));
    QTest::keyClick(edit, Qt::Key_Backspace); // all of it is marked
    QTest::keyClick(edit, Qt::Key_S);
    CHECK(edit->text() == "s");
    QTest::keyClick(edit, Qt::Key_Return);
    CHECK(edit->text().startsWith("7.0"));
    // Undo is the program's again as well; while one types, it is the field's.
    const double attack = d.document().layers[0].envelope.attack;
    edit->selectAll();
    QTest::keyClicks(edit, "90");
    QTest::keyClick(edit, Qt::Key_Z, Qt::ControlModifier);
    CHECK(edit->text().startsWith("7.0"));
    CHECK(d.document().layers[0].envelope.attack == attack);
    edit->selectAll();
    QTest::keyClicks(edit, "90");
    QTest::keyClick(edit, Qt::Key_Return);
    CHECK(d.document().layers[0].envelope.attack == 0.09);
    QTest::keyClick(edit, Qt::Key_Z, Qt::ControlModifier);
    CHECK(d.document().layers[0].envelope.attack == attack);
    CHECK(edit->text().startsWith("7.0"));
    QTest::keyClick(edit, Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    CHECK(d.document().layers[0].envelope.attack == 0.09);
    // So they do at a choice.
    auto* choice = d.window.stop(Stop::shape)->findChild<QComboBox*>();
    choice->setFocus();
    const int chosen = choice->currentIndex();
    d.hear(0.5);
    QTest::keyPress(choice, Qt::Key_H);
    CHECK(rmsDb(d.hear(0.3)) > -60.0);
    QTest::keyRelease(choice, Qt::Key_H);
    CHECK(choice->currentIndex() == chosen);
}

TEST_CASE("a choice under the pointer leaves the wheel to the column, and stays", "[app][hand]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::shape);
    auto* choice = d.window.stop(Stop::shape)->findChild<QComboBox*>();
    const auto before = d.document();
    for (const int turn : {-120, 120}) {
        QWheelEvent wheel(QPointF(5.0, 5.0), choice->mapToGlobal(QPointF(5.0, 5.0)), {},
            QPoint(0, turn), Qt::NoButton, Qt::NoModifier, Qt::NoScrollPhase, false);
        QCoreApplication::sendEvent(choice, &wheel);
        CHECK_FALSE(wheel.isAccepted());
        CHECK(d.document() == before);
    }
}

TEST_CASE("a name that only had the focus is not given to another document", "[app][bad-input]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::write);
    auto* edit = d.window.stop(Stop::write)->findChild<QLineEdit*>();
    edit->setFocus();
    d.open(sounds + "buoy-bell.flac");
    CHECK(edit->text() == "Buoy bell");
    d.goTo(Stop::sound);
    CHECK(d.document().name == "Buoy bell");
}

TEST_CASE("what is typed is taken before it is saved, closed or left", "[app][field]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.saveInDialog(folder / "horn.puretone");
    d.goTo(Stop::shape);
    auto* edit = d.lineOf(d.window.stop(Stop::shape), "Attack");
    d.focus(edit);
    edit->selectAll();
    QTest::keyClicks(edit, "90 ms");
    SECTION("saved")
    {
        QTest::keyClick(edit, Qt::Key_S, Qt::ControlModifier);
        d.settle();
        const auto saved = openInstrument(folder / "horn.puretone");
        REQUIRE(saved);
        CHECK(saved->layers[0].envelope.attack == 0.09);
    }
    SECTION("closed")
    {
        d.answer("Save");
        QTest::keyClick(edit, Qt::Key_Q, Qt::ControlModifier);
        d.settle();
        CHECK(d.answered == 1);
        const auto saved = openInstrument(folder / "horn.puretone");
        REQUIRE(saved);
        CHECK(saved->layers[0].envelope.attack == 0.09);
    }
    SECTION("left")
    {
        d.goTo(Stop::loop);
        CHECK(d.document().layers[0].envelope.attack == 0.09);
    }
}

TEST_CASE("closing the window in the middle of typing is no accident", "[app][bad-input]")
{
    const auto stop = GENERATE(Stop::shape, Stop::write);
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(stop);
    auto* edit = d.window.stop(stop)->findChild<QLineEdit*>();
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(edit, "half a th");
    CHECK(edit->isModified());
    // The driver takes the window down here; the sanitizers watch.
}

TEST_CASE("envelope points are dragged in the picture", "[app][shape]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::shape);
    auto* picture = static_cast<ShapeStop*>(d.window.stop(Stop::shape))->picture();
    const auto g = picture->geometryOfEnvelope();
    const QPointF from = g.gripOf(EnvelopePoint::attack);
    d.drag(picture, from, {from.x() + g.area.width() * 0.25, from.y()});
    CHECK_THAT(
        d.document().layers[0].envelope.attack, WithinAbs(0.002 + 0.25 * g.shownSeconds, 0.02));
    CHECK(d.document().layers[0].envelope.hold == 0.0);
    CHECK(d.session().history().undoName() == "Change attack");
    d.session().undo();
    CHECK(d.document().layers[0].envelope == Envelope());
}

TEST_CASE("ticked files are written and checked from the window", "[app][export]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    d.goTo(Stop::write);
    auto* stop = static_cast<ExportStop*>(d.window.stop(Stop::write));
    stop->setFolder(QString::fromStdString(folder.path().string()));
    d.click(stop, "Write ticked files");
    CHECK(folder.names()
        == std::vector<std::string>{"Keepers hum samples", "Keepers hum.puretone",
            "Keepers hum.sf2", "Keepers hum.sfz", "Keepers hum.wav"});
    int checked = 0;
    for (auto* label : stop->findChildren<QLabel*>())
        checked += label->text().contains("Read back") ? 1 : 0;
    CHECK(checked == 4);
}

TEST_CASE("a limit of size is met, said, heard and written", "[app][export]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(sounds + "bottles.flac");
    d.split();
    REQUIRE(d.document().takes.size() == 6);
    d.goTo(Stop::write);
    auto& exporting = d.session().exporting();
    auto* stop = static_cast<ExportStop*>(d.window.stop(Stop::write));
    stop->setFolder(QString::fromStdString(folder.path().string()));
    d.settle();
    REQUIRE(exporting.planOf(Product::soundFont) != nullptr);
    const auto whole = exporting.planOf(Product::soundFont)->bytes;
    CHECK(exporting.planOf(Product::soundFont)->exact);
    d.click(stop, "Little memory");
    CHECK_FALSE(exporting.ticked(Product::project));
    d.type(stop, "Limit", QString::number(0.4e-6 * double(whole)) + " MB");
    d.settle();
    const auto* plan = exporting.planOf(Product::soundFont);
    CHECK(plan->fits);
    CHECK(plan->bytes <= std::uint64_t(0.4 * double(whole)));
    CHECK_FALSE(plan->said.empty());
    const auto said = plan->bytes;
    // What is heard before it is written: the same note.
    d.click(stop, "Hear it as written");
    d.settle();
    REQUIRE(d.session().audition().instrument() != nullptr);
    d.pressKey(64);
    CHECK_THAT(d.hearPitch(), WithinAbs(64.0, 0.05));
    d.releaseKey(64);
    d.click(stop, "Write ticked files");
    d.settle();
    CHECK(std::filesystem::file_size(folder / "Bottles.sf2") == said);
    REQUIRE(exporting.reportOf(Product::soundFont) != nullptr);
    REQUIRE(exporting.reportOf(Product::soundFont)->has_value());
    CHECK_THAT((*exporting.reportOf(Product::soundFont))->checked, Contains("Played back"));
    CHECK((*exporting.reportOf(Product::soundFont))->trouble.empty());
    CHECK(std::filesystem::is_directory(folder / "Bottles WAV"));
    // Elsewhere the keys play the document.
    d.goTo(Stop::keys);
    d.settle();
    CHECK(d.session().audition().instrument() == nullptr);
}

TEST_CASE("what cannot be written is said, and the rest is written", "[app][export][bad-input]")
{
    const TemporaryFolder folder;
    std::filesystem::create_directory(folder / "Keepers hum.sf2"); // a folder is in the way
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    d.goTo(Stop::write);
    auto* stop = static_cast<ExportStop*>(d.window.stop(Stop::write));
    stop->setFolder(QString::fromStdString(folder.path().string()));
    d.answer("Replace");
    d.click(stop, "Write ticked files");
    d.settle();
    const auto& exporting = d.session().exporting();
    CHECK_FALSE(exporting.reportOf(Product::soundFont)->has_value());
    CHECK(exporting.reportOf(Product::sfz)->has_value());
    CHECK(std::filesystem::exists(folder / "Keepers hum.wav"));
    CHECK_THAT(messageOf(d), Contains("Keepers hum.sf2"));
    // A folder that is not there.
    stop->setFolder(QString::fromStdString((folder / "gone").string()));
    d.click(stop, "Write ticked files");
    d.settle();
    for (const auto product : allProducts) {
        REQUIRE(exporting.reportOf(product) != nullptr);
        CHECK_FALSE(exporting.reportOf(product)->has_value());
    }
}

TEST_CASE("an output that is pulled out gives a message, and playing goes on", "[app][devices]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.pressKey(57);
    d.hear(0.1);
    dynamic_cast<SimulatedOutput&>(*d.session().player().output()).unplug();
    for (int i = 0; i < 100 && messageOf(d).empty(); ++i)
        QTest::qWait(20);
    for (int i = 0; i < 100 && messageOf(d).find("has gone") == std::string::npos; ++i)
        QTest::qWait(20);
    CHECK_THAT(messageOf(d), Contains("Simulated output has gone"));
    d.releaseKey(57);
    d.hear(0.1);
    d.pressKey(57);
    CHECK_THAT(d.hearPitch(), WithinAbs(57.0, 0.03));
    d.releaseKey(57);
    d.session().player().useOutput("jack:not there");
    for (int i = 0; i < 200 && d.session().player().output() == nullptr; ++i)
        QTest::qWait(20);
    CHECK_THAT(messageOf(d), Contains("not there") && Contains("simulated output"));
    CHECK(d.session().player().outputId() == simulatedId);
}

TEST_CASE("what was played is kept after the fact", "[app][devices]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    const auto kept = d.session().player().kept();
    REQUIRE(kept != nullptr);
    const auto lastOf = [&] {
        kept->catchUp();
        return lastPlayed(kept->picture(kept->range(), 1400), kept->range(), kept->rate());
    };
    const auto none = lastOf();
    CHECK(none.from == none.to);
    d.pressKey(57);
    d.hear(0.5);
    d.releaseKey(57);
    d.hear(0.5);
    const auto played = lastOf();
    CHECK(played.seconds(kept->rate()) > 0.3);
    const auto audio = kept->read(played);
    CHECK_THAT(*analysePitch(audio.channels[0], audio.rate).midi, WithinAbs(57.0, 0.03));
    const auto notes = d.session().player().keptNotes(kept->range());
    REQUIRE(notes.size() == 2);
    CHECK(notes[0].event.key == 57);
    CHECK(notes[1].event.kind == MidiEvent::Kind::noteOff);
    CHECK(notes[1].seconds - notes[0].seconds > 0.3);
}

TEST_CASE("a simulated keyboard plays the instrument", "[app][devices]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.send(MidiEvent::noteOn(60, 110));
    CHECK_THAT(d.hearPitch(), WithinAbs(60.0, 0.03));
}

namespace {

/// What a hand would click, though the toolkit may have given it no way to the keyboard's focus.
bool isControl(const QWidget& widget)
{
    return qobject_cast<const QAbstractButton*>(&widget) != nullptr
        || qobject_cast<const QComboBox*>(&widget) != nullptr
        || qobject_cast<const QLineEdit*>(&widget) != nullptr
        || qobject_cast<const QAbstractItemView*>(&widget) != nullptr
        || widget.property(pressedBySpace).toBool() || widget.property(turnedByPages).toBool();
}

/// One of several of which one is chosen: Tab comes to that one, and arrow keys to the others.
bool isAlternative(const QWidget& widget)
{
    const auto* button = qobject_cast<const QAbstractButton*>(&widget);
    return button != nullptr && button->group() != nullptr && button->group()->exclusive()
        && !button->isChecked();
}

/// Parts of Qt's own widgets: popups of choices, arrows, the buttons inside of fields.
bool isPart(const QWidget& widget)
{
    const auto* parent = widget.parentWidget();
    return widget.objectName().startsWith("qt_")
        || (parent != nullptr
            && (qobject_cast<const QComboBox*>(parent) != nullptr
                || qobject_cast<const QLineEdit*>(parent) != nullptr
                || QString::fromLatin1(parent->metaObject()->className()).startsWith("QComboBox")));
}

} // namespace

TEST_CASE("Tab comes to every control that can be used", "[app][accessible]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.window.activateWindow();
    REQUIRE(QTest::qWaitForWindowActive(&d.window));
    for (const auto stop : allStops) {
        d.window.goTo(stop);
        d.window.path()->setFocus();
        std::set<const QWidget*> reached;
        for (int i = 0; i < 400; ++i) {
            QWidget* focused = QApplication::focusWidget();
            if (focused == nullptr)
                break;
            if (!reached.insert(focused).second && focused == d.window.path())
                break; // once round
            QTest::keyClick(focused, Qt::Key_Tab);
        }
        CHECK(reached.size() > 10);
        for (const auto* widget : d.window.findChildren<QWidget*>()) {
            if (!widget->isVisible() || !widget->isEnabled() || !isControl(*widget)
                || isPart(*widget) || isAlternative(*widget) || widget->window() != &d.window)
                continue;
            CAPTURE(nameOf(stop), widget->metaObject()->className(),
                widget->accessibleName().toStdString());
            CHECK(reached.contains(widget));
        }
    }
}

TEST_CASE("every control can be reached by keyboard and has a name", "[app][accessible]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    for (const auto stop : allStops) {
        d.goTo(stop);
        for (auto* widget : d.window.findChildren<QWidget*>()) {
            if (!widget->isVisible() || widget->focusPolicy() == Qt::NoFocus
                || widget->focusProxy() != nullptr)
                continue;
            // Parts of Qt's own widgets carry their parent's name.
            if (QString::fromLatin1(widget->metaObject()->className()).startsWith("Q")
                && widget->objectName().startsWith("qt_"))
                continue;
            CAPTURE(nameOf(stop), widget->metaObject()->className());
            const auto* button = qobject_cast<QAbstractButton*>(widget);
            CHECK((!widget->accessibleName().isEmpty()
                || (button != nullptr && !button->text().isEmpty())));
        }
    }
}

namespace {

/// Share of a stretch of a picture that is neither card nor paper.
double painted(const QImage& image, const QRect& inside)
{
    const auto& t = Theme::tokens();
    int count = 0, all = 0;
    for (int y = inside.top(); y < std::min(inside.bottom(), image.height()); y += 2)
        for (int x = inside.left(); x < std::min(inside.right(), image.width()); x += 2) {
            const QColor colour = image.pixelColor(x, y);
            ++all;
            count += colour != t.paper && colour != t.panel && colour != t.well ? 1 : 0;
        }
    return double(count) / std::max(1, all);
}

/// The card of the large picture, without the details beside it.
QRect benchOf(Driver& d, Stop stop)
{
    QRect bench;
    for (auto* card : d.window.stop(stop)->findChildren<QFrame*>())
        if (card->property("card").toBool() && card->isVisible()
            && card->width() * card->height() > bench.width() * bench.height())
            bench = QRect(card->mapTo(&d.window, QPoint(0, 0)), card->size());
    REQUIRE(bench.width() > d.window.width() / 3);
    return bench.adjusted(2, 2, -2, -2);
}

} // namespace

TEST_CASE("every stop paints in both themes, empty and full, small and large", "[app][paint]")
{
    Driver d;
    std::vector<QImage> seen;
    for (const bool full : {false, true}) {
        if (full)
            d.open(sounds + "bottles.flac");
        for (const auto theme : {ThemeName::daybreak, ThemeName::nightWatch}) {
            d.window.setThemeWish(theme == ThemeName::daybreak ? settings::ThemeWish::daybreak
                                                               : settings::ThemeWish::nightWatch);
            for (const QSize size : {QSize(1024, 700), QSize(1280, 800), QSize(2400, 1400)}) {
                d.window.resize(size);
                for (const auto stop : allStops) {
                    d.window.goTo(stop);
                    const auto image = d.window.grab().toImage();
                    CHECK(image.pixelColor(3, 3) == Theme::tokens().paper);
                    // The bench is a card with something on it, and no two stops look alike.
                    CAPTURE(full, int(theme), size.width(), int(stop));
                    CHECK(painted(image, benchOf(d, stop)) > (full ? 0.01 : 0.0005));
                    for (const auto& other : seen)
                        CHECK(other != image);
                    seen.push_back(image);
                }
            }
        }
    }
    d.window.setThemeWish(settings::ThemeWish::daybreak);
}
