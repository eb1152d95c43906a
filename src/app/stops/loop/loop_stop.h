// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/loop/candidate_row.h"
#include "app/stops/loop/hear_row.h"
#include "app/stops/loop/seam_bars.h"
#include "app/stops/loop/seam_map_view.h"
#include "app/stops/loop/seam_view.h"
#include "app/stops/wave_bench.h"

namespace puretone::app {

/// Make it last: posts, return arc, crossfade, seam, seam map, candidates.
class LoopStop final : public WaveBench {
    Q_OBJECT

public:
    explicit LoopStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    enum Handle { startPost, endPost, crossfadeGrip };
    CandidateRow* candidates() { return candidates_; }
    SeamView* closeUp() { return seam_; }
    SeamMapView* map() { return map_; }
    HearRow* hearing() { return hear_; }
    QPushButton* remedyButton() { return remedy_; }
    QPushButton* toneButton() { return tone_; }
    QPushButton* beginButton() { return begin_; }
    QPushButton* fitButton() { return fit_; }
    QPushButton* copyButton() { return copy_; }

protected:
    void hideEvent(QHideEvent* event) override;

private:
    // What stands beside the bench: loop_fields.cpp.
    void addFields();
    void addSeamReadings();
    void connectFields();
    void connectButtons();
    void refreshFields(const Take* take);
    void showSeam(const Take& take);
    void showOffers(const Take& take);
    void showCopyMenu();

    void connectBench();
    void showMenu(qint64 frame, const QPoint& place);
    void moveHandle(int id, qint64 frame, bool first);
    void moveToMatch(int id, bool forward, bool first);
    void shiftEnd(qint64 frames, bool first);
    void zoomCloseUp(double factor);
    void showCloseUp(const Take& take);
    void refreshHandles(const Take& take);
    void paintUnder(QPainter& painter, const WaveGeometry& geometry);
    void paintOver(QPainter& painter, const WaveGeometry& geometry);
    void paintLimit(QPainter& painter, const WaveGeometry& geometry, const Loop& loop);

    SeamView* seam_;
    SeamMapView* map_;
    HearRow* hear_;
    CandidateRow* candidates_;
    QPushButton *on_, *find_, *remedy_, *tone_, *begin_, *fit_, *copy_;
    ValueField *start_, *end_, *length_, *crossfade_, *evenOut_, *evenColour_;
    ChoiceField *curve_, *mode_;
    QLabel* verdict_;
    SeamBars* bars_;
    double closeUpZoom_ = 1.0;
    std::int64_t shiftFrom_ = 0; ///< The end when the hand came down on the close-up.
};

} // namespace puretone::app
