// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/progress.h"

#include <QObject>
#include <QThreadPool>
#include <any>
#include <functional>
#include <map>
#include <string>

namespace puretone::app {

/// Runs work beside the window. For each key at most one job runs and one waits: a newer request
/// takes the waiting one's place, so that a drag never piles up work.
class Background : public QObject {
    Q_OBJECT

public:
    using Work = std::function<std::any(const Progress&)>;
    using Done = std::function<void(const std::any&)>;

    enum class Running {
        finish, ///< Let the running job end and show its result.
        cancel, ///< Ask it to stop; its result is dropped.
    };

    /// What a person waits for while working, and what fills the machine for longer.
    enum class Lane { swift, bulk };

    explicit Background(QObject* parent = nullptr);
    ~Background() override;

    /// @param work Runs on another thread with copies of its inputs.
    /// @param done Runs on the interface thread with what `work` gave.
    void run(const std::string& key, Running whenBusy, Work work, Done done,
        Lane lane = Lane::swift);
    /// Drops the waiting job and asks the running one to stop; neither reports.
    void cancel(const std::string& key);
    bool busy(const std::string& key) const { return jobs_.count(key) != 0; }
    /// Waits until nothing runs or waits. For tests and for leaving.
    void settle();

signals:
    void progressed(const QString& key, double share);
    /// Nothing runs or waits for this key any more, finished or cancelled.
    void rested(const QString& key);

private:
    struct Job {
        Work work;
        Done done;
        Lane lane;
    };
    struct Slot {
        std::stop_source stop;
        Done done;
        std::optional<Job> waiting;
    };
    void start(const std::string& key, Job job);
    void finished(const std::string& key, const std::any& result);

    std::map<std::string, Slot> jobs_;
    QThreadPool pool_;
    QThreadPool bulk_; ///< Of its own, so that a moved handle never queues behind fifty files.
};

} // namespace puretone::app
