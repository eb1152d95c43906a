// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"
#include "app/widgets/wave/arriving_view.h"
#include "app/widgets/wave/wave_strip.h"

namespace puretone::app {

/// A stop whose bench is the strip of the whole recording above the zoomed wave.
class WaveBench : public StopView {
    Q_OBJECT

public:
    WaveBench(Session& session, const QString& title, QWidget* parent = nullptr);
    WaveView* wave() { return wave_; }
    void showPlayhead(double frame) override { wave_->setPlayhead(frame); }

protected:
    /// Hands both views the current take's sound. False, with an invitation shown, where there is
    /// none.
    bool showSound();
    double rate();

private:
    /// What the zoom stays for, whatever is done to it.
    struct Subject {
        TakeKey take;
        const Recording* recording = nullptr;
        bool operator==(const Subject&) const = default;
    };

    Subject shown_;
    WaveStrip* strip_;
    WaveView* wave_;
    QLabel* invitation_;
    ArrivingView* arriving_;
};

} // namespace puretone::app
