// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/id.h"

#include <cstddef>
#include <vector>

namespace puretone {

/// Plays held keys one after the other, in time with the tempo.
struct Pattern {
    enum class Order { up, down, upAndDown, asPlayed, atRandom, together };
    struct Step {
        bool sounds = true;
        std::vector<LayerId> layers; ///< That sound; none named: all of them.
        bool operator==(const Step&) const = default;
    };
    bool on = false;
    Order order = Order::up;
    double beats = 0.5; ///< Of a step, 1/16 to 8.
    double gate = 0.8; ///< Share of a step that a note is held, 0.05 to 1.
    double swing = 0.0; ///< How late every second step is, 0 to 0.75 of a step.
    int octaves = 1; ///< Over which the keys are repeated, 1 to 4.
    std::vector<Step> steps; ///< Come round; none: every step sounds.
    static constexpr std::size_t mostSteps = 32;
    bool operator==(const Pattern&) const = default;
};

inline constexpr double slowestTempo = 20.0, fastestTempo = 400.0; ///< Beats a minute.

} // namespace puretone
