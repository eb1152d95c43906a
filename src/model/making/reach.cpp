// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/reach.h"

#include "audio/signal/fft.h"

#include <algorithm>
#include <numeric>

namespace puretone {

namespace {

struct BandLevel {
    double octave = 0.0; ///< log2 of its middle in Hz.
    double db = 0.0;
};

/// Third-octave levels of a sound, those within 36 dB of the strongest: below lie the window's own
/// slopes.
std::vector<BandLevel> bandLevels(std::span<const float> mono, double rate)
{
    constexpr std::size_t size = 4096, mostWindows = 48;
    RealFft fft(size);
    const auto window = hannWindow(size);
    std::vector<double> power(fft.bins(), 0.0);
    const std::size_t count = std::clamp<std::size_t>(mono.size() / size * 2, 1, mostWindows);
    const std::size_t last = mono.size() > size ? mono.size() - size : 0;
    for (std::size_t w = 0; w < count; ++w) {
        const std::size_t from = count > 1 ? last * w / (count - 1) : 0;
        auto time = fft.time();
        for (std::size_t i = 0; i < size; ++i)
            time[i] = from + i < mono.size() ? window[i] * mono[from + i] : 0.0f;
        fft.forward();
        for (std::size_t b = 0; b < power.size(); ++b)
            power[b] += double(std::norm(fft.spectrum()[b]));
    }
    constexpr double lowest = 6.0, third = 1.0 / 3.0; // 64 Hz
    std::vector<BandLevel> bands;
    for (double octave = lowest; std::exp2(octave + third) < 0.5 * rate; octave += third) {
        const auto bin = [&](double o) { return std::size_t(std::exp2(o) / rate * double(size)); };
        const std::size_t a = std::max<std::size_t>(1, bin(octave));
        const std::size_t b = std::min(power.size(), std::max(a + 1, bin(octave + third)));
        const double sum = std::accumulate(
            power.begin() + std::ptrdiff_t(a), power.begin() + std::ptrdiff_t(b), 0.0);
        bands.push_back({octave + third / 2.0, 10.0 * std::log10(sum + 1e-30)});
    }
    // Between partials that stand far apart nothing is heard missing.
    const auto asFound = bands;
    double most = -1e9;
    for (std::size_t i = 0; i < bands.size(); ++i) {
        for (std::size_t j = i > 0 ? i - 1 : 0; j < std::min(bands.size(), i + 2); ++j)
            bands[i].db = std::max(bands[i].db, asFound[j].db);
        most = std::max(most, bands[i].db);
    }
    constexpr double range = 36.0;
    std::erase_if(bands, [&](const BandLevel& band) { return band.db < most - range; });
    return bands;
}

/// How far levels stand out from a straight slope, dB, in the mean.
double unevenness(const std::vector<BandLevel>& bands)
{
    if (bands.size() < 3)
        return 0.0;
    double x = 0.0, y = 0.0;
    for (const auto& band : bands) {
        x += band.octave;
        y += band.db;
    }
    x /= double(bands.size());
    y /= double(bands.size());
    double xy = 0.0, xx = 0.0;
    for (const auto& band : bands) {
        xy += (band.octave - x) * (band.db - y);
        xx += (band.octave - x) * (band.octave - x);
    }
    const double slope = xy / xx;
    double sum = 0.0;
    for (const auto& band : bands)
        sum += std::pow(band.db - y - slope * (band.octave - x), 2.0);
    return std::sqrt(sum / double(bands.size()));
}

/// Seconds from a tenth to nine tenths of the loudest level of the first second.
double attackSeconds(std::span<const float> mono, double rate)
{
    constexpr double step = 0.002, first = 1.0;
    const auto hop = std::max<std::size_t>(1, std::size_t(step * rate));
    std::vector<double> peaks;
    for (std::size_t at = 0; at + hop <= mono.size() && double(at) < first * rate; at += hop) {
        double most = 0.0;
        for (std::size_t i = at; i < at + hop; ++i)
            most = std::max(most, double(std::abs(mono[i])));
        peaks.push_back(most);
    }
    if (peaks.empty())
        return 0.0;
    const double top = *std::max_element(peaks.begin(), peaks.end());
    const auto reaches = [&](double share) {
        return double(std::find_if(peaks.begin(), peaks.end(), [&](double p) {
            return p >= share * top;
        }) - peaks.begin());
    };
    return std::max(1.0, reaches(0.9) - reaches(0.1)) * step;
}

} // namespace

Reach proposeReach(const Take& take)
{
    constexpr double heardSeconds = 4.0;
    Span heard = playedPart(take);
    heard.end.value =
        std::min(heard.end.value, heard.start.value + toFrames(heardSeconds, take.rate()).value);
    const auto mono = mixToMono(take.audio(), heard);
    const auto bands = bandLevels(mono, take.rate());
    if (bands.empty())
        return {};
    // An even slope carries an octave and more; resonances that stand out by 9 dB, a fourth.
    const double colour = 17.0 - 1.4 * unevenness(bands);
    const double attack = attackSeconds(mono, take.rate());
    constexpr double slowest = 0.08, dullest = 2500.0, thinnest = 2600.0;
    double down = colour, up = colour;
    if (attack < slowest)
        down = std::min(down, 12.0 * std::log2(slowest / attack));
    down = std::min(down, 12.0 * (bands.back().octave - std::log2(dullest)));
    if (const auto period = take.period())
        up = std::min(up, 12.0 * std::log2(thinnest * *period));
    const auto semitones = [](double wanted) { return int(std::clamp(wanted, 3.0, 24.0)); };
    return {semitones(down), semitones(up)};
}

} // namespace puretone
