// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// The two sides of a crossfade and the law that mixes them. Inside the room `loop` only.

#include "loop/loop.h"

#include <cstddef>
#include <span>
#include <vector>

namespace puretone {

/// What is mixed at a joint: equally long stretches, one vector for each channel.
struct FadeSides {
    std::vector<std::vector<float>> ending; ///< What fades out.
    std::vector<std::vector<float>> beginning; ///< What fades in.
    std::size_t frames() const { return ending.empty() ? 0 : ending.front().size(); }
};

/// sin(pi (i + 0.5) / n): what lies in the middle of a fade, where both sides are heard, counts
/// most.
std::vector<float> fadeWeights(std::size_t n);

/// Sums from which the correlation of two stretches follows.
struct Likeness {
    double product = 0.0, ending = 0.0, beginning = 0.0;
    /// Adds two stretches of one channel, without their means, weighted.
    void add(const float* endingSide, const float* beginningSide, std::span<const float> weights);
    /// -1 to 1; 0 where there is nothing to compare.
    double correlation() const;
    double power() const { return ending + beginning; }
};

/// Mixes both sides; their means are mixed apart, in a straight line.
///
/// The automatic curve: with a = cos(q)/N and b = sin(q)/N the power of a e + b s stays constant
/// for N^2 = 1 + r sin(2q); r = 1 gives gains that add to one, r = 0 equal power. After M. Fink, M.
/// Holters, U. Zoelzer, "Signal-matched power-complementary cross-fading", DAFx 2016. r is held
/// above -0.6 (4 dB of boost): sides more opposed than that want another joint. Where low, middle
/// and high bands disagree, each has its own r; what beating inside the fade is left then is ridden
/// by a slow gain.
std::vector<std::vector<float>> mixSides(FadeSides sides, FadeCurve curve, double rate);

} // namespace puretone
