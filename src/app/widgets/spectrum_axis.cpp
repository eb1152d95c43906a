// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/spectrum_axis.h"

#include "app/theme/theme.h"

#include <QCoreApplication>
#include <algorithm>
#include <cmath>

namespace puretone::app {

double SpectrumAxis::xOf(double hz) const
{
    return area.left() + std::log(hz / lowest) / std::log(highest / lowest) * area.width();
}

double SpectrumAxis::hzAt(double x) const
{
    const double share = std::clamp((x - area.left()) / area.width(), 0.0, 1.0);
    return lowest * std::pow(highest / lowest, share);
}

void paintFrequencies(QPainter& painter, const SpectrumAxis& axis)
{
    const auto& t = Theme::tokens();
    painter.setFont(Theme::font(11));
    // Where it is narrow, a name that has no room is left out.
    constexpr double apart = 6.0;
    double taken = -1e9;
    for (const double hz : {20.0, 50.0, 100.0, 200.0, 500.0, 1000.0, 2000.0, 5000.0, 10000.0}) {
        if (hz > axis.highest || hz < axis.lowest)
            continue;
        const double x = axis.xOf(hz);
        painter.setPen(QPen(t.line, 0.7));
        painter.drawLine(QPointF(x, axis.area.top()), QPointF(x, axis.area.bottom()));
        painter.setPen(t.quietInk);
        const QString name = hz < 1000.0
            ? QString::number(hz)
            : QCoreApplication::translate("SpectrumAxis", "%1 k").arg(QString::number(hz / 1000.0));
        const double half = 0.5 * painter.fontMetrics().horizontalAdvance(name);
        if (x - half < taken + apart)
            continue;
        taken = x + half;
        painter.drawText(
            QRectF(x - 30.0, axis.area.bottom() + 3.0, 60.0, 16.0), Qt::AlignHCenter, name);
    }
}

void paintSpectrum(QPainter& painter, const SpectrumAxis& axis, const MeanSpectrum& spectrum)
{
    constexpr double depth = 84.0; // dB
    if (spectrum.magnitude.size() < 2 || spectrum.binHz <= 0.0)
        return;
    const auto& t = Theme::tokens();
    const float top = *std::max_element(spectrum.magnitude.begin() + 1, spectrum.magnitude.end());
    QPolygonF outline;
    outline << axis.area.bottomLeft();
    for (double x = axis.area.left(); x < axis.area.right(); x += 1.0) {
        const auto from = std::size_t(axis.hzAt(x) / spectrum.binHz);
        const auto to = std::max(from, std::size_t(axis.hzAt(x + 1.0) / spectrum.binHz));
        float highest = 0.0f;
        for (auto k = from; k <= to && k < spectrum.magnitude.size(); ++k)
            highest = std::max(highest, spectrum.magnitude[k]);
        const double db = toDecibels(double(highest / std::max(1e-12f, top))).value;
        outline << QPointF(
            x, axis.area.bottom() - std::max(0.0, 1.0 + db / depth) * 0.94 * axis.area.height());
    }
    outline << axis.area.bottomRight();
    QColor fill = t.sea;
    fill.setAlpha(60);
    painter.setPen(Qt::NoPen);
    painter.setBrush(fill);
    painter.drawPolygon(outline);
}

} // namespace puretone::app
