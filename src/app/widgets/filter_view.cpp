// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/filter_view.h"

#include "app/theme/theme.h"
#include "app/widgets/spectrum_axis.h"
#include "base/quantity.h"
#include "prepare/treat/biquad.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

namespace puretone::app {

namespace {

constexpr double lowestHz = 10.0, rangeDb = 24.0;
constexpr double grabReach = 12.0;

double highestHz(double rate)
{
    return std::min(22000.0, 0.5 * rate);
}

} // namespace

FilterView::FilterView(QWidget* parent)
    : QWidget(parent)
{
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Filters over the spectrum"));
    setToolTip(tr("Drag a point: across for its frequency, up and down for its gain; the wheel "
                  "makes a bell narrower or wider"));
}

void FilterView::setFilters(
    const MeanSpectrum* spectrum, Treatments treatments, int chosen, double rate)
{
    spectrum_ = spectrum != nullptr ? *spectrum : MeanSpectrum{};
    treatments_ = std::move(treatments);
    chosen_ = chosen;
    rate_ = rate;
    update();
}

QRectF FilterView::area() const
{
    return QRectF(rect()).adjusted(38.0, 6.0, -8.0, -20.0);
}
SpectrumAxis FilterView::axis() const
{
    return {area(), lowestHz, highestHz(rate_)};
}
double FilterView::yOf(double db) const
{
    return area().center().y() - 0.5 * area().height() * std::clamp(db / rangeDb, -1.0, 1.0);
}

std::optional<QPointF> FilterView::pointOf(int index) const
{
    if (index < 0 || index >= int(treatments_.size()))
        return std::nullopt;
    const auto& what = treatments_[std::size_t(index)].what;
    if (const auto* pass = std::get_if<PassFilter>(&what))
        return QPointF(axis().xOf(pass->hz), yOf(-3.0));
    if (const auto* band = std::get_if<Band>(&what))
        return QPointF(axis().xOf(band->hz), yOf(band->gainDb));
    return std::nullopt;
}

void FilterView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    paintGrid(painter);
    paintSpectrum(painter, axis(), spectrum_);
    paintCurve(painter);
    paintPoints(painter);
    if (hasFocus()) {
        painter.setPen(QPen(Theme::tokens().line, 1.0, Qt::DashLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(rect()).adjusted(1.0, 1.0, -1.0, -1.0));
    }
}

void FilterView::paintGrid(QPainter& painter) const
{
    const auto& t = Theme::tokens();
    paintFrequencies(painter, axis());
    for (const double db : {-12.0, 0.0, 12.0}) {
        painter.setPen(QPen(t.line, db == 0.0 ? 1.4 : 0.7));
        painter.drawLine(QPointF(area().left(), yOf(db)), QPointF(area().right(), yOf(db)));
        painter.setPen(t.quietInk);
        painter.drawText(QRectF(0.0, yOf(db) - 8.0, 33.0, 16.0), Qt::AlignRight,
            typeset((db > 0.0 ? "+" : "") + formatNumber(db, 0)));
    }
}

void FilterView::paintCurve(QPainter& painter) const
{
    const auto& t = Theme::tokens();
    const auto curve = [&](const Treatments& list) {
        QPolygonF line;
        for (double x = area().left(); x <= area().right(); x += 2.0)
            line << QPointF(x, yOf(filterResponse(list, axis().hzAt(x), rate_).value));
        return line;
    };
    painter.setBrush(Qt::NoBrush);
    if (pointOf(chosen_)) {
        painter.setPen(QPen(t.quietInk, 1.0, Qt::DashLine));
        painter.drawPolyline(curve({treatments_[std::size_t(chosen_)]}));
    }
    painter.setPen(QPen(t.ink, 1.8));
    painter.drawPolyline(curve(treatments_));
}

void FilterView::paintPoints(QPainter& painter) const
{
    const auto& t = Theme::tokens();
    for (int i = 0; i < int(treatments_.size()); ++i) {
        const auto point = pointOf(i);
        if (!point)
            continue;
        const bool on = treatments_[std::size_t(i)].on;
        painter.setPen(QPen(on ? t.sea : t.quietInk, 2.0));
        painter.setBrush(i == chosen_ && on ? t.sea : t.panel);
        painter.drawEllipse(*point, i == chosen_ ? 7.0 : 5.5, i == chosen_ ? 7.0 : 5.5);
        if (i != dragged_ || !moved_)
            continue;
        painter.setFont(Theme::font(12, Theme::Weight::strong));
        painter.setPen(t.ink);
        const QString text = typeset(describe(treatments_[std::size_t(i)]));
        const double wide = painter.fontMetrics().horizontalAdvance(text);
        const double left = std::clamp(
            point->x() - wide / 2.0, area().left(), std::max(area().left(), area().right() - wide));
        const double y = point->y() > area().top() + 30.0 ? point->y() - 28.0 : point->y() + 12.0;
        painter.drawText(QRectF(left, y, wide + 2.0, 18.0), Qt::AlignLeft, text);
    }
}

void FilterView::mousePressEvent(QMouseEvent* event)
{
    wheelRun_ = false;
    if (event->button() != Qt::LeftButton)
        return;
    double nearest = grabReach;
    for (int i = 0; i < int(treatments_.size()); ++i)
        if (const auto point = pointOf(i)) {
            const double distance =
                std::hypot(point->x() - event->position().x(), point->y() - event->position().y());
            // The chosen one wins where two lie on each other.
            if (distance - (i == chosen_ ? 3.0 : 0.0) < nearest) {
                nearest = distance;
                dragged_ = i;
                grabOffset_ = *point - event->position();
            }
        }
    moved_ = false;
    if (dragged_ >= 0 && dragged_ != chosen_)
        emit chosen(dragged_);
}

void FilterView::mouseMoveEvent(QMouseEvent* event)
{
    if (dragged_ < 0 || dragged_ >= int(treatments_.size()))
        return;
    const QPointF place = event->position() + grabOffset_;
    Treatment next = treatments_[std::size_t(dragged_)];
    if (auto* pass = std::get_if<PassFilter>(&next.what))
        pass->hz = axis().hzAt(place.x());
    if (auto* band = std::get_if<Band>(&next.what)) {
        band->hz = axis().hzAt(place.x());
        const double db = (area().center().y() - place.y()) / (0.5 * area().height()) * rangeDb;
        band->gainDb = std::clamp(std::round(10.0 * db) / 10.0, -rangeDb, rangeDb);
    }
    emit changed(dragged_, next, !std::exchange(moved_, true));
}

void FilterView::mouseReleaseEvent(QMouseEvent*)
{
    dragged_ = -1;
    update();
}

void FilterView::wheelEvent(QWheelEvent* event)
{
    if (!pointOf(chosen_) || event->angleDelta().y() == 0)
        return;
    Treatment next = treatments_[std::size_t(chosen_)];
    if (auto* band = std::get_if<Band>(&next.what); band && band->shape == Band::Shape::bell) {
        band->q = std::clamp(band->q * std::exp2(event->angleDelta().y() / 480.0), 0.1, 20.0);
        emit changed(chosen_, next, !std::exchange(wheelRun_, true));
    }
    event->accept();
}

void FilterView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && dragged_ >= 0) {
        dragged_ = -1;
        if (moved_)
            emit cancelled();
        update();
        return;
    }
    const int across = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    const int up = event->key() == Qt::Key_Up ? 1 : event->key() == Qt::Key_Down ? -1 : 0;
    if (!pointOf(chosen_) || (across == 0 && up == 0)) {
        QWidget::keyPressEvent(event);
        return;
    }
    Treatment next = treatments_[std::size_t(chosen_)];
    const double ratio = std::exp2(across / 12.0);
    if (auto* pass = std::get_if<PassFilter>(&next.what))
        pass->hz *= ratio;
    if (auto* band = std::get_if<Band>(&next.what)) {
        band->hz *= ratio;
        band->gainDb = std::clamp(band->gainDb + 0.5 * up, -rangeDb, rangeDb);
    }
    emit changed(chosen_, sanitized(next), !std::exchange(wheelRun_, true));
}

} // namespace puretone::app
