// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/name_note.h"

#include "pitch/series/note.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <filesystem>
#include <utility>
#include <vector>

namespace puretone {

namespace {

bool isDigit(char c)
{
    return c >= '0' && c <= '9';
}

/// A word that is a note and nothing else.
std::optional<int> noteInWord(std::string word)
{
    if (word.size() < 2 || std::isalpha(static_cast<unsigned char>(word.front())) == 0)
        return std::nullopt;
    // "Fs4": a sharp to people who name files.
    if (word.size() > 2 && (word[1] == 's' || word[1] == 'S'))
        word[1] = '#';
    if (!isDigit(word.back()))
        return std::nullopt;
    return parseKey(word);
}

/// Whether a minus behind this word belongs to an octave: "C-1", "F#-2".
bool takesMinus(const std::string& word, const std::string& rest)
{
    return !word.empty() && noteInWord(word + "0") && word.size() <= 2 && rest.size() > 1
        && (rest[1] == '1' || rest[1] == '2') && (rest.size() == 2 || !isDigit(rest[2]));
}

/// Letters, digits and signs that stand together.
std::vector<std::string> wordsOf(const std::string& fileName)
{
    std::vector<std::string> words(1);
    const std::string stem = std::filesystem::path(fileName).stem().string();
    for (std::size_t i = 0; i < stem.size(); ++i) {
        const char c = stem[i];
        const auto u = static_cast<unsigned char>(c);
        const bool minus = c == '-' && takesMinus(words.back(), stem.substr(i));
        if (std::isalnum(u) != 0 || c == '#' || u >= 0x80 || minus)
            words.back() += c;
        else if (!words.back().empty())
            words.emplace_back();
    }
    if (words.back().empty())
        words.pop_back();
    return words;
}

std::string lower(std::string word)
{
    std::transform(word.begin(), word.end(), word.begin(),
        [](unsigned char c) { return char(std::tolower(c)); });
    return word;
}

std::optional<int> wholeNumber(const std::string& digits)
{
    int number = 0;
    const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), number);
    if (error != std::errc() || end != digits.data() + digits.size() || digits.empty())
        return std::nullopt;
    return number;
}

/// "v3": a word of some of these letters with a number behind it.
std::optional<int> numberBehind(
    const std::string& word, std::initializer_list<const char*> beginnings)
{
    for (const std::string beginning : beginnings)
        if (word.starts_with(beginning))
            if (const auto number = wholeNumber(word.substr(beginning.size())))
                return number;
    return std::nullopt;
}

std::optional<int> touchInWord(const std::string& word)
{
    constexpr std::array<std::pair<const char*, int>, 20> words = {{{"ppp", 0}, {"pp", 10},
        {"p", 20}, {"piano", 20}, {"soft", 20}, {"softly", 20}, {"quiet", 20}, {"mp", 30},
        {"medium", 35}, {"med", 35}, {"mid", 35}, {"mf", 40}, {"f", 50}, {"forte", 50},
        {"hard", 50}, {"loud", 50}, {"strong", 50}, {"ff", 60}, {"fff", 70}, {"loudest", 80}}};
    for (const auto& [name, touch] : words)
        if (word == name)
            return touch;
    return numberBehind(word, {"velocity", "vel", "v", "dyn", "layer"});
}

} // namespace

std::optional<int> noteInName(const std::string& fileName)
{
    for (const auto& word : wordsOf(fileName))
        if (const auto note = noteInWord(word))
            return note;
    return std::nullopt;
}

NameSays readName(const std::string& fileName)
{
    NameSays says;
    says.key = noteInName(fileName);
    const auto words = wordsOf(fileName);
    std::string before;
    for (const auto& original : words) {
        const std::string word = lower(original);
        const bool digits = std::all_of(word.begin(), word.end(), isDigit);
        const bool named = before == "midi" || before == "key" || before == "note";
        const auto number = digits && word.size() <= 4 ? wholeNumber(word) : std::nullopt;
        const auto behind = numberBehind(word, {"midi", "key", "note"});
        if (!says.key && number && *number <= 127 && (word.size() == 3 || named)) {
            says.key = number;
            says.isNumber = true;
        } else if (!says.key && behind && *behind <= 127) {
            says.key = behind;
            says.isNumber = true;
        } else if (number) {
            says.number = number;
        } else if (noteInWord(original)) {
            // said already
        } else if (const auto take =
                       numberBehind(word, {"take", "rr", "round", "var", "alt", "t"})) {
            says.number = take;
        } else if (const auto touch = touchInWord(word); touch && !says.touch) {
            says.touch = touch;
        }
        before = word;
    }
    return says;
}

} // namespace puretone
