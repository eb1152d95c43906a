// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/meter.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QPainter>

namespace puretone::app {

namespace {

constexpr qint64 holdMs = 3000;

double place(float peak)
{
    return std::clamp(1.0 + toDecibels(double(peak)).value / 60.0, 0.0, 1.0);
}

} // namespace

Meter::Meter(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(24);
    setAccessibleName(tr("Output level"));
    setToolTip(tr("Output level, −60 to 0 dB; the line is the held peak. \"Held back\" is "
                  "what the limiter takes away. Click to forget both."));
    sinceHold_.start();
}

void Meter::feed(float left, float right, float limited)
{
    const float peaks[2] = {left, right};
    const bool expired = sinceHold_.elapsed() > holdMs;
    if (limited < limited_) {
        limited_ = limited;
        sinceHold_.restart();
    } else if (expired) {
        limited_ = limited;
    }
    for (int i = 0; i < 2; ++i) {
        // Falls by about 20 dB a second at 30 looks a second.
        shown_[i] = std::max(peaks[i], shown_[i] * 0.926f);
        if (peaks[i] >= held_[i] || (expired && !clipped())) {
            if (peaks[i] >= held_[i] && peaks[i] > 0.0f)
                sinceHold_.restart();
            held_[i] = peaks[i];
        }
    }
    update();
    emit textChanged();
}

QString Meter::text() const
{
    const float top = std::max(held_[0], held_[1]);
    if (top < 1e-5f)
        return tr("silent");
    if (heldBack())
        return tr("held back %1 dB")
            .arg(QString::fromStdString(formatNumber(-toDecibels(double(limited_)).value, 1)));
    const auto level = toDecibels(double(top));
    if (level.value > 0.0)
        return tr("over by %1 dB").arg(QString::fromStdString(formatNumber(level.value, 1)));
    return typeset(tr("peak %1").arg(QString::fromStdString(formatDecibels(level))));
}

void Meter::mousePressEvent(QMouseEvent*)
{
    held_[0] = held_[1] = 0.0f;
    limited_ = 1.0f;
    update();
    emit textChanged();
}

void Meter::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    for (int i = 0; i < 2; ++i) {
        const QRectF bar(0.0, 1.0 + 13.0 * i, width(), 9.0);
        painter.setPen(Qt::NoPen);
        painter.setBrush(t.line);
        painter.drawRoundedRect(bar, 4.5, 4.5);
        painter.save();
        painter.setClipRect(
            QRectF(bar.left(), bar.top(), bar.width() * place(shown_[i]), bar.height()));
        painter.setBrush(shown_[i] > 1.0f ? t.coral : t.sea);
        painter.drawRoundedRect(bar, 4.5, 4.5);
        painter.restore();
        if (held_[i] > 1e-5f) {
            painter.setPen(QPen(held_[i] > 1.0f ? t.coral : t.ink, 2.0));
            const double x = std::clamp(bar.width() * place(held_[i]), 1.0, bar.width() - 1.0);
            painter.drawLine(QPointF(x, bar.top()), QPointF(x, bar.bottom()));
        }
    }
}

} // namespace puretone::app
