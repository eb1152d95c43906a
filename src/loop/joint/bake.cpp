// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/bake.h"

#include "audio/signal/between.h"
#include "loop/joint/evening.h"
#include "loop/joint/sides.h"

namespace puretone {

namespace {

using Channels = std::vector<std::vector<float>>;

std::vector<float> piece(const std::vector<float>& channel, std::int64_t from, std::int64_t frames)
{
    return {
        channel.begin() + std::ptrdiff_t(from), channel.begin() + std::ptrdiff_t(from + frames)};
}

std::vector<float> backward(std::vector<float> samples)
{
    std::reverse(samples.begin(), samples.end());
    return samples;
}

/// What lies before the start (a crossfade long) and one round, frame by frame of the round.
Audio leadAndRound(const Audio& audio, const Loop& loop)
{
    const auto fade = loop.crossfade.value, length = loop.span.length();
    const auto evening = eveningFor(audio, loop);
    if (loop.fraction == 0.0)
        return evened(audio, loop, evening, {Frames{loop.span.start.value - fade}, loop.span.end});
    // Read minutely faster or slower, so that the true round has whole frames. Margins for the
    // filter.
    constexpr std::int64_t margin = 256;
    const Span around{Frames{std::max<std::int64_t>(0, loop.span.start.value - fade - margin)},
        Frames{std::min(audio.frames(), loop.span.end.value + margin)}};
    const auto source = evened(audio, loop, evening, around);
    const double step = loop.roundFrames() / double(length);
    const auto zero = double(loop.span.start.value - around.start.value);
    Audio round{audio.rate, {}};
    for (const auto& channel : source.channels) {
        const BetweenSamples between(channel, audio.rate);
        std::vector<float> out;
        out.reserve(std::size_t(fade + length));
        for (auto i = -fade; i < length; ++i)
            out.push_back(between.at(zero + double(i) * step));
        round.channels.push_back(std::move(out));
    }
    return round;
}

BakedRound bakeForward(const Audio& audio, const Loop& loop)
{
    const auto fade = loop.crossfade.value, length = loop.span.length();
    BakedRound baked{loop.span.start.value, length, {audio.rate, {}}};
    FadeSides sides;
    if (loop.evenOut <= 0.0 && loop.evenColour <= 0.0 && loop.fraction == 0.0) {
        for (const auto& channel : audio.channels) {
            sides.ending.push_back(piece(channel, loop.span.end.value - fade, fade));
            sides.beginning.push_back(piece(channel, loop.span.start.value - fade, fade));
        }
        baked.tail.channels = mixSides(std::move(sides), loop.curve, audio.rate);
        return baked;
    }
    const auto source = leadAndRound(audio, loop);
    for (const auto& channel : source.channels) {
        sides.beginning.push_back(piece(channel, 0, fade));
        sides.ending.push_back(piece(channel, length, fade));
        baked.tail.channels.push_back(piece(channel, fade, length));
    }
    const auto mixed = mixSides(std::move(sides), loop.curve, audio.rate);
    for (std::size_t c = 0; c < mixed.size(); ++c)
        std::copy(
            mixed[c].begin(), mixed[c].end(), baked.tail.channels[c].end() - std::ptrdiff_t(fade));
    return baked;
}

/// There and back: the round begins behind the turn at the start and has both turns in it.
BakedRound bakeAlternating(const Audio& audio, const Loop& loop)
{
    const auto fade = loop.crossfade.value, length = loop.span.length();
    const auto evening = eveningFor(audio, loop);
    const auto source = evened(audio, loop, evening, loop.span);
    FadeSides atEnd, atStart;
    for (const auto& channel : source.channels) {
        atEnd.ending.push_back(piece(channel, length - fade, fade));
        atEnd.beginning.push_back(backward(atEnd.ending.back()));
        atStart.beginning.push_back(piece(channel, 0, fade));
        atStart.ending.push_back(backward(atStart.beginning.back()));
    }
    const auto endTurn = mixSides(std::move(atEnd), loop.curve, audio.rate);
    const auto startTurn = mixSides(std::move(atStart), loop.curve, audio.rate);
    BakedRound baked{loop.span.start.value + fade, 2 * (length - fade), {audio.rate, {}}};
    const auto between = length - 2 * fade;
    for (std::size_t c = 0; c < source.channelCount(); ++c) {
        std::vector<float> tail;
        if (evening.any())
            tail = piece(source.channels[c], fade, between);
        const auto back = backward(piece(source.channels[c], fade, between));
        tail.insert(tail.end(), endTurn[c].begin(), endTurn[c].end());
        tail.insert(tail.end(), back.begin(), back.end());
        tail.insert(tail.end(), startTurn[c].begin(), startTurn[c].end());
        baked.tail.channels.push_back(std::move(tail));
    }
    return baked;
}

/// How often a round is written out, and the frames that all rounds together have.
std::pair<std::int64_t, std::int64_t> roundsToWrite(std::int64_t length, double roundFrames)
{
    constexpr std::int64_t fewestFrames = 64, mostRounds = 4096;
    constexpr double cents = 0.1;
    auto rounds = std::max<std::int64_t>(1, (fewestFrames + length - 1) / length);
    auto best = std::pair{rounds, std::llround(double(rounds) * roundFrames)};
    double least = 1e9;
    for (; rounds < mostRounds && least > cents; ++rounds) {
        const auto frames = std::llround(double(rounds) * roundFrames);
        const double error =
            std::abs(1200.0 * std::log2(double(frames) / (double(rounds) * roundFrames)));
        if (error < least) {
            least = error;
            best = {rounds, frames};
        }
    }
    return best;
}

/// One round, which goes round, written out as `frames` frames of `rounds` rounds.
std::vector<float> writtenOut(
    const std::vector<float>& round, double rate, std::int64_t rounds, std::int64_t frames)
{
    const auto length = std::int64_t(round.size());
    std::vector<float> out;
    out.reserve(std::size_t(frames));
    if (frames == rounds * length) {
        for (std::int64_t i = 0; i < frames; ++i)
            out.push_back(round[std::size_t(i % length)]);
        return out;
    }
    // Its own past and future on both sides, for the filter.
    constexpr std::int64_t margin = 256;
    std::vector<float> around;
    around.reserve(std::size_t(length + 2 * margin));
    for (auto i = -margin; i < length + margin; ++i)
        around.push_back(round[std::size_t((i % length + length) % length)]);
    const BetweenSamples between(around, rate);
    const double step = double(rounds * length) / double(frames);
    for (std::int64_t i = 0; i < frames; ++i)
        out.push_back(between.at(double(margin) + std::fmod(double(i) * step, double(length))));
    return out;
}

} // namespace

BakedRound bakeRound(const Audio& audio, const Loop& loop)
{
    return loop.mode == LoopMode::alternating ? bakeAlternating(audio, loop)
                                              : bakeForward(audio, loop);
}

BakedLoop bakeLoop(const Audio& audio, const Loop& loop)
{
    const auto round = bakeRound(audio, loop);
    const double roundFrames =
        loop.mode == LoopMode::alternating ? double(round.length) : loop.roundFrames();
    BakedLoop baked;
    baked.from = round.from;
    baked.changed = round.length - round.tail.frames();
    const auto [rounds, frames] = roundsToWrite(round.length, roundFrames);
    baked.rounds = rounds;
    baked.turn = cut(audio, {Frames{round.from}, Frames{round.from + baked.changed}});
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        auto& turn = baked.turn.channels[c];
        turn.insert(turn.end(), round.tail.channels[c].begin(), round.tail.channels[c].end());
        if (rounds > 1 || frames != round.length)
            turn = writtenOut(turn, audio.rate, rounds, frames);
    }
    return baked;
}

std::int64_t turnFrames(const Loop& loop)
{
    const auto length = loop.span.length();
    if (loop.mode == LoopMode::alternating) {
        const auto round = 2 * (length - loop.crossfade.value);
        return roundsToWrite(round, double(round)).second;
    }
    return roundsToWrite(length, loop.roundFrames()).second;
}

Audio leaveLoop(const Audio& audio, const Loop& loop, const BakedLoop& baked, std::int64_t guard,
    std::int64_t until)
{
    constexpr double shortest = 0.05;
    const auto end = loop.span.end.value;
    const auto frames = std::max<std::int64_t>(0, std::min(until, audio.frames()) - end);
    Audio leaving = cut(audio, {Frames{end}, Frames{end + frames}});
    const auto asLoop = std::min(guard, frames);
    const auto fade = std::min(
        std::max(loop.crossfade.value, std::int64_t(shortest * audio.rate)), frames - asLoop);
    FadeSides sides;
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        const auto& turn = baked.turn.channels[c];
        auto& out = leaving.channels[c];
        const auto goesOn = [&](std::int64_t i) { return turn[std::size_t(i) % turn.size()]; };
        for (std::int64_t i = 0; i < asLoop; ++i)
            out[std::size_t(i)] = goesOn(i);
        sides.beginning.push_back(piece(out, asLoop, fade));
        sides.ending.emplace_back();
        for (std::int64_t i = 0; i < fade; ++i)
            sides.ending.back().push_back(goesOn(asLoop + i));
    }
    const auto mixed = mixSides(std::move(sides), FadeCurve::automatic, audio.rate);
    for (std::size_t c = 0; c < mixed.size(); ++c)
        std::copy(
            mixed[c].begin(), mixed[c].end(), leaving.channels[c].begin() + std::ptrdiff_t(asLoop));
    return leaving;
}

double recordedPlace(const Loop& loop, double frameOfTurn) noexcept
{
    const auto start = double(loop.span.start.value);
    if (loop.mode != LoopMode::alternating)
        return start + std::fmod(frameOfTurn, loop.roundFrames());
    const auto fade = double(loop.crossfade.value);
    const double oneWay = double(loop.span.length()) - fade;
    const double way = std::fmod(frameOfTurn + 0.5 * fade, 2.0 * oneWay);
    return start + 0.5 * fade + (way < oneWay ? way : 2.0 * oneWay - way);
}

} // namespace puretone
