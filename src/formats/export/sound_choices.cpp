// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/sound_choices.h"

#include "audio/signal/resample.h"

#include <algorithm>
#include <cmath>

namespace puretone {

int bitsOf(Depth depth)
{
    return depth == Depth::bits16 ? 16 : depth == Depth::bits24 ? 24 : 32;
}

SampleFormat formatOf(Depth depth)
{
    return depth == Depth::bits16 ? SampleFormat::int16
        : depth == Depth::bits24  ? SampleFormat::int24
                                  : SampleFormat::float32;
}

namespace {

constexpr double cutFadeSeconds = 0.03, playedOutFadeSeconds = 0.5;

/// Whether what stands behind the loop is the loop again.
bool goesOn(const PreparedTake& sound)
{
    return sound.loop && sound.mode != LoopMode::untilRelease;
}

/// How a sound changes its rate.
struct Rate {
    double out = 0.0; ///< Frames per second that the file says.
    double ratio = 1.0; ///< New frames for an old one.
};

Rate rateFor(const PreparedTake& sound, const SoundChoices& choices)
{
    const double from = sound.audio.rate, out = choices.rate.value_or(from);
    Rate rate{out, out / from};
    if (out != from && sound.loop) {
        const auto length = double(sound.loop->length());
        const double whole = std::max(double(shortestLoop), std::round(length * rate.ratio));
        rate.ratio = whole / length;
    }
    return rate;
}

std::int64_t roundedUp(double frames)
{
    return std::int64_t(std::ceil(frames - 1e-6));
}

void fadeOut(Audio& audio, std::int64_t frames)
{
    for (auto& channel : audio.channels) {
        const auto length = std::min<std::int64_t>(frames, std::int64_t(channel.size()));
        for (std::int64_t i = 0; i < length; ++i)
            channel[channel.size() - 1 - std::size_t(i)] *= float(i) / float(length);
    }
}

/// Frames behind which a sound without a loop is cut; nothing where it is short enough.
std::optional<std::int64_t> cutAt(const PreparedTake& sound, const SoundChoices& choices)
{
    if (sound.loop || !choices.longest)
        return std::nullopt;
    const auto most = std::int64_t(std::max(shortestLongest, *choices.longest) * sound.audio.rate);
    return most < sound.frames ? std::optional(std::max(most, shortestTake)) : std::nullopt;
}

/// Frames of a sound whose loop is played out.
std::optional<std::int64_t> playedOut(const PreparedTake& sound, const SoundChoices& choices)
{
    if (!sound.loop || !choices.playedOut)
        return std::nullopt;
    return std::max(sound.loop->end.value, std::int64_t(*choices.playedOut * sound.audio.rate));
}

void playOut(PreparedTake& sound, std::int64_t frames)
{
    const Span loop = *sound.loop;
    for (auto& channel : sound.audio.channels) {
        channel.resize(std::size_t(loop.end.value));
        channel.reserve(std::size_t(frames));
        while (std::int64_t(channel.size()) < frames)
            channel.push_back(channel[channel.size() - std::size_t(loop.length())]);
    }
    fadeOut(sound.audio, std::int64_t(playedOutFadeSeconds * sound.audio.rate));
}

void mixToMono(Audio& audio)
{
    if (audio.channelCount() < 2)
        return;
    auto& left = audio.channels[0];
    for (std::size_t i = 0; i < left.size(); ++i)
        left[i] = 0.5f * (left[i] + audio.channels[1][i]);
    audio.channels.resize(1);
}

/// Rounds to steps of the depth; what is beyond full scale is limited to it.
void round(Audio& audio, int bits, bool dither)
{
    const double step = 1.0 / double(std::int64_t(1) << (bits - 1));
    std::uint64_t state = 0x9e3779b97f4a7c15ULL; // the same file every time
    const auto chance = [&state] { // 0 to 1
        state ^= state << 13U;
        state ^= state >> 7U;
        state ^= state << 17U;
        return double(state >> 11U) / double(1ULL << 53U);
    };
    for (auto& channel : audio.channels)
        for (float& s : channel) {
            // Digital silence stays silent.
            const double noise = dither && s != 0.0f ? chance() - chance() : 0.0;
            const double rounded = std::round(double(s) / step + noise) * step;
            s = float(std::clamp(rounded, -1.0, 1.0 - step));
        }
}

/// What changes but for the samples, in the order in which conform changes them.
void change(PreparedTake& sound, const SoundChoices& choices)
{
    if (const auto frames = playedOut(sound, choices)) {
        if (!sound.audio.channels.empty() && !sound.audio.channels[0].empty())
            playOut(sound, *frames);
        sound.frames = *frames;
        sound.loop.reset();
        sound.mode = LoopMode::forward;
    }
    if (const auto frames = cutAt(sound, choices)) {
        for (auto& channel : sound.audio.channels)
            channel.resize(std::min(channel.size(), std::size_t(*frames)));
        fadeOut(sound.audio, std::int64_t(cutFadeSeconds * sound.audio.rate));
        sound.frames = *frames;
    }
}

/// The same, for another rate.
void changeRate(PreparedTake& sound, const Rate& rate)
{
    if (rate.ratio == 1.0)
        return;
    sound.retuneCents += 1200.0 * std::log2(rate.ratio * sound.audio.rate / rate.out);
    sound.midi -= sound.retuneCents / 100.0;
    sound.audio.rate = rate.out;
    if (sound.loop) {
        // A loop may begin at any frame behind its first, since what is there repeats: behind what
        // the resampling has mixed in of the frames before it.
        const auto length = std::int64_t(std::llround(double(sound.loop->length()) * rate.ratio));
        const auto start = roundedUp(double(sound.loop->start.value) * rate.ratio)
            + (goesOn(sound) ? framesBehindLoop : 0);
        sound.loop = Span{Frames{start}, Frames{start + length}};
        sound.frames = goesOn(sound) ? sound.loop->end.value + framesBehindLoop
                                     : std::max(sound.frames, sound.loop->end.value);
    }
}

} // namespace

PreparedTake conformPlan(PreparedTake planned, const SoundChoices& choices)
{
    change(planned, choices);
    if (choices.mono)
        planned.audio.channels.resize(1);
    const auto rate = rateFor(planned, choices);
    planned.frames = std::int64_t(std::llround(double(planned.frames) * rate.ratio));
    changeRate(planned, rate);
    return planned;
}

PreparedTake conform(PreparedTake prepared, const SoundChoices& choices)
{
    change(prepared, choices);
    if (choices.mono)
        mixToMono(prepared.audio);
    const auto rate = rateFor(prepared, choices);
    if (rate.ratio != 1.0)
        for (auto& channel : prepared.audio.channels) {
            // As far as the resampling looks ahead, and as the loop moves (see changeRate).
            const auto ahead = std::int64_t(2048 + 4.0 * framesBehindLoop / rate.ratio);
            for (std::int64_t i = 0; goesOn(prepared) && i < ahead; ++i)
                channel.push_back(channel[channel.size() - std::size_t(prepared.loop->length())]);
            channel = resample(channel, 1.0, rate.ratio);
        }
    prepared.frames = prepared.audio.frames();
    changeRate(prepared, rate);
    for (auto& channel : prepared.audio.channels)
        channel.resize(std::size_t(prepared.frames));
    if (choices.depth != Depth::floating)
        round(prepared.audio, bitsOf(choices.depth),
            choices.dither && choices.depth == Depth::bits16);
    return prepared;
}

} // namespace puretone
