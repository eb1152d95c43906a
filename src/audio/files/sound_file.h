// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "audio/files/original_file.h"
#include "audio/files/sampler_chunk.h"
#include "audio/signal/peaks.h"
#include "base/result.h"
#include "base/threads/progress.h"

#include <filesystem>
#include <string>

namespace puretone {

/// A file that was opened: its samples, and its own bytes so that it can be saved unchanged.
struct Recording {
    std::string fileName; ///< Last part of the path, UTF-8.
    std::string hash; ///< 32 hex digits of XXH3-128 over the file's bytes.
    AudioPtr audio;
    OriginalPtr original;
    std::optional<SamplerInfo> sampler; ///< Root and loops found inside a WAV file.

    bool operator==(const Recording& other) const
    {
        return fileName == other.fileName && hash == other.hash;
    }
};
using RecordingPtr = std::shared_ptr<const Recording>;

/// A shared recording that compares by contents: a reloaded file equals the one it was saved from.
class RecordingRef {
public:
    RecordingRef() = default;
    RecordingRef(RecordingPtr recording) // NOLINT: meant to convert
        : recording_(std::move(recording))
    {
    }
    const Recording& operator*() const { return *recording_; }
    const Recording* operator->() const { return recording_.get(); }
    const RecordingPtr& pointer() const { return recording_; }
    bool operator==(const RecordingRef& other) const
    {
        return recording_ == other.recording_
            || (recording_ && other.recording_ && *recording_ == *other.recording_);
    }

private:
    RecordingPtr recording_;
};

/// A block of a file that has just been read: for a picture that grows while loading.
struct ArrivedBlock {
    Span span; ///< Frames.
    std::int64_t total = 0; ///< Frames that the file says it has.
    Extent extent; ///< Of all channels together.
};
using ArrivedFunction = std::function<void(const ArrivedBlock&)>;

/// Frames per second that a recording may have; a header that claims anything else is damaged.
inline constexpr int lowestRate = 1000, highestRate = 768000;

/// Opens any format of libsndfile (WAV, AIFF, FLAC, Ogg, Opus, MP3 and more).
///
/// @return The recording, or `cannotRead`, `notAudio`, `damaged` (cut off, an impossible rate, or
///         samples that are not numbers), `nothingInside` (fewer than `shortestTake` frames),
///         `failed` (longer than memory), `cancelled`. Memory goes by what the file holds, not by
///         what its header claims.
Result<RecordingPtr> openRecording(const std::filesystem::path& path, const Progress& progress = {},
    const ArrivedFunction& arrived = {});
/// The same from bytes already in memory; `fileName` is for sentences.
Result<RecordingPtr> decodeRecording(
    std::vector<std::byte> bytes, const std::string& fileName, const Progress& progress = {});
/// The same from a file that is open already.
Result<RecordingPtr> decodeRecording(OriginalPtr original, const std::string& fileName,
    const Progress& progress = {}, const ArrivedFunction& arrived = {});
/// A recording made from samples: its original is a 32-bit float WAV.
RecordingPtr makeRecording(Audio audio, const std::string& fileName);

/// The same recording from a file of another name: two files may hold the same bytes.
RecordingPtr underName(const RecordingPtr& recording, const std::string& fileName);

/// What can be saved: the recording itself, or, where a long file has been written into since it
/// was opened, the samples as they were then in a file of their own.
RecordingPtr savable(const RecordingPtr& recording);

/// Fewer frames than this cannot be played as a tone by any key.
inline constexpr std::int64_t shortestTake = 16;

enum class SampleFormat { int16, int24, float32 };

struct WavShape {
    std::size_t channels = 1;
    double rate = 48000.0;
    std::uint64_t frames = 0;
};
/// A WAV file up to its first sample. One of more than four gigabytes counts in 64 bits (RF64, EBU
/// Tech 3306), which other programs may not read.
std::vector<std::byte> wavHead(
    const WavShape& shape, SampleFormat format, const std::optional<SamplerInfo>& sampler = {});
/// A whole WAV file in memory; samples beyond full scale are limited to it in the integer formats.
/// @param sampler Written as a `smpl` chunk when given.
std::vector<std::byte> encodeWav(
    const Audio& audio, SampleFormat format, const std::optional<SamplerInfo>& sampler = {});
/// Writes that file whole or not at all.
Result<void> writeWav(const std::filesystem::path& path, const Audio& audio, SampleFormat format,
    const std::optional<SamplerInfo>& sampler = {});

/// Writes samples into a file as FLAC, which has no floats: those become 24 bits. Not whole by
/// itself, see writeWhole. @return `cannotWrite`.
Result<void> writeFlac(const std::filesystem::path& path, const Audio& audio,
    SampleFormat format = SampleFormat::int24);
/// Writes a sound whole or not at all, by the ending of its name: FLAC of 24 bits, or else WAV of
/// 32-bit floats. @return `cannotWrite` with the reason.
Result<void> writeSound(const std::filesystem::path& path, const Audio& audio);

/// One sample as a 16-bit or 24-bit integer, limited to full scale.
int toInteger(float sample, int bits);

} // namespace puretone
