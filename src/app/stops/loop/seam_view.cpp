// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/loop/seam_view.h"

#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <cmath>

namespace puretone::app {

SeamView::SeamView(QWidget* parent)
    : QWidget(parent)
{
    setMinimumHeight(90);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::SizeHorCursor);
    setAccessibleName(tr("Seam close-up"));
    setToolTip(
        tr("The end of the loop laid over its beginning; the closer they run, the less the joint "
           "is heard. Drag to move the end, turn the wheel to zoom"));
}

void SeamView::setCloseUp(SeamCloseUp closeUp, const QString& scale)
{
    closeUp_ = std::move(closeUp);
    scale_ = scale;
    update();
}

void SeamView::clear()
{
    closeUp_ = {};
    scale_.clear();
    pressed_ = false;
    update();
}

QRectF SeamView::area() const
{
    return QRectF(rect()).adjusted(10.0, 28.0, -10.0, -10.0);
}

void SeamView::paintTitle(QPainter& painter) const
{
    const auto& t = Theme::tokens();
    double x = 10.0;
    const auto drawWord = [&](const QString& word, const QColor& color) {
        painter.setFont(Theme::font(12, Theme::Weight::strong));
        painter.setPen(color);
        painter.drawText(QRectF(x, 4.0, 300.0, 18.0), Qt::AlignLeft | Qt::AlignVCenter, word);
        x += painter.fontMetrics().horizontalAdvance(word);
    };
    drawWord(tr("The seam: "), t.ink);
    if (closeUp_.channels.empty()) {
        drawWord(tr("no loop"), t.quietInk);
        return;
    }
    drawWord(tr("end (dashed)"), t.heather);
    drawWord(tr(" over beginning"), t.sea);
    painter.setFont(Theme::font(12));
    painter.setPen(t.quietInk);
    painter.drawText(QRectF(rect()).adjusted(0, 4, -10, 0), Qt::AlignRight | Qt::AlignTop, scale_);
}

void SeamView::paintLane(
    QPainter& painter, const SeamCloseUp::Channel& channel, QRectF lane, float top) const
{
    const auto& t = Theme::tokens();
    const double reach = double(2 * closeUp_.before);
    painter.setPen(QPen(t.line, 1.0));
    painter.drawLine(
        QPointF(lane.left(), lane.center().y()), QPointF(lane.right(), lane.center().y()));
    const auto draw = [&](const std::vector<float>& wave, const QPen& pen) {
        QPolygonF line;
        // A point for each pixel is all that can be seen.
        const auto step = std::max<std::size_t>(1, std::size_t(reach / lane.width()));
        for (std::size_t i = 0; i < wave.size(); i += step)
            line << QPointF(lane.left() + double(i) / reach * lane.width(),
                lane.center().y() - double(wave[i] / top) * 0.48 * lane.height());
        painter.setPen(pen);
        painter.drawPolyline(line);
    };
    draw(channel.start, QPen(t.sea, 1.8));
    QPen dashed(t.heather, 2.0);
    dashed.setDashPattern({3.0, 2.0});
    draw(channel.end, dashed);
}

void SeamView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(hasFocus() ? QPen(t.quietInk, 1.0, Qt::DotLine) : QPen(Qt::NoPen));
    painter.setBrush(t.well);
    painter.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6.0, 6.0);
    paintTitle(painter);
    if (closeUp_.channels.empty())
        return;
    float top = 1e-4f;
    for (const auto& channel : closeUp_.channels)
        for (const auto* wave : {&channel.end, &channel.start})
            for (const float s : *wave)
                top = std::max(top, std::abs(s));
    const QRectF all = area();
    painter.setPen(QPen(t.quietInk, 1.0, Qt::DashLine));
    painter.drawLine(QPointF(all.center().x(), all.top()), QPointF(all.center().x(), all.bottom()));
    const double height = all.height() / double(closeUp_.channels.size());
    for (std::size_t c = 0; c < closeUp_.channels.size(); ++c)
        paintLane(painter, closeUp_.channels[c],
            {all.left(), all.top() + double(c) * height, all.width(), height - 2.0}, top);
}

void SeamView::mousePressEvent(QMouseEvent* event)
{
    setFocus(Qt::MouseFocusReason);
    pressed_ = event->button() == Qt::LeftButton && !closeUp_.channels.empty();
    moved_ = false;
    keyShift_ = 0;
    grabX_ = event->position().x();
}

void SeamView::mouseMoveEvent(QMouseEvent* event)
{
    if (!pressed_)
        return;
    const double perPixel = double(2 * closeUp_.before) / std::max(1.0, area().width());
    const double fine = event->modifiers().testFlag(Qt::ShiftModifier) ? 0.1 : 1.0;
    // The end's wave follows the hand: later material comes in as it goes left.
    const auto frames = std::llround(-(event->position().x() - grabX_) * perPixel * fine);
    if (frames == 0 && !moved_)
        return;
    emit shifted(frames, !moved_);
    moved_ = true;
}

void SeamView::mouseReleaseEvent(QMouseEvent*)
{
    pressed_ = false;
}

void SeamView::mouseDoubleClickEvent(QMouseEvent*)
{
    pressed_ = false;
    emit zoomed(0.0);
}

void SeamView::wheelEvent(QWheelEvent* event)
{
    emit zoomed(std::exp2(-event->angleDelta().y() / 240.0));
    event->accept();
}

void SeamView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && pressed_) {
        pressed_ = false;
        if (moved_)
            emit shiftCancelled();
        return;
    }
    const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    if (step == 0 || closeUp_.channels.empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    const bool first = keyShift_ == 0;
    keyShift_ += step;
    emit shifted(keyShift_, first);
}

void SeamView::focusInEvent(QFocusEvent*)
{
    keyShift_ = 0;
    update();
}

void SeamView::focusOutEvent(QFocusEvent*)
{
    keyShift_ = 0;
    update();
}

} // namespace puretone::app
