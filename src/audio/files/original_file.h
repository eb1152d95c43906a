// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/result.h"

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <memory>
#include <span>
#include <string>
#include <vector>

namespace puretone {

/// The bytes that a recording was opened from, kept so that it can be saved unchanged. Short files
/// are held in memory; long ones stay on disk, held open: removing such a file takes nothing away,
/// only writing into it does, and its hash tells.
class OriginalFile {
public:
    /// Files of more bytes than this are not copied into memory.
    static constexpr std::uint64_t mostInMemory = std::uint64_t(64) << 20U;

    /// Bytes that were read or made. They are wanted again only to be saved, so that most of them
    /// wait in a file without a name, which ends with this process.
    explicit OriginalFile(std::vector<std::byte> bytes);
    /// A head, and behind it the frames of `audio` as 32-bit floats, side by side: made anew from
    /// the audio whenever they are read, so that they take no room.
    OriginalFile(std::vector<std::byte> head, AudioPtr audio);
    ~OriginalFile();
    OriginalFile(const OriginalFile&) = delete;
    OriginalFile& operator=(const OriginalFile&) = delete;
    /// @return The file, or `cannotRead` when it is missing, a folder, or may not be read.
    static Result<std::shared_ptr<const OriginalFile>> open(const std::filesystem::path& path);

    std::uint64_t size() const { return size_; }
    /// Where a file that stays on disk was opened, and may be written into by others; empty for
    /// what is ours alone.
    std::filesystem::path path() const;
    /// Copies bytes from `offset` on. @return How many there were; fewer at the end or on an error.
    std::size_t read(std::uint64_t offset, std::span<std::byte> target) const;
    /// 32 hex digits of XXH3-128 over all bytes, read anew.
    std::string hash() const;
    /// Writes them all to another file.
    ///
    /// @return `cannotWrite`, or `cannotRead` where they are no longer there.
    Result<void> copyTo(const std::filesystem::path& path) const;

private:
    struct OpenFile;
    OriginalFile(std::shared_ptr<OpenFile> file, std::uint64_t size);

    std::size_t readFloats(std::uint64_t offset, std::span<std::byte> target) const;

    std::vector<std::byte> bytes_;
    AudioPtr audio_; ///< What stands behind `bytes_`; null for none.
    std::shared_ptr<OpenFile> file_;
    std::uint64_t size_ = 0;
    std::uint64_t offset_ = 0; ///< Of the first byte in that file.
};
using OriginalPtr = std::shared_ptr<const OriginalFile>;

/// 32 hex digits of XXH3-128.
std::string contentHash(std::span<const std::byte> bytes);

} // namespace puretone
