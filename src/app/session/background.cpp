// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/background.h"

#include <QCoreApplication>
#include <QThread>

namespace puretone::app {

Background::Background(QObject* parent)
    : QObject(parent)
{
    pool_.setMaxThreadCount(std::max(2, QThread::idealThreadCount()));
    bulk_.setMaxThreadCount(std::max(1, QThread::idealThreadCount()));
    bulk_.setThreadPriority(QThread::LowPriority);
}

Background::~Background()
{
    for (auto& [key, slot] : jobs_)
        slot.stop.request_stop();
    bulk_.clear();
    bulk_.waitForDone();
    pool_.waitForDone();
}

void Background::run(const std::string& key, Running whenBusy, Work work, Done done,
    Lane lane)
{
    const auto slot = jobs_.find(key);
    if (slot == jobs_.end()) {
        start(key, {std::move(work), std::move(done), lane});
        return;
    }
    slot->second.waiting = Job{std::move(work), std::move(done), lane};
    if (whenBusy == Running::cancel)
        slot->second.stop.request_stop();
}

void Background::cancel(const std::string& key)
{
    const auto slot = jobs_.find(key);
    if (slot == jobs_.end())
        return;
    slot->second.waiting.reset();
    slot->second.stop.request_stop();
}

void Background::start(const std::string& key, Job job)
{
    Slot& slot = jobs_[key];
    slot.stop = std::stop_source();
    slot.done = std::move(job.done);
    const auto report = [this, key](double share) {
        QMetaObject::invokeMethod(
            this, [this, key, share] { emit progressed(QString::fromStdString(key), share); },
            Qt::QueuedConnection);
    };
    const Progress progress{slot.stop.get_token(), report};
    auto& pool = job.lane == Lane::bulk ? bulk_ : pool_;
    pool.start([this, key, progress, work = std::move(job.work)] {
        const std::any result = work(progress);
        QMetaObject::invokeMethod(
            this, [this, key, result] { finished(key, result); }, Qt::QueuedConnection);
    });
}

void Background::finished(const std::string& key, const std::any& result)
{
    const auto slot = jobs_.find(key);
    if (slot == jobs_.end())
        return;
    const bool stopped = slot->second.stop.stop_requested();
    const Done done = std::move(slot->second.done);
    auto waiting = std::move(slot->second.waiting);
    jobs_.erase(slot);
    if (waiting)
        start(key, std::move(*waiting));
    else
        emit rested(QString::fromStdString(key));
    // Last, since it may ask for more work.
    if (!stopped)
        done(result);
}

void Background::settle()
{
    while (!jobs_.empty()) {
        pool_.waitForDone(10);
        bulk_.waitForDone(10);
        QCoreApplication::processEvents();
    }
}

} // namespace puretone::app
