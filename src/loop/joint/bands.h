// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Low, middle and high parts of a stretch. Inside the room `loop` only.

#include <array>
#include <cstddef>
#include <vector>

namespace puretone {

/// Running mean over `width` (odd) frames; what lies outside is as the edge.
std::vector<float> smoothed(const std::vector<float>& x, std::size_t width);

inline constexpr std::size_t bandCount = 3;
/// By band, then by channel.
using Bands = std::array<std::vector<std::vector<float>>, bandCount>;

/// Parts under 900 Hz, up to 3.6 kHz and above, whose sum is the whole. Zero phase: two running
/// means in a row, so that the parts overlap widely and cost next to nothing.
Bands splitBands(const std::vector<std::vector<float>>& whole, double rate);

} // namespace puretone
