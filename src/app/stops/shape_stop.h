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
    void addFilter(FieldColumn* into);
    void addLfo(FieldColumn* into);
    void showFilter(const Layer& layer);

    EnvelopeView* picture_;
    QLabel* layer_;
    ValueField *delay_, *attack_, *hold_, *decay_, *sustain_, *release_;
    ChoiceField* notes_;
    ValueField *glide_, *bend_, *voices_, *touch_, *unison_, *detune_, *width_;
    ChoiceField *filter_, *slope_;
    ValueField *cutoff_, *resonance_, *filterKeys_, *filterTouch_, *sweep_;
    ValueField *sweepAttack_, *sweepDecay_, *sweepSustain_, *sweepRelease_;
    ValueField *rate_, *lfoPitch_, *lfoLevel_, *lfoCutoff_, *lfoFade_;
};

} // namespace puretone::app
