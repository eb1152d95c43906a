// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/level.h"

#include <algorithm>
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

std::vector<float> interleave(const Audio& audio, Span span)
{
    const std::size_t channels = audio.channelCount();
    std::vector<float> mixed(std::size_t(span.length()) * channels);
    for (std::size_t c = 0; c < channels; ++c) {
        const auto channel = audio.channel(c, span);
        for (std::size_t i = 0; i < channel.size(); ++i)
            mixed[i * channels + c] = channel[i];
    }
    return mixed;
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
        const auto mixed = interleave(audio, span);
        if (ebur128_add_frames_float(state, mixed.data(), std::size_t(span.length()))
            == EBUR128_SUCCESS)
            ebur128_loudness_global(state, &loudness);
        ebur128_destroy(&state);
    }
    return Decibels{
        std::isfinite(loudness) && loudness > -69.9 ? loudness : ungatedLufs(audio, span)};
}

std::vector<double> powerCurve(
    const Audio& audio, std::int64_t windowFrames, std::int64_t hopFrames)
{
    const std::int64_t frames = audio.frames();
    std::vector<double> running(std::size_t(frames) + 1, 0.0);
    for (const auto& channel : audio.channels) {
        double sum = 0.0;
        for (std::int64_t i = 0; i < frames; ++i) {
            const double s = channel[std::size_t(i)];
            sum += s * s;
            running[std::size_t(i) + 1] += sum;
        }
    }
    std::vector<double> curve;
    curve.reserve(std::size_t(frames / hopFrames) + 1);
    for (std::int64_t centre = 0; centre < frames; centre += hopFrames) {
        const auto from = std::max<std::int64_t>(0, centre - windowFrames / 2);
        const auto to =
            std::min(frames, centre + (windowFrames + 1) / 2 + (windowFrames < 2 ? 1 : 0));
        const double sum = running[std::size_t(to)] - running[std::size_t(from)];
        curve.push_back(std::max(0.0, sum / double(std::max<std::int64_t>(1, to - from))));
    }
    return curve;
}

} // namespace puretone
