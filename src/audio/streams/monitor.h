// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <atomic>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace puretone {

/// Lets what an input hears be heard at an output, with a delay of about 20 ms, or one
/// and a half of the input's blocks where those are larger. Both may run at
/// their own rates and clocks: the read position follows at the ratio of the rates, and jumps where
/// it has run dry or fallen far behind.
class Monitor {
public:
    Monitor()
        : frames_(capacity)
    {
    }
    void setInputRate(double rate) { inputRate_.store(rate); }
    void setOn(bool on) { on_.store(on, std::memory_order_relaxed); }
    bool on() const { return on_.load(std::memory_order_relaxed); }

    /// Input's thread.
    void feed(const float* left, const float* right, int count) noexcept
    {
        inputBlock_.store(count, std::memory_order_relaxed);
        auto at = written_.load(std::memory_order_relaxed);
        for (int i = 0; i < count; ++i, ++at) {
            auto& frame = frames_[at % capacity];
            frame[0].store(left[i], std::memory_order_relaxed);
            frame[1].store(right[i], std::memory_order_relaxed);
        }
        written_.store(at, std::memory_order_release);
    }

    /// Output's thread: adds to what is there.
    void addTo(float* left, float* right, int count, double outputRate) noexcept
    {
        const double rate = inputRate_.load();
        if (rate <= 0.0) {
            gain_ = 0.0f; // the input has gone; the next one fades in
            return;
        }
        const bool wanted = on();
        if (!wanted && gain_ <= 0.0f)
            return;
        const double step = rate / outputRate;
        const auto written = double(written_.load(std::memory_order_acquire));
        const double block = inputBlock_.load(std::memory_order_relaxed);
        const double delay = std::max(0.02 * rate, 1.5 * block) + step * count;
        const double behind = written - position_;
        if (behind < step * count + 2.0 || behind > 4.0 * delay || behind > capacity / 2.0)
            position_ = std::max(0.0, written - delay);
        if (written - position_ < step * count + 2.0)
            return; // nothing to hear yet
        const float ramp = 1.0f / float(0.005 * outputRate);
        for (int i = 0; i < count; ++i, position_ += step) {
            gain_ = std::clamp(gain_ + (wanted ? ramp : -ramp), 0.0f, 1.0f);
            const auto index = std::uint64_t(position_);
            const auto share = float(position_ - double(index));
            const auto mix = [&](std::size_t side) {
                const float a = frames_[index % capacity][side].load(std::memory_order_relaxed);
                const float b =
                    frames_[(index + 1) % capacity][side].load(std::memory_order_relaxed);
                return gain_ * (a + share * (b - a));
            };
            left[i] += mix(0);
            right[i] += mix(1);
        }
    }

private:
    static constexpr std::size_t capacity = 1 << 15;
    std::vector<std::array<std::atomic<float>, 2>> frames_;
    std::atomic<std::uint64_t> written_{0};
    std::atomic<double> inputRate_{0.0};
    std::atomic<int> inputBlock_{0}; ///< Frames that come at once: no less may lie between.
    std::atomic<bool> on_{false};
    double position_ = 0.0; ///< Output's thread only.
    float gain_ = 0.0f;
};

} // namespace puretone
