// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/effects/share_bar.h"
#include "effects/picture.h"

#include <QFrame>
#include <QLabel>
#include <QPushButton>

namespace puretone::app {

/// The picture of an effect.
class EffectPictureView : public QWidget {
    Q_OBJECT

public:
    explicit EffectPictureView(QWidget* parent);
    void setPicture(EffectPicture picture);
    /// What is passed by is pale.
    void setOn(bool on);
    /// dB that are held back now; 0 for none.
    void setHeld(double held);
    QSize sizeHint() const override { return {150, 96}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    void paintPicture(QPainter& painter, const QRectF& area) const;
    EffectPicture picture_;
    bool on_ = true;
    double held_ = 0.0;
};

/// One effect of the chain: whether it is on, what it does, how much of it is heard. Chosen by a
/// click or the keyboard, dragged to another place.
class EffectCard : public QFrame {
    Q_OBJECT

public:
    explicit EffectCard(QWidget* parent);
    void setEffect(const Effect& effect, double beatsPerSecond, bool chosen);
    void setHeld(double held);
    QPushButton* dot() { return dot_; }
    ShareBar* mix() { return mix_; }
    EffectPictureView* picture() { return picture_; }

signals:
    void chosen();
    void switched();
    void mixDragged(double share, bool first);
    void mixCancelled();
    void dragMoved(const QPoint& global);
    void dragEnded(const QPoint& global);
    void dragCancelled();
    void stepAsked(int by); ///< Ctrl with an arrow: to the place before or behind.
    void neighbourAsked(int by);
    void removeAsked();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

private:
    QPushButton* dot_;
    QLabel *title_, *said_;
    EffectPictureView* picture_;
    ShareBar* mix_;
    QLabel* held_;
    Effect shown_, drawn_;
    double shownTempo_ = 0.0;
    bool chosen_ = false, dragging_ = false, pressed_ = false;
    QPoint pressedAt_;
};

} // namespace puretone::app
