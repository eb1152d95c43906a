// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave/played_strip.h"

#include "app/theme/theme.h"
#include "app/widgets/wave/bars.h"
#include "base/quantity.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <cmath>

namespace puretone::app {

namespace {
constexpr double stripReach = 9.0;
}

PlayedStrip::PlayedStrip(QWidget* parent)
    : QWidget(parent)
{
    setMinimumSize(640, 110);
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAccessibleName(tr("What was played"));
    setToolTip(tr("Drag across what is to be kept, or move either end"));
}

void PlayedStrip::setPlayed(std::vector<Extent> picture, KeptAudio::Range whole, double rate)
{
    picture_ = std::move(picture);
    whole_ = whole;
    rate_ = rate;
    update();
}

void PlayedStrip::choose(KeptAudio::Range chosen)
{
    chosen_ = {std::clamp(chosen.from, whole_.from, whole_.to),
        std::clamp(chosen.to, whole_.from, whole_.to)};
    update();
    emit changed();
}

QRectF PlayedStrip::area() const
{
    return QRectF(rect()).adjusted(8.0, 6.0, -8.0, -22.0);
}

double PlayedStrip::xOf(std::uint64_t frame) const
{
    const double all = std::max(1.0, double(whole_.to - whole_.from));
    return area().left() + (double(frame) - double(whole_.from)) / all * area().width();
}

std::uint64_t PlayedStrip::frameAt(double x) const
{
    const double share = std::clamp((x - area().left()) / area().width(), 0.0, 1.0);
    return whole_.from + std::uint64_t(share * double(whole_.to - whole_.from));
}

void PlayedStrip::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.well);
    painter.drawRoundedRect(area().adjusted(-4.0, -4.0, 4.0, 4.0), 5.0, 5.0);
    std::vector<Bar> bars;
    const double middle = area().center().y(), half = 0.5 * area().height();
    for (const Extent& extent : picture_)
        bars.push_back({middle - half * double(std::min(1.0f, extent.high)) - 0.4,
            middle - half * double(std::max(-1.0f, extent.low)) + 0.4});
    paintBars(painter, area(), bars, t.faded);
    const QRectF stretch(
        QPointF(xOf(chosen_.from), area().top()), QPointF(xOf(chosen_.to), area().bottom()));
    painter.save();
    painter.setClipRect(stretch);
    paintBars(painter, area(), bars, t.sea);
    painter.restore();
    painter.setPen(QPen(t.ink, 2.0));
    for (const auto frame : {chosen_.from, chosen_.to})
        painter.drawLine(QPointF(xOf(frame), area().top()), QPointF(xOf(frame), area().bottom()));
    painter.setFont(Theme::font(11));
    painter.setPen(t.quietInk);
    const QRectF below(area().left(), area().bottom() + 5.0, area().width(), 16.0);
    const double seconds = double(whole_.to - whole_.from) / rate_;
    painter.drawText(below, Qt::AlignLeft,
        seconds < 99.5 ? tr("%1 ago").arg(typeset(formatSeconds(seconds)))
                       : tr("%1 minutes ago").arg(std::lround(seconds / 60.0)));
    painter.drawText(below, Qt::AlignRight, tr("now"));
}

void PlayedStrip::mousePressEvent(QMouseEvent* event)
{
    const double x = event->position().x();
    // An end is taken where it is; elsewhere a new stretch begins.
    if (std::abs(x - xOf(chosen_.from)) < stripReach)
        anchor_ = chosen_.to;
    else if (std::abs(x - xOf(chosen_.to)) < stripReach)
        anchor_ = chosen_.from;
    else
        anchor_ = frameAt(x);
}

void PlayedStrip::mouseMoveEvent(QMouseEvent* event)
{
    const double x = event->position().x();
    const bool over =
        std::abs(x - xOf(chosen_.from)) < stripReach || std::abs(x - xOf(chosen_.to)) < stripReach;
    setCursor(over ? Qt::SizeHorCursor : Qt::CrossCursor);
    if ((event->buttons() & Qt::LeftButton) == 0)
        return;
    const auto at = frameAt(x);
    choose({std::min(at, anchor_), std::max(at, anchor_)});
}

void PlayedStrip::keyPressEvent(QKeyEvent* event)
{
    const bool left = event->key() == Qt::Key_Left, right = event->key() == Qt::Key_Right;
    if (!left && !right) {
        QWidget::keyPressEvent(event);
        return;
    }
    // The end moves by a tenth of a second, with Shift the beginning.
    const auto step = std::uint64_t(0.1 * rate_);
    auto moved = chosen_;
    auto& end = event->modifiers().testFlag(Qt::ShiftModifier) ? moved.from : moved.to;
    end = left ? end - std::min(end, step) : end + step;
    if (moved.from < moved.to)
        choose(moved);
}

} // namespace puretone::app
