// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/layer.h"

#include <map>

namespace puretone::sf2 {

using Amounts = std::map<unsigned, int>; ///< Generator to amount, as signed 16 bits.

/// What moves a layer's notes, in generators (section 8.1.3): a low-pass of 12 dB per octave with
/// the modulation envelope, and the slow waves. What has no generator is left out;
/// lossesOf() says so.
Amounts movementAmounts(const Layer& layer);
/// The same back, for a zone that plays with these amounts; times that are not there are at their
/// defaults.
void readMovement(const Amounts& zone, Layer& layer);
/// A layer's filter and slow wave as they come back from a file.
Layer movedAsWritten(Layer layer);

} // namespace puretone::sf2
