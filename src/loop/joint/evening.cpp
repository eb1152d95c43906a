// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/evening.h"

#include "audio/level.h"

#include <numbers>

namespace puretone {

namespace {

constexpr double mostRiseDb = 24.0, mostSwingDb = 9.0, mostColourDb = 6.0, quietDb = -45.0;

struct Levels {
    double start = 0.0, end = 0.0; ///< Powers.
    double rise() const
    {
        if (start < 1e-16 || end < 1e-16)
            return 0.0;
        return std::clamp(10.0 * std::log10(end / start), -mostRiseDb, mostRiseDb);
    }
};

/// Frames that are compared on either side.
std::int64_t comparedFrames(const Audio& audio, const Loop& loop)
{
    const auto least = std::int64_t(0.03 * audio.rate);
    return std::min(std::max(loop.crossfade.value, least), loop.span.length());
}

Span beforeStart(const Loop& loop, std::int64_t frames)
{
    // Before the start where there is enough, otherwise around it.
    const auto from = std::max<std::int64_t>(0, loop.span.start.value - frames);
    return {Frames{from}, Frames{from + frames}};
}

void bandRises(const Audio& audio, const Loop& loop, double rise, Evening& evening)
{
    const auto frames = comparedFrames(audio, loop);
    const auto start = splitBands(cut(audio, beforeStart(loop, frames)).channels, audio.rate);
    const auto end = splitBands(
        cut(audio, {Frames{loop.span.end.value - frames}, loop.span.end}).channels, audio.rate);
    std::array<Levels, bandCount> levels;
    double whole = 0.0;
    for (std::size_t b = 0; b < bandCount; ++b)
        for (std::size_t c = 0; c < audio.channelCount(); ++c) {
            levels[b].start += meanSquare(start[b][c]);
            levels[b].end += meanSquare(end[b][c]);
            whole += meanSquare(start[b][c]);
        }
    for (std::size_t b = 0; b < bandCount; ++b) {
        if (10.0 * std::log10(std::max(1e-20, levels[b].start) / std::max(1e-16, whole)) < quietDb)
            continue;
        evening.colourDb[b] =
            loop.evenColour * std::clamp(levels[b].rise() - rise, -mostColourDb, mostColourDb);
    }
}

/// The level's swing once a round, beyond the slope. Loops under a tenth of a second are a tone.
void swingOf(const Audio& audio, const Loop& loop, double rise, Evening& evening)
{
    constexpr double shortest = 0.1;
    constexpr int points = 32;
    const auto length = loop.span.length();
    if (double(length) < shortest * audio.rate)
        return;
    const auto levels =
        powerCurve(audio, loop.span, std::max(length / 8, std::int64_t(0.03 * audio.rate)),
            std::max<std::int64_t>(1, length / points));
    double re = 0.0, im = 0.0;
    for (int i = 0; i < points && std::size_t(i) < levels.size(); ++i) {
        const double t = double(i) / points;
        const double db = 10.0 * std::log10(std::max(1e-12, levels[std::size_t(i)])) - rise * t;
        re += db * std::cos(2.0 * std::numbers::pi * t);
        im += db * std::sin(2.0 * std::numbers::pi * t);
    }
    evening.swingDb = loop.evenOut * std::min(mostSwingDb, 2.0 / points * std::hypot(re, im));
    evening.swingPhase = -std::atan2(im, re);
}

/// Multiplies by the gain of a band whose own slope is `colour`; frame `zero` is the loop's start.
void applyGain(
    std::vector<float>& samples, const Evening& evening, double colour, double round, double zero)
{
    // Slow enough to be reckoned at every 64th frame.
    constexpr std::size_t grid = 64;
    const auto gainAt = [&](std::size_t i) {
        return float(toGain(Decibels{evening.gainDb(colour, (double(i) - zero) / round)}));
    };
    float gain = gainAt(0);
    for (std::size_t from = 0; from < samples.size(); from += grid) {
        const float next = gainAt(from + grid), step = (next - gain) / float(grid);
        const auto to = std::min(samples.size(), from + grid);
        for (auto i = from; i < to; ++i)
            samples[i] *= gain + step * float(i - from);
        gain = next;
    }
}

} // namespace

bool Evening::colours() const
{
    return std::any_of(colourDb.begin(), colourDb.end(), [](double db) { return db != 0.0; });
}

Decibels levelRise(const Audio& audio, Span loop, std::int64_t frames)
{
    Loop measured;
    measured.span = loop;
    measured.crossfade = Frames{frames};
    const auto reach = comparedFrames(audio, measured);
    Levels levels;
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        levels.end += meanSquare(audio.channel(c, {Frames{loop.end.value - reach}, loop.end}));
        levels.start += meanSquare(audio.channel(c, beforeStart(measured, reach)));
    }
    return Decibels{levels.rise()};
}

Evening eveningFor(const Audio& audio, const Loop& loop)
{
    Evening evening;
    if (loop.evenOut <= 0.0 && loop.evenColour <= 0.0)
        return evening;
    const double rise = levelRise(audio, loop.span, loop.crossfade.value).value;
    evening.levelDb = loop.evenOut * rise;
    if (loop.evenOut > 0.0)
        swingOf(audio, loop, rise, evening);
    if (loop.evenColour > 0.0)
        bandRises(audio, loop, rise, evening);
    return evening;
}

double Evening::gainDb(double colour, double rounds) const
{
    const double swing =
        std::cos(2.0 * std::numbers::pi * rounds + swingPhase) - std::cos(swingPhase);
    return -(levelDb + colour) * rounds - swingDb * swing;
}

Audio evened(const Audio& audio, const Loop& loop, const Evening& evening, Span stretch)
{
    Audio sound = cut(audio, stretch);
    if (!evening.any())
        return sound;
    const double round = double(loop.span.length());
    const auto zero = double(loop.span.start.value - stretch.start.value);
    if (!evening.colours()) {
        for (auto& channel : sound.channels)
            applyGain(channel, evening, 0.0, round, zero);
        return sound;
    }
    auto bands = splitBands(sound.channels, sound.rate);
    for (std::size_t c = 0; c < sound.channelCount(); ++c) {
        std::fill(sound.channels[c].begin(), sound.channels[c].end(), 0.0f);
        for (std::size_t b = 0; b < bandCount; ++b) {
            applyGain(bands[b][c], evening, evening.colourDb[b], round, zero);
            for (std::size_t i = 0; i < bands[b][c].size(); ++i)
                sound.channels[c][i] += bands[b][c][i];
        }
    }
    return sound;
}

} // namespace puretone
