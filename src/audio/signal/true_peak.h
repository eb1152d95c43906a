// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

namespace puretone {

/// The highest level between samples, one channel, sample by sample: eight times oversampled by a
/// windowed sinc (after ITU-R BS.1770-4, annex 2, which takes four times and reads up to 0.6 dB low
/// close to the Nyquist frequency; this reads at most 0.15 dB low up to 0.9 of it).
///
/// push() never allocates, locks or waits.
class TruePeak {
public:
    static constexpr int phases = 8, taps = 64;
    /// Frames by which what push() gives lies behind what it was given.
    static constexpr int delay = taps / 2;

    TruePeak();
    /// @param matters What does not rise above this is not worked out: 0 is given for it.
    /// @return The highest magnitude from `delay` frames before this sample to the frame after
    ///         that.
    float push(float sample, float matters = 0.0f) noexcept;

private:
    struct Coefficients {
        /// By tap, the oldest sample first; all phases of a tap side by side.
        alignas(32) std::array<std::array<float, phases>, taps> h;
        float mostGain; ///< No peak is higher than the highest of `taps` samples by more.
    };
    static const Coefficients& coefficients();

    const Coefficients* table_;
    std::array<float, 2 * std::size_t(taps)> line_{}; ///< Everything twice: read without wrapping.
    int at_ = 0;
    int loudFor_ = 0; ///< Frames for which a sample is inside that might matter.
};

} // namespace puretone
