// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "formats/export/export_choices.h"
#include "model/instrument/instrument.h"

#include <filesystem>

namespace puretone {

/// By the extension, any case; nothing for one that cannot be written.
std::optional<FileKind> kindOfFile(const std::filesystem::path& path);

/// What was written, and how it was found to be right.
struct Written {
    std::vector<std::filesystem::path> files; ///< The one that was asked for is first.
    std::uint64_t bytes = 0;
    std::string checked; ///< One or two sentences: what was read back, compared and played.
    std::string trouble; ///< What played differs by more than is heard; empty where nothing does.
};

/// Writes an instrument in the format of the extension, reads it back, compares it with what was to
/// be written, and plays both (see comparePlayed).
///
/// `.wav` holds the first take only. Every file appears whole or not at all.
/// @param choices None: the usual ones.
/// @return `badValue` for an unknown extension or an instrument without takes, `cannotWrite`, or
///         `checkFailed` when what was read back differs (nothing is left behind then).
Result<Written> writeInstrument(const Instrument& instrument, const std::filesystem::path& path,
    const std::optional<ExportChoices>& choices = {}, const Progress& progress = {});
/// Every take as a WAV file, named by its note, or every so many keys one (ExportChoices::keyStep).
///
/// @param folder Made where it is missing; what else is in it stays.
/// @param names File names of the takes, one each, where they have others than those of their
/// notes.
/// @return Also `cannotWrite`; nothing is left behind then.
Result<Written> writeWavSet(const Instrument& instrument, const std::filesystem::path& folder,
    const ExportChoices& choices, const Progress& progress = {},
    std::vector<std::string> names = {});

/// A file that an export will make.
struct PlannedFile {
    std::filesystem::path path;
    std::uint64_t bytes = 0;
    /// False where only writing tells: FLAC, sounds that have yet to be made, other keys' tails.
    bool exact = true;
};
/// What writeInstrument would write, the one that is asked for first.
std::vector<PlannedFile> plannedFiles(const Instrument& instrument,
    const std::filesystem::path& path, const std::optional<ExportChoices>& choices = {});
/// What writeWavSet would write.
std::vector<PlannedFile> plannedWavSet(const Instrument& instrument,
    const std::filesystem::path& folder, const ExportChoices& choices);
std::uint64_t totalBytes(const std::vector<PlannedFile>& files);

/// What a file says and nobody here plays, in the words of its format.
using LeftOut = std::vector<std::string>;

/// One of the instruments in a bank.
struct BankPreset {
    std::string name;
    int bank = 0, program = 0;
};
/// What a SoundFont holds, by bank and program; empty for other files.
std::vector<BankPreset> presetsIn(const std::filesystem::path& path);

/// Opens an instrument of any kind that is written, or any sound file as a new instrument.
///
/// @param leftOut Gets what is not taken over; empty for projects and sounds.
/// @param preset Of a bank, by its place in presetsIn.
/// @return `cannotRead`, `damaged`, `notAudio`, `nothingInside` or `cancelled`, naming the file.
Result<Instrument> openInstrument(const std::filesystem::path& path, const Progress& progress = {},
    LeftOut* leftOut = nullptr, std::size_t preset = 0);

} // namespace puretone
