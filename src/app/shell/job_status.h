// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/shell/message_bar.h"

#include <QElapsedTimer>

namespace puretone::app {

/// Says on the line of messages what is going on beside the window, how far it is, and lets it be
/// cancelled: files that are opened, and whatever the table of jobs has words for. What is over
/// within a third of a second is not mentioned.
class JobStatus : public QObject {
    Q_OBJECT

public:
    JobStatus(Session& session, MessageBar& line);

private:
    struct Running {
        JobKey key;
        QElapsedTimer since;
        double share = 0.0;
    };
    void began(const JobKey& key);
    void ended(const JobKey& key);
    void show();
    void cancel();

    Session& session_;
    MessageBar& line_;
    std::vector<Running> running_; ///< Those with words, the oldest first.
    QString said_; ///< What the line says now; empty where it says nothing of ours.
    QTimer soon_;
};

} // namespace puretone::app
