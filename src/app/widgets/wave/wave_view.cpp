// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave/wave_view.h"

#include "audio/signal/crossing.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QWheelEvent>

namespace puretone::app {

namespace {

constexpr double axisHeight = 22.0;
constexpr double grabReach = 9.0; ///< Pixels on either side of a handle.

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
    } else if (marks_ && event->modifiers().testFlag(Qt::ShiftModifier)) {
        markFrom_ = geometry_.frameAt(grabX_);
        marked_ = {};
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
    if (markFrom_) {
        marked_ = markedAt(x);
        update();
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

/// From where the hand came down to `x`; empty while it has hardly moved.
Span WaveView::markedAt(double x) const
{
    constexpr double least = 4.0; // pixels
    if (std::abs(x - grabX_) < least)
        return {};
    const double here = geometry_.frameAt(x), from = std::min(*markFrom_, here),
                 to = std::max(*markFrom_, here);
    const auto inside = [this](double frame) {
        return Frames{std::clamp<std::int64_t>(std::llround(frame), 0, frames())};
    };
    return {inside(from), inside(to)};
}

void WaveView::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    panning_ = false;
    if (std::exchange(markFrom_, std::nullopt) && marked_.length() > 0)
        emit stretchMarked(marked_.start.value, marked_.end.value);
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
    if (event->key() == Qt::Key_Escape && markFrom_) {
        markFrom_.reset();
        update();
        return;
    }
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

} // namespace puretone::app
