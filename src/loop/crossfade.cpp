// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/crossfade.h"

#include "audio/level.h"

#include <numbers>
#include <utility>

namespace puretone {

double sideCorrelation(const Audio& audio, Span loop, std::int64_t crossfade)
{
    double product = 0.0, endPower = 0.0, startPower = 0.0;
    for (const auto& channel : audio.channels) {
        double meanEnd = 0.0, meanStart = 0.0;
        for (std::int64_t i = 0; i < crossfade; ++i) {
            meanEnd += channel[std::size_t(loop.end.value - crossfade + i)];
            meanStart += channel[std::size_t(loop.start.value - crossfade + i)];
        }
        meanEnd /= double(std::max<std::int64_t>(1, crossfade));
        meanStart /= double(std::max<std::int64_t>(1, crossfade));
        // sin(pi (i + 0.5) / n) by its recurrence: this runs in the finder's innermost loop.
        const double angle = std::numbers::pi / double(std::max<std::int64_t>(1, crossfade));
        const double turn = 2.0 * std::cos(angle);
        double w = std::sin(0.5 * angle), before = -w;
        for (std::int64_t i = 0; i < crossfade; ++i, before = std::exchange(w, turn * w - before)) {
            const double e = channel[std::size_t(loop.end.value - crossfade + i)] - meanEnd;
            const double s = channel[std::size_t(loop.start.value - crossfade + i)] - meanStart;
            product += w * e * s;
            endPower += w * e * e;
            startPower += w * s * s;
        }
    }
    const double scale = std::sqrt(endPower * startPower);
    return scale > 1e-18 ? product / scale : 0.0;
}

Decibels levelRise(const Audio& audio, Span loop, std::int64_t frames)
{
    const auto least = std::int64_t(0.03 * audio.rate);
    const auto reach = std::min(std::max(frames, least), loop.length());
    double end = 0.0, start = 0.0;
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        end += meanSquare(audio.channel(c, {Frames{loop.end.value - reach}, loop.end}));
        // Before the start where there is enough, otherwise around it.
        const auto from = std::max<std::int64_t>(0, loop.start.value - reach);
        start += meanSquare(audio.channel(c, {Frames{from}, Frames{from + reach}}));
    }
    if (end < 1e-16 || start < 1e-16)
        return Decibels{0.0};
    // More than this is not unevenness but another sound.
    return Decibels{std::clamp(10.0 * std::log10(end / start), -24.0, 24.0)};
}

namespace {

struct Pair {
    double ending;
    double beginning;
};

/// @param u Place along the fade, 0 to 1.
Pair fadeLaw(FadeCurve curve, double u, double correlation)
{
    const double q = 0.5 * std::numbers::pi * u;
    switch (curve) {
    case FadeCurve::linear:
        return {1.0 - u, u};
    case FadeCurve::equalPower:
        return {std::cos(q), std::sin(q)};
    case FadeCurve::automatic:
        break;
    }
    const double n = std::sqrt(1.0 + std::max(-0.6, correlation) * std::sin(2.0 * q));
    return {std::cos(q) / n, std::sin(q) / n};
}

} // namespace

LoopGains loopGains(const Audio& audio, const Loop& loop)
{
    const auto length = loop.span.length();
    const auto fade = loop.crossfade.value;
    const bool evens = loop.evenOut > 0.0;
    const double rise = evens ? loop.evenOut * levelRise(audio, loop.span, fade).value : 0.0;
    const double correlation =
        loop.curve == FadeCurve::automatic ? sideCorrelation(audio, loop.span, fade) : 0.0;
    LoopGains gains;
    gains.first = evens ? loop.span.start.value : loop.span.end.value - fade;
    // The evening runs on through the material before the start, or the fade itself would step.
    const auto evening = [&](std::int64_t sinceStart) {
        return toGain(Decibels{-rise * double(sinceStart) / double(length)});
    };
    for (std::int64_t f = gains.first; f < loop.span.end.value; ++f) {
        const auto sinceStart = f - loop.span.start.value;
        const auto intoFade = f - (loop.span.end.value - fade);
        const Pair law = intoFade < 0
            ? Pair{1.0, 0.0}
            : fadeLaw(loop.curve, double(intoFade) / double(fade), correlation);
        gains.ending.push_back(float(law.ending * evening(sinceStart)));
        gains.beginning.push_back(float(law.beginning * evening(sinceStart - length)));
    }
    return gains;
}

namespace {

float bakedSample(
    const std::vector<float>& channel, const LoopGains& gains, std::int64_t length, std::int64_t f)
{
    const auto i = std::size_t(f - gains.first);
    const float mixed = gains.ending[i] * channel[std::size_t(f)];
    // Without a fade there may be nothing a turn earlier in the recording.
    return gains.beginning[i] == 0.0f
        ? mixed
        : mixed + gains.beginning[i] * channel[std::size_t(f - length)];
}

} // namespace

Audio bake(const Audio& audio, const Loop& loop)
{
    Audio baked = audio;
    const auto gains = loopGains(audio, loop);
    for (std::size_t c = 0; c < audio.channelCount(); ++c)
        for (std::int64_t f = gains.first; f < loop.span.end.value; ++f)
            baked.channels[c][std::size_t(f)] =
                bakedSample(audio.channels[c], gains, loop.span.length(), f);
    return baked;
}

Audio bakeTurn(const Audio& audio, const Loop& loop)
{
    Audio turn = cut(audio, loop.span);
    const auto gains = loopGains(audio, loop);
    for (std::size_t c = 0; c < audio.channelCount(); ++c)
        for (std::int64_t f = gains.first; f < loop.span.end.value; ++f)
            turn.channels[c][std::size_t(f - loop.span.start.value)] =
                bakedSample(audio.channels[c], gains, loop.span.length(), f);
    return turn;
}

} // namespace puretone
