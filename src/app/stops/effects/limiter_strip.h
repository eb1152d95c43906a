// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <vector>

namespace puretone::app {

/// What the limiter holds back, over the last seconds.
class LimiterStrip : public QWidget {
    Q_OBJECT

public:
    explicit LimiterStrip(QWidget* parent = nullptr);
    /// 30 times a second. @param held dB, at least 0.
    void push(double held);
    double now() const;
    QSize sizeHint() const override { return {260, 26}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::vector<float> held_; ///< A ring.
    std::size_t at_ = 0;
    bool quiet_ = true;
};

} // namespace puretone::app
