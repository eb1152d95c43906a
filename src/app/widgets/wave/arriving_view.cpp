// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave/arriving_view.h"

#include "app/theme/theme.h"
#include "app/widgets/wave/small_wave.h"

#include <QPainter>

namespace puretone::app {

ArrivingView::ArrivingView(QWidget* parent)
    : QWidget(parent)
{
    setAccessibleName(tr("Wave of the file that is being read"));
    connect(&timer_, &QTimer::timeout, this, qOverload<>(&QWidget::update));
}

void ArrivingView::watch(std::shared_ptr<const Arriving> arriving)
{
    arriving_ = std::move(arriving);
    if (arriving_)
        timer_.start(50);
    else
        timer_.stop();
    update();
}

void ArrivingView::paintEvent(QPaintEvent*)
{
    if (!arriving_)
        return;
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF area = QRectF(rect()).adjusted(8.0, 40.0, -8.0, -34.0);
    const auto picture = arriving_->picture();
    painter.setPen(QPen(t.line, 1.0));
    painter.drawLine(
        QPointF(area.left(), area.center().y()), QPointF(area.right(), area.center().y()));
    paintColumns(painter, area, picture.columns, t.sea);
    const double x = area.left() + picture.share * area.width();
    painter.setPen(QPen(t.sea, 1.5, Qt::DashLine));
    painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()));
    painter.setPen(t.quietInk);
    painter.setFont(Theme::font(15));
    painter.drawText(QRectF(rect()).adjusted(8.0, 8.0, -8.0, 0.0), Qt::AlignTop | Qt::AlignHCenter,
        picture.share < 1.0 ? tr("Reading %1: %2 %")
                                  .arg(QString::fromStdString(arriving_->name()))
                                  .arg(int(100.0 * picture.share))
                            : tr("Listening to %1").arg(QString::fromStdString(arriving_->name())));
}

} // namespace puretone::app
