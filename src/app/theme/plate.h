// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QRectF>
#include <QString>

class QPainter;

namespace puretone::app {

/// Text in the painter's pen and font on a plate of the colour behind, so that it is readable over
/// any wave or curve.
///
/// @param where The text is aligned in it by `flags`; the plate is as large as the text.
void drawOnPlate(
    QPainter& painter, const QRectF& where, int flags, const QString& text, const QColor& behind);

} // namespace puretone::app
