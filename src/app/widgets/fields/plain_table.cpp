// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fields/plain_table.h"

#include "app/theme/theme.h"

#include <QHeaderView>

namespace puretone::app {

namespace {

class PlainTable final : public QTableWidget {
public:
    explicit PlainTable(QWidget* parent)
        : QTableWidget(parent)
    {
        restyle();
    }

protected:
    void changeEvent(QEvent* event) override
    {
        if (event->type() == QEvent::PaletteChange && !styling_)
            restyle();
        QTableWidget::changeEvent(event);
    }

private:
    void restyle()
    {
        const auto& t = Theme::tokens();
        styling_ = true;
        setStyleSheet(
            QStringLiteral("QTableWidget { background: %1; color: %2; border: none; }"
                           "QTableWidget::item { padding: 0 8px; }"
                           "QTableWidget::item:selected { background: %3; color: %2; }"
                           "QHeaderView::section { background: %1; color: %4; border: none; "
                           "padding: 4px 8px; }")
                .arg(t.panel.name(), t.ink.name(), t.line.name(), t.quietInk.name()));
        styling_ = false;
    }
    bool styling_ = false;
};

} // namespace

QTableWidget* makePlainTable(const QStringList& heads, QWidget* parent)
{
    auto* table = new PlainTable(parent);
    table->setColumnCount(int(heads.size()));
    table->setHorizontalHeaderLabels(heads);
    table->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table->horizontalHeader()->setHighlightSections(false);
    table->verticalHeader()->hide();
    table->verticalHeader()->setDefaultSectionSize(26);
    table->setShowGrid(false);
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table->setSelectionMode(QAbstractItemView::SingleSelection);
    table->setFrameShape(QFrame::NoFrame);
    return table;
}

} // namespace puretone::app
