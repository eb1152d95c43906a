// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/pitch/beat_view.h"

#include "app/theme/theme.h"

#include <QPainter>
#include <cmath>
#include <numbers>

namespace puretone::app {

BeatView::BeatView(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(22);
    setAccessibleName(tr("Beating"));
    setToolTip(tr("Two seconds of the take beside the tone: even strokes stand still"));
}

void BeatView::setBeats(double perSecond, double depth)
{
    if (perSecond == perSecond_ && depth == depth_)
        return;
    perSecond_ = perSecond;
    depth_ = depth;
    update();
}

void BeatView::paintEvent(QPaintEvent*)
{
    constexpr int strokes = 28;
    constexpr double seconds = 2.0;
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    const auto& t = Theme::tokens();
    painter.setBrush(perSecond_ < 0.0 ? t.line : t.brass);
    const double step = double(width()) / strokes, thick = step * 0.55;
    for (int i = 0; i < strokes; ++i) {
        const double at = (i + 0.5) / strokes * seconds;
        // Faster than the strokes can show, they would lie: a full ripple stands for "fast".
        const double rate = std::min(perSecond_, strokes / seconds / 4.0);
        const double swell = perSecond_ < 0.0
            ? 0.2
            : 1.0 - depth_ * (1.0 - std::abs(std::cos(std::numbers::pi * rate * at)));
        const double high = std::max(thick, swell * (height() - 2.0));
        painter.drawRoundedRect(
            QRectF(i * step + 0.5 * (step - thick), 0.5 * (height() - high), thick, high),
            0.5 * thick, 0.5 * thick);
    }
}

} // namespace puretone::app
