// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/result.h"

namespace puretone {

/// Proposes which part of a recording is kept: from the attack's first zero crossing to where the
/// decay meets the noise.
///
/// Steady sounds, slow swells and noises reach the noise nowhere and are kept whole.
/// @param name For the sentence.
/// @return A span of at least 16 frames, or `nothingInside` when the recording is silent (its peak
///         stays under -90 dB).
Result<Span> proposeKept(const Audio& audio, const std::string& name);

} // namespace puretone
