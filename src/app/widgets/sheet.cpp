// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/sheet.h"

#include "app/theme/theme.h"

#include <QFrame>
#include <QGuiApplication>
#include <QLabel>
#include <QPainter>

namespace puretone::app {

Sheet::Sheet(QWidget* parent, const QString& title)
    : QDialog(parent, Qt::Dialog | Qt::FramelessWindowHint)
{
    setWindowTitle(title);
    setAttribute(Qt::WA_TranslucentBackground);
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(0, 0, 0, 0);
    auto* card = new QFrame(this);
    card->setProperty("sheet", true);
    outer->addWidget(card);
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(24, 20, 24, 18);
    column->setSpacing(14);
    auto* heading = new QLabel(title, card);
    heading->setProperty("role", "heading");
    heading->setFont(Theme::font(16, Theme::Weight::strong));
    column->addWidget(heading);
    content_ = new QVBoxLayout;
    content_->setSpacing(8);
    column->addLayout(content_);
    column->addSpacing(4);
    buttons_ = new QHBoxLayout;
    buttons_->addStretch(1);
    column->addLayout(buttons_);
}

void Sheet::addText(const QString& text)
{
    auto* label = new QLabel(text, this);
    label->setWordWrap(true);
    label->setTextFormat(Qt::PlainText);
    label->setMinimumWidth(380);
    content_->addWidget(label);
}

QPushButton* Sheet::addButton(const QString& text, bool main)
{
    auto* button = new QPushButton(text, this);
    if (main)
        button->setProperty("kind", "main");
    button->setAutoDefault(false);
    button->setDefault(main);
    buttons_->addWidget(button);
    connect(button, &QPushButton::clicked, this, [this, button] {
        pressed_ = button;
        accept();
    });
    return button;
}

QPushButton* Sheet::ask()
{
    exec();
    return pressed_;
}

void Sheet::showEvent(QShowEvent* event)
{
    QDialog::showEvent(event);
    if (QWidget* window = parentWidget() != nullptr ? parentWidget()->window() : nullptr) {
        adjustSize();
        const QPoint corner = window->rect().center() - rect().center();
        move(window->geometry().topLeft() + corner);
        // An X server without a compositor would leave black what lies outside the round corners.
        if (QGuiApplication::platformName() == QLatin1String("xcb"))
            under_ = window->grab({corner, size()});
    }
}

void Sheet::paintEvent(QPaintEvent* event)
{
    QDialog::paintEvent(event);
    if (!under_.isNull())
        QPainter(this).drawPixmap(0, 0, under_);
}

} // namespace puretone::app
