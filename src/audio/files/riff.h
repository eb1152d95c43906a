// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <cstring>
#include <span>
#include <string_view>
#include <vector>

namespace puretone {

/// Little-endian bytes, as RIFF files want them.
class ByteWriter {
public:
    void u8(unsigned v) { bytes_.push_back(std::byte(v & 0xffU)); }
    void u16(unsigned v)
    {
        u8(v);
        u8(v >> 8U);
    }
    void u32(std::uint64_t v)
    {
        u16(unsigned(v & 0xffffU));
        u16(unsigned(v >> 16U & 0xffffU));
    }
    void text(std::string_view s)
    {
        for (const char c : s)
            bytes_.push_back(std::byte(c));
    }
    /// Exactly `size` bytes: cut, or filled with zeros; the last one is always zero.
    void fixedText(std::string_view s, std::size_t size)
    {
        for (std::size_t i = 0; i < size; ++i)
            bytes_.push_back(i + 1 < size && i < s.size() ? std::byte(s[i]) : std::byte{0});
    }
    void raw(std::span<const std::byte> more)
    {
        bytes_.insert(bytes_.end(), more.begin(), more.end());
    }
    /// A chunk with its head and, after an odd length, the padding byte.
    void chunk(std::string_view id, std::span<const std::byte> body)
    {
        text(id);
        u32(body.size());
        raw(body);
        if (body.size() % 2 != 0)
            u8(0);
    }
    const std::vector<std::byte>& bytes() const { return bytes_; }
    std::vector<std::byte> take() { return std::move(bytes_); }

private:
    std::vector<std::byte> bytes_;
};

/// Reads little-endian numbers; past the end it gives zeros and remembers that.
class ByteReader {
public:
    explicit ByteReader(std::span<const std::byte> bytes)
        : bytes_(bytes)
    {
    }
    unsigned u8()
    {
        if (at_ >= bytes_.size()) {
            ok_ = false;
            return 0;
        }
        return unsigned(bytes_[at_++]);
    }
    unsigned u16()
    {
        const unsigned low = u8();
        return low | u8() << 8U;
    }
    std::uint32_t u32()
    {
        const std::uint32_t low = u16();
        return low | std::uint32_t(u16()) << 16U;
    }
    int i16() { return int(std::int16_t(u16())); }
    std::span<const std::byte> raw(std::size_t size)
    {
        if (size > bytes_.size() - at_) {
            ok_ = false;
            size = bytes_.size() - at_;
        }
        const auto part = bytes_.subspan(at_, size);
        at_ += size;
        return part;
    }
    std::string_view text(std::size_t size)
    {
        const auto part = raw(size);
        return {reinterpret_cast<const char*>(part.data()), part.size()};
    }
    std::size_t left() const { return bytes_.size() - at_; }
    bool ok() const { return ok_; }

protected:
    void spoil() { ok_ = false; }

private:
    std::span<const std::byte> bytes_;
    std::size_t at_ = 0;
    bool ok_ = true;
};

/// One chunk of a RIFF file; `claimed` is larger than `body.size()` where the file was cut off.
struct RiffChunk {
    std::string_view id;
    std::span<const std::byte> body;
    std::size_t claimed = 0;
};

/// The chunks that follow one another in `bytes`.
inline std::vector<RiffChunk> riffChunks(std::span<const std::byte> bytes)
{
    std::vector<RiffChunk> chunks;
    ByteReader reader(bytes);
    while (reader.left() >= 8) {
        RiffChunk chunk;
        chunk.id = reader.text(4);
        chunk.claimed = reader.u32();
        chunk.body = reader.raw(chunk.claimed);
        if (chunk.claimed % 2 != 0 && reader.left() > 0)
            reader.u8();
        chunks.push_back(chunk);
    }
    return chunks;
}

} // namespace puretone
