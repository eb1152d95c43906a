// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/threads/all_cores.h"

#include <atomic>
#include <catch2/catch.hpp>
#include <stdexcept>

using namespace puretone;

TEST_CASE("work is done on all cores, each piece once", "[base][cores]")
{
    std::vector<std::atomic<int>> done(1000);
    std::atomic<int> reports{0};
    const Progress progress{{}, [&](double share) {
                                CHECK(share <= 1.0);
                                ++reports;
                            }};
    const auto result = tryOnAllCores(done.size(), "stopped", progress, [&](std::size_t i) {
        ++done[i];
        return Result<void>();
    });
    CHECK(result);
    CHECK(reports == 1000);
    CHECK(std::all_of(done.begin(), done.end(), [](const auto& d) { return d == 1; }));
    CHECK(tryOnAllCores(0, "stopped", {}, [](std::size_t) { return Result<void>(); }));
}

TEST_CASE("behind the first error nothing more is begun, and it is what is said", "[base][cores]")
{
    std::atomic<int> begun{0};
    const auto result = tryOnAllCores(100000, "stopped", {}, [&](std::size_t i) -> Result<void> {
        ++begun;
        if (i == 40)
            return fail(ErrorCode::failed, "Forty is too many.");
        return {};
    });
    REQUIRE_FALSE(result);
    CHECK(result.error().message == "Forty is too many.");
    CHECK(begun < 100000);
}

TEST_CASE("what is cancelled says so", "[base][cores]")
{
    std::stop_source stop;
    const auto result = tryOnAllCores(
        1000, "It was stopped.", {stop.get_token(), {}}, [&](std::size_t i) -> Result<void> {
            if (i == 3)
                stop.request_stop();
            return {};
        });
    REQUIRE_FALSE(result);
    CHECK(result.error().code == ErrorCode::cancelled);
    CHECK(result.error().message == "It was stopped.");
}

TEST_CASE("what work throws reaches who asked for it", "[base][cores]")
{
    CHECK_THROWS_AS(tryOnAllCores(50, "stopped", {},
                        [](std::size_t i) -> Result<void> {
                            if (i == 7)
                                throw std::runtime_error("seven");
                            return {};
                        }),
        std::runtime_error);
}
