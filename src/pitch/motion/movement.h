// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/motion/track.h"

#include <optional>

namespace puretone {

/// How a pitch moves while it lasts.
struct PitchMovement {
    double low = 0.0, high = 0.0; ///< MIDI; nine tenths of the sounding time lie between.
    double mean = 0.0; ///< MIDI, weighted by level.
    double centre = 0.0; ///< MIDI: what the vibrato swings about; the mean where there is none.
    double vibratoHz = 0.0; ///< 3 to 9; 0 where none is regular enough to be told.
    double vibratoCents = 0.0; ///< Half the swing.
    double spread = 0.0; ///< Cents: standard deviation about the mean.
    double slowRange = 0.0; ///< Cents between the extremes of the line without its vibrato.
    double steadyStart = 0.0, steadyEnd = 0.0; ///< Seconds: where it moves least.
    double steady = 0.0; ///< MIDI: the pitch there.
    double steadySpread = 0.0; ///< Cents: what it still moves there.
    double jitter = 0.0; ///< Cents that one point strays from the line between its neighbours.
    double clarity = 0.0; ///< Mean over the voiced frames.
    double voiced = 0.0; ///< Share of the frames that have a pitch.

    /// A line, not leaps between frames that have little to do with each other.
    bool smooth() const { return jitter < 12.0 && voiced > 0.7; }
    /// It moves for a while and stays elsewhere: what it stays on is the note.
    bool rests() const { return steadySpread < 10.0 && steadySpread < 0.35 * spread; }
    bool operator==(const PitchMovement&) const = default;
};
/// Whether a line drifts or slides, beyond what vibrato does.
inline bool wanders(const std::optional<PitchMovement>& movement)
{
    constexpr double wanderingCents = 40.0;
    return movement && movement->smooth() && movement->slowRange > wanderingCents;
}
/// @return Nothing for fewer than three points.
std::optional<PitchMovement> measureMovement(const PitchLine& line);

} // namespace puretone
