// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/motion/beating.h"

#include "audio/level.h"

#include <algorithm>
#include <complex>
#include <numbers>

namespace puretone {

namespace {

constexpr double twoPi = 2.0 * std::numbers::pi;
constexpr double reachCents = 60.0;
/// Two means, one behind the other, and a few values of both.
constexpr double meansInside = 2.5;

/// What lies around `hz`, brought down to 0 Hz: two running means, so that a neighbour a semitone
/// and more away is 25 dB down, sampled `perMean` times each.
struct Lowered {
    std::vector<std::complex<double>> values;
    double rate = 0.0;
};

Lowered lower(std::span<const float> mono, double rate, double hz)
{
    // The first zero of the mean lies a semitone and a half off, or 8 Hz for low tones. What is
    // shorter than that, a kick, is told from less: from neighbours within its own bandwidth.
    const double shortest = meansInside * rate / std::max(1.0, double(mono.size()));
    const double width = std::max({8.0, hz * 0.09, shortest});
    if (shortest > 0.5 * hz)
        return {};
    constexpr std::size_t perMean = 8;
    const auto step = std::max<std::size_t>(1, std::size_t(rate / width / double(perMean)));
    Lowered lowered;
    lowered.rate = rate / double(step);
    std::vector<std::complex<double>> sums;
    const auto turn = std::polar(1.0, -twoPi * hz / rate);
    for (std::size_t from = 0; from + step <= mono.size(); from += step) {
        std::complex<double> sum;
        auto phase = std::polar(1.0, -twoPi * std::fmod(hz * double(from) / rate, 1.0));
        for (std::size_t i = from; i < from + step; ++i) {
            sum += double(mono[i]) * phase;
            // Written out: the library's product looks for infinities.
            phase = {phase.real() * turn.real() - phase.imag() * turn.imag(),
                phase.real() * turn.imag() + phase.imag() * turn.real()};
        }
        sums.push_back(sum / double(step));
    }
    const auto runningMean = [](const std::vector<std::complex<double>>& in) {
        std::vector<std::complex<double>> out;
        for (std::size_t i = 0; i + perMean <= in.size(); ++i) {
            std::complex<double> sum;
            for (std::size_t j = 0; j < perMean; ++j)
                sum += in[i + j];
            out.push_back(sum / double(perMean));
        }
        return out;
    };
    lowered.values = runningMean(runningMean(sums));
    return lowered;
}

} // namespace

std::optional<Beating> measureBeating(
    std::span<const float> mono, double rate, double toneHz, int harmonics)
{
    const double power = meanSquare(mono);
    if (power < 1e-12 || toneHz < 8.0)
        return std::nullopt;
    std::optional<Beating> best;
    double loudest = 0.0;
    for (int h = 1; h <= harmonics && h * toneHz < 0.45 * rate; ++h) {
        const auto lowered = lower(mono, rate, h * toneHz);
        if (lowered.values.size() < 4)
            continue;
        std::complex<double> turn;
        double energy = 0.0, turned = 0.0;
        for (std::size_t i = 1; i < lowered.values.size(); ++i) {
            const auto step = lowered.values[i] * std::conj(lowered.values[i - 1]);
            turn += step;
            turned += std::abs(step);
            energy += std::norm(lowered.values[i]);
        }
        energy /= double(lowered.values.size());
        const double hz = std::arg(turn) / twoPi * lowered.rate;
        const double cents = 1200.0 * std::log2(std::max(0.5, 1.0 + hz / (h * toneHz)));
        // The pair is as loud as the softer of the two; the tone's partials fall by their square.
        const double heard = std::min(energy / power, 0.5 / (h * h * h * h));
        if (std::abs(cents) > reachCents || energy < 1e-4 * power || heard <= loudest)
            continue;
        loudest = heard;
        best = Beating{std::abs(hz), cents, h, double(mono.size()) / rate,
            turned > 0.0 ? std::abs(turn) / turned : 0.0};
    }
    return best;
}

double centsToStandStill(
    std::span<const float> mono, double rate, double toneHz, int harmonics, const Beating& beating)
{
    constexpr int most = 4;
    constexpr double rest = 1.0 / 16.0;
    double cents = beating.cents;
    for (int i = 0; i < most; ++i) {
        const auto left = measureBeating(mono, rate, toneHz * std::exp2(cents / 1200.0), harmonics);
        if (!left || left->partial != beating.partial || left->perSecond * left->seconds < rest)
            break;
        cents += left->cents;
    }
    return cents;
}

} // namespace puretone
