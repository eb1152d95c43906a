// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/docks/shelf.h"

#include "app/theme/theme.h"
#include "app/widgets/file_dialogs.h"
#include "app/widgets/sound_files.h"

#include <QDir>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace puretone::app {

namespace {

constexpr int openWidth = 210, foldedWidth = 34;
constexpr std::size_t lookColumns = 38;

} // namespace

Shelf::Shelf(Session& session, QWidget* parent)
    : QFrame(parent)
    , session_(session)
{
    setProperty("card", true);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(6, 12, 6, 8);
    heading_ = new QLabel(tr("Shelf"), this);
    heading_->setFont(Theme::font(14, Theme::Weight::strong));
    heading_->setContentsMargins(6, 0, 0, 0);
    fold_ = new QToolButton(this);
    fold_->setAutoRaise(true);
    fold_->setAccessibleName(tr("Shelf of sounds"));
    auto* head = new QHBoxLayout;
    head->setContentsMargins(0, 0, 0, 0);
    head->addWidget(heading_, 1);
    head->addWidget(fold_);
    column->addLayout(head);
    inside_ = new QWidget(this);
    auto* inner = new QVBoxLayout(inside_);
    inner->setContentsMargins(2, 0, 2, 0);
    inner->setSpacing(6);
    buildInside(inner);
    column->addWidget(inside_, 1);
    column->addStretch(0);
    connect(fold_, &QToolButton::clicked, this, [this] { unfold(!open_); });
    list_->installEventFilter(this);
    unfold(false);
}

void Shelf::buildInside(QVBoxLayout* column)
{
    folderName_ = new QLabel(inside_);
    folderName_->setProperty("role", "quiet");
    choose_ = new QPushButton(tr("Folder…"), inside_);
    choose_->setProperty("kind", "small");
    choose_->setToolTip(tr("Choose a folder of sounds to look through"));
    auto* row = new QHBoxLayout;
    row->addWidget(folderName_, 1);
    row->addWidget(choose_);
    column->addLayout(row);
    search_ = new QLineEdit(inside_);
    search_->setPlaceholderText(tr("Words of the name"));
    search_->setAccessibleName(tr("Search the shelf"));
    search_->setClearButtonEnabled(true);
    column->addWidget(search_);
    list_ = new ShelfList(inside_);
    column->addWidget(list_, 1);
    bring_ = new QPushButton(tr("Bring in as a take"), inside_);
    bring_->setToolTip(tr("Listens to it and lays it on the keys of the open layer (Enter)"));
    replace_ = new QPushButton(tr("In place of the take"), inside_);
    replace_->setToolTip(
        tr("The take on screen gets this sound; its keys and shape stay, and of its "
           "loop what fits"));
    column->addWidget(bring_);
    column->addWidget(replace_);
    connect(choose_, &QPushButton::clicked, this, &Shelf::chooseFolder);
    connect(search_, &QLineEdit::textChanged, list_, &ShelfList::setSearch);
    connect(search_, &QLineEdit::returnPressed, this, [this] {
        list_->setFocus();
        list_->choose(0);
    });
    connect(list_, &ShelfList::lookWanted, this, &Shelf::look);
    connect(list_, &ShelfList::chosenChanged, this, [this](const QString& path) {
        session_.audition().hear(path);
        refresh();
    });
    const auto bring = [this](const QString& path) {
        session_.audition().stop();
        session_.opening().addFiles({path});
    };
    connect(list_, &ShelfList::broughtIn, this, bring);
    connect(bring_, &QPushButton::clicked, this, [this, bring] { bring(list_->chosen()); });
    connect(replace_, &QPushButton::clicked, this, [this] {
        session_.audition().stop();
        if (const Take* take = session_.take())
            session_.opening().replaceTake(take->id, list_->chosen());
    });
}

void Shelf::unfold(bool open)
{
    open_ = open;
    setFixedWidth(open ? openWidth : foldedWidth);
    heading_->setVisible(open);
    inside_->setVisible(open);
    fold_->setText(open ? QStringLiteral("‹") : QStringLiteral("›"));
    fold_->setToolTip(open ? tr("Fold the shelf away (Ctrl+L)")
                           : tr("Shelf: look through a folder of sounds by ear (Ctrl+L)"));
    emit unfolded(open);
    if (!open) {
        session_.audition().stop();
        return;
    }
    if (list_->count() == 0)
        fillFrom(dialogs::folderOf(dialogs::Kind::shelf));
    refresh();
    list_->setFocus();
}

void Shelf::chooseFolder()
{
    const auto folder = dialogs::folder(this, tr("A folder of sounds"), dialogs::Kind::shelf);
    if (!folder.isEmpty())
        setFolder(folder);
}

void Shelf::setFolder(const QString& folder)
{
    settings::setFolder(settings::shelfFolder, folder);
    fillFrom(folder);
}

void Shelf::fillFrom(const QString& folder)
{
    const QString name = QDir(folder).dirName();
    folderName_->setText(folderName_->fontMetrics().elidedText(name, Qt::ElideMiddle, 110));
    folderName_->setToolTip(folder);
    session_.background().run(
        JobKind::shelf, Background::Running::cancel,
        [folder](const Progress&) { return soundFilesIn(folder); },
        [this](const QStringList& files) {
            list_->setFiles(files);
            refresh();
            if (files.isEmpty())
                session_.say(tr("There is no sound file in that folder."), false);
        });
}

/// Only those that are seen, and only what a picture needs.
void Shelf::look(const QStringList& paths)
{
    using Looks = std::vector<std::pair<QString, std::optional<QuickLook>>>;
    session_.background().run(
        JobKind::shelfLook, Background::Running::cancel,
        [paths](const Progress& progress) {
            Looks looks;
            for (const auto& path : paths)
                if (!progress.cancelled())
                    looks.emplace_back(path, quickLook(path.toStdString(), lookColumns));
            return looks;
        },
        [this](const Looks& looks) {
            for (const auto& [path, found] : looks)
                list_->setLook(path, found);
        });
}

void Shelf::refresh()
{
    const bool chosen = !list_->chosen().isEmpty();
    const Take* take = session_.take();
    bring_->setEnabled(chosen);
    replace_->setEnabled(chosen && take != nullptr);
    replace_->setText(take == nullptr
            ? tr("In place of the take")
            : replace_->fontMetrics().elidedText(
                tr("In place of %1").arg(QString::fromStdString(take->name)), Qt::ElideRight, 160));
}

void Shelf::paintEvent(QPaintEvent* event)
{
    QFrame::paintEvent(event);
    if (open_)
        return;
    // Folded, it still says what it is.
    QPainter painter(this);
    painter.setFont(Theme::font(13, Theme::Weight::medium));
    painter.setPen(Theme::tokens().quietInk);
    painter.translate(width() / 2.0, 78.0);
    painter.rotate(90.0);
    painter.drawText(QRectF(-30.0, -10.0, 60.0, 20.0), Qt::AlignCenter, tr("Shelf"));
}

void Shelf::mousePressEvent(QMouseEvent* event)
{
    if (!open_ && event->button() == Qt::LeftButton)
        unfold(true);
}

bool Shelf::eventFilter(QObject* watched, QEvent* event)
{
    // Elsewhere the document is played.
    if (watched == list_ && event->type() == QEvent::FocusOut)
        session_.audition().stop();
    if (watched == list_ && event->type() == QEvent::KeyPress
        && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
        session_.audition().stop();
        return true;
    }
    return QFrame::eventFilter(watched, event);
}

} // namespace puretone::app
