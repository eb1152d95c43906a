// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files/file_lock.h"

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

namespace puretone {

std::unique_ptr<FileLock> FileLock::take(const std::filesystem::path& file)
{
    const int descriptor = ::open(file.c_str(), O_RDWR | O_CREAT | O_CLOEXEC | O_NOFOLLOW, 0600);
    if (descriptor < 0)
        return nullptr;
    if (::flock(descriptor, LOCK_EX | LOCK_NB) != 0) {
        ::close(descriptor);
        return nullptr;
    }
    return std::unique_ptr<FileLock>(new FileLock(file, descriptor));
}

FileLock::~FileLock()
{
    ::unlink(file_.c_str());
    ::close(descriptor_);
}

} // namespace puretone
