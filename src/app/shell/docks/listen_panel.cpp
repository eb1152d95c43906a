// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/docks/listen_panel.h"

#include "app/theme/theme.h"
#include "app/widgets/file_dialogs.h"

#include <QFileInfo>
#include <QLabel>

namespace puretone::app {

ListenPanel::ListenPanel(Session& session, QWidget* parent)
    : QFrame(parent, Qt::Popup)
    , session_(session)
    , list_(new QVBoxLayout)
    , stop_(new QPushButton(tr("Stop"), this))
{
    setAttribute(Qt::WA_DeleteOnClose);
    setProperty("card", true);
    setFixedWidth(280);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 16);
    column->setSpacing(6);
    auto* title = new QLabel(tr("Plays round and round, at the tempo"), this);
    title->setProperty("role", "quiet");
    column->addWidget(title);
    list_->setSpacing(4);
    column->addLayout(list_);
    auto* add = new QPushButton(tr("Add a MIDI file\u2026"), this);
    add->setProperty("kind", "plain");
    column->addWidget(add);
    column->addSpacing(4);
    column->addWidget(stop_);
    connect(add, &QPushButton::clicked, this, &ListenPanel::addFile);
    connect(stop_, &QPushButton::clicked, this, [this] {
        session_.listening().stop();
        fill();
    });
    fill();
}

void ListenPanel::fill()
{
    while (auto* item = list_->takeAt(0)) {
        item->widget()->deleteLater();
        delete item;
    }
    int place = 0;
    for (const auto& phrase : session_.listening().list()) {
        const QString name = QString::fromStdString(phrase.name);
        auto* button = new QPushButton(this);
        button->setText(button->fontMetrics().elidedText(name, Qt::ElideMiddle, 210));
        button->setToolTip(name);
        button->setCheckable(true);
        button->setChecked(place == session_.listening().playing());
        connect(button, &QPushButton::clicked, this, [this, place] {
            session_.listening().play(place);
            fill();
        });
        list_->addWidget(button);
        ++place;
    }
    stop_->setEnabled(session_.listening().plays());
}

void ListenPanel::addFile()
{
    const auto path = dialogs::file(parentWidget(), tr("Choose a MIDI file"),
        tr("MIDI files (*.mid *.midi)"), dialogs::Kind::notes);
    const int place = path.isEmpty() ? -1 : session_.listening().addFile(path);
    if (place >= 0) {
        session_.listening().play(place);
        session_.say(tr("%1 plays round and round.").arg(QFileInfo(path).fileName()), false);
    }
    close();
}

void ListenPanel::openAbove(QWidget* anchor)
{
    adjustSize();
    const QPoint corner = anchor->mapToGlobal(QPoint(0, 0));
    move(corner.x(), corner.y() - height() - 6);
    show();
}

} // namespace puretone::app
