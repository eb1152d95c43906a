// SPDX-License-Identifier: GPL-3.0-or-later
// What the guide promises and no other test of the window shows.
#include "app/session/settings.h"
#include "app/shell/recent_files.h"
#include "app/stops/sound/sound_stop.h"
#include "app/widgets/fields/value_field.h"
#include "support/driver.h"

#include <QCheckBox>
#include <QMenu>
#include <QSettings>
#include <QToolButton>

using namespace probe;

namespace {

const std::string sounds = DEMO_FOLDER "/sounds/";

SoundStop& soundStop(Driver& d)
{
    return *static_cast<SoundStop*>(d.window.stop(Stop::sound));
}

/// The simulated microphone hums for a second and is silent for half a second, over and over.
void openMicrophone(Driver& d)
{
    d.goTo(Stop::sound);
    soundStop(d).recording()->open(true);
    d.session().player().useInput(simulatedId);
    for (int i = 0; i < 100 && d.session().player().recorder() == nullptr; ++i)
        QTest::qWait(20);
    REQUIRE(d.session().player().recorder() != nullptr);
}

void dropRecording(Driver& d)
{
    std::filesystem::remove(Opening::recordingsFolder() / d.take().recording->fileName);
}

} // namespace

TEST_CASE("recording starts at a level and ends after silence, by itself", "[app][record]")
{
    Driver d;
    openMicrophone(d);
    auto* panel = soundStop(d).recording();
    d.choose(panel, "Starts", "at a level");
    d.choose(panel, "Ends", "after silence");
    for (auto* field : panel->findChildren<ValueField*>())
        if (field->isVisible())
            emit field->edited(field->value() < 0.0 ? -25.0 : 0.3, true);
    panel->toggle();
    // Within two of the hum's rounds it has begun and ended.
    for (int i = 0; i < 200 && d.document().takes.empty(); ++i)
        QTest::qWait(30);
    d.settle();
    REQUIRE(d.document().takes.size() == 1);
    CHECK_FALSE(panel->isRecording());
    const auto& audio = d.take().audio();
    CHECK(audio.seconds() > 0.8);
    CHECK(audio.seconds() < 4.0);
    dropRecording(d);
    panel->open(false);
}

TEST_CASE("what the input hears is heard where Hear it is ticked", "[app][record]")
{
    Driver d;
    openMicrophone(d);
    QCheckBox* hear = nullptr;
    for (auto* box : soundStop(d).recording()->findChildren<QCheckBox*>())
        if (box->text() == "Hear it")
            hear = box;
    REQUIRE(hear != nullptr);
    CHECK(rmsDb(d.hear(1.6)) < -80.0);
    hear->click();
    d.hear(0.3);
    CHECK(rmsDb(d.hear(1.6)) > -40.0);
    hear->click();
    d.hear(0.3);
    CHECK(rmsDb(d.hear(1.6)) < -80.0);
    soundStop(d).recording()->open(false);
}

TEST_CASE("rate and block are remembered, and asked of the output", "[app][devices]")
{
    QSettings().remove("outputRate");
    QSettings().remove("outputBlock");
    {
        Driver d;
        d.session().player().setFormat({44100, 512});
        d.settle();
        CHECK(d.session().player().output() != nullptr);
    }
    Driver d;
    CHECK(d.session().player().format() == OutputFormat{44100, 512});
    d.session().player().setFormat(OutputFormat());
    d.settle();
}

TEST_CASE("what was opened last stands under Recent", "[app]")
{
    QSettings().remove("recent");
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.open(sounds + "buoy-bell.flac");
    QMenu* recent = nullptr;
    for (auto* menu : d.window.findChildren<QMenu*>())
        if (menu->title() == "Recent")
            recent = menu;
    REQUIRE(recent != nullptr);
    emit recent->aboutToShow();
    REQUIRE(recent->actions().size() == 2);
    CHECK(recent->actions()[0]->text() == "buoy-bell.flac");
    recent->actions()[1]->trigger();
    d.settle();
    CHECK(d.take().recording->fileName == "fog-horn.flac");
}

TEST_CASE("Keep it as one ends the question about several notes", "[app][split]")
{
    Driver d;
    d.open(sounds + "bottles.flac");
    d.goTo(Stop::sound);
    REQUIRE(d.session().splitting().notesInside() == 6);
    d.click(&soundStop(d), "Keep it as one");
    CHECK(d.session().splitting().notesInside() == 1);
    CHECK(d.document().takes.size() == 1);
    // Nobody asks again.
    d.session().showTake(d.take().id);
    CHECK(d.session().splitting().notesInside() == 1);
}

TEST_CASE("Measure again takes the level of what is kept now", "[app][treat]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.goTo(Stop::sound);
    auto* panel = soundStop(d).treatments();
    panel->add(Level{});
    d.settle();
    const auto spanOf = [&] { return std::get<Level>(d.take().treatments.back().what).over; };
    const Span before = spanOf();
    d.session().editTake("Trim", [](Take& take) { take.kept.end.value -= take.kept.length() / 2; });
    d.settle();
    CHECK(spanOf() == before); // moving the ends does not measure
    d.click(&soundStop(d), "Measure again");
    CHECK(spanOf() != before);
}

TEST_CASE("while closing, another name is for the document that is asked about", "[app][saving]")
{
    const TemporaryFolder folder;
    const auto written = [&](const char* name, double hz) {
        auto instrument = instrumentOf(plainTake(mono(harmonicTone(hz, 48000.0, 0.4)), 60.0));
        instrument.name = name;
        REQUIRE(writeInstrument(instrument, folder / (std::string(name) + ".puretone")));
    };
    written("horn", 220.0);
    written("bell", 440.0);
    Driver d;
    d.open((folder / "horn.puretone").string());
    d.session().edit("Softer", [](Instrument& next) { next.layers[0].levelDb = -5.0; });
    d.open((folder / "bell.puretone").string());
    // Somebody else writes into the file of the one in the background.
    written("horn", 330.0);
    const auto target = folder / "mine.puretone";
    d.answer("Save");
    QTimer later;
    QObject::connect(&later, &QTimer::timeout, [&] {
        auto* modal = QApplication::activeModalWidget();
        if (modal == nullptr)
            return;
        if (auto* dialog = qobject_cast<QFileDialog*>(modal)) {
            auto* edit = dialog->findChild<QLineEdit*>("fileNameEdit");
            edit->setText(QString::fromStdString(target.string()));
            QTest::keyClick(edit, Qt::Key_Return);
            return;
        }
        for (auto* button : modal->findChildren<QPushButton*>())
            if (button->text() == QStringLiteral("Save under another name\u2026"))
                button->click();
    });
    later.start(300);
    d.window.close();
    later.stop();
    d.settle();
    const auto saved = openInstrument(target);
    REQUIRE(saved);
    CHECK(saved->name == "horn");
    CHECK(saved->layers[0].levelDb == -5.0);
    const auto bell = openInstrument(folder / "bell.puretone");
    REQUIRE(bell);
    CHECK(bell->name == "bell");
}
