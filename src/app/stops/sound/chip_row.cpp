// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/sound/chip_row.h"

#include "app/theme/theme.h"
#include "app/widgets/own_keys.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace puretone::app {

namespace {

constexpr double chipHeight = 26.0, rowStep = 32.0, between = 16.0, dotRoom = 18.0;

} // namespace

ChipRow::ChipRow(const QString& adding, QWidget* parent)
    : QWidget(parent)
    , adding_(adding)
{
    setFocusPolicy(Qt::StrongFocus);
    setProperty(pressedBySpace, true);
    QSizePolicy policy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    policy.setHeightForWidth(true);
    setSizePolicy(policy);
}

void ChipRow::setChips(std::vector<Chip> chips, int chosen)
{
    const bool other = chips != chips_;
    chips_ = std::move(chips);
    chosen_ = chosen;
    focused_ = std::clamp(focused_, 0, last());
    if (other) {
        rects_ = layOut(width());
        updateGeometry();
    }
    update();
}

std::vector<QRectF> ChipRow::layOut(int width) const
{
    const QFontMetricsF metrics(Theme::font(13, Theme::Weight::medium));
    std::vector<QRectF> rects;
    double x = 1.0, y = 2.0;
    for (int i = 0; i <= last(); ++i) {
        const QString& text = i < last() ? chips_[std::size_t(i)].text : adding_;
        const double wide = metrics.horizontalAdvance(text) + 20.0 + (i < last() ? dotRoom : 0.0);
        if (i > 0 && x + wide > width - 2.0) {
            x = 1.0;
            y += rowStep;
        }
        rects.emplace_back(x, y, wide, chipHeight);
        x += wide + between;
    }
    return rects;
}

int ChipRow::heightForWidth(int width) const
{
    return int(layOut(width).back().bottom()) + 3;
}

QRectF ChipRow::chipRect(int index) const
{
    return rects_.at(std::size_t(index));
}

void ChipRow::resizeEvent(QResizeEvent*)
{
    rects_ = layOut(width());
    updateGeometry();
}

int ChipRow::chipAt(QPointF position) const
{
    for (int i = 0; i < int(rects_.size()); ++i)
        if (rects_[std::size_t(i)].adjusted(-2.0, -2.0, 2.0, 2.0).contains(position))
            return i;
    return -1;
}

void ChipRow::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(Theme::font(13, Theme::Weight::medium));
    for (int i = 0; i <= last(); ++i) {
        QRectF rect = rects_[std::size_t(i)];
        if (i > 0 && rects_[std::size_t(i) - 1].top() == rect.top()) {
            painter.setPen(QPen(t.line, 1.5));
            painter.drawLine(QPointF(rects_[std::size_t(i) - 1].right(), rect.center().y()),
                QPointF(rect.left(), rect.center().y()));
        }
        if (dragging_ && i == pressed_)
            rect.translate(dragX_, 0.0);
        const bool adds = i == last();
        const bool here = !adds && i == chosen_;
        const bool focus = hasFocus() && i == focused_;
        painter.setPen(QPen(here || focus ? t.sea : t.line,
            focus      ? 2.2
                : here ? 1.6
                       : 1.0,
            adds ? Qt::DashLine : Qt::SolidLine));
        painter.setBrush(here ? t.well : t.panel);
        painter.drawRoundedRect(rect, chipHeight / 2.0, chipHeight / 2.0);
        if (adds) {
            painter.setPen(t.sea);
            painter.drawText(rect, Qt::AlignCenter, adding_);
            continue;
        }
        const Chip& chip = chips_[std::size_t(i)];
        const QPointF dot(rect.left() + 14.0, rect.center().y());
        painter.setPen(QPen(chip.on ? t.sea : t.quietInk, 1.5));
        painter.setBrush(chip.on ? QBrush(t.sea) : QBrush(Qt::NoBrush));
        painter.drawEllipse(dot, 4.0, 4.0);
        auto font = Theme::font(13, Theme::Weight::medium);
        font.setStrikeOut(!chip.on);
        painter.setFont(font);
        painter.setPen(chip.on ? t.ink : t.quietInk);
        painter.drawText(rect.adjusted(8.0 + dotRoom, 0.0, -8.0, 0.0),
            Qt::AlignLeft | Qt::AlignVCenter, chip.text);
        painter.setFont(Theme::font(13, Theme::Weight::medium));
    }
}

void ChipRow::mousePressEvent(QMouseEvent* event)
{
    const int at = chipAt(event->position());
    if (event->button() != Qt::LeftButton || at < 0)
        return;
    focused_ = at;
    if (at == last()) {
        emit addAsked(mapToGlobal(rects_.back().bottomLeft().toPoint()));
        return;
    }
    pressed_ = at;
    pressedAt_ = event->position();
    dragging_ = false;
    wasChosen_ = at == chosen_;
    if (!wasChosen_)
        emit chosen(at);
}

void ChipRow::mouseMoveEvent(QMouseEvent* event)
{
    if (pressed_ < 0)
        return;
    dragX_ = event->position().x() - pressedAt_.x();
    dragging_ = dragging_ || std::abs(dragX_) > 6.0;
    update();
}

void ChipRow::mouseReleaseEvent(QMouseEvent* event)
{
    const int from = std::exchange(pressed_, -1);
    update();
    if (from < 0)
        return;
    if (!std::exchange(dragging_, false)) {
        if (wasChosen_)
            emit chosen(-1);
        return;
    }
    // It goes where its middle was let go: before the first chip whose middle lies behind it.
    const double middle = chipRect(from).center().x() + dragX_;
    const double row = event->position().y();
    int to = 0;
    for (int i = 0; i < last(); ++i)
        if (i != from
            && (chipRect(i).bottom() < row - chipHeight
                || (chipRect(i).top() <= row + chipHeight / 2.0
                    && chipRect(i).center().x() < middle)))
            ++to;
    if (to != from)
        emit moved(from, to);
}

void ChipRow::mouseDoubleClickEvent(QMouseEvent* event)
{
    const int at = chipAt(event->position());
    if (at >= 0 && at < last())
        emit switched(at);
}

void ChipRow::contextMenuEvent(QContextMenuEvent* event)
{
    const int at =
        event->reason() == QContextMenuEvent::Mouse ? chipAt(QPointF(event->pos())) : focused_;
    if (at >= 0 && at < last())
        emit menuAsked(at, mapToGlobal(chipRect(at).bottomLeft().toPoint()));
}

void ChipRow::keyPressEvent(QKeyEvent* event)
{
    const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    const bool onChip = focused_ < last();
    const bool carries = event->modifiers().testFlag(Qt::ControlModifier);
    if (step != 0 && carries && onChip && focused_ + step >= 0 && focused_ + step < last()) {
        const int from = focused_;
        focused_ += step;
        emit moved(from, from + step);
    } else if (step != 0 && !carries) {
        focused_ = std::clamp(focused_ + step, 0, last());
    } else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        if (onChip)
            emit chosen(focused_ == chosen_ ? -1 : focused_);
        else
            emit addAsked(mapToGlobal(rects_.back().bottomLeft().toPoint()));
    } else if (event->key() == Qt::Key_Space && onChip) {
        emit switched(focused_);
    } else if (event->key() == Qt::Key_Delete && onChip) {
        emit removeAsked(focused_);
    } else {
        QWidget::keyPressEvent(event);
        return;
    }
    update();
}

void ChipRow::focusInEvent(QFocusEvent*)
{
    update();
}
void ChipRow::focusOutEvent(QFocusEvent*)
{
    update();
}

} // namespace puretone::app
