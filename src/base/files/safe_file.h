// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <functional>
#include <mutex>
#include <optional>
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

/// Several files that take their places together, once all of them are written and checked: what
/// stood there before is not touched until then, and of what fails or is cancelled nothing is left.
class FilesTogether {
public:
    FilesTogether() = default;
    FilesTogether(const FilesTogether&) = delete;
    FilesTogether& operator=(const FilesTogether&) = delete;
    /// Removes what was not kept.
    ~FilesTogether();
    /// One for them, in a folder that is there; one that is there already does as well.
    Result<void> makeFolder(const std::filesystem::path& folder);
    /// See writeWhole. Any thread may call it.
    Result<void> write(const std::filesystem::path& target,
        const std::function<Result<void>(const std::filesystem::path&)>& writer,
        const std::function<Result<void>(const std::filesystem::path&)>& check = {});
    /// Where the bytes of a file wait, for looking at several together before they have their
    /// names; the file itself where none waits for it.
    std::filesystem::path waiting(const std::filesystem::path& target) const;
    /// All of them get their names, in the order in which they were written. Where that fails for
    /// one, what stood under the names of those before it is back.
    Result<void> keep();

private:
    struct Waiting {
        std::filesystem::path temporary, target;
    };
    std::vector<Waiting> waiting_;
    mutable std::mutex guard_; ///< Of the list.
    std::optional<std::filesystem::path> made_;
    bool kept_ = false;
};

/// Keeps the file that stands there as "NAME~" beside it, in place of what had that name; nothing
/// happens where there is none. It takes no room until the file itself is replaced.
void keepFormer(const std::filesystem::path& path);
/// "NAME~".
std::filesystem::path formerOf(const std::filesystem::path& path);

/// What a file was when it was looked at: another stamp, another file or other bytes.
struct FileStamp {
    std::uint64_t device = 0, number = 0, bytes = 0;
    std::int64_t written = 0; ///< Nanoseconds.
    bool operator==(const FileStamp&) const = default;
};
/// Nothing where there is no such file.
std::optional<FileStamp> stampOf(const std::filesystem::path& path);

/// Removes temporary files of writeWhole that processes which are gone left in a folder.
/// @return How many there were.
int removeAbandoned(const std::filesystem::path& folder);

/// Writes bytes to an existing or new file, telling a full disk from success.
Result<void> writeBytes(const std::filesystem::path& path, std::span<const std::byte> bytes);

/// The sentence for a file that could not be written. @param error As errno says it.
Error writeError(const std::filesystem::path& path, int error);

/// "fog-horn.flac": the last part of a path as UTF-8, for sentences.
std::string shownName(const std::filesystem::path& path);

} // namespace puretone
