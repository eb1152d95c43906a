// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "loop/joint/closeup.h"

#include <QWidget>

namespace puretone::app {

/// The seam close-up: the end of the loop laid over its beginning, each channel on its own.
///
/// Dragging moves the end under the beginning, the arrow keys by a frame; the wheel zooms about the
/// joint, a double-click zooms back to a few periods. Shows and reports; changes nothing.
class SeamView : public QWidget {
    Q_OBJECT

public:
    explicit SeamView(QWidget* parent = nullptr);
    /// @param scale What the width stands for, in words.
    void setCloseUp(SeamCloseUp closeUp, const QString& scale);
    void clear();
    QSize minimumSizeHint() const override { return {180, 90}; }

signals:
    /// The end is to move by so many frames from where it was when the hand came down.
    void shifted(qint64 frames, bool first);
    void shiftCancelled();
    void zoomed(double factor); ///< Of the reach; 0 for back to the usual.

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

private:
    QRectF area() const;
    void paintTitle(QPainter& painter) const;
    void paintLane(
        QPainter& painter, const SeamCloseUp::Channel& channel, QRectF lane, float top) const;

    SeamCloseUp closeUp_;
    QString scale_;
    bool pressed_ = false, moved_ = false;
    double grabX_ = 0.0;
    qint64 keyShift_ = 0;
};

} // namespace puretone::app
