// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/series/candidates.h"

#include "pitch/series/note.h"

#include <algorithm>
#include <array>

namespace puretone {

namespace {

constexpr double lowestHz = 18.0;
constexpr double highestHz = 10000.0;

/// Strongest 20-cent bins of all frames' maxima of both curves.
std::vector<double> histogramPitches(const Periodicity& periodicity, std::size_t count)
{
    std::vector<double> bins(600, 0.0); // 20 cents each, from 10 Hz
    std::vector<double> sums(600, 0.0);
    for (const auto& frame : periodicity.frames)
        for (const auto* curve : {&frame.difference, &frame.compressed}) {
            auto maxima = periodicity.maxima(*curve, 0.2);
            std::sort(maxima.begin(), maxima.end(),
                [](const LagPeak& a, const LagPeak& b) { return a.value > b.value; });
            maxima.resize(std::min<std::size_t>(maxima.size(), 8));
            for (const auto& peak : maxima) {
                const double hz = 1.0 / peak.period;
                const double place = 60.0 * std::log2(hz / 10.0);
                if (place < 0.0 || place >= double(bins.size()))
                    continue;
                const double weight = frame.weight * peak.value * peak.value;
                bins[std::size_t(place)] += weight;
                sums[std::size_t(place)] += weight * hz;
            }
        }
    std::vector<std::size_t> order(bins.size());
    for (std::size_t i = 0; i < order.size(); ++i)
        order[i] = i;
    std::stable_sort(order.begin(), order.end(),
        [&](std::size_t a, std::size_t b) { return bins[a] > bins[b]; });
    std::vector<double> pitches;
    for (std::size_t i = 0; i < count && bins[order[i]] > 0.0; ++i)
        pitches.push_back(sums[order[i]] / bins[order[i]]);
    return pitches;
}

/// Median distance of the ten strongest partials, in Hz; 0 for fewer than three.
double medianSpacing(const std::vector<Partial>& partials)
{
    std::vector<double> places;
    for (std::size_t i = 0; i < std::min<std::size_t>(10, partials.size()); ++i)
        places.push_back(partials[i].hz);
    if (places.size() < 3)
        return 0.0;
    std::sort(places.begin(), places.end());
    std::vector<double> gaps;
    for (std::size_t i = 1; i < places.size(); ++i)
        gaps.push_back(places[i] - places[i - 1]);
    std::nth_element(gaps.begin(), gaps.begin() + std::ptrdiff_t(gaps.size() / 2), gaps.end());
    return gaps[gaps.size() / 2];
}

std::vector<double> proposeFundamentals(
    const Periodicity& periodicity, const std::vector<Partial>& partials)
{
    auto pool = histogramPitches(periodicity, 10);
    for (std::size_t i = 0; i < std::min<std::size_t>(8, partials.size()); ++i)
        pool.push_back(partials[i].hz);
    std::vector<double> lowest;
    for (const auto& p : partials)
        if (p.levelDb() > -30.0)
            lowest.push_back(p.hz);
    std::sort(lowest.begin(), lowest.end());
    for (std::size_t i = 0; i < std::min<std::size_t>(3, lowest.size()); ++i)
        pool.push_back(lowest[i]);
    if (const double spacing = medianSpacing(partials); spacing > 0.0)
        pool.push_back(spacing);
    pool.resize(std::min<std::size_t>(pool.size(), 24));

    std::vector<double> proposed;
    for (const double factor : {1.0, 1.0 / 2, 2.0, 1.0 / 3, 3.0, 1.0 / 4})
        for (const double hz : pool) {
            const double f0 = hz * factor;
            if (f0 < lowestHz || f0 > highestHz || proposed.size() >= 90)
                continue;
            const bool known = std::any_of(proposed.begin(), proposed.end(),
                [&](double other) { return centsBetween(f0, other) < 40.0; });
            if (!known)
                proposed.push_back(f0);
        }
    return proposed;
}

struct Vote {
    double hz;
    double weight;
};

std::vector<Vote> collectVotes(const Periodicity& periodicity)
{
    struct Threshold {
        double share;
        double weight;
    };
    static constexpr std::array<Threshold, 6> thresholds = {
        {{.75, .10}, {.80, .15}, {.85, .20}, {.90, .25}, {.93, .20}, {.96, .10}}};
    std::vector<Vote> votes;
    for (const auto& frame : periodicity.frames) {
        const auto maxima = periodicity.maxima(frame.difference, 0.0);
        double top = 0.0;
        for (const auto& peak : maxima)
            top = std::max(top, peak.value);
        for (const auto& threshold : thresholds)
            for (const auto& peak : maxima)
                if (peak.value >= threshold.share * top) {
                    votes.push_back({1.0 / peak.period, threshold.weight * frame.weight * top});
                    break;
                }
    }
    return votes;
}

/// Figures that come from how the partials lie in the candidate's comb.
void describeSpectrum(PitchCandidate& c, const std::vector<Partial>& partials)
{
    double weights = 0.0, powers = 0.0, hitWeight = 0.0, hitPower = 0.0, chance = 0.0;
    double noThirds = 0.0, halves = 0.0;
    std::array<double, 13> level{}; // amplitude of partials 1 to 12
    double loudestLow = 0.0, unexplained = 0.0;
    for (const auto& p : partials) {
        const double w = std::sqrt(p.amplitude);
        const double g = c.series.number(p.hz);
        const double h = std::max(1.0, std::round(g));
        const double tolerance = hitTolerance(h);
        const bool hit = std::abs(g - h) < tolerance;
        weights += w;
        powers += p.amplitude * p.amplitude;
        chance += w * std::min(2.0 * tolerance, 0.9);
        if (hit) {
            ++c.hits;
            hitWeight += w;
            hitPower += p.amplitude * p.amplitude;
            if (std::lround(h) % 3 != 0)
                noThirds += w;
            if (h <= 12.0)
                level[std::size_t(h)] = std::max(level[std::size_t(h)], p.amplitude);
            if (h <= 3.0)
                loudestLow = std::max(loudestLow, p.amplitude);
        } else {
            if (std::abs(g - std::floor(g) - 0.5) < 0.08 && g < 14.0)
                halves += w;
            if (p.hz < 6.0 * c.series.f0)
                unexplained = std::max(unexplained, p.amplitude);
        }
    }
    if (weights <= 0.0)
        return;
    chance /= weights;
    c.score = (hitWeight / weights - chance) / (1.0 - chance);
    c.power = hitPower / powers;
    c.notThirds = noThirds / weights;
    c.half = 10.0 * std::min(0.1, halves / weights);
    c.low3 = std::max(-3.0, toDecibels(loudestLow).value / 20.0);
    c.rest = std::max(-3.0, toDecibels(unexplained).value / 20.0);

    constexpr double present = 0.00316; // -50 dB
    int top = 0;
    for (int h = 1; h <= 12; ++h)
        if (level[std::size_t(h)] >= present)
            top = h;
    int odd = 0, missing = 0;
    for (int h = 1; h <= top; h += 2) {
        ++odd;
        missing += level[std::size_t(h)] < present ? 1 : 0;
    }
    c.missingOdd = odd > 0 ? double(missing) / odd : 1.0;
}

/// Figures that come from which periods repeat.
void describeTime(PitchCandidate& c, const Periodicity& periodicity, const std::vector<Vote>& votes)
{
    const double period = 1.0 / c.series.f0;
    double all = 0.0, near = 0.0;
    for (const auto& vote : votes) {
        all += vote.weight;
        if (centsBetween(vote.hz, c.series.f0) < 50.0)
            near += vote.weight;
    }
    c.vote = all > 0.0 ? std::sqrt(near / all) : 0.0;
    const double own = periodicity.at(period, Periodicity::Curve::compressed);
    double best = -1.0;
    for (int k = 2; k <= 5; ++k)
        best = std::max(best, periodicity.at(period / k, Periodicity::Curve::compressed));
    c.shorter = std::max(0.0, best - own + 0.1);
    c.low = std::max(0.0, std::log2(65.4 / c.series.f0));
}

double evidence(const PitchCandidate& c)
{
    return 3.7 * c.vote + 7.7 * c.notThirds - 3.0 * c.missingOdd - 5.7 * c.shorter + 3.1 * c.score
        + 1.8 * c.power + 1.1 * c.low3 + 1.1 * c.half + 0.3 * c.rest - 1.5 * c.low;
}

} // namespace

double Series::number(double hz) const
{
    const double g = hz / f0;
    if (stretch <= 1e-9)
        return g;
    return std::sqrt((std::sqrt(1.0 + 4.0 * stretch * g * g) - 1.0) / (2.0 * stretch));
}

Series fitSeries(const std::vector<Partial>& partials, double start)
{
    struct Round {
        int highest;
        double cents;
    };
    Series series{start, 0.0};
    for (const Round round : {Round{8, 45.0}, Round{16, 35.0}, Round{30, 25.0}}) {
        // (f_h / h)^2 = f0^2 + f0^2 B h^2: a straight line in h^2.
        double sw = 0, sx = 0, sy = 0, sxx = 0, sxy = 0;
        int used = 0, topNumber = 0;
        for (const auto& p : partials) {
            const double h = std::max(1.0, std::round(series.number(p.hz)));
            if (h > round.highest || centsBetween(p.hz, series.partial(h)) > round.cents)
                continue;
            const double w = std::pow(p.amplitude, 0.7) * std::sqrt(h);
            const double x = h * h;
            const double y = (p.hz / h) * (p.hz / h);
            sw += w;
            sx += w * x;
            sy += w * y;
            sxx += w * x * x;
            sxy += w * x * y;
            ++used;
            topNumber = std::max(topNumber, int(h));
        }
        if (used == 0)
            break;
        double constant = sy / sw;
        double slope = 0.0;
        const double spread = sw * sxx - sx * sx;
        if (used >= 4 && topNumber >= 5 && spread > 1e-12 * sw * sxx) {
            slope = (sw * sxy - sx * sy) / spread;
            constant = (sy - slope * sx) / sw;
        }
        if (slope < 0.0 || constant <= 0.0 || slope / constant >= 0.005) {
            slope = 0.0;
            constant = sy / sw;
        }
        series = {std::sqrt(constant), slope / constant};
    }
    return centsBetween(series.f0, start) > 45.0 ? Series{start, 0.0} : series;
}

std::vector<PitchCandidate> weighCandidates(
    const Periodicity& periodicity, const std::vector<Partial>& partials)
{
    const auto votes = collectVotes(periodicity);
    std::vector<PitchCandidate> candidates;
    for (const double f0 : proposeFundamentals(periodicity, partials)) {
        PitchCandidate c;
        c.series = fitSeries(partials, f0);
        describeSpectrum(c, partials);
        describeTime(c, periodicity, votes);
        candidates.push_back(c);
    }
    if (candidates.empty())
        return candidates;
    std::vector<double> sums;
    for (const auto& c : candidates)
        sums.push_back(evidence(c));
    const double top = *std::max_element(sums.begin(), sums.end());
    double total = 0.0;
    for (std::size_t i = 0; i < sums.size(); ++i) {
        candidates[i].belief = std::exp(sums[i] - top);
        total += candidates[i].belief;
    }
    for (auto& c : candidates)
        c.belief /= total;
    std::stable_sort(candidates.begin(), candidates.end(),
        [](const PitchCandidate& a, const PitchCandidate& b) { return a.belief > b.belief; });
    return candidates;
}

} // namespace puretone
