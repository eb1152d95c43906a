// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files/at_offset.h"

#include <cerrno>
#include <unistd.h>

namespace puretone {

bool writeAt(int descriptor, std::span<const std::byte> bytes, std::uint64_t offset)
{
    std::size_t done = 0;
    while (done < bytes.size()) {
        const auto put =
            ::pwrite(descriptor, bytes.data() + done, bytes.size() - done, off_t(offset + done));
        if (put < 0 && errno == EINTR)
            continue;
        if (put <= 0) {
            if (put == 0)
                errno = ENOSPC;
            return false;
        }
        done += std::size_t(put);
    }
    return true;
}

std::size_t readAt(int descriptor, std::span<std::byte> target, std::uint64_t offset)
{
    std::size_t done = 0;
    while (done < target.size()) {
        const auto got =
            ::pread(descriptor, target.data() + done, target.size() - done, off_t(offset + done));
        if (got < 0 && errno == EINTR)
            continue;
        if (got <= 0)
            break;
        done += std::size_t(got);
    }
    return done;
}

} // namespace puretone
