// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "loop/closeup.h"

#include <QWidget>

namespace puretone::app {

/// The loop's end laid over its beginning: do both run the same way through the joint?
class SeamView : public QWidget {
    Q_OBJECT

public:
    explicit SeamView(QWidget* parent = nullptr);
    void setCloseUp(SeamCloseUp closeUp, const QString& scale);
    void clear();

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    SeamCloseUp closeUp_;
    QString scale_;
};

} // namespace puretone::app
