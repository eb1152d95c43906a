// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/keyboard.h"

#include "app/theme/theme.h"
#include "model/words/readings.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>

namespace puretone::app {

namespace {

constexpr double forkRoom = 18.0; ///< Above the keys, for the root's mark.
constexpr double rangeRoom = 8.0; ///< Below them, for the range.

int whitesBelow(int key)
{
    static constexpr std::array<int, 12> inOctave = {0, 1, 1, 2, 2, 3, 4, 4, 5, 5, 6, 6};
    return key / 12 * 7 + inOctave[std::size_t(key % 12)];
}

} // namespace

bool KeyboardGeometry::isBlack(int key)
{
    const int step = key % 12;
    return step == 1 || step == 3 || step == 6 || step == 8 || step == 10;
}

double KeyboardGeometry::whiteWidth() const
{
    return area.width() / double(whitesBelow(highest) + 1 - whitesBelow(lowest));
}

QRectF KeyboardGeometry::rectOf(int key) const
{
    const double w = whiteWidth();
    const double x = area.left() + double(whitesBelow(key) - whitesBelow(lowest)) * w;
    if (!isBlack(key))
        return {x, area.top(), w, area.height()};
    const double narrow = 0.6 * w;
    return {x - 0.5 * narrow, area.top(), narrow, 0.6 * area.height()};
}

std::optional<int> KeyboardGeometry::keyAt(QPointF position) const
{
    if (!area.contains(position))
        return std::nullopt;
    for (const bool black : {true, false})
        for (int key = lowest; key <= highest; ++key)
            if (isBlack(key) == black && rectOf(key).contains(position))
                return key;
    return std::nullopt;
}

int KeyboardGeometry::velocityAt(int key, QPointF position) const
{
    const QRectF rect = rectOf(key);
    // The lowest tenth is full force, so that the loudest touch is easy to hit.
    const double depth = (position.y() - rect.top()) / (0.9 * rect.height());
    return std::clamp(int(std::lround(20.0 + 107.0 * depth)), 1, 127);
}

Keyboard::Keyboard(QWidget* parent)
    : QWidget(parent)
{
    setAccessibleName(tr("Keyboard"));
    setAccessibleDescription(tr("Plays the instrument; lower on a key is louder"));
}

void Keyboard::setRoot(std::optional<int> key)
{
    root_ = key;
    update();
}

void Keyboard::setSilent(const std::array<bool, 128>& silent)
{
    silent_ = silent;
    update();
}

void Keyboard::setNaming(const Naming& naming)
{
    naming_ = naming;
    update();
}

void Keyboard::setKeysDown(std::array<std::uint64_t, 2> keys)
{
    if (keys == down_)
        return;
    down_ = keys;
    update();
}

KeyboardGeometry Keyboard::geometryOfKeys() const
{
    return {QRectF(rect()).adjusted(1.0, forkRoom, -1.0, -rangeRoom)};
}

void Keyboard::paintEvent(QPaintEvent*)
{
    const auto g = geometryOfKeys();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    for (const bool black : {false, true})
        for (int key = g.lowest; key <= g.highest; ++key)
            if (KeyboardGeometry::isBlack(key) == black)
                paintKey(painter, g, key);
    paintRanges(painter, g);
    paintFork(painter, g);
}

/// A line below the keys that sound.
void Keyboard::paintRanges(QPainter& painter, const KeyboardGeometry& g) const
{
    painter.setPen(QPen(Theme::tokens().sea, 2.5));
    const double y = g.area.bottom() + 5.0;
    for (int low = g.lowest; low <= g.highest; ++low) {
        if (silent_[std::size_t(low)])
            continue;
        int high = low;
        while (high < g.highest && !silent_[std::size_t(high + 1)])
            ++high;
        painter.drawLine(
            QPointF(g.rectOf(low).left() + 1.0, y), QPointF(g.rectOf(high).right() - 1.0, y));
        low = high;
    }
}

void Keyboard::paintKey(QPainter& painter, const KeyboardGeometry& g, int key) const
{
    const auto& t = Theme::tokens();
    const bool black = KeyboardGeometry::isBlack(key);
    const bool night = Theme::name() == ThemeName::nightWatch;
    QColor color = black ? (night ? t.paper.darker(140) : t.ink) : t.panel;
    if (silent_[std::size_t(key)])
        color = black ? t.faded.darker(125) : t.faded;
    if (root_ == key)
        color = t.brass;
    if (down(key))
        color = root_ == key ? t.brass.darker(125) : t.sea;
    painter.setPen(QPen(t.line, 1.0));
    painter.setBrush(color);
    const QRectF rect = g.rectOf(key).adjusted(0.5, 0.0, -0.5, 0.0);
    painter.drawRoundedRect(rect, 2.5, 2.5);
    if (down(key)) {
        // Not by colour alone: a pressed key carries a dot.
        painter.setPen(Qt::NoPen);
        painter.setBrush(t.onSea);
        painter.drawEllipse(QPointF(rect.center().x(), rect.bottom() - 9.0), 3.0, 3.0);
    } else if (key % 12 == 0) {
        painter.setFont(Theme::font(10));
        painter.setPen(root_ == key ? t.onSea : t.quietInk);
        painter.drawText(rect.adjusted(0.0, 0.0, 0.0, -3.0), Qt::AlignHCenter | Qt::AlignBottom,
            typeset(noteName(key, naming_)));
    }
}

void Keyboard::paintFork(QPainter& painter, const KeyboardGeometry& g) const
{
    if (!root_ || *root_ < g.lowest || *root_ > g.highest)
        return;
    // A tuning fork on the root key.
    const double x = g.rectOf(*root_).center().x();
    QPainterPath fork;
    fork.moveTo(x - 4.0, 2.0);
    fork.lineTo(x - 4.0, 7.0);
    fork.cubicTo(x - 4.0, 11.5, x + 4.0, 11.5, x + 4.0, 7.0);
    fork.lineTo(x + 4.0, 2.0);
    fork.moveTo(x, 10.5);
    fork.lineTo(x, 16.0);
    painter.setPen(QPen(Theme::tokens().brass, 2.0, Qt::SolidLine, Qt::RoundCap));
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(fork);
}

void Keyboard::touch(std::optional<int> key, QPointF position)
{
    if (key == touched_)
        return;
    if (touched_)
        emit released(*touched_);
    touched_ = key;
    if (key)
        emit pressed(*key, geometryOfKeys().velocityAt(*key, position));
}

void Keyboard::mousePressEvent(QMouseEvent* event)
{
    if (event->button() == Qt::LeftButton)
        touch(geometryOfKeys().keyAt(event->position()), event->position());
}

void Keyboard::mouseMoveEvent(QMouseEvent* event)
{
    if (event->buttons().testFlag(Qt::LeftButton))
        touch(geometryOfKeys().keyAt(event->position()), event->position());
}

void Keyboard::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() == Qt::LeftButton)
        touch(std::nullopt, event->position());
}

bool Keyboard::event(QEvent* event)
{
    if (event->type() != QEvent::ToolTip)
        return QWidget::event(event);
    const auto* help = static_cast<QHelpEvent*>(event);
    if (const auto key = geometryOfKeys().keyAt(help->pos()))
        QToolTip::showText(help->globalPos(), typeset(keyWithNumber(*key, naming_)), this);
    return true;
}

} // namespace puretone::app
