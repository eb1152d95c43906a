// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/crossfade.h"

#include "loop/joint/sides.h"

namespace puretone {

double SideCorrelation::operator()(const Audio& audio, Span loop) const
{
    const auto fade = std::int64_t(weights_.size());
    Likeness sums;
    for (const auto& channel : audio.channels)
        sums.add(channel.data() + (loop.end.value - fade),
            channel.data() + (loop.start.value - fade), weights_);
    return sums.correlation();
}

SideCorrelation::SideCorrelation(std::int64_t crossfade)
    : weights_(fadeWeights(std::size_t(std::max<std::int64_t>(0, crossfade))))
{
}

double sideCorrelation(const Audio& audio, Span loop, std::int64_t crossfade)
{
    return SideCorrelation(crossfade)(audio, loop);
}

} // namespace puretone
