// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/files/original_file.h"
#include "formats/project/instrument_file.h"
#include "formats/sf2/sf2_movement.h"

#include <array>
#include <map>
#include <optional>
#include <span>

// What stands in the tables of a bank, as it stands there. Whatever the bytes are, nothing is read
// outside of them; what a table lacks is zero.
namespace puretone::sf2 {

/// A stretch of a file, in bytes.
struct Stretch {
    std::uint64_t at = 0, size = 0;
};

/// The samples stay in the file until they are asked for.
struct Tables {
    const OriginalFile* file = nullptr; ///< Must outlive this.
    Stretch pool;
    Stretch low; ///< Eight more bits of each sample; empty where there are none.
    std::map<std::string, std::vector<std::byte>> data;

    std::size_t frames() const { return std::size_t(pool.size / 2); }
};
/// Nothing for what is no bank, or lacks a table.
std::optional<Tables> findTables(const OriginalFile& file);

unsigned u16At(std::span<const std::byte> table, std::size_t at);

/// Samples of 16 bits, or of 24 where `low` has the lower eight of each.
std::vector<float> decodeSamples(std::span<const std::byte> high, std::span<const std::byte> low);
/// Samples [from, to) of the pool, which must lie inside it; empty where they cannot be read.
std::vector<float> readSamples(const Tables& tables, std::size_t from, std::size_t to);

/// Of a sample.
struct Header {
    std::size_t start, end, loopStart, loopEnd;
    unsigned rate;
    int key, correction;
    unsigned link, type;
    std::string name;
};
std::vector<Header> readHeaders(std::span<const std::byte> table);

/// A preset, and where it stands in its table.
struct Preset {
    BankPreset about;
    std::size_t place = 0;
};
inline constexpr std::size_t presetSize = 38;
/// By bank and program. The last one of the table only marks the end.
std::vector<Preset> presetsOf(std::span<const std::byte> table);

/// Zones [from, to) of a bag table, each with the amounts of a leading zone that names nothing.
/// @param naming The generator that makes a zone one.
std::vector<Amounts> zonesOf(std::span<const std::byte> bags, std::span<const std::byte> generators,
    unsigned from, unsigned to, unsigned naming);
/// Modulators of the zones [from, to) of a bag table, those of a leading zone that names nothing
/// with each; in the order of zonesOf.
std::vector<std::vector<Modulator>> modulatorsOf(std::span<const std::byte> bags,
    std::span<const std::byte> generators, std::span<const std::byte> modulators, unsigned from,
    unsigned to);

std::pair<int, int> rangeIn(const Amounts& zone, unsigned generator, int low);

} // namespace puretone::sf2
