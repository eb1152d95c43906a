// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"
#include "pitch/series/periodicity.h"

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

} // namespace puretone
