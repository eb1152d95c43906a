// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/processor.h"

#include <vector>

namespace puretone {

/// A half-band low-pass, linear in phase (a windowed sinc, Kaiser's window): every second tap but
/// the middle one is 0, so that half of the outputs are copies.
class HalfBand {
public:
    /// @param side Taps other than 0 on each side of the middle. @param most Frames at once, at the
    ///        lower rate.
    HalfBand(int side, double kaiserBeta, int most);
    void reset() noexcept;
    /// `count` frames to twice as many.
    void up(const float* in, float* out, int count) noexcept;
    /// Twice `count` frames to `count`.
    void down(const float* in, float* out, int count) noexcept;
    /// Of one of both ways, frames of the higher rate.
    int delay() const noexcept { return 2 * side_ - 1; }

private:
    int side_, most_;
    std::vector<float> taps_; ///< From the middle outwards.
    std::vector<float> upLine_, evenLine_, oddLine_;
};

/// Eight times as many frames and back, for what bends waves.
class Oversampling {
public:
    static constexpr int times = 8;
    Oversampling();
    void reset() noexcept;
    /// @param out 8 times `count` frames. @param count effectCell at most.
    void up(const float* in, float* out, int count) noexcept;
    void down(float* in, float* out, int count) noexcept;
    /// Frames of the lower rate, there and back, with `extra` frames of the higher one in between.
    static constexpr int latency = 48;
    static constexpr int extra = 1; ///< So that it is a whole number.

private:
    HalfBand first_, second_, third_;
    std::vector<float> two_, four_;
};

} // namespace puretone
