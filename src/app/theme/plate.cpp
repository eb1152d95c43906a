// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/plate.h"

#include <QPainter>

namespace puretone::app {

void drawOnPlate(
    QPainter& painter, const QRectF& where, int flags, const QString& text, const QColor& behind)
{
    constexpr int nearlyOpaque = 215;
    QColor plate = behind;
    plate.setAlpha(nearlyOpaque);
    painter.fillRect(painter.boundingRect(where, flags, text).adjusted(-4.0, 0.0, 4.0, 0.0), plate);
    painter.drawText(where, flags, text);
}

} // namespace puretone::app
