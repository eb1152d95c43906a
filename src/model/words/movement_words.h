// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"
#include "effects/effect.h"
#include "model/instrument/layer.h"

#include <optional>
#include <string>
#include <vector>

namespace puretone {

// Movements as sentences: "Mod wheel opens the cutoff by +2 oct as far as touch allows".

std::string sourceName(const Source& source, const std::array<Wave, mostWaves>& waves);
/// "sine, 0.30 Hz", "saw down, 4 beats".
std::string waveName(const Wave& wave);
/// "+2.00 oct", "±0.6 oct" for a source that swings to both sides.
std::string amountText(const Movement& movement);

/// What a movement does, in pieces that stand beside each other.
struct MovementSentence {
    std::string source, verb, amount, by;
    std::string whole() const;
};
/// @param effects Of the instrument, for what moves them.
MovementSentence sentenceOf(
    const Layer& layer, const Movement& movement, const Effects& effects = {});
/// "echo mix", for what a movement of an effect moves; empty where there is no such effect.
std::string effectValueName(const Effects& effects, int number);

/// A movement that is to be, with the wave that it wants for itself.
struct NewMovement {
    Movement movement;
    std::optional<Wave> wave; ///< Where its source is one.
    /// What is set now is where the source leads to at its highest: the base gives way. Not for a
    /// source that swings to both sides.
    bool fromBelow = false;
};
/// Reads "wheel cutoff 2 oct", "wheel echo mix 40 %", "sine 0.3 Hz cutoff 0.6 oct by wheel", "touch
/// level 24 dB", "controller 74 resonance": a source, a target, an amount and what allows it, the
/// last two as wanted. "Noise 4 Hz level 6 dB" is a drift, "chance 2 Hz" steps. "Wheel plays level"
/// moves it from below. What sentenceOf() says is read, too.
///
/// @param manner Of the layer: the place of a frozen moment is another one than that in the room.
/// @return `badValue` with what was not understood.
Result<NewMovement> parseMovement(
    const std::string& text, const Effects& effects = {}, Manner manner = Manner::asRecorded);

/// Adds it to the layer; a wave takes a place that no movement follows. @return Its place; or
/// `badValue` where there is no room.
Result<std::size_t> addMovement(Layer& layer, const NewMovement& wanted);

/// Movements that people make most, by name.
struct ReadyMovement {
    const char* name;
    NewMovement made;
};
const std::vector<ReadyMovement>& readyMovements();

/// Values that a person turned to be moved by a source: how far the base must give way so that
/// nothing jumps while the source stands where it does.
///
/// @param value Of the source now.
void keepSounding(Layer& layer, const Movement& added, double value);

} // namespace puretone
