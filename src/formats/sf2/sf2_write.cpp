// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/riff.h"
#include "base/files/at_offset.h"
#include "base/files/safe_file.h"
#include "base/say.h"
#include "base/threads/all_cores.h"
#include "formats/formats.h"
#include "formats/sf2/sf2_lists.h"
#include "formats/sf2/sf2_tables.h"

#include <cerrno>
#include <fcntl.h>

namespace puretone {

using namespace sf2;

namespace {

/// A channel as it stands in the file, with the silence behind it.
struct PoolBytes {
    std::vector<std::byte> high, low;
};

PoolBytes poolBytes(std::span<const float> channel, bool with24)
{
    PoolBytes bytes;
    const auto frames = channel.size() + std::size_t(silenceBehind);
    bytes.high.resize(2 * frames);
    bytes.low.resize(with24 ? frames : 0);
    for (std::size_t i = 0; i < channel.size(); ++i) {
        const int sample = toInteger(channel[i], with24 ? 24 : 16);
        const auto upper = unsigned(with24 ? sample >> 8 : sample);
        bytes.high[2 * i] = std::byte(upper & 0xffU);
        bytes.high[2 * i + 1] = std::byte(upper >> 8U & 0xffU);
        if (with24)
            bytes.low[i] = std::byte(unsigned(sample) & 0xffU);
    }
    return bytes;
}

/// Writes one channel at its place, reads it back and compares.
Result<void> writeChannel(int file, const std::filesystem::path& path, const BankPlan& plan,
    const BankSample& sample, const std::vector<float>& channel)
{
    const int bits = plan.low == 0 ? 16 : 24;
    auto bytes = poolBytes(channel, bits == 24);
    const auto at = plan.pool + 2 * sample.start, lowAt = plan.low + sample.start;
    if (!writeAt(file, bytes.high, at) || !writeAt(file, bytes.low, lowAt))
        return tl::unexpected(writeError(path, errno));
    PoolBytes back{
        std::vector<std::byte>(bytes.high.size()), std::vector<std::byte>(bytes.low.size())};
    if (readAt(file, back.high, at) != back.high.size()
        || readAt(file, back.low, lowAt) != back.low.size())
        return tl::unexpected(checkFailed(path, say("the length")));
    const bool same = isSameChannel(channel, decodeSamples(back.high, back.low), bits);
    return same ? Result<void>() : tl::unexpected(checkFailed(path, say("the sound")));
}

} // namespace

Result<void> writeSoundFont(const std::filesystem::path& path, const std::string& name,
    const std::vector<Region>& plans, Depth depth,
    const std::function<PreparedTake(const Region&)>& sampleOf, const Progress& progress)
{
    const auto plan = planBank(name, plans, depth);
    const Descriptor file(::open(path.c_str(), O_RDWR | O_CREAT | O_TRUNC | O_CLOEXEC, 0644));
    const auto put = [&](std::span<const std::byte> bytes, std::uint64_t at) {
        return writeAt(file.get(), bytes, at);
    };
    if (!file.valid() || !put(headOf(plan), 0))
        return tl::unexpected(writeError(path, errno));
    const auto& sounds = plan.bank.sounds;
    const auto written = tryOnAllCores(
        sounds.size(), cancelledWriting(), progress, [&](std::size_t i) -> Result<void> {
            const auto sample = sampleOf(*sounds[i].first);
            const auto* header = &plan.bank.samples[std::size_t(sounds[i].second)];
            if (std::size_t(sample.audio.frames()) != header->end - header->start)
                return tl::unexpected(checkFailed(path, say("the length")));
            for (const auto& channel : sample.audio.channels)
                if (auto done = writeChannel(file.get(), path, plan, *header++, channel); !done)
                    return done;
            return {};
        });
    if (!written)
        return written;
    ByteWriter behind;
    if (plan.low != 0) {
        behind.text("sm24");
        behind.u32(plan.bank.frames);
        if (!put(behind.bytes(), plan.low - 8)
            || !put(std::vector<std::byte>(plan.bank.frames % 2), plan.low + plan.bank.frames))
            return tl::unexpected(writeError(path, errno));
    }
    if (!put(plan.presets, plan.bytes - plan.presets.size()))
        return tl::unexpected(writeError(path, errno));
    return {};
}

} // namespace puretone
