// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/crossing.h"

#include <algorithm>

namespace puretone {

namespace {

/// How many channels rise through zero between `frame - 1` and `frame` (one frame of play for all
/// but the first, since channels rarely cross at the very same frame).
std::size_t risingChannels(const Audio& audio, std::int64_t frame)
{
    std::size_t rising = 0;
    for (const auto& channel : audio.channels) {
        bool found = false;
        for (std::int64_t f = frame - 1; f <= frame + 1 && !found; ++f)
            found = f > 0 && f < audio.frames() && channel[std::size_t(f) - 1] < 0.0f
                && channel[std::size_t(f)] >= 0.0f;
        rising += found ? 1 : 0;
    }
    return rising;
}

bool meanRises(const Audio& audio, std::int64_t frame)
{
    float before = 0.0f, after = 0.0f;
    for (const auto& channel : audio.channels) {
        before += channel[std::size_t(frame) - 1];
        after += channel[std::size_t(frame)];
    }
    return before < 0.0f && after >= 0.0f;
}

} // namespace

Frames nearestCrossing(const Audio& audio, Frames around, std::int64_t reach)
{
    Frames onMean = around;
    bool haveMean = false;
    for (std::int64_t distance = 0; distance <= reach; ++distance)
        for (const std::int64_t frame : {around.value - distance, around.value + distance}) {
            if (frame < 1 || frame >= audio.frames() || !meanRises(audio, frame))
                continue;
            if (risingChannels(audio, frame) == audio.channelCount())
                return Frames{frame};
            if (!haveMean) {
                onMean = Frames{frame};
                haveMean = true;
            }
        }
    return onMean;
}

} // namespace puretone
