// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <span>
#include <unistd.h>

namespace puretone {

/// An open file, closed when it ends.
class Descriptor {
public:
    /// @param fd As open(2) gives it: below 0 for none.
    explicit Descriptor(int fd)
        : fd_(fd)
    {
    }
    ~Descriptor()
    {
        if (fd_ >= 0)
            ::close(fd_);
    }
    Descriptor(const Descriptor&) = delete;
    Descriptor& operator=(const Descriptor&) = delete;
    int get() const { return fd_; }
    bool valid() const { return fd_ >= 0; }

private:
    int fd_;
};

/// Writes all of `bytes` at a place of an open file, without moving its position.
///
/// @return False where not all of it could be written; errno says why.
bool writeAt(int descriptor, std::span<const std::byte> bytes, std::uint64_t offset);
/// Reads what there is at a place of an open file.
///
/// @return How many bytes there were; fewer at the end or on an error.
std::size_t readAt(int descriptor, std::span<std::byte> target, std::uint64_t offset);

} // namespace puretone
