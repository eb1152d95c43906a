// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/sustain.h"

#include "audio/level.h"

#include <algorithm>
#include <limits>

namespace puretone {

namespace {

/// Slope of the straight line nearest to equally spaced values.
double slope(const double* values, std::ptrdiff_t count, double step)
{
    const double middle = 0.5 * double(count - 1);
    double above = 0.0, below = 0.0;
    for (std::ptrdiff_t i = 0; i < count; ++i) {
        above += (double(i) - middle) * values[i];
        below += (double(i) - middle) * (double(i) - middle);
    }
    return below > 0.0 ? above / below / step : 0.0;
}

/// The period at which the level comes and goes: the first high peak of its autocorrelation, after
/// the straight line is taken out.
std::optional<double> regularSwing(const double* levels, std::ptrdiff_t count, double step)
{
    constexpr double shortest = 0.08, longest = 2.0, regular = 0.5, leastDb = 0.5;
    const auto most = std::min<std::ptrdiff_t>(count, std::ptrdiff_t(10.0 / step));
    const double tilt = slope(levels, most, step) * step;
    std::vector<double> rest(std::size_t(std::max<std::ptrdiff_t>(0, most)));
    double mean = 0.0;
    for (std::size_t i = 0; i < rest.size(); ++i)
        mean += (rest[i] = levels[i] - tilt * double(i)) / double(rest.size());
    double power = 0.0;
    for (double& r : rest) {
        r -= mean;
        power += r * r;
    }
    if (rest.empty() || power / double(rest.size()) < leastDb * leastDb)
        return std::nullopt;
    const auto alike = [&](std::size_t lag) {
        double sum = 0.0;
        for (std::size_t i = lag; i < rest.size(); ++i)
            sum += rest[i] * rest[i - lag];
        return sum / power * double(rest.size()) / double(rest.size() - lag);
    };
    const auto last = std::min(rest.size() / 3, std::size_t(longest / step));
    double older = 1.0, old = 1.0;
    bool fell = false;
    for (auto lag = std::size_t(1); lag < last; ++lag) {
        const double now = alike(lag);
        fell = fell || now < 0.0;
        if (fell && old > regular && old > older && old >= now
            && double(lag - 1) * step >= shortest)
            return double(lag - 1) * step;
        older = old;
        old = now;
    }
    return std::nullopt;
}

} // namespace

double Sustain::diesWithin() const
{
    return fallDbPerSecond > 0.0 ? 30.0 / fallDbPerSecond : std::numeric_limits<double>::infinity();
}

Sustain findSustain(const Audio& audio, Span kept, double mostSeconds)
{
    const auto hop = std::max<std::int64_t>(1, std::llround(0.005 * audio.rate));
    auto levels = powerCurve(audio, kept, std::llround(0.03 * audio.rate), hop);
    for (double& p : levels)
        p = 10.0 * std::log10(std::max(1e-20, p));
    const double top = *std::max_element(levels.begin(), levels.end());
    std::vector<double> loud;
    for (const double level : levels)
        if (level > top - 40.0)
            loud.push_back(level);
    const auto at = loud.begin() + std::ptrdiff_t(0.85 * double(loud.size() - 1));
    std::nth_element(loud.begin(), at, loud.end());
    const double reference = *at;
    const double start = toSeconds(kept.start, audio.rate);
    const double step = double(hop) / audio.rate;
    const auto first =
        std::find_if(levels.begin(), levels.end(), [&](double l) { return l > reference - 3.0; });
    const auto lastWithin = [&](double range) {
        const auto last = std::find_if(
            levels.rbegin(), levels.rend(), [&](double l) { return l > reference - range; });
        return std::min(
            toSeconds(kept.end, audio.rate), start + double(levels.rend() - last) * step);
    };
    Sustain s;
    s.onset = start + double(first - levels.begin()) * step;
    s.to = std::min(lastWithin(45.0), s.onset + mostSeconds);
    s.steadyTo = std::clamp(lastWithin(8.0), s.onset, s.to);
    s.from = s.onset + std::min(0.03, 0.2 * (s.to - s.onset));
    const auto count =
        std::min<std::ptrdiff_t>(levels.end() - first, std::ptrdiff_t((s.to - s.onset) / step));
    if (count > 1) {
        s.fallDbPerSecond = -slope(&*first, count, step);
        s.swing = regularSwing(&*first, count, step);
    }
    return s;
}

} // namespace puretone
