// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/level.h"

#include <algorithm>
#include <array>
#include <ebur128.h>

namespace puretone {

double meanSquare(std::span<const float> samples)
{
    if (samples.empty())
        return 0.0;
    double sum = 0.0;
    for (const float s : samples)
        sum += double(s) * double(s);
    return sum / double(samples.size());
}

double dotProduct(const float* a, const float* b, std::size_t count)
{
    constexpr std::size_t lanes = 8, stretch = 256;
    double sum = 0.0;
    std::size_t i = 0;
    while (i + lanes <= count) {
        const auto end = i + std::min(stretch, (count - i) / lanes * lanes);
        std::array<float, lanes> partial{};
        for (; i < end; i += lanes)
            for (std::size_t j = 0; j < lanes; ++j)
                partial[j] += a[i + j] * b[i + j];
        for (const float p : partial)
            sum += double(p);
    }
    for (; i < count; ++i)
        sum += double(a[i]) * double(b[i]);
    return sum;
}

float peak(std::span<const float> samples)
{
    float top = 0.0f;
    for (const float s : samples)
        top = std::max(top, std::abs(s));
    return top;
}

Decibels peakLevel(const Audio& audio, Span span)
{
    float top = 0.0f;
    for (std::size_t c = 0; c < audio.channelCount(); ++c)
        top = std::max(top, peak(audio.channel(c, span)));
    return toDecibels(double(top));
}

namespace {

/// Hands a stretch over block by block: an hour is never copied whole.
bool feed(ebur128_state* state, const Audio& audio, Span span)
{
    constexpr std::int64_t block = 1 << 15;
    const std::size_t channels = audio.channelCount();
    std::vector<float> mixed(std::size_t(block) * channels);
    for (auto at = span.start.value; at < span.end.value; at += block) {
        const auto frames = std::size_t(std::min(block, span.end.value - at));
        for (std::size_t c = 0; c < channels; ++c)
            for (std::size_t i = 0; i < frames; ++i)
                mixed[i * channels + c] = audio.channels[c][std::size_t(at) + i];
        if (ebur128_add_frames_float(state, mixed.data(), frames) != EBUR128_SUCCESS)
            return false;
    }
    return true;
}

double ungatedLufs(const Audio& audio, Span span)
{
    double power = 0.0;
    for (std::size_t c = 0; c < audio.channelCount(); ++c)
        power += meanSquare(audio.channel(c, span));
    // -0.691: the offset of ITU-R BS.1770 that makes a 1 kHz tone read its own level.
    return power > 1e-20 ? -0.691 + 10.0 * std::log10(power) : -200.0;
}

} // namespace

Decibels loudnessLufs(const Audio& audio, Span span)
{
    if (span.length() <= 0 || audio.channels.empty())
        return Decibels{-200.0};
    ebur128_state* state = ebur128_init(
        unsigned(audio.channelCount()), static_cast<unsigned long>(audio.rate), EBUR128_MODE_I);
    double loudness = -HUGE_VAL;
    if (state != nullptr) {
        if (feed(state, audio, span))
            ebur128_loudness_global(state, &loudness);
        ebur128_destroy(&state);
    }
    return Decibels{
        std::isfinite(loudness) && loudness > -69.9 ? loudness : ungatedLufs(audio, span)};
}

std::vector<double> powerCurve(
    const Audio& audio, Span span, std::int64_t windowFrames, std::int64_t hopFrames)
{
    const std::int64_t first = span.start.value, frames = span.length();
    const auto power = [&](std::int64_t from, std::int64_t to) {
        double sum = 0.0;
        for (const auto& channel : audio.channels)
            for (auto i = from; i < to; ++i) {
                const double s = channel[std::size_t(first + i)];
                sum += s * s;
            }
        return sum;
    };
    // A window that slides: what enters is added, what leaves taken off. Begun anew now and then,
    // so that rounding never adds up.
    constexpr int afresh = 512;
    std::vector<double> curve;
    curve.reserve(std::size_t(frames / hopFrames) + 1);
    double sum = 0.0;
    std::int64_t lastFrom = 0, lastTo = 0;
    int steps = 0;
    for (std::int64_t centre = 0; centre < frames; centre += hopFrames) {
        const auto from = std::max<std::int64_t>(0, centre - windowFrames / 2);
        const auto to =
            std::min(frames, centre + (windowFrames + 1) / 2 + (windowFrames < 2 ? 1 : 0));
        if (from >= lastTo || ++steps >= afresh) {
            sum = power(from, to);
            steps = 0;
        } else {
            sum += power(lastTo, to) - power(lastFrom, from);
        }
        lastFrom = from;
        lastTo = to;
        curve.push_back(std::max(0.0, sum / double(std::max<std::int64_t>(1, to - from))));
    }
    return curve;
}

} // namespace puretone
