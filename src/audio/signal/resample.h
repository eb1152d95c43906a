// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

namespace puretone {

/// One channel at another rate (soxr, very high quality, linear phase, no delay).
///
/// @param rateOut Above 0. @return round(input * rateOut / rateIn) samples.
std::vector<float> resample(std::span<const float> input, double rateIn, double rateOut);

/// Every channel at another rate.
Audio resample(const Audio& audio, double rateOut);

} // namespace puretone
