// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/layer.h"

#include <QLineEdit>
#include <QWidget>

namespace puretone::app {

/// The layers of an instrument, one row each: a switch, the name, and what it plays. F2 or a double
/// click renames, Enter switches, Alt with the arrows moves, Delete removes.
class LayerList : public QWidget {
    Q_OBJECT

public:
    explicit LayerList(QWidget* parent = nullptr);
    void setLayers(const std::vector<Layer>& layers, LayerId shown);
    QRectF rowRect(std::size_t index) const;
    /// Where a row's switch lies.
    QRectF switchRect(std::size_t index) const;
    QSize sizeHint() const override { return {200, int(rowHeight) * int(layers_.size())}; }

signals:
    void chosen(puretone::LayerId id);
    void switched(puretone::LayerId id, bool on);
    void renamed(puretone::LayerId id, const QString& name);
    void moveAsked(puretone::LayerId id, int by);
    void removeAsked(puretone::LayerId id);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    static constexpr double rowHeight = 32.0;
    int rowAt(QPointF position) const;
    int shownRow() const;
    void rename(int row);

    std::vector<Layer> layers_;
    LayerId shown_;
    QLineEdit* editor_ = nullptr; ///< While a name is typed.
};

} // namespace puretone::app
