// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

// What a journal's file says: records, one behind the other, each a line
//
//     KIND LENGTH HASH
//
// and LENGTH bytes (hexadecimal, HASH is XXH3-64 over them). A record that is cut off or differs
// from its hash ends the file. Kinds:
//
//     a  audio: "ENTRY\tPATH", the file that holds a recording
//     v  a value: "NUMBER FRONT BACK\n" and the middle of its JSON; the first FRONT and the last
//        BACK bytes are those of the value before it in the file
//     h  the history: JSON (see historyRecord), with the steps that differ from the last one's
//
// Only what stands before a history counts.
namespace puretone::journal {

inline constexpr const char* fileName = "journal";

std::string record(char kind, const std::string& body);
/// A value written against the one before it.
std::string valueRecord(int number, const std::string& text, const std::string& before);

struct StepText {
    std::string name;
    int before = 0, after = 0; ///< Numbers of values.
};
struct HomeText {
    std::string file;
    int saved = -1; ///< Number of a value; -1 for none.
};
/// A history, by the numbers of its values.
struct HistoryText {
    std::vector<StepText> steps;
    std::size_t done = 0;
    int current = 0;
    std::vector<HomeText> homes;
    std::map<int, int> documents; ///< Which document each value is of.
    std::vector<std::pair<std::string, std::string>>
        unsaved; ///< Names and files, see LeftDocument.
};
/// @param kept So many of its steps are those of the history before it in the file.
std::string historyRecord(const HistoryText& history, std::size_t kept);

/// The last complete history of a file.
struct Contents {
    HistoryText history;
    std::map<int, std::string> values; ///< JSON by number; of those that the history names.
    std::map<std::string, std::string> audio;
    /// Nothing stands behind it: a record that is damaged, cut off, or of a later program may hold
    /// newer work.
    bool whole = true;
};
/// Nothing where there is no complete history. Never throws; takes no more memory than the file and
/// the values it holds.
std::optional<Contents> read(const std::string& bytes);

} // namespace puretone::journal
