// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/sf2/sf2_tables.h"

#include "audio/files/riff.h"
#include "formats/sf2/sf2.h"

#include <algorithm>
#include <cstring>

namespace puretone::sf2 {

namespace {

/// A chunk of a file, by its place there.
struct Chunk {
    std::string id;
    std::uint64_t at = 0, size = 0; ///< Of its body, as far as the file goes.
    std::uint64_t claimed = 0;
};

/// The chunks that follow one another between two places of a file.
std::vector<Chunk> chunksIn(const OriginalFile& file, std::uint64_t at, std::uint64_t end)
{
    constexpr std::uint64_t headSize = 8;
    constexpr std::size_t most = 256; // a bank has a dozen
    std::vector<Chunk> chunks;
    while (at + headSize <= end && chunks.size() < most) {
        std::array<std::byte, headSize> head{};
        if (file.read(at, head) < headSize)
            break;
        ByteReader in(head);
        Chunk chunk;
        chunk.id = std::string(in.text(4));
        chunk.claimed = in.u32();
        chunk.at = at + headSize;
        chunk.size = std::min(chunk.claimed, end - chunk.at);
        at = chunk.at + chunk.size + chunk.claimed % 2;
        chunks.push_back(std::move(chunk));
    }
    return chunks;
}

constexpr std::array neededTables = {"phdr", "pbag", "pgen", "inst", "ibag", "igen", "shdr"};

/// What else a bank says, its name and who made it, is passed over.
bool isTable(const std::string& id)
{
    return id == "pmod" || id == "imod"
        || std::find(neededTables.begin(), neededTables.end(), id) != neededTables.end();
}

/// Whether a bag has a generator that names a sample.
bool namesSample(
    std::span<const std::byte> bags, std::span<const std::byte> generators, unsigned bag)
{
    const auto first = u16At(bags, std::size_t(bag) * 4);
    const auto last = u16At(bags, std::size_t(bag + 1) * 4);
    for (auto g = first; g < last && (std::size_t(g) + 1) * 4 <= generators.size(); ++g)
        if (u16At(generators, std::size_t(g) * 4) == sampleId)
            return true;
    return false;
}

} // namespace

unsigned u16At(std::span<const std::byte> table, std::size_t at)
{
    ByteReader in(table.subspan(std::min(at, table.size())));
    return in.u16();
}

std::optional<Tables> findTables(const OriginalFile& file)
{
    // What a bank of many thousand zones has; a file that claims more is none.
    constexpr std::uint64_t mostTable = std::uint64_t(64) << 20U;
    std::array<std::byte, 12> head{};
    if (file.read(0, head) < head.size())
        return std::nullopt;
    ByteReader in(head);
    const bool riff = in.text(4) == "RIFF";
    in.u32();
    if (!riff || in.text(4) != "sfbk")
        return std::nullopt;
    Tables tables{&file, {}, {}, {}};
    for (const auto& listed : chunksIn(file, head.size(), file.size())) {
        if (listed.id != "LIST" || listed.size < 4 || listed.claimed > listed.size)
            continue;
        for (const auto& chunk : chunksIn(file, listed.at + 4, listed.at + listed.size)) {
            if (chunk.id == "smpl")
                tables.pool = {chunk.at, chunk.size};
            else if (chunk.id == "sm24")
                tables.low = {chunk.at, chunk.size};
            else if (isTable(chunk.id)) {
                if (chunk.size > mostTable)
                    return std::nullopt;
                auto& body = tables.data[chunk.id];
                body.resize(std::size_t(chunk.size));
                body.resize(file.read(chunk.at, body));
            }
        }
    }
    // Otherwise it is to be ignored (section 6.2).
    if (tables.low.size < tables.pool.size / 2)
        tables.low = {};
    for (const char* needed : neededTables)
        if (tables.data.find(needed) == tables.data.end())
            return std::nullopt;
    return tables;
}

std::vector<float> decodeSamples(std::span<const std::byte> high, std::span<const std::byte> low)
{
    const std::size_t frames = high.size() / 2;
    std::vector<float> samples(frames);
    for (std::size_t i = 0; i < frames; ++i) {
        const auto bits = std::uint16_t(unsigned(high[2 * i]) | unsigned(high[2 * i + 1]) << 8U);
        const int whole = std::int16_t(bits);
        samples[i] =
            low.empty() ? float(whole) / 32768.0f : float(whole * 256 + int(low[i])) / 8388608.0f;
    }
    return samples;
}

std::vector<float> readSamples(const Tables& tables, std::size_t from, std::size_t to)
{
    std::vector<std::byte> high((to - from) * 2), low(tables.low.size > 0 ? to - from : 0);
    const bool there = tables.file->read(tables.pool.at + 2 * from, high) == high.size()
        && tables.file->read(tables.low.at + from, low) == low.size();
    return there ? decodeSamples(high, low) : std::vector<float>();
}

std::vector<std::vector<Modulator>> modulatorsOf(std::span<const std::byte> bags,
    std::span<const std::byte> generators, std::span<const std::byte> modulators, unsigned from,
    unsigned to)
{
    constexpr std::size_t size = 10;
    std::vector<std::vector<Modulator>> zones;
    std::vector<Modulator> common;
    for (unsigned bag = from; bag < to && (std::size_t(bag) + 2) * 4 <= bags.size(); ++bag) {
        auto zone = common;
        const auto first = u16At(bags, std::size_t(bag) * 4 + 2);
        const auto last = u16At(bags, std::size_t(bag + 1) * 4 + 2);
        for (auto m = first; m < last && (std::size_t(m) + 1) * size <= modulators.size(); ++m) {
            ByteReader in(modulators.subspan(std::size_t(m) * size, size));
            Modulator modulator;
            modulator.source = in.u16();
            modulator.generator = in.u16();
            modulator.amount = in.i16();
            // One that another one scales or bends is not understood.
            if (in.u16() != 0 || in.u16() != 0)
                modulator.source = unsigned(-1);
            zone.push_back(modulator);
        }
        if (namesSample(bags, generators, bag))
            zones.push_back(std::move(zone));
        else if (bag == from)
            common = std::move(zone);
    }
    return zones;
}

std::vector<Amounts> zonesOf(std::span<const std::byte> bags, std::span<const std::byte> generators,
    unsigned from, unsigned to, unsigned naming)
{
    std::vector<Amounts> zones;
    Amounts common;
    for (unsigned bag = from; bag < to && (std::size_t(bag) + 2) * 4 <= bags.size(); ++bag) {
        Amounts zone = common;
        const auto first = u16At(bags, std::size_t(bag) * 4);
        const auto last = u16At(bags, std::size_t(bag + 1) * 4);
        for (auto g = first; g < last && (std::size_t(g) + 1) * 4 <= generators.size(); ++g) {
            ByteReader in(generators.subspan(std::size_t(g) * 4));
            const auto generator = in.u16();
            zone[generator] = in.i16();
        }
        if (zone.count(naming) != 0)
            zones.push_back(std::move(zone));
        else if (bag == from)
            common = std::move(zone);
    }
    return zones;
}

std::vector<Preset> presetsOf(std::span<const std::byte> table)
{
    std::vector<Preset> presets;
    for (std::size_t at = 0; (at + 2) * presetSize <= table.size(); ++at) {
        ByteReader in(table.subspan(at * presetSize, presetSize));
        const auto name = in.text(20);
        Preset preset{{std::string(name.substr(0, name.find('\0')))}, at};
        preset.about.program = int(in.u16());
        preset.about.bank = int(in.u16());
        presets.push_back(std::move(preset));
    }
    std::stable_sort(presets.begin(), presets.end(), [](const Preset& a, const Preset& b) {
        return std::pair(a.about.bank, a.about.program) < std::pair(b.about.bank, b.about.program);
    });
    return presets;
}

std::vector<Header> readHeaders(std::span<const std::byte> table)
{
    constexpr std::size_t size = 46;
    std::vector<Header> headers;
    // The last one only marks the end.
    for (std::size_t at = 0; at + 2 * size <= table.size(); at += size) {
        ByteReader in(table.subspan(at, size));
        Header h{};
        const auto name = in.text(20);
        h.name = std::string(name.substr(0, name.find('\0')));
        h.start = in.u32();
        h.end = in.u32();
        h.loopStart = in.u32();
        h.loopEnd = in.u32();
        h.rate = in.u32();
        h.key = int(in.u8());
        const auto cents = int(in.u8());
        h.correction = cents < 128 ? cents : cents - 256;
        h.link = in.u16();
        h.type = in.u16();
        headers.push_back(std::move(h));
    }
    return headers;
}

std::pair<int, int> rangeIn(const Amounts& zone, unsigned generator, int low)
{
    const auto found = zone.find(generator);
    if (found == zone.end())
        return {low, 127};
    const auto amount = unsigned(found->second) & 0xffffU;
    return {int(amount & 0xffU), int(amount >> 8U)};
}

} // namespace puretone::sf2
