// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/series/note.h"

#include <array>
#include <cctype>
#include <charconv>
#include <cstdlib>

namespace puretone {

namespace {

std::optional<int> wholeNumber(std::string_view text)
{
    int value = 0;
    const auto [rest, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc{} || rest != text.data() + text.size())
        return std::nullopt;
    return value;
}

/// Takes one accidental off the front: ASCII or the Unicode signs.
std::optional<int> takeAccidental(std::string_view& text)
{
    const auto take = [&](std::string_view sign) {
        if (text.rfind(sign, 0) != 0)
            return false;
        text.remove_prefix(sign.size());
        return true;
    };
    if (take("#") || take("\xE2\x99\xAF"))
        return 1;
    if (take("b") || take("\xE2\x99\xAD"))
        return -1;
    return std::nullopt;
}

} // namespace

std::string noteName(int key, const Naming& naming)
{
    static constexpr std::array<const char*, 12> sharp = {
        "C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"};
    static constexpr std::array<const char*, 12> flat = {
        "C", "Db", "D", "Eb", "E", "F", "Gb", "G", "Ab", "A", "Bb", "B"};
    const auto step = std::size_t((key % 12 + 12) % 12);
    const int octave = (key - int(step)) / 12 + naming.middleCOctave - 5;
    return (naming.accidentals == Accidentals::sharps ? sharp : flat)[step]
        + std::to_string(octave);
}

std::optional<int> parseKey(std::string_view text, const Naming& naming)
{
    while (!text.empty() && std::isspace(static_cast<unsigned char>(text.front())))
        text.remove_prefix(1);
    while (!text.empty() && std::isspace(static_cast<unsigned char>(text.back())))
        text.remove_suffix(1);
    if (text.empty())
        return std::nullopt;
    int key = 0;
    const auto letter = char(std::toupper(static_cast<unsigned char>(text.front())));
    if (letter >= 'A' && letter <= 'G') {
        static constexpr std::array<int, 7> steps = {9, 11, 0, 2, 4, 5, 7};
        text.remove_prefix(1);
        int step = steps[std::size_t(letter - 'A')];
        while (const auto shift = takeAccidental(text))
            step += *shift;
        const auto octave = wholeNumber(text);
        if (!octave)
            return std::nullopt;
        key = (*octave - naming.middleCOctave + 5) * 12 + step;
    } else {
        const auto number = wholeNumber(text);
        if (!number)
            return std::nullopt;
        key = *number;
    }
    if (key < 0 || key > 127)
        return std::nullopt;
    return key;
}

std::vector<int> lookUpKeys(const std::string& text, const Naming& naming, Hz a4)
{
    std::string wanted;
    bool hertz = false;
    for (const char c : text)
        if (!std::isspace(static_cast<unsigned char>(c)))
            wanted += char(std::tolower(static_cast<unsigned char>(c)));
    if (wanted.size() > 2 && wanted.ends_with("hz")) {
        hertz = true;
        wanted.resize(wanted.size() - 2);
    }
    char* end = nullptr;
    const double number = std::strtod(wanted.c_str(), &end);
    const bool isNumber = !wanted.empty() && *end == 0;
    if (isNumber && (hertz || number > 127.0 || number != std::floor(number))) {
        const int key = number > 0.0 ? nearestKey(midiOf(Hz{number}, a4)).key : -1;
        return key >= 0 && key <= 127 ? std::vector{key} : std::vector<int>{};
    }
    if (const auto key = parseKey(text, naming))
        return {*key};
    std::vector<int> keys;
    const Naming sharps{naming.middleCOctave, Accidentals::sharps};
    const Naming flats{naming.middleCOctave, Accidentals::flats};
    for (int key = 0; key < 128; ++key)
        for (const auto& way : {sharps, flats}) {
            std::string name = noteName(key, way);
            name[0] = char(std::tolower(static_cast<unsigned char>(name[0])));
            // "a" means A and not A#; "a#" both of its spellings' own.
            const auto letters = name.find_first_of("-0123456789");
            if (wanted.empty() || wanted == name.substr(0, letters)) {
                keys.push_back(key);
                break;
            }
        }
    return keys;
}

} // namespace puretone
