// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/original_file.h"

#include "audio/files/nameless_file.h"
#include "base/files/at_offset.h"
#include "base/files/safe_file.h"
#include "base/say.h"

#include <algorithm>
#include <atomic>
#include <cerrno>
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

/// Of what is read and handed on.
constexpr std::size_t blockBytes = std::size_t(1) << 20U;
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

OriginalFile::OriginalFile(std::vector<std::byte> head, AudioPtr audio)
    : bytes_(std::move(head))
    , audio_(std::move(audio))
    , size_(
          bytes_.size() + std::uint64_t(audio_->frames()) * audio_->channelCount() * sizeof(float))
{
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
        return fail(ErrorCode::cannotRead, say("%1 cannot be read.", shownName(path)),
            say("Check that it may be read by you."));
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
        const auto held = std::min<std::uint64_t>(
            wanted, bytes_.size() - std::min<std::uint64_t>(offset, bytes_.size()));
        if (held > 0)
            std::memcpy(target.data(), bytes_.data() + offset, held);
        if (held < wanted)
            readFloats(offset + held - bytes_.size(), target.subspan(held, wanted - held));
        return wanted;
    }
    return readAt(file_->descriptor, target.first(wanted), offset_ + offset);
}

std::size_t OriginalFile::readFloats(std::uint64_t offset, std::span<std::byte> target) const
{
    const std::size_t channels = audio_->channelCount();
    const auto first = std::size_t(offset / sizeof(float));
    std::size_t frame = first / channels, channel = first % channels;
    std::size_t inside = offset % sizeof(float),
                done = 0; // bytes of a sample that were read before
    while (done < target.size()) {
        const float sample = audio_->channels[channel][frame];
        const auto count = std::min(sizeof sample - inside, target.size() - done);
        std::memcpy(
            target.data() + done, reinterpret_cast<const std::byte*>(&sample) + inside, count);
        done += count;
        inside = 0;
        if (++channel == channels) {
            channel = 0;
            ++frame;
        }
    }
    return done;
}

Result<void> OriginalFile::copyTo(const std::filesystem::path& path) const
{
    const Descriptor file(::open(path.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644));
    if (!file.valid())
        return tl::unexpected(writeError(path, errno));
    std::vector<std::byte> block(std::size_t(std::min<std::uint64_t>(size_, blockBytes)));
    for (std::uint64_t at = 0; at < size_;) {
        const auto got = read(at, block);
        if (got == 0)
            return fail(ErrorCode::cannotRead,
                say("The file of a recording is no longer there: %1 lacks it.", shownName(path)));
        if (!writeAt(file.get(), std::span(block).first(got), at))
            return tl::unexpected(writeError(path, errno));
        at += got;
    }
    return {};
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
    if (!file_ && !audio_)
        return contentHash(bytes_);
    const auto state = newHash();
    std::vector<std::byte> block(blockBytes);
    std::uint64_t at = 0;
    while (const auto got = read(at, block)) {
        XXH3_128bits_update(state.get(), block.data(), got);
        at += got;
    }
    return digitsOf(state);
}

} // namespace puretone
