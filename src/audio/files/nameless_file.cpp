// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/nameless_file.h"

#include "base/files/at_offset.h"

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
    return writeAt(descriptor_, bytes, offset);
}

bool NamelessFile::read(std::span<std::byte> target, std::uint64_t offset) const
{
    return readAt(descriptor_, target, offset) == target.size();
}

} // namespace puretone
