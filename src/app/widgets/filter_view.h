// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/spectrum_axis.h"
#include "prepare/treat/treatment.h"

#include <QWidget>

namespace puretone::app {

/// The curve of all filters and bands of a take, drawn over the spectrum of what comes out. Each is
/// grabbed at its point: across for its frequency, up and down for its gain; the wheel makes a bell
/// narrower or wider.
class FilterView : public QWidget {
    Q_OBJECT

public:
    explicit FilterView(QWidget* parent = nullptr);
    /// @param spectrum Null while it is computed. @param chosen Index in the list, or -1.
    void setFilters(const MeanSpectrum* spectrum, Treatments treatments, int chosen, double rate);
    QSize minimumSizeHint() const override { return {300, 130}; }
    /// Where a treatment's point stands; nothing for one that is no filter.
    std::optional<QPointF> pointOf(int index) const;

signals:
    void chosen(int index);
    /// One treatment as it would be; `first` begins a gesture.
    void changed(int index, const Treatment& treatment, bool first);
    void cancelled();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QRectF area() const;
    SpectrumAxis axis() const;
    double yOf(double db) const;
    void paintGrid(QPainter& painter) const;
    void paintCurve(QPainter& painter) const;
    void paintPoints(QPainter& painter) const;

    MeanSpectrum spectrum_;
    Treatments treatments_;
    int chosen_ = -1;
    double rate_ = 48000.0;
    int dragged_ = -1;
    bool moved_ = false, wheelRun_ = false;
    QPointF grabOffset_;
};

} // namespace puretone::app
