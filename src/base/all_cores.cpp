// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/all_cores.h"

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

} // namespace puretone
