// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/series/spectrum.h"

#include "audio/level.h"
#include "audio/signal/fft.h"
#include "audio/signal/parabola.h"

#include <algorithm>

namespace puretone {

namespace {

std::span<const float> afterAttack(std::span<const float> mono, double rate)
{
    const float top = peak(mono);
    std::size_t attack = 0;
    while (attack < mono.size() && std::abs(mono[attack]) <= 0.3f * top)
        ++attack;
    const auto leave = std::size_t(0.25 * rate);
    const auto latest = mono.size() > leave ? mono.size() - leave : 0;
    const auto from = std::min(attack + std::size_t(0.05 * rate), latest);
    return mono.subspan(from, std::min(mono.size() - from, std::size_t(2.0 * rate)));
}

} // namespace

MeanSpectrum meanSpectrum(std::span<const float> mono, double rate)
{
    const auto part = afterAttack(mono, rate);
    const auto window = std::min(part.size(), std::size_t(0.5 * rate));
    if (window < 8)
        return {};
    RealFft fft(RealFft::goodSize(std::max<std::size_t>(2 * window, 16384)));
    const auto hann = hannWindow(window);
    const auto count = std::min<std::size_t>(8, (part.size() - window) / (window / 2) + 1);
    std::vector<double> power(fft.bins(), 0.0);
    std::vector<float> frame(window);
    for (std::size_t w = 0; w < count; ++w) {
        const auto input = part.subspan(w * (window / 2), window);
        const double weight = 1.0 / std::sqrt(std::max(meanSquare(input), 1e-14));
        for (std::size_t i = 0; i < window; ++i)
            frame[i] = input[i] * hann[i];
        fft.forward(frame);
        const auto bins = fft.spectrum();
        for (std::size_t b = 0; b < bins.size(); ++b)
            power[b] += weight * double(std::norm(bins[b]));
    }
    MeanSpectrum result{rate / double(fft.size()), double(window) / rate, {}};
    result.magnitude.reserve(power.size());
    for (const double p : power)
        result.magnitude.push_back(float(std::sqrt(p)));
    return result;
}

namespace {

/// Median level of a spectrum around each bin, sampled every few bins for speed.
class Surroundings {
public:
    Surroundings(const std::vector<float>& db, std::size_t reach)
        : step_(std::max<std::size_t>(1, reach / 4))
    {
        std::vector<float> around;
        for (std::size_t centre = 0; centre < db.size(); centre += step_) {
            const auto from = centre > reach ? centre - reach : 0;
            const auto to = std::min(db.size(), centre + reach + 1);
            around.assign(db.begin() + std::ptrdiff_t(from), db.begin() + std::ptrdiff_t(to));
            const auto middle = around.begin() + std::ptrdiff_t(around.size() / 2);
            std::nth_element(around.begin(), middle, around.end());
            medians_.push_back(*middle);
        }
    }
    float at(std::size_t bin) const
    {
        return medians_[std::min((bin + step_ / 2) / step_, medians_.size() - 1)];
    }

private:
    std::size_t step_;
    std::vector<float> medians_;
};

struct Peak {
    double hz;
    double db;
    bool stands;
};

std::vector<Peak> localMaxima(const MeanSpectrum& spectrum, double rate)
{
    const auto bins = spectrum.magnitude.size();
    std::vector<float> db(bins);
    for (std::size_t b = 0; b < bins; ++b)
        db[b] = float(toDecibels(double(spectrum.magnitude[b])).value);
    const auto reach = std::size_t(12.0 / spectrum.windowSeconds / spectrum.binHz) + 1;
    const Surroundings around(db, reach);
    const auto from = std::max<std::size_t>(1, std::size_t(16.0 / spectrum.binHz));
    const auto to =
        std::min(bins - 1, std::size_t(std::min(11000.0, 0.47 * rate) / spectrum.binHz));
    std::vector<Peak> peaks;
    for (auto b = from; b < to; ++b) {
        if (db[b] <= db[b - 1] || db[b] < db[b + 1])
            continue;
        const auto top = parabolaTop(db[b - 1], db[b], db[b + 1]);
        peaks.push_back(
            {(double(b) + top.shift) * spectrum.binHz, top.height, db[b] >= around.at(b) + 4.0f});
    }
    return peaks;
}

} // namespace

std::vector<Partial> findPartials(const MeanSpectrum& spectrum, double rate)
{
    if (spectrum.magnitude.size() < 8)
        return {};
    auto peaks = localMaxima(spectrum, rate);
    if (peaks.empty())
        return {};
    std::sort(peaks.begin(), peaks.end(), [](const Peak& a, const Peak& b) { return a.db > b.db; });
    const double top = peaks.front().db;
    if (top < -140.0)
        return {};
    const bool anyStands =
        std::any_of(peaks.begin(), peaks.end(), [](const Peak& p) { return p.stands; });
    const double apart = 3.5 / spectrum.windowSeconds;
    std::vector<Partial> partials;
    for (const Peak& peak : peaks) {
        if (peak.db < top - 60.0 || partials.size() >= 100)
            break;
        if (anyStands && !peak.stands)
            continue;
        const bool crowded = std::any_of(partials.begin(), partials.end(),
            [&](const Partial& p) { return std::abs(p.hz - peak.hz) < apart; });
        if (!crowded)
            partials.push_back({peak.hz, std::pow(10.0, (peak.db - top) / 20.0), 0.0});
    }
    return partials;
}

std::optional<double> peakNear(const MeanSpectrum& spectrum, double hz, double reachHz)
{
    const auto& m = spectrum.magnitude;
    if (m.size() < 3 || spectrum.binHz <= 0.0)
        return std::nullopt;
    const auto bin = [&](double at) {
        return std::size_t(std::clamp(at / spectrum.binHz, 1.0, double(m.size() - 2)));
    };
    std::size_t best = 0;
    for (auto b = bin(hz - reachHz); b <= bin(hz + reachHz); ++b)
        if (m[b] > m[b - 1] && m[b] >= m[b + 1] && (best == 0 || m[b] > m[best]))
            best = b;
    if (best == 0)
        return std::nullopt;
    const auto top = parabolaTop(std::log(double(m[best - 1]) + 1e-20),
        std::log(double(m[best]) + 1e-20), std::log(double(m[best + 1]) + 1e-20));
    return (double(best) + top.shift) * spectrum.binHz;
}

double tonalShare(const MeanSpectrum& spectrum, const std::vector<Partial>& partials)
{
    const auto& magnitude = spectrum.magnitude;
    if (magnitude.empty())
        return 0.0;
    const auto power = [&](std::size_t b) { return double(magnitude[b]) * double(magnitude[b]); };
    double all = 0.0, tonal = 0.0;
    for (std::size_t b = 0; b < magnitude.size(); ++b)
        all += power(b);
    std::vector<bool> counted(magnitude.size(), false);
    const double lobe = 2.0 / spectrum.windowSeconds / spectrum.binHz;
    for (const auto& p : partials) {
        if (p.levelDb() < -40.0)
            continue;
        const double middle = p.hz / spectrum.binHz;
        const auto last = std::min(magnitude.size() - 1, std::size_t(middle + lobe));
        for (auto b = std::size_t(std::max(0.0, middle - lobe)); b <= last; ++b)
            if (!counted[b]) {
                counted[b] = true;
                tonal += power(b);
            }
    }
    return all > 0.0 ? tonal / all : 0.0;
}

} // namespace puretone
