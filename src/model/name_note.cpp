// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/name_note.h"

#include "pitch/note.h"

#include <filesystem>

namespace puretone {

namespace {

/// A word that is a note and nothing else.
std::optional<int> noteInWord(std::string word)
{
    if (word.size() < 2 || std::isalpha(static_cast<unsigned char>(word.front())) == 0)
        return std::nullopt;
    // "Fs4": a sharp to people who name files.
    if (word.size() > 2 && (word[1] == 's' || word[1] == 'S'))
        word[1] = '#';
    if (std::isdigit(static_cast<unsigned char>(word.back())) == 0)
        return std::nullopt;
    return parseKey(word);
}

} // namespace

std::optional<int> noteInName(const std::string& fileName)
{
    const std::string stem = std::filesystem::path(fileName).stem().string();
    std::string word;
    const auto finish = [&]() -> std::optional<int> {
        const auto note = noteInWord(word);
        word.clear();
        return note;
    };
    for (const char c : stem) {
        const auto u = static_cast<unsigned char>(c);
        if (std::isalnum(u) != 0 || c == '#' || u >= 0x80)
            word += c;
        else if (const auto note = finish())
            return note;
    }
    return finish();
}

} // namespace puretone
