// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"
#include "loop/search/finder.h"

#include <QWidget>
#include <memory>

namespace puretone::app {

/// Loop candidates as small pictures, each with its length and its verdict; a click takes one.
class CandidateRow : public QWidget {
    Q_OBJECT

public:
    explicit CandidateRow(QWidget* parent = nullptr);
    void setCandidates(std::shared_ptr<const PeakPyramid> peaks,
        std::vector<LoopCandidate> candidates, const Loop& current);
    /// Where a card lies, for the mouse and for tests; outside where it is scrolled away.
    QRectF cardRect(std::size_t index) const;
    QSize sizeHint() const override { return {700, 68}; }
    /// The first and the number of those that there is room for.
    std::size_t first() const { return first_; }
    std::size_t shown() const;

signals:
    void chosen(int index);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    bool event(QEvent* event) override;

private:
    void scrollTo(std::size_t first);
    int cardAt(QPointF place) const; ///< -1 for none.
    void paintCard(QPainter& painter, std::size_t index) const;
    void paintMore(QPainter& painter) const;
    void paintHold(QPainter& painter, const QRectF& card, double holdsDb) const;
    bool isCurrent(std::size_t index) const;
    std::shared_ptr<const PeakPyramid> peaks_;
    std::vector<LoopCandidate> candidates_;
    Loop current_;
    std::size_t first_ = 0;
};

} // namespace puretone::app
