// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/threads/all_cores.h"

#include <algorithm>
#include <atomic>
#include <exception>
#include <mutex>
#include <thread>
#include <vector>

namespace puretone {

void onAllCores(std::size_t count, const std::function<void(std::size_t)>& work)
{
    std::atomic<std::size_t> next{0};
    std::mutex guard;
    std::exception_ptr thrown;
    const auto worker = [&] {
        try {
            for (auto i = next++; i < count; i = next++)
                work(i);
        } catch (...) {
            next = count;
            const std::lock_guard lock(guard);
            if (!thrown)
                thrown = std::current_exception();
        }
    };
    {
        std::vector<std::jthread> others;
        const std::size_t cores = std::max(1U, std::thread::hardware_concurrency());
        for (std::size_t t = 1; t < std::min(cores, count); ++t)
            others.emplace_back(worker);
        worker();
    }
    if (thrown)
        std::rethrow_exception(thrown);
}

Result<void> tryOnAllCores(std::size_t count, const std::string& cancelled,
    const Progress& progress, const std::function<Result<void>(std::size_t)>& work)
{
    std::mutex guard;
    Result<void> result;
    std::size_t done = 0;
    std::atomic<bool> ended{false};
    onAllCores(count, [&](std::size_t i) {
        if (ended)
            return;
        auto one =
            progress.cancelled() ? Result<void>(fail(ErrorCode::cancelled, cancelled)) : work(i);
        const std::lock_guard lock(guard);
        if (!one && !ended.exchange(true))
            result = std::move(one);
        progress.at(double(++done) / double(count));
    });
    return result;
}

} // namespace puretone
