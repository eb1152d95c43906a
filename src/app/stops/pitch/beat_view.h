// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

namespace puretone::app {

/// Two seconds of beating as a row of swelling strokes; even strokes when it stands still.
class BeatView : public QWidget {
    Q_OBJECT

public:
    explicit BeatView(QWidget* parent = nullptr);
    /// @param perSecond Beats; negative where nothing beats. @param depth 0 to 1.
    void setBeats(double perSecond, double depth);
    QSize sizeHint() const override { return {200, 22}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    double perSecond_ = -1.0, depth_ = 0.0;
};

} // namespace puretone::app
