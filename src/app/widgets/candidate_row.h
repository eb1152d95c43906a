// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/peaks.h"
#include "loop/finder.h"

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
    /// Where a card lies, for the mouse and for tests.
    QRectF cardRect(std::size_t index) const;
    QSize sizeHint() const override { return {700, 68}; }

signals:
    void chosen(int index);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    std::size_t shown() const;
    bool isCurrent(std::size_t index) const;
    std::shared_ptr<const PeakPyramid> peaks_;
    std::vector<LoopCandidate> candidates_;
    Loop current_;
};

} // namespace puretone::app
