// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/stack_list.h"

#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <utility>

namespace puretone::app {

StackList::StackList(QWidget* parent)
    : QWidget(parent)
{
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Variations"));
    setToolTip(tr("Sounds of the same keys; drag one, or move it by Alt with the arrows"));
}

void StackList::setRows(std::vector<Row> rows, ZoneId shown)
{
    rows_ = std::move(rows);
    shown_ = shown;
    setFixedHeight(std::max(1, sizeHint().height()));
    update();
}

QRectF StackList::rowRect(std::size_t index) const
{
    return {0.0, double(index) * rowHeight, double(width()), rowHeight - 2.0};
}

int StackList::rowAt(double y) const
{
    return std::clamp(int(y / rowHeight), 0, std::max(0, int(rows_.size()) - 1));
}

int StackList::shownRow() const
{
    for (std::size_t i = 0; i < rows_.size(); ++i)
        if (rows_[i].id == shown_)
            return int(i);
    return -1;
}

void StackList::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const QRectF rect = rowRect(i).adjusted(1.0, 1.0, -1.0, -1.0);
        const bool here = rows_[i].id == shown_;
        painter.setPen(here ? QPen(t.sea, hasFocus() ? 2.2 : 1.4) : QPen(t.line, 1.0));
        painter.setBrush(t.well);
        painter.drawRoundedRect(rect, 4.0, 4.0);
        painter.setFont(Theme::font(12, here ? Theme::Weight::strong : Theme::Weight::regular));
        painter.setPen(t.quietInk);
        painter.drawText(rect.adjusted(8.0, 0.0, 0.0, 0.0), Qt::AlignLeft | Qt::AlignVCenter,
            QString::number(i + 1));
        painter.setPen(t.ink);
        painter.drawText(rect.adjusted(28.0, 0.0, -6.0, 0.0), Qt::AlignLeft | Qt::AlignVCenter,
            painter.fontMetrics().elidedText(
                rows_[i].name, Qt::ElideRight, int(rect.width()) - 34));
    }
    if (grabbed_ >= 0 && over_ >= 0 && over_ != grabbed_) {
        const QRectF to = rowRect(std::size_t(over_));
        const double y = over_ > grabbed_ ? to.bottom() : to.top();
        painter.setPen(QPen(t.sea, 2.4));
        painter.drawLine(QPointF(0.0, y), QPointF(width(), y));
    }
}

void StackList::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton || rows_.empty())
        return;
    grabbed_ = over_ = rowAt(event->position().y());
}

void StackList::mouseMoveEvent(QMouseEvent* event)
{
    if (grabbed_ < 0)
        return;
    over_ = rowAt(event->position().y());
    update();
}

void StackList::mouseReleaseEvent(QMouseEvent*)
{
    const int from = std::exchange(grabbed_, -1), to = std::exchange(over_, -1);
    update();
    if (from < 0 || from >= int(rows_.size()))
        return;
    const auto id = rows_[std::size_t(from)].id;
    if (to == from)
        emit chosen(id);
    else
        emit moved(id, to);
}

void StackList::keyPressEvent(QKeyEvent* event)
{
    const int row = shownRow();
    const int step = event->key() == Qt::Key_Down ? 1 : event->key() == Qt::Key_Up ? -1 : 0;
    const int to = row + step;
    if (event->key() == Qt::Key_Escape && grabbed_ >= 0) {
        grabbed_ = over_ = -1;
        update();
    } else if (row < 0 || step == 0 || to < 0 || to >= int(rows_.size())) {
        QWidget::keyPressEvent(event);
    } else if ((event->modifiers() & Qt::AltModifier) != 0) {
        emit moved(rows_[std::size_t(row)].id, to);
    } else {
        emit chosen(rows_[std::size_t(to)].id);
    }
}

} // namespace puretone::app
