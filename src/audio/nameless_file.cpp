// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/nameless_file.h"

#include <cstdlib>
#include <fcntl.h>
#include <string>
#include <unistd.h>

namespace puretone {

namespace {

int openNameless()
{
    // Of the folders for what is short-lived first the one that is surely on disk.
    for (const char* folder : {"/var/tmp", "/tmp"}) {
        std::string path = std::string(folder) + "/puretone-XXXXXX";
        const int descriptor = ::mkostemp(path.data(), O_CLOEXEC);
        if (descriptor < 0)
            continue;
        ::unlink(path.c_str());
        return descriptor;
    }
    return -1;
}

} // namespace

NamelessFile::NamelessFile()
    : descriptor_(openNameless())
{
}

NamelessFile::~NamelessFile()
{
    if (descriptor_ >= 0)
        ::close(descriptor_);
}

bool NamelessFile::write(std::span<const std::byte> bytes, std::uint64_t offset) const
{
    std::size_t done = 0;
    while (done < bytes.size()) {
        const auto put =
            ::pwrite(descriptor_, bytes.data() + done, bytes.size() - done, off_t(offset + done));
        if (put <= 0)
            return false;
        done += std::size_t(put);
    }
    return true;
}

bool NamelessFile::read(std::span<std::byte> target, std::uint64_t offset) const
{
    std::size_t done = 0;
    while (done < target.size()) {
        const auto got =
            ::pread(descriptor_, target.data() + done, target.size() - done, off_t(offset + done));
        if (got <= 0)
            return false;
        done += std::size_t(got);
    }
    return true;
}

} // namespace puretone
