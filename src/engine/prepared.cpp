// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/prepared.h"

#include "loop/crossfade.h"

namespace puretone {

double fadeInFrames(const Take& take)
{
    const auto room =
        take.loop.on ? take.loop.span.start.value - take.kept.start.value : take.kept.length();
    return std::clamp(
        take.fades.inSeconds * take.rate(), 0.0, double(std::max<std::int64_t>(0, room)));
}

float fadeGain(const Take& take, double frame)
{
    const double rate = take.rate();
    const double in = fadeInFrames(take);
    const double sinceStart = frame - double(take.kept.start.value);
    double gain = 1.0;
    if (in > 0.0 && sinceStart < in)
        gain = std::max(0.0, sinceStart / in);
    if (!take.loop.on) {
        const double out = std::min(take.fades.outSeconds * rate, double(take.kept.length()));
        const double left = double(take.kept.end.value) - frame;
        if (out > 0.0 && left < out)
            gain *= std::max(0.0, left / out);
    }
    return float(gain);
}

PreparedTake prepareTake(const Take& take)
{
    const Audio& audio = take.audio();
    PreparedTake prepared;
    prepared.midi = take.tuning.soundingMidi();
    const bool loops = take.loop.on;
    const Span played{take.kept.start, loops ? take.loop.span.end : take.kept.end};
    prepared.audio = cut(audio, played);
    // What is heard: voices read the first two channels.
    prepared.audio.channels.resize(std::min<std::size_t>(2, audio.channelCount()));
    if (loops) {
        const auto turn = bakeTurn(audio, take.loop);
        const auto into = take.loop.span.start.value - played.start.value;
        for (std::size_t c = 0; c < prepared.audio.channelCount(); ++c) {
            auto& channel = prepared.audio.channels[c];
            std::copy(turn.channels[c].begin(), turn.channels[c].end(),
                channel.begin() + std::ptrdiff_t(into));
            for (std::int64_t i = 0; i < framesBehindLoop; ++i)
                channel.push_back(turn.channels[c][std::size_t(i % turn.frames())]);
        }
        prepared.loop = Span{Frames{into}, Frames{into + turn.frames()}};
    }
    // What lies inside the loop is never faded (fadeInFrames).
    const auto fadeEnd = loops ? prepared.loop->start.value : prepared.audio.frames();
    for (auto& channel : prepared.audio.channels)
        for (std::int64_t i = 0; i < fadeEnd; ++i)
            channel[std::size_t(i)] *= fadeGain(take, double(played.start.value + i));
    return prepared;
}

} // namespace puretone
