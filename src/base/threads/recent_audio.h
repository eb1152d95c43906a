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
    explicit RecentAudio(std::size_t frames = 0) { resize(frames); }
    /// Nothing else may be going on. What was there is forgotten where the length changes.
    void resize(std::size_t frames)
    {
        if (frames == left_.size())
            return;
        left_.assign(frames, 0.0f);
        right_.assign(frames, 0.0f);
        kept_ = written();
    }

    /// Audio thread. Never waits.
    void write(const float* left, const float* right, int frames) noexcept
    {
        if (left_.empty())
            return;
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

    struct Stretch {
        std::uint64_t from = 0; ///< Of its first frame, counted from the beginning.
        std::vector<std::vector<float>> channels; ///< Two.
    };
    /// Copies the frames from `from` to the newest; those that have been overwritten already are
    /// left out, which the stretch's own `from` tells.
    Stretch since(std::uint64_t from) const { return between(from, written()); }
    /// The same up to frame `to`, which has been written.
    Stretch between(std::uint64_t from, std::uint64_t to) const
    {
        // A second of slack: the writer goes on while this reads.
        const std::uint64_t room = left_.size() - std::min<std::size_t>(left_.size() / 8, 48000);
        const auto newest = written();
        from = std::max({from, kept_, newest > room ? newest - room : 0});
        Stretch copy{std::min(from, to), std::vector<std::vector<float>>(2)};
        for (auto& channel : copy.channels)
            channel.resize(std::size_t(to - copy.from));
        for (auto at = copy.from; at < to; ++at) {
            const auto slot = std::size_t(at % left_.size());
            const auto index = std::size_t(at - copy.from);
            copy.channels[0][index] = load(left_[slot]);
            copy.channels[1][index] = load(right_[slot]);
        }
        return copy;
    }

private:
    /// atomic_ref takes no reference to const before C++26.
    static float load(const float& sample) noexcept
    {
        return std::atomic_ref(const_cast<float&>(sample)).load(std::memory_order_relaxed);
    }

    std::vector<float> left_, right_;
    std::uint64_t kept_ = 0; ///< Nothing before this frame is there any more.
    std::atomic<std::uint64_t> written_{0};
};

} // namespace puretone
