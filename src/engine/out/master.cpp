// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/out/master.h"

namespace puretone {

namespace {

constexpr double recentSeconds = 20.0;
constexpr double switchSeconds = 0.005;

void raise(std::atomic<float>& peak, float value) noexcept
{
    if (value > peak.load(std::memory_order_relaxed))
        peak.store(value, std::memory_order_relaxed);
}

} // namespace

void Master::prepare(double rate)
{
    rate_ = rate;
    recent_.resize(std::size_t(recentSeconds * rate));
    limiter_.prepare(rate);
    share_ = limiting() ? 1.0f : 0.0f;
    shareStep_ = float(1.0 / (switchSeconds * rate));
    left_ = TruePeak();
    right_ = TruePeak();
}

void Master::limit(float& left, float& right) noexcept
{
    if (share_ <= 0.0f && !limiting()) {
        limiter_.remember(left, right);
        return;
    }
    float l = left, r = right;
    const float gain = limiter_.process(l, r);
    const float wanted = limiting() ? 1.0f : 0.0f;
    share_ += std::clamp(wanted - share_, -shareStep_, shareStep_);
    left = share_ >= 1.0f ? l : left + share_ * (l - left);
    right = share_ >= 1.0f ? r : right + share_ * (r - right);
    if (gain < least_.load(std::memory_order_relaxed))
        least_.store(gain, std::memory_order_relaxed);
}

void Master::process(float* left, float* right, int frames) noexcept
{
    recent_.write(left, right, frames);
    trial_.process(left, right, frames, rate_);
    monitor_.addTo(left, right, frames, rate_);
    float peakLeft = peakLeft_.load(std::memory_order_relaxed);
    float peakRight = peakRight_.load(std::memory_order_relaxed);
    for (int i = 0; i < frames; ++i) {
        limit(left[i], right[i]);
        peakLeft = std::max(peakLeft, left_.push(left[i], peakLeft));
        peakRight = std::max(peakRight, right_.push(right[i], peakRight));
    }
    raise(peakLeft_, peakLeft);
    raise(peakRight_, peakRight);
}

Master::Look Master::look() noexcept
{
    return {peakLeft_.exchange(0.0f, std::memory_order_relaxed),
        peakRight_.exchange(0.0f, std::memory_order_relaxed),
        least_.exchange(1.0f, std::memory_order_relaxed)};
}

} // namespace puretone
