// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"
#include "app/widgets/envelope_view.h"

namespace puretone::app {

/// Shape the level of every note over time.
class ShapeStop final : public StopView {
    Q_OBJECT

public:
    explicit ShapeStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    EnvelopeView* picture() { return picture_; }

private:
    void addNotes(FieldColumn* into);

    EnvelopeView* picture_;
    QLabel* layer_;
    ValueField *delay_, *attack_, *hold_, *decay_, *sustain_, *release_;
    ChoiceField* notes_;
    ValueField *glide_, *bend_, *voices_;
};

} // namespace puretone::app
