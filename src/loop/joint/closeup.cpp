// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/closeup.h"

#include "loop/joint/evening.h"

namespace puretone {

namespace {

std::vector<float> around(std::span<const float> channel, std::int64_t centre, std::int64_t reach)
{
    std::vector<float> wave(std::size_t(2 * reach), 0.0f);
    for (std::int64_t i = 0; i < 2 * reach; ++i) {
        const auto f = centre - reach + i;
        if (f >= 0 && f < std::int64_t(channel.size()))
            wave[std::size_t(i)] = channel[std::size_t(f)];
    }
    return wave;
}

} // namespace

SeamCloseUp seamCloseUp(const Audio& audio, const Loop& loop, std::int64_t reach)
{
    SeamCloseUp closeUp{{}, reach};
    const auto evening = eveningFor(audio, loop);
    const bool backward = loop.mode == LoopMode::alternating;
    const auto end = loop.span.end.value - (backward ? loop.crossfade.value / 2 : 0);
    for (std::size_t c = 0; c < std::min<std::size_t>(2, audio.channelCount()); ++c) {
        SeamCloseUp::Channel channel;
        channel.end = around(audio.channel(c), end, reach);
        // As loud as it is mixed.
        for (std::size_t i = 0; i < channel.end.size() && evening.any(); ++i) {
            const double rounds = double(end - loop.span.start.value - reach + std::int64_t(i))
                / double(loop.span.length());
            channel.end[i] *= float(toGain(Decibels{evening.gainDb(0.0, rounds)}));
        }
        if (backward)
            channel.start.assign(channel.end.rbegin(), channel.end.rend());
        else
            channel.start = around(audio.channel(c), loop.span.start.value, reach);
        closeUp.channels.push_back(std::move(channel));
    }
    return closeUp;
}

} // namespace puretone
