// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files/safe_file.h"

#include "base/files/at_offset.h"
#include "base/say.h"

#include <array>
#include <atomic>
#include <cerrno>
#include <chrono>
#include <cstring>
#include <fcntl.h>
#include <fstream>
#include <memory>
#include <optional>
#include <set>
#include <sstream>
#include <sys/stat.h>
#include <unistd.h>
#include <utility>

namespace puretone {

namespace fs = std::filesystem;

namespace {

std::string reason(int error)
{
    switch (error) {
    case ENOENT:
        return say("there is no such file or folder");
    case EACCES:
    case EPERM:
        return say("permission is denied");
    case ENOSPC:
    case EDQUOT:
        return say("the disk is full");
    case EROFS:
        return say("the disk is read-only");
    case EISDIR:
        return say("it is a folder");
    default:
        return std::strerror(error);
    }
}

constexpr const char* temporaryMark = "-puretone-";

/// When a process began, in ticks since the computer did, so that a number that is given out again
/// is told from its earlier owner; nothing for a process that is gone.
std::optional<std::string> beginningOf(const std::string& process)
{
    std::ifstream file("/proc/" + process + "/stat");
    std::string text((std::istreambuf_iterator<char>(file)), {});
    const auto name = text.rfind(')'); // it may hold anything, spaces and brackets included
    if (name == std::string::npos)
        return std::nullopt;
    std::istringstream fields(text.substr(name + 1));
    std::string field;
    for (int number = 3; number <= 22; ++number) // see proc(5)
        fields >> field;
    return field;
}

/// Tells this start of this computer, and this container in it, from others that may share a
/// folder: only here do process numbers mean what they say.
std::string processWorld()
{
    std::ifstream file("/proc/sys/kernel/random/boot_id");
    std::string world;
    file >> world;
    std::error_code ignored;
    world += fs::read_symlink("/proc/self/ns/pid", ignored).string();
    return std::to_string(std::hash<std::string>()(world));
}

/// ".NAME-puretone-WORLD-PROCESS-BEGINNING-N.EXTENSION"
fs::path temporaryBeside(const fs::path& target)
{
    static std::atomic<unsigned> counter{0};
    auto name = "." + target.stem().string() + temporaryMark + processWorld() + "-"
        + std::to_string(::getpid()) + "-" + beginningOf("self").value_or("0") + "-"
        + std::to_string(counter++) + target.extension().string();
    return target.parent_path() / name;
}

/// Whether a file is a temporary one whose process is gone.
bool isAbandoned(const fs::directory_entry& entry)
{
    constexpr std::chrono::hours longAgo{24};
    const auto name = entry.path().filename().string();
    const auto mark = name.rfind(temporaryMark);
    if (name.front() != '.' || mark == std::string::npos)
        return false;
    std::istringstream parts(name.substr(mark + std::strlen(temporaryMark)));
    std::array<std::string, 3> numbers; // world, process, beginning
    for (auto& number : numbers) {
        std::getline(parts, number, '-');
        if (number.empty() || number.find_first_not_of("0123456789") != std::string::npos)
            return false;
    }
    if (numbers[0] == processWorld())
        return beginningOf(numbers[1]) != numbers[2];
    std::error_code unknown;
    const auto written = entry.last_write_time(unknown);
    return !unknown && fs::file_time_type::clock::now() - written > longAgo;
}

int syncPath(const fs::path& path, int flags)
{
    const Descriptor file(::open(path.c_str(), flags));
    if (!file.valid() || ::fsync(file.get()) != 0)
        return errno;
    return 0;
}

} // namespace

Error writeError(const fs::path& target, int error)
{
    return {ErrorCode::cannotWrite,
        say("%1 could not be written: %2.", shownName(target), reason(error)),
        error == ENOSPC ? say("Free some space or choose another folder.")
                        : say("Choose another folder.")};
}

std::string shownName(const fs::path& path)
{
    const auto name = path.filename().empty() ? path : path.filename();
    return name.string();
}

int removeAbandoned(const fs::path& folder)
{
    int removed = 0;
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(folder, ignored))
        if (isAbandoned(entry) && entry.is_regular_file(ignored))
            removed += int(fs::remove(entry.path(), ignored));
    return removed;
}

Result<std::vector<std::byte>> readFile(const fs::path& path)
{
    const Descriptor file(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
    struct stat about { };
    if (!file.valid() || ::fstat(file.get(), &about) != 0)
        return fail(ErrorCode::cannotRead,
            say("%1 could not be opened: %2.", shownName(path), reason(errno)));
    if (S_ISDIR(about.st_mode))
        return fail(ErrorCode::cannotRead,
            say("%1 is a folder, not a sound file.", shownName(path)),
            say("Choose a file inside it."));
    if (!S_ISREG(about.st_mode))
        return fail(ErrorCode::cannotRead, say("%1 is not an ordinary file.", shownName(path)));
    std::vector<std::byte> bytes(std::size_t(about.st_size));
    errno = 0;
    const auto have = readAt(file.get(), bytes, 0);
    if (have < bytes.size() && errno != 0)
        return fail(ErrorCode::cannotRead,
            say("%1 could not be read: %2.", shownName(path), reason(errno)));
    bytes.resize(have);
    return bytes;
}

Result<void> writeBytes(const fs::path& path, std::span<const std::byte> bytes)
{
    const Descriptor file(::open(path.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644));
    if (!file.valid())
        return tl::unexpected(writeError(path, errno));
    if (!writeAt(file.get(), bytes, 0))
        return tl::unexpected(writeError(path, errno));
    return {};
}

fs::path formerOf(const fs::path& path)
{
    return {path.string() + "~"};
}

void keepFormer(const fs::path& path)
{
    std::error_code failed;
    if (!fs::is_regular_file(path, failed))
        return;
    // A second name first, so that at no moment there is neither.
    const auto temporary = temporaryBeside(path);
    fs::create_hard_link(path, temporary, failed);
    if (failed)
        fs::copy_file(path, temporary, fs::copy_options::overwrite_existing, failed);
    if (!failed)
        fs::rename(temporary, formerOf(path), failed);
    if (failed)
        fs::remove(temporary, failed); // the new file matters more than the old one
}

std::optional<FileStamp> stampOf(const fs::path& path)
{
    struct stat about { };
    if (::stat(path.c_str(), &about) != 0)
        return std::nullopt;
    return FileStamp{std::uint64_t(about.st_dev), std::uint64_t(about.st_ino),
        std::uint64_t(about.st_size),
        std::int64_t(about.st_mtim.tv_sec) * 1'000'000'000 + about.st_mtim.tv_nsec};
}

namespace {

using Writer = std::function<Result<void>(const fs::path&)>;

fs::path folderOf(const fs::path& target)
{
    return target.parent_path().empty() ? fs::path(".") : target.parent_path();
}

void syncFolder(const fs::path& folder)
{
    syncPath(folder, O_RDONLY | O_DIRECTORY | O_CLOEXEC);
}

/// Removes what still has its temporary name.
void removeQuietly(const fs::path& temporary)
{
    std::error_code ignored;
    fs::remove(temporary, ignored);
}

/// Written, synced and checked.
Result<void> writeTemporary(
    const fs::path& temporary, const fs::path& target, const Writer& writer, const Writer& check)
{
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
    return check ? check(temporary) : Result<void>();
}

/// @return Where it waits; nothing is left where that fails.
Result<fs::path> writeBeside(const fs::path& target, const Writer& writer, const Writer& check)
{
    std::error_code ignored;
    if (fs::is_directory(target, ignored))
        return tl::unexpected(writeError(target, EISDIR));
    const auto temporary = temporaryBeside(target);
    // Goes on every way out but the good one; a writer may throw.
    std::unique_ptr<const fs::path, decltype([](const fs::path* file) { removeQuietly(*file); })>
        guard(&temporary);
    if (auto written = writeTemporary(temporary, target, writer, check); !written)
        return tl::unexpected(written.error());
    guard.release();
    return temporary;
}

Result<void> takePlace(const fs::path& temporary, const fs::path& target)
{
    if (::rename(temporary.c_str(), target.c_str()) == 0)
        return {};
    const int error = errno;
    removeQuietly(temporary);
    return tl::unexpected(writeError(target, error));
}

} // namespace

Result<void> writeWhole(const fs::path& target, const Writer& writer, const Writer& check)
{
    removeAbandoned(folderOf(target));
    const auto temporary = writeBeside(target, writer, check);
    if (!temporary)
        return tl::unexpected(temporary.error());
    if (auto placed = takePlace(*temporary, target); !placed)
        return placed;
    syncFolder(folderOf(target));
    return {};
}

FilesTogether::~FilesTogether()
{
    for (const auto& file : waiting_)
        removeQuietly(file.temporary);
    if (!kept_ && made_)
        removeQuietly(*made_); // only where nothing is inside
}

Result<void> FilesTogether::makeFolder(const fs::path& folder)
{
    std::error_code error;
    if (fs::create_directory(folder, error)) // a folder that is mistyped is not made
        made_ = folder;
    if (error)
        return fail(ErrorCode::cannotWrite,
            say("The folder %1 could not be made: %2.", shownName(folder), reason(error.value())),
            say("Choose another folder."));
    removeAbandoned(folder);
    return {};
}

Result<void> FilesTogether::write(const fs::path& target, const Writer& writer, const Writer& check)
{
    auto temporary = writeBeside(target, writer, check);
    if (!temporary)
        return tl::unexpected(temporary.error());
    const std::scoped_lock lock(guard_);
    waiting_.push_back({std::move(*temporary), target});
    return {};
}

fs::path FilesTogether::waiting(const fs::path& target) const
{
    const std::scoped_lock lock(guard_);
    for (const auto& file : waiting_)
        if (file.target == target)
            return file.temporary;
    return target;
}

Result<void> FilesTogether::keep()
{
    /// A second name for what stands there, so that a crash never finds it without one. There are
    /// file systems without second names: there what was replaced stays replaced.
    enum class Former { none, linked, unknown };
    struct Placed {
        fs::path former, target;
        Former was;
    };
    std::vector<Placed> placed;
    std::set<fs::path> folders;
    Result<void> done;
    for (const auto& file : waiting_) {
        const auto former = temporaryBeside(file.target);
        const Former was = ::link(file.target.c_str(), former.c_str()) == 0 ? Former::linked
            : errno == ENOENT                                               ? Former::none
                                                                            : Former::unknown;
        placed.push_back({former, file.target, was});
        done = takePlace(file.temporary, file.target);
        if (!done)
            break;
        folders.insert(folderOf(file.target));
    }
    for (const auto& file : placed) {
        if (!done && file.was == Former::linked)
            (void)::rename(file.former.c_str(), file.target.c_str());
        if (!done && file.was == Former::none)
            removeQuietly(file.target);
        removeQuietly(file.former);
    }
    if (!done)
        return done;
    kept_ = true;
    waiting_.clear();
    for (const auto& folder : folders)
        syncFolder(folder);
    return {};
}

} // namespace puretone
