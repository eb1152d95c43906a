// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

namespace puretone {

/// How far a take may be transposed before it loses its character, semitones; a proposal.
struct Reach {
    int down = 12, up = 12; ///< 3 to 24.
    bool operator==(const Reach&) const = default;
};

/// Proposes it from the spectrum and the attack of what is kept.
///
/// Transposing moves a sound's resonances along with its pitch: the more its spectrum stands out
/// from an even slope, as a voice's or a body's does, the sooner it is heard as another one.
/// Downwards its attack becomes slow in proportion and its top sinks below what an ear takes for
/// bright; upwards its top leaves what can be heard.
Reach proposeReach(const Take& take);

} // namespace puretone
