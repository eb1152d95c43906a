// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

namespace puretone {

/// The frame nearest to `around` at which the wave passes through zero upwards, on all channels
/// where such a frame exists within `reach`, otherwise on their mean, otherwise `around` itself.
Frames nearestCrossing(const Audio& audio, Frames around, std::int64_t reach);

} // namespace puretone
