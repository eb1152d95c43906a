// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/wave/bars.h"
#include "app/widgets/wave/two_tone.h"
#include "app/widgets/wave/wave_geometry.h"
#include "audio/signal/peaks.h"

#include <QWidget>
#include <functional>
#include <memory>

namespace puretone::app {

/// Something in a wave that can be grabbed and moved along the time axis.
struct WaveHandle {
    int id = 0;
    double frame = 0.0;
    QString name; ///< "loop start"; also its accessible name.
    QColor color;
    enum class Grip { top, bottom, middle } grip = Grip::top;
    bool snaps = true; ///< To zero crossings, unless Alt is held.
    bool post = true; ///< Drawn as a line over the whole height; otherwise its owner draws it.
    std::function<QString(double frame)> note; ///< Beside the label while it moves; may be empty.
    bool carries = false; ///< Ctrl while it is dragged takes along what belongs to it.
};

/// The zoomed wave with its time axis, its handles and whatever its stop draws over it.
///
/// Shows and reports; changes nothing. The wheel zooms about the pointer; handles move from where
/// they are grabbed, ten times finer with Shift, and Esc puts them back.
class WaveView : public QWidget {
    Q_OBJECT

public:
    explicit WaveView(QWidget* parent = nullptr);

    /// @param kept Full colour inside, flat and pale outside. What is in view stays, unless nothing
    /// of what is kept of another sound lies in it.
    void setSound(std::shared_ptr<const PeakPyramid> peaks, Span kept);
    /// Brings another subject into view: this much of it.
    void setHome(Span home);
    void setHandles(std::vector<WaveHandle> handles);
    /// Frames of one period, for Shift with the arrow keys; 0 for none.
    void setPeriod(double frames) { periodFrames_ = frames; }
    /// Room above the wave that the painter below may use.
    void setHeadroom(double pixels);
    using Painter = std::function<void(QPainter&, const WaveGeometry&)>;
    void setUnderlay(Painter painter) { underlay_ = std::move(painter); }
    void setOverlay(Painter painter) { overlay_ = std::move(painter); }
    /// Shift and a drag beside the handles mark a stretch.
    void setMarking(bool marks) { marks_ = marks; }
    /// A thin line at a playing position; negative for none.
    void setPlayhead(double frame);

    const WaveGeometry& geometryOfWave() const { return geometry_; }
    void fit(Span span);
    void scrollTo(double firstFrame);
    void zoom(double factor);
    bool dragging() const { return dragged_ >= 0; }
    int draggedHandle() const { return dragged_; } ///< -1 for none.
    QSize minimumSizeHint() const override { return {300, 120}; }

signals:
    /// `gesture` is the same for one drag or one run of key presses.
    void handleMoved(int id, qint64 frame, bool first);
    /// A handle that carries was dragged with Ctrl.
    void handleCarried(int id, qint64 frame, bool first);
    void handleReleased(int id);
    void handleCancelled(int id);
    void viewChanged();
    /// Alt with an arrow key: to the next place that matches.
    void matchAsked(int id, bool forward, bool first);
    void stretchMarked(qint64 from, qint64 to);
    /// A double-click away from every handle.
    void stretchAsked(qint64 frame);
    /// The right button, or the menu key with `frame` in the middle of the view.
    void menuAsked(qint64 frame, const QPoint& globalPlace);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    bool focusNextPrevChild(bool next) override;

private:
    int handleAt(QPointF position) const;
    const WaveHandle* handle(int id) const;
    void layOut();
    void setView(const WaveGeometry& geometry);
    Span markedAt(double x) const;
    void paintMark(QPainter& painter) const;
    void moveTo(double frame, Qt::KeyboardModifiers modifiers, bool first);
    void paintWave(QPainter& painter);
    void drawWave(QPainter& painter, const QColor& color);
    void drawLane(QPainter& painter, std::size_t channel, QRectF lane, const QColor& color);
    void drawSamples(QPainter& painter, std::size_t channel, QRectF lane, const QColor& color);
    void paintAxis(QPainter& painter) const;
    void paintHandle(QPainter& painter, const WaveHandle& handle) const;
    double rate() const { return peaks_ ? peaks_->audio().rate : 48000.0; }
    std::int64_t frames() const { return peaks_ ? peaks_->audio().frames() : 0; }

    std::shared_ptr<const PeakPyramid> peaks_;
    Span kept_, home_;
    std::vector<WaveHandle> handles_;
    Painter underlay_, overlay_;
    WaveGeometry geometry_;
    float fullHeight_ = 1.0f; ///< Sample value that fills a lane: quiet recordings are drawn large.
    double headroom_ = 0.0;
    double periodFrames_ = 0.0;
    double playhead_ = -1.0;
    int hovered_ = -1, dragged_ = -1, focused_ = -1;
    bool moved_ = false; ///< The drag has left its place.
    bool keyRun_ = false; ///< Arrow keys are moving the focused handle.
    double grabX_ = 0.0, grabFrame_ = 0.0, finePull_ = 0.0;
    bool panning_ = false;
    double panFirst_ = 0.0;
    bool marks_ = false;
    std::optional<double> markFrom_; ///< Frame where the hand came down.
    Span marked_;
    std::vector<Extent> columns_;
    std::vector<Bar> bars_;
    TwoTonePicture picture_;
};

} // namespace puretone::app
