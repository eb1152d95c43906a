// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/layer_panel.h"
#include "app/stops/stop_view.h"
#include "app/widgets/zone_view.h"

namespace puretone::app {

/// Lay the take on the keys.
class KeysStop final : public StopView {
    Q_OBJECT

public:
    explicit KeysStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    ZoneView* zones() { return zones_; }
    LayerPanel* layers() { return layers_; }

private:
    /// The zone that plays the take on screen; null where there is none.
    Zone* zoneShown(Instrument& instrument);
    void layOutLayer();
    void showTogether(const Instrument& instrument, const Zone* shown);
    ZoneView* zones_;
    QLabel *take_, *root_, *together_;
    LayerPanel* layers_;
    ValueField *low_, *high_, *quiet_, *loud_, *level_, *place_, *tune_;
    std::array<ValueField*, 4> fades_;
    QPushButton *layOut_, *again_, *give_;
};

} // namespace puretone::app
