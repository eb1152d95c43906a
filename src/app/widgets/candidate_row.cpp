// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/candidate_row.h"

#include "app/theme/theme.h"
#include "app/widgets/small_wave.h"
#include "base/quantity.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace puretone::app {

namespace {

constexpr double space = 6.0;
constexpr double leastWidth = 122.0;

} // namespace

CandidateRow::CandidateRow(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(68);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Loop candidates"));
    setToolTip(tr("Loops that were found, the best first; click one to hear it"));
}

void CandidateRow::setCandidates(std::shared_ptr<const PeakPyramid> peaks,
    std::vector<LoopCandidate> candidates, const Loop& current)
{
    peaks_ = std::move(peaks);
    candidates_ = std::move(candidates);
    current_ = current;
    update();
}

std::size_t CandidateRow::shown() const
{
    const auto room = std::size_t(std::max(1.0, (width() + space) / (leastWidth + space)));
    return std::min(candidates_.size(), room);
}

QRectF CandidateRow::cardRect(std::size_t index) const
{
    const double count = double(std::max<std::size_t>(shown(), 5));
    const double w = (width() - space * (count - 1.0)) / count;
    return {double(index) * (w + space), 1.0, w, height() - 2.0};
}

bool CandidateRow::isCurrent(std::size_t index) const
{
    return current_.on && candidates_[index].loop.span == current_.span;
}

void CandidateRow::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    if (candidates_.empty() || !peaks_) {
        painter.setPen(t.quietInk);
        painter.drawText(rect(), Qt::AlignCenter, tr("No candidates yet"));
        return;
    }
    const double rate = peaks_->audio().rate;
    for (std::size_t i = 0; i < shown(); ++i) {
        const auto& c = candidates_[i];
        const QRectF card = cardRect(i).adjusted(1.0, 0.0, -1.0, 0.0);
        painter.setPen(QPen(isCurrent(i) ? t.heather : t.line, isCurrent(i) ? 2.0 : 1.0));
        painter.setBrush(isCurrent(i) ? t.panel : t.well);
        painter.drawRoundedRect(card, 6.0, 6.0);
        paintSmallWave(painter, card.adjusted(7.0, 5.0, -7.0, -38.0), *peaks_, c.loop.span,
            isCurrent(i) ? t.heather : t.quietInk);
        const double seconds = double(c.loop.span.length()) / rate;
        const bool seamless = seamVerdict(c.cost) == SeamVerdict::seamless;
        const QRectF text = card.adjusted(8.0, 30.0, -8.0, 0.0);
        const QRectF second(text.left(), text.top() + 16.0, text.width(), 16.0);
        painter.setFont(Theme::font(11, Theme::Weight::strong));
        painter.setPen(t.ink);
        painter.drawText(QRectF(text.left(), text.top(), text.width(), 16.0),
            Qt::AlignLeft | Qt::AlignVCenter, QString::fromLatin1(nameOf(c.kind)));
        const auto length = typeset(formatSeconds(seconds));
        painter.setPen(t.quietInk);
        painter.setFont(Theme::font(11));
        painter.drawText(second, Qt::AlignLeft | Qt::AlignVCenter, length);
        painter.setPen(seamless ? t.sea : t.coral);
        const double room = second.width() - painter.fontMetrics().horizontalAdvance(length) - 8.0;
        painter.drawText(second, Qt::AlignRight | Qt::AlignVCenter,
            painter.fontMetrics().elidedText(
                typeset(describeSeam(c.seam, seconds)), Qt::ElideRight, int(room)));
    }
    if (hasFocus()) {
        painter.setPen(QPen(t.ink, 1.0, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

void CandidateRow::mousePressEvent(QMouseEvent* event)
{
    for (std::size_t i = 0; i < shown(); ++i)
        if (cardRect(i).contains(event->position()))
            emit chosen(int(i));
}

void CandidateRow::keyPressEvent(QKeyEvent* event)
{
    const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    if (step == 0 || candidates_.empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    int at = step > 0 ? -1 : int(shown());
    for (std::size_t i = 0; i < shown(); ++i)
        if (isCurrent(i))
            at = int(i);
    if (at + step >= 0 && at + step < int(shown()))
        emit chosen(at + step);
}

} // namespace puretone::app
