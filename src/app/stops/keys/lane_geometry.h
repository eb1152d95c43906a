// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/layer.h"

#include <QRectF>
#include <cstddef>
#include <optional>

namespace puretone::app {

/// Keys along a line, each as wide as the others.
struct KeyAxis {
    double left = 0.0, width = 100.0; ///< Pixels.
    double lowest = 0.0, keys = 128.0; ///< What is shown of the keyboard.

    double x(double key) const { return left + (key - lowest) * width / keys; }
    double keyWidth() const { return width / keys; }
    double at(double pixel) const { return lowest + (pixel - left) / keyWidth(); }
    /// The key under a pixel; nothing outside.
    std::optional<int> keyAt(double pixel) const;
    /// Zoomed by `factor` (below 1: closer) with the key under a pixel staying there.
    KeyAxis zoomed(double factor, double pixel) const;
    KeyAxis scrolled(double by) const;
    /// The same line showing these keys, with a little air.
    KeyAxis showing(int low, int high) const;

    static constexpr double fewest = 12.0;
};

/// Where the lanes of layers lie over the keys; no QWidget in it. One lane is open; of very many
/// others only those near it are shown.
struct LaneGeometry {
    QRectF area;
    KeyAxis axis;
    std::size_t layers = 1; ///< In all.
    std::size_t open = 0;

    static constexpr double names = 142.0; ///< Width of the column of names.
    static constexpr double keysHeight = 30.0;
    static constexpr std::size_t mostRibbons = 8;

    /// Layers that have a lane: from `first` on, `count` of them.
    std::size_t first() const;
    std::size_t count() const { return std::min(layers, mostRibbons + 1); }
    bool shows(std::size_t layer) const { return layer >= first() && layer < first() + count(); }
    double ribbonHeight() const;

    QRectF lane(std::size_t layer) const; ///< Name included.
    QRectF dot(std::size_t layer) const; ///< Its switch.
    QRectF name(std::size_t layer) const;
    QRectF track(std::size_t layer) const; ///< Where a ribbon's zones lie.
    QRectF field() const; ///< Keys and touches of the open lane.
    QRectF keysRect() const;
    /// Where a dragged ribbon would be dropped.
    std::size_t laneAt(double y) const;

    double y(double velocity) const;
    double velocityAt(double y) const;
    /// A zone of the open lane.
    QRectF block(const Zone& zone) const;
};

} // namespace puretone::app
