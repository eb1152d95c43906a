// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/shape/envelope_geometry.h"
#include "audio/signal/peaks.h"

#include <QWidget>
#include <memory>
#include <variant>

namespace puretone::app {

/// The envelope over the wave of the note as it will sound, in real time. Its corners are grabbed
/// where they stand, and its slopes bent by dragging them up or down.
class EnvelopeView : public QWidget {
    Q_OBJECT

public:
    explicit EnvelopeView(QWidget* parent = nullptr);
    /// @param wave Of the note without its envelope; null while it is made. @param key "A#2".
    void setNote(
        std::shared_ptr<const PeakPyramid> wave, const Envelope& envelope, const QString& key);
    EnvelopeGeometry geometryOfEnvelope() const;
    QSize minimumSizeHint() const override { return {300, 130}; }

signals:
    void dragged(const Envelope& envelope, const QString& name, bool first);
    void cancelled();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    using Part = std::variant<EnvelopePoint, EnvelopeSlope>;
    std::optional<Part> partAt(QPointF position) const;
    void paintWave(QPainter& painter, const EnvelopeGeometry& g) const;
    void paintLine(QPainter& painter, const EnvelopeGeometry& g) const;
    void paintGrips(QPainter& painter, const EnvelopeGeometry& g) const;
    void paintNames(QPainter& painter, const EnvelopeGeometry& g) const;

    std::shared_ptr<const PeakPyramid> wave_;
    Envelope envelope_;
    QString key_;
    std::optional<Part> grabbed_, hovered_;
    EnvelopeGeometry atGrab_; ///< Times are read against the picture as it was when grabbed.
    QPointF grabOffset_, pressed_;
    bool moved_ = false;
};

} // namespace puretone::app
