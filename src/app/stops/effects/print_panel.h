// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/effects/print_view.h"
#include "app/stops/stop_view.h"
#include "app/widgets/wave/played_strip.h"

#include <QTimer>

namespace puretone::app {

/// Below the chain: what a print will be and how it is made, and the strip of what was just played.
class PrintPanel : public QWidget {
    Q_OBJECT

public:
    PrintPanel(Session& session, QWidget* parent);
    void refresh();
    PrintView* view() { return view_; }
    PlayedStrip* strip() { return strip_; }

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    void addPlan(QVBoxLayout* column);
    void addPlayed(QVBoxLayout* column);
    QPushButton* addSwitch(
        QHBoxLayout* row, const QString& text, const QString& tip, bool PrintPlan::*part);
    void change(const std::function<void(PrintPlan&)>& how);
    void showPlayed();
    void showChosen();
    void showBusy();
    void askForMany();

    Session& session_;
    QLabel* made_;
    PrintView* view_;
    ValueField *key_, *touch_, *held_;
    std::vector<std::pair<QPushButton*, bool PrintPlan::*>> switches_;
    QPushButton *anew_, *many_, *print_, *keep_, *take_;
    PlayedStrip* strip_;
    QTimer often_;
    bool byHand_ = false; ///< The stretch of what was played was chosen so.
    bool showing_ = false;
};

} // namespace puretone::app
