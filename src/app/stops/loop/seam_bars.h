// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "loop/search/finder.h"

#include <QWidget>
#include <optional>

namespace puretone::app {

/// What the seam does, measure by measure, each beside the limit from which it is heard.
class SeamBars : public QWidget {
    Q_OBJECT

public:
    explicit SeamBars(QWidget* parent = nullptr);
    /// @param loopSeconds Limits are stricter for short loops.
    void setMeasured(const std::optional<LoopCandidate>& measured, double loopSeconds);
    QSize sizeHint() const override { return {230, 6 * 24}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::optional<LoopCandidate> measured_;
    double loopSeconds_ = 1.0;
};

} // namespace puretone::app
