// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/straighten.h"

#include "audio/signal/between.h"
#include "pitch/motion/track.h"
#include "pitch/series/note.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double gridSeconds = 0.005;
constexpr double slowSigma = 0.12; // seconds: half of 1.6 Hz goes through, 0.3 % of 4.5 Hz
constexpr double quickSigma = 0.006; // nine tenths of 12 Hz go through

/// Local straight lines under a Gaussian window: a slope at the ends is not bent towards level.
std::vector<double> smoothed(
    const std::vector<double>& values, const std::vector<double>& weights, double sigmaSeconds)
{
    const double sigma = sigmaSeconds / gridSeconds;
    const auto reach = std::ptrdiff_t(3.5 * sigma) + 1;
    const auto count = std::ptrdiff_t(values.size());
    std::vector<double> result(values.size());
    for (std::ptrdiff_t i = 0; i < count; ++i) {
        double w = 0, wx = 0, wxx = 0, wy = 0, wxy = 0;
        for (auto j = std::max<std::ptrdiff_t>(0, i - reach); j <= std::min(count - 1, i + reach);
             ++j) {
            const double x = double(j - i) / sigma;
            const double weight = std::exp(-0.5 * x * x) * weights[std::size_t(j)];
            w += weight;
            wx += weight * x;
            wxx += weight * x * x;
            wy += weight * values[std::size_t(j)];
            wxy += weight * x * values[std::size_t(j)];
        }
        const double det = w * wxx - wx * wx;
        result[std::size_t(i)] = det > 1e-9 * w * w ? (wxx * wy - wx * wxy) / det : wy / w;
    }
    return result;
}

/// Cents on an even grid, and how much each point is worth.
struct Grid {
    std::vector<double> cents, weights;
};

Grid gridOf(const PitchLine& line, double midi, double seconds)
{
    constexpr double bridged = 0.02; // weight of what stands in for silence or noise
    Grid grid;
    constexpr double leastVoiced = 0.2; // of the frames: less is a noise that repeats by chance
    if (line.points.size() < 3 || double(line.points.size()) < leastVoiced * double(line.frames))
        return grid;
    const auto count = std::size_t(seconds / gridSeconds) + 1;
    std::size_t next = 0;
    for (std::size_t i = 0; i < count; ++i) {
        const double t = double(i) * gridSeconds;
        while (next < line.points.size() && line.points[next].seconds < t)
            ++next;
        const auto& right = line.points[std::min(next, line.points.size() - 1)];
        const auto& left = line.points[next > 0 ? next - 1 : 0];
        const double gap = right.seconds - left.seconds;
        const double share = gap > 0.0 ? std::clamp((t - left.seconds) / gap, 0.0, 1.0) : 0.0;
        grid.cents.push_back(100.0 * (left.midi + share * (right.midi - left.midi) - midi));
        const bool inside = gap < 3.0 * gridSeconds && t >= line.points.front().seconds
            && t <= line.points.back().seconds;
        grid.weights.push_back(inside ? right.clarity * right.clarity : bridged);
    }
    return grid;
}

Grid follow(const Audio& audio, Span over, double midi, const Progress& progress)
{
    TrackOptions options;
    options.hopSeconds = gridSeconds;
    options.mostPoints = std::size_t(double(over.length()) / audio.rate / gridSeconds) + 8;
    const auto line = followPitch(audio, over, midi, options, progress);
    return gridOf(line, midi, double(over.length()) / audio.rate);
}

double centreOf(const std::vector<double>& values, const std::vector<double>& weights)
{
    double w = 0.0, sum = 0.0;
    for (std::size_t i = 0; i < values.size(); ++i) {
        w += weights[i];
        sum += weights[i] * values[i];
    }
    return w > 0.0 ? sum / w : 0.0;
}

std::vector<double> wantedLine(const Grid& grid, const Straighten& how)
{
    const auto slow = smoothed(grid.cents, grid.weights, slowSigma);
    const auto quick = smoothed(grid.cents, grid.weights, quickSigma);
    const double centre = centreOf(slow, grid.weights);
    const double target = how.to == Straighten::To::note ? 100.0 * (how.note - how.midi) : centre;
    std::vector<double> wanted(grid.cents.size());
    for (std::size_t i = 0; i < wanted.size(); ++i)
        wanted[i] = grid.cents[i] - how.drift * (slow[i] - centre)
            - how.vibrato * (quick[i] - slow[i]) + target - centre;
    return wanted;
}

double at(const std::vector<double>& grid, double seconds)
{
    const double place = std::clamp(seconds / gridSeconds, 0.0, double(grid.size() - 1));
    const auto index = std::size_t(place);
    const double next = grid[std::min(index + 1, grid.size() - 1)];
    return grid[index] + (place - double(index)) * (next - grid[index]);
}

/// Where each frame of the result lies in the source: `correction` in cents over the source's time
/// from `over.start` on.
std::vector<double> positions(
    std::int64_t frames, Span over, double rate, const std::vector<double>& correction)
{
    std::vector<double> place(static_cast<std::size_t>(frames));
    const auto speed = [&](double source) {
        const double seconds = (source - double(over.start.value)) / rate;
        return std::exp2(at(correction, seconds) / 1200.0);
    };
    double source = double(over.start.value);
    for (auto i = over.start.value; i < frames; ++i) {
        place[std::size_t(i)] = source;
        source += speed(source);
    }
    source = double(over.start.value);
    for (auto i = over.start.value - 1; i >= 0; --i) {
        source -= speed(source);
        place[std::size_t(i)] = source;
    }
    return place;
}

std::vector<float> readAt(
    const std::vector<float>& channel, double rate, const std::vector<double>& places)
{
    const BetweenSamples between(channel, rate);
    std::vector<float> result(places.size(), 0.0f);
    for (std::size_t i = 0; i < places.size(); ++i)
        if (places[i] >= 0.0 && places[i] < double(channel.size()))
            result[i] = between.at(places[i]);
    return result;
}

} // namespace

Straightened straightenedLine(
    const Audio& audio, const Straighten& how, Span over, const Progress& progress)
{
    const auto grid = follow(audio, over, how.midi, progress);
    if (grid.cents.empty())
        return {};
    return {gridSeconds, grid.cents, wantedLine(grid, how)};
}

bool straighten(Audio& audio, const Straighten& how, Span over, const Progress& progress)
{
    const auto line = straightenedLine(audio, how, over, progress.part(0.0, 0.4));
    if (line.before.empty() || progress.cancelled())
        return false;
    std::vector<double> correction(line.before.size());
    for (std::size_t i = 0; i < correction.size(); ++i)
        correction[i] = line.wanted[i] - line.before[i];
    // The line is averaged over a few periods, so that a quick swing is measured too small: what is
    // still wrong after a first reading is measured on its result and put right.
    const Audio plain{audio.rate, {mixToMono(audio)}};
    const auto places = positions(audio.frames(), over, audio.rate, correction);
    const Audio first{audio.rate, {readAt(plain.channels[0], audio.rate, places)}};
    const auto left = follow(first, over, how.midi, progress.part(0.4, 0.8));
    if (!left.cents.empty()) {
        std::vector<double> error(correction.size());
        std::vector<double> weights(correction.size(), 0.02);
        for (std::size_t i = 0; i < left.cents.size(); ++i) {
            const auto frame = std::min(places.size() - 1,
                std::size_t(double(over.start.value) + double(i) * gridSeconds * audio.rate));
            const double source =
                (places[frame] - double(over.start.value)) / audio.rate; // seconds
            const auto index =
                std::size_t(std::clamp(source / gridSeconds, 0.0, double(error.size() - 1)));
            error[index] = std::clamp(at(line.wanted, source) - left.cents[i], -30.0, 30.0);
            weights[index] = left.weights[i];
        }
        error = smoothed(error, weights, quickSigma);
        for (std::size_t i = 0; i < correction.size(); ++i)
            correction[i] += error[i];
    }
    if (progress.cancelled())
        return false;
    const auto final = positions(audio.frames(), over, audio.rate, correction);
    for (auto& channel : audio.channels)
        channel = readAt(channel, audio.rate, final);
    return true;
}

} // namespace puretone
