// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

#include <functional>
#include <string>

namespace puretone {

/// Version of the document's JSON; a reader refuses a newer one with a sentence.
inline constexpr int schemaVersion = 4;

/// The document as JSON text; takes name their audio as "audio/HASH.EXT". See docs/format.md.
std::string toJson(const Instrument& instrument);

/// Where a take's original file lies inside the archive.
std::string audioPath(const Recording& recording);

/// What was found out about its takes, as JSON text for a place beside the document.
std::string factsToJson(const Instrument& instrument);
/// Puts them back. Those that are damaged, or that are not of a take as it is, are left out.
void addFacts(Instrument& instrument, const std::string& text);

/// Reads a document back. Its sounds are still to be made (makeSounds).
///
/// @param audio Gives the recording for an archive path and the file name it had.
/// @return The document with every number in range, or `damaged` with a sentence naming `name`, or
///         the error that `audio` gave.
Result<Instrument> fromJson(const std::string& text, const std::string& name,
    const std::function<Result<RecordingPtr>(const std::string& path, const std::string& fileName)>&
        audio);

/// One line of `puretone-cli analyze --json` for a take.
std::string analysisJson(const std::string& file, const Take& take);
/// The same facts as a few lines for people.
std::string analysisText(const std::string& file, const Take& take);
/// What `puretone-cli info --json` prints.
std::string infoJson(const std::string& file, const Instrument& instrument);
std::string infoText(const Instrument& instrument);

/// A piece of a split and the file it was written to.
struct SplitFile {
    const Take* take;
    std::string file;
};
/// What `puretone-cli split` prints: one array, or one line each for people.
std::string splitJson(const std::vector<SplitFile>& pieces);
std::string splitText(const std::vector<SplitFile>& pieces);

} // namespace puretone
