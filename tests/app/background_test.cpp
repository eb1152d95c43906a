// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/background.h"

#include <QTest>
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
            "x", Background::Running::finish,
            [&ran, i](const Progress&) -> std::any {
                ++ran;
                sleepMs(20);
                return i;
            },
            [&done](const std::any& given) { done.push_back(std::any_cast<int>(given)); });
    background.settle();
    CHECK(ran == 2);
    CHECK(done == std::vector<int>{0, 49});
}

TEST_CASE("a newer request cancels the running one where that is wanted", "[app][background]")
{
    Background background;
    std::vector<int> done;
    const auto work = [](const Progress& progress, int value) -> std::any {
        for (int i = 0; i < 100 && !progress.cancelled(); ++i)
            sleepMs(2);
        return value;
    };
    const auto finish = [&done](
                            const std::any& given) { done.push_back(std::any_cast<int>(given)); };
    background.run(
        "x", Background::Running::cancel, [&](const Progress& p) { return work(p, 1); }, finish);
    sleepMs(10);
    background.run(
        "x", Background::Running::cancel, [](const Progress&) -> std::any { return 2; }, finish);
    background.settle();
    CHECK(done == std::vector<int>{2});
}

TEST_CASE("cancelled work reports nothing but its rest", "[app][background]")
{
    Background background;
    bool done = false;
    std::vector<std::string> rested;
    QObject::connect(&background, &Background::rested, &background,
        [&](const QString& key) { rested.push_back(key.toStdString()); });
    background.run(
        "x", Background::Running::cancel,
        [](const Progress& progress) -> std::any {
            while (!progress.cancelled())
                sleepMs(1);
            return 0;
        },
        [&](const std::any&) { done = true; });
    background.cancel("x");
    background.settle();
    QTest::qWait(10);
    CHECK_FALSE(done);
    CHECK_FALSE(background.busy("x"));
    CHECK(rested == std::vector<std::string>{"x"});
}

TEST_CASE("different kinds of work run side by side, and progress is told", "[app][background]")
{
    Background background;
    int done = 0;
    double last = 0.0;
    QObject::connect(
        &background, &Background::progressed, &background, [&](const QString& key, double share) {
            if (key == "a")
                last = share;
        });
    for (const char* key : {"a", "b"})
        background.run(
            key, Background::Running::finish,
            [](const Progress& progress) -> std::any {
                progress.part(0.5, 1.0).at(0.5);
                return 0;
            },
            [&](const std::any&) { ++done; });
    background.settle();
    CHECK(done == 2);
    CHECK(last == 0.75);
}
