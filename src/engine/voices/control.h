// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>

namespace puretone {

/// What moves once in a cell, of up to eight voices side by side: the long way from octaves to the
/// coefficients of a filter is waited for once, not eight times. No allocation, no
/// locks; a voice's values do not depend on its neighbours.
struct ControlGroup {
    static constexpr std::size_t most = 8;
    using Floats = std::array<float, most>;
    using Doubles = std::array<double, most>;

    // Asked for by each voice, then makeRest():
    alignas(32) Doubles octaves{}; ///< Of the pitch.
    alignas(32) Doubles speed{}; ///< 2 to the power of that.
    alignas(32) Floats levelOctaves{}; ///< Of the slow wave's gain.
    alignas(32) Floats gain{}; ///< 2 to the power of that.
    alignas(32) Floats cutoff{}; ///< Without what moves it, as a share of the rate.
    alignas(32) Floats cutoffOctaves{}; ///< What moves it.
    alignas(32) std::array<Floats, 2> damping{}; ///< Of each stage.
    alignas(32) std::array<Floats, 2> a1{}, a2{}, a3{}; ///< See FilterRun.

    int mostGrains = 32; ///< That a frozen note may sound at once.
    double beatsPerSecond = 1.6;

    /// Whether any voice wants it: most notes stand still.
    bool restWanted = false;
    void makeRest() noexcept;
};

} // namespace puretone
