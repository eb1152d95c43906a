// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/progress.h"
#include "pitch/periodicity.h"

#include <optional>

namespace puretone {

/// The pitch over time, where there is one.
struct PitchLine {
    struct Point {
        double seconds = 0.0;
        double midi = 0.0;
        double clarity = 0.0; ///< 0 (noise) to 1 (perfectly periodic).
        double level = 0.0; ///< Root mean square.
        bool operator==(const Point&) const = default;
    };
    std::vector<Point> points; ///< Voiced frames only.
    std::size_t frames = 0; ///< All that were looked at.
    bool operator==(const PitchLine&) const = default;
};

/// Joins what the frames say to one line: each frame proposes some periods with probabilities, and
/// the best path through them (voiced or not) is kept.
///
/// Proposals and their probabilities follow M. Mauch and S. Dixon, "pYIN", ICASSP 2014, on the
/// normalised square difference N; the path is A. Viterbi's (1967), with a heavy-tailed cost for
/// leaps. @param anchorHz The decided pitch: of two octaves that explain a frame alike, the one
/// nearer to it is taken.
PitchLine bestPath(const Periodicity& periodicity, double anchorHz);

struct TrackOptions {
    double windowSeconds = 0.0; ///< 0: four periods of the pitch, 12 to 93 ms.
    double hopSeconds = 0.010;
    std::size_t mostPoints = 600; ///< Spread over the take where there would be more.
};

/// Follows a pitch that is already known through one take, off and back on, up and down.
///
/// Each point is refined by the multiples of its period that still repeat: below one cent on a
/// steady tone from 40 Hz to 8 kHz. A glide is averaged over the window.
/// @param mono Full scale +-1. @param midi The decided pitch.
PitchLine followPitch(std::span<const float> mono, double rate, double midi,
    const TrackOptions& options = {}, const Progress& progress = {});

/// The same for a stretch of any length: long ones are followed piece by piece, so that the memory
/// needed does not grow with them.
PitchLine followPitch(const Audio& audio, Span span, double midi, const TrackOptions& options = {},
    const Progress& progress = {});

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
/// @return Nothing for fewer than three points.
std::optional<PitchMovement> measureMovement(const PitchLine& line);

} // namespace puretone
