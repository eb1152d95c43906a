// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/out/limiter.h"

#include "base/units.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

constexpr double riseSeconds = 0.1; // to come back from a peak
/// What the gain's own movement may add between samples, and what the detector reads low.
constexpr double marginDb = 0.15;
/// Closer to 1 than this is 1: the way back ends.
constexpr double asGoodAsOne = 1.0 - 1e-6;

} // namespace

void Limiter::prepare(double rate)
{
    length_ = std::max(2, int(std::lround(lookAheadSeconds * rate)));
    latency_ = length_ - 1 + TruePeak::delay;
    ceiling_ = float(toGain({ceilingDb - marginDb}));
    rise_ = 1.0 - std::exp(-1.0 / (riseSeconds * rate));
    left_ = TruePeak();
    right_ = TruePeak();
    line_.assign(std::size_t(latency_), {});
    lineAt_ = 0;
    lows_.assign(std::size_t(length_) + 1, {});
    lowsBegin_ = lowsCount_ = 0;
    frame_ = 0;
    risen_ = 1.0;
    recent_.assign(std::size_t(length_), 1.0);
    recentAt_ = 0;
    reduced_ = 0;
    sum_ = double(length_);
    before_ = 0.0f;
}

/// The one that has waited for `latency_` frames.
Limiter::Frame Limiter::delayed(Frame frame) noexcept
{
    std::swap(frame, line_[lineAt_]);
    if (++lineAt_ == line_.size())
        lineAt_ = 0;
    return frame;
}

/// A peak between two frames concerns both of them.
double Limiter::needed(float peak) noexcept
{
    const float both = std::max(peak, before_);
    before_ = peak;
    return both > ceiling_ ? double(ceiling_) / double(both) : 1.0;
}

double Limiter::leastOfLast(double gain) noexcept
{
    const auto size = lows_.size();
    const auto last = [&]() -> Low& { return lows_[(lowsBegin_ + lowsCount_ - 1) % size]; };
    while (lowsCount_ > 0 && last().gain >= gain)
        --lowsCount_;
    ++lowsCount_;
    last() = {gain, frame_};
    if (lows_[lowsBegin_].frame <= frame_ - length_) {
        lowsBegin_ = (lowsBegin_ + 1) % size;
        --lowsCount_;
    }
    ++frame_;
    return lows_[lowsBegin_].gain;
}

float Limiter::process(float& left, float& right) noexcept
{
    const double least =
        leastOfLast(needed(std::max(left_.push(left, ceiling_), right_.push(right, ceiling_))));
    risen_ = std::min(least, risen_ + rise_ * (1.0 - risen_));
    if (risen_ > asGoodAsOne)
        risen_ = 1.0;
    double& oldest = recent_[recentAt_];
    reduced_ += (risen_ < 1.0 ? 1 : 0) - (oldest < 1.0 ? 1 : 0);
    sum_ = reduced_ == 0 ? double(length_) : sum_ + risen_ - oldest;
    oldest = risen_;
    recentAt_ = (recentAt_ + 1) % recent_.size();
    const auto gain = float(std::min(1.0, sum_ / double(length_)));
    const Frame out = delayed({left, right});
    left = gain * out.left;
    right = gain * out.right;
    return gain;
}

} // namespace puretone
