// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"

#include <QFrame>
#include <QPushButton>
#include <QVBoxLayout>

namespace puretone::app {

/// What can be listened to, one of which plays round and round. Goes away with its closing.
class ListenPanel : public QFrame {
    Q_OBJECT

public:
    explicit ListenPanel(Session& session, QWidget* parent = nullptr);
    void openAbove(QWidget* anchor);

private:
    void fill();
    void addFile();

    Session& session_;
    QVBoxLayout* list_;
    QPushButton* stop_;
};

} // namespace puretone::app
