// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <fcntl.h>
#include <mutex>
#include <unistd.h>

namespace puretone {

/// Sound servers' libraries write to standard error when there is no server; that is nothing a user
/// can act on. Sends it to nowhere for as long as this lives.
class QuietErrors {
public:
    QuietErrors()
    {
        const std::lock_guard lock(shared().guard);
        if (shared().living++ > 0)
            return;
        shared().saved = ::fcntl(STDERR_FILENO, F_DUPFD_CLOEXEC, 0);
        const int nowhere = ::open("/dev/null", O_WRONLY | O_CLOEXEC);
        if (nowhere >= 0) {
            ::dup2(nowhere, STDERR_FILENO);
            ::close(nowhere);
        }
    }
    ~QuietErrors()
    {
        const std::lock_guard lock(shared().guard);
        if (--shared().living > 0 || shared().saved < 0)
            return;
        ::dup2(shared().saved, STDERR_FILENO);
        ::close(shared().saved);
    }
    QuietErrors(const QuietErrors&) = delete;
    QuietErrors& operator=(const QuietErrors&) = delete;

private:
    /// Standard error belongs to the whole process: the first takes it away, the last brings it
    /// back.
    struct Shared {
        std::mutex guard;
        int living = 0;
        int saved = -1;
    };
    static Shared& shared()
    {
        static Shared one;
        return one;
    }
};

} // namespace puretone
