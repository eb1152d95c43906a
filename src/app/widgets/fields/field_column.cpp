// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fields/field_column.h"

#include "app/theme/theme.h"

#include <QFrame>
#include <QPointer>
#include <QScrollArea>
#include <QScrollBar>
#include <QSettings>
#include <QTimer>

namespace puretone::app {

FieldColumn::FieldColumn(QWidget* parent)
    : QWidget(parent)
    , column_(new QVBoxLayout(this))
{
    column_->setContentsMargins(0, 0, 0, 0);
    column_->setSpacing(6);
}

ValueField* FieldColumn::addField(FieldSpec spec)
{
    auto* field = new ValueField(std::move(spec), this);
    connect(field, &ValueField::refused, this, &FieldColumn::refused);
    column_->addWidget(field);
    return field;
}

ChoiceField* FieldColumn::addChoice(
    const QString& label, const QString& tip, const QStringList& words)
{
    auto* field = new ChoiceField(label, tip, words, this);
    column_->addWidget(field);
    return field;
}

QLabel* FieldColumn::addReading(const QString& label, const QString& tip)
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(0, 2, 10, 2);
    auto* name = new QLabel(label, this);
    name->setProperty("role", "quiet");
    name->setToolTip(tip);
    auto* value = new QLabel(this);
    value->setAlignment(Qt::AlignRight);
    value->setToolTip(tip);
    value->setAccessibleName(label);
    row->addWidget(name, 1);
    row->addWidget(value);
    column_->addLayout(row);
    return value;
}

QLabel* FieldColumn::addHeading(const QString& text)
{
    auto* heading = new QLabel(text, this);
    heading->setProperty("role", "heading");
    heading->setFont(Theme::font(14, Theme::Weight::strong));
    column_->addWidget(heading);
    column_->addSpacing(2);
    return heading;
}

QPushButton* FieldColumn::makeButton(const QString& text, const QString& tip)
{
    auto* button = new QPushButton(text, this);
    button->setToolTip(tip);
    button->setAccessibleName(text);
    return button;
}

QPushButton* FieldColumn::addButton(const QString& text, const QString& tip, bool main)
{
    auto* button = makeButton(text, tip);
    if (main)
        button->setProperty("kind", "main");
    column_->addWidget(button);
    return button;
}

std::vector<QPushButton*> FieldColumn::addButtons(
    const std::vector<std::pair<QString, QString>>& textsAndTips)
{
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    std::vector<QPushButton*> buttons;
    for (const auto& [text, tip] : textsAndTips) {
        buttons.push_back(makeButton(text, tip));
        row->addWidget(buttons.back());
    }
    column_->addLayout(row);
    return buttons;
}

void FieldColumn::bringIntoView(QWidget* first, QWidget* last)
{
    QTimer::singleShot(0, first, [first, last = QPointer(last)] {
        QWidget* above = first->parentWidget();
        while (above != nullptr && qobject_cast<QScrollArea*>(above) == nullptr)
            above = above->parentWidget();
        auto* scroll = qobject_cast<QScrollArea*>(above);
        if (scroll == nullptr || last == nullptr)
            return;
        constexpr int margin = 8;
        const QWidget* inside = scroll->widget();
        const int top = first->mapTo(inside, QPoint(0, 0)).y() - margin;
        const int bottom = last->mapTo(inside, QPoint(0, last->height())).y() + margin;
        auto* bar = scroll->verticalScrollBar();
        bar->setValue(std::min(top, std::max(bar->value(), bottom - scroll->viewport()->height())));
    });
}

void FieldColumn::unfold()
{
    emit unfolded();
}

FieldColumn* FieldColumn::addFold(const QString& title, const QString& key, bool open)
{
    const QString setting = QStringLiteral("folds/") + key;
    auto* head = new QPushButton(this);
    head->setProperty("kind", "fold");
    head->setFont(Theme::font(14, Theme::Weight::strong));
    head->setCheckable(true);
    head->setAccessibleName(title);
    auto* part = new FieldColumn(this);
    const auto show = [=](bool shown) {
        head->setText((shown ? QStringLiteral("⌄  ") : QStringLiteral("›  ")) + title);
        head->setToolTip(shown ? tr("Fold %1 away").arg(title) : tr("Show %1").arg(title));
        part->setVisible(shown);
    };
    connect(head, &QPushButton::clicked, this, [=](bool shown) {
        show(shown);
        QSettings().setValue(setting, shown);
        if (shown)
            bringIntoView(head, part);
    });
    connect(part, &FieldColumn::unfolded, this, [=] {
        head->setChecked(true);
        show(true);
    });
    connect(part, &FieldColumn::refused, this, &FieldColumn::refused);
    const bool shown = QSettings().value(setting, open).toBool();
    head->setChecked(shown);
    show(shown);
    column_->addWidget(head);
    column_->addWidget(part);
    return part;
}

void FieldColumn::addRule()
{
    auto* rule = new QFrame(this);
    rule->setProperty("role", "rule");
    column_->addSpacing(5);
    column_->addWidget(rule);
    column_->addSpacing(5);
}

} // namespace puretone::app
