// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "loop/loop.h"

namespace puretone {

/// How alike the two sides of a crossfade are: normalised correlation of the frames before the end
/// with the frames before the start, weighted by the shape of the fade, over all channels. -1 to 1;
/// 0 where there is nothing to compare.
double sideCorrelation(const Audio& audio, Span loop, std::int64_t crossfade);

/// The same for many loops with crossfades of one length.
class SideCorrelation {
public:
    explicit SideCorrelation(std::int64_t crossfade);
    double operator()(const Audio& audio, Span loop) const;

private:
    std::vector<float> weights_;
};

} // namespace puretone
