// SPDX-License-Identifier: GPL-3.0-or-later
// make-pictures FOLDER [--file INSTRUMENT] [--size WxH] [--night] [--only STOP]: grabs every stop
// of the real window, for docs/screenshots and for looking at what was changed.

#include "app/session/language.h"
#include "app/sheets/played_sheet.h"
#include "app/sheets/shortcuts.h"
#include "app/shell/docks/listen_panel.h"
#include "app/shell/main_window.h"
#include "app/shell/settings_sheet.h"
#include "app/stops/sound/sound_stop.h"

#include "model/words/movement_words.h"
#include <QApplication>
#include <QCommandLineParser>
#include <QDir>
#include <QPainter>
#include <QSettings>
#include <QStandardPaths>
#include <QTest>
#include <QTimer>

using namespace puretone;
using namespace puretone::app;

namespace {

const char* fileNames[] = {"sound", "pitch", "loop", "keys", "shape", "effects", "export"};

void settle(MainWindow& window)
{
    window.session().background().settle();
    QTest::qWait(120);
}

/// A chord, so that keys, meter and voices have something to show.
void play(MainWindow& window, bool on)
{
    const Take* take = window.session().take();
    if (take == nullptr)
        return;
    static std::vector<HeldNote> chord;
    chord.clear();
    for (const int step : {0, 7, 12})
        if (on)
            chord.push_back(window.session().player().press(take->tuning.rootKey + step, 80));
    QTest::qWait(on ? 900 : 10);
}

/// A list as people make it, with the equaliser open.
void treatTake(MainWindow& window)
{
    auto* panel = static_cast<SoundStop*>(window.stop(Stop::sound))->treatments();
    panel->add(PassFilter{PassFilter::Cut::low, 45.0, 24});
    panel->add(RemoveDc{});
    panel->add(EvenOut{0.5, {}});
    panel->add(Level{});
    panel->add(Band{Band::Shape::bell, 1200.0, -5.0, 1.4});
    settle(window);
}

/// The signal pipe of walk 10: its tone, four valves in turn, one more when it closes.
void addLayers(MainWindow& window)
{
    auto& session = window.session();
    session.edit("Layers", [](Instrument& next) {
        const auto valve = duplicateLayer(next, next.layers[0].id);
        const auto closing = duplicateLayer(next, valve);
        Layer& tone = next.layers[0];
        tone.name = "Pipe";
        Layer& opens = *next.layer(valve);
        opens.name = "Valve opens";
        opens.sameKeys = SameKeys::inTurn;
        opens.follow = 0.0;
        opens.levelDb = -9.0;
        for (auto& zone : opens.zones) {
            zone.lowKey = 36;
            zone.highKey = 84;
        }
        Layer& closes = *next.layer(closing);
        closes.name = "Valve closes";
        closes.when = SoundsWhen::release;
        closes.follow = 0.0;
        closes.levelDb = -12.0;
        tone.filter.kind = FilterKind::low;
        tone.filter.resonance = 0.2;
        tone.filter.envelopeOctaves = 2.0;
        for (const char* sentence : {"wheel cutoff 2 oct", "drift 0.3 Hz cutoff 0.6 oct by wheel",
                 "touch level 12 dB", "noise shake 12 %"})
            (void)addMovement(tone, *parseMovement(sentence));
        for (auto& zone : closes.zones) {
            zone.lowKey = 36;
            zone.highKey = 84;
            zone.highVelocity = 90;
        }
    });
    settle(window);
}

/// So many effects of different kinds, the third one chosen; the first is passed by where there are
/// many.
void addEffects(MainWindow& window, int count)
{
    window.session().edit("Effects", [count](Instrument& next) {
        constexpr std::array kinds = {EffectKind::drive, EffectKind::chorus, EffectKind::echo,
            EffectKind::reverb, EffectKind::equaliser, EffectKind::compressor, EffectKind::tremolo,
            EffectKind::width, EffectKind::phaser, EffectKind::duck, EffectKind::flanger,
            EffectKind::crush};
        for (int i = 0; i < std::min(count, int(kinds.size())); ++i)
            next.effects.push_back(makeEffect(kinds[std::size_t(i)], i + 1));
        if (count > 4) {
            setValue(next.effects[4], "lowCut", 70.0);
            setValue(next.effects[4], "highDb", 5.0);
            setValue(next.effects[4], "shelfDb", -4.0);
            next.effects[0].on = false;
        }
    });
    settle(window);
}

/// A sheet over the window, as both are seen; what opens it waits until it is closed.
void grabSheet(MainWindow& window, const QString& path, const std::function<void()>& open)
{
    QTimer::singleShot(400, &window, [&window, path] {
        QWidget* sheet = QApplication::activeModalWidget();
        if (sheet == nullptr)
            return;
        QPixmap picture = window.grab();
        QPainter(&picture).drawPixmap(sheet->pos() - window.pos(), sheet->grab());
        picture.save(path);
        sheet->close();
    });
    open();
}

} // namespace

int main(int argc, char** argv)
{
    QApplication application(argc, argv);
    QApplication::setApplicationName(QStringLiteral("puretone-pictures"));
    QStandardPaths::setTestModeEnabled(true); // nothing of this lands among anybody's recordings
    QCommandLineParser parser;
    parser.addPositionalArgument("folder", "Where the pictures go");
    parser.addOptions({{"file", "Instrument or recording", "path"},
        {"size", "Window size", "WxH", "1280x800"}, {"night", "Night watch"},
        {"language", "Language of the window", "code", "en"}, {"only", "One stop, 1 to 7", "stop"},
        {"silent", "Play nothing"}, {"split", "Propose a split, or make it", "propose|make"},
        {"record", "Record from the simulated microphone for so many seconds", "seconds"},
        {"sheet", "One sheet over the window instead of the stops", "shortcuts|close|settings"},
        {"treat", "Treat the take, and choose one of its treatments"},
        {"layers", "Make three layers of the instrument"},
        {"effects", "Add so many effects", "number"},
        {"shelf", "Open the shelf on a folder", "folder"},
        {"press", "Press a button of the stop first", "text"},
        {"into", "The folder that the stop Export shows", "folder"},
        {"manner", "How the first layer plays: 1 at its own length, 2 frozen", "number"}});
    parser.process(application);
    if (parser.positionalArguments().isEmpty())
        return 2;
    language::speak(parser.value("language"));
    Theme::loadFonts();
    const bool night = parser.isSet("night");
    Theme::apply(application, night ? ThemeName::nightWatch : ThemeName::daybreak);
    MainWindow window;
    const auto size = parser.value("size").split('x');
    window.resize(size[0].toInt(), size[1].toInt());
    window.show();
    window.startDevices(simulatedId);
    if (parser.isSet("file"))
        window.session().opening().open(parser.value("file"));
    settle(window);
    if (parser.isSet("split")) {
        window.session().splitting().propose({});
        settle(window);
        if (parser.value("split") == "make") {
            window.session().splitting().make();
            settle(window);
        }
    }
    if (parser.isSet("record")) {
        auto* panel = static_cast<SoundStop*>(window.stop(Stop::sound))->recording();
        panel->open(true);
        window.session().player().useInput(simulatedId);
        QTest::qWait(2500);
        if (parser.value("record").toInt() > 0)
            panel->toggle();
        QTest::qWait(1000 * parser.value("record").toInt());
    }
    if (parser.isSet("treat"))
        treatTake(window);
    if (parser.isSet("layers"))
        addLayers(window);
    if (const int effects = parser.value("effects").toInt(); effects > 0)
        addEffects(window, effects);
    if (const int manner = parser.value("manner").toInt(); manner > 0) {
        window.session().editLayer("Manner", [&](Layer& layer) { layer.manner = Manner(manner); });
        settle(window);
    }
    if (parser.isSet("shelf")) {
        window.shelf()->unfold(true);
        window.shelf()->setFolder(parser.value("shelf"));
        settle(window);
        settle(window);
    }
    window.messages()->endProgress();
    if (const auto sheet = parser.value("sheet"); !sheet.isEmpty()) {
        window.goTo(Stop::sound);
        settle(window);
        const auto path = QDir(parser.positionalArguments().front())
                              .filePath(sheet + (night ? "-night-watch.png" : "-daybreak.png"));
        if (sheet == "listen") {
            ListenPanel panel(window.session(), &window);
            panel.setAttribute(Qt::WA_DeleteOnClose, false);
            panel.openAbove(&window);
            panel.grab().save(path);
            return 0;
        }
        if (sheet == "played") {
            play(window, true);
            play(window, false);
            QTest::qWait(600);
        }
        grabSheet(window, path, [&] {
            if (sheet == "close")
                window.close();
            else if (sheet == "played")
                PlayedSheet(window.session(), &window).ask();
            else if (sheet == "settings")
                SettingsSheet(window).ask();
            else
                showShortcuts(&window);
        });
        return 0;
    }
    // Nobody's own folder.
    window.session().exporting().setFolder(
        parser.isSet("into") ? parser.value("into") : QStringLiteral("/home/keeper/Music"));
    for (const auto stop : allStops) {
        if (parser.isSet("only") && parser.value("only").toInt() != int(stop) + 1)
            continue;
        window.goTo(stop);
        settle(window);
        for (auto* button : window.stop(stop)->findChildren<QPushButton*>())
            if (parser.isSet("press") && button->text() == parser.value("press")
                && button->isVisible())
                button->click();
        settle(window);
        QTest::qWait(stop == Stop::effects ? 500 : 0); // until a print is listened to
        settle(window);
        if (!parser.isSet("silent"))
            play(window, true);
        window.grab().save(QDir(parser.positionalArguments().front())
                               .filePath(QString::fromLatin1(fileNames[int(stop)])
                                   + (night ? "-night-watch.png" : "-daybreak.png")));
        play(window, false);
    }
    window.session().player().allOff();
    return 0;
}
