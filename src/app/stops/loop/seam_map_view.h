// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "loop/search/finder.h"
#include "loop/search/seam_map.h"

#include <QImage>
#include <QWidget>
#include <memory>

namespace puretone::app {

/// The seam map: from left to right where a loop begins, upward how long it is, bright where its
/// end sounds like its beginning. The loop in use is a ring, candidates are dots.
///
/// A click loops there; so does Enter at the cross that the arrow keys move. Shows and reports;
/// changes nothing.
class SeamMapView : public QWidget {
    Q_OBJECT

public:
    explicit SeamMapView(QWidget* parent = nullptr);
    /// @param map Null while it is drawn.
    void setMap(std::shared_ptr<const SeamMap> map, double rate);
    void setLoops(const Loop& current, const std::vector<LoopCandidate>& candidates);
    QSize minimumSizeHint() const override { return {180, 90}; }
    /// Where a loop lies in the picture.
    QPointF placeOf(Span loop) const;
    Span loopAt(QPointF place) const;

signals:
    void chosen(qint64 start, qint64 end);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    QRectF area() const;
    double longest() const; ///< Frames at the top of the picture.
    void drawImage();
    void showPlace(QPointF place);
    void choose(QPointF place);

    std::shared_ptr<const SeamMap> map_;
    QImage image_;
    double rate_ = 48000.0;
    Loop current_;
    std::vector<Span> candidates_;
    QPointF cross_{-1.0, -1.0}; ///< Negative for none.
};

} // namespace puretone::app
