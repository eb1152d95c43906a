// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/peaks.h"
#include "model/instrument.h"

#include <QWidget>
#include <memory>

namespace puretone::app {

/// Points of the envelope that can be grabbed.
enum class EnvelopePoint { attack, hold, decay, release };

/// Where the envelope lies in its picture; no QWidget in it. Time runs from the key press; the key
/// is let go at `letGo` seconds.
struct EnvelopeGeometry {
    QRectF area;
    Envelope envelope;
    double shownSeconds = 3.0;
    double letGo = 2.0;

    static EnvelopeGeometry make(const QRectF& area, const Envelope& envelope);
    double xOf(double seconds) const { return area.left() + seconds / shownSeconds * area.width(); }
    double secondsAt(double x) const { return (x - area.left()) / area.width() * shownSeconds; }
    /// Gain at a moment of the picture, release included.
    double gainAt(double seconds) const;
    double yOfGain(double gain) const; ///< Full level at the top, silence at the bottom.
    /// Where a point of the envelope lies.
    QPointF placeOf(EnvelopePoint point) const;
    /// Where its grip is drawn: points that coincide are set apart to the right.
    QPointF gripOf(EnvelopePoint point) const;
    /// The envelope with a point dragged to `position`.
    Envelope dragged(EnvelopePoint point, QPointF position) const;
};

/// The envelope over the wave of the note as it will sound, in real time.
class EnvelopeView : public QWidget {
    Q_OBJECT

public:
    explicit EnvelopeView(QWidget* parent = nullptr);
    void setNote(
        std::shared_ptr<const PeakPyramid> peaks, const Take* take, const Envelope& envelope);
    EnvelopeGeometry geometryOfEnvelope() const;
    QSize minimumSizeHint() const override { return {300, 160}; }

signals:
    void dragged(const Envelope& envelope, const QString& name, bool first);
    void cancelled();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    std::optional<EnvelopePoint> pointAt(QPointF position) const;
    void paintWave(QPainter& painter, const EnvelopeGeometry& g) const;

    std::shared_ptr<const PeakPyramid> peaks_;
    Span kept_;
    Loop loop_;
    Envelope envelope_;
    std::optional<EnvelopePoint> grabbed_, hovered_;
    EnvelopeGeometry atGrab_; ///< Times are read against the picture as it was when grabbed.
    QPointF grabOffset_;
    bool moved_ = false;
};

} // namespace puretone::app
