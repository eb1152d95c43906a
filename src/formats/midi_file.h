// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/render.h"

#include <filesystem>

namespace puretone {

/// Reads a Standard MIDI file, all tracks and channels together, with its tempo changes.
///
/// @return Events in time order, or `cannotRead`, `notAudio` for another kind of file,
///         `nothingInside` when it holds no notes.
Result<std::vector<TimedEvent>> readMidiFile(const std::filesystem::path& path);

} // namespace puretone
