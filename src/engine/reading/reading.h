// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/reading/kernel.h"

#include <cstdint>

namespace puretone {

/// Samples to read, in place: one or two channels of `frames` frames, zeros before and behind.
struct CopyView {
    const float* left = nullptr;
    const float* right = nullptr; ///< Null for one channel.
    std::int64_t frames = 0;
};

/// A way through a copy, in its frames: frame i is read at place + i step + i (i - 1) / 2 change.
struct ReadingWay {
    double place = 0.0;
    double step = 1.0; ///< Above 0, at every frame.
    double change = 0.0;
};

/// The most frames that are read at once.
inline constexpr int readingBlock = 32;

/// Reads between frames: `count` frames, 1 to readingBlock, of one channel or both.
///
/// Each frame is the sum of the frames around it, weighted by the two rows of the kernel next to
/// its place and a straight line between them. Places are counted in whole 2^-32 frames. AVX2 and
/// FMA are used where the processor has them. Allocates nothing.
///
/// @param left,right readingBlock floats each; what lies behind `count` is overwritten. `right` is
///        not touched where the copy has one channel.
void readBetween(const Kernel& kernel, const CopyView& copy, const ReadingWay& way, int count,
    float* left, float* right) noexcept;

} // namespace puretone
