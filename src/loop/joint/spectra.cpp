// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/spectra.h"

#include <cmath>

namespace puretone {

namespace {

/// How much a band counts: 1 for the strongest, next to nothing at the floor.
double bandWeight(double top, double before, double after)
{
    return 0.02 + std::max(0.0, 1.0 - (top - std::max(before, after)) / bandDepthDb);
}

double loudest(const std::vector<double>& a, const std::vector<double>& b)
{
    double top = -300.0;
    for (std::size_t i = 0; i < a.size(); ++i)
        top = std::max({top, a[i], b[i]});
    return top;
}

} // namespace

Spectra::Spectra(std::int64_t windowFrames, double rate)
    : window(windowFrames)
    , fft(RealFft::commonSize(std::size_t(windowFrames)))
    , hann(hannWindow(std::size_t(windowFrames)))
{
    const double binHz = rate / double(fft.size());
    std::size_t from = 1;
    for (double edge = 60.0; edge < 0.45 * rate && edge < 16000.0; edge *= std::exp2(1.0 / 3.0)) {
        const auto to = std::min(fft.bins(), std::size_t(edge / binHz) + 1);
        if (to <= from)
            continue;
        bands.push_back({from, to});
        from = to;
    }
}

void Spectra::addPowers(std::vector<double>& powers)
{
    const auto time = fft.time();
    for (std::size_t i = 0; i < std::size_t(window); ++i)
        time[i] *= hann[i];
    std::fill(time.begin() + window, time.end(), 0.0f);
    fft.forward();
    const auto bins = fft.spectrum();
    for (std::size_t b = 0; b < bands.size(); ++b) {
        float sum = 0.0f;
        for (auto k = bands[b].from; k < bands[b].to; ++k)
            sum += std::norm(bins[k]);
        powers[b] += double(sum);
    }
}

std::vector<double> Spectra::decibels(std::vector<double> powers)
{
    double top = -300.0;
    for (double& level : powers) {
        level = 10.0 * std::log10(std::max(1e-20, level));
        top = std::max(top, level);
    }
    for (double& level : powers)
        level = std::max(level, top - bandDepthDb);
    return powers;
}

std::vector<double> Spectra::levels(const Audio& audio, Span stretch)
{
    return levels(audio.channelCount(), [&](std::size_t c, float* to) {
        const auto samples = audio.channel(c, stretch);
        const auto count = std::min(samples.size(), std::size_t(window));
        std::copy_n(samples.begin(), count, to);
        std::fill(to + count, to + window, 0.0f);
    });
}

SpectralStep spectralStep(const std::vector<double>& before, const std::vector<double>& after)
{
    const double top = loudest(before, after);
    double weights = 0.0, sum = 0.0, squares = 0.0;
    for (std::size_t b = 0; b < before.size(); ++b) {
        const double w = bandWeight(top, before[b], after[b]), d = after[b] - before[b];
        weights += w;
        sum += w * d;
        squares += w * d * d;
    }
    if (weights <= 0.0)
        return {};
    const double mean = sum / weights;
    return {std::abs(mean), std::sqrt(std::max(0.0, squares / weights - mean * mean))};
}

double spectralChange(const std::vector<double>& before, const std::vector<double>& after)
{
    const double top = loudest(before, after);
    double weights = 0.0, sum = 0.0;
    for (std::size_t b = 0; b < before.size(); ++b) {
        const double w = bandWeight(top, before[b], after[b]), d = after[b] - before[b];
        weights += w;
        sum += w * (d > 0.0 ? 1.5 * d : -0.5 * d);
    }
    return weights > 0.0 ? sum / weights : 0.0;
}

} // namespace puretone
