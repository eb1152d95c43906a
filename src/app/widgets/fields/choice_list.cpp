// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fields/choice_list.h"

#include "app/theme/theme.h"
#include "app/widgets/own_keys.h"
#include "model/words/readings.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace puretone::app {

namespace {

constexpr double rowHeight = 26.0;

} // namespace

ChoiceList::ChoiceList(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(int(4 * rowHeight) + 4);
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setProperty(pressedBySpace, true);
    setAccessibleName(tr("Candidate notes"));
    setToolTip(tr("Notes that this may be; click one to take it"));
}

void ChoiceList::setChoices(std::vector<PitchChoice> choices, int chosenKey, const Naming& naming)
{
    choices_ = std::move(choices);
    chosenKey_ = chosenKey;
    naming_ = naming;
    update();
}

QRectF ChoiceList::rowRect(std::size_t index) const
{
    return {0.0, 2.0 + double(index) * rowHeight, double(width()), rowHeight};
}

void ChoiceList::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    if (choices_.empty()) {
        painter.setPen(t.quietInk);
        painter.drawText(rect(), Qt::AlignCenter, tr("No note to offer: set the root key by ear"));
        return;
    }
    for (std::size_t i = 0; i < std::min<std::size_t>(4, choices_.size()); ++i) {
        const auto& choice = choices_[i];
        const auto [key, rest] = nearestKey(choice.midi);
        const bool here = key == chosenKey_;
        const QRectF row = rowRect(i).adjusted(0.0, 1.0, 0.0, -1.0);
        if (int(i) == hovered_ || (hasFocus() && int(i) == focused_)) {
            painter.setPen(
                hasFocus() && int(i) == focused_ ? QPen(t.ink, 1.0, Qt::DotLine) : QPen(Qt::NoPen));
            painter.setBrush(t.well);
            painter.drawRoundedRect(row.adjusted(0.5, 0.0, -0.5, 0.0), 4.0, 4.0);
        }
        if (here) {
            painter.setPen(Qt::NoPen);
            painter.setBrush(t.brass);
            painter.drawEllipse(QPointF(12.0, row.center().y()), 3.5, 3.5);
        }
        painter.setFont(Theme::font(13, Theme::Weight::strong));
        painter.setPen(here ? t.brass : t.ink);
        painter.drawText(QRectF(24.0, row.top(), 96.0, row.height()),
            Qt::AlignLeft | Qt::AlignVCenter, typeset(keyWithNumber(key, naming_)));
        const QRectF bar(116.0, row.center().y() - 4.0, 104.0, 8.0);
        painter.setPen(Qt::NoPen);
        painter.setBrush(t.line);
        painter.drawRoundedRect(bar, 4.0, 4.0);
        painter.setBrush(t.brass);
        painter.drawRoundedRect(
            QRectF(bar.left(), bar.top(),
                choice.confidence > 0.0 ? std::max(3.0, choice.confidence * bar.width()) : 0.0,
                8.0),
            4.0, 4.0);
        painter.setFont(Theme::font(13));
        painter.setPen(here ? t.ink : t.quietInk);
        painter.drawText(QRectF(236.0, row.top(), row.width() - 244.0, row.height()),
            Qt::AlignLeft | Qt::AlignVCenter, QString::fromStdString(choice.reason.said()));
    }
}

void ChoiceList::mousePressEvent(QMouseEvent* event)
{
    for (std::size_t i = 0; i < choices_.size(); ++i)
        if (rowRect(i).contains(event->position())) {
            focused_ = int(i);
            emit chosen(int(i));
            return;
        }
}

void ChoiceList::mouseMoveEvent(QMouseEvent* event)
{
    hovered_ = -1;
    for (std::size_t i = 0; i < choices_.size(); ++i)
        if (rowRect(i).contains(event->position()))
            hovered_ = int(i);
    setCursor(hovered_ >= 0 ? Qt::PointingHandCursor : Qt::ArrowCursor);
    update();
}

void ChoiceList::leaveEvent(QEvent*)
{
    hovered_ = -1;
    update();
}

void ChoiceList::keyPressEvent(QKeyEvent* event)
{
    const int count = int(std::min<std::size_t>(4, choices_.size()));
    if (event->key() == Qt::Key_Down && focused_ + 1 < count)
        ++focused_;
    else if (event->key() == Qt::Key_Up && focused_ > 0)
        --focused_;
    else if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Space) && focused_ < count)
        emit chosen(focused_);
    else
        return QWidget::keyPressEvent(event);
    update();
}

} // namespace puretone::app
