// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/offline/print.h"
#include "formats/export/export_choices.h"

#include <string>
#include <vector>

namespace puretone {

/// Letters that every file system and every reader takes, at most so many bytes that an ending and
/// a number still fit.
std::string plainFileName(const std::string& name);

/// "046 A#2 fog horn.wav": each take of an instrument by its root key, no two alike.
std::vector<std::string> takeFileNames(const Instrument& instrument);
/// "046 A#2.wav".
std::string keyFileName(int key);
/// The keys that are written, every ExportChoices::keyStep from the lowest that plays.
PrintMany keysOf(const Instrument& instrument, const ExportChoices& choices);

} // namespace puretone
