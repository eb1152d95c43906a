// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/limiter_strip.h"

#include "app/theme/theme.h"

#include <QPainter>
#include <algorithm>

namespace puretone::app {

namespace {

constexpr std::size_t shownValues = 240; // 8 s
constexpr double deepest = 12.0; // dB at the bottom

} // namespace

LimiterStrip::LimiterStrip(QWidget* parent)
    : QWidget(parent)
    , held_(shownValues)
{
    setMinimumSize(120, 22);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setAccessibleName(tr("What the limiter holds back"));
    setToolTip(tr("What the limiter held back in the last 8 seconds; 12 dB reach the bottom"));
}

void LimiterStrip::push(double held)
{
    held_[at_] = float(held);
    at_ = (at_ + 1) % held_.size();
    const bool quiet = std::all_of(held_.begin(), held_.end(), [](float h) { return h < 0.01f; });
    if (!quiet || !quiet_)
        update();
    quiet_ = quiet;
}

double LimiterStrip::now() const
{
    // The most of the last half second, so that it can be read.
    constexpr std::size_t recent = 15;
    float most = 0.0f;
    for (std::size_t i = 1; i <= recent; ++i)
        most = std::max(most, held_[(at_ + held_.size() - i) % held_.size()]);
    return double(most);
}

void LimiterStrip::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    QPolygonF line;
    for (std::size_t i = 0; i < held_.size(); ++i) {
        const double held = double(held_[(at_ + i) % held_.size()]);
        line << QPointF(double(i) / double(held_.size() - 1) * width(),
            3.0 + std::min(1.0, held / deepest) * (height() - 6.0));
    }
    painter.setPen(QPen(quiet_ ? t.line : t.coral, 1.4));
    painter.drawPolyline(line);
}

} // namespace puretone::app
