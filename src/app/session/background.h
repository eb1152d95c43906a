// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/job_table.h"
#include "base/result.h"
#include "base/threads/progress.h"

#include <QObject>
#include <QThreadPool>
#include <array>
#include <compare>
#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <type_traits>

namespace puretone::app {

/// What at most one job runs for.
struct JobKey {
    JobKind kind;
    std::string subject; ///< A file, a take: those of one kind do not hold each other up.

    JobKey(JobKind what, std::string of = {}) // NOLINT: meant to convert
        : kind(what)
        , subject(std::move(of))
    {
    }
    auto operator<=>(const JobKey&) const = default;
};

/// Runs work beside the window. For each key at most one job runs and one waits: a newer request
/// takes the waiting one's place, so that a drag never piles up work.
///
/// Whatever a job throws becomes a sentence; the program goes on.
class Background : public QObject {
    Q_OBJECT

public:
    enum class Running {
        finish, ///< Let the running job end and show its result.
        cancel, ///< Ask it to stop; its result is dropped.
    };

    using Failed = std::function<void(const Error&)>;

    explicit Background(QObject* parent = nullptr);
    ~Background() override;
    /// Asks all to stop and waits for them; nothing is handed in any more.
    void finish();

    /// @param work Runs on another thread with copies of its inputs; what it gives is moved to the
    /// interface thread.
    /// @param done Runs on the interface thread with what `work` gave (`const T&` or nothing).
    /// @param failed Runs there instead of `done` where `work` threw; where it is empty, failed()
    /// tells.
    template <class Work, class Done>
    void run(const JobKey& key, Running whenBusy, Work work, Done done, Failed failed = {})
    {
        using Given = std::invoke_result_t<Work&, const Progress&>;
        static_assert(!std::is_void_v<Given>, "work gives what it found");
        request(key, whenBusy,
            {[work = std::move(work), done = std::move(done)](
                 const Progress& progress) mutable -> Delivery {
                 return [done, given = std::make_shared<Given>(work(progress))] {
                     if constexpr (std::is_invocable_v<const Done&, const Given&>)
                         done(*given);
                     else
                         done();
                 };
             },
                std::move(failed)});
    }
    /// Drops the waiting job and asks the running one to stop; neither reports.
    void cancel(const JobKey& key);
    bool busy(const JobKey& key) const { return jobs_.count(key) != 0; }
    bool anyBusy() const { return !jobs_.empty(); }
    /// Waits until nothing runs or waits. For tests and for leaving.
    void settle();
    /// The same for one key.
    void settle(const JobKey& key);

signals:
    /// A job runs for this key, which rested before.
    void began(const puretone::app::JobKey& key);
    void progressed(const puretone::app::JobKey& key, double share);
    /// Nothing runs or waits for this key any more, finished or cancelled.
    void rested(const puretone::app::JobKey& key);
    /// A job, or what was done with its result, threw.
    void failed(const puretone::Error& error);

private:
    using Delivery = std::function<void()>; ///< Hands in what a job gave.
    struct Job {
        std::function<Delivery(const Progress&)> work;
        Failed failed;
    };
    struct Slot {
        std::stop_source stop;
        std::optional<Job> waiting;
    };
    void request(const JobKey& key, Running whenBusy, Job job);
    void start(const JobKey& key, Job job);
    void finished(const JobKey& key, const Delivery& delivery);

    QThreadPool& poolOf(Lane lane) { return pools_[std::size_t(lane)]; }
    void waitAWhile();

    std::map<JobKey, Slot> jobs_;
    std::array<QThreadPool, 4> pools_; ///< Of the lanes.
};

/// The exception that is being handled, for a person.
Error describeException();

} // namespace puretone::app
