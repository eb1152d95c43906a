// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/place_strip.h"

#include "app/theme/theme.h"
#include "app/widgets/wave/small_wave.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace puretone::app {

namespace {

constexpr double placeReach = 8.0;

} // namespace

PlaceStrip::PlaceStrip(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(sizeHint().height());
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAccessibleName(tr("Frozen place"));
    setToolTip(
        tr("Drag the post to the moment that is held; the arrows move it, with Shift finer"));
}

void PlaceStrip::setTake(std::shared_ptr<const PeakPyramid> peaks, Span kept)
{
    peaks_ = std::move(peaks);
    kept_ = kept;
    update();
}

void PlaceStrip::setPlace(double place, double scatterSeconds)
{
    place_ = place;
    scatterSeconds_ = scatterSeconds;
    update();
}

double PlaceStrip::xOf(double place) const
{
    return 4.0 + place * (width() - 8.0);
}

void PlaceStrip::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF area = QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5);
    painter.setPen(QPen(t.line, 1.0));
    painter.setBrush(t.well);
    painter.drawRoundedRect(area, 4.0, 4.0);
    if (peaks_)
        paintSmallWave(painter, area.adjusted(4.0, 6.0, -4.0, -6.0), *peaks_, kept_, t.sea);
    const double x = xOf(place_);
    if (peaks_ && scatterSeconds_ > 0.0 && kept_.length() > 0) {
        const double share =
            scatterSeconds_ * peaks_->audio().rate / double(kept_.length()) * (width() - 8.0);
        QColor band = t.heather;
        band.setAlpha(60);
        painter.fillRect(QRectF(x - share, area.top(), 2.0 * share, area.height()) & area, band);
    }
    painter.setPen(QPen(t.heather, hasFocus() ? 3.0 : 2.0));
    painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()));
    painter.setBrush(t.heather);
    painter.setPen(Qt::NoPen);
    painter.drawEllipse(QPointF(x, area.top() + 5.0), 4.5, 4.5);
}

void PlaceStrip::moveTo(double place, bool first)
{
    emit dragged(std::clamp(place, 0.0, 1.0), first);
}

void PlaceStrip::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    dragging_ = true;
    const double x = event->position().x();
    away_ = std::abs(x - xOf(place_)) <= placeReach ? x - xOf(place_) : 0.0;
    // A click beside the post puts it there.
    moveTo((x - away_ - 4.0) / (width() - 8.0), true);
}

void PlaceStrip::mouseMoveEvent(QMouseEvent* event)
{
    if (dragging_)
        moveTo((event->position().x() - away_ - 4.0) / (width() - 8.0), false);
    else
        setCursor(std::abs(event->position().x() - xOf(place_)) <= placeReach ? Qt::SizeHorCursor
                                                                              : Qt::ArrowCursor);
}

void PlaceStrip::mouseReleaseEvent(QMouseEvent*)
{
    dragging_ = false;
}

void PlaceStrip::keyPressEvent(QKeyEvent* event)
{
    const double step = (event->modifiers() & Qt::ShiftModifier) != 0 ? 0.001 : 0.01;
    if (event->key() == Qt::Key_Left)
        moveTo(place_ - step, !event->isAutoRepeat());
    else if (event->key() == Qt::Key_Right)
        moveTo(place_ + step, !event->isAutoRepeat());
    else
        QWidget::keyPressEvent(event);
}

} // namespace puretone::app
