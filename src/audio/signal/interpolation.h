// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>

namespace puretone {

/// Reads between the samples of a signal that was oversampled by two.
///
/// A Kaiser-windowed sinc of 16 taps whose cut-off lies at the signal's own Nyquist frequency: flat
/// up to half of it (where oversampled material ends), 115 dB down from one and a half times it
/// (where the images begin). 1024 phases with straight lines between them add less than -118 dB.
class InterpolationKernel {
public:
    static constexpr std::size_t taps = 16;
    static constexpr std::size_t phases = 1024;
    /// Samples needed before and after the whole part of a position.
    static constexpr std::size_t before = taps / 2 - 1;
    static constexpr std::size_t after = taps / 2;

    using Row = std::array<float, taps>;

    /// Made once, on first use; not for the first time on the audio thread.
    static const InterpolationKernel& shared();

    /// Weights of the samples `whole - before` to `whole + after` for `fraction` in [0, 1).
    void weights(double fraction, Row& row) const noexcept
    {
        const double place = fraction * double(phases);
        const auto phase = std::size_t(place);
        const auto share = float(place - double(phase));
        const Row& low = rows_[phase];
        const Row& high = rows_[phase + 1];
        for (std::size_t i = 0; i < taps; ++i)
            row[i] = low[i] + share * (high[i] - low[i]);
    }

    static float dot(const Row& row, const float* samples) noexcept
    {
        // Four sums at once: the compiler may not reorder a single one.
        float sum[4] = {0.0f, 0.0f, 0.0f, 0.0f};
        for (std::size_t i = 0; i < taps; i += 4)
            for (std::size_t j = 0; j < 4; ++j)
                sum[j] += row[i + j] * samples[i + j];
        return (sum[0] + sum[1]) + (sum[2] + sum[3]);
    }

private:
    InterpolationKernel();
    alignas(32) std::array<Row, phases + 1> rows_{};
};

} // namespace puretone
