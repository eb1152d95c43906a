// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/main_window.h"

#include "app/session/settings.h"
#include "app/sheets/played_sheet.h"
#include "app/shell/docks/listen_panel.h"
#include "app/shell/job_status.h"
#include "app/shell/recent_files.h"
#include "app/shell/window_place.h"
#include "app/stops/sound/sound_stop.h"
#include "app/widgets/own_keys.h"
#include "app/widgets/sheet.h"
#include "app/widgets/sound_files.h"

#include <QAbstractItemView>
#include <QApplication>
#include <QDragEnterEvent>
#include <QFileInfo>
#include <QMimeData>
#include <QSettings>

namespace puretone::app {

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
    connect(&session_, &Session::refused, messages_, &MessageBar::refuse);
    connect(&session_.opening(), &Opening::changed, this, &MainWindow::refresh);
    new JobStatus(session_, *messages_);
    connect(
        dock_, &KeysDock::devicesAsked, this, [this](QWidget* near) { devices_->openAbove(near); });
    connect(&session_.opening(), &Opening::opened, this, &RecentFiles::add);
    connect(&session_.opening(), &Opening::presetsFound, this, &MainWindow::choosePreset,
        Qt::QueuedConnection);
    connect(&session_.opening(), &Opening::rootsDisagree, this, &MainWindow::offerNames);
    connect(&session_.opening(), &Opening::notesMissing, this, &MainWindow::offerNoises);
    connect(dock_, &KeysDock::listeningAsked, this,
        [this](QWidget* near) { (new ListenPanel(session_, this))->openAbove(near); });
    connect(dock_, &KeysDock::keepAsked, this, &MainWindow::keepPlayed);
    connect(&ticker_, &QTimer::timeout, this, &MainWindow::tick);
    ticker_.start(33);
    qApp->installEventFilter(this);
    connect(qApp, &QApplication::focusChanged, this, [this](QWidget* old, QWidget* now) {
        // A button that is switched off while it works hands its focus on: nobody types there.
        const bool handedOn = old != nullptr && !old->isEnabled();
        doneWith_ = handedOn ? qobject_cast<QLineEdit*>(now) : nullptr;
        if (doneWith_ != nullptr)
            doneWith_->deselect();
    });
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
    for (const Take* listed : byLayerAndPitch(session_.instrument())) {
        const Take& take = *listed;
        rows.push_back({take.id, QString::fromStdString(take.name),
            typeset(noteName(take.tuning.rootKey, session_.naming())),
            contradictsSeries(take)
                ? tr("reads as %1")
                      .arg(typeset(
                          noteName(nearestKey(take.tuning.onKeys(*take.facts->pitch.midi)).key,
                              session_.naming())))
                : take.lacksPitch() ? tr("no clear pitch")
                : !take.loop.on && take.facts.known() && take.facts->loopChoices.empty()
                ? tr("no loop yet")
                : QString(),
            session_.pictures().peaksOf(&take), take.kept});
    }
    const Take* shown = session_.take();
    takes_->setRows(std::move(rows), shown != nullptr ? shown->id : 0);
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

void MainWindow::goTo(Stop stop)
{
    path_->setCurrent(stop);
    bench_->setCurrentIndex(int(stop));
    refresh();
}

void MainWindow::followDesktop(bool dark)
{
    settings::setDesktopDark(dark);
    const auto wish = settings::themeWish();
    if (settings::themeFor(wish) != Theme::name())
        setThemeWish(wish);
}

void MainWindow::setThemeWish(settings::ThemeWish wish)
{
    Theme::apply(*qApp, settings::themeFor(wish));
    settings::setThemeWish(wish);
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
            if (const auto& keys = player.preferredMidi(); !keys.simulated)
                player.useMidi(keys.id);
            const auto& best = player.preferredOutput();
            if (!choose || player.output() != nullptr)
                return;
            player.useOutput(best.id);
            if (player.devices().outputs.front().simulated)
                session_.say(tr("No audio device was found: playing through the simulated output. "
                                "Choose another below the meter."),
                    false);
        },
        Qt::SingleShotConnection);
    player.findDevices();
}

void MainWindow::refresh()
{
    offers_->look();
    const Take* take = session_.take();
    const QFontMetrics nameMetrics(name_->font());
    const auto& given = session_.instrument().name;
    const QString name =
        given == Instrument{}.name ? tr("Untitled") : QString::fromStdString(given);
    name_->setText(nameMetrics.elidedText(name, Qt::ElideRight, sideWidth - 34));
    name_->setToolTip(name);
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
        readings.back().text = session_.history().isSaved() && !session_.path().isEmpty()
            ? tr("saved").toStdString()
            : tr("not saved yet").toStdString();
    path_->setReadings(std::move(readings));
    const auto& history = session_.history();
    const auto undo = session_.undoName(), redo = session_.redoName();
    undo_->setEnabled(!undo.isEmpty());
    redo_->setEnabled(!redo.isEmpty());
    undo_->setToolTip(undo.isEmpty() ? tr("Nothing to undo") : tr("Undo: %1 (Ctrl+Z)").arg(undo));
    redo_->setToolTip(
        redo.isEmpty() ? tr("Nothing to redo") : tr("Redo: %1 (Ctrl+Shift+Z)").arg(redo));
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
    session_.audition().giveWay();
    const bool ours = session_.take() != nullptr && heard.take == session_.take()->id;
    stop(path_->current())->showPlayhead(ours ? heard.position : -1.0);
    stop(path_->current())->showHeard(heard, session_.player().engine().keysDown());
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
    const auto dropped = droppedPaths(*event->mimeData());
    if (dropped.remote)
        session_.say(tr("%1 is not on this computer. Save it here first, then drop the file.")
                         .arg(*dropped.remote));
    if (dropped.emptyFolders)
        session_.say(tr("There is no sound file in that folder."));
    const QStringList& paths = dropped.paths;
    if (paths.isEmpty())
        return;
    event->acceptProposedAction();
    // On the list of takes, or several at once: they join. One on the bench takes the place of all.
    const QPoint place = takesCard_->mapFrom(this, event->position().toPoint());
    const bool ours = event->mimeData()->hasFormat(QStringLiteral("application/x-puretone-sound"));
    const bool onList = ours || (takesCard_->isVisible() && takesCard_->rect().contains(place));
    // An instrument is no take: it is opened, whatever comes with it.
    if (std::any_of(paths.begin(), paths.end(), isInstrumentFile))
        openFiles(paths);
    else if (paths.size() > 1 || onList || dropped.folders)
        session_.opening().addFiles(paths);
    else
        session_.opening().open(paths.front());
}

/// What is being typed is meant: it is in the document before anything is done with that.
void MainWindow::commitTyping()
{
    if (auto* field = qobject_cast<QLineEdit*>(focusWidget()); field != nullptr)
        emit field->editingFinished();
}

void MainWindow::closeEvent(QCloseEvent* event)
{
    commitTyping();
    // A recording that goes on becomes a take first, and so work that may be saved.
    auto* panel = static_cast<SoundStop*>(stop(Stop::sound))->recording();
    if (panel->isRecording()) {
        panel->toggle();
        // It alone is waited for, not what else goes on beside the window.
        while (session_.opening().busy())
            QCoreApplication::processEvents(QEventLoop::ExcludeUserInputEvents, 20);
    }
    event->setAccepted(mayDiscard());
    if (event->isAccepted())
        rememberPlace(*this);
}

/// A field has undo of its own while one types; it would keep the keys for it afterwards, too.
bool MainWindow::leavesUndoToUs(QObject* watched, QEvent* event) const
{
    const auto* field = qobject_cast<QLineEdit*>(watched);
    const auto* key = static_cast<QKeyEvent*>(event);
    return field != nullptr && field->window() == this
        && ((key->matches(QKeySequence::Undo) && !field->isUndoAvailable())
            || (key->matches(QKeySequence::Redo) && !field->isRedoAvailable()));
}

/// The space bar of what is pressed or chosen with it, and the pages of what is turned over by
/// them, are not for the keys of the piano.
bool MainWindow::wantsKey(const QWidget& target, const QKeyEvent& key) const
{
    const bool space = key.key() == Qt::Key_Space;
    const bool page = key.key() == Qt::Key_PageUp || key.key() == Qt::Key_PageDown;
    return (space
               && (qobject_cast<const QAbstractButton*>(&target) != nullptr
                   || qobject_cast<const QComboBox*>(&target) != nullptr
                   || qobject_cast<const QAbstractItemView*>(&target) != nullptr
                   || target.property(pressedBySpace).toBool()))
        || (page && key.modifiers() == Qt::NoModifier
            && (qobject_cast<const QAbstractItemView*>(&target) != nullptr
                || target.property(turnedByPages).toBool()));
}

bool MainWindow::eventFilter(QObject* watched, QEvent* event)
{
    // A choice under the pointer is no obstacle for a column that is scrolled, and does not change.
    if (event->type() == QEvent::Wheel && qobject_cast<QComboBox*>(watched) != nullptr) {
        event->ignore();
        return true;
    }
    if (event->type() == QEvent::ShortcutOverride && leavesUndoToUs(watched, event)) {
        event->ignore();
        return true;
    }
    if (event->type() == QEvent::MouseButtonPress && watched == doneWith_)
        doneWith_ = nullptr;
    if (event->type() != QEvent::KeyPress && event->type() != QEvent::KeyRelease)
        return QWidget::eventFilter(watched, event);
    auto* target = qobject_cast<QWidget*>(watched);
    const bool ours = target != nullptr && target->window() == this;
    // Letters that are typed into a field are letters, until Enter says that it is done.
    auto* key = static_cast<QKeyEvent*>(event);
    auto* field = qobject_cast<QLineEdit*>(target);
    const bool writes = field != nullptr && field != doneWith_;
    // A key that sounds comes up, wherever the focus has gone meanwhile.
    const bool ends = event->type() == QEvent::KeyRelease && dock_->sounds(*key);
    if ((ends || (ours && !writes && !wantsKey(*target, *key))) && dock_->typed(key))
        return true;
    if (ours && field != nullptr && event->type() == QEvent::KeyPress) {
        if (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter)
            doneWith_ = field;
        else if (!key->text().isEmpty())
            doneWith_ = nullptr;
    }
    return QWidget::eventFilter(watched, event);
}

void MainWindow::changeEvent(QEvent* event)
{
    // Keys that were down when the window lost the focus would sound for ever.
    if (event->type() == QEvent::ActivationChange && !isActiveWindow())
        dock_->releaseTyped();
    QWidget::changeEvent(event);
}

} // namespace puretone::app
