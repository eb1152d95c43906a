// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/layer.h"

#include <QWidget>

namespace puretone::app {

/// Variations of the same keys in the order of their turns: dragged to another place, or moved by
/// Alt with the arrows.
class StackList : public QWidget {
    Q_OBJECT

public:
    struct Row {
        ZoneId id;
        QString name;
    };
    explicit StackList(QWidget* parent = nullptr);
    void setRows(std::vector<Row> rows, ZoneId shown);
    QRectF rowRect(std::size_t index) const;
    QSize sizeHint() const override { return {200, int(rowHeight) * int(rows_.size())}; }

signals:
    void chosen(puretone::ZoneId id);
    void moved(puretone::ZoneId id, int to);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    static constexpr double rowHeight = 26.0;
    int rowAt(double y) const;
    int shownRow() const;

    std::vector<Row> rows_;
    ZoneId shown_;
    int grabbed_ = -1, over_ = -1;
};

} // namespace puretone::app
