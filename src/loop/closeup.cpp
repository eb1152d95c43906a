// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/closeup.h"

namespace puretone {

namespace {

std::vector<float> around(const Audio& audio, std::int64_t centre, std::int64_t reach)
{
    std::vector<float> wave;
    const float share = 1.0f / float(std::max<std::size_t>(1, audio.channelCount()));
    for (auto f = centre - reach; f < std::min(audio.frames(), centre + reach); ++f) {
        float sum = 0.0f;
        if (f >= 0)
            for (const auto& channel : audio.channels)
                sum += channel[std::size_t(f)];
        wave.push_back(share * sum);
    }
    return wave;
}

} // namespace

SeamCloseUp seamCloseUp(const Audio& audio, const Loop& loop, std::int64_t reach)
{
    return {around(audio, loop.span.end.value, reach), around(audio, loop.span.start.value, reach),
        reach};
}

} // namespace puretone
