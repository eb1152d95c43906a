// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/series/note.h"

#include <QWidget>
#include <array>
#include <cstdint>
#include <optional>

namespace puretone::app {

/// Where the keys of a piano lie; no QWidget in it.
struct KeyboardGeometry {
    QRectF area;
    int lowest = 21, highest = 108; ///< Both white keys.

    static bool isBlack(int key);
    double whiteWidth() const;
    QRectF rectOf(int key) const;
    /// The key under a point, black ones first; nothing outside.
    std::optional<int> keyAt(QPointF position) const;
    /// 1 at a key's top to 127 at its bottom.
    int velocityAt(int key, QPointF position) const;
};

/// The playable keyboard: root marked, silent keys faded, pressed keys shown; velocity by where a
/// key is hit.
class Keyboard : public QWidget {
    Q_OBJECT

public:
    explicit Keyboard(QWidget* parent = nullptr);
    void setRoot(std::optional<int> key);
    void setSilent(const std::array<bool, 128>& silent);
    void setNaming(const Naming& naming);
    void setKeysDown(std::array<std::uint64_t, 2> keys);
    KeyboardGeometry geometryOfKeys() const;
    QSize minimumSizeHint() const override { return {400, 90}; }

signals:
    void pressed(int key, int velocity);
    void released(int key);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    bool event(QEvent* event) override;

private:
    bool down(int key) const { return (down_[std::size_t(key / 64)] >> (key % 64) & 1U) != 0; }
    void paintKey(QPainter& painter, const KeyboardGeometry& g, int key) const;
    void paintRanges(QPainter& painter, const KeyboardGeometry& g) const;
    void paintFork(QPainter& painter, const KeyboardGeometry& g) const;
    void touch(std::optional<int> key, QPointF position);

    std::optional<int> root_;
    std::array<bool, 128> silent_{};
    Naming naming_;
    std::array<std::uint64_t, 2> down_{};
    std::optional<int> touched_;
};

} // namespace puretone::app
