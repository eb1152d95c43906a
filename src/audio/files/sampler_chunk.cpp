// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/sampler_chunk.h"

#include "audio/files/riff.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace puretone {

std::vector<std::byte> encodeSampler(const SamplerInfo& info, double rate)
{
    const double midi = std::clamp(info.midi, 0.0, 127.999);
    auto key = unsigned(std::floor(midi));
    // The fraction counts upwards from the key in units of a semitone / 2^32.
    auto fraction = std::uint64_t(std::llround((midi - std::floor(midi)) * 4294967296.0));
    if (fraction > 0xffffffffULL) {
        fraction = 0;
        ++key;
    }
    ByteWriter out;
    out.u32(0); // manufacturer
    out.u32(0); // product
    out.u32(std::uint64_t(std::llround(1e9 / rate))); // sample period, ns
    out.u32(key);
    out.u32(fraction);
    out.u32(0); // SMPTE format
    out.u32(0); // SMPTE offset
    out.u32(info.loops.size());
    out.u32(0); // sampler-specific bytes
    unsigned id = 0;
    for (const auto& loop : info.loops) {
        out.u32(id++);
        out.u32(std::uint64_t(loop.type));
        out.u32(std::uint64_t(loop.span.start.value));
        out.u32(std::uint64_t(loop.span.end.value - 1));
        out.u32(0); // fraction of a frame
        out.u32(0); // play for ever
    }
    return out.take();
}

namespace {

/// Each is measured and offered; a file that holds more is no instrument's.
constexpr std::uint32_t mostLoops = 64;

} // namespace

std::optional<SamplerInfo> decodeSampler(std::span<const std::byte> body)
{
    ByteReader in(body);
    SamplerInfo info;
    for (int skipped = 0; skipped < 3; ++skipped)
        in.u32();
    const auto key = in.u32();
    const auto fraction = in.u32();
    in.u32();
    in.u32();
    const auto loops = in.u32();
    in.u32();
    if (!in.ok() || key > 127 || loops > in.left() / 24)
        return std::nullopt;
    info.midi = double(key) + double(fraction) / 4294967296.0;
    for (std::uint32_t i = 0; i < std::min(loops, mostLoops); ++i) {
        in.u32();
        SamplerInfo::Loop loop;
        loop.type = int(in.u32());
        loop.span.start = Frames{std::int64_t(in.u32())};
        loop.span.end = Frames{std::int64_t(in.u32()) + 1};
        in.u32();
        in.u32();
        info.loops.push_back(loop);
    }
    return info;
}

namespace {

struct ChunkPlace {
    std::string id;
    std::uint64_t offset = 0; ///< Of the body.
    std::uint64_t claimed = 0; ///< May be more than the file holds.
};

/// The chunks of a RIFF WAVE file, without their bodies.
std::vector<ChunkPlace> waveChunks(const OriginalFile& file)
{
    std::array<std::byte, 12> head{};
    const auto readHead = [&](std::uint64_t at, std::size_t size) {
        return file.read(at, std::span(head).first(size)) == size;
    };
    const auto word = [&](std::size_t at) {
        return std::string(reinterpret_cast<const char*>(head.data()) + at, 4);
    };
    if (!readHead(0, 12) || (word(0) != "RIFF" && word(0) != "RF64") || word(8) != "WAVE")
        return {};
    constexpr std::size_t most = 4096; // a stretch of zeros reads as empty chunks without end
    std::vector<ChunkPlace> chunks;
    for (std::uint64_t at = 12; chunks.size() < most && readHead(at, 8);) {
        ByteReader in{std::span<const std::byte>(head).first(8)};
        ChunkPlace chunk{std::string(in.text(4)), at + 8, in.u32()};
        at = chunk.offset + chunk.claimed + chunk.claimed % 2;
        chunks.push_back(std::move(chunk));
    }
    return chunks;
}

} // namespace

std::optional<SamplerInfo> findSampler(const OriginalFile& file)
{
    constexpr std::uint64_t mostBytes = 1 << 20;
    for (const auto& chunk : waveChunks(file))
        if (chunk.id == "smpl") {
            std::vector<std::byte> body(std::min(chunk.claimed, mostBytes));
            body.resize(file.read(chunk.offset, body));
            return decodeSampler(body);
        }
    return std::nullopt;
}

bool isCutOff(const OriginalFile& file)
{
    for (const auto& chunk : waveChunks(file))
        // Programs that write to a pipe leave 0xFFFFFFFF (or nearly) because they cannot know.
        if (chunk.id == "data")
            return chunk.claimed < 0xfffff000U && chunk.offset + chunk.claimed > file.size();
    return false;
}

} // namespace puretone
