// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"

#include <filesystem>
#include <string>

namespace puretone::sfz {

/// The text of an SFZ file with its comments gone, its `#include`s in place and its `#define`s
/// filled in.
///
/// @return `cannotRead` or `damaged` with a sentence: a file that includes itself, ones that lie
///         outside of the file's folder and the one above it, more than there is room for.
Result<std::string> readText(const std::filesystem::path& path);

/// Where a file that an SFZ file names lies. @return `damaged` for an absolute path, and for one
/// that leads out of the file's folder and the one above it: an instrument that was handed over
/// has no business elsewhere.
Result<std::filesystem::path> fileBeside(const std::filesystem::path& sfz, std::string name);

} // namespace puretone::sfz
