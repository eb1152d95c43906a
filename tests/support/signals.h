// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Short exact signals of known truth, and ways to measure what came out.

#include "audio/audio.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <numbers>

namespace probe {

using puretone::Audio;

inline constexpr double twoPi = 2.0 * std::numbers::pi;

/// Seeded noise, -1 to 1 (xorshift64*).
class Noise {
public:
    explicit Noise(std::uint64_t seed = 1)
        : state_(seed * 2654435769U + 88172645463325252ULL)
    {
    }
    double operator()()
    {
        state_ ^= state_ >> 12U;
        state_ ^= state_ << 25U;
        state_ ^= state_ >> 27U;
        return double((state_ * 0x2545f4914f6cdd1dULL) >> 11U) / double(1ULL << 52U) - 1.0;
    }
    /// Uniform between two numbers.
    double between(double low, double high) { return low + (high - low) * 0.5 * ((*this)() + 1.0); }

private:
    std::uint64_t state_;
};

inline std::vector<float> sine(double hz, double rate, double seconds, double level = 0.5)
{
    std::vector<float> wave(std::size_t(seconds * rate));
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(level * std::sin(twoPi * hz * double(i) / rate));
    return wave;
}

/// Partials falling by 1/h up to the Nyquist frequency, all phases different.
inline std::vector<float> harmonicTone(
    double hz, double rate, double seconds, int partials = 12, double level = 0.3)
{
    std::vector<float> wave(std::size_t(seconds * rate));
    for (std::size_t i = 0; i < wave.size(); ++i) {
        double sum = 0.0;
        for (int h = 1; h <= partials && h * hz < 0.45 * rate; ++h)
            sum += std::sin(twoPi * h * hz * double(i) / rate + 1.7 * h) / h;
        wave[i] = float(level * sum);
    }
    return wave;
}

/// An exponential decay by 60 dB in `seconds60` laid over a wave.
inline std::vector<float> decaying(std::vector<float> wave, double rate, double seconds60)
{
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] *= float(std::pow(10.0, -3.0 * double(i) / rate / seconds60));
    return wave;
}

inline std::vector<float> noise(
    double rate, double seconds, double level = 0.3, std::uint64_t seed = 1)
{
    Noise next(seed);
    std::vector<float> wave(std::size_t(seconds * rate));
    for (float& s : wave)
        s = float(level * next());
    return wave;
}

inline std::vector<float> silence(double rate, double seconds)
{
    return std::vector<float>(std::size_t(seconds * rate), 0.0f);
}

inline std::vector<float> operator+(std::vector<float> a, const std::vector<float>& b)
{
    a.insert(a.end(), b.begin(), b.end());
    return a;
}

inline std::vector<float> mixed(std::vector<float> a, const std::vector<float>& b)
{
    for (std::size_t i = 0; i < std::min(a.size(), b.size()); ++i)
        a[i] += b[i];
    return a;
}

inline Audio mono(std::vector<float> wave, double rate = 48000.0)
{
    return {rate, {std::move(wave)}};
}

inline puretone::AudioPtr shared(Audio audio)
{
    return std::make_shared<const Audio>(std::move(audio));
}

/// Level of everything that is not a sine of `hz`, below that sine, dB: least squares for amplitude
/// and phase, Hann-weighted so that the ends do not count.
inline double sineToRestDb(std::span<const float> wave, double hz, double rate)
{
    double cc = 0, ss = 0, cs = 0, xc = 0, xs = 0;
    const auto angle = [&](std::size_t i) { return twoPi * hz * double(i) / rate; };
    const auto weight = [&](std::size_t i) {
        return 0.5 - 0.5 * std::cos(twoPi * (double(i) + 0.5) / double(wave.size()));
    };
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double c = std::cos(angle(i)), s = std::sin(angle(i)), w = weight(i);
        cc += w * c * c;
        ss += w * s * s;
        cs += w * c * s;
        xc += w * double(wave[i]) * c;
        xs += w * double(wave[i]) * s;
    }
    const double det = cc * ss - cs * cs;
    const double a = (xc * ss - xs * cs) / det, b = (xs * cc - xc * cs) / det;
    double fit = 0, rest = 0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double tone = a * std::cos(angle(i)) + b * std::sin(angle(i));
        const double off = double(wave[i]) - tone;
        fit += weight(i) * tone * tone;
        rest += weight(i) * off * off;
    }
    return 10.0 * std::log10(fit / std::max(rest, 1e-30));
}

inline double rmsDb(std::span<const float> wave)
{
    double sum = 0.0;
    for (const float s : wave)
        sum += double(s) * double(s);
    return 10.0 * std::log10(std::max(1e-30, sum / double(std::max<std::size_t>(1, wave.size()))));
}

/// Largest second difference: what a click is made of.
inline double worstEdge(std::span<const float> wave)
{
    double worst = 0.0;
    for (std::size_t i = 2; i < wave.size(); ++i)
        worst = std::max(
            worst, std::abs(double(wave[i]) - 2.0 * double(wave[i - 1]) + double(wave[i - 2])));
    return worst;
}

} // namespace probe
