// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPainter>
#include <QPixmap>
#include <functional>
#include <vector>

namespace puretone::app {

/// A costly drawing kept as two pictures, one for what is kept and one for what is cut away, so
/// that moving the border between them, or anything drawn over them, costs two copies of pixels.
class TwoTonePicture {
public:
    using Draw = std::function<void(QPainter&, const QColor&)>;

    /// Draws anew when `key` (whatever the drawing depends on) has changed.
    void prepare(const std::vector<double>& key, QSize size, double pixelRatio, const Draw& draw);
    /// `left` to `right` in full colour, the rest pale; device-independent pixels.
    void paint(QPainter& painter, double left, double right) const;

private:
    std::vector<double> key_;
    QSize size_;
    double pixelRatio_ = 0.0;
    QPixmap kept_, cut_;
};

} // namespace puretone::app
