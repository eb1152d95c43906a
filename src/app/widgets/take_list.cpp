// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/take_list.h"

#include "app/theme/theme.h"
#include "app/widgets/wave/small_wave.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPaintEvent>
#include <QPainter>

namespace puretone::app {

TakeList::TakeList(QWidget* parent)
    : QWidget(parent)
{
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Takes"));
    setToolTip(tr("Click a take to work on it; Delete removes the one on screen"));
}

void TakeList::setRows(std::vector<TakeRow> rows, TakeId shown)
{
    const bool grown = rows.size() != rows_.size();
    const auto before = std::pair(shown_, shownRow());
    rows_ = std::move(rows);
    shown_ = shown;
    if (grown)
        setFixedHeight(std::max(1, sizeHint().height()));
    update();
    if (before != std::pair(shown_, shownRow()))
        emit moved();
}

std::optional<std::size_t> TakeList::shownRow() const
{
    const auto row = std::find_if(
        rows_.begin(), rows_.end(), [this](const TakeRow& r) { return r.id == shown_; });
    return row != rows_.end() ? std::optional(std::size_t(row - rows_.begin())) : std::nullopt;
}

QRectF TakeList::rowRect(std::size_t index) const
{
    return {2.0, double(index) * rowHeight, width() - 4.0, rowHeight - 4.0};
}

void TakeList::paintEvent(QPaintEvent* event)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const auto& row = rows_[i];
        const QRectF rect = rowRect(i).adjusted(1.0, 1.0, -1.0, -1.0);
        // Of hundreds a dozen can be seen.
        if (!rect.intersects(QRectF(event->rect())))
            continue;
        const bool here = row.id == shown_;
        if (here) {
            painter.setPen(QPen(t.sea, hasFocus() ? 2.5 : 1.6));
            painter.setBrush(t.well);
            painter.drawRoundedRect(rect, 5.0, 5.0);
        }
        if (row.peaks)
            paintSmallWave(painter,
                QRectF(rect.left() + 7.0, rect.top() + 10.0, 46.0, rect.height() - 20.0),
                *row.peaks, row.kept, t.sea);
        const QRectF text(rect.left() + 61.0, rect.top() + 6.0, rect.width() - 66.0, 18.0);
        painter.setFont(Theme::font(13, here ? Theme::Weight::strong : Theme::Weight::regular));
        painter.setPen(t.ink);
        painter.drawText(text, Qt::AlignLeft | Qt::AlignVCenter,
            painter.fontMetrics().elidedText(row.name, Qt::ElideMiddle, int(text.width())));
        const QRectF below = text.translated(0.0, 19.0);
        painter.setFont(Theme::font(12, Theme::Weight::strong));
        painter.setPen(t.brass);
        painter.drawText(below, Qt::AlignLeft | Qt::AlignVCenter, row.root);
        const double used = painter.fontMetrics().horizontalAdvance(row.root) + 8.0;
        painter.setFont(Theme::font(11));
        painter.setPen(t.coral);
        painter.drawText(below.adjusted(used, 0.0, 0.0, 0.0), Qt::AlignLeft | Qt::AlignVCenter,
            painter.fontMetrics().elidedText(
                row.concern, Qt::ElideRight, int(below.width() - used)));
    }
}

void TakeList::mousePressEvent(QMouseEvent* event)
{
    pressed_ = {};
    pressedAt_ = event->position().toPoint();
    for (std::size_t i = 0; i < rows_.size(); ++i)
        if (rowRect(i).contains(event->position())) {
            pressed_ = rows_[i].id;
            emit chosen(rows_[i].id);
            return;
        }
}

void TakeList::mouseMoveEvent(QMouseEvent* event)
{
    if (pressed_ == TakeId{} || (event->buttons() & Qt::LeftButton) == 0
        || (event->position().toPoint() - pressedAt_).manhattanLength()
            < QApplication::startDragDistance())
        return;
    emit dragged(std::exchange(pressed_, TakeId{}));
}

void TakeList::keyPressEvent(QKeyEvent* event)
{
    const auto row = shownRow();
    const int at = row ? int(*row) : -1;
    const int step = event->key() == Qt::Key_Down ? 1 : event->key() == Qt::Key_Up ? -1 : 0;
    const int to = at + step;
    if (step != 0 && to >= 0 && to < int(rows_.size()))
        emit chosen(rows_[std::size_t(to)].id);
    else if (event->key() == Qt::Key_Delete && at >= 0)
        emit removeAsked(shown_);
    else
        QWidget::keyPressEvent(event);
}

} // namespace puretone::app
