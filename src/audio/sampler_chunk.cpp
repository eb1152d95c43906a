// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/sampler_chunk.h"

#include "audio/riff.h"

#include <algorithm>
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
    for (std::uint32_t i = 0; i < loops; ++i) {
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

std::vector<RiffChunk> waveChunks(std::span<const std::byte> file)
{
    ByteReader in(file);
    if (in.text(4) != "RIFF")
        return {};
    in.u32();
    if (in.text(4) != "WAVE")
        return {};
    return riffChunks(file.subspan(12));
}

} // namespace

std::optional<SamplerInfo> findSampler(std::span<const std::byte> wavFile)
{
    for (const auto& chunk : waveChunks(wavFile))
        if (chunk.id == "smpl")
            return decodeSampler(chunk.body);
    return std::nullopt;
}

bool isCutOff(std::span<const std::byte> wavFile)
{
    for (const auto& chunk : waveChunks(wavFile))
        // Programs that write to a pipe leave 0xFFFFFFFF (or nearly) because they cannot know.
        if (chunk.id == "data")
            return chunk.claimed < 0xfffff000U && chunk.body.size() < chunk.claimed;
    return false;
}

} // namespace puretone
