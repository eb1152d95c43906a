// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <span>

namespace puretone {

/// A file on disk without a name, which ends with what opened it: for bytes that are wanted later
/// and are too many for memory.
class NamelessFile {
public:
    NamelessFile();
    ~NamelessFile();
    NamelessFile(const NamelessFile&) = delete;
    NamelessFile& operator=(const NamelessFile&) = delete;

    /// False where there is no disk for it.
    bool there() const { return descriptor_ >= 0; }
    int descriptor() const { return descriptor_; }
    /// False where not all of it could be written.
    bool write(std::span<const std::byte> bytes, std::uint64_t offset) const;
    /// False where there is not as much.
    bool read(std::span<std::byte> target, std::uint64_t offset) const;

private:
    int descriptor_;
};

} // namespace puretone
