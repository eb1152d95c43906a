// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/path_bar.h"

#include "app/theme/theme.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

namespace puretone::app {

namespace {

constexpr double lineY = 19.0;
constexpr double ring = 5.0;
constexpr double readingTop = 50.0, readingHeight = 18.0;

} // namespace

PathBar::PathBar(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(72);
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Path"));
    setAccessibleDescription(tr("The stops of the work; arrow keys go from one to the next"));
}

void PathBar::setReadings(std::vector<Reading> readings)
{
    if (readings == readings_)
        return;
    readings_ = std::move(readings);
    update();
}

void PathBar::setCurrent(Stop stop)
{
    current_ = stop;
    setAccessibleName(tr("Path: %1").arg(said(nameOf(stop))));
    update();
}

QPointF PathBar::centreOf(Stop stop) const
{
    return {(double(stop) + 0.5) * spacing(), lineY};
}

QPointF PathBar::readingOf(Stop stop) const
{
    return {centreOf(stop).x(), readingTop + 0.5 * readingHeight};
}

int PathBar::stopAt(QPointF position) const
{
    const int index = int(position.x() / spacing());
    return index >= 0 && index < int(allStops.size()) ? index : -1;
}

void PathBar::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(t.line, 2.0));
    painter.drawLine(centreOf(allStops.front()), centreOf(allStops.back()));
    for (std::size_t i = 0; i < allStops.size(); ++i)
        paintStop(painter, i);
}

void PathBar::paintStop(QPainter& painter, std::size_t index) const
{
    const auto& t = Theme::tokens();
    const bool here = allStops[index] == current_;
    const QPointF centre = centreOf(allStops[index]);
    painter.setPen(QPen(t.sea, 2.0));
    painter.setBrush(here ? t.sea : t.paper);
    const double radius = here ? ring + 1.5 : ring;
    painter.drawEllipse(centre, radius, radius);
    if (here && hasFocus()) {
        painter.setPen(QPen(t.ink, 1.0, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(centre, radius + 3.5, radius + 3.5);
    }
    const QString name = said(nameOf(allStops[index]));
    painter.setFont(Theme::font(14, here ? Theme::Weight::strong : Theme::Weight::medium));
    painter.setPen(here || int(index) == hovered_ ? t.ink : t.quietInk);
    const double left = double(index) * spacing();
    painter.drawText(QRectF(left, 30.0, spacing(), 20.0), Qt::AlignCenter, name);
    const double half = 0.5 * painter.fontMetrics().horizontalAdvance(name);
    const Reading& reading = readings_[index];
    if (!reading.concern.empty()) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(t.coral);
        painter.drawEllipse(QPointF(centre.x() + half + 9.0, 40.0), 3.6, 3.6);
    }
    painter.setFont(Theme::font(12));
    painter.setPen(here ? t.ink : t.quietInk);
    const QString text =
        painter.fontMetrics().elidedText(typeset(reading.text), Qt::ElideRight, int(spacing()) - 8);
    painter.drawText(QRectF(left, readingTop, spacing(), readingHeight), Qt::AlignCenter, text);
}

void PathBar::mousePressEvent(QMouseEvent* event)
{
    const int index = stopAt(event->position());
    if (index < 0)
        return;
    const Stop stop = allStops[std::size_t(index)];
    emit chosen(stop);
    if (event->position().y() >= readingTop && !readings_[std::size_t(index)].concern.empty())
        emit concernChosen(stop);
}

void PathBar::mouseMoveEvent(QMouseEvent* event)
{
    const int over = stopAt(event->position());
    setCursor(over >= 0 ? Qt::PointingHandCursor : Qt::ArrowCursor);
    if (std::exchange(hovered_, over) != over)
        update();
}

void PathBar::leaveEvent(QEvent*)
{
    hovered_ = -1;
    update();
}

void PathBar::keyPressEvent(QKeyEvent* event)
{
    const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    const int next = int(current_) + step;
    if (step == 0 || next < 0 || next >= int(allStops.size()))
        QWidget::keyPressEvent(event);
    else
        emit chosen(allStops[std::size_t(next)]);
}

bool PathBar::event(QEvent* event)
{
    if (event->type() != QEvent::ToolTip)
        return QWidget::event(event);
    const auto* help = static_cast<QHelpEvent*>(event);
    const int index = stopAt(help->pos());
    if (index < 0)
        return true;
    const Reading& reading = readings_[std::size_t(index)];
    const QString shortcut = tr("Ctrl+%1").arg(index + 1);
    const QString text = reading.concern.empty() ? typeset(reading.text) : typeset(reading.concern);
    QToolTip::showText(
        help->globalPos(), text.isEmpty() ? shortcut : tr("%1  (%2)").arg(text, shortcut), this);
    return true;
}

} // namespace puretone::app
