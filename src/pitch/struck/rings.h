// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/series/spectrum.h"

namespace puretone {

/// Measures how long each partial rings and writes it into `decay`: a straight line through its
/// level in windows spread over the take, down to where it meets its surroundings.
///
/// @param mono The take. A partial that does not fall by 6 dB while it can be heard keeps 0.
/// Cost: a dozen transforms of a quarter second.
void measureDecays(std::vector<Partial>& partials, std::span<const float> mono, double rate);

} // namespace puretone
