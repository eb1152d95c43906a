// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"
#include "model/instrument/instrument.h"

#include <QWidget>
#include <memory>

namespace puretone::app {

/// What one row of the list shows.
struct TakeRow {
    TakeId id;
    QString name;
    QString root; ///< "C4".
    QString concern; ///< "no loop yet"; empty when all is well.
    std::shared_ptr<const PeakPyramid> peaks;
    Span kept;
};

/// The takes of an instrument, each with a tiny wave, its root key and its state.
class TakeList : public QWidget {
    Q_OBJECT

public:
    explicit TakeList(QWidget* parent = nullptr);
    void setRows(std::vector<TakeRow> rows, TakeId shown);
    QRectF rowRect(std::size_t index) const;
    /// Of the take on screen; none where no row is its.
    std::optional<std::size_t> shownRow() const;
    QSize sizeHint() const override { return {168, int(rowHeight) * int(rows_.size())}; }

signals:
    void chosen(puretone::TakeId id);
    /// Another row is on screen now, or the same one in another place: it should be in view.
    void moved();
    void removeAsked(puretone::TakeId id);
    /// A take is being dragged out of the window: its file is wanted.
    void dragged(puretone::TakeId id);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    static constexpr double rowHeight = 56.0;
    std::vector<TakeRow> rows_;
    TakeId shown_;
    TakeId pressed_; ///< The row under the button.
    QPoint pressedAt_;
};

} // namespace puretone::app
