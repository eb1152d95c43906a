// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/wave_bench.h"
#include "app/widgets/candidate_row.h"
#include "app/widgets/seam_bars.h"
#include "app/widgets/seam_view.h"

namespace puretone::app {

/// Make it last: posts, return arc, crossfade, seam, candidates.
class LoopStop final : public WaveBench {
    Q_OBJECT

public:
    explicit LoopStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    enum Handle { startPost, endPost, crossfadeGrip };
    CandidateRow* candidates() { return candidates_; }

private:
    void addFields();
    void connectFields();
    void moveHandle(int id, qint64 frame, bool first);
    void paintUnder(QPainter& painter, const WaveGeometry& geometry);
    void paintOver(QPainter& painter, const WaveGeometry& geometry);
    void showSeam(const Take& take);

    SeamView* seam_;
    CandidateRow* candidates_;
    QPushButton *on_, *find_;
    ValueField *start_, *end_, *length_, *crossfade_, *evenOut_;
    ChoiceField* curve_;
    QLabel* verdict_;
    SeamBars* bars_;
};

} // namespace puretone::app
