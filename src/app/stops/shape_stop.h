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
    EnvelopeView* picture_;
    ValueField *delay_, *attack_, *hold_, *decay_, *sustain_, *release_;
};

} // namespace puretone::app
