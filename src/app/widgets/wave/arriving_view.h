// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/files/arriving.h"

#include <QTimer>
#include <QWidget>

namespace puretone::app {

/// The wave of a long file as it is read, with its place kept for what has not come yet.
class ArrivingView : public QWidget {
    Q_OBJECT

public:
    explicit ArrivingView(QWidget* parent = nullptr);
    /// @param arriving Null ends the watch.
    void watch(std::shared_ptr<const Arriving> arriving);
    const Arriving* watched() const { return arriving_.get(); }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::shared_ptr<const Arriving> arriving_;
    QTimer timer_;
};

} // namespace puretone::app
