// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <chrono>

namespace puretone {

/// Tells a device that goes on asking for sound from one that has gone: servers that die do not say
/// so.
class Heartbeat {
public:
    void beat() noexcept { beats_.fetch_add(1, std::memory_order_relaxed); } ///< Audio thread.
    /// Interface thread: false when nothing has beaten for two seconds of looking.
    bool alive()
    {
        const auto now = std::chrono::steady_clock::now();
        if (const auto beats = beats_.load(std::memory_order_relaxed); beats != seen_) {
            seen_ = beats;
            changed_ = now;
        }
        return now - changed_ < std::chrono::seconds(2);
    }

private:
    std::atomic<unsigned> beats_{0};
    unsigned seen_ = 0;
    std::chrono::steady_clock::time_point changed_ = std::chrono::steady_clock::now();
};

} // namespace puretone
