// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/main_window.h"

#include "app/session/settings.h"
#include "app/shell/settings_sheet.h"

#include "app/shell/listen_panel.h"
#include "app/shell/played_sheet.h"
#include "app/shell/recent_files.h"
#include "app/shell/sound_files.h"
#include "app/shell/window_place.h"
#include "app/stops/sound_stop.h"
#include "app/widgets/sheet.h"

#include <QApplication>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QMimeData>
#include <QSettings>
#include <QStandardPaths>

namespace puretone::app {

namespace {

/// Where the demo instrument is installed, or lies beside the sources; empty where it is not.
QString demoInstrument()
{
    for (const char* place : {"/../share/puretone/", "/../../demo/"}) {
        const QFileInfo demo(QApplication::applicationDirPath() + QString::fromLatin1(place)
            + QStringLiteral("skerry-light.puretone"));
        if (demo.isFile())
            return demo.canonicalFilePath();
    }
    return {};
}

} // namespace

namespace {

QFrame* rule(QWidget* parent)
{
    auto* line = new QFrame(parent);
    line->setProperty("role", "rule");
    return line;
}

} // namespace

MainWindow::MainWindow(QWidget* parent)
    : QWidget(parent)
{
    setObjectName(QStringLiteral("window"));
    setAttribute(Qt::WA_StyledBackground);
    setWindowTitle(tr("Pure Tone"));
    setAcceptDrops(true);
    placeWindow(*this);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    buildHead(column);
    column->addWidget(rule(this));
    auto* middle = new QHBoxLayout;
    middle->setContentsMargins(gap, 12, gap, 0);
    middle->setSpacing(gap);
    shelf_ = new Shelf(session_, this);
    middle->addWidget(shelf_);
    connect(shelf_, &Shelf::unfolded, this, [this](bool open) {
        // In a small window there is room for one of both.
        constexpr int roomForBoth = 1160;
        if (open && width() < roomForBoth)
            foldTakes(true);
    });
    buildTakes(middle);
    bench_ = new QStackedWidget(this);
    middle->addWidget(bench_, 1);
    column->addLayout(middle, 1);
    offers_ = new OfferBar(this);
    column->addWidget(offers_);
    messages_ = new MessageBar(this);
    column->addWidget(messages_);
    column->addWidget(rule(this));
    dock_ = new KeysDock(session_, this);
    column->addWidget(dock_);
    devices_ = new DevicePanel(session_.player(), this);
    buildStops();
    buildActions();

    connect(&session_, &Session::changed, this, &MainWindow::refresh);
    connect(&session_, &Session::derivedChanged, this, &MainWindow::refresh);
    connect(&session_, &Session::message, messages_, &MessageBar::say);
    connect(&session_.opening(), &Opening::changed, this, [this] {
        if (session_.opening().busy())
            messages_->showProgress(tr("Listening to the recording…"));
        else
            messages_->endProgress();
        refresh();
    });
    connect(&session_.background(), &Background::progressed, this,
        [this](const JobKey& key, double share) {
            if (key.kind == JobKind::treat || key.kind == JobKind::walk)
                showTreating(share);
        });
    connect(&session_.background(), &Background::rested, this, [this](const JobKey& key) {
        if ((key.kind == JobKind::treat || key.kind == JobKind::walk) && !session_.opening().busy())
            messages_->endProgress();
    });
    connect(messages_, &MessageBar::cancelled, &session_.treating(),
        [this] { session_.treating().drop(); });
    connect(&session_.opening(), &Opening::progressed, messages_, &MessageBar::setProgress);
    connect(messages_, &MessageBar::cancelled, &session_.opening(), &Opening::cancel);
    connect(
        dock_, &KeysDock::devicesAsked, this, [this](QWidget* near) { devices_->openAbove(near); });
    connect(&session_.opening(), &Opening::opened, this, &RecentFiles::add);
    connect(&session_.opening(), &Opening::presetsFound, this, &MainWindow::choosePreset,
        Qt::QueuedConnection);
    connect(dock_, &KeysDock::listeningAsked, this,
        [this](QWidget* near) { (new ListenPanel(session_, this))->openAbove(near); });
    connect(dock_, &KeysDock::keepAsked, this, &MainWindow::keepPlayed);
    connect(&ticker_, &QTimer::timeout, this, &MainWindow::tick);
    ticker_.start(33);
    qApp->installEventFilter(this);
    goTo(Stop::sound);
}

MainWindow::~MainWindow()
{
    // A field that loses its focus hands in what was typed: while everything is still there.
    if (QWidget* focused = focusWidget())
        focused->clearFocus();
    // Widgets use the session to their end, so they go before it, which is a member.
    ticker_.stop();
    session_.disconnect(this);
    qDeleteAll(findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
}

void MainWindow::refreshTakes()
{
    const auto& takes = session_.instrument().takes;
    takesCard_->setVisible(takes.size() > 1);
    takesCard_->setFixedWidth(takesFolded_ ? 44 : 190);
    takesScroll_->setVisible(!takesFolded_);
    foldTakes_->setText(takesFolded_ ? QStringLiteral("›") : QStringLiteral("‹"));
    foldTakes_->setToolTip(takesFolded_ ? tr("Show the %1 takes").arg(takes.size())
                                        : tr("Fold the list of takes away"));
    std::vector<TakeRow> rows;
    for (const auto& take : takes) {
        const bool noPitch = take.facts->pitch.verdict == PitchVerdict::none
            && take.tuning.source == TuningSource::proposed;
        rows.push_back({take.id, QString::fromStdString(take.name),
            typeset(noteName(take.tuning.rootKey, session_.naming())),
            contradictsSeries(take)
                ? tr("reads as %1")
                      .arg(typeset(
                          noteName(nearestKey(take.tuning.onKeys(*take.facts->pitch.midi)).key,
                              session_.naming())))
                : noPitch                                          ? tr("no clear pitch")
                : !take.loop.on && take.facts->loopChoices.empty() ? tr("no loop yet")
                                                                   : QString(),
            session_.pictures().peaksOf(&take), take.kept});
    }
    const Take* shown = session_.take();
    takes_->setRows(std::move(rows), shown != nullptr ? shown->id : 0);
}

void MainWindow::showTreating(double share)
{
    // Short takes are treated before a bar could be read.
    constexpr double longSeconds = 60.0;
    const Take* take = session_.take();
    if (take == nullptr || session_.opening().busy()
        || take->recording->audio->seconds() < longSeconds)
        return;
    if (share == 0.0)
        messages_->showProgress(tr("Treating the recording…"));
    messages_->setProgress(share);
}

void MainWindow::fillRecent()
{
    recent_->clear();
    for (const auto& path : RecentFiles::list()) {
        const QFileInfo info(path);
        auto* action = recent_->addAction(
            info.fileName(), this, [this, path] { session_.opening().open(path); });
        action->setToolTip(path);
        action->setEnabled(info.exists());
    }
    if (recent_->isEmpty())
        recent_->addAction(tr("Nothing was opened yet"))->setEnabled(false);
}

void MainWindow::record()
{
    goTo(Stop::sound);
    auto* panel = static_cast<SoundStop*>(stop(Stop::sound))->recording();
    if (panel->isOpen())
        panel->toggle();
    else
        panel->open(true);
}

void MainWindow::offerLeft(const std::shared_ptr<const LeftBehind>& left)
{
    const auto& documents = left->documents;
    const auto name = QString::fromStdString(documents.front().name);
    Offer offer;
    offer.sentence = documents.size() == 1
        ? tr("%1 had changes that were not saved when Pure Tone ended; they are still there.")
              .arg(name)
        : tr("%1 and %2 more had changes that were not saved when Pure Tone ended; they are still "
             "there.")
              .arg(name)
              .arg(documents.size() - 1);
    offer.action = tr("Open");
    offer.take = [this, left] { session_.saving().recover(left); };
    offer.refusal = tr("Throw away");
    offer.refuse = [left] { discard(*left); };
    offers_->add(std::move(offer));
}

void MainWindow::offerUnfinished()
{
    QStringList folders;
    for (const auto& path : RecentFiles::list())
        folders << QFileInfo(path).absolutePath();
    folders.removeDuplicates();
    session_.saving().sweep(folders);
    for (auto& left : leftBehind(Saving::journalFolder()))
        offerLeft(std::make_shared<const LeftBehind>(std::move(left)));
    const auto found = unfinishedRecordings(Opening::recordingsFolder());
    if (found.empty())
        return;
    Offer offer;
    offer.sentence = found.size() == 1
        ? tr("A recording was interrupted before it ended; it is still there.")
        : tr("%1 recordings were interrupted before they ended; they are still there.")
              .arg(found.size());
    offer.action = tr("Open");
    offer.take = [this, found] {
        QStringList paths;
        for (const auto& path : found)
            paths << QString::fromStdString(finishRecording(path).string());
        session_.opening().addFiles(paths);
    };
    offers_->add(std::move(offer));
}

void MainWindow::choosePreset(
    const QString& path, const QStringList& joining, const std::vector<BankPreset>& presets)
{
    Sheet question(this, tr("Which instrument?"));
    question.addText(
        tr("%1 holds %2 of them.").arg(QFileInfo(path).fileName()).arg(presets.size()));
    auto* list = new QListWidget(&question);
    list->setAccessibleName(tr("Instruments of the bank"));
    list->setMinimumSize(360, 300);
    for (const auto& preset : presets)
        list->addItem(tr("%1:%2  %3")
                          .arg(preset.bank, 3, 10, QLatin1Char('0'))
                          .arg(preset.program, 3, 10, QLatin1Char('0'))
                          .arg(QString::fromStdString(preset.name)));
    list->setCurrentRow(0);
    question.content()->addWidget(list);
    question.addButton(tr("Cancel"));
    auto* open = question.addButton(tr("Open"), true);
    connect(list, &QListWidget::itemActivated, open, &QPushButton::click);
    if (question.ask() == open && list->currentRow() >= 0)
        session_.opening().open(path, joining, std::size_t(list->currentRow()));
}

void MainWindow::welcome(bool opensDemo)
{
    const auto demo = demoInstrument();
    Offer offer;
    offer.sentence = opensDemo && !demo.isEmpty()
        ? tr("Welcome. This is a fog horn: press A, S, D and F, or click the keys. Then drop a "
             "recording of your own on the window.")
        : tr("Welcome. Press A, S, D and F, or click the keys; drop a recording of your own on the "
             "window. F1 lists all shortcuts.");
    offer.action = tr("Settings…");
    offer.take = [this] { SettingsSheet(*this).ask(); };
    offers_->add(std::move(offer));
    if (opensDemo && !demo.isEmpty())
        session_.opening().open(demo);
}

void MainWindow::openFiles(const QStringList& paths)
{
    if (paths.size() == 1) {
        session_.opening().open(paths.front());
        return;
    }
    // An instrument is no take: the first one is opened, and what else was named joins it.
    const auto instrument = std::find_if(paths.begin(), paths.end(), [](const QString& path) {
        const auto kind = kindOfFile(path.toStdString());
        return kind && *kind != FileKind::wav;
    });
    if (instrument == paths.end()) {
        session_.opening().addFiles(paths);
        return;
    }
    QStringList others = paths;
    others.removeAt(instrument - paths.begin());
    session_.opening().open(*instrument, others);
}

void MainWindow::goTo(Stop stop)
{
    path_->setCurrent(stop);
    bench_->setCurrentIndex(int(stop));
    refresh();
}

void MainWindow::setTheme(ThemeName name)
{
    Theme::apply(*qApp, name);
    settings::setThemeWish(name == ThemeName::daybreak ? settings::ThemeWish::daybreak
                                                       : settings::ThemeWish::nightWatch);
    for (auto* stop : stops_)
        stop->refresh();
    refresh();
    for (auto* child : findChildren<QWidget*>())
        child->update();
}

void MainWindow::startDevices(const std::string& outputId)
{
    auto& player = session_.player();
    player.useMidi(simulatedId);
    if (!outputId.empty())
        player.useOutput(outputId);
    // What is there is asked for beside the window: a sound server may have to be woken.
    connect(
        &player, &Player::devicesFound, this,
        [this, &player, choose = outputId.empty()] {
            if (!player.devices().keyboards.front().simulated)
                player.useMidi(player.devices().keyboards.front().id);
            const auto& best = player.devices().outputs.front();
            if (!choose || player.output() != nullptr)
                return;
            player.useOutput(best.id);
            if (best.simulated)
                session_.say(tr("No audio device was found: playing through the simulated output. "
                                "Choose another below the meter."),
                    false);
        },
        Qt::SingleShotConnection);
    player.findDevices();
}

void MainWindow::refresh()
{
    const Take* take = session_.take();
    const QFontMetrics nameMetrics(name_->font());
    name_->setText(nameMetrics.elidedText(
        QString::fromStdString(session_.instrument().name), Qt::ElideRight, sideWidth - 34));
    name_->setToolTip(QString::fromStdString(session_.instrument().name));
    const QString file = take != nullptr ? QString::fromStdString(take->recording->fileName)
                                         : tr("no recording yet");
    takeName_->setText(takeName_->fontMetrics().elidedText(file, Qt::ElideMiddle, sideWidth - 8));
    takeName_->setToolTip(file);
    std::vector<Reading> readings;
    readings.reserve(allStops.size());
    for (const auto stop : allStops)
        readings.push_back(readingOf(stop, session_.instrument(), take, session_.naming(),
            {session_.looping().seam(),
                session_.splitting().proposal() ? 1 : session_.splitting().notesInside()}));
    if (take != nullptr)
        readings.back().text =
            session_.history().isSaved() && !session_.path().isEmpty() ? "saved" : "not saved yet";
    path_->setReadings(std::move(readings));
    const auto& history = session_.history();
    undo_->setEnabled(history.canUndo());
    redo_->setEnabled(history.canRedo());
    undo_->setToolTip(history.canUndo()
            ? tr("Undo: %1 (Ctrl+Z)").arg(QString::fromStdString(history.undoName()))
            : tr("Nothing to undo"));
    redo_->setToolTip(history.canRedo()
            ? tr("Redo: %1 (Ctrl+Shift+Z)").arg(QString::fromStdString(history.redoName()))
            : tr("Nothing to redo"));
    setWindowTitle(tr("%1%2 – Pure Tone")
                       .arg(QString::fromStdString(session_.instrument().name),
                           history.isSaved() ? QString() : QStringLiteral(" *")));
    refreshTakes();
    shelf_->refresh();
    if (stops_[0] != nullptr)
        stop(path_->current())->refresh();
    dock_->refresh();
}

void MainWindow::tick()
{
    const auto heard = dock_->tick();
    const bool ours = session_.take() != nullptr && heard.take == session_.take()->id;
    stop(path_->current())->showPlayhead(ours ? heard.position : -1.0);
    stop(path_->current())->showHeard(heard, session_.player().engine().keysDown());
}

void MainWindow::openDialog()
{
    const auto path = QFileDialog::getOpenFileName(
        this, tr("Open a recording or an instrument"), QString(), soundAndInstrumentFilter());
    if (!path.isEmpty())
        session_.opening().open(path);
}

bool MainWindow::save()
{
    if (session_.path().isEmpty())
        return saveAs();
    if (!mayOverwrite(session_.path()))
        return false;
    session_.saving().save(session_.path());
    return true;
}

/// Asks where somebody else has written to a file since; true when it may be replaced.
bool MainWindow::mayOverwrite(const QString& path)
{
    if (!session_.saving().changedOutside(path))
        return true;
    Sheet question(this, tr("Replace what was changed elsewhere?"));
    question.addText(tr("%1 was changed by another program or window since it was opened here. "
                        "What is there now is kept beside it as %1~.")
                         .arg(QFileInfo(path).fileName()));
    question.addButton(tr("Keep it"));
    const auto* other = question.addButton(tr("Save under another name…"));
    const auto* replace = question.addButton(tr("Replace"), true);
    const auto* pressed = question.ask();
    if (pressed == other)
        saveAs();
    return pressed == replace;
}

bool MainWindow::saveAs()
{
    const auto path = askForFile(QString::fromStdString(session_.instrument().name));
    if (path.isEmpty())
        return false;
    session_.saving().save(path);
    return true;
}

QString MainWindow::askForFile(const QString& name)
{
    auto path = QFileDialog::getSaveFileName(this, tr("Save the instrument with its audio inside"),
        name + QStringLiteral(".puretone"), tr("Pure Tone instruments (*.puretone)"));
    if (!path.isEmpty() && kindOfFile(path.toStdString()) != FileKind::project)
        path += QStringLiteral(".puretone");
    return path;
}

void MainWindow::keepPlayed()
{
    if (session_.player().kept() == nullptr) {
        session_.say(tr("The output is being opened: nothing has been played yet."), false);
        return;
    }
    PlayedSheet(session_, this).ask();
}

// ---- Events
// ----------------------------------------------------------------------------------------

void MainWindow::dragEnterEvent(QDragEnterEvent* event)
{
    // What is dragged out of this window and let go over it stays what it was.
    const bool back = event->source() != nullptr
        && !event->mimeData()->hasFormat(QStringLiteral("application/x-puretone-sound"));
    if (event->mimeData()->hasUrls() && !back)
        event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event)
{
    QStringList paths;
    for (const auto& url : event->mimeData()->urls())
        if (url.isLocalFile())
            paths << url.toLocalFile();
    if (paths.isEmpty())
        return;
    event->acceptProposedAction();
    // On the list of takes, or several at once: they join. One on the bench takes the place of all.
    const QPoint place = takesCard_->mapFrom(this, event->position().toPoint());
    const bool ours = event->mimeData()->hasFormat(QStringLiteral("application/x-puretone-sound"));
    const bool onList = ours || (takesCard_->isVisible() && takesCard_->rect().contains(place));
    const bool folder = QFileInfo(paths.front()).isDir();
    if (folder)
        paths = soundFilesIn(paths.front());
    if (folder && paths.isEmpty())
        session_.say(tr("There is no sound file in that folder."));
    else if (paths.size() > 1 || onList || folder)
        session_.opening().addFiles(paths);
    else
        session_.opening().open(paths.front());
}

bool MainWindow::mayDiscard()
{
    const auto unsaved = session_.history().unsaved();
    return std::all_of(unsaved.begin(), unsaved.end(),
        [this](const History::Unsaved& document) { return maySkip(document); });
}

/// Asks what is to become of it; true when it is saved or may be lost.
bool MainWindow::maySkip(const History::Unsaved& document)
{
    const auto name = QString::fromStdString(document.value.name);
    const bool shown = document.document == session_.history().document();
    Sheet question(this, tr("Save before closing?"));
    question.addText(shown
            ? tr("%1 has changes that are not saved.").arg(name)
            : tr("%1, which was open before, has changes that are not saved.").arg(name));
    question.addButton(tr("Go back"));
    const auto* discard = question.addButton(tr("Do not save"));
    const auto* save = question.addButton(tr("Save"), true);
    const auto* pressed = question.ask();
    if (pressed != save)
        return pressed == discard;
    const auto path =
        document.file.empty() ? askForFile(name) : QString::fromStdString(document.file);
    return !path.isEmpty() && mayOverwrite(path) && session_.saving().saveNow(document, path);
}

void MainWindow::closeEvent(QCloseEvent* event)
{
    // A recording that goes on becomes a take first, and so work that may be saved.
    auto* panel = static_cast<SoundStop*>(stop(Stop::sound))->recording();
    if (panel->isRecording()) {
        panel->toggle();
        session_.background().settle();
    }
    event->setAccepted(mayDiscard());
    if (event->isAccepted())
        rememberPlace(*this);
}

bool MainWindow::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() != QEvent::KeyPress && event->type() != QEvent::KeyRelease)
        return QWidget::eventFilter(watched, event);
    auto* target = qobject_cast<QWidget*>(watched);
    const bool ours = target != nullptr && target->window() == this;
    // Letters that are typed into a field are letters; a focused button keeps its space bar.
    auto* key = static_cast<QKeyEvent*>(event);
    const bool writes =
        qobject_cast<QLineEdit*>(target) != nullptr || qobject_cast<QComboBox*>(target) != nullptr;
    const bool button =
        qobject_cast<QAbstractButton*>(target) != nullptr && key->key() == Qt::Key_Space;
    if (ours && !writes && !button && dock_->typed(key))
        return true;
    return QWidget::eventFilter(watched, event);
}

void MainWindow::changeEvent(QEvent* event)
{
    // Keys that were down when the window lost the focus would sound for ever.
    if (event->type() == QEvent::ActivationChange && !isActiveWindow()
        && !dock_->holdButton()->isChecked())
        dock_->releaseTyped();
    QWidget::changeEvent(event);
}

} // namespace puretone::app
