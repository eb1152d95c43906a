// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"

#include <QApplication>

namespace puretone::app {

/// Whatever a slot or an event handler throws becomes a sentence; the window stays.
class Application : public QApplication {
    Q_OBJECT

public:
    using QApplication::QApplication;
    bool notify(QObject* receiver, QEvent* event) override;

signals:
    void failed(const puretone::Error& error);
};

} // namespace puretone::app
