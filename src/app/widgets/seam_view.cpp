// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/seam_view.h"

#include "app/theme/theme.h"

#include <QPainter>

namespace puretone::app {

SeamView::SeamView(QWidget* parent)
    : QWidget(parent)
{
    setMinimumHeight(90);
    setAccessibleName(tr("Seam close-up"));
    setToolTip(
        tr("The end of the loop laid over its beginning; the closer they run, the less the joint "
           "is heard"));
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
    update();
}

void SeamView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.well);
    painter.drawRoundedRect(rect(), 6.0, 6.0);
    double x = 10.0;
    const auto drawWord = [&](const QString& word, const QColor& color) {
        painter.setFont(Theme::font(12, Theme::Weight::strong));
        painter.setPen(color);
        painter.drawText(QRectF(x, 4.0, 300.0, 18.0), Qt::AlignLeft | Qt::AlignVCenter, word);
        x += painter.fontMetrics().horizontalAdvance(word);
    };
    drawWord(tr("The seam: "), t.ink);
    if (closeUp_.end.empty()) {
        drawWord(tr("no loop"), t.quietInk);
        return;
    }
    drawWord(tr("end (dashed)"), t.heather);
    drawWord(tr(" over beginning"), t.sea);
    painter.setFont(Theme::font(12));
    painter.setPen(t.quietInk);
    painter.drawText(QRectF(rect()).adjusted(0, 4, -10, 0), Qt::AlignRight | Qt::AlignTop, scale_);

    const QRectF area = QRectF(rect()).adjusted(10.0, 28.0, -10.0, -10.0);
    float top = 1e-4f;
    for (const auto* wave : {&closeUp_.end, &closeUp_.start})
        for (const float s : *wave)
            top = std::max(top, std::abs(s));
    const double reach = double(2 * closeUp_.before);
    painter.setPen(QPen(t.line, 1.0));
    painter.drawLine(
        QPointF(area.left(), area.center().y()), QPointF(area.right(), area.center().y()));
    painter.setPen(QPen(t.quietInk, 1.0, Qt::DashLine));
    painter.drawLine(
        QPointF(area.center().x(), area.top()), QPointF(area.center().x(), area.bottom()));
    const auto draw = [&](const std::vector<float>& wave, const QPen& pen) {
        QPolygonF line;
        // A point for each pixel is all that can be seen.
        const auto step = std::max<std::size_t>(1, std::size_t(reach / area.width()));
        for (std::size_t i = 0; i < wave.size(); i += step)
            line << QPointF(area.left() + double(i) / reach * area.width(),
                area.center().y() - double(wave[i] / top) * 0.48 * area.height());
        painter.setPen(pen);
        painter.drawPolyline(line);
    };
    draw(closeUp_.start, QPen(t.sea, 1.8));
    QPen dashed(t.heather, 2.0);
    dashed.setDashPattern({3.0, 2.0});
    draw(closeUp_.end, dashed);
}

} // namespace puretone::app
