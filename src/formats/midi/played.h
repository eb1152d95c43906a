// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

#include <filesystem>
#include <string>

namespace puretone {

/// What is heard when the same keys are played on two instruments. The worst of all keys.
struct Played {
    int keys = 0; ///< That were played: up to sixteen of a file, at roots of zones.
    int silent = 0; ///< Of those, that sound on one of them only.
    int compared = 0; ///< Of those, whose waves are alike enough to compare their pitch.
    double cents = 0.0; ///< Of pitch.
    double levelDb = 0.0;
    int joints = 0; ///< Loops that were compared; one that several keys play counts for each.
    double seamCost = 0.0; ///< By which the worst joint is worse, see seamCost.
    bool jointHeard = false; ///< One is audible that was not before.

    /// The same of other files: the worst of both.
    void add(const Played& more);
};

/// Plays a document without its effects and pattern, and a file that was written from it.
Played comparePlayed(const Instrument& document, const Instrument& file);
/// The same of a file on disk, of which only what plays each key is in memory.
Played comparePlayed(const Instrument& document, const std::filesystem::path& file);
/// "Played back: 12 keys within 0.1 ct and 0.2 dB; the joints as before."
std::string describe(const Played& played);
/// One sentence where something is off by more than is heard; empty otherwise.
std::string troubleOf(const Played& played);

} // namespace puretone
