// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>

namespace puretone {

/// Passes large read-only values to the audio thread and brings old ones back to be freed.
template <class T> class Handover {
public:
    Handover() = default;
    Handover(const Handover&) = delete;
    Handover& operator=(const Handover&) = delete;
    /// Audio already stopped. What the audio thread still holds is its owner's to free.
    ~Handover()
    {
        collect();
        delete pending_.load();
    }

    /// Interface thread. A value that was never taken is replaced.
    void publish(std::unique_ptr<const T> next)
    {
        collect();
        delete pending_.exchange(next.release(), std::memory_order_acq_rel);
    }
    /// Interface thread, also on a timer.
    void collect() { delete retired_.exchange(nullptr, std::memory_order_acq_rel); }

    /// Audio thread: the newest value, once; null when there is none.
    const T* take() noexcept { return pending_.exchange(nullptr, std::memory_order_acq_rel); }
    /// Audio thread: gives a value back. False while the last one still waits to be collected.
    bool retire(const T* old) noexcept
    {
        const T* none = nullptr;
        return retired_.compare_exchange_strong(none, old, std::memory_order_acq_rel);
    }

private:
    static_assert(std::atomic<const T*>::is_always_lock_free);
    std::atomic<const T*> pending_{nullptr}; // interface -> audio
    std::atomic<const T*> retired_{nullptr}; // audio -> interface, deleted there
};

} // namespace puretone
