// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "model/instrument/instrument.h"

namespace puretone {

/// What one zone would change by.
struct LevelMatch {
    ZoneId zone;
    double heardLufs = 0.0; ///< As it plays now, its level counted.
    double levelDb = 0.0; ///< Of the zone, afterwards.
    double changeDb = 0.0;
};

/// Zone levels at which the takes of a layer are as loud as each other: loudness by EBU R 128
/// (libebur128) over the same stretch of each from its beginning, as long as the shortest, at most
/// three seconds. Zones of other touches are matched among themselves, so that soft ones stay soft.
/// The middle one of each such group stays as it is.
///
/// @return In the order of the layer; silent takes are left out. Empty when cancelled.
std::vector<LevelMatch> matchLevels(
    const Instrument& instrument, LayerId layer, const Progress& progress = {});

void applyMatch(Layer& layer, const std::vector<LevelMatch>& matches);
/// Every zone at 0 dB.
void levelsAsRecorded(Layer& layer);

} // namespace puretone
