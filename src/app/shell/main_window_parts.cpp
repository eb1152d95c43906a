// SPDX-License-Identifier: GPL-3.0-or-later
// The parts of the main window and what they are connected to.
#include "app/shell/main_window.h"

#include "app/sheets/shortcuts.h"
#include "app/shell/settings_sheet.h"
#include "app/stops/effects/effects_stop.h"
#include "app/stops/export/export_stop.h"
#include "app/stops/keys/keys_stop.h"
#include "app/stops/loop/loop_stop.h"
#include "app/stops/pitch/pitch_stop.h"
#include "app/stops/shape/shape_stop.h"
#include "app/stops/sound/sound_stop.h"
#include "app/widgets/file_dialogs.h"
#include "app/widgets/sound_files.h"

#include <QScrollArea>

namespace puretone::app {

namespace {

constexpr int headHeight = 74;

} // namespace

void MainWindow::buildHead(QVBoxLayout* column)
{
    auto* head = new QWidget(this);
    head->setFixedHeight(headHeight);
    auto* row = new QHBoxLayout(head);
    row->setContentsMargins(gap, 0, gap, 0);
    auto* names = new QVBoxLayout;
    names->setSpacing(1);
    auto* titleRow = new QHBoxLayout;
    titleRow->setSpacing(4);
    name_ = new QLabel(head);
    name_->setFont(Theme::font(16, Theme::Weight::strong));
    name_->setAccessibleName(tr("Instrument"));
    takeName_ = new QLabel(head);
    takeName_->setProperty("role", "quiet");
    takeName_->setAccessibleName(tr("Take"));
    menu_ = new QToolButton(head);
    menu_->setText(QStringLiteral("▾"));
    menu_->setAutoRaise(true);
    menu_->setPopupMode(QToolButton::InstantPopup);
    menu_->setToolTip(tr("Open, save, theme, shortcuts"));
    menu_->setAccessibleName(tr("Instrument menu"));
    menu_->setStyleSheet(QStringLiteral("QToolButton { border: none; padding: 2px 5px; } "
                                        "QToolButton::menu-indicator { image: none; }"));
    titleRow->addWidget(name_);
    titleRow->addWidget(menu_);
    titleRow->addStretch(1);
    names->addStretch(1);
    names->addLayout(titleRow);
    names->addWidget(takeName_);
    names->addStretch(1);
    auto* left = new QWidget(head);
    left->setFixedWidth(sideWidth);
    left->setLayout(names);
    names->setContentsMargins(0, 0, 0, 0);
    row->addWidget(left);
    path_ = new PathBar(head);
    row->addWidget(path_, 1);
    auto* right = new QWidget(head);
    right->setFixedWidth(90);
    auto* steps = new QHBoxLayout(right);
    steps->setContentsMargins(0, 0, 0, 0);
    steps->addStretch(1);
    undo_ = new QToolButton(right);
    redo_ = new QToolButton(right);
    undo_->setText(QStringLiteral("↶"));
    redo_->setText(QStringLiteral("↷"));
    undo_->setAccessibleName(tr("Undo"));
    redo_->setAccessibleName(tr("Redo"));
    for (auto* button : {undo_, redo_}) {
        button->setAutoRaise(true);
        button->setFont(Theme::font(20));
        button->setFixedSize(34, 34);
        steps->addWidget(button);
    }
    row->addWidget(right);
    column->addWidget(head);
    connect(path_, &PathBar::chosen, this, &MainWindow::goTo);
    connect(path_, &PathBar::concernChosen, this, [this](Stop stop) {
        if (stop == Stop::sound)
            session_.splitting().showNotesInside();
    });
    connect(undo_, &QToolButton::clicked, this, [this] { session_.undo(); });
    connect(redo_, &QToolButton::clicked, this, [this] { session_.redo(); });
}

void MainWindow::buildStops()
{
    auto* sound = new SoundStop(session_, this);
    auto* write = new ExportStop(session_, this);
    stops_ = {sound, new PitchStop(session_, this), new LoopStop(session_, this),
        new KeysStop(session_, this), new ShapeStop(session_, this),
        new EffectsStop(session_, this), write};
    for (auto* stop : stops_)
        bench_->addWidget(stop);
    connect(sound, &SoundStop::openAsked, this, &MainWindow::openDialog);
    connect(write, &ExportStop::saveAsked, this, [this] { save(); });
}

void MainWindow::buildTakes(QHBoxLayout* row)
{
    takesCard_ = new QFrame(this);
    takesCard_->setProperty("card", true);
    takesCard_->setFixedWidth(190);
    auto* card = new QVBoxLayout(takesCard_);
    card->setContentsMargins(8, 12, 8, 8);
    takesHeading_ = new QLabel(tr("Takes"), takesCard_);
    takesHeading_->setFont(Theme::font(14, Theme::Weight::strong));
    takesHeading_->setContentsMargins(6, 0, 0, 0);
    foldTakes_ = new QToolButton(takesCard_);
    foldTakes_->setAutoRaise(true);
    foldTakes_->setAccessibleName(tr("Fold the list of takes"));
    auto* headRow = new QHBoxLayout;
    headRow->setContentsMargins(0, 0, 0, 0);
    headRow->addWidget(takesHeading_, 1);
    headRow->addWidget(foldTakes_);
    card->addLayout(headRow);
    connect(foldTakes_, &QToolButton::clicked, this, [this] { foldTakes(!takesFolded_); });
    auto* scroll = new QScrollArea(takesCard_);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setFocusPolicy(Qt::NoFocus);
    auto* inside = new QWidget(scroll);
    auto* column = new QVBoxLayout(inside);
    column->setContentsMargins(0, 0, 0, 0);
    takes_ = new TakeList(inside);
    column->addWidget(takes_);
    column->addStretch(1);
    scroll->setWidget(inside);
    card->addWidget(scroll, 1);
    card->addStretch(0);
    takesScroll_ = scroll;
    row->addWidget(takesCard_);
    takesCard_->hide();
    connect(takes_, &TakeList::chosen, this, &MainWindow::chooseTake);
    connect(takes_, &TakeList::removeAsked, &session_, &Session::removeTake);
    connect(takes_, &TakeList::dragged, &takeDrag_, &TakeDrag::begin);
    connect(takes_, &TakeList::moved, scroll, [this, scroll] {
        // Where a list has grown, it has its new height when all layouts are done.
        QTimer::singleShot(50, scroll, [this, scroll] {
            if (const auto shown = takes_->shownRow()) {
                const auto rect = takes_->rowRect(*shown).toAlignedRect();
                scroll->ensureVisible(rect.left(), rect.center().y(), 0, rect.height());
            }
        });
    });
}

void MainWindow::chooseTake(TakeId id)
{
    session_.showTake(id);
    // What is shaped is what one looks at. On the keys a take may be meant for the open layer.
    const auto plays = [id](const Layer& layer) {
        return std::any_of(layer.zones.begin(), layer.zones.end(),
            [id](const Zone& zone) { return zone.take == id; });
    };
    const auto& layers = session_.instrument().layers;
    const auto found = std::find_if(layers.begin(), layers.end(), plays);
    if (path_->current() != Stop::keys && found != layers.end() && !plays(session_.layer()))
        session_.showLayer(found->id);
}

void MainWindow::foldTakes(bool folded)
{
    takesFolded_ = folded;
    takesHeading_->setVisible(!folded);
    refreshTakes();
}

void MainWindow::buildActions()
{
    auto* menu = new QMenu(this);
    const auto add = [&](const QString& text, const QKeySequence& keys, auto what) {
        auto* action = new QAction(text, this);
        action->setShortcut(keys);
        connect(action, &QAction::triggered, this, [this, what] {
            commitTyping();
            what();
        });
        addAction(action);
        menu->addAction(action);
        return action;
    };
    add(tr("New instrument"), QKeySequence::New, [this] { session_.clear(); });
    add(tr("Open…"), QKeySequence::Open, [this] { openDialog(); });
    add(tr("Add takes…"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_O), [this] {
        session_.opening().addFiles(dialogs::files(
            this, tr("Add recordings as takes"), soundFilter(), dialogs::Kind::sounds));
    });
    recent_ = menu->addMenu(tr("Recent"));
    connect(recent_, &QMenu::aboutToShow, this, &MainWindow::fillRecent);
    add(tr("Record"), QKeySequence(Qt::CTRL | Qt::Key_R), [this] { record(); });
    add(tr("Shelf of sounds"), QKeySequence(Qt::CTRL | Qt::Key_L),
        [this] { shelf_->unfold(!shelf_->isOpen()); });
    menu->addSeparator();
    add(tr("Save instrument"), QKeySequence::Save, [this] { save(); });
    add(tr("Save instrument as…"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S),
        [this] { saveAs(); });
    menu->addSeparator();
    add(tr("Undo"), QKeySequence::Undo, [this] { session_.undo(); });
    add(tr("Redo"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z), [this] { session_.redo(); });
    add(tr("All notes off"), QKeySequence(Qt::CTRL | Qt::Key_Period),
        [this] { session_.player().allOff(); });
    menu->addSeparator();
    add(tr("Daybreak or Night watch"), QKeySequence(Qt::CTRL | Qt::Key_T), [this] {
        setThemeWish(Theme::name() == ThemeName::daybreak ? settings::ThemeWish::nightWatch
                                                          : settings::ThemeWish::daybreak);
    });
    add(tr("Settings…"), QKeySequence(Qt::CTRL | Qt::Key_Comma),
        [this] { SettingsSheet(*this).ask(); });
    add(tr("Shortcuts"), QKeySequence(Qt::Key_F1), [this] { showShortcuts(this); });
    menu->addSeparator();
    // Not every platform has a key of its own for it.
    add(tr("Quit"), QKeySequence(Qt::CTRL | Qt::Key_Q), [this] { close(); });
    menu_->setMenu(menu);
    for (const auto stop : allStops) {
        auto* action = new QAction(this);
        action->setShortcut(QKeySequence(Qt::CTRL | Qt::Key(Qt::Key_1 + int(stop))));
        connect(action, &QAction::triggered, this, [this, stop] { goTo(stop); });
        addAction(action);
    }
}

} // namespace puretone::app
