// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck/staying.h"

#include "audio/signal/fft.h"
#include "audio/signal/parabola.h"
#include "pitch/series/note.h"
#include "pitch/struck/strike.h"

#include <algorithm>
#include <cmath>
#include <utility>
#include <vector>

namespace puretone {

namespace {

struct Frame {
    struct Peak {
        double hz = 0.0;
        double power = 0.0; ///< Of its lobe, what louder peaks have taken left out.
    };
    std::vector<Peak> peaks;
    double power = 0.0;
};

Frame readFrame(std::span<const std::complex<float>> bins, double binHz, double lobeBins)
{
    constexpr std::size_t looked = 8;
    constexpr double faint = 1e-3; // power, of the highest peak's
    Frame frame;
    std::vector<double> power(bins.size());
    for (std::size_t b = 1; b < bins.size(); ++b)
        frame.power += power[b] = double(std::norm(bins[b]));
    const double least = faint * *std::max_element(power.begin(), power.end());
    std::vector<std::size_t> tops;
    for (std::size_t b = 1; b + 1 < power.size(); ++b)
        if (power[b] > least && power[b] > power[b - 1] && power[b] >= power[b + 1])
            tops.push_back(b);
    std::sort(tops.begin(), tops.end(),
        [&](std::size_t a, std::size_t b) { return power[a] > power[b]; });
    tops.resize(std::min(tops.size(), looked));
    for (const auto b : tops) {
        const auto level = [&](std::size_t at) { return std::log(power[at] + 1e-30); };
        const auto top = parabolaTop(level(b - 1), level(b), level(b + 1));
        frame.peaks.push_back({(double(b) + top.shift) * binHz, 0.0});
    }
    for (std::size_t i = 0; i < tops.size(); ++i) {
        const auto first = std::size_t(std::max(0.0, double(tops[i]) - lobeBins));
        const auto last = std::min(power.size() - 1, std::size_t(double(tops[i]) + lobeBins));
        for (auto b = first; b <= last; ++b)
            frame.peaks[i].power += std::exchange(power[b], 0.0);
    }
    return frame;
}

bool isSame(double hz, double other, double windowSeconds)
{
    constexpr double sameWindows = 0.12; // how far apart one peak may be read, in 1 / window
    constexpr double sameCents = 15.0; // and how far a mode may glide, where that is more
    return std::abs(hz - other) < sameWindows / windowSeconds
        || centsBetween(hz, other) < sameCents;
}

} // namespace

double stayingShare(std::span<const float> mono, double rate, double hz)
{
    const auto part = afterStrike(mono, rate);
    const auto window =
        std::min(std::size_t(std::clamp(6.0 / hz, 0.040, 0.100) * rate), part.size() / 3);
    constexpr std::size_t fewest = 64;
    if (window < fewest)
        return 0.0;
    RealFft fft(RealFft::commonSize(4 * window));
    const auto hann = hannWindow(window);
    const double binHz = rate / double(fft.size()), seconds = double(window) / rate;
    std::vector<Frame> frames;
    std::vector<float> shaped(window);
    for (std::size_t at = 0; at + window <= part.size(); at += window) {
        for (std::size_t i = 0; i < window; ++i)
            shaped[i] = part[at + i] * hann[i];
        fft.forward(shaped);
        frames.push_back(readFrame(fft.spectrum(), binHz, 2.0 / seconds / binHz));
    }
    double staying = 0.0, weights = 0.0;
    for (std::size_t i = 0; i + 1 < frames.size(); ++i) {
        if (frames[i].power <= 0.0)
            continue;
        const auto& after = frames[i + 1].peaks;
        double stays = 0.0;
        for (const auto& peak : frames[i].peaks)
            if (std::any_of(after.begin(), after.end(),
                    [&](const auto& other) { return isSame(peak.hz, other.hz, seconds); }))
                stays += peak.power;
        const double weight = std::sqrt(frames[i].power);
        staying += weight * stays / frames[i].power;
        weights += weight;
    }
    return weights > 0.0 ? staying / weights : 0.0;
}

} // namespace puretone
