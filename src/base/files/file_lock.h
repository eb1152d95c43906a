// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <memory>

namespace puretone {

/// Holds a name for this process: a lock that goes with the process however it ends.
class FileLock {
public:
    /// @param file Made where it is missing. @return Null where another living process, or this
    ///        one, holds it, or where it cannot be made.
    static std::unique_ptr<FileLock> take(const std::filesystem::path& file);
    /// Removes the file.
    ~FileLock();
    FileLock(const FileLock&) = delete;
    FileLock& operator=(const FileLock&) = delete;

private:
    FileLock(std::filesystem::path file, int descriptor)
        : file_(std::move(file))
        , descriptor_(descriptor)
    {
    }
    std::filesystem::path file_;
    int descriptor_;
};

} // namespace puretone
