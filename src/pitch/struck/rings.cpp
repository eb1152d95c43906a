// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck/rings.h"

#include "audio/signal/fft.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr std::size_t mostFrames = 16;

/// Spectra of windows spread evenly over a take, powers by bin.
struct OverTime {
    double hopSeconds = 0.0;
    double binHz = 0.0;
    double windowSeconds = 0.0;
    std::vector<std::vector<float>> power;
};

OverTime spectraOverTime(std::span<const float> mono, double rate)
{
    OverTime frames;
    const auto window = std::min(mono.size() / 3, std::size_t(0.25 * rate));
    if (window < 64)
        return frames;
    RealFft fft(RealFft::commonSize(window));
    const auto hann = hannWindow(window);
    const auto room = mono.size() - window;
    const auto hop = std::max(window / 2, room / (mostFrames - 1));
    frames.hopSeconds = double(hop) / rate;
    frames.binHz = rate / double(fft.size());
    frames.windowSeconds = double(window) / rate;
    std::vector<float> frame(window);
    for (std::size_t from = 0; from <= room && frames.power.size() < mostFrames; from += hop) {
        for (std::size_t i = 0; i < window; ++i)
            frame[i] = mono[from + i] * hann[i];
        fft.forward(frame);
        std::vector<float> power;
        power.reserve(fft.bins());
        for (const auto& bin : fft.spectrum())
            power.push_back(std::norm(bin));
        frames.power.push_back(std::move(power));
    }
    return frames;
}

/// Highest power within the main lobe about a frequency, and the median further out.
struct Level {
    double here = 0.0, around = 0.0;
};
Level levelAt(const std::vector<float>& power, double bin, double lobeBins)
{
    const auto clampBin = [&](double b) {
        return std::size_t(std::clamp(b, 0.0, double(power.size() - 1)));
    };
    Level level;
    for (auto b = clampBin(bin - 0.5 * lobeBins); b <= clampBin(bin + 0.5 * lobeBins); ++b)
        level.here = std::max(level.here, double(power[b]));
    std::vector<float> others;
    for (auto b = clampBin(bin - 6.0 * lobeBins); b <= clampBin(bin + 6.0 * lobeBins); ++b)
        if (std::abs(double(b) - bin) > lobeBins)
            others.push_back(power[b]);
    if (!others.empty()) {
        const auto middle = others.begin() + std::ptrdiff_t(others.size() / 2);
        std::nth_element(others.begin(), middle, others.end());
        level.around = double(*middle);
    }
    return level;
}

} // namespace

void measureDecays(std::vector<Partial>& partials, std::span<const float> mono, double rate)
{
    const auto frames = spectraOverTime(mono, rate);
    if (frames.power.size() < 3)
        return;
    const double lobe = 4.0 / frames.windowSeconds / frames.binHz;
    for (auto& partial : partials) {
        std::vector<double> levels; // dB from the loudest frame down into the surroundings
        for (const auto& power : frames.power) {
            const auto level = levelAt(power, partial.hz / frames.binHz, lobe);
            const double db = 10.0 * std::log10(level.here + 1e-30);
            if (!levels.empty() && db > levels.front())
                levels.clear();
            else if (level.here < 6.0 * level.around)
                break;
            levels.push_back(db);
        }
        if (levels.size() < 3)
            continue;
        double t = 0, y = 0, tt = 0, ty = 0;
        const auto n = double(levels.size());
        for (std::size_t i = 0; i < levels.size(); ++i) {
            t += double(i);
            y += levels[i];
            tt += double(i * i);
            ty += double(i) * levels[i];
        }
        const double slope = (n * ty - t * y) / (n * tt - t * t); // dB a hop
        if (slope * (n - 1.0) < -6.0)
            partial.decay = -60.0 / slope * frames.hopSeconds;
    }
}

} // namespace puretone
