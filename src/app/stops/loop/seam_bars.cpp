// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/loop/seam_bars.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QPainter>

namespace puretone::app {

namespace {

constexpr double rowHeight = 19.0;

} // namespace

SeamBars::SeamBars(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(7 * int(rowHeight));
    setAccessibleName(tr("Seam measures"));
    setToolTip(tr("Each bar ends at the level from which a seam begins to be heard"));
}

void SeamBars::setMeasured(const std::optional<LoopCandidate>& measured, double loopSeconds)
{
    measured_ = measured;
    loopSeconds_ = loopSeconds;
    update();
}

void SeamBars::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    struct Row {
        QString name;
        double value, limit;
        const char* unit;
    };
    std::vector<Row> rows;
    const SeamMeasures m = measured_ ? measured_->seam : SeamMeasures{};
    const SeamMeasures limits = seamLimits(loopSeconds_);
    rows.push_back({tr("click"), m.clickDb, limits.clickDb, " dB"});
    rows.push_back({tr("level step"), m.levelDb, limits.levelDb, " dB"});
    rows.push_back({tr("timbre step"), m.timbreDb, limits.timbreDb, " dB"});
    rows.push_back({tr("change"), m.changeDb, limits.changeDb, " dB"});
    rows.push_back({tr("dip"), m.dipDb, limits.dipDb, " dB"});
    rows.push_back({tr("pulse"), m.pulseDb, limits.pulseDb, " dB"});
    rows.push_back({tr("pitch"), measured_ ? measured_->pitchErrorCents : 0.0, 5.0, " ct"});
    painter.setFont(Theme::font(13));
    for (std::size_t i = 0; i < rows.size(); ++i) {
        const auto& row = rows[i];
        const double y = rowHeight * double(i);
        painter.setPen(t.quietInk);
        painter.drawText(
            QRectF(0.0, y, 84.0, rowHeight), Qt::AlignLeft | Qt::AlignVCenter, row.name);
        const QRectF bar(
            86.0, y + 0.5 * rowHeight - 3.5, std::max(20.0, width() - 86.0 - 72.0), 7.0);
        const double share = std::clamp(std::abs(row.value) / row.limit, 0.0, 1.0);
        const bool over = std::abs(row.value) > row.limit;
        painter.setPen(Qt::NoPen);
        painter.setBrush(t.line);
        painter.drawRoundedRect(bar, 3.5, 3.5);
        if (!measured_)
            continue;
        painter.setBrush(over ? t.coral : t.sea);
        painter.drawRoundedRect(
            QRectF(bar.left(), bar.top(), std::max(5.0, share * bar.width()), 7.0), 3.5, 3.5);
        painter.setPen(over ? t.coral : t.ink);
        painter.drawText(QRectF(width() - 70.0, y, 70.0, rowHeight),
            Qt::AlignRight | Qt::AlignVCenter, typeset(formatNumber(row.value, 1) + row.unit));
    }
}

} // namespace puretone::app
