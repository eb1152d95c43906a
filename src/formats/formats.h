// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// The single formats behind instrument_file.h.

#include "base/threads/progress.h"
#include "formats/export/regions.h"
#include "formats/project/instrument_file.h"

#include <filesystem>
#include <functional>
#include <map>

namespace puretone {

/// Size of a project archive; exact where it has less than four gigabytes.
std::uint64_t projectBytes(const Instrument& instrument);
/// Project archive: see docs/format.md.
Result<void> writeProject(const Instrument& instrument, const std::filesystem::path& path);
/// Without its treated sounds: makeSounds makes them.
Result<Instrument> readProject(const std::filesystem::path& path, const Progress& progress = {});

/// A note: of a file, only what plays it may be read.
struct PlayedNote {
    int key = 60, touch = 100;
};

/// SoundFont 2.01, or 2.04 with 24 bits ("SoundFont Technical Specification", version 2.04): one
/// preset. Each sample is made when its turn comes, written, read back, compared and forgotten:
/// their sum may be larger than memory.
///
/// @param plans Regions with plans, at least one (see Prepares).
/// @param sampleOf Makes the sample of a region, as it was planned.
/// @return `cannotWrite`; `checkFailed`, naming what differs; `cancelled`.
Result<void> writeSoundFont(const std::filesystem::path& path, const std::string& name,
    const std::vector<Region>& plans, Depth depth,
    const std::function<PreparedTake(const Region&)>& sampleOf, const Progress& progress = {});
struct SoundFontSize {
    std::uint64_t bytes = 0; ///< Of the file.
    /// Its tables do, whose places have 16 bits, and no more than mostTakes zones.
    bool fits = true;
};
/// Plans are enough.
SoundFontSize soundFontSize(
    const std::string& name, const std::vector<Region>& regions, Depth depth);
/// Reads one preset of a bank, by its place in soundFontPresets.
///
/// @param only Zones that do not play it are left out, with their samples; there may be none left.
Result<Instrument> readSoundFont(const OriginalFile& file, const std::string& name,
    LeftOut* leftOut = nullptr, std::size_t preset = 0, const std::optional<PlayedNote>& only = {});
/// By bank and program; empty for what is no bank.
std::vector<BankPreset> soundFontPresets(const OriginalFile& file);

/// SFZ text whose samples lie in `samplesFolder` (relative, "/" as separator).
/// @param ending Of their names, ".wav" or ".flac".
std::string encodeSfz(const std::string& name, const std::vector<Region>& regions,
    const std::string& samplesFolder, const std::string& ending = ".wav");
/// File name of a region's sample inside that folder.
std::string sampleName(const Region& region, const std::string& ending = ".wav");
/// Where the samples of an SFZ file lie: "NAME samples" beside it.
std::filesystem::path sfzFolder(const std::filesystem::path& sfz);
/// Where the file that an SFZ names is to be read from, if not from where it says.
using SampleFiles = std::function<std::filesystem::path(const std::filesystem::path&)>;
/// @param only As for a SoundFont.
Result<Instrument> readSfz(const std::filesystem::path& path, const Progress& progress = {},
    LeftOut* leftOut = nullptr, const std::optional<PlayedNote>& only = {},
    const SampleFiles& where = {});
/// Of an SFZ file or a SoundFont what plays a note; all of other files.
Result<Instrument> openForNote(const std::filesystem::path& path, const PlayedNote& note);
/// The sentence for it.
std::string cancelledWriting();
/// "x was written, but reading it back gave another result: the loop differs."
Error checkFailed(const std::filesystem::path& path, const std::string& what);

SamplerInfo samplerOf(const PreparedTake& prepared);
/// WAV of one prepared take with root, tuning and loop in its `smpl` chunk.
std::vector<std::byte> encodeTakeWav(const PreparedTake& prepared, SampleFormat format);

/// A take that plays a finished sample as it is: no fades, no crossfade, tuned.
Take finishedTake(TakeId id, const std::string& name, RecordingPtr recording, double midi,
    std::optional<Span> loop, LoopMode mode = LoopMode::forward);

/// Whether what was read is what was wanted, within one step of `bits`; more may follow.
bool isSameChannel(std::span<const float> wanted, std::span<const float> got, int bits);
/// Compares samples: within one step of `bits`. Empty when equal, otherwise what differs.
std::string compareAudio(const Audio& wanted, const Audio& got, int bits);

/// A key and what moves it, cents, as the tuning of a take of a layer. Whole keys go into the root
/// where the pitch follows the keys one to one; otherwise keys are counted from that root, and
/// whole octaves go into the layer.
Tuning tuningOn(int key, double movedCents, Layer& layer);

/// The groups of a file, whatever their numbers, as those of an instrument: 1 to 16 as they come, 0
/// for none and for those beyond.
class ChokeGroups {
public:
    int of(int number);

private:
    std::map<int, int> known_;
};

/// The layer that a region which was read belongs to: the last one where it is played the same way
/// and nothing says that another begins; otherwise a new one, as long as there is room.
///
/// @param like Without zones. @param begins Whether a new layer begins here in any case.
Layer& layerFor(Instrument& instrument, const Layer& like, bool begins);

/// How exactly a format keeps numbers.
struct Exactness {
    int bits = 24; ///< Of a sample.
    double cents = 0.501;
    double db = 0.01;
    bool places = true; ///< Pan, turns, crossovers, triggers.
};
/// Compares what was read with what should have been written, region by region. Empty when equal,
/// otherwise what differs.
std::string difference(const std::vector<Region>& original, const std::vector<Region>& readBack,
    const Exactness& exactness);

} // namespace puretone
