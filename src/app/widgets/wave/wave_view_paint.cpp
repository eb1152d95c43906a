// SPDX-License-Identifier: GPL-3.0-or-later
// The picture of the wave: lanes, axis and handles.
#include "app/widgets/wave/wave_view.h"

#include "app/theme/plate.h"
#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QPainter>
#include <QPainterPath>

namespace puretone::app {

namespace {

constexpr double gripRadius = 6.5;
/// Closer than this many pixels a frame, single frames are drawn as points.
constexpr double pointsFrom = 5.0;

} // namespace

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
    if (markFrom_)
        paintMark(painter);
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

void WaveView::paintMark(QPainter& painter) const
{
    if (marked_.length() <= 0)
        return;
    const double from = geometry_.xOf(double(marked_.start.value));
    const double to = geometry_.xOf(double(marked_.end.value));
    QColor shade = Theme::tokens().ink;
    shade.setAlpha(28);
    painter.setPen(QPen(Theme::tokens().ink, 1.0, Qt::DashLine));
    painter.setBrush(shade);
    const auto stretch =
        QRectF(QPointF(from, geometry_.area.top()), QPointF(to, geometry_.area.bottom()))
            .intersected(geometry_.area);
    painter.drawRect(stretch);
    const auto place = [this](Frames f) {
        return QString::fromStdString(formatPosition(double(f.value) / rate()));
    };
    painter.setFont(Theme::font(12, Theme::Weight::strong));
    drawOnPlate(painter, stretch.adjusted(0.0, 4.0, 0.0, 0.0), Qt::AlignHCenter | Qt::AlignTop,
        tr("%1 to %2").arg(place(marked_.start), place(marked_.end)), Theme::tokens().panel);
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
    painter.setPen(h.color);
    drawOnPlate(painter, box, Qt::AlignCenter, note, Theme::tokens().panel);
}

} // namespace puretone::app
