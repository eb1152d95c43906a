// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/oversampling.h"

#include "audio/signal/bessel.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace puretone {

HalfBand::HalfBand(int side, double kaiserBeta, int most)
    : side_(side)
    , most_(most)
    , taps_(std::size_t(side))
    , upLine_(std::size_t(2 * side + most))
    , evenLine_(std::size_t(side + most))
    , oddLine_(std::size_t(2 * side + most))
{
    double sum = 0.0;
    for (int k = 0; k < side; ++k) {
        const double t = 2.0 * k + 1.0; // frames of the higher rate from the middle
        const double share = t / (2.0 * side);
        const double window = besselI0(kaiserBeta * std::sqrt(std::max(0.0, 1.0 - share * share)))
            / besselI0(kaiserBeta);
        const double sinc =
            std::sin(0.5 * std::numbers::pi * t) / (0.5 * std::numbers::pi * t) * 0.5;
        taps_[std::size_t(k)] = float(window * sinc);
        sum += 2.0 * window * sinc;
    }
    // The middle tap is a half; the others give the other half at 0 Hz.
    for (float& tap : taps_)
        tap = float(double(tap) * 0.5 / sum);
}

void HalfBand::reset() noexcept
{
    std::fill(upLine_.begin(), upLine_.end(), 0.0f);
    std::fill(evenLine_.begin(), evenLine_.end(), 0.0f);
    std::fill(oddLine_.begin(), oddLine_.end(), 0.0f);
}

namespace {

/// Both sides of a filter about the gap between `at[side - 1]` and `at[side]`.
float aboutGap(const float* at, const std::vector<float>& taps) noexcept
{
    const auto side = std::ptrdiff_t(taps.size());
    float sum = 0.0f;
    for (std::ptrdiff_t k = 0; k < side; ++k)
        sum += taps[std::size_t(k)] * (at[side - 1 - k] + at[side + k]);
    return sum;
}

} // namespace

void HalfBand::up(const float* in, float* out, int count) noexcept
{
    const auto side = std::size_t(side_), frames = std::size_t(count);
    const std::size_t before = 2 * side - 1;
    std::copy_n(in, frames, upLine_.begin() + std::ptrdiff_t(before));
    for (std::size_t i = 0; i < frames; ++i) {
        out[2 * i] = 2.0f * aboutGap(upLine_.data() + i, taps_);
        out[2 * i + 1] = upLine_[i + side];
    }
    std::copy_n(upLine_.begin() + count, before, upLine_.begin());
}

void HalfBand::down(const float* in, float* out, int count) noexcept
{
    // Frames 2i go through the filter, frames 2i + 1 through the middle tap.
    const auto side = std::size_t(side_), frames = std::size_t(count);
    const std::size_t before = 2 * side - 1;
    for (std::size_t i = 0; i < frames; ++i) {
        oddLine_[before + i] = in[2 * i];
        evenLine_[side + i] = in[2 * i + 1];
    }
    for (std::size_t i = 0; i < frames; ++i)
        out[i] = aboutGap(oddLine_.data() + i, taps_) + 0.5f * evenLine_[i];
    std::copy_n(oddLine_.begin() + count, before, oddLine_.begin());
    std::copy_n(evenLine_.begin() + count, side, evenLine_.begin());
}

// 100 dB down from 28 kHz on at a rate of 48 kHz, flat to 20 kHz; the others have more room.
Oversampling::Oversampling()
    : first_(20, 10.0, effectCell)
    , second_(7, 10.0, 2 * effectCell)
    , third_(5, 10.0, 4 * effectCell)
    , two_(2 * std::size_t(effectCell))
    , four_(4 * std::size_t(effectCell))
{
}

void Oversampling::reset() noexcept
{
    first_.reset();
    second_.reset();
    third_.reset();
}

void Oversampling::up(const float* in, float* out, int count) noexcept
{
    first_.up(in, two_.data(), count);
    second_.up(two_.data(), four_.data(), 2 * count);
    third_.up(four_.data(), out, 4 * count);
}

void Oversampling::down(float* in, float* out, int count) noexcept
{
    third_.down(in, four_.data(), 4 * count);
    second_.down(four_.data(), two_.data(), 2 * count);
    first_.down(two_.data(), out, count);
}

} // namespace puretone
