// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/fields/field_column.h"
#include "app/widgets/sheet.h"

namespace puretone::app {

/// Prints a row of keys at once: which, how hard, and into what.
class PrintSheet : public Sheet {
    Q_OBJECT

public:
    PrintSheet(Session& session, QWidget* parent);
    /// As the fields say.
    PrintMany many() const;
    bool mayReplace(const QStringList& paths);

private:
    void showCount();

    Session& session_;
    ValueField *from_, *to_, *step_;
    ChoiceField* touches_;
    QLabel* said_;
    QPushButton *takes_, *files_;
};

} // namespace puretone::app
