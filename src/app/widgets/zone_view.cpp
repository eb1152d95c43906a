// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/zone_view.h"

#include "app/theme/theme.h"
#include "model/readings.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace puretone::app {

namespace {

constexpr double reach = 8.0;
constexpr double keysHeight = 34.0;

} // namespace

ZoneView::ZoneView(QWidget* parent)
    : QWidget(parent)
{
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Zones"));
    setToolTip(tr("Which keys and velocities play which take; drag the borders of a block"));
}

void ZoneView::setInstrument(
    const Instrument& instrument, TakeId shownTake, const Layer& layer, const Naming& naming)
{
    shownTake_ = shownTake;
    zones_ = layer.zones;
    behind_.clear();
    for (const auto& other : instrument.layers)
        if (other.id != layer.id && other.on)
            behind_.insert(behind_.end(), other.zones.begin(), other.zones.end());
    takes_ = instrument.takes;
    naming_ = naming;
    update();
}

QRectF ZoneView::field() const
{
    return QRectF(rect()).adjusted(46.0, 10.0, -10.0, -keysHeight - 14.0);
}

KeyboardGeometry ZoneView::keys() const
{
    const QRectF f = field();
    return {QRectF(f.left(), f.bottom() + 6.0, f.width(), keysHeight), 0, 127};
}

double ZoneView::velocityY(int velocity) const
{
    return field().bottom() - double(velocity) / 128.0 * field().height();
}

QRectF ZoneView::blockRect(const Zone& zone) const
{
    const double left = keys().rectOf(zone.lowKey).left();
    const double right = keys().rectOf(zone.highKey).right();
    const double top = velocityY(zone.highVelocity + 1), bottom = velocityY(zone.lowVelocity);
    return {left, top, right - left, bottom - top};
}

void ZoneView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF f = field();
    painter.setPen(QPen(t.line, 1.0));
    painter.setBrush(t.well);
    painter.drawRoundedRect(f, 4.0, 4.0);
    painter.setFont(Theme::font(11));
    for (const int velocity : {1, 32, 64, 96, 127}) {
        const double y = velocityY(velocity);
        painter.setPen(QPen(t.line, 1.0));
        painter.drawLine(QPointF(f.left(), y), QPointF(f.right(), y));
        painter.setPen(t.quietInk);
        painter.drawText(QRectF(0.0, y - 8.0, 38.0, 16.0), Qt::AlignRight | Qt::AlignVCenter,
            QString::number(velocity));
    }
    painter.save();
    painter.translate(11.0, f.center().y());
    painter.rotate(-90.0);
    painter.drawText(QRectF(-60.0, -8.0, 120.0, 16.0), Qt::AlignCenter, tr("velocity"));
    painter.restore();
    const auto g = keys();
    for (const bool black : {false, true})
        for (int key = 0; key < 128; ++key)
            if (KeyboardGeometry::isBlack(key) == black) {
                painter.setPen(QPen(t.line, 0.8));
                painter.setBrush(black
                        ? (Theme::name() == ThemeName::daybreak ? t.ink : t.paper.darker(140))
                        : t.panel);
                painter.drawRect(g.rectOf(key));
            }
    painter.setPen(t.quietInk);
    painter.setFont(Theme::font(9));
    for (int key = 12; key < 128; key += 12)
        painter.drawText(QRectF(g.rectOf(key).left() - 14.0, g.area.bottom() - 12.0,
                             14.0 * 2 + g.whiteWidth(), 12.0),
            Qt::AlignCenter, typeset(noteName(key, naming_)));
    if (zones_.empty()) {
        painter.setFont(Theme::font(13));
        painter.drawText(f, Qt::AlignCenter,
            takes_.empty() ? tr("No key plays anything yet") : tr("No key plays this layer yet"));
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(t.quietInk, 1.0, Qt::DashLine));
    for (const auto& zone : behind_)
        painter.drawRoundedRect(blockRect(zone).adjusted(2.5, 2.5, -2.5, -2.5), 4.0, 4.0);
    // The one on screen last, over its neighbours.
    for (const bool shown : {false, true})
        for (const auto& zone : zones_)
            if ((zone.take == shownTake_) == shown)
                paintBlock(painter, zone);
}

void ZoneView::paintBlock(QPainter& painter, const Zone& zone) const
{
    const auto& t = Theme::tokens();
    const auto take = std::find_if(
        takes_.begin(), takes_.end(), [&](const Take& x) { return x.id == zone.take; });
    const QRectF block = blockRect(zone).adjusted(0.5, 0.5, -0.5, -0.5);
    const bool shown = zone.take == shownTake_;
    QColor fill = t.sea;
    fill.setAlpha(shown ? 62 : 26);
    painter.setPen(QPen(t.sea, grabbed_.zone == zone.id || shown ? 2.2 : 1.2));
    painter.setBrush(fill);
    painter.drawRoundedRect(block, 4.0, 4.0);
    if (take == takes_.end())
        return;
    const int root = take->tuning.rootKey;
    if (root >= zone.lowKey && root <= zone.highKey) {
        const double x = keys().rectOf(root).center().x();
        painter.setPen(QPen(t.brass, 2.0));
        painter.drawLine(QPointF(x, block.top() + 26.0), QPointF(x, block.bottom()));
        painter.setBrush(t.brass);
        painter.setPen(Qt::NoPen);
        painter.drawEllipse(QPointF(x, block.top() + 26.0), 4.0, 4.0);
        painter.setFont(Theme::font(12, Theme::Weight::strong));
        const QString name =
            typeset(tr("root %1").arg(QString::fromStdString(keyWithNumber(root, naming_))));
        QRectF label(x + 8.0, block.top() + 17.0,
            painter.fontMetrics().horizontalAdvance(name) + 10.0, 18.0);
        // Narrow neighbours keep quiet; the block on screen always says its root.
        if (shown || (label.right() < block.right() && zones_.size() <= 3)) {
            if (shown) {
                painter.setBrush(t.panel);
                painter.drawRoundedRect(label, 4.0, 4.0);
            }
            painter.setPen(t.brass);
            painter.drawText(label, Qt::AlignCenter, name);
        }
    }
    if (block.width() < 60.0)
        return;
    painter.setPen(t.ink);
    painter.setFont(Theme::font(13, Theme::Weight::strong));
    painter.drawText(block.adjusted(10.0, 0.0, -10.0, -10.0), Qt::AlignLeft | Qt::AlignBottom,
        painter.fontMetrics().elidedText(
            QString::fromStdString(take->name), Qt::ElideRight, int(block.width()) - 20));
}

ZoneView::Hit ZoneView::hitAt(QPointF p) const
{
    for (const auto& zone : zones_) {
        const QRectF block = blockRect(zone);
        if (!block.adjusted(-reach, -reach, reach, reach).contains(p))
            continue;
        if (std::abs(p.x() - block.left()) <= reach)
            return {zone.id, Edge::low};
        if (std::abs(p.x() - block.right()) <= reach)
            return {zone.id, Edge::high};
        if (std::abs(p.y() - block.top()) <= reach)
            return {zone.id, Edge::loud};
        if (std::abs(p.y() - block.bottom()) <= reach)
            return {zone.id, Edge::quiet};
    }
    return {};
}

void ZoneView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    grabbed_ = hitAt(event->position());
    grabPoint_ = event->position();
    moved_ = false;
    for (const auto& zone : zones_)
        if (zone.id == grabbed_.zone)
            atGrab_ = zone;
}

void ZoneView::mouseMoveEvent(QMouseEvent* event)
{
    if (grabbed_.edge == Edge::none) {
        const auto edge = hitAt(event->position()).edge;
        setCursor(edge == Edge::low || edge == Edge::high ? Qt::SizeHorCursor
                : edge == Edge::none                      ? Qt::ArrowCursor
                                                          : Qt::SizeVerCursor);
        return;
    }
    const QPointF pull = event->position() - grabPoint_;
    const int keyPull = int(std::lround(pull.x() / (keys().area.width() / 128.0)));
    const int velocityPull = int(std::lround(-pull.y() / field().height() * 128.0));
    Zone zone = atGrab_;
    switch (grabbed_.edge) {
    case Edge::low:
        zone.lowKey = std::clamp(zone.lowKey + keyPull, 0, zone.highKey);
        break;
    case Edge::high:
        zone.highKey = std::clamp(zone.highKey + keyPull, zone.lowKey, 127);
        break;
    case Edge::quiet:
        zone.lowVelocity = std::clamp(zone.lowVelocity + velocityPull, 1, zone.highVelocity);
        break;
    case Edge::loud:
        zone.highVelocity = std::clamp(zone.highVelocity + velocityPull, zone.lowVelocity, 127);
        break;
    case Edge::none:
        return;
    }
    const bool first = !std::exchange(moved_, true);
    emit bordersDragged(zone, first);
}

void ZoneView::mouseReleaseEvent(QMouseEvent*)
{
    grabbed_ = {};
    update();
}

void ZoneView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && grabbed_.edge != Edge::none) {
        grabbed_ = {};
        if (moved_)
            emit cancelled();
        update();
        return;
    }
    QWidget::keyPressEvent(event);
}

} // namespace puretone::app
