// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "formats/sound_choices.h"

#include <filesystem>

namespace puretone {

enum class FileKind { project, wav, sfz, sf2 };

/// What may be chosen about an export; a project has no choices.
struct ExportChoices {
    SoundChoices sound;
    bool flac = false; ///< SFZ: samples as FLAC instead of WAV. Floats become 24 bits then.
    /// WAV: every so many semitones a file of what that key sounds like, effects included; 0 for
    /// the takes themselves, with their loops.
    int keyStep = 0;
    bool operator==(const ExportChoices&) const = default;
};

/// What a format is usually written with: 24 bits, and 16 in a SoundFont, which every reader knows.
ExportChoices usualChoices(FileKind kind);
/// What a format can have of these: floats are 24 bits in SoundFonts and FLAC.
ExportChoices possible(ExportChoices choices, FileKind kind);

} // namespace puretone
