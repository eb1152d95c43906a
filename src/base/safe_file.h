// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"

#include <cstddef>
#include <filesystem>
#include <functional>
#include <span>
#include <vector>

namespace puretone {

/// Reads a whole file.
///
/// @return Its bytes, or `cannotRead` when it is missing, a folder, or may not be read.
Result<std::vector<std::byte>> readFile(const std::filesystem::path& path);

/// Lets `writer` fill a temporary file beside `target`, syncs it, checks it and renames it.
///
/// The target is either the complete new file or what it was before. What killed processes left in
/// its folder is removed on the way.
/// @param writer Gets the temporary path (same folder, same extension); its error is passed on.
/// @param check Runs on the finished temporary file before it takes the target's place; may be
/// empty.
/// @return `cannotWrite` when the folder is missing, read-only or full.
Result<void> writeWhole(const std::filesystem::path& target,
    const std::function<Result<void>(const std::filesystem::path&)>& writer,
    const std::function<Result<void>(const std::filesystem::path&)>& check = {});

/// Removes temporary files of writeWhole that processes which are gone left in a folder.
/// @return How many there were.
int removeAbandoned(const std::filesystem::path& folder);

/// Writes bytes to an existing or new file, telling a full disk from success.
Result<void> writeBytes(const std::filesystem::path& path, std::span<const std::byte> bytes);

/// "fog-horn.flac": the last part of a path as UTF-8, for sentences.
std::string shownName(const std::filesystem::path& path);

} // namespace puretone
