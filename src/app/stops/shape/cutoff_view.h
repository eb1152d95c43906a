// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/spectrum_axis.h"
#include "model/instrument/layer.h"

#include <QWidget>

namespace puretone::app {

/// A layer's filter over the spectrum of the note that goes into it, and where it stands right now.
/// Its handle is dragged across for the cutoff and up and down for the resonance; dragging it where
/// there is no filter yet begins a low one.
class CutoffView : public QWidget {
    Q_OBJECT

public:
    explicit CutoffView(QWidget* parent = nullptr);
    /// @param spectrum Null while it is not known. @param cutoff With what the shown key adds, Hz.
    /// @param key Its name.
    void setFilter(
        const MeanSpectrum* spectrum, const Filter& filter, double cutoff, const QString& key);
    /// Where the filter of the sounding note stands, Hz; 0 when silent.
    void showNow(double hz);
    QPointF handle() const;
    QSize minimumSizeHint() const override { return {300, 84}; }

signals:
    void changed(const puretone::Filter& filter, const QString& name, bool first);
    void cancelled();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    SpectrumAxis axis() const;
    double yOf(double db) const;
    double handleDb() const;
    QPolygonF curve(double cutoff) const;
    void move(QPointF place, bool first);

    MeanSpectrum spectrum_;
    Filter filter_;
    double cutoff_ = 2000.0, now_ = 0.0;
    QString key_;
    bool grabbed_ = false, moved_ = false;
    QPointF grabOffset_;
};

} // namespace puretone::app
