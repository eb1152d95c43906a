// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <atomic>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace puretone {

/// The last stretch of a stereo stream: one thread writes for ever, any other may copy the newest
/// part.
class RecentAudio {
public:
    explicit RecentAudio(std::size_t frames)
        : left_(frames, 0.0f)
        , right_(frames, 0.0f)
    {
    }

    /// Audio thread. Never waits.
    void write(const float* left, const float* right, int frames) noexcept
    {
        auto at = written_.load(std::memory_order_relaxed);
        for (int i = 0; i < frames; ++i, ++at) {
            const auto slot = std::size_t(at % left_.size());
            std::atomic_ref(left_[slot]).store(left[i], std::memory_order_relaxed);
            std::atomic_ref(right_[slot]).store(right[i], std::memory_order_relaxed);
        }
        written_.store(at, std::memory_order_release);
    }

    /// Frames written since the beginning.
    std::uint64_t written() const { return written_.load(std::memory_order_acquire); }

    /// Copies the frames from `from` (counted from the beginning) to the newest; those that have
    /// been overwritten already are left out.
    std::vector<std::vector<float>> since(std::uint64_t from) { return between(from, written()); }
    /// The same up to frame `to`, which has been written.
    std::vector<std::vector<float>> between(std::uint64_t from, std::uint64_t to)
    {
        // A second of slack: the writer goes on while this reads.
        const std::uint64_t room = left_.size() - std::min<std::size_t>(left_.size() / 8, 48000);
        const auto newest = written();
        from = std::max(from, newest > room ? newest - room : 0);
        std::vector<std::vector<float>> copy(2);
        for (auto at = from; at < to; ++at) {
            const auto slot = std::size_t(at % left_.size());
            copy[0].push_back(std::atomic_ref(left_[slot]).load(std::memory_order_relaxed));
            copy[1].push_back(std::atomic_ref(right_[slot]).load(std::memory_order_relaxed));
        }
        return copy;
    }

private:
    std::vector<float> left_, right_;
    std::atomic<std::uint64_t> written_{0};
};

} // namespace puretone
