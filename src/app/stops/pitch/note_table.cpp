// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/pitch/note_table.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QHeaderView>
#include <QVBoxLayout>

namespace puretone::app {

NoteTable::NoteTable(QWidget* parent)
    : QFrame(parent, Qt::Popup)
    , search_(new QLineEdit(this))
    , table_(new QTableWidget(128, 3, this))
{
    setProperty("card", true);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 12, 12, 12);
    column->addWidget(search_);
    column->addWidget(table_);
    search_->setPlaceholderText(tr("A♯3, 58 or 233 Hz"));
    search_->setAccessibleName(tr("Look up a note"));
    table_->setAccessibleName(tr("Notes"));
    table_->setHorizontalHeaderLabels({tr("Key"), tr("Name"), tr("Hz")});
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(24);
    table_->setShowGrid(false);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setFrameShape(QFrame::NoFrame);
    const auto& t = Theme::tokens();
    table_->setStyleSheet(
        QStringLiteral("QTableWidget { background: %1; color: %2; border: none; }"
                       "QTableWidget::item:selected { background: %3; color: %2; }"
                       "QHeaderView::section { background: %1; color: %4; border: none; }")
            .arg(t.panel.name(), t.ink.name(), t.line.name(), t.quietInk.name()));
    resize(240, 320);
    connect(search_, &QLineEdit::textChanged, this, &NoteTable::find);
}

void NoteTable::setNotes(const Naming& naming, Hz a4, int key)
{
    naming_ = naming;
    a4_ = a4;
    for (int k = 0; k < 128; ++k) {
        const QString texts[] = {QString::number(k), typeset(noteName(k, naming)),
            typeset(formatNumber(hzOf(k, a4).value, 2))};
        for (int c = 0; c < 3; ++c) {
            auto* item = new QTableWidgetItem(texts[c]);
            item->setTextAlignment(Qt::AlignVCenter | (c == 1 ? Qt::AlignLeft : Qt::AlignRight));
            table_->setItem(k, c, item);
        }
    }
    search_->clear();
    find({});
    table_->selectRow(key);
    table_->scrollToItem(table_->item(key, 0), QAbstractItemView::PositionAtCenter);
    search_->setFocus();
}

void NoteTable::find(const QString& text)
{
    const auto keys = lookUpKeys(text.toStdString(), naming_, a4_);
    for (int k = 0; k < 128; ++k)
        table_->setRowHidden(k, std::find(keys.begin(), keys.end(), k) == keys.end());
    if (!text.isEmpty() && !keys.empty())
        table_->selectRow(keys.front());
}

} // namespace puretone::app
