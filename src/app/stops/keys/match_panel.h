// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "model/edits/match_levels.h"

#include <QPushButton>
#include <QTableWidget>

namespace puretone::app {

/// Matching the levels of a layer's takes: every change is shown before it is made.
class MatchPanel : public QWidget {
    Q_OBJECT

public:
    explicit MatchPanel(Session& session, QWidget* parent = nullptr);
    /// Listens to the layer on screen.
    void begin();

signals:
    void left();

private:
    void show(const std::vector<LevelMatch>& matches);

    Session& session_;
    std::vector<LevelMatch> matches_;
    LayerId layer_;
    QLabel* text_;
    QTableWidget* table_;
    QPushButton *match_, *asRecorded_;
};

} // namespace puretone::app
