// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/report.h"

#include <QWidget>

namespace puretone::app {

/// The notes that a take may be, ranked, each with its belief and a reason in plain words.
class ChoiceList : public QWidget {
    Q_OBJECT

public:
    explicit ChoiceList(QWidget* parent = nullptr);
    /// @param chosenKey Key of the pitch in use, which is marked.
    void setChoices(std::vector<PitchChoice> choices, int chosenKey, const Naming& naming);
    QRectF rowRect(std::size_t index) const;
    QSize sizeHint() const override { return {400, 5 * 26 + 4}; }

signals:
    void chosen(int index);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    std::vector<PitchChoice> choices_;
    int chosenKey_ = -1;
    int hovered_ = -1, focused_ = 0;
    Naming naming_;
};

} // namespace puretone::app
