// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/effect.h"

namespace puretone {

/// What an effect does, to be drawn in a unit square: x to the right, y upwards. It comes from the
/// same functions and processors that sound.
struct EffectPicture {
    struct Point {
        float x = 0.0f, y = 0.0f;
    };
    using Line = std::vector<Point>;
    std::vector<Line> lines; ///< The first one is the main one.
    std::vector<float> area; ///< Heights of columns from the left to the right edge, 0 to 1.
    /// Times at which it comes again, heights from -1 (right side) to 1 (left side).
    std::vector<Point> bars;
    float zero = -1.0f; ///< Height of a line that means nothing happens; below 0 for none.
    bool diagonal = false; ///< That a curve without the effect would be.
    std::string span; ///< How long or wide it is: "2.0 s", "20 Hz to 20 kHz".
};

/// @param beatsPerSecond Of the song. Takes a few milliseconds.
EffectPicture pictureOf(const Effect& effect, double beatsPerSecond);

} // namespace puretone
