// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/original_file.h"

#include "audio/nameless_file.h"
#include "base/at_offset.h"
#include "base/safe_file.h"

#include <algorithm>
#include <atomic>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>
#define XXH_INLINE_ALL
#include <xxhash.h>

namespace puretone {

struct OriginalFile::OpenFile {
    OpenFile(int opened, std::filesystem::path from)
        : descriptor(opened)
        , path(std::move(from))
    {
    }
    ~OpenFile()
    {
        if (descriptor >= 0)
            ::close(descriptor);
    }
    OpenFile(const OpenFile&) = delete;
    OpenFile& operator=(const OpenFile&) = delete;
    int descriptor;
    std::filesystem::path path;
};

namespace {

/// Smaller ones are not worth the way.
constexpr std::size_t mostKept = std::size_t(16) << 10U;

/// For the bytes of all recordings.
const NamelessFile& shelfFile()
{
    static const NamelessFile file;
    return file;
}

} // namespace

OriginalFile::OriginalFile(std::vector<std::byte> bytes)
    : bytes_(std::move(bytes))
    , size_(bytes_.size())
{
    if (size_ <= mostKept)
        return;
    static const auto shelf = std::make_shared<OpenFile>(
        shelfFile().there() ? ::dup(shelfFile().descriptor()) : -1, std::filesystem::path());
    static std::atomic<std::uint64_t> end{0};
    if (shelf->descriptor < 0)
        return;
    // Whole blocks, so that they can be given back.
    offset_ = end.fetch_add((size_ + 4095) / 4096 * 4096);
    if (shelfFile().write(bytes_, offset_)) {
        file_ = shelf;
        std::vector<std::byte>().swap(bytes_); // an assignment would keep the room
    }
}

OriginalFile::~OriginalFile()
{
    if (file_ && file_->path.empty())
        ::fallocate(file_->descriptor, FALLOC_FL_PUNCH_HOLE | FALLOC_FL_KEEP_SIZE, off_t(offset_),
            off_t((size_ + 4095) / 4096 * 4096));
}

OriginalFile::OriginalFile(std::shared_ptr<OpenFile> file, std::uint64_t size)
    : file_(std::move(file))
    , size_(size)
{
}

Result<OriginalPtr> OriginalFile::open(const std::filesystem::path& path)
{
    std::error_code unknown;
    const auto size = std::filesystem::file_size(path, unknown);
    if (unknown || size <= mostInMemory) {
        auto bytes = readFile(path); // also finds the words for what cannot be read
        if (!bytes)
            return tl::unexpected(bytes.error());
        return std::make_shared<const OriginalFile>(std::move(*bytes));
    }
    const int descriptor = ::open(path.c_str(), O_RDONLY | O_CLOEXEC);
    if (descriptor < 0)
        return fail(ErrorCode::cannotRead, shownName(path) + " cannot be read.",
            "Check that it may be read by you.");
    return OriginalPtr(new OriginalFile(
        std::make_shared<OpenFile>(descriptor, std::filesystem::absolute(path, unknown)), size));
}

std::filesystem::path OriginalFile::path() const
{
    return file_ ? file_->path : std::filesystem::path();
}

std::size_t OriginalFile::read(std::uint64_t offset, std::span<std::byte> target) const
{
    if (offset >= size_)
        return 0;
    const auto wanted = std::min<std::uint64_t>(target.size(), size_ - offset);
    if (!file_) {
        std::memcpy(target.data(), bytes_.data() + offset, wanted);
        return wanted;
    }
    return readAt(file_->descriptor, target.first(wanted), offset_ + offset);
}

namespace {

using HashState = std::unique_ptr<XXH3_state_t, XXH_errorcode (*)(XXH3_state_t*)>;

HashState newHash()
{
    HashState state(XXH3_createState(), XXH3_freeState);
    XXH3_128bits_reset(state.get());
    return state;
}

std::string digitsOf(const HashState& state)
{
    XXH128_canonical_t canonical;
    XXH128_canonicalFromHash(&canonical, XXH3_128bits_digest(state.get()));
    static constexpr char digits[] = "0123456789abcdef";
    std::string text;
    for (const unsigned char byte : canonical.digest) {
        text += digits[byte >> 4U];
        text += digits[byte & 15U];
    }
    return text;
}

} // namespace

std::string contentHash(std::span<const std::byte> bytes)
{
    const auto state = newHash();
    XXH3_128bits_update(state.get(), bytes.data(), bytes.size());
    return digitsOf(state);
}

std::string OriginalFile::hash() const
{
    if (!file_)
        return contentHash(bytes_);
    const auto state = newHash();
    std::vector<std::byte> block(1 << 20);
    std::uint64_t at = 0;
    while (const auto got = read(at, block)) {
        XXH3_128bits_update(state.get(), block.data(), got);
        at += got;
    }
    return digitsOf(state);
}

std::FILE* OriginalFile::stream() const
{
    if (!file_)
        return nullptr;
    // A descriptor of its own, with a place of its own in the file.
    const auto self = "/proc/self/fd/" + std::to_string(file_->descriptor);
    std::FILE* opened = std::fopen(self.c_str(), "rbe");
    if (opened != nullptr && ::fseeko(opened, off_t(offset_), SEEK_SET) != 0) {
        std::fclose(opened);
        opened = nullptr;
    }
    return opened;
}

} // namespace puretone
