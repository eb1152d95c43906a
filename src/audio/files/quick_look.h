// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"

#include <filesystem>
#include <optional>
#include <vector>

namespace puretone {

/// What a list shows of a sound file that nobody has opened.
struct QuickLook {
    double seconds = 0.0;
    std::vector<Extent> columns; ///< Of its first minute, all channels together.
};

/// Reads it without listening: at most the first minute. Nothing for what is no sound.
std::optional<QuickLook> quickLook(const std::filesystem::path& path, std::size_t columns);

} // namespace puretone
