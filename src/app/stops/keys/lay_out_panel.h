// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/fields/field_column.h"
#include "model/making/lay_out.h"

#include <QTableWidget>

namespace puretone::app {

/// Laying the takes of a layer over the keys: what analysis, file and name say about every root,
/// with their differences; which of them to go by, for all or for one; how far to reach, and what
/// becomes of takes without a pitch. Stands on the bench until it is done or left.
class LayOutPanel : public QWidget {
    Q_OBJECT

public:
    explicit LayOutPanel(Session& session, QWidget* parent = nullptr);
    /// Looks at the layer on screen anew.
    void begin();
    void refresh();
    const LayOutOptions& options() const { return options_; }

signals:
    void left();

private:
    void buildFields(QWidget* column);
    void showTable();
    void showChoices();
    QString keyWords(std::optional<int> key) const;
    /// A click on what a source says takes that source for the take.
    void chooseCell(int row, int column);
    void layOutNow();

    Session& session_;
    LayOutOptions options_;
    std::vector<RootsSaid> said_;
    QTableWidget* table_;
    QLabel *question_, *shiftText_;
    ChoiceField *roots_, *reach_, *unpitched_, *share_;
    ValueField *firstKey_, *step_;
    QPushButton *shift_, *go_, *leave_;
};

} // namespace puretone::app
