// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/effect_card.h"

#include "app/theme/plate.h"
#include "app/theme/theme.h"
#include "app/widgets/own_keys.h"
#include "base/quantity.h"

#include <QApplication>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QVBoxLayout>

namespace puretone::app {

EffectPictureView::EffectPictureView(QWidget* parent)
    : QWidget(parent)
{
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    setMinimumHeight(34);
    setAttribute(Qt::WA_TransparentForMouseEvents);
}

void EffectPictureView::setPicture(EffectPicture picture)
{
    picture_ = std::move(picture);
    update();
}

void EffectPictureView::setOn(bool on)
{
    if (std::exchange(on_, on) != on)
        update();
}

void EffectPictureView::setHeld(double held)
{
    constexpr double seen = 0.05;
    if (std::abs(held - held_) < seen)
        return;
    held_ = held;
    update();
}

void EffectPictureView::paintPicture(QPainter& painter, const QRectF& area) const
{
    const auto& t = Theme::tokens();
    const QColor main = on_ ? t.sea : t.faded;
    const auto at = [&](double x, double y) {
        return QPointF(area.left() + x * area.width(), area.bottom() - y * area.height());
    };
    painter.setPen(QPen(t.line, 1.0));
    if (picture_.zero >= 0.0f)
        painter.drawLine(at(0.0, double(picture_.zero)), at(1.0, double(picture_.zero)));
    if (picture_.diagonal)
        painter.drawLine(at(0.0, 0.0), at(1.0, 1.0));
    if (!picture_.area.empty()) {
        QPolygonF shape;
        shape << at(0.0, 0.0);
        for (std::size_t i = 0; i < picture_.area.size(); ++i)
            shape << at((double(i) + 0.5) / double(picture_.area.size()), double(picture_.area[i]));
        shape << at(1.0, 0.0);
        QColor fill = main;
        fill.setAlpha(110);
        painter.setPen(QPen(main, 1.2));
        painter.setBrush(fill);
        painter.drawPolygon(shape);
    }
    painter.setPen(Qt::NoPen);
    painter.setBrush(main);
    for (const auto& bar : picture_.bars) {
        const bool first = bar.x == 0.0f;
        painter.setBrush(first ? t.ink : main);
        const double x = at(double(bar.x), 0.0).x() - (first ? 0.0 : 1.5);
        const double middle = area.center().y(), tall = 0.5 * area.height() * double(bar.y);
        painter.drawRoundedRect(
            QRectF(x, std::min(middle, middle - tall), 3.0, std::abs(tall)), 1.5, 1.5);
    }
    painter.setBrush(Qt::NoBrush);
    for (std::size_t l = picture_.lines.size(); l-- > 0;) {
        QColor color = main;
        color.setAlpha(l == 0 ? 255 : l == 1 ? 170 : 110);
        painter.setPen(QPen(color, 1.8));
        QPolygonF line;
        for (const auto& p : picture_.lines[l])
            line << at(double(p.x), double(p.y));
        painter.drawPolyline(line);
    }
}

void EffectPictureView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.panel);
    painter.drawRoundedRect(rect(), 4.0, 4.0);
    const QRectF area = QRectF(rect()).adjusted(4.0, 4.0, -4.0, -4.0);
    painter.setClipRect(area.adjusted(-1.0, -1.0, 1.0, 1.0));
    paintPicture(painter, area);
    painter.setClipping(false);
    if (held_ > 0.0) {
        // From the top down, 24 dB to the bottom.
        constexpr double whole = 24.0;
        const double share = std::min(1.0, held_ / whole);
        painter.setPen(Qt::NoPen);
        painter.setBrush(t.coral);
        painter.drawRoundedRect(
            QRectF(area.right() - 4.0, area.top(), 4.0, share * area.height()), 2.0, 2.0);
    }
    painter.setFont(Theme::font(10));
    const QString span = typeset(picture_.span);
    painter.setPen(t.quietInk);
    drawOnPlate(painter, area, Qt::AlignBottom | Qt::AlignRight, span, t.panel);
}

EffectCard::EffectCard(QWidget* parent)
    : QFrame(parent)
    , dot_(new QPushButton(this))
    , title_(new QLabel(this))
    , said_(new QLabel(this))
    , picture_(new EffectPictureView(this))
    , mix_(new ShareBar(tr("mix"), this))
    , held_(new QLabel(this))
{
    setFocusPolicy(Qt::StrongFocus);
    setProperty(pressedBySpace, true);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(10, 6, 10, 6);
    column->setSpacing(4);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    dot_->setProperty("kind", "dot");
    dot_->setCheckable(true);
    row->addWidget(dot_);
    title_->setFont(Theme::font(13, Theme::Weight::strong));
    row->addWidget(title_, 1);
    held_->setFont(Theme::font(11));
    held_->setProperty("role", "quiet");
    row->addWidget(held_);
    column->addLayout(row);
    column->addWidget(picture_, 1);
    said_->setFont(Theme::font(11));
    said_->setMinimumWidth(10);
    column->addWidget(said_);
    column->addWidget(mix_);
    connect(dot_, &QPushButton::clicked, this, &EffectCard::switched);
    connect(mix_, &ShareBar::dragged, this, &EffectCard::mixDragged);
    connect(mix_, &ShareBar::cancelled, this, &EffectCard::mixCancelled);
}

void EffectCard::setEffect(const Effect& effect, double beatsPerSecond, bool chosen)
{
    const EffectFacts& facts = factsOf(effect.kind);
    // Its mix is no part of the picture: dragging that draws nothing anew.
    Effect drawn = effect;
    setValue(drawn, "mix", 0.0);
    drawn.on = true;
    if (shownTempo_ != beatsPerSecond || !(drawn_ == drawn))
        picture_->setPicture(pictureOf(effect, beatsPerSecond));
    picture_->setOn(effect.on);
    drawn_ = drawn;
    shown_ = effect;
    shownTempo_ = beatsPerSecond;
    chosen_ = chosen;
    const QString name = said(facts.title);
    title_->setText(name);
    const QString values = typeset(describe(effect));
    said_->setText(said_->fontMetrics().elidedText(values, Qt::ElideRight, width() - 20));
    said_->setToolTip(values);
    setToolTip(tr("%1. Drag it to another place; Ctrl with an arrow moves it, Del removes it.")
                   .arg(said(facts.tip)));
    setAccessibleName(tr("%1: %2").arg(name, values));
    dot_->setChecked(effect.on);
    dot_->setAccessibleName(tr("%1 on").arg(name));
    dot_->setToolTip(effect.on ? tr("On: click to pass it by") : tr("Passed by: click to hear it"));
    mix_->setVisible(facts.mixPlace() >= 0);
    mix_->setAccessibleName(tr("%1 mix").arg(name));
    if (facts.mixPlace() >= 0)
        mix_->setShare(effect.values[std::size_t(facts.mixPlace())]);
    update();
}

void EffectCard::setHeld(double held)
{
    const bool shows = shown_.on && held > 0.05;
    picture_->setHeld(shows ? held : 0.0);
    const QString text = shows ? typeset("-" + formatNumber(held, 1) + " dB") : QString();
    if (held_->text() != text)
        held_->setText(text);
}

void EffectCard::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setBrush(chosen_ ? t.panel : t.well);
    painter.setPen(QPen(chosen_ ? t.sea : t.line, chosen_ || hasFocus() ? 2.0 : 1.0));
    painter.drawRoundedRect(QRectF(rect()).adjusted(1.0, 1.0, -1.0, -1.0), 7.0, 7.0);
}

void EffectCard::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    pressed_ = true;
    dragging_ = false;
    pressedAt_ = event->globalPosition().toPoint();
    emit chosen();
}

void EffectCard::mouseMoveEvent(QMouseEvent* event)
{
    const QPoint now = event->globalPosition().toPoint();
    if (!pressed_
        || (!dragging_ && (now - pressedAt_).manhattanLength() < QApplication::startDragDistance()))
        return;
    dragging_ = true;
    setCursor(Qt::ClosedHandCursor);
    emit dragMoved(now);
}

void EffectCard::mouseReleaseEvent(QMouseEvent* event)
{
    pressed_ = false;
    unsetCursor();
    if (std::exchange(dragging_, false))
        emit dragEnded(event->globalPosition().toPoint());
}

void EffectCard::keyPressEvent(QKeyEvent* event)
{
    const bool far = (event->modifiers() & Qt::ControlModifier) != 0;
    const int by = event->key() == Qt::Key_Left || event->key() == Qt::Key_Up ? -1
        : event->key() == Qt::Key_Right || event->key() == Qt::Key_Down       ? 1
                                                                              : 0;
    if (event->key() == Qt::Key_Escape && dragging_) {
        dragging_ = pressed_ = false;
        unsetCursor();
        emit dragCancelled();
    } else if (by != 0 && far)
        emit stepAsked(by);
    else if (by != 0)
        emit neighbourAsked(by);
    else if (event->key() == Qt::Key_Space)
        emit switched();
    else if (event->key() == Qt::Key_Delete)
        emit removeAsked();
    else
        QFrame::keyPressEvent(event);
}

void EffectCard::focusInEvent(QFocusEvent* event)
{
    QFrame::focusInEvent(event);
    emit chosen();
}

} // namespace puretone::app
