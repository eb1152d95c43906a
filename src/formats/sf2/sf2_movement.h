// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/layer.h"

#include <map>
#include <vector>

namespace puretone::sf2 {

using Amounts = std::map<unsigned, int>; ///< Generator to amount, as signed 16 bits.
int amountIn(const Amounts& zone, unsigned generator, int fallback);

/// What moves a layer's notes, in generators (section 8.1.3): a low-pass of 12 dB per octave with
/// the modulation envelope, and the slow waves. What has no generator is left out;
/// lossesOf() says so.
Amounts movementAmounts(const Layer& layer);
/// What controllers and touch move (section 8.2): amounts by their source and the generator that
/// they add to. Those that a reader adds by itself and nobody asked for are taken away with 0.
struct Modulator {
    unsigned source = 0;
    unsigned generator = 0;
    int amount = 0;
    bool operator==(const Modulator&) const = default;
};
std::vector<Modulator> modulatorsOf(const Layer& layer);
/// Whether a movement is among them.
bool isWritten(const Layer& layer, const Movement& movement);
/// The same back. @return False for one that is not understood.
bool readModulator(const Modulator& modulator, Layer& layer);

/// The same back, for a zone that plays with these amounts; times that are not there are at their
/// defaults.
void readMovement(const Amounts& zone, Layer& layer);
/// A layer's filter and slow wave as they come back from a file.
Layer movedAsWritten(Layer layer);

} // namespace puretone::sf2
