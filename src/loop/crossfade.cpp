// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/crossfade.h"

#include "audio/level.h"

#include <algorithm>
#include <array>
#include <numbers>
#include <utility>

namespace puretone {

namespace {

/// sin(pi (i + 0.5) / n): what lies in the middle of a fade, where both sides are heard, counts
/// most.
std::vector<float> fadeWeights(std::size_t n)
{
    std::vector<float> weights(n);
    const double angle = std::numbers::pi / double(std::max<std::size_t>(1, n));
    // By the recurrence of equally spaced sines.
    const double turn = 2.0 * std::cos(angle);
    double w = std::sin(0.5 * angle), before = -w;
    for (float& weight : weights) {
        weight = float(w);
        before = std::exchange(w, turn * w - before);
    }
    return weights;
}

double mean(const float* samples, std::size_t count)
{
    double sum = 0.0;
    for (std::size_t i = 0; i < count; ++i)
        sum += double(samples[i]);
    return sum / double(std::max<std::size_t>(1, count));
}

struct SideSums {
    double product = 0.0, ending = 0.0, beginning = 0.0;
};

/// Weighted sums over both sides without their means, in lanes that fit the machine's vectors.
void addSides(SideSums& sums, const float* ending, const float* beginning, const float* weights,
    std::size_t count)
{
    constexpr std::size_t lanes = 8, stretch = 256;
    const auto e0 = float(mean(ending, count)), s0 = float(mean(beginning, count));
    for (std::size_t i = 0; i < count;) {
        const auto end = std::min(count, i + stretch);
        std::array<float, lanes> product{}, ee{}, ss{};
        for (; i + lanes <= end; i += lanes)
            for (std::size_t j = 0; j < lanes; ++j) {
                const float e = ending[i + j] - e0, s = beginning[i + j] - s0;
                const float w = weights[i + j];
                product[j] += w * e * s;
                ee[j] += w * e * e;
                ss[j] += w * s * s;
            }
        for (; i < end; ++i) {
            const float e = ending[i] - e0, s = beginning[i] - s0;
            product[0] += weights[i] * e * s;
            ee[0] += weights[i] * e * e;
            ss[0] += weights[i] * s * s;
        }
        for (std::size_t j = 0; j < lanes; ++j) {
            sums.product += double(product[j]);
            sums.ending += double(ee[j]);
            sums.beginning += double(ss[j]);
        }
    }
}

} // namespace

double SideCorrelation::operator()(const Audio& audio, Span loop) const
{
    const auto fade = std::int64_t(weights_.size());
    SideSums sums;
    for (const auto& channel : audio.channels)
        addSides(sums, channel.data() + (loop.end.value - fade),
            channel.data() + (loop.start.value - fade), weights_.data(), weights_.size());
    const double scale = std::sqrt(sums.ending * sums.beginning);
    return scale > 1e-18 ? sums.product / scale : 0.0;
}

SideCorrelation::SideCorrelation(std::int64_t crossfade)
    : weights_(fadeWeights(std::size_t(std::max<std::int64_t>(0, crossfade))))
{
}

double sideCorrelation(const Audio& audio, Span loop, std::int64_t crossfade)
{
    return SideCorrelation(crossfade)(audio, loop);
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

/// The gains along a fade, one after the other.
class FadeLaw {
public:
    FadeLaw(FadeCurve curve, std::int64_t frames, double correlation)
        : curve_(curve)
        , step_(1.0 / double(std::max<std::int64_t>(1, frames)))
        , correlation_(std::max(-0.6, correlation))
        , turnCos_(std::cos(0.5 * std::numbers::pi * step_))
        , turnSin_(std::sin(0.5 * std::numbers::pi * step_))
    {
    }
    /// For u = 0, step, 2 step, ...
    Pair next()
    {
        const double u = u_, c = cos_, s = sin_;
        u_ += step_;
        cos_ = c * turnCos_ - s * turnSin_;
        sin_ = s * turnCos_ + c * turnSin_;
        switch (curve_) {
        case FadeCurve::linear:
            return {1.0 - u, u};
        case FadeCurve::equalPower:
            return {c, s};
        case FadeCurve::automatic:
            break;
        }
        const double n = std::sqrt(1.0 + correlation_ * 2.0 * s * c);
        return {c / n, s / n};
    }

private:
    FadeCurve curve_;
    double step_, correlation_;
    double turnCos_, turnSin_; ///< A quarter turn over the whole fade.
    double u_ = 0.0, cos_ = 1.0, sin_ = 0.0;
};

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
    // The evening falls by the same ratio from frame to frame; it runs on through the material before
    // the start, or the fade itself would step.
    const double ratio = toGain(Decibels{-rise / double(length)});
    const double turnEarlier = toGain(Decibels{rise});
    double evening = 1.0;
    const auto count = std::size_t(loop.span.end.value - gains.first);
    gains.ending.reserve(count);
    gains.beginning.reserve(count);
    FadeLaw fadeLaw(loop.curve, fade, correlation);
    for (std::int64_t f = gains.first; f < loop.span.end.value; ++f) {
        Pair law = f < loop.span.end.value - fade ? Pair{1.0, 0.0} : fadeLaw.next();
        if (evens) {
            law.ending *= evening;
            law.beginning *= evening * turnEarlier;
            evening *= ratio;
        }
        gains.ending.push_back(float(law.ending));
        gains.beginning.push_back(float(law.beginning));
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

Audio bakeEnd(const Audio& audio, const Loop& loop)
{
    const auto gains = loopGains(audio, loop);
    Audio end{audio.rate, std::vector(audio.channelCount(), std::vector<float>())};
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        end.channels[c].reserve(gains.ending.size());
        for (std::int64_t f = gains.first; f < loop.span.end.value; ++f)
            end.channels[c].push_back(bakedSample(audio.channels[c], gains, loop.span.length(), f));
    }
    return end;
}

Audio bakeTurn(const Audio& audio, const Loop& loop)
{
    Audio turn = cut(audio, loop.span);
    const auto end = bakeEnd(audio, loop);
    for (std::size_t c = 0; c < audio.channelCount(); ++c)
        std::copy(end.channels[c].begin(), end.channels[c].end(),
            turn.channels[c].end() - std::ptrdiff_t(end.frames()));
    return turn;
}

} // namespace puretone
