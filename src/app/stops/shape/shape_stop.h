// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/shape/cutoff_view.h"
#include "app/stops/shape/envelope_view.h"
#include "app/stops/shape/movement_list.h"
#include "app/stops/shape/movement_panel.h"
#include "app/stops/shape/pattern_panel.h"
#include "app/stops/shape/shape_panel.h"

namespace puretone::app {

/// Shape what a layer's notes do: level over time, filter, how they follow each other, and what
/// moves while they sound.
class ShapeStop final : public StopView {
    Q_OBJECT

public:
    explicit ShapeStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    void showHeard(const Engine::Meter& heard, std::array<std::uint64_t, 2> down) override;
    EnvelopeView* picture() { return picture_; }
    CutoffView* filter() { return filter_; }
    MovementList* movements() { return movements_; }
    /// Listens for a value that is touched and a controller that is moved.
    bool learns() const { return learns_; }

private:
    void addLayerRow();
    void addReadyShapes();
    void connectMovements();
    void refreshLayerRow();
    void makeMovement(const NewMovement& wanted, bool learnt = false, double value = 0.0);
    void setLearning(bool on);
    void learn(const Engine::Meter& heard);

    QHBoxLayout* layerRow_;
    QPushButton* allLayers_;
    std::vector<QPushButton*> layerButtons_;
    EnvelopeView* picture_;
    CutoffView* filter_;
    MovementList* movements_;
    QLabel* said_;
    std::pair<History::DocumentId, LayerId> saidOf_{};
    ShapePanel* shape_;
    MovementPanel* movement_;
    PatternPanel* pattern_;
    bool learns_ = false;
    std::optional<Target> touched_;
};

} // namespace puretone::app
