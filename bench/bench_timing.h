// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <chrono>
#include <fstream>
#include <string>
#include <vector>

// What the benchmarks share: medians of repeated times. Figures from a shared machine are noisy;
// what counts is the ratio to a floor measured in the same run.

inline double median(std::vector<double> values)
{
    std::sort(values.begin(), values.end());
    return values[values.size() / 2];
}

template <class Work> std::vector<double> timesMs(int rounds, Work work)
{
    using Clock = std::chrono::steady_clock;
    std::vector<double> times;
    for (int i = 0; i < rounds; ++i) {
        const auto start = Clock::now();
        work();
        times.push_back(std::chrono::duration<double, std::milli>(Clock::now() - start).count());
    }
    return times;
}

template <class Work> double medianMs(int rounds, Work work)
{
    return median(timesMs(rounds, work));
}

/// What the system says of this process, MB: "VmRSS", "VmHWM".
inline double memoryMb(const std::string& field)
{
    std::ifstream status("/proc/self/status");
    for (std::string word; status >> word;)
        if (word == field + ":") {
            double kilobytes = 0.0;
            status >> kilobytes;
            return kilobytes * 1024.0 / 1e6;
        }
    return 0.0;
}
