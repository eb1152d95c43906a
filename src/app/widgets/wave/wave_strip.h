// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/wave/two_tone.h"
#include "audio/signal/peaks.h"

#include <QWidget>
#include <memory>

namespace puretone::app {

/// The whole recording, small, with a frame around what the large view shows. Dragging scrolls.
class WaveStrip : public QWidget {
    Q_OBJECT

public:
    explicit WaveStrip(QWidget* parent = nullptr);
    void setSound(std::shared_ptr<const PeakPyramid> peaks, Span kept);
    /// What the large view shows, frames.
    void setWindow(double first, double last);
    QSize sizeHint() const override { return {400, 40}; }

signals:
    void scrolled(double firstFrame);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    double frameAt(double x) const;
    double xOf(double frame) const;

    std::shared_ptr<const PeakPyramid> peaks_;
    Span kept_;
    double first_ = 0.0, last_ = 0.0;
    double grabOffset_ = 0.0;
    TwoTonePicture picture_;
};

} // namespace puretone::app
