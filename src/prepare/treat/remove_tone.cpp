// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/remove_tone.h"

#include "audio/signal/fft.h"
#include "audio/signal/parabola.h"

#include <algorithm>
#include <complex>
#include <numbers>

namespace puretone {

namespace {

constexpr double twoPi = 2.0 * std::numbers::pi;
constexpr double toneWindowSeconds = 0.2; // tells tones 20 Hz apart
constexpr double hopSeconds = 0.02;
constexpr double mostHzPerHop = 3.0;
constexpr double lowRate = 500.0; // of what is left after the tone is brought down to 0 Hz

/// The tone's frequency on an even grid from the beginning of the audio.
class ToneLine {
public:
    ToneLine(std::span<const float> mono, double rate)
        : mono_(mono)
        , rate_(rate)
        , window_(std::min(mono.size(), std::size_t(toneWindowSeconds * rate)))
        , fft_(RealFft::commonSize(2 * window_))
        , hann_(hannWindow(window_))
        , frame_(window_)
    {
    }

    std::vector<double> follow(double hz, Span over)
    {
        const auto count = std::size_t(double(mono_.size()) / rate_ / hopSeconds) + 1;
        std::vector<double> line(count, hz);
        std::size_t best = 0;
        double loudest = 0.0, bestHz = hz;
        const auto first = std::size_t(double(over.start.value) / rate_ / hopSeconds);
        const auto last =
            std::min(count - 1, std::size_t(double(over.end.value) / rate_ / hopSeconds));
        for (auto i = first; i <= last; ++i) {
            const auto peak = peakNear(i, hz, std::max(6.0, 0.01 * hz));
            if (peak.magnitude > loudest) {
                loudest = peak.magnitude;
                best = i;
                bestHz = peak.hz;
            }
        }
        if (loudest <= 0.0)
            return {};
        line[best] = bestHz;
        loudest_ = loudest;
        for (auto i = best + 1; i < count; ++i)
            line[i] = next(i, line[i - 1]);
        for (auto i = best; i-- > 0;)
            line[i] = next(i, line[i + 1]);
        return line;
    }

private:
    struct Peak {
        double hz = 0.0, magnitude = 0.0;
    };

    /// Where the tone cannot be heard it goes on as it was.
    double next(std::size_t index, double from)
    {
        const auto peak = peakNear(index, from, mostHzPerHop);
        return peak.magnitude > 0.003 * loudest_ ? peak.hz : from;
    }

    Peak peakNear(std::size_t index, double hz, double reach)
    {
        const auto middle = std::ptrdiff_t(double(index) * hopSeconds * rate_);
        const auto from = std::clamp<std::ptrdiff_t>(
            middle - std::ptrdiff_t(window_ / 2), 0, std::ptrdiff_t(mono_.size() - window_));
        for (std::size_t i = 0; i < window_; ++i)
            frame_[i] = mono_[std::size_t(from) + i] * hann_[i];
        fft_.forward(frame_);
        const double bin = rate_ / double(fft_.size());
        const auto spectrum = fft_.spectrum();
        const auto low = std::size_t(std::max(1.0, (hz - reach) / bin));
        const auto high =
            std::min(spectrum.size() - 2, std::size_t(std::max(1.0, (hz + reach) / bin)) + 1);
        Peak best;
        for (auto b = low; b <= high; ++b) {
            const double l = std::abs(spectrum[b - 1]), m = std::abs(spectrum[b]),
                         r = std::abs(spectrum[b + 1]);
            if (m < l || m < r || m <= best.magnitude)
                continue;
            const auto top =
                parabolaTop(std::log(l + 1e-20), std::log(m + 1e-20), std::log(r + 1e-20));
            best = {(double(b) + top.shift) * bin, m};
        }
        return best;
    }

    std::span<const float> mono_;
    double rate_;
    std::size_t window_;
    RealFft fft_;
    std::vector<float> hann_;
    std::vector<float> frame_;
    double loudest_ = 0.0;
};

/// Phase, in turns, of a tone whose frequency is given on a grid, at every frame.
std::vector<double> phaseOf(const std::vector<double>& line, std::size_t frames, double rate)
{
    std::vector<double> phase(frames);
    double turns = 0.0;
    for (std::size_t i = 0; i < frames; ++i) {
        phase[i] = turns;
        const double place = std::min(double(i) / rate / hopSeconds, double(line.size() - 1));
        const auto index = std::size_t(place);
        const double next = line[std::min(index + 1, line.size() - 1)];
        turns += (line[index] + (place - double(index)) * (next - line[index])) / rate;
        turns -= std::floor(turns);
    }
    return phase;
}

/// Low pass for the low rate: flat to 7 Hz, 50 dB down from 20 Hz (Kaiser's design).
const std::vector<double>& lowPass()
{
    static const std::vector<double> kernel = [] {
        constexpr int half = 56;
        constexpr double cut = 12.0 / lowRate, beta = 4.55;
        std::vector<double> taps(std::size_t(2 * half + 1));
        double sum = 0.0;
        for (int i = -half; i <= half; ++i) {
            const double x = double(i) / (half + 1);
            const double sinc =
                i == 0 ? 2.0 * cut : std::sin(twoPi * cut * i) / (std::numbers::pi * i);
            taps[std::size_t(i + half)] =
                sinc * std::cyl_bessel_i(0.0, beta * std::sqrt(1.0 - x * x));
            sum += taps[std::size_t(i + half)];
        }
        for (double& tap : taps)
            tap /= sum;
        return taps;
    }();
    return kernel;
}

using Slow =
    std::vector<std::complex<double>>; ///< At the low rate; element i is centred on i*step.

/// What lies around a tone, brought down to 0 Hz.
Slow demodulate(std::span<const float> channel, const std::vector<double>& phase, int harmonic,
    std::size_t step)
{
    Slow raw((channel.size() + step - 1) / step);
    std::vector<double> counts(raw.size(), 0.0);
    for (std::size_t i = 0; i < channel.size(); ++i) {
        const auto slot = std::min(raw.size() - 1, (i + step / 2) / step);
        raw[slot] += double(channel[i]) * std::polar(1.0, -twoPi * harmonic * phase[i]);
        counts[slot] += 1.0;
    }
    for (std::size_t i = 0; i < raw.size(); ++i)
        raw[i] /= std::max(1.0, counts[i]);
    const auto& kernel = lowPass();
    const auto half = std::ptrdiff_t(kernel.size() / 2);
    Slow smooth(raw.size());
    for (std::ptrdiff_t i = 0; i < std::ptrdiff_t(raw.size()); ++i) {
        std::complex<double> sum;
        double weight = 0.0;
        for (auto j = std::max(-half, -i); j <= std::min(half, std::ptrdiff_t(raw.size()) - 1 - i);
             ++j) {
            sum += kernel[std::size_t(j + half)] * raw[std::size_t(i + j)];
            weight += kernel[std::size_t(j + half)];
        }
        // At the ends only a part of the kernel lies inside.
        smooth[std::size_t(i)] = std::abs(weight) > 0.2 ? sum / weight : sum;
    }
    return smooth;
}

/// What of an overtone turns with the tone itself. A partial of the kept note that happens to lie a
/// hertz or two off turns against it: then nothing is taken.
Slow lockedPart(const Slow& wide, double slowRate)
{
    const double sigma = 0.07 * slowRate; // 2.3 Hz to either side
    const auto reach = std::ptrdiff_t(3.0 * sigma);
    const auto count = std::ptrdiff_t(wide.size());
    std::vector<double> kernel;
    for (std::ptrdiff_t j = -reach; j <= reach; ++j)
        kernel.push_back(std::exp(-0.5 * double(j * j) / (sigma * sigma)));
    Slow locked(wide.size());
    constexpr double mostHz = 0.6; // that an overtone may seem to lie off
    std::complex<double> turn;
    for (std::ptrdiff_t i = 0; i < count; ++i) {
        std::complex<double> sum;
        double weight = 0.0;
        for (auto j = std::max(-reach, -i); j <= std::min(reach, count - 1 - i); ++j) {
            sum += kernel[std::size_t(j + reach)] * wide[std::size_t(i + j)];
            weight += kernel[std::size_t(j + reach)];
        }
        locked[std::size_t(i)] = sum / weight;
        if (i > 0)
            turn += locked[std::size_t(i)] * std::conj(locked[std::size_t(i - 1)]);
    }
    // Near the ends too little of the kernel is inside to tell neighbours apart: there the overtone
    // goes on as it was.
    const auto edge = std::min(reach, count / 2);
    std::fill(locked.begin(), locked.begin() + edge, locked[std::size_t(edge)]);
    std::fill(locked.end() - edge, locked.end(), locked[std::size_t(count - 1 - edge)]);
    if (std::abs(std::arg(turn)) / twoPi * slowRate > mostHz)
        std::fill(locked.begin(), locked.end(), 0.0);
    return locked;
}

/// Corrects the line by how the demodulated phase turns.
void refine(std::vector<double>& line, const Slow& slow, std::size_t step, double rate)
{
    const double slowRate = rate / double(step);
    double loudest = 0.0;
    for (const auto& z : slow)
        loudest = std::max(loudest, std::abs(z));
    for (std::size_t i = 0; i < line.size(); ++i) {
        const auto middle = std::ptrdiff_t(double(i) * hopSeconds * slowRate);
        std::complex<double> turn;
        const auto reach = std::ptrdiff_t(0.04 * slowRate);
        for (auto j = std::max<std::ptrdiff_t>(1, middle - reach);
             j < std::min(std::ptrdiff_t(slow.size()), middle + reach); ++j)
            turn += slow[std::size_t(j)] * std::conj(slow[std::size_t(j - 1)]);
        if (std::sqrt(std::abs(turn)) > 0.01 * loudest)
            line[i] += std::clamp(std::arg(turn) / twoPi * slowRate, -5.0, 5.0);
    }
}

} // namespace

bool removeTone(Audio& audio, const RemoveTone& how, Span over, const Progress& progress)
{
    const auto frames = std::size_t(audio.frames());
    const double rate = audio.rate;
    if (double(frames) < 0.05 * rate || how.hz > 0.45 * rate)
        return false;
    const auto mono = mixToMono(audio);
    auto line = ToneLine(mono, rate).follow(how.hz, over);
    if (line.empty() || progress.cancelled())
        return false;
    const auto step = std::max<std::size_t>(1, std::size_t(rate / lowRate));
    for (int round = 0; round < 2; ++round) {
        const auto phase = phaseOf(line, frames, rate);
        refine(line, demodulate(mono, phase, 1, step), step, rate);
    }
    progress.at(0.4);
    const auto phase = phaseOf(line, frames, rate);
    const double top = *std::max_element(line.begin(), line.end());
    const int harmonics = how.harmonics ? std::clamp(int(0.45 * rate / top), 1, 24) : 1;
    double done = 0.0;
    for (auto& channel : audio.channels) {
        std::vector<double> removed(frames, 0.0);
        for (int h = 1; h <= harmonics; ++h) {
            if (progress.cancelled())
                return false;
            auto slow = demodulate(channel, phase, h, step);
            if (h > 1)
                slow = lockedPart(slow, rate / double(step));
            for (std::size_t i = 0; i < frames; ++i) {
                const double place = double(i) / double(step);
                const auto index = std::min(std::size_t(place), slow.size() - 1);
                const auto next = slow[std::min(index + 1, slow.size() - 1)];
                const auto z = slow[index] + (place - double(index)) * (next - slow[index]);
                removed[i] += 2.0 * (z * std::polar(1.0, twoPi * h * phase[i])).real();
            }
            progress.at(0.4 + 0.6 * ++done / double(harmonics) / double(audio.channelCount()));
        }
        for (std::size_t i = 0; i < frames; ++i)
            channel[i] = how.alone ? float(removed[i]) : float(double(channel[i]) - removed[i]);
    }
    return true;
}

} // namespace puretone
