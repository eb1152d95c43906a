// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/tone.h"

#include "audio/signal/fft.h"
#include "loop/joint/bake.h"
#include "loop/joint/crossfade.h"

#include <cmath>

namespace puretone {

namespace {

constexpr double longestTone = 0.05;

/// Powers of the multiples of the round's rate, all channels together; [0] is the mean.
std::vector<double> roundPartials(const Audio& audio, const Loop& loop)
{
    const auto round = bakeRound(audio, loop);
    const auto length = std::size_t(round.length);
    std::vector<double> powers(length / 2 + 1, 0.0);
    RealFft fft(length + length % 2);
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        std::vector<float> samples;
        samples.reserve(length);
        for (auto f = round.from; f < round.from + round.length - round.tail.frames(); ++f)
            samples.push_back(audio.channels[c][std::size_t(f)]);
        samples.insert(samples.end(), round.tail.channels[c].begin(), round.tail.channels[c].end());
        if (length % 2 == 0) {
            fft.forward(samples);
            for (std::size_t k = 0; k < powers.size(); ++k)
                powers[k] += double(std::norm(fft.spectrum()[k]));
            continue;
        }
        // Two rounds have an even length; every second partial of theirs is one of the round's.
        RealFft both(2 * length);
        samples.insert(samples.end(), samples.begin(), samples.begin() + std::ptrdiff_t(length));
        both.forward(samples);
        for (std::size_t k = 0; k < powers.size(); ++k)
            powers[k] += double(std::norm(both.spectrum()[2 * k]));
    }
    return powers;
}

} // namespace

std::optional<Hz> loopTone(const Audio& audio, const Loop& loop)
{
    const double seconds = double(loop.span.length()) / audio.rate;
    if (!loop.repeats() || seconds > longestTone || loop.mode == LoopMode::alternating)
        return std::nullopt;
    const auto powers = roundPartials(audio, loop);
    double all = 0.0;
    for (std::size_t k = 1; k < powers.size(); ++k)
        all += powers[k];
    if (all < 1e-12)
        return std::nullopt;
    constexpr double nearlyAll = 0.97;
    const double round = audio.rate / loop.roundFrames();
    // Tones above this are no notes; what lies lower is what the ear puts together.
    constexpr double highest = 4200.0;
    std::size_t periods = 1;
    for (std::size_t n = 2; n < powers.size() && double(n) * round < highest; ++n) {
        double multiples = 0.0;
        for (auto k = n; k < powers.size(); k += n)
            multiples += powers[k];
        if (multiples > nearlyAll * all)
            periods = n;
    }
    return Hz{double(periods) * round};
}

Loop fittedToPeriods(const Loop& loop, double periodSeconds, double rate, std::int64_t end)
{
    const double period = periodSeconds * rate;
    const double periods = std::max(1.0, std::round(loop.roundFrames() / period));
    const double wanted = periods * period;
    Loop fitted = loop;
    const auto whole = std::llround(wanted);
    if (whole < shortestLoop || loop.span.start.value + whole > end)
        return loop;
    fitted.span.end.value = loop.span.start.value + whole;
    // Half a frame in more than a second is no matter of tuning.
    fitted.fraction = loop.mode == LoopMode::alternating || whole > std::int64_t(rate)
        ? 0.0
        : wanted - double(whole);
    fitted.crossfade = std::min(fitted.crossfade, longestCrossfade(fitted.span, fitted.mode));
    return fitted;
}

namespace {

constexpr std::int64_t compared = 2048;

/// The first peak of `match(offset)` for offsets 1, 2, ... that is nearly as high as the highest.
template <class Match> std::int64_t nextPeak(std::int64_t reach, Match match)
{
    std::vector<double> values;
    for (std::int64_t i = 0; i <= reach; ++i) {
        const double m = match(i);
        if (m < -1.5)
            break;
        values.push_back(m);
    }
    double top = -2.0;
    for (std::size_t i = 2; i + 1 < values.size(); ++i)
        if (values[i] >= values[i - 1] && values[i] > values[i + 1])
            top = std::max(top, values[i]);
    constexpr double nearly = 0.08;
    for (std::size_t i = 2; i + 1 < values.size(); ++i)
        if (values[i] >= values[i - 1] && values[i] > values[i + 1] && values[i] > top - nearly)
            return std::int64_t(i);
    return 0;
}

std::int64_t matchReach(double rate, std::optional<double> periodSeconds)
{
    return std::int64_t(std::clamp(2.0 * periodSeconds.value_or(0.0), 0.005, 0.025) * rate) + 2;
}

/// Correlation of what lies before both posts, -2 where that cannot be.
double matchAt(const Audio& audio, const SideCorrelation& correlation, std::int64_t window,
    std::int64_t start, std::int64_t end)
{
    if (start < window || end > audio.frames() || end - start < shortestLoop)
        return -2.0;
    return correlation(audio, {Frames{start}, Frames{end}});
}

} // namespace

std::int64_t nextMatchingEnd(
    const Audio& audio, const Loop& loop, bool forward, std::optional<double> periodSeconds)
{
    const auto window = std::min(
        {std::max<std::int64_t>(loop.crossfade.value, 256), compared, loop.span.start.value});
    const SideCorrelation correlation(window);
    const std::int64_t step = forward ? 1 : -1;
    const auto offset = nextPeak(matchReach(audio.rate, periodSeconds), [&](std::int64_t i) {
        return matchAt(
            audio, correlation, window, loop.span.start.value, loop.span.end.value + step * i);
    });
    return loop.span.end.value + step * offset;
}

std::int64_t nextMatchingStart(
    const Audio& audio, const Loop& loop, bool forward, std::optional<double> periodSeconds)
{
    const auto window = std::min({std::max<std::int64_t>(loop.crossfade.value, 256), compared,
        std::max<std::int64_t>(16, loop.span.start.value / 2)});
    const SideCorrelation correlation(window);
    const std::int64_t step = forward ? 1 : -1;
    const auto offset = nextPeak(matchReach(audio.rate, periodSeconds), [&](std::int64_t i) {
        return matchAt(
            audio, correlation, window, loop.span.start.value + step * i, loop.span.end.value);
    });
    return loop.span.start.value + step * offset;
}

} // namespace puretone
