// SPDX-License-Identifier: GPL-3.0-or-later
// Single widgets under real mouse and key events.
#include "app/shell/docks/typing_keys.h"
#include "app/shell/message_bar.h"
#include "app/stops/loop/candidate_row.h"
#include "app/stops/stop_view.h"
#include "app/theme/theme.h"
#include "app/widgets/fields/choice_list.h"
#include "app/widgets/fields/value_field.h"
#include "app/widgets/keyboard.h"
#include "app/widgets/meter.h"
#include "app/widgets/path_bar.h"
#include "app/widgets/take_list.h"
#include "app/widgets/wave/wave_strip.h"
#include "base/song_time.h"
#include "support/signals.h"

#include <QSignalSpy>
#include <QTest>
#include <QWindow>
#include <catch2/catch.hpp>

using namespace puretone;
using namespace puretone::app;
using Catch::Matchers::WithinAbs;

namespace {

FieldSpec tenField()
{
    FieldSpec spec;
    spec.label = "Amount";
    spec.format = [](double v) { return QString::number(v, 'f', 1) + " x"; };
    spec.parse = [](const QString& text) -> std::optional<double> {
        bool good = false;
        const double v = QString(text).remove(" x").toDouble(&good);
        return good ? std::optional(v) : std::nullopt;
    };
    spec.step = [](double v, double steps) { return v + steps; };
    spec.reset = 5.0;
    spec.low = 0.0;
    spec.high = 10.0;
    return spec;
}

struct FieldProbe {
    FieldProbe()
        : field(tenField())
        , edit(field.findChild<QLineEdit*>())
        , label(field.findChild<QLabel*>())
    {
        QObject::connect(&field, &ValueField::edited, &field, [this](double value, bool first) {
            last = value;
            firsts += first ? 1 : 0;
            field.setValue(value);
        });
        QObject::connect(
            &field, &ValueField::refused, &field, [this](const QString& why) { refusal = why; });
        field.setValue(3.0);
        field.show();
    }
    ValueField field;
    QLineEdit* edit;
    QLabel* label;
    double last = -1.0;
    int firsts = 0;
    QString refusal;
};

double luminance(const QColor& c)
{
    const auto linear = [](double v) {
        return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    };
    return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
}

double contrast(const QColor& a, const QColor& b)
{
    const double la = luminance(a), lb = luminance(b);
    return (std::max(la, lb) + 0.05) / (std::min(la, lb) + 0.05);
}

} // namespace

TEST_CASE("a value that comes while one is about to type over it stays marked", "[app][field]")
{
    FieldProbe p;
    p.edit->setFocus();
    p.edit->selectAll();
    p.field.setValue(3.0); // the same again
    CHECK(p.edit->selectedText() == p.edit->text());
    p.field.setValue(4.0);
    CHECK(p.edit->selectedText() == p.edit->text());
    QTest::keyClicks(p.edit, "7");
    QTest::keyClick(p.edit, Qt::Key_Return);
    CHECK(p.refusal.isEmpty());
    CHECK(p.last == 7.0);
    // A place in the middle is kept where nothing changes.
    p.edit->setCursorPosition(0);
    p.field.setValue(7.0);
    CHECK(p.edit->cursorPosition() == 0);
}

TEST_CASE(
    "in a window that is in use a click marks the value, and a drag changes it", "[app][field]")
{
    FieldProbe p;
    p.field.setFixedWidth(300);
    p.field.show();
    p.field.activateWindow();
    REQUIRE(QTest::qWaitForWindowActive(&p.field));
    p.edit->clearFocus();
    const QPoint at = p.edit->rect().center();
    // Through the window, as a mouse comes: the toolkit moves the focus before the field hears.
    QWindow* window = p.field.windowHandle();
    const QPoint there = p.edit->mapTo(&p.field, at);
    QTest::mouseClick(window, Qt::LeftButton, {}, there);
    CHECK(p.edit->hasFocus());
    CHECK(p.edit->selectedText() == p.edit->text());
    QTest::keyClicks(p.edit, "7");
    QTest::keyClick(p.edit, Qt::Key_Return);
    CHECK(p.last == 7.0);
    QTest::keyClicks(p.edit, "8"); // and again, without another click
    QTest::keyClick(p.edit, Qt::Key_Return);
    CHECK(p.last == 8.0);
    p.edit->clearFocus();
    QTest::mousePress(window, Qt::LeftButton, {}, there);
    QTest::mouseMove(window, there + QPoint(0, 10));
    QTest::mouseRelease(window, Qt::LeftButton, {}, there + QPoint(0, 10));
    CHECK(p.last < 8.0);
    CHECK_FALSE(p.edit->hasFocus());
    // What another button brings, a menu to paste from, ends as what is typed does.
    QTest::mousePress(window, Qt::MiddleButton, {}, there);
    CHECK(p.edit->hasFocus());
}

TEST_CASE("a time that is typed without a unit counts in the one that is shown", "[app][field]")
{
    ValueField field(secondsField("Glide", "Slides", 0.0, 10.0, 0.0));
    QObject::connect(
        &field, &ValueField::edited, &field, [&](double v, bool) { field.setValue(v); });
    auto* edit = field.findChild<QLineEdit*>();
    field.show();
    const auto type = [&](double from, const char* text) {
        field.setValue(from);
        edit->setFocus();
        edit->selectAll();
        QTest::keyClicks(edit, text);
        QTest::keyClick(edit, Qt::Key_Return);
        return field.value();
    };
    CHECK_THAT(type(0.02, "90"), WithinAbs(0.09, 1e-12));
    CHECK_THAT(type(0.0, "0.5"), WithinAbs(0.0005, 1e-12));
    CHECK_THAT(type(1.2, "2"), WithinAbs(2.0, 1e-12));
    CHECK_THAT(type(1.2, "90 ms"), WithinAbs(0.09, 1e-12));
    CHECK_THAT(type(0.02, "1,5 s"), WithinAbs(1.5, 1e-12));
    CHECK_THAT(type(0.02, "48 frames"), WithinAbs(0.02, 1e-12)); // of which rate? out of range
    ValueField part(songTimeField("Waits", "Waits", 0.001, 10.0, 0.1));
    QObject::connect(&part, &ValueField::edited, &part, [&](double v, bool) { part.setValue(v); });
    auto* text = part.findChild<QLineEdit*>();
    part.setValue(0.25);
    part.show();
    text->setFocus();
    text->selectAll();
    QTest::keyClicks(text, "1/8");
    QTest::keyClick(text, Qt::Key_Return);
    CHECK(part.value() == inBeats(0.5));
}

TEST_CASE("a field is typed, stepped, dragged and reset", "[app][field]")
{
    FieldProbe p;
    SECTION("typed, with its unit")
    {
        p.edit->setFocus();
        p.edit->selectAll();
        QTest::keyClicks(p.edit, "7.5 x");
        QTest::keyClick(p.edit, Qt::Key_Return);
        CHECK(p.last == 7.5);
        CHECK(p.edit->text() == "7.5 x");
    }
    SECTION("nonsense is refused and the old value stands again")
    {
        p.edit->setFocus();
        p.edit->selectAll();
        QTest::keyClicks(p.edit, "lots");
        QTest::keyClick(p.edit, Qt::Key_Return);
        CHECK(p.last == -1.0);
        CHECK(p.refusal.contains("lots"));
        CHECK(p.edit->text() == "3.0 x");
    }
    SECTION("out of range is refused with the range")
    {
        p.edit->setFocus();
        p.edit->selectAll();
        QTest::keyClicks(p.edit, "11");
        QTest::keyClick(p.edit, Qt::Key_Return);
        CHECK(p.last == -1.0);
        CHECK((p.refusal.contains("0.0 x") && p.refusal.contains("10.0 x")));
    }
    SECTION("arrow keys step, one gesture for a run of them; Shift is a tenth")
    {
        p.edit->setFocus();
        QTest::keyClick(p.edit, Qt::Key_Up);
        QTest::keyClick(p.edit, Qt::Key_Up);
        CHECK_THAT(p.last, WithinAbs(5.0, 1e-9));
        QTest::keyClick(p.edit, Qt::Key_Down, Qt::ShiftModifier);
        CHECK_THAT(p.last, WithinAbs(4.9, 1e-9));
        CHECK(p.firsts == 1);
        for (int i = 0; i < 20; ++i)
            QTest::keyClick(p.edit, Qt::Key_Up);
        CHECK(p.last == 10.0); // stops at the end
    }
    SECTION("a double-click on its name resets it")
    {
        QTest::mouseDClick(p.label, Qt::LeftButton);
        CHECK(p.last == 5.0);
    }
    SECTION("Esc while typing changes nothing")
    {
        p.edit->setFocus();
        QTest::keyClicks(p.edit, "9");
        QTest::keyClick(p.edit, Qt::Key_Escape);
        CHECK(p.edit->text() == "3.0 x");
        CHECK(p.last == -1.0);
    }
}

TEST_CASE("times step by ratios and never below zero", "[app][field]")
{
    CHECK_THAT(stepTime(1.0, 1.0) / 1.0, WithinAbs(1.08, 0.001));
    CHECK(stepTime(0.0, -5.0) == 0.0);
    CHECK(stepTime(0.0, 1.0) > 0.0);
    CHECK_THAT(stepTime(stepTime(0.25, 3.0), -3.0), WithinAbs(0.25, 1e-9));
}

TEST_CASE("only a sustain is silent at its lowest", "[app][field]")
{
    const auto level = decibelField("Lift", {}, -24.0, 24.0, 0.0);
    CHECK(level.format(-24.0) == "-24.0 dB");
    CHECK(decibelField("Drive", {}, 0.0, 36.0, 0.0).format(0.0) == "0.0 dB");
    const auto sustain = sustainField("Sustain", {}, 0.0);
    CHECK(sustain.format(sustain.low) == "silent");
    CHECK(sustain.parse("silent") == sustain.low);
    CHECK(sustain.format(-6.0) == "-6.0 dB");
    CHECK(sustain.parse("-6 dB") == -6.0);
}

TEST_CASE("text can be read on every ground of both themes", "[app][theme]")
{
    for (const auto name : {ThemeName::daybreak, ThemeName::nightWatch}) {
        Theme::apply(*qApp, name);
        const auto& t = Theme::tokens();
        for (const QColor* ground : {&t.paper, &t.panel, &t.well})
            for (const QColor* text :
                {&t.ink, &t.quietInk, &t.sea, &t.brass, &t.heather, &t.coral}) {
                CAPTURE(int(name), ground->name().toStdString(), text->name().toStdString());
                CHECK(contrast(*ground, *text) >= 4.5);
            }
        CHECK(contrast(t.sea, t.onSea) >= 4.5);
    }
    Theme::apply(*qApp, ThemeName::daybreak);
}

TEST_CASE("signs are set the way musicians write them, and only in notes", "[app][theme]")
{
    CHECK(typeset(QString("A#3 (58)")) == QString::fromUtf8("A♯3 (58)"));
    CHECK(typeset(QString("Bb2")) == QString::fromUtf8("B♭2"));
    CHECK(typeset(QString("-12 ct")) == QString::fromUtf8("−12 ct"));
    CHECK(typeset(QString("fog-horn #2")) == "fog-horn #2");
    CHECK(typeset(QString("Abba")) == "Abba");
}

TEST_CASE("the keyboard plays what is touched, glides, and lets go", "[app][keyboard]")
{
    Keyboard keyboard;
    keyboard.resize(940, 130);
    keyboard.show();
    std::vector<std::string> events;
    QObject::connect(&keyboard, &Keyboard::pressed, &keyboard,
        [&](int key, int) { events.push_back("+" + std::to_string(key)); });
    QObject::connect(&keyboard, &Keyboard::released, &keyboard,
        [&](int key) { events.push_back("-" + std::to_string(key)); });
    const auto g = keyboard.geometryOfKeys();
    const auto low = [&](int key) {
        return QPointF(g.rectOf(key).center().x(), g.rectOf(key).bottom() - 4.0).toPoint();
    };
    QTest::mousePress(&keyboard, Qt::LeftButton, {}, low(60));
    QMouseEvent move(QEvent::MouseMove, QPointF(low(62)), keyboard.mapToGlobal(QPointF(low(62))),
        Qt::NoButton, Qt::LeftButton, Qt::NoModifier);
    QCoreApplication::sendEvent(&keyboard, &move);
    QTest::mouseRelease(&keyboard, Qt::LeftButton, {}, low(62));
    CHECK(events == std::vector<std::string>{"+60", "-60", "+62", "-62"});
}

TEST_CASE("the letters are a piano of their own", "[app][keyboard]")
{
    const auto event = [](int key) { return QKeyEvent(QEvent::KeyPress, key, Qt::NoModifier); };
    TypingKeys keys;
    CHECK(keys.keyOf(event(Qt::Key_A)) == 48);
    CHECK(keys.keyOf(event(Qt::Key_W)) == 49);
    CHECK(keys.keyOf(event(Qt::Key_K)) == 60);
    CHECK_FALSE(keys.keyOf(event(Qt::Key_Q)));
    keys.press(event(Qt::Key_A), {});
    CHECK(keys.isDown(event(Qt::Key_A)));
    CHECK(keys.release(event(Qt::Key_A)));
    CHECK_FALSE(keys.release(event(Qt::Key_A)));
    keys.shiftOctave(-10);
    CHECK(keys.lowest() == 0);
    keys.shiftOctave(100);
    CHECK(keys.keyOf(event(Qt::Key_Semicolon)) <= 127);
    keys.press(event(Qt::Key_S), {});
    keys.releaseAll();
    CHECK_FALSE(keys.isDown(event(Qt::Key_S)));
}

TEST_CASE("the meter says peaks in words and holds them", "[app][meter]")
{
    Meter meter;
    CHECK(meter.text() == "silent");
    meter.feed(0.5f, 0.25f);
    CHECK(meter.text() == QString::fromUtf8("peak −6.0 dB"));
    meter.feed(0.01f, 0.01f);
    CHECK(meter.text() == QString::fromUtf8("peak −6.0 dB"));
    CHECK_FALSE(meter.tooLoud());
    meter.feed(1.2f, 0.1f);
    CHECK(meter.tooLoud());
    CHECK(meter.text().contains("over by 1.6 dB"));
    QTest::mouseClick(&meter, Qt::LeftButton);
    CHECK(meter.text() == "silent");
    Meter limited;
    limited.feed(0.9f, 0.9f, 0.7f);
    CHECK(limited.tooLoud());
    CHECK(limited.text() == "held back 3.1 dB");
    limited.feed(0.9f, 0.9f, 0.9f);
    CHECK(limited.text() == "held back 3.1 dB"); // the most of the last seconds
}

TEST_CASE("the path is walked with keys and clicks", "[app][path]")
{
    PathBar path;
    path.resize(760, 72);
    path.show();
    QSignalSpy spy(&path, &PathBar::chosen);
    std::vector<Stop> chosen;
    QObject::connect(&path, &PathBar::chosen, &path, [&](Stop stop) {
        chosen.push_back(stop);
        path.setCurrent(stop);
    });
    QTest::keyClick(&path, Qt::Key_Left); // nothing before the first
    QTest::keyClick(&path, Qt::Key_Right);
    QTest::mouseClick(&path, Qt::LeftButton, {}, path.centreOf(Stop::shape).toPoint());
    CHECK(chosen == std::vector<Stop>{Stop::pitch, Stop::shape});
    std::vector<Reading> readings(allStops.size());
    readings[1] = {"C4", "Look here."};
    path.setReadings(readings);
    const auto image = path.grab().toImage();
    int coral = 0;
    for (int x = 0; x < image.width(); ++x)
        for (int y = 0; y < image.height(); ++y)
            coral += image.pixelColor(x, y) == Theme::tokens().coral ? 1 : 0;
    CHECK(coral > 15); // the dot is there
}

TEST_CASE("lists are chosen from by click and by key", "[app][lists]")
{
    const auto peaks = std::make_shared<const PeakPyramid>(
        probe::shared(probe::mono(probe::sine(220.0, 48000.0, 1.0))));
    SECTION("takes")
    {
        TakeList list;
        list.resize(170, 200);
        list.setRows({{3, "a", "C4", "", peaks, {Frames{0}, Frames{48000}}},
                         {5, "b", "D4", "no loop yet", nullptr, {}}},
            3);
        list.show();
        QSignalSpy chosen(&list, &TakeList::chosen), removed(&list, &TakeList::removeAsked);
        QTest::mouseClick(&list, Qt::LeftButton, {}, list.rowRect(1).center().toPoint());
        CHECK(chosen.takeFirst().at(0).value<puretone::TakeId>() == 5);
        QTest::keyClick(&list, Qt::Key_Down);
        CHECK(chosen.takeFirst().at(0).value<puretone::TakeId>() == 5);
        QTest::keyClick(&list, Qt::Key_Up);
        CHECK(chosen.isEmpty());
        QTest::keyClick(&list, Qt::Key_Delete);
        CHECK(removed.takeFirst().at(0).value<puretone::TakeId>() == 3);
        CHECK_FALSE(list.grab().isNull());
    }
    SECTION("notes")
    {
        ChoiceList list;
        list.resize(600, 110);
        list.setChoices({{60.0, 0.9, message("one")}, {72.0, 0.1, message("two")}}, 60, {});
        list.show();
        QSignalSpy chosen(&list, &ChoiceList::chosen);
        QTest::keyClick(&list, Qt::Key_Down);
        QTest::keyClick(&list, Qt::Key_Return);
        CHECK(chosen.takeFirst().at(0).toInt() == 1);
        QTest::mouseClick(&list, Qt::LeftButton, {}, list.rowRect(0).center().toPoint());
        CHECK(chosen.takeFirst().at(0).toInt() == 0);
        QTest::mouseClick(&list, Qt::LeftButton, {}, list.rowRect(3).center().toPoint());
        CHECK(chosen.isEmpty());
    }
    SECTION("loops")
    {
        CandidateRow row;
        row.resize(900, 68);
        std::vector<LoopCandidate> candidates(3);
        for (std::size_t i = 0; i < 3; ++i)
            candidates[i].loop = {
                true, {Frames{100}, Frames{20000 + 100 * std::int64_t(i)}}, Frames{10}};
        row.setCandidates(peaks, candidates, candidates[1].loop);
        row.show();
        QSignalSpy chosen(&row, &CandidateRow::chosen);
        QTest::keyClick(&row, Qt::Key_Right);
        CHECK(chosen.takeFirst().at(0).toInt() == 2);
        QTest::mouseClick(&row, Qt::LeftButton, {}, row.cardRect(0).center().toPoint());
        CHECK(chosen.takeFirst().at(0).toInt() == 0);
    }
}

TEST_CASE("the strip moves the view from where it is grabbed", "[app][strip]")
{
    const auto peaks = std::make_shared<const PeakPyramid>(
        probe::shared(probe::mono(probe::sine(220.0, 48000.0, 1.0))));
    WaveStrip strip;
    strip.resize(480, 36); // 100 frames a pixel
    strip.setSound(peaks, {Frames{0}, Frames{48000}});
    strip.setWindow(10000.0, 20000.0);
    strip.show();
    std::vector<double> scrolled;
    QObject::connect(
        &strip, &WaveStrip::scrolled, &strip, [&](double f) { scrolled.push_back(f); });
    QTest::mousePress(&strip, Qt::LeftButton, {}, QPoint(120, 18)); // frame 12000, inside
    REQUIRE(scrolled.size() == 1);
    CHECK_THAT(scrolled[0], WithinAbs(10000.0, 1.0)); // stays where it is
    QTest::mouseRelease(&strip, Qt::LeftButton, {}, QPoint(120, 18));
    QTest::mousePress(&strip, Qt::LeftButton, {}, QPoint(400, 18)); // outside: comes to the pointer
    CHECK_THAT(scrolled.back(), WithinAbs(35000.0, 1.0));
}

TEST_CASE("trouble stays until it is closed, and progress gives way to it", "[app][messages]")
{
    MessageBar bar;
    bar.show();
    bar.showProgress("Listening…", true);
    bar.say("It broke.", true);
    bar.endProgress();
    CHECK(bar.text() == "! It broke.");
    for (auto* button : bar.findChildren<QPushButton*>())
        if (button->text() == "Close")
            QTest::mouseClick(button, Qt::LeftButton);
    CHECK(bar.text().isEmpty());
    bar.showProgress("Listening…", true);
    bar.endProgress();
    CHECK(bar.text().isEmpty());
}
