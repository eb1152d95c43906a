// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/loop/candidate_row.h"

#include "app/theme/theme.h"
#include "app/widgets/wave/small_wave.h"
#include "base/quantity.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <QWheelEvent>

namespace puretone::app {

namespace {

constexpr double markSpace = 6.0;
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
    const bool others = candidates != candidates_;
    peaks_ = std::move(peaks);
    candidates_ = std::move(candidates);
    current_ = current;
    if (others)
        first_ = 0;
    scrollTo(first_);
    update();
}

std::size_t CandidateRow::shown() const
{
    const auto room = std::size_t(std::max(1.0, (width() + markSpace) / (leastWidth + markSpace)));
    return std::min(candidates_.size(), room);
}

QRectF CandidateRow::cardRect(std::size_t index) const
{
    const double count = double(std::max<std::size_t>(shown(), 5));
    const double w = (width() - markSpace * (count - 1.0)) / count;
    return {(double(index) - double(first_)) * (w + markSpace), 1.0, w, height() - 2.0};
}

int CandidateRow::cardAt(QPointF place) const
{
    for (std::size_t i = first_; i < first_ + shown(); ++i)
        if (cardRect(i).contains(place))
            return int(i);
    return -1;
}

void CandidateRow::scrollTo(std::size_t first)
{
    const auto last = candidates_.size() - shown();
    if (const auto wanted = std::min(first, last); wanted != first_) {
        first_ = wanted;
        update();
    }
}

bool CandidateRow::isCurrent(std::size_t index) const
{
    return current_.on && candidates_[index].loop.span == current_.span
        && candidates_[index].loop.mode == current_.mode;
}

void CandidateRow::paintCard(QPainter& painter, std::size_t index) const
{
    const auto& t = Theme::tokens();
    const auto& c = candidates_[index];
    const QRectF card = cardRect(index).adjusted(1.0, 0.0, -1.0, 0.0);
    painter.setPen(QPen(isCurrent(index) ? t.heather : t.line, isCurrent(index) ? 2.0 : 1.0));
    painter.setBrush(isCurrent(index) ? t.panel : t.well);
    painter.drawRoundedRect(card, 6.0, 6.0);
    paintSmallWave(painter, card.adjusted(7.0, 5.0, -7.0, -38.0), *peaks_, c.loop.span,
        isCurrent(index) ? t.heather : t.quietInk);
    paintHold(painter, card, c.holdsDb);
    const double seconds = double(c.loop.span.length()) / peaks_->audio().rate;
    const bool seamless = seamVerdict(c.cost) == SeamVerdict::seamless;
    const QRectF text = card.adjusted(8.0, 30.0, -8.0, 0.0);
    const QRectF second(text.left(), text.top() + 16.0, text.width(), 16.0);
    painter.setFont(Theme::font(11, Theme::Weight::strong));
    painter.setPen(t.ink);
    painter.drawText(QRectF(text.left(), text.top(), text.width(), 16.0),
        Qt::AlignLeft | Qt::AlignVCenter,
        painter.fontMetrics().elidedText(said(nameOf(c.kind)), Qt::ElideRight, int(text.width())));
    const auto length = typeset(formatSeconds(seconds));
    painter.setPen(t.quietInk);
    painter.setFont(Theme::font(11));
    painter.drawText(second, Qt::AlignLeft | Qt::AlignVCenter, length);
    painter.setPen(seamless ? t.sea : t.coral);
    const double room = second.width() - painter.fontMetrics().horizontalAdvance(length) - 8.0;
    painter.drawText(second, Qt::AlignRight | Qt::AlignVCenter,
        painter.fontMetrics().elidedText(
            typeset(describeSeam(c.seam, seconds).said()), Qt::ElideRight, int(room)));
}

/// Of a sound that dies away: how far down the loop holds it.
void CandidateRow::paintHold(QPainter& painter, const QRectF& card, double holdsDb) const
{
    constexpr double worthSaying = -10.0;
    if (holdsDb > worthSaying)
        return;
    const auto& t = Theme::tokens();
    painter.setFont(Theme::font(11, Theme::Weight::medium));
    const QString text = tr("holds %1 dB").arg(typeset(formatNumber(holdsDb, 0)));
    const double width = painter.fontMetrics().horizontalAdvance(text) + 10.0;
    const QRectF place(card.right() - 5.0 - width, card.top() + 4.0, width, 16.0);
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.panel);
    painter.drawRoundedRect(place, 4.0, 4.0);
    painter.setPen(t.quietInk);
    painter.drawText(place, Qt::AlignCenter, text);
}

/// That there are more on either side.
void CandidateRow::paintMore(QPainter& painter) const
{
    const auto& t = Theme::tokens();
    const auto mark = [&](bool right) {
        const QRectF place(right ? width() - 18.0 : 2.0, height() / 2.0 - 11.0, 16.0, 22.0);
        painter.setPen(QPen(t.line, 1.0));
        painter.setBrush(t.panel);
        painter.drawRoundedRect(place, 5.0, 5.0);
        painter.setPen(t.ink);
        painter.drawText(place, Qt::AlignCenter, right ? QStringLiteral("›") : QStringLiteral("‹"));
    };
    painter.setFont(Theme::font(14, Theme::Weight::strong));
    if (first_ > 0)
        mark(false);
    if (first_ + shown() < candidates_.size())
        mark(true);
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
    for (std::size_t i = first_; i < first_ + shown(); ++i)
        paintCard(painter, i);
    paintMore(painter);
    if (hasFocus()) {
        painter.setPen(QPen(t.ink, 1.0, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

void CandidateRow::mousePressEvent(QMouseEvent* event)
{
    const double x = event->position().x();
    if (x < 20.0 && first_ > 0)
        return scrollTo(first_ - 1);
    if (x > width() - 20.0 && first_ + shown() < candidates_.size())
        return scrollTo(first_ + 1);
    if (const int index = cardAt(event->position()); index >= 0)
        emit chosen(index);
}

void CandidateRow::wheelEvent(QWheelEvent* event)
{
    const QPoint turn = event->angleDelta();
    const int by = std::abs(turn.x()) > std::abs(turn.y()) ? turn.x() : turn.y();
    if (by < 0)
        scrollTo(first_ + 1);
    else if (first_ > 0)
        scrollTo(first_ - 1);
    event->accept();
}

void CandidateRow::resizeEvent(QResizeEvent*)
{
    scrollTo(first_);
}

bool CandidateRow::event(QEvent* event)
{
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const int index = cardAt(help->pos());
        if (index < 0)
            QToolTip::hideText();
        else
            QToolTip::showText(help->globalPos(),
                tr("%1: %2.").arg(said(nameOf(candidates_[std::size_t(index)].kind)),
                    typeset(candidates_[std::size_t(index)].reason.said())),
                this);
        return true;
    }
    return QWidget::event(event);
}

void CandidateRow::keyPressEvent(QKeyEvent* event)
{
    const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    if (step == 0 || candidates_.empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    const int count = int(candidates_.size());
    int at = step > 0 ? -1 : count;
    for (int i = 0; i < count; ++i)
        if (isCurrent(std::size_t(i)))
            at = i;
    const int wanted = at + step;
    if (wanted < 0 || wanted >= count)
        return;
    if (wanted < int(first_)) {
        scrollTo(std::size_t(wanted));
    } else if (wanted >= int(first_ + shown())) {
        scrollTo(std::size_t(wanted) + 1 - shown());
    }
    emit chosen(wanted);
}

} // namespace puretone::app
