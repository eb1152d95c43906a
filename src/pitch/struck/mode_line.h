// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/units.h"

#include <optional>
#include <span>
#include <vector>

namespace puretone {

/// One mode of a struck sound, followed from its strike on.
struct ModeLine {
    struct Point {
        double seconds = 0.0; ///< From the beginning of the take.
        double midi = 0.0;
        double amplitude = 0.0; ///< Of the spectral peak; only ratios mean something.
        double share = 0.0; ///< Of the frame's power that lies in this peak's lobe, 0 to 1.
        double overFloor = 0.0; ///< dB over the median of the spectrum about it.
    };
    std::vector<Point> points; ///< Until it is 26 dB down for good.
    double heard = 0.0; ///< MIDI: where it dwells while it is loud.
    double gather = 0.0; ///< Share of its loudness within 50 cents of `heard`, 0 to 1.
    double rest = 0.0; ///< MIDI: its last third.
    double share = 0.0; ///< Mean of the points', by amplitude.
    double jitter = 0.0; ///< Cents that it jumps about from point to point, by amplitude.
    double spread = 0.0; ///< Deviation, cents, by loudness.
    double fall = 0.0; ///< Cents from its first to its last quarter.

    double overFloor() const; ///< Median of the points', dB.
    /// Whether it is one line at all, and stands out of what is about it.
    bool solid() const;
    bool glides() const { return spread > 25.0 || std::abs(fall) > 40.0; }
    bool dwells() const { return gather >= 0.5; }
};

/// Follows the mode near a frequency through the first 1.5 s after the strike, five semitones off
/// and back. Skins and kicks glide: an ear names where such a line dwells while it is loud, and
/// loudness grows with about the 0.6th power of the amplitude (S. Stevens, "On the psychophysical
/// law", 1957).
///
/// @param mono Full scale +-1. @return Nothing where the sound is too short for four points,
/// silent, or has no such mode.
std::optional<ModeLine> followMode(std::span<const float> mono, double rate, Hz near);

} // namespace puretone
