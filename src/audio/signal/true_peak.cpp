// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/true_peak.h"

#include "audio/signal/bessel.h"
#include "base/wide_vectors.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace puretone {

namespace {

/// All phases at once; four sums, so that none waits for the last.
///
/// @param table Of each tap, its phases; aligned to 32 bytes, as `sums`.
[[gnu::always_inline]] inline void sumPhases(const float* table, const float* samples, float* sums)
{
    static_assert(TruePeak::phases == 8 && TruePeak::taps % 4 == 0);
    const auto* tap = reinterpret_cast<const Eight*>(table);
    Eight a{}, b{}, c{}, d{};
    for (std::size_t k = 0; k < TruePeak::taps; k += 4) {
        a += tap[k] * samples[k];
        b += tap[k + 1] * samples[k + 1];
        c += tap[k + 2] * samples[k + 2];
        d += tap[k + 3] * samples[k + 3];
    }
    *reinterpret_cast<Eight*>(sums) = (a + b) + (c + d);
}

void sumPlain(const float* table, const float* samples, float* sums)
{
    sumPhases(table, samples, sums);
}
PURETONE_WIDE void sumWide(const float* table, const float* samples, float* sums)
{
    sumPhases(table, samples, sums);
}

} // namespace

const TruePeak::Coefficients& TruePeak::coefficients()
{
    static const Coefficients made = [] {
        // Narrow enough to reach far up, wide enough for 60 dB.
        constexpr double kaiserBeta = 6.0;
        constexpr int half = taps / 2;
        Coefficients table{};
        auto& h = table.h;
        for (int phase = 0; phase < phases; ++phase)
            for (int tap = 0; tap < taps; ++tap) {
                const double at = tap - (half - 1) - double(phase) / phases;
                const double angle = std::numbers::pi * at;
                const double share = at / half;
                const double window = std::abs(share) >= 1.0
                    ? 0.0
                    : besselI0(kaiserBeta * std::sqrt(1.0 - share * share)) / besselI0(kaiserBeta);
                const double sinc = at == 0.0 ? 1.0 : std::sin(angle) / angle;
                h[std::size_t(tap)][std::size_t(phase)] = float(sinc * window);
            }
        for (int phase = 0; phase < phases; ++phase) {
            float sum = 0.0f;
            for (const auto& tap : h)
                sum += std::abs(tap[std::size_t(phase)]);
            table.mostGain = std::max(table.mostGain, sum);
        }
        return table;
    }();
    return made;
}

TruePeak::TruePeak()
    : table_(&coefficients())
{
}

float TruePeak::push(float sample, float matters) noexcept
{
    line_[std::size_t(at_)] = line_[std::size_t(at_) + taps] = sample;
    at_ = (at_ + 1) % taps;
    loudFor_ = std::abs(sample) * table_->mostGain > matters ? taps : std::max(0, loudFor_ - 1);
    if (loudFor_ == 0)
        return 0.0f;
    alignas(32) std::array<float, phases> sums;
    const float* samples = line_.data() + at_;
    (wideVectors() ? sumWide : sumPlain)(table_->h[0].data(), samples, sums.data());
    float peak = 0.0f;
    for (const float s : sums)
        peak = std::max(peak, std::abs(s));
    return peak;
}

} // namespace puretone
