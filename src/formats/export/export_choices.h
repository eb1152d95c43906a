// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "formats/export/sound_choices.h"

#include <filesystem>

namespace puretone {

enum class FileKind { project, wav, sfz, sf2 };

/// What a format is usually written with: 24 bits, and 16 in a SoundFont, which every reader knows.
ExportChoices usualChoices(FileKind kind);
/// What a format can have of these: floats are 24 bits in SoundFonts and FLAC.
ExportChoices possible(ExportChoices choices, FileKind kind);

} // namespace puretone
