// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave_view.h"

#include "app/theme/theme.h"
#include "audio/crossing.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QWheelEvent>

namespace puretone::app {

namespace {

constexpr double axisHeight = 22.0;
constexpr double grabReach = 9.0; ///< Pixels on either side of a handle.
constexpr double gripRadius = 6.5;
/// Closer than this many pixels a frame, single frames are drawn as points.
constexpr double pointsFrom = 5.0;

} // namespace

WaveView::WaveView(QWidget* parent)
    : QWidget(parent)
{
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Wave"));
}

void WaveView::setSound(std::shared_ptr<const PeakPyramid> peaks, Span kept)
{
    const bool other = (peaks ? &peaks->audio() : nullptr) != (peaks_ ? &peaks_->audio() : nullptr);
    peaks_ = std::move(peaks);
    kept_ = kept;
    if (other && peaks_) {
        const Span whole{Frames{0}, Frames{frames()}};
        fullHeight_ = 0.02f;
        for (std::size_t c = 0; c < peaks_->audio().channelCount(); ++c) {
            const Extent e = peaks_->extent(c, whole);
            fullHeight_ = std::max({fullHeight_, e.high, -e.low});
        }
        // Turned round, what is kept may lie at the other end.
        const double first = geometry_.frameAt(geometry_.area.left());
        const double last = geometry_.frameAt(geometry_.area.right());
        if (kept.length() > 0
            && (double(kept.end.value) < first || double(kept.start.value) > last))
            fit(kept);
    }
    update();
}

void WaveView::setHome(Span home)
{
    home_ = home;
    fit(home);
}

void WaveView::setHandles(std::vector<WaveHandle> handles)
{
    handles_ = std::move(handles);
    update();
}

void WaveView::setHeadroom(double pixels)
{
    headroom_ = pixels;
    layOut();
}

void WaveView::setPlayhead(double frame)
{
    if (frame == playhead_)
        return;
    const auto strip = [&](double f) {
        return QRectF(geometry_.xOf(f) - 2.0, 0.0, 4.0, height()).toAlignedRect();
    };
    if (playhead_ >= 0.0)
        update(strip(playhead_));
    playhead_ = frame;
    if (playhead_ >= 0.0)
        update(strip(playhead_));
}

void WaveView::layOut()
{
    const bool firstTime = geometry_.area.isEmpty();
    const double had = geometry_.area.width();
    geometry_.area = QRectF(8.0, headroom_ + 8.0, std::max(1.0, width() - 16.0),
        std::max(1.0, height() - headroom_ - axisHeight - 12.0));
    if (firstTime && home_.length() > 0)
        fit(home_);
    else if (had > 1.0)
        geometry_.framesPerPixel *= had / geometry_.area.width(); // the same stretch stays in view
    update();
}

void WaveView::resizeEvent(QResizeEvent*)
{
    layOut();
    emit viewChanged();
}

void WaveView::setView(const WaveGeometry& geometry)
{
    geometry_ = geometry;
    update();
    emit viewChanged();
}

void WaveView::fit(Span span)
{
    setView(geometry_.fitting(span));
}
void WaveView::scrollTo(double firstFrame)
{
    setView(geometry_.scrolledTo(firstFrame, frames()));
}
void WaveView::zoom(double factor)
{
    const bool onHandle = focused_ >= 0 && handle(focused_) != nullptr;
    const double x =
        onHandle ? geometry_.xOf(handle(focused_)->frame) : geometry_.area.center().x();
    setView(geometry_.zoomed(factor, x, frames()));
}

const WaveHandle* WaveView::handle(int id) const
{
    for (const auto& h : handles_)
        if (h.id == id)
            return &h;
    return nullptr;
}

int WaveView::handleAt(QPointF position) const
{
    int best = -1;
    double bestDistance = grabReach + 1.0;
    for (const auto& h : handles_) {
        double distance = std::abs(geometry_.xOf(h.frame) - position.x());
        // Where two lie on each other, the one whose grip is nearer in height wins.
        const double grip = h.grip == WaveHandle::Grip::top ? geometry_.area.top()
            : h.grip == WaveHandle::Grip::bottom            ? geometry_.area.bottom()
                                                            : geometry_.area.center().y();
        distance += 0.01 * std::abs(grip - position.y());
        if (std::abs(geometry_.xOf(h.frame) - position.x()) <= grabReach
            && distance < bestDistance + 6.0 && distance < bestDistance) {
            bestDistance = distance;
            best = h.id;
        }
    }
    return best;
}

// ---- Hand
// ------------------------------------------------------------------------------------------

void WaveView::wheelEvent(QWheelEvent* event)
{
    if (!peaks_)
        return;
    const QPoint turn = event->angleDelta();
    if (std::abs(turn.x()) > std::abs(turn.y()))
        scrollTo(geometry_.firstFrame - turn.x() * geometry_.framesPerPixel);
    else if (turn.y() != 0)
        setView(geometry_.zoomed(std::exp2(-turn.y() / 240.0), event->position().x(), frames()));
    event->accept();
}

void WaveView::mousePressEvent(QMouseEvent* event)
{
    setFocus(Qt::MouseFocusReason);
    if (event->button() != Qt::LeftButton || !peaks_)
        return;
    const int id = handleAt(event->position());
    focused_ = id;
    keyRun_ = false;
    grabX_ = event->position().x();
    if (id >= 0) {
        dragged_ = id;
        moved_ = false;
        grabFrame_ = handle(id)->frame;
        finePull_ = 0.0;
    } else {
        panning_ = true;
        panFirst_ = geometry_.firstFrame;
    }
    update();
}

void WaveView::mouseMoveEvent(QMouseEvent* event)
{
    const double x = event->position().x();
    if (dragged_ >= 0) {
        const double pull = (x - grabX_) * geometry_.framesPerPixel;
        // Fine movement is added up apart, so that pressing Shift in the middle makes no jump.
        const bool fine = event->modifiers().testFlag(Qt::ShiftModifier);
        grabX_ = x;
        finePull_ += fine ? 0.1 * pull : pull;
        const bool first = !moved_;
        moved_ = true;
        moveTo(grabFrame_ + finePull_, event->modifiers(), first);
        return;
    }
    if (panning_) {
        scrollTo(panFirst_ - (x - grabX_) * geometry_.framesPerPixel);
        setCursor(Qt::ClosedHandCursor);
        return;
    }
    const int over = handleAt(event->position());
    if (over != hovered_) {
        hovered_ = over;
        setCursor(over >= 0 ? Qt::SizeHorCursor : Qt::ArrowCursor);
        update();
    }
}

void WaveView::moveTo(double frame, Qt::KeyboardModifiers modifiers, bool first)
{
    const WaveHandle* h = handle(dragged_);
    auto target = Frames{std::llround(frame)};
    if (h != nullptr && h->snaps && !modifiers.testFlag(Qt::AltModifier)) {
        const auto reach = std::int64_t(std::clamp(8.0 * geometry_.framesPerPixel, 1.0, 2000.0));
        target = nearestCrossing(peaks_->audio(), target, reach);
    }
    if (h != nullptr && h->carries && modifiers.testFlag(Qt::ControlModifier))
        emit handleCarried(dragged_, target.value, first);
    else
        emit handleMoved(dragged_, target.value, first);
}

void WaveView::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    panning_ = false;
    const int was = std::exchange(dragged_, -1);
    setCursor(handleAt(event->position()) >= 0 ? Qt::SizeHorCursor : Qt::ArrowCursor);
    if (was >= 0 && moved_)
        emit handleReleased(was);
    update();
}

void WaveView::mouseDoubleClickEvent(QMouseEvent* event)
{
    panning_ = false;
    if (handleAt(event->position()) < 0)
        emit stretchAsked(std::llround(geometry_.frameAt(event->position().x())));
}

void WaveView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && dragged_ >= 0) {
        const int was = std::exchange(dragged_, -1);
        if (moved_)
            emit handleCancelled(was);
        update();
        return;
    }
    if (event->key() == Qt::Key_Plus || event->key() == Qt::Key_Equal)
        return zoom(0.5);
    if (event->key() == Qt::Key_Minus)
        return zoom(2.0);
    const bool left = event->key() == Qt::Key_Left, right = event->key() == Qt::Key_Right;
    const WaveHandle* h = handle(focused_);
    if (h == nullptr || (!left && !right)) {
        QWidget::keyPressEvent(event);
        return;
    }
    double step = 1.0;
    if (event->modifiers().testFlag(Qt::ControlModifier))
        step = rate() / 1000.0;
    else if (event->modifiers().testFlag(Qt::ShiftModifier))
        step = periodFrames_ > 0.0 ? periodFrames_ : 1.0;
    const bool first = !keyRun_;
    keyRun_ = true;
    event->accept();
    if (event->modifiers().testFlag(Qt::AltModifier)) {
        emit matchAsked(focused_, right, first);
        return;
    }
    emit handleMoved(focused_, std::llround(h->frame + (left ? -step : step)), first);
}

void WaveView::contextMenuEvent(QContextMenuEvent* event)
{
    if (!peaks_)
        return;
    const bool mouse = event->reason() == QContextMenuEvent::Mouse;
    const QPointF place = mouse ? QPointF(event->pos()) : geometry_.area.center();
    emit menuAsked(std::llround(geometry_.frameAt(place.x())), mapToGlobal(place.toPoint()));
}

void WaveView::leaveEvent(QEvent*)
{
    hovered_ = -1;
    update();
}

void WaveView::focusOutEvent(QFocusEvent*)
{
    keyRun_ = false;
    update();
}

bool WaveView::focusNextPrevChild(bool next)
{
    // Tab goes from handle to handle before it leaves the wave.
    keyRun_ = false;
    int index = -1;
    for (std::size_t i = 0; i < handles_.size(); ++i)
        if (handles_[i].id == focused_)
            index = int(i);
    index += next ? 1 : index < 0 ? int(handles_.size()) : -1;
    if (index >= 0 && index < int(handles_.size())) {
        focused_ = handles_[std::size_t(index)].id;
        update();
        return true;
    }
    focused_ = -1;
    return QWidget::focusNextPrevChild(next);
}

// ---- Picture
// ---------------------------------------------------------------------------------------

void WaveView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    if (!peaks_)
        return;
    if (underlay_)
        underlay_(painter, geometry_);
    paintWave(painter);
    paintAxis(painter);
    if (overlay_)
        overlay_(painter, geometry_);
    for (const auto& h : handles_)
        paintHandle(painter, h);
    if (playhead_ >= 0.0) {
        painter.setPen(QPen(Theme::tokens().ink, 1.0));
        const double x = geometry_.xOf(playhead_);
        painter.drawLine(QPointF(x, geometry_.area.top()), QPointF(x, geometry_.area.bottom()));
    }
    if (hasFocus() && focused_ < 0) {
        painter.setPen(QPen(Theme::tokens().line, 1.0, Qt::DashLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(rect()).adjusted(1.0, 1.0, -1.0, -1.0));
    }
}

void WaveView::paintWave(QPainter& painter)
{
    const QRectF& a = geometry_.area;
    picture_.prepare({double(peaks_->serial()), a.left(), a.top(), a.width(), a.height(),
                         geometry_.firstFrame, geometry_.framesPerPixel},
        size(), devicePixelRatioF(),
        [this](QPainter& p, const QColor& color) { drawWave(p, color); });
    picture_.paint(
        painter, geometry_.xOf(double(kept_.start.value)), geometry_.xOf(double(kept_.end.value)));
}

void WaveView::drawWave(QPainter& painter, const QColor& color)
{
    const auto channels = std::min<std::size_t>(2, peaks_->audio().channelCount());
    const double laneHeight = geometry_.area.height() / double(channels);
    painter.setClipRect(geometry_.area);
    for (std::size_t c = 0; c < channels; ++c) {
        const QRectF lane(geometry_.area.left(), geometry_.area.top() + double(c) * laneHeight,
            geometry_.area.width(), laneHeight);
        if (geometry_.framesPerPixel < 1.0)
            drawSamples(painter, c, lane, color);
        else
            drawLane(painter, c, lane, color);
    }
}

void WaveView::drawLane(QPainter& painter, std::size_t channel, QRectF lane, const QColor& color)
{
    const auto count = barsAcross(painter, lane);
    columns_.resize(count);
    peaks_->columns(channel, geometry_.firstFrame,
        geometry_.framesPerPixel * lane.width() / double(count), columns_);
    const double middle = lane.center().y(), half = 0.5 * lane.height() - 2.0;
    bars_.clear();
    for (const auto& e : columns_)
        bars_.push_back({middle - half * double(e.high / fullHeight_) - 0.4,
            middle - half * double(e.low / fullHeight_) + 0.4});
    paintBars(painter, lane, bars_, color);
}

/// Single frames, joined by straight lines: of each pixel column, what the line covers there.
void WaveView::drawSamples(QPainter& painter, std::size_t channel, QRectF lane, const QColor& color)
{
    constexpr double halfPen = 0.8;
    const auto samples = peaks_->audio().channel(channel);
    const double middle = lane.center().y(), half = 0.5 * lane.height() - 2.0;
    const auto yAt = [&](double frame) {
        const double inside = std::clamp(frame, 0.0, double(frames() - 1));
        const auto index = std::min(std::size_t(inside), samples.size() - 1);
        const double next = double(samples[std::min(index + 1, samples.size() - 1)]);
        const double value =
            double(samples[index]) + (inside - double(index)) * (next - double(samples[index]));
        return middle - half * value / double(fullHeight_);
    };
    painter.setPen(QPen(Theme::tokens().line, 1.0));
    painter.drawLine(QPointF(lane.left(), middle), QPointF(lane.right(), middle));
    const auto count = barsAcross(painter, lane);
    const double step = geometry_.framesPerPixel * lane.width() / double(count);
    bars_.clear();
    for (std::size_t i = 0; i < count; ++i) {
        const double from = geometry_.firstFrame + double(i) * step, to = from + step;
        if (to < 0.0 || from > double(frames() - 1)) {
            bars_.push_back({middle, middle});
            continue;
        }
        double top = std::min(yAt(from), yAt(to)), bottom = std::max(yAt(from), yAt(to));
        // A frame inside the column may be a corner.
        if (const double corner = std::ceil(from); corner < to) {
            top = std::min(top, yAt(corner));
            bottom = std::max(bottom, yAt(corner));
        }
        bars_.push_back({top - halfPen, bottom + halfPen});
    }
    paintBars(painter, lane, bars_, color);
    if (1.0 / geometry_.framesPerPixel < pointsFrom)
        return;
    painter.setPen(Qt::NoPen);
    painter.setBrush(color);
    const auto first = std::max<std::int64_t>(0, std::int64_t(std::ceil(geometry_.firstFrame)));
    const auto last = std::min(frames() - 1, std::int64_t(geometry_.lastFrame()));
    for (auto f = first; f <= last; ++f)
        painter.drawEllipse(QPointF(geometry_.xOf(double(f)), yAt(double(f))), 2.6, 2.6);
}

void WaveView::paintAxis(QPainter& painter) const
{
    const auto& t = Theme::tokens();
    painter.setFont(Theme::font(11));
    const double top = geometry_.area.bottom() + 4.0;
    for (const auto& tick : timeTicks(geometry_, rate())) {
        const double x = geometry_.xOf(tick.frame);
        if (x < geometry_.area.left() - 0.5)
            continue;
        painter.setPen(QPen(t.quietInk, 1.0));
        painter.drawLine(QPointF(x, top), QPointF(x, top + 4.0));
        const QRectF box(x + 4.0, top, 70.0, 15.0);
        if (box.right() - 30.0 < geometry_.area.right())
            painter.drawText(box, Qt::AlignLeft | Qt::AlignVCenter, tick.label);
    }
}

void WaveView::paintHandle(QPainter& painter, const WaveHandle& h) const
{
    const double x = geometry_.xOf(h.frame);
    if (x < geometry_.area.left() - 1.0 || x > geometry_.area.right() + 1.0)
        return;
    const bool live = h.id == dragged_ || h.id == hovered_ || (h.id == focused_ && hasFocus());
    const QRectF& a = geometry_.area;
    const double y = h.grip == WaveHandle::Grip::top ? a.top()
        : h.grip == WaveHandle::Grip::bottom         ? a.bottom() - gripRadius
                                                     : a.center().y();
    painter.setPen(QPen(h.color, live ? 2.4 : 1.8));
    if (h.post)
        painter.drawLine(QPointF(x, a.top()), QPointF(x, a.bottom()));
    painter.setBrush(live ? h.color : Theme::tokens().panel);
    painter.drawEllipse(QPointF(x, y), gripRadius, gripRadius);
    if (h.id == focused_ && hasFocus()) {
        painter.setPen(QPen(Theme::tokens().ink, 1.0, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(QPointF(x, y), gripRadius + 3.5, gripRadius + 3.5);
    }
    const QString note = h.note && (live || h.post) ? h.note(h.frame) : QString();
    if (note.isEmpty())
        return;
    painter.setFont(Theme::font(12, Theme::Weight::strong));
    const double width = painter.fontMetrics().horizontalAdvance(note) + 10.0;
    // On the right, unless the picture ends there or another post stands in the way.
    const auto postBeside = [&](double side) {
        return std::any_of(handles_.begin(), handles_.end(), [&](const WaveHandle& o) {
            const double away = side * (geometry_.xOf(o.frame) - x);
            return o.id != h.id && o.post && away > 0.0 && away < width + 16.0;
        });
    };
    const bool ends = x + 14.0 + width > a.right();
    const bool leftSide = ends || postBeside(1.0);
    const double textX = std::max(a.left(), leftSide ? x - width - 8.0 : x + 8.0);
    // Where neither side is free, a line of its own.
    const double line =
        (ends && postBeside(-1.0)) || (leftSide && x - width < a.left()) ? 20.0 : 0.0;
    const double textY =
        h.grip == WaveHandle::Grip::top ? a.bottom() - 22.0 - line : a.top() + 4.0 + line;
    const QRectF box(textX, textY, width, 18.0);
    QColor back = Theme::tokens().panel;
    back.setAlpha(215);
    painter.setPen(Qt::NoPen);
    painter.setBrush(back);
    painter.drawRoundedRect(box, 4.0, 4.0);
    painter.setPen(h.color);
    painter.drawText(box, Qt::AlignCenter, note);
}

} // namespace puretone::app
