// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

namespace puretone {

/// A print of what sounds now.
Print planPrint(const Instrument& instrument, const PrintPlan& plan);
/// The instrument as it is printed: the print's layers with what plays its key, and its effects,
/// all of them on; what is gone meanwhile is left out.
Instrument printedPart(const Instrument& instrument, const Print& print);
/// Tells apart everything that a print is made of; names and what does not sound do not count.
std::string printSources(const Instrument& instrument, const Print& print);
/// Whether a take is a print whose sources have changed since.
bool isStalePrint(const Instrument& instrument, const Take& take);
/// Why a print cannot be made anew; empty where it can.
std::string printObstacle(const Instrument& instrument, const Print& print);
/// "Print of A#3: 2 layers, drive, reverb, held 4.00 s".
std::string describePrint(
    const Instrument& instrument, const Print& print, const Naming& naming = {});

/// A recording of a print as a take: all of it kept, its root the key that was printed.
Take printedTake(const Instrument& instrument, RecordingPtr recording, const Print& print,
    const std::string& name);
/// Adds prints of one kind as a layer of their own, spread by their keys and touches. It sounds
/// alone: the layers that they were made of are switched off, and the effects that are inside them.
/// @return The new layer, or none where there is no room for it, its takes or its zones.
LayerId addPrints(Instrument& instrument, std::vector<Take> prints, const std::string& layerName);
/// A print that was made anew in the place of the old one: its treatments, fades, tuning and loop
/// stay where they fit.
void replacePrint(Instrument& instrument, TakeId id, RecordingPtr recording, Print print);

} // namespace puretone
