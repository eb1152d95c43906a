// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/voices/control.h"
#include "model/instrument/layer.h"

#include <array>

namespace puretone {

/// One note's filter: one or two state-variable stages without delay in their loops, stable and in
/// tune however fast the cutoff moves (V. Zavalishin, The Art of VA Filter Design, 2012, chapter 4;
/// A. Simper's form of 2013). Coefficients stand at the ends of a cell and go straight between. No
/// allocation, no locks.
class FilterRun {
public:
    /// A new note: silent, and at once where set() says.
    void start() noexcept;
    /// What control is to know about the filter. @param resonance With what moves it.
    void ask(
        const Filter& filter, double resonance, ControlGroup& control, std::size_t lane) noexcept;
    /// Where the cutoff stands at the end of the next cell, and the drive before it.
    void set(const Filter& filter, double driveDb, const ControlGroup& control,
        std::size_t lane) noexcept;
    /// Whether the next cell passes as it is.
    bool idle() const noexcept { return idle_ && !fresh_; }

private:
    friend class FilterGroup;
    /// a1, a2, a3, the shares of input, band and low in the output, and two that make up eight.
    using Stage = std::array<float, 8>;
    /// Gain into the ceiling, gain behind it, how far it is there; and what makes up eight.
    using Drive = std::array<float, 8>;
    static constexpr Drive undriven = {1.0f, 1.0f, 0.0f};
    static Drive driveFor(double db) noexcept;
    static constexpr Stage passing = {1.0f, 0.0f, 0.0f, 1.0f, 0.0f, 0.0f, 0.0f, 0.0f};

    void setDrive(double db) noexcept;
    const Stage& from(std::size_t stage) const noexcept { return ends_[last_ ^ 1U][stage]; }
    const Stage& to(std::size_t stage) const noexcept { return ends_[last_][stage]; }

    /// At both ends of the cell, turn about, and whether a stage does anything there.
    std::array<std::array<Stage, 2>, 2> ends_{{{passing, passing}, {passing, passing}}};
    std::array<std::array<bool, 2>, 2> does_{};
    std::size_t last_ = 0;
    Drive driveFrom_ = undriven, driveTo_ = undriven;
    double driveDb_ = 0.0; ///< That `driveTo_` is for.
    /// Of each channel: two for each stage, what went into the drive last, and what makes up eight.
    std::array<std::array<float, 8>, 2> states_{};
    /// Of each channel: what went into the drive, and what came out of its ceiling at four times
    /// the rate.
    std::array<std::array<float, 64>, 2> history_{};
    bool fresh_ = true, idle_ = true;
    double resonance_ = -1.0; ///< That the dampings are for.
    bool steep_ = false;
    std::array<float, 2> dampings_{};
    bool second_ = false; ///< Whether the second stage does anything.
    bool driven_ = false; ///< Whether the drive does.
    bool turns_ = false; ///< Whether the shares of input, band and low are others at its end.
};

/// Up to eight notes side by side, as one vector.
class FilterGroup {
public:
    static constexpr std::size_t most = 8;
    /// @param right Null for a note of one channel. There must be room: no more than `most`.
    void add(FilterRun& run, float* left, float* right) noexcept;
    /// Filters frames `from` to 32 of every buffer in place, and forgets them.
    void run(int from = 0) noexcept;

private:
    std::array<FilterRun*, most> runs_{};
    std::array<std::array<float*, most>, 2> buffers_{};
    std::size_t count_ = 0;
    bool second_ = false, driven_ = false, turns_ = false, both_ = false; ///< Of any of them.
};

/// Gain of a note's filter at a frequency, linear, for drawing and tests.
double filterGain(const Filter& filter, double cutoff, double hz, double rate);

} // namespace puretone
