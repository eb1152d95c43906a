// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/keys/lay_out_panel.h"
#include "app/stops/keys/layer_panel.h"
#include "app/stops/keys/match_panel.h"
#include "app/stops/keys/zone_bench.h"
#include "app/stops/keys/zone_panel.h"
#include "app/stops/stop_view.h"
#include "model/edits/layer_copy.h"

#include <QStackedLayout>

namespace puretone::app {

/// Lay takes on keys, in layers.
class KeysStop final : public StopView {
    Q_OBJECT

public:
    explicit KeysStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    void showHeard(const Engine::Meter& heard, std::array<std::uint64_t, 2> keysDown) override;
    ZoneBench* lanes() { return lanes_; }
    LayOutPanel* layOutPanel() { return layOut_; }
    /// What is said about the roots of the layer on screen, to be laid out by.
    void showLayOut();
    /// Adds a copy of the layer on screen; those that run backwards are made beside the window.
    void copyLayerAs(LayerCopy how);
    void spread();

private:
    QWidget* buildBench();
    QHBoxLayout* buildRow();
    void connectLanes();
    void choose(const ZoneIds& chosen);
    void removeZones(const ZoneIds& zones);
    void addEmptyLayer();
    void removeLayer();
    void moveLayer(LayerId layer, int by);
    void playAlone(LayerId layer);
    void findReaches();
    void showWords();

    ZoneBench* lanes_;
    LayOutPanel* layOut_;
    MatchPanel* match_;
    void showPanel(int page);
    QStackedLayout* pages_;
    std::pair<History::DocumentId, LayerId> panelAbout_;
    ZonePanel* zone_;
    LayerPanel* layer_;
    QPushButton *add_, *lay_, *levels_, *remove_;
    QLabel* words_;
    TakeId lastTake_;
    LayerId lastLayer_;
    std::map<TakeId, Reach> reaches_;
    /// What they were found from; nothing here keeps a sound alive.
    std::map<TakeId, std::weak_ptr<const Audio>> reachOf_;
};

} // namespace puretone::app
