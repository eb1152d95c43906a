// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split/novelty.h"

#include "audio/level.h"
#include "audio/signal/fft.h"

#include <algorithm>
#include <utility>

namespace puretone {

namespace {

constexpr double noveltyWindowSeconds = 0.030;
constexpr double lowestHz = 80.0, highestHz = 12000.0;
constexpr double bandsPerOctave = 12.0;
constexpr double bandDepthDb = 60.0; ///< Under the strongest band nothing counts.
constexpr std::int64_t side = 5; ///< Hops: 25 ms on either side.
constexpr std::int64_t gap = 2; ///< Left out in the middle: windows overlap the moment itself.
constexpr std::int64_t memory = 33; ///< Hops that the long rise looks back.
constexpr double mostRiseDb = 20.0;
constexpr float leastBands = 8.0f; ///< A pure tone's rise counts for less than a note's.

struct SpectrumBand {
    std::size_t from, to; ///< Bins.
};

std::vector<SpectrumBand> makeBands(std::size_t bins, double binHz)
{
    std::vector<SpectrumBand> bands;
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

/// One row of bands for each hop.
class Powers {
public:
    Powers(std::size_t rows, std::size_t bands)
        : bands_(bands)
        , values_(rows * bands)
    {
    }
    std::size_t bands() const { return bands_; }
    std::int64_t rows() const { return bands_ > 0 ? std::int64_t(values_.size() / bands_) : 0; }
    std::span<float> row(std::int64_t i)
    {
        return std::span(values_).subspan(std::size_t(i) * bands_, bands_);
    }
    std::span<const float> row(std::int64_t i) const
    {
        return std::span(values_).subspan(std::size_t(i) * bands_, bands_);
    }

private:
    std::size_t bands_;
    std::vector<float> values_;
};

Powers measurePowers(
    std::span<const float> mono, double rate, double hopSeconds, const Progress& progress)
{
    const auto window = std::max<std::size_t>(32, std::size_t(noveltyWindowSeconds * rate));
    const auto hop = hopSeconds * rate;
    RealFft fft(RealFft::goodSize(window));
    const auto hann = hannWindow(window);
    const auto bands = makeBands(fft.bins(), rate / double(fft.size()));
    Powers powers(std::size_t(double(mono.size()) / hop) + 1, bands.size());
    const auto time = fft.time();
    for (std::int64_t i = 0; i < powers.rows() && !progress.cancelled(); ++i) {
        const auto start = std::int64_t(double(i) * hop) - std::int64_t(window / 2);
        std::fill(time.begin(), time.end(), 0.0f);
        for (std::size_t j = 0; j < window; ++j) {
            const auto at = start + std::int64_t(j);
            if (at >= 0 && at < std::int64_t(mono.size()))
                time[j] = hann[j] * mono[std::size_t(at)];
        }
        fft.forward();
        const auto bins = fft.spectrum();
        const auto row = powers.row(i);
        for (std::size_t b = 0; b < bands.size(); ++b)
            for (auto k = bands[b].from; k < bands[b].to; ++k)
                row[b] += std::norm(bins[k]);
        if (i % 256 == 0)
            progress.at(double(i) / double(powers.rows()));
    }
    return powers;
}

/// Mean of the hops [i, i + side) in place of every hop i, as far as there are any; of what is left
/// in place of the last ones. In place, for an hour has many.
void takeMeans(Powers& powers)
{
    std::vector<float> mean(powers.bands());
    for (std::int64_t i = 0; i < powers.rows(); ++i) {
        const auto to = std::min(powers.rows(), i + side);
        std::fill(mean.begin(), mean.end(), 0.0f);
        for (auto j = i; j < to; ++j) {
            const auto row = powers.row(j);
            for (std::size_t b = 0; b < mean.size(); ++b)
                mean[b] += row[b];
        }
        const auto own = powers.row(i);
        for (std::size_t b = 0; b < mean.size(); ++b)
            own[b] = mean[b] / float(to - i) + 1e-20f;
    }
}

/// What each band holds at its quietest: the tenth part of all 25 ms means that is lowest, raised
/// so that noise seldom exceeds it.
std::vector<float> restingPowers(const Powers& means)
{
    std::vector<float> resting;
    std::vector<float> column;
    for (std::size_t b = 0; b < means.bands(); ++b) {
        column.clear();
        for (std::int64_t i = 0; i + side <= means.rows(); i += side)
            column.push_back(means.row(i)[b]);
        if (column.empty()) {
            resting.push_back(0.0f);
            continue;
        }
        const auto tenth = column.begin() + std::ptrdiff_t(column.size() / 10);
        std::nth_element(column.begin(), tenth, column.end());
        resting.push_back(2.5f * *tenth);
    }
    return resting;
}

/// A band and its neighbours, the most of them: a pitch that moves to the next band is not new.
void spread(std::vector<float>& bands)
{
    float previous = 0.0f;
    for (std::size_t b = 0; b < bands.size(); ++b) {
        const float own = bands[b];
        const float next = b + 1 < bands.size() ? bands[b + 1] : 0.0f;
        bands[b] = std::max({previous, own, next});
        previous = own;
    }
}

struct Rise {
    float db = 0.0f;
    float bands = 0.0f;
};

/// @param known What was there before, spread over the neighbours.
Rise riseOver(std::span<const float> after, const std::vector<float>& known,
    const std::vector<float>& resting)
{
    const float top = *std::max_element(after.begin(), after.end());
    const auto floor = float(double(top) * std::pow(10.0, -bandDepthDb / 10.0));
    Rise rise;
    for (std::size_t b = 0; b < after.size(); ++b) {
        if (after[b] <= 1.6f * resting[b] || after[b] <= floor)
            continue;
        rise.bands += 1.0f;
        rise.db += std::clamp(10.0f * std::log10(after[b] / known[b]), 0.0f, float(mostRiseDb));
    }
    rise.db /= std::max(leastBands, rise.bands);
    return rise;
}

} // namespace

Novelty measureNovelty(std::span<const float> mono, double rate, const Progress& progress)
{
    Novelty novelty;
    auto means = measurePowers(mono, rate, novelty.hopSeconds, progress);
    if (progress.cancelled() || means.bands() == 0)
        return novelty;
    takeMeans(means);
    const auto resting = restingPowers(means);
    std::vector<float> known(means.bands());
    for (std::int64_t i = 0; i < means.rows() && !progress.cancelled(); ++i) {
        const auto after = std::as_const(means).row(std::min(i + gap, means.rows() - 1));
        // Means are named by their first hop. Before the beginning there is nothing.
        const auto before = i - gap - side;
        if (before >= 0)
            std::copy_n(means.row(before).begin(), known.size(), known.begin());
        else
            std::fill(known.begin(), known.end(), 1e-20f);
        auto longKnown = known;
        for (auto j = std::max<std::int64_t>(0, i - memory - side / 2); j <= i - 4 - side / 2;
             ++j) {
            const auto row = std::as_const(means).row(j);
            for (std::size_t b = 0; b < longKnown.size(); ++b)
                longKnown[b] = std::max(longKnown[b], row[b]);
        }
        spread(known);
        spread(longKnown);
        const auto rise = riseOver(after, known, resting);
        novelty.rise.push_back(rise.db);
        novelty.bands.push_back(rise.bands);
        novelty.longRise.push_back(riseOver(after, longKnown, resting).db);
        const auto centre = std::int64_t(double(i) * novelty.hopSeconds * rate);
        const auto half = std::int64_t(0.5 * noveltyWindowSeconds * rate);
        const auto from = std::clamp<std::int64_t>(centre - half, 0, std::int64_t(mono.size()));
        const auto to = std::clamp<std::int64_t>(centre + half, from, std::int64_t(mono.size()));
        const double power = meanSquare(mono.subspan(std::size_t(from), std::size_t(to - from)));
        novelty.levelDb.push_back(10.0 * std::log10(std::max(1e-20, power)));
    }
    return novelty;
}

Steps::Steps(std::span<const float> mono, double rate)
{
    constexpr std::int64_t reach = 8; // ms
    const auto count = std::int64_t(double(mono.size()) / rate * 1000.0);
    // Energies of every millisecond, added up.
    std::vector<double> edges{0.0}, plain{0.0};
    for (std::int64_t ms = 0; ms < count; ++ms) {
        const auto from = std::size_t(double(ms) * 0.001 * rate);
        const auto to = std::min(mono.size(), std::size_t(double(ms + 1) * 0.001 * rate));
        double difference = 0.0, whole = 0.0;
        for (auto i = from; i < to; ++i) {
            const double s = mono[i], d = i > 0 ? s - double(mono[i - 1]) : 0.0;
            difference += d * d;
            whole += s * s;
        }
        edges.push_back(edges.back() + difference);
        plain.push_back(plain.back() + whole);
    }
    const auto ratioDb = [&](const std::vector<double>& sums, std::int64_t ms) {
        const auto sum = [&](std::int64_t from, std::int64_t to) {
            from = std::clamp<std::int64_t>(from, 0, count);
            to = std::clamp<std::int64_t>(to, from, count);
            return sums[std::size_t(to)] - sums[std::size_t(from)] + 1e-12;
        };
        return float(10.0 * std::log10(sum(ms, ms + reach) / sum(ms - reach, ms)));
    };
    for (std::int64_t ms = 0; ms < count; ++ms) {
        edge_.push_back(ratioDb(edges, ms));
        plain_.push_back(ratioDb(plain, ms));
    }
}

double Steps::steepest(std::int64_t from, std::int64_t to) const
{
    double steepest = -200.0;
    for (auto ms = std::max<std::int64_t>(0, from); ms < std::min(size(), to); ++ms)
        steepest = std::max(steepest, edge(ms));
    return steepest;
}

} // namespace puretone
