// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"

#include <QWidget>
#include <memory>

namespace puretone::app {

/// A place in a take as a post on its small wave; dragged while it sounds.
class PlaceStrip : public QWidget {
    Q_OBJECT

public:
    explicit PlaceStrip(QWidget* parent = nullptr);
    void setTake(std::shared_ptr<const PeakPyramid> peaks, Span kept);
    /// @param place 0 to 1. @param scatterSeconds To either side.
    void setPlace(double place, double scatterSeconds);
    double xOf(double place) const;
    QSize sizeHint() const override { return {200, 52}; }

signals:
    void dragged(double place, bool first);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void moveTo(double place, bool first);

    std::shared_ptr<const PeakPyramid> peaks_;
    Span kept_;
    double place_ = 0.0, scatterSeconds_ = 0.0;
    bool dragging_ = false;
    double away_ = 0.0; ///< Of the pointer from the post when it was grabbed.
};

} // namespace puretone::app
