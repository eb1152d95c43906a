// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/novelty.h"

#include "audio/level.h"

#include "audio/fft.h"
#include "audio/level.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double windowSeconds = 0.030;
constexpr double lowestHz = 80.0, highestHz = 12000.0;
constexpr double bandsPerOctave = 12.0;
constexpr double depthDb = 45.0; ///< Under the strongest band nothing counts.
constexpr std::size_t sideFrames = 5; ///< 25 ms on either side.
constexpr std::size_t gapFrames = 2; ///< Left out in the middle: windows overlap the moment itself.

struct Band {
    std::size_t from, to; ///< Bins.
};

std::vector<Band> makeBands(std::size_t bins, double binHz)
{
    std::vector<Band> bands;
    std::size_t from = std::max<std::size_t>(1, std::size_t(lowestHz / binHz));
    for (double edge = lowestHz; edge < highestHz && from < bins;
         edge *= std::exp2(1.0 / bandsPerOctave)) {
        const auto to = std::min(bins, std::size_t(edge / binHz) + 1);
        if (to <= from)
            continue;
        bands.push_back({from, to});
        from = to;
    }
    return bands;
}

/// Powers of every band at every hop.
std::vector<std::vector<float>> bandPowers(
    std::span<const float> mono, double rate, double hopSeconds, const Progress& progress)
{
    const auto window = std::max<std::size_t>(32, std::size_t(windowSeconds * rate));
    const auto hop = hopSeconds * rate;
    const auto count = std::size_t(double(mono.size()) / hop) + 1;
    RealFft fft(RealFft::goodSize(window));
    const auto hann = hannWindow(window);
    const auto bands = makeBands(fft.bins(), rate / double(fft.size()));
    std::vector<std::vector<float>> powers(count, std::vector<float>(bands.size()));
    const auto time = fft.time();
    for (std::size_t i = 0; i < count && !progress.cancelled(); ++i) {
        const auto start = std::int64_t(double(i) * hop) - std::int64_t(window / 2);
        std::fill(time.begin(), time.end(), 0.0f);
        for (std::size_t j = 0; j < window; ++j) {
            const auto at = start + std::int64_t(j);
            if (at >= 0 && at < std::int64_t(mono.size()))
                time[j] = hann[j] * mono[std::size_t(at)];
        }
        fft.forward();
        const auto bins = fft.spectrum();
        for (std::size_t b = 0; b < bands.size(); ++b)
            for (auto k = bands[b].from; k < bands[b].to; ++k)
                powers[i][b] += std::norm(bins[k]);
        if (i % 256 == 0)
            progress.at(double(i) / double(count));
    }
    return powers;
}

/// Mean power of each band over the hops [from, to), as far as there are any.
std::vector<double> meanPowers(
    const std::vector<std::vector<float>>& powers, std::int64_t from, std::int64_t to)
{
    std::vector<double> mean(powers.empty() ? 0 : powers[0].size(), 1e-20);
    from = std::max<std::int64_t>(0, from);
    to = std::min(std::int64_t(powers.size()), to);
    for (auto i = from; i < to; ++i)
        for (std::size_t b = 0; b < mean.size(); ++b)
            mean[b] += double(powers[std::size_t(i)][b]) / double(to - from);
    return mean;
}

/// What each band holds at its quietest: the tenth part of all 25 ms means that is lowest, raised
/// so that noise seldom exceeds it.
std::vector<double> restingPowers(const std::vector<std::vector<float>>& powers)
{
    std::vector<double> resting;
    std::vector<double> means;
    for (std::size_t b = 0; !powers.empty() && b < powers[0].size(); ++b) {
        means.clear();
        for (std::size_t i = 0; i + sideFrames <= powers.size(); i += sideFrames) {
            double sum = 0.0;
            for (std::size_t j = 0; j < sideFrames; ++j)
                sum += double(powers[i + j][b]);
            means.push_back(sum / double(sideFrames));
        }
        if (means.empty()) {
            resting.push_back(0.0);
            continue;
        }
        const auto tenth = means.begin() + std::ptrdiff_t(means.size() / 10);
        std::nth_element(means.begin(), tenth, means.end());
        resting.push_back(2.5 * *tenth);
    }
    return resting;
}

double riseAt(const std::vector<std::vector<float>>& powers, const std::vector<double>& resting,
    std::size_t i)
{
    const auto at = std::int64_t(i);
    constexpr auto gap = std::int64_t(gapFrames), side = std::int64_t(sideFrames);
    const auto before = meanPowers(powers, at - gap - side, at - gap);
    const auto after = meanPowers(powers, at + gap, at + gap + side);
    const double top = *std::max_element(after.begin(), after.end());
    const double floor = top * std::pow(10.0, -depthDb / 10.0);
    double weights = 1e-20, sum = 0.0;
    for (std::size_t b = 0; b < after.size(); ++b) {
        double known = before[b];
        if (b > 0)
            known = std::max(known, before[b - 1]);
        if (b + 1 < before.size())
            known = std::max(known, before[b + 1]);
        // Only bands that stand out of the room have a say.
        const double w = std::sqrt(std::max(0.0, after[b] - resting[b]));
        weights += w;
        sum += w * std::max(0.0, 10.0 * std::log10((after[b] + floor) / (known + floor)));
    }
    return sum / weights;
}

} // namespace

Novelty measureNovelty(std::span<const float> mono, double rate, const Progress& progress)
{
    Novelty novelty;
    const auto powers = bandPowers(mono, rate, novelty.hopSeconds, progress);
    const auto resting = restingPowers(powers);
    novelty.riseDb.resize(powers.size());
    for (std::size_t i = 0; i < powers.size() && !progress.cancelled(); ++i)
        novelty.riseDb[i] = riseAt(powers, resting, i);
    const auto side = std::int64_t(0.015 * rate);
    for (std::size_t i = 0; i < powers.size(); ++i) {
        const auto centre = std::int64_t(double(i) * novelty.hopSeconds * rate);
        const auto from = std::clamp<std::int64_t>(centre - side, 0, std::int64_t(mono.size()));
        const auto to = std::clamp<std::int64_t>(centre + side, from, std::int64_t(mono.size()));
        const double power = meanSquare(mono.subspan(std::size_t(from), std::size_t(to - from)));
        novelty.levelDb.push_back(10.0 * std::log10(std::max(1e-20, power)));
    }
    return novelty;
}

} // namespace puretone
