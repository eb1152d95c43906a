// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/print_view.h"

#include "app/theme/plate.h"
#include "app/theme/theme.h"
#include "app/widgets/wave/small_wave.h"
#include "base/quantity.h"

#include <QPainter>

namespace puretone::app {

PrintView::PrintView(QWidget* parent)
    : QWidget(parent)
{
    setMinimumHeight(44);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    setAccessibleName(tr("What a print will be"));
}

void PrintView::setLook(
    std::shared_ptr<const PeakPyramid> look, double heldSeconds, const QString& why, bool isNew)
{
    look_ = std::move(look);
    heldSeconds_ = heldSeconds;
    why_ = why;
    isNew_ = isNew;
    update();
}

void PrintView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.well);
    painter.drawRoundedRect(rect(), 4.0, 4.0);
    painter.setFont(Theme::font(11));
    const QRectF area = QRectF(rect()).adjusted(6.0, 4.0, -6.0, -4.0);
    if (!look_) {
        painter.setPen(t.quietInk);
        painter.drawText(area, Qt::AlignCenter,
            why_.isEmpty() ? tr("listening to what it will be…")
                           : tr("Nothing can be printed: %1.").arg(why_));
        return;
    }
    const auto frames = look_->audio().frames();
    paintSmallWave(painter, area, *look_, {Frames{0}, Frames{frames}}, isNew_ ? t.sea : t.faded);
    const double seconds = look_->audio().seconds();
    const auto say = [&](const QRectF& box, const QString& text) {
        painter.setPen(t.quietInk);
        drawOnPlate(painter, box, Qt::AlignCenter, text, t.well);
    };
    if (heldSeconds_ < seconds) {
        const double x = area.left() + heldSeconds_ / seconds * area.width();
        painter.setPen(QPen(t.quietInk, 1.0, Qt::DashLine));
        painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()));
        const QString word = tr("key let go");
        const double width = painter.fontMetrics().horizontalAdvance(word) + 8.0;
        const bool left = x + width > area.right();
        say(QRectF(left ? x - width - 3.0 : x + 4.0, area.top(), width, 15.0), word);
    }
    const QString length = typeset(formatSeconds(seconds));
    const double width = painter.fontMetrics().horizontalAdvance(length) + 8.0;
    say(QRectF(area.right() - width, area.bottom() - 15.0, width, 15.0), length);
}

} // namespace puretone::app
