// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/job_status.h"

namespace puretone::app {

namespace {

constexpr int patienceMs = 300;

} // namespace

JobStatus::JobStatus(Session& session, MessageBar& line)
    : QObject(&line)
    , session_(session)
    , line_(line)
{
    auto& background = session.background();
    connect(&background, &Background::began, this, &JobStatus::began);
    connect(&background, &Background::rested, this, &JobStatus::ended);
    connect(&background, &Background::progressed, this, [this](const JobKey& key, double share) {
        for (auto& job : running_)
            if (job.key == key)
                job.share = share;
        show();
    });
    connect(&session.opening(), &Opening::changed, this, &JobStatus::show);
    connect(&session.opening(), &Opening::progressed, this, [this](double share) {
        show();
        line_.setProgress(share);
    });
    connect(&line, &MessageBar::cancelled, this, &JobStatus::cancel);
    soon_.setSingleShot(true);
    connect(&soon_, &QTimer::timeout, this, &JobStatus::show);
}

void JobStatus::began(const JobKey& key)
{
    if (wordsOf(key.kind).isEmpty())
        return;
    running_.push_back({key, {}, 0.0});
    running_.back().since.start();
    soon_.start(patienceMs + 10);
}

void JobStatus::ended(const JobKey& key)
{
    std::erase_if(running_, [&](const Running& job) { return job.key == key; });
    show();
}

void JobStatus::show()
{
    // Files are many jobs: what is said of them is said of all.
    const bool opens = session_.opening().busy();
    const auto job = std::find_if(running_.begin(), running_.end(),
        [](const Running& one) { return one.since.elapsed() >= patienceMs; });
    const QString words = opens ? tr("Listening to the recording…")
        : job != running_.end() ? wordsOf(job->key.kind)
                                : QString();
    if (words != said_) {
        said_ = words;
        if (words.isEmpty())
            line_.endProgress();
        else
            line_.showProgress(words, opens || factsOf(job->key.kind).cancellable);
    }
    if (!opens && job != running_.end())
        line_.setProgress(job->share);
}

void JobStatus::cancel()
{
    if (session_.opening().busy()) {
        session_.opening().cancel();
        return;
    }
    const auto job = std::find_if(running_.begin(), running_.end(),
        [](const Running& one) { return one.since.elapsed() >= patienceMs; });
    if (job == running_.end())
        return;
    const JobKey key = job->key; // a copy: giving up a treatment ends the job
    if (key.kind == JobKind::treat)
        session_.treating().drop();
    session_.background().cancel(key);
}

} // namespace puretone::app
