// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/export_names.h"

#include "pitch/series/note.h"

#include <algorithm>
#include <cctype>
#include <set>

namespace puretone {

std::string plainFileName(const std::string& name)
{
    constexpr std::size_t most = 180; // bytes; file systems take 255
    std::string plain;
    for (const char c : name) {
        const auto u = static_cast<unsigned char>(c);
        plain += std::isalnum(u) != 0 || u >= 0x80 || c == '-' || c == '_' || c == ' ' ? c : '_';
    }
    if (plain.size() > most) {
        plain.resize(most);
        // Not in the middle of a letter.
        while (!plain.empty() && (static_cast<unsigned char>(plain.back()) & 0xc0U) == 0x80U)
            plain.pop_back();
        if (!plain.empty() && static_cast<unsigned char>(plain.back()) >= 0xc0U)
            plain.pop_back();
    }
    return plain.empty() ? "take" : plain;
}

namespace {

std::string noteWords(int key)
{
    const auto number = std::to_string(key);
    return std::string(3 - std::min<std::size_t>(3, number.size()), '0') + number + " "
        + noteName(key);
}

} // namespace

std::string keyFileName(int key)
{
    return noteWords(key) + ".wav";
}

std::vector<std::string> takeFileNames(const Instrument& instrument)
{
    std::vector<std::string> names;
    std::set<std::string> known;
    for (const auto& take : instrument.takes) {
        const auto base = noteWords(take.tuning.rootKey) + " " + plainFileName(take.name);
        auto name = base;
        for (int n = 2; !known.insert(name).second; ++n)
            name = base + " " + std::to_string(n);
        names.push_back(name + ".wav");
    }
    return names;
}

PrintMany keysOf(const Instrument& instrument, const ExportChoices& choices)
{
    PrintMany many;
    int low = 127, high = 0;
    for (const auto& layer : instrument.layers)
        for (const auto& zone : layer.zones)
            if (layer.on) {
                low = std::min(low, zone.lowKey);
                high = std::max(high, zone.highKey);
            }
    many.from = std::min(low, high);
    many.to = high;
    many.step = std::max(1, choices.keyStep);
    return many;
}

} // namespace puretone
