// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"
#include "model/words/movement_words.h"

class QMenu;

namespace puretone::app {

/// The movement that is chosen on the bench: its source, what allows it, its curve, and the wave
/// that it follows.
class MovementPanel : public QWidget {
    Q_OBJECT

public:
    MovementPanel(Session& session, FieldColumn* into);
    /// @param chosen Place in the layer's list; -1 for none.
    void choose(int chosen);
    int chosen() const { return chosen_; }
    void refresh();

private:
    void addWave();
    ValueField* addNumber(FieldSpec spec, double Wave::*part);
    void edit(
        const QString& name, const std::function<void(Layer&, Movement&)>& change, int gesture = 0);
    void editWave(const std::function<void(Wave&)>& change, int gesture = 0);

    Session& session_;
    FieldColumn* fold_;
    QLabel *sentence_, *hint_;
    ChoiceField *source_, *by_, *target_;
    ValueField *number_, *curve_;
    std::vector<QWidget*> ofWave_, all_;
    ChoiceField *shape_, *lasts_, *begins_;
    ValueField *hz_, *beats_, *delay_, *fade_, *phase_;
    int chosen_ = -1;
};

/// Sources, each with a menu of an effect's values.
void fillEffectMovementMenu(
    QMenu& menu, const Effect& effect, const std::function<void(const NewMovement&)>& make);
/// Sources, each with a menu of what it may move; `make` is told which.
void fillMovementMenu(QMenu& menu, const std::function<void(const NewMovement&)>& make);

} // namespace puretone::app
