// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <vector>

namespace puretone::app {

struct Chip {
    QString text;
    bool on = true;
    bool operator==(const Chip&) const = default;
};

/// A short ordered list as a row of chips on one line, read from left to right; the last one adds.
///
/// A click chooses a chip, a double-click or the space bar switches it, dragging or Ctrl with the
/// arrow keys moves it, Delete removes it. Shows and reports; changes nothing.
class ChipRow : public QWidget {
    Q_OBJECT

public:
    /// @param adding Text of the last chip.
    explicit ChipRow(const QString& adding, QWidget* parent = nullptr);
    /// @param chosen Index of the chip whose values are shown elsewhere; -1 for none.
    void setChips(std::vector<Chip> chips, int chosen);
    int chosenChip() const { return chosen_; }
    QRectF chipRect(int index) const; ///< The last index is the adding chip's.
    int heightForWidth(int width) const override;
    QSize sizeHint() const override { return {300, heightForWidth(300)}; }

signals:
    void chosen(int index); ///< -1 when the chosen one was clicked again.
    void switched(int index);
    void moved(int from, int to);
    void removeAsked(int index);
    void menuAsked(int index, const QPoint& globalPlace);
    void addAsked(const QPoint& globalPlace);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

private:
    int chipAt(QPointF position) const;
    std::vector<QRectF> layOut(int width) const;
    int last() const { return int(chips_.size()); } ///< Index of the adding chip.

    QString adding_;
    std::vector<Chip> chips_;
    std::vector<QRectF> rects_;
    int chosen_ = -1;
    int focused_ = 0;
    int pressed_ = -1;
    QPointF pressedAt_;
    bool dragging_ = false, wasChosen_ = false;
    double dragX_ = 0.0;
};

} // namespace puretone::app
