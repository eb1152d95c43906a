// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Taking the rise or fall out of a loop. Inside the room `loop` only.

#include "audio/audio.h"
#include "loop/joint/bands.h"
#include "loop/loop.h"

namespace puretone {

/// Level of the stretch before the end over the level before the start.
///
/// Measured over `frames` frames on either side (at least 30 ms, at most the loop).
Decibels levelRise(const Audio& audio, Span loop, std::int64_t frames);

/// A gain over the loop, none at its start: a slope that runs evenly in dB, on before the start, or
/// the crossfade itself would step; and a swing that comes and goes once a round.
struct Evening {
    double levelDb = 0.0; ///< By how much the slope brings the end down, all bands.
    double swingDb = 0.0; ///< Amplitude of the level's swing that is taken out.
    double swingPhase = 0.0; ///< Where it is highest: cos(2 pi t + phase), t in rounds.
    std::array<double, bandCount> colourDb{}; ///< Slope beyond `levelDb`, by band; at most +-6 dB.
    bool colours() const;
    bool any() const { return levelDb != 0.0 || swingDb != 0.0 || colours(); }
    /// Gain in dB for a band whose own slope is `colour`, `rounds` after the start.
    double gainDb(double colour, double rounds) const;
};

/// What the loop asks for: its share of the measured rise. Rises of more than 24 dB are another
/// sound and held there; bands 45 dB under the whole are left alone, or noise would be lifted.
Evening eveningFor(const Audio& audio, const Loop& loop);

/// The recording over `stretch`, evened for a loop.
Audio evened(const Audio& audio, const Loop& loop, const Evening& evening, Span stretch);

} // namespace puretone
