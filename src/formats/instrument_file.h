// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/progress.h"
#include "model/instrument.h"

#include <filesystem>

namespace puretone {

enum class FileKind { project, wav, sfz, sf2 };

/// By the extension, any case; nothing for one that cannot be written.
std::optional<FileKind> kindOfFile(const std::filesystem::path& path);
/// "an instrument with its audio inside", for lists.
const char* describe(FileKind kind);

/// What was written, and how it was found to be right.
struct Written {
    std::vector<std::filesystem::path> files; ///< The one that was asked for is first.
    std::uint64_t bytes = 0;
    std::string checked; ///< One sentence: what was read back and compared.
};

/// Writes an instrument in the format of the extension, reads it back and compares it.
///
/// `.wav` holds the first take only. Every file appears whole or not at all.
/// @return `badValue` for an unknown extension or an instrument without takes, `cannotWrite`, or
///         `checkFailed` when what was read back differs (nothing is left behind then).
Result<Written> writeInstrument(const Instrument& instrument, const std::filesystem::path& path);

/// What a file says and nobody here plays, in the words of its format.
using LeftOut = std::vector<std::string>;

/// Opens an instrument of any kind that is written, or any sound file as a new instrument.
///
/// @param leftOut Gets what is not taken over; empty for projects and sounds.
/// @return `cannotRead`, `damaged`, `notAudio`, `nothingInside` or `cancelled`, naming the file.
Result<Instrument> openInstrument(
    const std::filesystem::path& path, const Progress& progress = {}, LeftOut* leftOut = nullptr);

/// What writing would give, without writing: bytes of all files together.
std::uint64_t estimateBytes(const Instrument& instrument, FileKind kind);

} // namespace puretone
