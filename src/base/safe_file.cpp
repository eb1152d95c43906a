// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/safe_file.h"

#include <atomic>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <memory>
#include <sys/stat.h>
#include <unistd.h>

namespace puretone {

namespace fs = std::filesystem;

namespace {

class Descriptor {
public:
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

std::string reason(int error)
{
    switch (error) {
    case ENOENT:
        return "there is no such file or folder";
    case EACCES:
    case EPERM:
        return "permission is denied";
    case ENOSPC:
    case EDQUOT:
        return "the disk is full";
    case EROFS:
        return "the disk is read-only";
    case EISDIR:
        return "it is a folder";
    default:
        return std::strerror(error);
    }
}

Error writeError(const fs::path& target, int error)
{
    return {ErrorCode::cannotWrite,
        shownName(target) + " could not be written: " + reason(error) + ".",
        error == ENOSPC ? "Free some space or choose another folder." : "Choose another folder."};
}

fs::path temporaryBeside(const fs::path& target)
{
    static std::atomic<unsigned> counter{0};
    auto name = "." + target.stem().string() + "-" + std::to_string(::getpid()) + "-"
        + std::to_string(counter++) + target.extension().string();
    return target.parent_path() / name;
}

int syncPath(const fs::path& path, int flags)
{
    const Descriptor file(::open(path.c_str(), flags));
    if (!file.valid() || ::fsync(file.get()) != 0)
        return errno;
    return 0;
}

} // namespace

std::string shownName(const fs::path& path)
{
    const auto name = path.filename().empty() ? path : path.filename();
    return name.string();
}

Result<std::vector<std::byte>> readFile(const fs::path& path)
{
    const Descriptor file(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
    struct stat about { };
    if (!file.valid() || ::fstat(file.get(), &about) != 0)
        return fail(ErrorCode::cannotRead,
            shownName(path) + " could not be opened: " + reason(errno) + ".");
    if (S_ISDIR(about.st_mode))
        return fail(ErrorCode::cannotRead, shownName(path) + " is a folder, not a sound file.",
            "Choose a file inside it.");
    if (!S_ISREG(about.st_mode))
        return fail(ErrorCode::cannotRead, shownName(path) + " is not an ordinary file.");
    std::vector<std::byte> bytes(std::size_t(about.st_size));
    std::size_t have = 0;
    while (have < bytes.size()) {
        const auto got = ::read(file.get(), bytes.data() + have, bytes.size() - have);
        if (got < 0 && errno == EINTR)
            continue;
        if (got < 0)
            return fail(ErrorCode::cannotRead,
                shownName(path) + " could not be read: " + reason(errno) + ".");
        if (got == 0)
            break;
        have += std::size_t(got);
    }
    bytes.resize(have);
    return bytes;
}

Result<void> writeBytes(const fs::path& path, std::span<const std::byte> bytes)
{
    const Descriptor file(::open(path.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644));
    if (!file.valid())
        return tl::unexpected(writeError(path, errno));
    std::size_t done = 0;
    while (done < bytes.size()) {
        const auto put = ::write(file.get(), bytes.data() + done, bytes.size() - done);
        if (put < 0 && errno == EINTR)
            continue;
        if (put <= 0)
            return tl::unexpected(writeError(path, put < 0 ? errno : ENOSPC));
        done += std::size_t(put);
    }
    return {};
}

Result<void> writeWhole(const fs::path& target,
    const std::function<Result<void>(const fs::path&)>& writer,
    const std::function<Result<void>(const fs::path&)>& check)
{
    std::error_code ignored;
    if (fs::is_directory(target, ignored))
        return tl::unexpected(writeError(target, EISDIR));
    const auto folder = target.parent_path().empty() ? fs::path(".") : target.parent_path();
    const auto temporary = temporaryBeside(target);
    const auto removeTemporary = [&](const fs::path*) {
        std::error_code e;
        fs::remove(temporary, e);
    };
    // Removes the temporary file on every way out; after the rename there is nothing to remove.
    const std::unique_ptr<const fs::path, decltype(removeTemporary)> guard(
        &temporary, removeTemporary);

    // A trial opening gives the system's own reason; libraries only say "failed".
    if (auto opened = writeBytes(temporary, {}); !opened) {
        opened.error().message = writeError(target, errno).message;
        return opened;
    }
    if (auto written = writer(temporary); !written) {
        auto error = written.error();
        if (const auto at = error.message.find(shownName(temporary)); at != std::string::npos)
            error.message.replace(at, shownName(temporary).size(), shownName(target));
        return tl::unexpected(error);
    }
    if (const int error = syncPath(temporary, O_RDONLY | O_CLOEXEC))
        return tl::unexpected(writeError(target, error));
    if (check)
        if (auto checked = check(temporary); !checked)
            return checked;
    if (::rename(temporary.c_str(), target.c_str()) != 0)
        return tl::unexpected(writeError(target, errno));
    syncPath(folder, O_RDONLY | O_DIRECTORY | O_CLOEXEC);
    return {};
}

} // namespace puretone
