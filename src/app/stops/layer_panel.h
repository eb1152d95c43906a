// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/field_column.h"
#include "app/widgets/layer_list.h"

namespace puretone::app {

/// The layers beside the bench of the stop Keys: the list, and how the one on screen is played.
class LayerPanel : public QWidget {
    Q_OBJECT

public:
    /// Its list goes into a column at once; how a layer is played where addFields is called.
    LayerPanel(Session& session, FieldColumn* into);
    void addFields(FieldColumn* into);
    void refresh();
    LayerList* list() { return list_; }

private:
    void connectField(
        ValueField* field, const QString& step, std::function<void(Layer&, double)> change);
    void remove(LayerId id);
    void move(LayerId id, int by);

    Session& session_;
    LayerList* list_;
    QPushButton *copy_, *remove_;
    ChoiceField *when_, *sameKeys_;
    ValueField *level_, *place_, *octave_, *fine_, *follow_, *choke_;
    int gesture_ = 0;
};

} // namespace puretone::app
