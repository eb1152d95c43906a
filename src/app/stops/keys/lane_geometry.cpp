// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/lane_geometry.h"

#include <algorithm>
#include <cmath>

namespace puretone::app {

std::optional<int> KeyAxis::keyAt(double pixel) const
{
    const double key = std::floor(at(pixel));
    if (pixel < left || pixel > left + width || key < 0.0 || key > 127.0)
        return std::nullopt;
    return int(key);
}

KeyAxis KeyAxis::zoomed(double factor, double pixel) const
{
    KeyAxis next = *this;
    const double under = at(pixel);
    next.keys = std::clamp(keys * factor, fewest, 128.0);
    next.lowest = under - (under - lowest) * next.keys / keys;
    return next.scrolled(0.0);
}

KeyAxis KeyAxis::scrolled(double by) const
{
    KeyAxis next = *this;
    next.lowest = std::clamp(lowest + by, 0.0, 128.0 - keys);
    return next;
}

KeyAxis KeyAxis::showing(int low, int high) const
{
    KeyAxis next = *this;
    constexpr double air = 2.0;
    next.keys = std::clamp(high - low + 1 + 2.0 * air, fewest, 128.0);
    next.lowest = 0.5 * (low + high + 1 - next.keys);
    return next.scrolled(0.0);
}

std::size_t LaneGeometry::first() const
{
    if (layers <= count())
        return 0;
    const std::size_t before = std::min(open, mostRibbons / 2);
    return std::min(open - before, layers - count());
}

double LaneGeometry::ribbonHeight() const
{
    const double others = double(count()) - 1.0;
    constexpr double least = 18.0, most = 40.0;
    return others > 0.0 ? std::clamp(0.4 * area.height() / others, least, most) : 0.0;
}

QRectF LaneGeometry::lane(std::size_t layer) const
{
    const double ribbon = ribbonHeight();
    const double openHeight =
        std::max(80.0, area.height() - keysHeight - 20.0 - ribbon * (double(count()) - 1.0));
    const double above =
        double(layer - first()) * ribbon + (layer > open ? openHeight - ribbon : 0.0);
    return {area.left(), area.top() + above, area.width(), layer == open ? openHeight : ribbon};
}

QRectF LaneGeometry::dot(std::size_t layer) const
{
    const QRectF whole = lane(layer);
    const double height = layer == open ? 40.0 : whole.height();
    return {whole.left(), whole.top(), 30.0, std::min(height, whole.height())};
}

QRectF LaneGeometry::name(std::size_t layer) const
{
    const QRectF where = dot(layer);
    return {where.right(), where.top(), names - where.width() - 8.0, where.height()};
}

QRectF LaneGeometry::track(std::size_t layer) const
{
    const QRectF whole = lane(layer);
    const double height = std::min(18.0, whole.height() - 6.0);
    return {area.left() + names, whole.center().y() - height / 2.0, area.width() - names, height};
}

QRectF LaneGeometry::field() const
{
    return lane(open).adjusted(names, 12.0, 0.0, -8.0);
}

QRectF LaneGeometry::keysRect() const
{
    return {
        area.left() + names, area.bottom() - keysHeight - 14.0, area.width() - names, keysHeight};
}

std::size_t LaneGeometry::laneAt(double y) const
{
    for (std::size_t layer = first(); layer < first() + count(); ++layer)
        if (y < lane(layer).bottom())
            return layer;
    return first() + count() - 1;
}

double LaneGeometry::y(double velocity) const
{
    return field().bottom() - (velocity - 1.0) / 127.0 * field().height();
}

double LaneGeometry::velocityAt(double y) const
{
    return 1.0 + (field().bottom() - y) / field().height() * 127.0;
}

QRectF LaneGeometry::block(const Zone& zone) const
{
    return {QPointF(axis.x(zone.lowKey), y(zone.highVelocity + 1)),
        QPointF(axis.x(zone.highKey + 1), y(zone.lowVelocity))};
}

} // namespace puretone::app
