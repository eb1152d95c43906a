// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/stops/keys/stack_list.h"
#include "app/widgets/fields/field_column.h"
#include "model/edits/zone_edit.h"

namespace puretone::app {

/// The zones that are chosen on the bench of the stop Keys, as fields: what is typed applies to all
/// of them.
class ZonePanel : public QWidget {
    Q_OBJECT

public:
    ZonePanel(Session& session, FieldColumn* into);
    void setChosen(const ZoneIds& chosen);
    void refresh();

signals:
    void removeAsked();
    void chooseAsked(const puretone::ZoneIds& zones);

private:
    using Read = std::function<double(const Zone&)>;
    using Change = std::function<void(Zone&, double)>;
    struct Row {
        ValueField* field;
        Read read;
    };
    void addRow(FieldColumn* into, FieldSpec spec, const QString& step, Read read, Change change);
    void addCrossovers(FieldColumn* into);
    void edit(const QString& step, const std::function<void(Zone&)>& change, bool first);
    std::vector<Zone> chosenZones() const;
    void showStack(const std::vector<Zone>& zones);
    void showTogether(const std::vector<Zone>& zones);
    QString title(const std::vector<Zone>& zones) const;

    Session& session_;
    ZoneIds chosen_;
    std::vector<Row> rows_;
    QLabel *heading_, *together_, *variations_;
    StackList* stack_;
    QPushButton *lay_, *remove_, *turns_;
    Gesture gesture_{session_};
};

} // namespace puretone::app
