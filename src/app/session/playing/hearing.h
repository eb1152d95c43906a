// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/program/program.h"

#include <QTimer>

namespace puretone::app {

class Session;

/// Keeps what is played up to date with the document.
class Hearing : public QObject {
    Q_OBJECT

public:
    explicit Hearing(Session& session);

    /// After the document changed: soon where many files join, otherwise now.
    void refresh();
    void compileNow();

private:
    Session& session_;
    std::shared_ptr<Compiler> compiler_ = std::make_shared<Compiler>();
    QTimer soon_;
};

} // namespace puretone::app
