// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/fields/field_column.h"
#include "app/widgets/sheet.h"

namespace puretone::app {

class MainWindow;

/// What holds for all instruments. Everything in it is sensible without ever being opened.
class SettingsSheet : public Sheet {
    Q_OBJECT

public:
    explicit SettingsSheet(MainWindow& window);

private:
    void buildLook(FieldColumn* into);
    void buildNotes(FieldColumn* into);
    void buildKept(FieldColumn* into);
    void refresh();

    MainWindow& window_;
    Session& session_;
    ChoiceField *theme_, *language_, *middleC_, *signs_;
    ValueField *a4_, *undo_;
    QPushButton* folder_;
    QLabel* held_;
};

} // namespace puretone::app
