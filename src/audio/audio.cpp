// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/audio.h"

#include "audio/level.h"

#include <algorithm>

namespace puretone {

std::vector<float> mixToMono(const Audio& audio, Span span)
{
    if (audio.channels.empty())
        return {};
    const auto first = audio.channel(0, span);
    std::vector<float> mono(first.begin(), first.end());
    if (audio.channelCount() == 1)
        return mono;
    std::size_t loudest = 0;
    double loudestPower = 0.0;
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        const auto channel = audio.channel(c, span);
        const double power = meanSquare(channel);
        if (power > loudestPower) {
            loudestPower = power;
            loudest = c;
        }
        if (c > 0)
            for (std::size_t i = 0; i < mono.size(); ++i)
                mono[i] += channel[i];
    }
    const float share = 1.0f / float(audio.channelCount());
    for (float& sample : mono)
        sample *= share;
    if (meanSquare(mono) < 0.25 * loudestPower / double(audio.channelCount())) {
        const auto channel = audio.channel(loudest, span);
        std::copy(channel.begin(), channel.end(), mono.begin());
    }
    return mono;
}

std::vector<float> mixToMono(const Audio& audio)
{
    return mixToMono(audio, audio.whole());
}

Audio cut(const Audio& audio, Span span)
{
    Audio part{audio.rate, {}};
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        const auto channel = audio.channel(c, span);
        part.channels.emplace_back(channel.begin(), channel.end());
    }
    return part;
}

} // namespace puretone
