// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"

#include <QWidget>

namespace puretone::app {

/// What a print will be, and when the key comes up in it.
class PrintView : public QWidget {
    Q_OBJECT

public:
    explicit PrintView(QWidget* parent = nullptr);
    /// @param look Null where there is none; @param why it is not there, or empty while it is made.
    /// @param isNew Whether it is of the instrument as it is now.
    void setLook(std::shared_ptr<const PeakPyramid> look, double heldSeconds, const QString& why,
        bool isNew);
    QSize sizeHint() const override { return {600, 78}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::shared_ptr<const PeakPyramid> look_;
    double heldSeconds_ = 0.0;
    QString why_;
    bool isNew_ = false;
};

} // namespace puretone::app
