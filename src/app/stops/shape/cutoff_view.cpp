// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/cutoff_view.h"

#include "app/theme/plate.h"
#include "app/theme/theme.h"
#include "base/quantity.h"
#include "engine/voices/filter_run.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <cmath>

namespace puretone::app {

namespace {

constexpr double curveRate = 48000.0;
constexpr double topDb = 30.0, bottomDb = -36.0;
constexpr double cutoffReach = 13.0;
constexpr double fullResonanceDb = 28.9432; // 28 times

} // namespace

CutoffView::CutoffView(QWidget* parent)
    : QWidget(parent)
{
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAccessibleName(tr("Filter over the spectrum"));
    setToolTip(tr("Drag the handle: across for the cutoff, up and down for the resonance"));
}

void CutoffView::setFilter(
    const MeanSpectrum* spectrum, const Filter& filter, double cutoff, const QString& key)
{
    spectrum_ = spectrum != nullptr ? *spectrum : MeanSpectrum{};
    filter_ = filter;
    cutoff_ = cutoff;
    key_ = key;
    update();
}

void CutoffView::showNow(double hz)
{
    if (filter_.kind == FilterKind::off)
        hz = 0.0;
    if (std::abs(hz - std::exchange(now_, hz)) > 0.001 * hz)
        update();
}

SpectrumAxis CutoffView::axis() const
{
    return {QRectF(rect()).adjusted(10.0, 6.0, -10.0, -20.0), 16.0, 22000.0};
}

double CutoffView::yOf(double db) const
{
    const QRectF area = axis().area;
    return area.top()
        + (topDb - std::clamp(db, bottomDb, topDb)) / (topDb - bottomDb) * area.height();
}

/// The handle stands as high as the resonance lifts.
double CutoffView::handleDb() const
{
    return filter_.resonance * fullResonanceDb;
}

QPointF CutoffView::handle() const
{
    const double hz = filter_.kind == FilterKind::off ? 20000.0 : cutoff_;
    return {axis().xOf(std::clamp(hz, axis().lowest, axis().highest)), yOf(handleDb())};
}

QPolygonF CutoffView::curve(double cutoff) const
{
    QPolygonF line;
    const auto a = axis();
    for (double x = a.area.left(); x <= a.area.right(); x += 1.0)
        line << QPointF(
            x, yOf(toDecibels(filterGain(filter_, cutoff, a.hzAt(x), curveRate)).value));
    return line;
}

void CutoffView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const auto a = axis();
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.well);
    painter.drawRoundedRect(a.area.adjusted(-6.0, -4.0, 6.0, 0.0), 4.0, 4.0);
    paintFrequencies(painter, a);
    paintSpectrum(painter, a, spectrum_);
    const bool on = filter_.kind != FilterKind::off;
    painter.setBrush(Qt::NoBrush);
    painter.setClipRect(a.area);
    if (on && now_ > 0.0) {
        painter.setPen(QPen(t.heather, 1.6));
        painter.drawPolyline(curve(now_));
    }
    painter.setPen(QPen(on ? t.ink : t.quietInk, on ? 2.0 : 1.2));
    painter.drawPolyline(curve(cutoff_));
    painter.setClipping(false);
    const QPointF h = handle();
    painter.setPen(QPen(t.ink, 2.0));
    painter.setBrush(grabbed_ || underMouse() ? t.ink : t.panel);
    painter.drawEllipse(h, 6.0, 6.0);
    // By keys it is another one for each: the field has that of middle C.
    const bool byKey = std::abs(cutoff_ / filter_.hz - 1.0) > 0.005;
    QString text = !on ? tr("no filter: drag the handle to the left for a low one")
        : byKey        ? tr("cutoff %1 at %2").arg(typeset(formatHz(cutoff_)), key_)
                       : tr("cutoff %1").arg(typeset(formatHz(cutoff_)));
    if (on && now_ > 0.0)
        text += tr(", now %1").arg(typeset(formatHz(now_)));
    painter.setFont(Theme::font(11, Theme::Weight::medium));
    const double width = painter.fontMetrics().horizontalAdvance(text) + 10.0;
    const bool left = h.x() + 14.0 + width > a.area.right();
    const QRectF box(left ? h.x() - 14.0 - width : h.x() + 14.0,
        std::clamp(h.y() - 8.0, a.area.top(), a.area.bottom() - 16.0), width, 16.0);
    painter.setPen(on ? t.heather : t.quietInk);
    drawOnPlate(painter, box, left ? Qt::AlignRight : Qt::AlignLeft, text, t.well);
    if (hasFocus()) {
        painter.setPen(QPen(t.line, 1.0, Qt::DashLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(rect()).adjusted(1.0, 1.0, -1.0, -1.0));
    }
}

void CutoffView::move(QPointF place, bool first)
{
    Filter filter = filter_;
    const auto a = axis();
    const double shown = filter_.kind == FilterKind::off ? filter_.hz : cutoff_;
    // What the shown key adds stays added.
    filter.hz = std::clamp(a.hzAt(place.x()) * filter_.hz / shown, 16.0, 20000.0);
    const double db = topDb - (place.y() - a.area.top()) / a.area.height() * (topDb - bottomDb);
    filter.resonance = std::clamp(db / fullResonanceDb, 0.0, 1.0);
    if (filter.kind == FilterKind::off)
        filter.kind = FilterKind::low;
    emit changed(filter, tr("Move cutoff"), first);
}

void CutoffView::mousePressEvent(QMouseEvent* event)
{
    grabbed_ = event->button() == Qt::LeftButton
        && QLineF(handle(), event->position()).length() < cutoffReach;
    moved_ = false;
    grabOffset_ = handle() - event->position();
    update();
}

void CutoffView::mouseMoveEvent(QMouseEvent* event)
{
    const bool over = QLineF(handle(), event->position()).length() < cutoffReach;
    setCursor(grabbed_ || over ? Qt::SizeAllCursor : Qt::ArrowCursor);
    if (grabbed_)
        move(event->position() + grabOffset_, !std::exchange(moved_, true));
}

void CutoffView::mouseReleaseEvent(QMouseEvent*)
{
    grabbed_ = false;
    update();
}

void CutoffView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && grabbed_) {
        grabbed_ = false;
        if (moved_)
            emit cancelled();
        return;
    }
    const double across = event->key() == Qt::Key_Right ? 1.0
        : event->key() == Qt::Key_Left                  ? -1.0
                                                        : 0.0;
    const double up = event->key() == Qt::Key_Up ? 1.0 : event->key() == Qt::Key_Down ? -1.0 : 0.0;
    if (across == 0.0 && up == 0.0) {
        QWidget::keyPressEvent(event);
        return;
    }
    // A semitone, a hundredth; a tenth of that with Shift.
    const double fine = event->modifiers().testFlag(Qt::ShiftModifier) ? 0.1 : 1.0;
    Filter filter = filter_;
    filter.hz = std::clamp(filter.hz * std::exp2(across * fine / 12.0), 16.0, 20000.0);
    filter.resonance = std::clamp(filter.resonance + 0.01 * fine * up, 0.0, 1.0);
    if (filter.kind == FilterKind::off)
        filter.kind = FilterKind::low;
    emit changed(filter, tr("Move cutoff"), !event->isAutoRepeat());
}

} // namespace puretone::app
