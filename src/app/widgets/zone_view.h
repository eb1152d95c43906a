// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/keyboard.h"
#include "model/instrument.h"

#include <QWidget>

namespace puretone::app {

/// Keys along the bottom, velocity upwards: each zone a block with its root marked. The borders of
/// a block can be dragged.
class ZoneView : public QWidget {
    Q_OBJECT

public:
    explicit ZoneView(QWidget* parent = nullptr);
    /// @param shownTake The take on screen, whose block stands out. @param layer The layer whose
    ///        zones can be dragged; those of others stand behind them.
    void setInstrument(
        const Instrument& instrument, TakeId shownTake, const Layer& layer, const Naming& naming);
    /// Where a zone's block lies.
    QRectF blockRect(const Zone& zone) const;
    QSize minimumSizeHint() const override { return {300, 160}; }

signals:
    void bordersDragged(const Zone& zone, bool first);
    void cancelled();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    enum class Edge { none, low, high, quiet, loud };
    struct Hit {
        ZoneId zone;
        Edge edge = Edge::none;
    };
    Hit hitAt(QPointF position) const;
    KeyboardGeometry keys() const;
    QRectF field() const;
    double velocityY(int velocity) const;
    void paintBlock(QPainter& painter, const Zone& zone) const;

    std::vector<Zone> zones_;
    std::vector<Zone> behind_; ///< Of other layers that are on.
    std::vector<Take> takes_;
    Naming naming_;
    TakeId shownTake_;
    Hit grabbed_;
    Zone atGrab_;
    QPointF grabPoint_;
    bool moved_ = false;
};

} // namespace puretone::app
