// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/prepared.h"

#include "loop/crossfade.h"

namespace puretone {

FadePlan fadePlan(const Take& take)
{
    FadePlan plan;
    const Span played = playedPart(take);
    plan.start = double(played.start.value);
    plan.end = take.loop.on ? double(take.kept.end.value) : double(played.end.value);
    plan.loops = take.loop.on;
    plan.inShape = take.fades.inShape;
    plan.outShape = take.fades.outShape;
    const double kept = plan.end - plan.start;
    const double room = take.loop.on
        ? std::max(0.0, double(take.loop.span.start.value) - plan.start)
        : kept;
    plan.inEnd = plan.start + std::clamp(take.fades.inSeconds * take.rate(), 0.0, room);
    plan.outStart = plan.end - std::clamp(take.fades.outSeconds * take.rate(), 0.0, kept);
    return plan;
}

PreparedTake prepareTake(const Take& take)
{
    const Audio& audio = take.audio();
    PreparedTake prepared;
    prepared.midi = take.tuning.keyMidi();
    const bool loops = take.loop.on;
    const Span played = playedPart(take);
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
    // What lies inside the loop is never faded.
    const auto fades = fadePlan(take);
    const auto fadeEnd = loops ? prepared.loop->start.value : prepared.audio.frames();
    for (auto& channel : prepared.audio.channels)
        for (std::int64_t i = 0; i < fadeEnd; ++i)
            channel[std::size_t(i)] *= fades.at(double(played.start.value + i));
    return prepared;
}

} // namespace puretone
