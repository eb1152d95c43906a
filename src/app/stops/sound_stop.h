// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/wave_bench.h"
#include "prepare/split.h"

namespace puretone::app {

/// Bring a recording in and say which part of it is kept.
class SoundStop final : public WaveBench {
    Q_OBJECT

public:
    explicit SoundStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    enum Handle { keptStart, keptEnd };

signals:
    void openAsked();

private:
    void moveHandle(int id, qint64 frame, bool first);
    void addSplitFields();
    void refreshSplit(bool has);
    void moveSplitBorder(int id, qint64 frame);
    void askForSplit();
    void showSplitMenu(qint64 frame, const QPoint& place);
    void paintSplit(QPainter& painter, const WaveGeometry& geometry);
    void paintFades(QPainter& painter, const WaveGeometry& geometry);

    ValueField *start_, *end_, *fadeIn_, *fadeOut_;
    QLabel *length_, *level_, *loudness_, *format_;
    QPushButton *propose_, *whole_, *open_;
    // Splitting.
    ValueField *quietLine_, *shortest_;
    ChoiceField *splitAt_, *namedBy_;
    ValueField *firstKey_, *keyStep_;
    NoteSeries series_;
    QLabel* splitText_;
    QWidget* splitRow_; ///< Below the wave while a split is proposed.
    QPushButton *findNotes_, *makeTakes_, *forget_;
    SplitOptions splitOptions_;
};

} // namespace puretone::app
