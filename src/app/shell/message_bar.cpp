// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/message_bar.h"

#include "app/theme/theme.h"

#include <QHBoxLayout>
#include <QListWidget>

namespace puretone::app {

MessageBar::MessageBar(QWidget* parent)
    : QWidget(parent)
    , text_(new QLabel(this))
    , progress_(new QProgressBar(this))
    , cancel_(new QPushButton(tr("Cancel"), this))
    , close_(new QPushButton(tr("Close"), this))
    , which_(new QPushButton(tr("Which?"), this))
{
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(gap + 2, 0, gap + 2, 0);
    row->setSpacing(12);
    row->addWidget(text_, 1);
    row->addWidget(progress_);
    row->addWidget(cancel_);
    row->addWidget(which_);
    row->addWidget(close_);
    setFixedHeight(30);
    text_->setWordWrap(false);
    text_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    text_->setAccessibleName(tr("Message"));
    progress_->setRange(0, 1000);
    progress_->setTextVisible(false);
    progress_->setFixedWidth(220);
    for (auto* button : {cancel_, close_, which_})
        button->setProperty("kind", "plain");
    hide_.setSingleShot(true);
    const auto clear = [this] {
        text_->clear();
        close_->hide();
        which_->hide();
    };
    connect(&hide_, &QTimer::timeout, this, clear);
    connect(close_, &QPushButton::clicked, this, clear);
    connect(cancel_, &QPushButton::clicked, this, &MessageBar::cancelled);
    connect(which_, &QPushButton::clicked, this, &MessageBar::showDetails);
    which_->setToolTip(tr("Shows each of them with its reason"));
    close_->hide();
    which_->hide();
    endProgress();
}

void MessageBar::say(const QString& sentence, bool trouble, const QStringList& details)
{
    details_ = details;
    which_->setVisible(!details.isEmpty());
    // Coral and a sign: trouble is not told by colour alone.
    text_->setText(trouble ? QStringLiteral("! ") + sentence : sentence);
    text_->setToolTip(sentence);
    text_->setStyleSheet(
        QStringLiteral("color: %1; font-weight: %2")
            .arg((trouble ? Theme::tokens().coral : Theme::tokens().quietInk).name())
            .arg(trouble ? 600 : 400));
    close_->setVisible(trouble);
    // Trouble stays until it is closed or something else happens.
    if (trouble)
        hide_.stop();
    else
        hide_.start(8000);
}

void MessageBar::refuse(const QString& why)
{
    say(why, true);
    hide_.start(15000);
}

void MessageBar::showDetails()
{
    auto* list = new QListWidget(this);
    list->setWindowFlags(Qt::Popup);
    list->setAttribute(Qt::WA_DeleteOnClose);
    list->setAccessibleName(text_->text());
    list->setWordWrap(true);
    list->addItems(details_);
    const int rows = std::min(12, int(details_.size()));
    list->resize(std::min(760, width() - 60), 16 + rows * (list->sizeHintForRow(0) + 2));
    const QPoint corner = mapToGlobal(QPoint(gap, 0));
    list->move(corner.x(), corner.y() - list->height() - 4);
    list->show();
}

void MessageBar::showProgress(const QString& what, bool cancellable)
{
    hide_.stop();
    close_->hide();
    which_->hide();
    doing_ = what;
    text_->setText(what);
    text_->setStyleSheet(QStringLiteral("color: %1").arg(Theme::tokens().quietInk.name()));
    progress_->setValue(0);
    progress_->show();
    cancel_->setVisible(cancellable);
}

void MessageBar::setProgress(double share)
{
    progress_->setValue(int(1000.0 * share));
}

void MessageBar::endProgress()
{
    // What was said meanwhile stays.
    if (text_->text() == doing_)
        text_->clear();
    progress_->hide();
    cancel_->hide();
}

} // namespace puretone::app
