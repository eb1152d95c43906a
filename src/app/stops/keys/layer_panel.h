// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/stops/keys/manner_panel.h"
#include "app/widgets/fields/field_column.h"

namespace puretone::app {

/// How the layer on the bench of the stop Keys is played, as fields.
class LayerPanel : public QWidget {
    Q_OBJECT

public:
    LayerPanel(Session& session, FieldColumn* into);
    void refresh();
    /// The name becomes ready to be typed.
    void editName();
    void showGrains(int grains) { manner_->showGrains(grains); }

private:
    void addWhen(FieldColumn* into);
    void addNumbers(FieldColumn* into);

    Session& session_;
    QLineEdit* name_;
    ChoiceField *when_, *sameKeys_, *turns_;
    ValueField *fall_, *level_, *place_, *octave_, *fine_, *follow_, *voices_, *choke_, *blend_;
    ChoiceField* blends_;
    MannerPanel* manner_;
};

} // namespace puretone::app
