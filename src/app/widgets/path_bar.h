// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/words/readings.h"

#include <QWidget>

namespace puretone::app {

/// The stops of the work on one line, each with its live reading.
class PathBar : public QWidget {
    Q_OBJECT

public:
    explicit PathBar(QWidget* parent = nullptr);
    void setReadings(std::vector<Reading> readings);
    void setCurrent(Stop stop);
    Stop current() const { return current_; }
    /// Middle of a stop, and of the reading below it, for the mouse and for tests.
    QPointF centreOf(Stop stop) const;
    QPointF readingOf(Stop stop) const;
    QSize sizeHint() const override { return {760, 72}; }
    QSize minimumSizeHint() const override { return {520, 72}; }

signals:
    void chosen(Stop stop);
    /// The reading below a stop that has something to look at was clicked.
    void concernChosen(Stop stop);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    double spacing() const { return double(width()) / double(allStops.size()); }
    int stopAt(QPointF position) const;
    void paintStop(QPainter& painter, std::size_t index) const;

    std::vector<Reading> readings_ = std::vector<Reading>(allStops.size());
    Stop current_ = Stop::sound;
    int hovered_ = -1;
};

} // namespace puretone::app
