// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fields/choice_field.h"

#include "app/theme/theme.h"
#include "app/widgets/fields/value_field.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QStylePainter>

namespace puretone::app {

namespace {

/// Words that are too long end in dots, not in the middle of a letter.
class WordsBox : public QComboBox {
public:
    using QComboBox::QComboBox;

protected:
    void paintEvent(QPaintEvent*) override
    {
        QStylePainter painter(this);
        QStyleOptionComboBox option;
        initStyleOption(&option);
        const auto room = style()->subControlRect(
            QStyle::CC_ComboBox, &option, QStyle::SC_ComboBoxEditField, this);
        option.currentText =
            fontMetrics().elidedText(option.currentText, Qt::ElideRight, room.width() - 4);
        painter.drawComplexControl(QStyle::CC_ComboBox, option);
        painter.drawControl(QStyle::CE_ComboBoxLabel, option);
    }
};

} // namespace

ChoiceField::ChoiceField(
    const QString& label, const QString& tip, const QStringList& words, QWidget* parent)
    : QWidget(parent)
    , box_(new WordsBox(this))
{
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    auto* name = new QLabel(label, this);
    name->setProperty("role", "quiet");
    name->setToolTip(tip);
    row->addWidget(name, 1);
    row->addWidget(box_, valueStretch);
    limitValueWidth(*box_);
    box_->addItems(words);
    box_->setFont(Theme::font(13, Theme::Weight::medium));
    box_->setToolTip(tip);
    box_->setAccessibleName(label);
    setFocusProxy(box_);
    connect(box_, qOverload<int>(&QComboBox::activated), this, &ChoiceField::chosen);
}

void ChoiceField::setWords(const QStringList& words)
{
    QStringList now;
    for (int i = 0; i < box_->count(); ++i)
        now << box_->itemText(i);
    if (now == words)
        return;
    box_->clear();
    box_->addItems(words);
}

void ChoiceField::setIndex(int index)
{
    box_->setCurrentIndex(index);
}

} // namespace puretone::app
