// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <atomic>
#include <cstddef>

namespace puretone {

/// Small values from exactly one thread to exactly one other, without locks.
template <class T, std::size_t Capacity> class EventQueue {
public:
    /// Writing thread. False when the queue is full.
    bool push(const T& value) noexcept
    {
        const auto at = head_.load(std::memory_order_relaxed);
        const auto next = (at + 1) % Capacity;
        if (next == tail_.load(std::memory_order_acquire))
            return false;
        slots_[at] = value;
        head_.store(next, std::memory_order_release);
        return true;
    }
    /// Writing thread: how many more there is room for, at least.
    std::size_t room() const noexcept
    {
        const auto head = head_.load(std::memory_order_relaxed);
        const auto tail = tail_.load(std::memory_order_acquire);
        return (tail + Capacity - head - 1) % Capacity;
    }
    /// Reading thread. False when there is nothing.
    bool pop(T& value) noexcept
    {
        const auto at = tail_.load(std::memory_order_relaxed);
        if (at == head_.load(std::memory_order_acquire))
            return false;
        value = slots_[at];
        tail_.store((at + 1) % Capacity, std::memory_order_release);
        return true;
    }

private:
    std::array<T, Capacity> slots_{};
    std::atomic<std::size_t> head_{0};
    std::atomic<std::size_t> tail_{0};
};

} // namespace puretone
