// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/sound/record_panel.h"
#include "app/stops/sound/split_panel.h"
#include "app/stops/sound/treatment_panel.h"
#include "app/stops/wave_bench.h"

#include <QTimer>
#include <functional>
#include <optional>

namespace puretone::app {

/// Bring a recording in, say which part of it is kept, treat it, split it.
class SoundStop final : public WaveBench {
    Q_OBJECT

public:
    explicit SoundStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    enum Handle { keptStart, keptEnd, fadeInEnd, fadeOutStart };
    TreatmentPanel* treatments() { return treatments_; }
    RecordPanel* recording() { return recording_; }

signals:
    void openAsked();

private:
    void addKeptFields();
    void connectKeptFields();
    void moveHandle(int id, qint64 frame, bool first);
    void askedStretch(qint64 frame);
    void paintFades(QPainter& painter, const WaveGeometry& geometry);
    void showReadings(const Take& take);
    std::vector<WaveHandle> keptHandles(const Take& take);
    /// Keeps another part of the take on screen. A loop that does not lie in it gives way to
    /// another one at once, and to the best that is found there when the hand rests.
    void proposeKeptPart();
    void trim(const QString& name, bool first, const std::function<Span(const Take&)>& to);

    TreatmentPanel* treatments_;
    SplitPanel* split_;
    RecordPanel* recording_;
    ValueField *start_, *end_, *fadeIn_, *fadeOut_;
    ChoiceField *fadeInShape_, *fadeOutShape_;
    QLabel *length_, *level_, *loudness_, *format_;
    QPushButton *propose_, *whole_, *open_, *record_;
    struct Trimmed {
        TakeId take;
        Loop loop; ///< Before.
        Span kept; ///< Now.
        int gesture = 0; ///< That keeps it; another one may have begun since.
        bool gaveWay = false; ///< The loop, which did not lie in it.
    };
    std::optional<Trimmed> trimmed_;
    QTimer atRest_; ///< The hand that trims.
};

} // namespace puretone::app
