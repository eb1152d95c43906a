// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// The single formats behind instrument_file.h.

#include "base/progress.h"
#include "engine/prepared.h"

#include <filesystem>

namespace puretone {

/// Project archive: see docs/format.md.
Result<void> writeProject(const Instrument& instrument, const std::filesystem::path& path);
Result<Instrument> readProject(const std::filesystem::path& path, const Progress& progress = {});

/// SoundFont 2.01 ("SoundFont Technical Specification", version 2.04), 16 bit: one preset.
std::vector<std::byte> encodeSoundFont(const Instrument& instrument);
/// Reads the first preset of a bank.
Result<Instrument> decodeSoundFont(std::span<const std::byte> bytes, const std::string& name);

/// SFZ text whose samples lie in `samplesFolder` (relative, "/" as separator).
std::string encodeSfz(const Instrument& instrument, const std::string& samplesFolder);
/// File name of one take's sample inside that folder.
std::string sampleName(const Take& take);
/// Where the samples of an SFZ file lie: "NAME samples" beside it.
std::filesystem::path sfzFolder(const std::filesystem::path& sfz);
Result<Instrument> readSfz(const std::filesystem::path& path, const Progress& progress = {});

/// WAV of one prepared take with root, tuning and loop in its `smpl` chunk.
std::vector<std::byte> encodeTakeWav(const PreparedTake& prepared, SampleFormat format);

/// A take that plays a finished sample as it is: no fades, no crossfade, tuned.
Take finishedTake(int id, const std::string& name, RecordingPtr recording, double midi,
    std::optional<Span> loop, LoopMode mode = LoopMode::forward);

/// Compares what was read with what should have been written: samples within one step of `bits`,
/// loops equal, tuning within `cents`. Empty when equal, otherwise what differs.
std::string difference(
    const Instrument& original, const Instrument& readBack, int bits, double cents);
/// The same for the envelope, where a format holds one.
std::string envelopeDifference(const Instrument& original, const Instrument& readBack);

} // namespace puretone
