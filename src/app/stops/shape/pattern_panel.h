// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"

#include <QCheckBox>
#include <QElapsedTimer>

namespace puretone::app {

/// The tempo, and the pattern that plays held keys in time with it.
class PatternPanel : public QWidget {
    Q_OBJECT

public:
    PatternPanel(Session& session, FieldColumn* into);
    void refresh();
    /// The tempo that is played, where it is another player's.
    void showHeard(const Engine::Meter& heard);

private:
    void addSteps(FieldColumn* into);
    void tap();
    void edit(const std::function<void(Pattern&)>& change, int gesture = 0);
    ValueField* addNumber(FieldColumn* into, FieldSpec spec, double Pattern::*part);
    void refreshSteps();
    static bool soundsIn(const Pattern::Step& step, LayerId layer);
    void tickLayer(LayerId layer, bool sounds);
    void refreshStepLayers(bool shown);

    Session& session_;
    ValueField *tempo_, *beats_, *gate_, *swing_, *octaves_, *count_;
    ChoiceField *clock_, *on_, *order_;
    QLabel *heard_, *stepHead_;
    QVBoxLayout* stepLayers_;
    std::vector<QCheckBox*> layerTicks_; ///< One for each layer.
    QWidget* steps_;
    std::vector<QPushButton*> buttons_;
    QPushButton* tapButton_;
    QElapsedTimer taps_;
    std::vector<qint64> tapped_; ///< Milliseconds.
    int chosenStep_ = 0;
};

} // namespace puretone::app
