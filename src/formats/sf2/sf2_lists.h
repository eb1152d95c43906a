// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "formats/export/regions.h"
#include "formats/sf2/sf2.h"

#include <string>
#include <vector>

// What a bank that is to be written says, and where in the file.
namespace puretone::sf2 {

/// One mono sample of the bank; a stereo take gives two that know each other.
struct BankSample {
    std::string name;
    std::size_t start = 0, end = 0; ///< Frames of the common pool.
    Span loop;
    unsigned rate = 48000;
    int key = 60;
    int correction = 0; ///< Cents.
    unsigned link = 0;
    unsigned type = monoSample;
};

struct Bank {
    std::vector<BankSample> samples;
    std::vector<std::pair<const Region*, int>> sounds; ///< Each once, with its first sample.
    std::size_t frames = 0;
};

/// Where everything stands in the file.
struct BankPlan {
    Bank bank;
    std::vector<std::byte> info, presets;
    std::uint64_t pool = 0, low = 0; ///< The first byte of the samples; 0 for no lower bits.
    std::uint64_t bytes = 0; ///< Of the file.
    /// Its longest table; places in tables have 16 bits.
    std::size_t entries = 0;
    static constexpr std::size_t mostEntries = 0xffff;
};
/// @param regions With plans, which must outlive it.
BankPlan planBank(const std::string& name, const std::vector<Region>& regions, Depth depth);
/// All that stands before the samples.
std::vector<std::byte> headOf(const BankPlan& plan);

} // namespace puretone::sf2
