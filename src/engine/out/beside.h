// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/chain.h"

namespace puretone {

/// What goes past the chain of effects, made as late as the chain is, so that both meet again in
/// step. Audio thread.
class Beside {
public:
    void reset() noexcept { *this = {}; }
    /// A cell begins. @param latency Frames, 0 to mostLate.
    void beginCell(int latency) noexcept
    {
        // Before anything has gone past, nothing can jump.
        before_ = started_ ? late_ : latency;
        late_ = latency;
        started_ = true;
    }
    /// Adds frames of the cell, as late as they must be, to others. @param in Null for silence.
    void add(const float* inLeft, const float* inRight, float* left, float* right, int from,
        int count) noexcept
    {
        for (int i = 0; i < count; ++i) {
            const bool some = inLeft != nullptr;
            left_[at_] = some ? inLeft[i] : 0.0f;
            right_[at_] = some ? inRight[i] : 0.0f;
            const std::size_t then = (at_ - std::size_t(late_)) & mask;
            if (late_ == before_) {
                left[i] += left_[then];
                right[i] += right_[then];
            } else {
                const std::size_t old = (at_ - std::size_t(before_)) & mask;
                const float share = float(from + i) / effectCell;
                left[i] += left_[old] + share * (left_[then] - left_[old]);
                right[i] += right_[old] + share * (right_[then] - right_[old]);
            }
            at_ = (at_ + 1) & mask;
        }
    }

    static constexpr int mostLate = 2047;

private:
    static constexpr std::size_t mask = mostLate;
    std::array<float, mostLate + 1> left_{}, right_{};
    std::size_t at_ = 0;
    int late_ = 0, before_ = 0;
    bool started_ = false;
};

} // namespace puretone
