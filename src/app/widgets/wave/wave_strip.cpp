// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave/wave_strip.h"

#include "app/theme/theme.h"
#include "app/widgets/wave/small_wave.h"

#include <QMouseEvent>
#include <QPainter>

namespace puretone::app {

WaveStrip::WaveStrip(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(36);
    setAccessibleName(tr("Whole recording"));
    setToolTip(tr("The whole recording; drag to move the large view"));
}

void WaveStrip::setSound(std::shared_ptr<const PeakPyramid> peaks, Span kept)
{
    peaks_ = std::move(peaks);
    kept_ = kept;
    update();
}

void WaveStrip::setWindow(double first, double last)
{
    first_ = first;
    last_ = last;
    update();
}

double WaveStrip::frameAt(double x) const
{
    return peaks_ ? x / std::max(1, width()) * double(peaks_->audio().frames()) : 0.0;
}

double WaveStrip::xOf(double frame) const
{
    return peaks_ ? frame / double(peaks_->audio().frames()) * width() : 0.0;
}

void WaveStrip::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.well);
    painter.drawRoundedRect(rect(), 4.0, 4.0);
    if (!peaks_)
        return;
    picture_.prepare({double(peaks_->serial())}, size(), devicePixelRatioF(),
        [this](QPainter& p, const QColor& color) {
            paintSmallWave(p, QRectF(rect()).adjusted(0.0, 3.0, 0.0, -3.0), *peaks_,
                {Frames{0}, Frames{peaks_->audio().frames()}}, color);
        });
    picture_.paint(painter, xOf(double(kept_.start.value)), xOf(double(kept_.end.value)));
    QRectF window(xOf(first_), 1.0, xOf(last_) - xOf(first_), height() - 2.0);
    window = window.intersected(QRectF(rect()).adjusted(1.0, 1.0, -1.0, -1.0));
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(t.ink, 1.5));
    painter.drawRoundedRect(window, 3.0, 3.0);
}

void WaveStrip::mousePressEvent(QMouseEvent* event)
{
    const double frame = frameAt(event->position().x());
    // Inside the frame it moves from where it is grabbed; outside it comes to the pointer.
    grabOffset_ = frame >= first_ && frame <= last_ ? frame - first_ : 0.5 * (last_ - first_);
    emit scrolled(frame - grabOffset_);
}

void WaveStrip::mouseMoveEvent(QMouseEvent* event)
{
    if (event->buttons().testFlag(Qt::LeftButton))
        emit scrolled(frameAt(event->position().x()) - grabOffset_);
}

} // namespace puretone::app
