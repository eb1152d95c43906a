// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/program/prepared.h"

namespace puretone {

FadePlan fadePlan(const Take& take)
{
    FadePlan plan;
    const Span played = playedPart(take);
    plan.start = double(played.start.value);
    const bool loops = take.loop.repeats();
    plan.end = loops ? double(take.kept.end.value) : double(played.end.value);
    plan.loops = loops;
    plan.inShape = take.fades.inShape;
    plan.outShape = take.fades.outShape;
    const double kept = plan.end - plan.start;
    const double room =
        loops ? std::max(0.0, double(take.loop.span.start.value) - plan.start) : kept;
    plan.inEnd = plan.start + std::clamp(take.fades.inSeconds * take.rate(), 0.0, room);
    plan.outStart = plan.end - std::clamp(take.fades.outSeconds * take.rate(), 0.0, kept);
    return plan;
}

Audio leavingPart(const Take& take, const BakedLoop& baked, std::int64_t guard)
{
    auto leaving = leaveLoop(take.audio(), take.loop, baked, guard, playedPart(take).end.value);
    // It ends as the kept part does.
    const auto fade = std::min(leaving.frames() - std::min(guard, leaving.frames()),
        std::int64_t(take.fades.outSeconds * take.rate()));
    for (auto& channel : leaving.channels)
        for (std::int64_t i = 1; i <= fade; ++i)
            channel[channel.size() - std::size_t(i)] *=
                float(fadeShapeGain(take.fades.outShape, double(i - 1) / double(fade)));
    return leaving;
}

namespace {

/// Everything up to the loop, the baked turn, and what follows it.
void prepareLoop(const Take& take, PreparedTake& prepared)
{
    const auto baked = bakeLoop(take.audio(), take.loop);
    const auto start = playedPart(take).start.value;
    const bool leaves = take.loop.mode == LoopMode::untilRelease;
    const auto leaving = leaves ? leavingPart(take, baked, framesBehindLoop) : Audio{};
    prepared.audio = cut(take.audio(), {Frames{start}, Frames{baked.from}});
    prepared.audio.channels.resize(std::min<std::size_t>(2, prepared.audio.channelCount()));
    for (std::size_t c = 0; c < prepared.audio.channelCount(); ++c) {
        auto& channel = prepared.audio.channels[c];
        const auto& turn = baked.turn.channels[c];
        channel.insert(channel.end(), turn.begin(), turn.end());
        if (leaving.frames() >= framesBehindLoop)
            channel.insert(channel.end(), leaving.channels[c].begin(), leaving.channels[c].end());
        else
            for (std::int64_t i = 0; i < framesBehindLoop; ++i)
                channel.push_back(turn[std::size_t(i) % turn.size()]);
    }
    const auto into = baked.from - start;
    prepared.loop = Span{Frames{into}, Frames{into + baked.turn.frames()}};
}

} // namespace

std::int64_t preparedFrames(const Take& take)
{
    const auto played = playedPart(take);
    if (!take.loop.repeats())
        return played.length();
    const bool backward = take.loop.mode == LoopMode::alternating;
    const auto from = take.loop.span.start.value + (backward ? take.loop.crossfade.value : 0);
    const auto behind = std::max<std::int64_t>(framesBehindLoop,
        take.loop.mode == LoopMode::untilRelease ? played.end.value - take.loop.span.end.value : 0);
    return from - played.start.value + turnFrames(take.loop) + behind;
}

PreparedTake planTake(const Take& take)
{
    PreparedTake planned;
    planned.midi = take.tuning.keyMidi();
    planned.mode = playedMode(take);
    planned.frames = preparedFrames(take);
    planned.audio.rate = take.rate();
    planned.audio.channels.resize(std::min<std::size_t>(2, take.audio().channelCount()));
    if (take.loop.repeats()) {
        const bool backward = take.loop.mode == LoopMode::alternating;
        const auto into = take.loop.span.start.value + (backward ? take.loop.crossfade.value : 0)
            - playedPart(take).start.value;
        planned.loop = Span{Frames{into}, Frames{into + turnFrames(take.loop)}};
    }
    return planned;
}

PreparedTake prepareTake(const Take& take)
{
    PreparedTake prepared;
    prepared.midi = take.tuning.keyMidi();
    prepared.mode = playedMode(take);
    const Span played = playedPart(take);
    if (take.loop.repeats()) {
        prepareLoop(take, prepared);
    } else {
        prepared.audio = cut(take.audio(), played);
        // What is heard: voices read the first two channels.
        prepared.audio.channels.resize(std::min<std::size_t>(2, take.audio().channelCount()));
    }
    // What lies inside the loop is never faded.
    const auto fades = fadePlan(take);
    const auto fadeEnd = prepared.loop ? prepared.loop->start.value : prepared.audio.frames();
    for (auto& channel : prepared.audio.channels)
        for (std::int64_t i = 0; i < fadeEnd; ++i)
            channel[std::size_t(i)] *= fades.at(double(played.start.value + i));
    prepared.frames = prepared.audio.frames();
    return prepared;
}

} // namespace puretone
