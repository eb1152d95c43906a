// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/program/prepared.h"
#include "formats/export/export_choices.h"

#include <memory>

namespace puretone {

/// A zone of a layer, or one of its voices in unison, with all that other formats say of it in one
/// place: what writers write, and what the check compares with what was read back.
struct Region {
    const Take* take = nullptr; ///< Of the instrument, which must outlive this.
    const Layer* layer = nullptr;
    Zone zone;
    /// Shared by all regions that play the same; null where it was not asked for.
    std::shared_ptr<const PreparedTake> prepared;
    int rootKey = 60;
    double tuneCents =
        0.0; ///< Of take, zone and layer, octaves included: above the root key's pitch.
    double levelDb = 0.0; ///< Of zone and layer, on the louder side.
    double pan = 0.0; ///< Of both: -1 left to 1 right.
    int turn = 0, turns = 1; ///< Its place among zones of the same keys that sound one at a time.

    bool onRelease() const { return layer->when == SoundsWhen::release; }
};

/// The regions of an instrument that a format carries, layer by layer; layers that are off are left
/// out.
///
/// @param prepares Whether the takes are prepared to be written, each once.
enum class Prepares { nothing, plans, samples };
std::vector<Region> flatten(const Instrument& instrument, FileKind kind,
    Prepares prepares = Prepares::samples, const SoundChoices& sound = asHeard());

/// Level of the loudest of them; at least one.
double loudestDb(const std::vector<Region>& regions);

/// What a format does not carry, one sentence each; empty where nothing is lost.
/// @param wavSet Of WAV files: whether every take is written.
std::vector<std::string> lossesOf(const Instrument& instrument, FileKind kind, bool wavSet = false);

} // namespace puretone
