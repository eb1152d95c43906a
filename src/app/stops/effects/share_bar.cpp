// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/share_bar.h"

#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <cmath>

namespace puretone::app {

namespace {

constexpr double numberWidth = 42.0;
constexpr double shortestLabel = 30.0, labelGap = 8.0;
constexpr int labelSize = 11;

} // namespace

ShareBar::ShareBar(const QString& label, QWidget* parent)
    : QWidget(parent)
    , label_(label)
    , labelWidth_(std::max(
          shortestLabel, QFontMetricsF(Theme::font(labelSize)).horizontalAdvance(label) + labelGap))
{
    setFixedHeight(sizeHint().height());
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::SizeHorCursor);
}

QRectF ShareBar::bar() const
{
    return {labelWidth_, height() / 2.0 - 4.0, std::max(10.0, width() - labelWidth_ - numberWidth),
        8.0};
}

double ShareBar::xOf(double share) const
{
    return bar().left() + share * bar().width();
}

void ShareBar::setShare(double share)
{
    if (share_ == share)
        return;
    share_ = share;
    update();
}

void ShareBar::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(Theme::font(labelSize));
    painter.setPen(t.quietInk);
    painter.drawText(QRectF(0.0, 0.0, labelWidth_, height()), Qt::AlignVCenter, label_);
    painter.drawText(QRectF(0.0, 0.0, width(), height()), Qt::AlignVCenter | Qt::AlignRight,
        tr("%1 %").arg(std::lround(100.0 * share_)));
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.line);
    painter.drawRoundedRect(bar(), 4.0, 4.0);
    QRectF full = bar();
    full.setWidth(share_ * full.width());
    painter.setBrush(isEnabled() ? t.sea : t.faded);
    painter.drawRoundedRect(full, 4.0, 4.0);
    if (hasFocus()) {
        painter.setBrush(t.panel);
        painter.setPen(QPen(t.sea, 2.0));
        painter.drawEllipse(QPointF(xOf(share_), height() / 2.0), 5.0, 5.0);
    }
}

void ShareBar::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    pressed_ = true;
    dragging_ = false;
    pressX_ = event->position().x();
    pressShare_ = share_;
}

void ShareBar::mouseMoveEvent(QMouseEvent* event)
{
    if (!pressed_)
        return;
    const double away = event->position().x() - pressX_;
    constexpr double still = 2.0;
    if (!dragging_ && std::abs(away) < still)
        return;
    const double fine = (event->modifiers() & Qt::ShiftModifier) != 0 ? 0.1 : 1.0;
    emit dragged(std::clamp(pressShare_ + fine * away / bar().width(), 0.0, 1.0),
        !std::exchange(dragging_, true));
}

void ShareBar::mouseReleaseEvent(QMouseEvent*)
{
    pressed_ = dragging_ = false;
}

void ShareBar::keyPressEvent(QKeyEvent* event)
{
    const double step = (event->modifiers() & Qt::ShiftModifier) != 0 ? 0.001 : 0.01;
    if (event->key() == Qt::Key_Escape && dragging_) {
        pressed_ = dragging_ = false;
        emit cancelled();
    } else if (event->key() == Qt::Key_Up || event->key() == Qt::Key_Right)
        emit dragged(std::min(1.0, share_ + step), !event->isAutoRepeat());
    else if (event->key() == Qt::Key_Down || event->key() == Qt::Key_Left)
        emit dragged(std::max(0.0, share_ - step), !event->isAutoRepeat());
    else
        QWidget::keyPressEvent(event);
}

} // namespace puretone::app
