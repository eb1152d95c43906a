// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

#include <set>

namespace puretone {

// What a hand does to the zones of a layer. Pure functions: the layer as it was when the hand
// closed goes in, and how far it has moved since.

using ZoneIds = std::set<ZoneId>;

enum class ZoneEdge { lowKey, highKey, quiet, loud };

/// Moves a border. Zones that share it, and those that begin where it ends, go along, so that no
/// gap opens; a border never passes another one.
///
/// @param chosen Where the grabbed zone is among them, the same border of all of them moves.
/// @param by Keys or touches. @param alone Only what was grabbed and chosen moves.
void moveBorder(
    Layer& layer, ZoneId grabbed, ZoneEdge edge, int by, const ZoneIds& chosen, bool alone);

/// Moves zones over keys and touches, as far as all of them can go.
void moveZones(Layer& layer, const ZoneIds& chosen, int keys, int touches);

/// Whoever made these borders, they are to stay: those of a file that was opened.
void keepBorders(Instrument& instrument);

/// Over how many keys or touches a zone and those beside it at this border cross over; 0 for a hard
/// border.
int crossover(const Layer& layer, ZoneId zone, ZoneEdge edge);
/// Lets neighbours cross over about the border between them, each reaching half as far into the
/// other; where there is no neighbour the zone fades by itself.
void setCrossover(Layer& layer, ZoneId zone, ZoneEdge edge, int width);

/// Zones of one layer that lie on exactly the same keys and touches, in their order.
std::vector<ZoneId> stackOf(const Layer& layer, const Zone& zone);
/// Moves a zone to another place in its stack.
void moveInStack(Layer& layer, ZoneId zone, int to);

/// Keys that no zone of any layer that is on plays on press.
std::array<bool, 128> silentKeys(const Instrument& instrument);
/// Names of the layers that a key sounds, those that are on.
std::vector<std::string> layersOnKey(const Instrument& instrument, int key);

} // namespace puretone
