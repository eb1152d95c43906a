// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/fields/field_column.h"

#include <QLabel>

namespace puretone::app {

/// How exports are written: depth, rate, channels, loops, samples, and a limit of size.
class ExportFields : public QObject {
    Q_OBJECT

public:
    /// @param into Gets the fields.
    ExportFields(Session& session, FieldColumn* into);
    void refresh();

private:
    void buildSound(FieldColumn* into);
    void buildLimit(FieldColumn* into);
    template <class Change> void change(Change change, int gesture = 0);
    void moveSaver(std::size_t from, int by);

    Session& session_;
    ChoiceField *depth_, *rate_, *channels_, *dither_, *loops_, *samples_, *wavs_;
    ValueField *played_, *step_, *limit_;
    QLabel* order_;
    std::vector<QPushButton*> savers_; ///< In the order in which they are used.
};

/// Ready choices.
struct ReadyExport {
    QString name, tip;
    Exports exports;
};
std::vector<ReadyExport> readyExports();

} // namespace puretone::app
