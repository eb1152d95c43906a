// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/background.h"

#include "base/say.h"

#include <QCoreApplication>
#include <QThread>
#include <sys/resource.h>

namespace puretone::app {

Error describeException()
{
    try {
        throw;
    } catch (const std::bad_alloc&) {
        return {ErrorCode::failed,
            puretone::say("There was not enough memory for that; nothing was changed."),
            puretone::say("Close other programs, or take a shorter recording.")};
    } catch (const std::exception& fault) {
        return {ErrorCode::failed,
            puretone::say(
                "Pure Tone met a fault of its own and left that undone (%1).", fault.what()),
            puretone::say("Your instrument is as it was; save it before you try again.")};
    } catch (...) {
        return {ErrorCode::failed,
            puretone::say("Pure Tone met a fault of its own and left that undone."),
            puretone::say("Your instrument is as it was; save it before you try again.")};
    }
}

namespace {

/// Work that nobody waits for leaves the processor to the window. Linux has no priorities among
/// ordinary threads but niceness, which is a thread's own there and passes on to those it starts.
void yieldToTheWindow()
{
    constexpr int niceness = 10;
    setpriority(PRIO_PROCESS, 0, niceness);
}

} // namespace

Background::Background(QObject* parent)
    : QObject(parent)
{
    const int cores = QThread::idealThreadCount();
    poolOf(Lane::swift).setMaxThreadCount(std::max(2, cores));
    poolOf(Lane::bulk).setMaxThreadCount(std::max(1, cores));
    poolOf(Lane::keeping).setMaxThreadCount(2);
    poolOf(Lane::journal).setMaxThreadCount(1);
}

Background::~Background()
{
    finish();
}

void Background::finish()
{
    for (auto& [key, slot] : jobs_)
        slot.stop.request_stop();
    poolOf(Lane::bulk).clear();
    for (auto& pool : pools_)
        pool.waitForDone();
    jobs_.clear(); // what is still on its way here finds nobody
}

void Background::request(const JobKey& key, Running whenBusy, Job job)
{
    const auto slot = jobs_.find(key);
    if (slot == jobs_.end()) {
        start(key, std::move(job));
        emit began(key);
        return;
    }
    slot->second.waiting = std::move(job);
    if (whenBusy == Running::cancel)
        slot->second.stop.request_stop();
}

void Background::cancel(const JobKey& key)
{
    const auto slot = jobs_.find(key);
    if (slot == jobs_.end())
        return;
    slot->second.waiting.reset();
    slot->second.stop.request_stop();
}

void Background::start(const JobKey& key, Job job)
{
    Slot& slot = jobs_[key];
    slot.stop = std::stop_source();
    const auto report = [this, key](double share) {
        QMetaObject::invokeMethod(
            this, [this, key, share] { emit progressed(key, share); }, Qt::QueuedConnection);
    };
    const Progress progress{slot.stop.get_token(), report};
    const Lane lane = factsOf(key.kind).lane;
    poolOf(lane).start([this, key, lane, progress, job = std::move(job)]() mutable {
        if (lane == Lane::bulk)
            yieldToTheWindow();
        Delivery delivery;
        try {
            delivery = job.work(progress);
        } catch (...) {
            delivery = [this, tell = std::move(job.failed), error = describeException()] {
                if (tell)
                    tell(error);
                else
                    emit failed(error);
            };
        }
        QMetaObject::invokeMethod(
            this, [this, key, delivery = std::move(delivery)] { finished(key, delivery); },
            Qt::QueuedConnection);
    });
}

void Background::finished(const JobKey& key, const Delivery& delivery)
{
    const auto slot = jobs_.find(key);
    if (slot == jobs_.end())
        return;
    const bool stopped = slot->second.stop.stop_requested();
    auto waiting = std::move(slot->second.waiting);
    jobs_.erase(slot);
    if (waiting)
        start(key, std::move(*waiting));
    else
        emit rested(key);
    if (stopped)
        return;
    // Last, since it may ask for more work.
    try {
        delivery();
    } catch (...) {
        emit failed(describeException());
    }
}

void Background::waitAWhile()
{
    for (auto& pool : pools_)
        pool.waitForDone(5);
    QCoreApplication::processEvents();
}

void Background::settle()
{
    while (!jobs_.empty())
        waitAWhile();
}

void Background::settle(const JobKey& key)
{
    while (busy(key))
        waitAWhile();
}

} // namespace puretone::app
