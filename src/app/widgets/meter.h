// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QElapsedTimer>
#include <QWidget>

namespace puretone::app {

/// Two level bars, -60 to 0 dB, with the highest peak of the last seconds held.
class Meter : public QWidget {
    Q_OBJECT

public:
    explicit Meter(QWidget* parent = nullptr);
    /// New peaks since the last call, linear. @param limited The limiter's least gain.
    void feed(float left, float right, float limited = 1.0f);
    /// The held peak in words: "peak −6.2 dB", "over by 1.4 dB", "held back 2.1 dB".
    QString text() const;
    /// Whether it is too loud: over full scale, or held back by the limiter.
    bool tooLoud() const { return clipped() || heldBack(); }
    QSize sizeHint() const override { return {156, 24}; }

signals:
    void textChanged();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    bool clipped() const { return held_[0] > 1.0f || held_[1] > 1.0f; }
    /// By more than anyone could hear.
    bool heldBack() const { return limited_ < 0.99f; }

    float shown_[2] = {0.0f, 0.0f};
    float held_[2] = {0.0f, 0.0f};
    float limited_ = 1.0f; ///< Held like the peaks.
    QElapsedTimer sinceHold_;
};

} // namespace puretone::app
