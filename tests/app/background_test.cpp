// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/background.h"
#include "app/shell/application.h"

#include <QTest>
#include <QTimer>
#include <atomic>
#include <catch2/catch.hpp>
#include <thread>

using namespace puretone;
using namespace puretone::app;

namespace {

void sleepMs(int ms)
{
    std::this_thread::sleep_for(std::chrono::milliseconds(ms));
}

} // namespace

TEST_CASE("requests of one kind never pile up: the newest waits, the others are dropped",
    "[app][background]")
{
    Background background;
    std::atomic<int> ran{0};
    std::vector<int> done;
    for (int i = 0; i < 50; ++i)
        background.run(
            JobKind::open, Background::Running::finish,
            [&ran, i](const Progress&) {
                ++ran;
                sleepMs(20);
                return i;
            },
            [&done](int given) { done.push_back(given); });
    background.settle();
    CHECK(ran == 2);
    CHECK(done == std::vector<int>{0, 49});
}

TEST_CASE("a newer request cancels the running one where that is wanted", "[app][background]")
{
    Background background;
    std::vector<int> done;
    const auto work = [](const Progress& progress, int value) {
        for (int i = 0; i < 100 && !progress.cancelled(); ++i)
            sleepMs(2);
        return value;
    };
    const auto finish = [&done](int given) { done.push_back(given); };
    background.run(
        JobKind::open, Background::Running::cancel, [&](const Progress& p) { return work(p, 1); },
        finish);
    sleepMs(10);
    background.run(
        JobKind::open, Background::Running::cancel, [](const Progress&) { return 2; }, finish);
    background.settle();
    CHECK(done == std::vector<int>{2});
}

TEST_CASE("cancelled work reports nothing but its rest", "[app][background]")
{
    Background background;
    bool done = false;
    std::vector<JobKind> rested;
    QObject::connect(&background, &Background::rested, &background,
        [&](const JobKey& key) { rested.push_back(key.kind); });
    background.run(
        JobKind::open, Background::Running::cancel,
        [](const Progress& progress) {
            while (!progress.cancelled())
                sleepMs(1);
            return 0;
        },
        [&] { done = true; });
    background.cancel(JobKind::open);
    background.settle();
    QTest::qWait(10);
    CHECK_FALSE(done);
    CHECK_FALSE(background.busy(JobKind::open));
    CHECK(rested == std::vector<JobKind>{JobKind::open});
}

TEST_CASE("different kinds of work run side by side, and progress is told", "[app][background]")
{
    Background background;
    int done = 0;
    double last = 0.0;
    QObject::connect(
        &background, &Background::progressed, &background, [&](const JobKey& key, double share) {
            if (key.kind == JobKind::seam)
                last = share;
        });
    for (const auto key : {JobKind::seam, JobKind::remedy})
        background.run(
            key, Background::Running::finish,
            [](const Progress& progress) {
                progress.part(0.5, 1.0).at(0.5);
                return 0;
            },
            [&] { ++done; });
    background.settle();
    CHECK(done == 2);
    CHECK(last == 0.75);
}

TEST_CASE("what a job throws becomes a sentence, and the others go on", "[app][background]")
{
    Background background;
    std::vector<std::string> said;
    QObject::connect(&background, &Background::failed, &background,
        [&](const Error& error) { said.push_back(error.sentence()); });
    bool done = false, other = false;
    Error own;
    background.run(
        JobKind::seam, Background::Running::finish,
        [](const Progress&) -> int { throw std::runtime_error("the rope broke"); },
        [&] { done = true; });
    background.run(
        JobKind::remedy, Background::Running::finish,
        [](const Progress&) -> int { throw std::bad_alloc(); }, [&] { done = true; });
    background.run(
        JobKind::split, Background::Running::finish, [](const Progress&) -> int { throw 7; },
        [&] { done = true; }, [&](const Error& error) { own = error; });
    background.run(
        JobKind::compile, Background::Running::finish, [](const Progress&) { return 1; },
        [] { throw std::runtime_error("the lamp went out"); });
    background.run(
        JobKind::draw, Background::Running::finish, [](const Progress&) { return 1; },
        [&] { other = true; });
    background.settle();
    CHECK_FALSE(done);
    CHECK(other);
    CHECK(own.code == ErrorCode::failed);
    std::sort(said.begin(), said.end());
    REQUIRE(said.size() == 3);
    CHECK_THAT(said[0], Catch::Matchers::Contains("the lamp went out"));
    CHECK_THAT(said[1], Catch::Matchers::Contains("the rope broke"));
    CHECK_THAT(said[2], Catch::Matchers::Contains("not enough memory"));
}

TEST_CASE("a job that threw does not hold up the one that waits", "[app][background]")
{
    Background background;
    std::vector<int> done;
    for (int i = 0; i < 3; ++i)
        background.run(
            JobKind::open, Background::Running::finish,
            [i](const Progress&) {
                sleepMs(10);
                if (i == 0)
                    throw std::runtime_error("broken");
                return i;
            },
            [&](int given) { done.push_back(given); });
    background.settle();
    CHECK(done == std::vector<int>{2});
}

TEST_CASE("what a slot throws becomes a sentence, and the window stays", "[app][background]")
{
    auto* application = qobject_cast<Application*>(QCoreApplication::instance());
    REQUIRE(application != nullptr);
    std::string said;
    QObject context;
    QObject::connect(application, &Application::failed, &context,
        [&](const Error& error) { said = error.sentence(); });
    QTimer::singleShot(0, &context, [] { throw std::runtime_error("the stairs gave way"); });
    QTest::qWait(20);
    CHECK_THAT(said, Catch::Matchers::Contains("the stairs gave way"));
}
