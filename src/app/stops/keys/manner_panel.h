// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/stops/keys/place_strip.h"
#include "app/widgets/fields/field_column.h"

namespace puretone::app {

/// What a key does to a take of the layer: as recorded, at its own length, or a frozen moment.
class MannerPanel : public QWidget {
    Q_OBJECT

public:
    MannerPanel(Session& session, FieldColumn* into);
    void refresh();
    /// Grains that sound now.
    void showGrains(int grains);

private:
    void addLength(FieldColumn* into);
    void addFrozen(FieldColumn* into);
    void addScatter(FieldColumn* into);
    void showLengths();
    /// The take whose moment is shown: the one on screen where the layer plays it, or its first.
    const Take* shownTake() const;

    Session& session_;
    ChoiceField *manner_, *formants_, *direction_, *edges_;
    QLabel *lengths_, *grains_;
    PlaceStrip* strip_;
    ValueField *place_, *size_, *density_, *drift_, *scatterPlace_, *scatterSize_, *scatterPitch_;
    std::vector<QWidget*> ofFrozen_;
    Gesture gesture_{session_};
};

} // namespace puretone::app
