// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/journal/journal_file.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <nlohmann/json.hpp>
#include <set>
#include <string_view>
#define XXH_INLINE_ALL
#include <xxhash.h>

namespace puretone::journal {

using nlohmann::json;

namespace {

std::string hexadecimal(std::uint64_t number)
{
    std::array<char, 16> digits{};
    const auto end = std::to_chars(digits.data(), digits.data() + digits.size(), number, 16).ptr;
    return {digits.data(), end};
}

template <class Number> std::optional<Number> numberIn(std::string_view text, int base)
{
    Number number{};
    const auto [end, failed] =
        std::from_chars(text.data(), text.data() + text.size(), number, base);
    if (failed != std::errc() || end != text.data() + text.size())
        return std::nullopt;
    return number;
}

/// The words of a line.
std::vector<std::string_view> words(std::string_view line)
{
    std::vector<std::string_view> found;
    while (!line.empty()) {
        const auto space = std::min(line.find(' '), line.size());
        found.push_back(line.substr(0, space));
        line.remove_prefix(std::min(space + 1, line.size()));
    }
    return found;
}

struct Record {
    char kind = 0;
    std::string_view body;
};

/// The record at the front of `rest`, which it is cut from; nothing where none is whole.
std::optional<Record> nextRecord(std::string_view& rest)
{
    const auto lineEnd = rest.find('\n');
    if (lineEnd == std::string_view::npos || lineEnd > 64)
        return std::nullopt;
    const auto parts = words(rest.substr(0, lineEnd));
    if (parts.size() != 3 || parts[0].size() != 1)
        return std::nullopt;
    const auto length = numberIn<std::uint64_t>(parts[1], 16);
    const auto hash = numberIn<std::uint64_t>(parts[2], 16);
    if (!length || !hash || *length > rest.size() - lineEnd - 1)
        return std::nullopt;
    const auto body = rest.substr(lineEnd + 1, std::size_t(*length));
    if (XXH3_64bits(body.data(), body.size()) != *hash)
        return std::nullopt;
    const char kind = parts[0][0]; // a view into what is cut now
    rest.remove_prefix(lineEnd + 1 + body.size());
    return Record{kind, body};
}

struct Value {
    int number = 0;
    std::string text;
};

std::optional<Value> readValue(std::string_view body, const std::string& before)
{
    const auto lineEnd = body.find('\n');
    if (lineEnd == std::string_view::npos)
        return std::nullopt;
    const auto parts = words(body.substr(0, lineEnd));
    if (parts.size() != 3)
        return std::nullopt;
    const auto number = numberIn<int>(parts[0], 10);
    const auto front = numberIn<std::size_t>(parts[1], 10),
               back = numberIn<std::size_t>(parts[2], 10);
    if (!number || !front || !back || *front > before.size() || *back > before.size() - *front)
        return std::nullopt;
    return Value{*number,
        before.substr(0, *front) + std::string(body.substr(lineEnd + 1))
            + before.substr(before.size() - *back)};
}

json toJson(const HistoryText& history, std::size_t kept)
{
    json steps = json::array(), homes = json::array(), documents = json::array(),
         unsaved = json::array();
    for (std::size_t i = kept; i < history.steps.size(); ++i)
        steps.push_back({history.steps[i].name, history.steps[i].before, history.steps[i].after});
    for (const auto& home : history.homes)
        homes.push_back({home.file, home.saved});
    for (const auto& [value, document] : history.documents)
        if (document != 0)
            documents.push_back({value, document});
    for (const auto& [name, file] : history.unsaved)
        unsaved.push_back({name, file});
    return {{"kept", kept}, {"steps", std::move(steps)}, {"done", history.done},
        {"current", history.current}, {"homes", std::move(homes)},
        {"documents", std::move(documents)}, {"unsaved", std::move(unsaved)}};
}

/// @param before What the history before it was. @return False for anything but a history.
bool readHistory(std::string_view body, HistoryText& history)
{
    const json all = json::parse(body, nullptr, false);
    try {
        const auto kept = all.at("kept").get<std::size_t>();
        if (kept > history.steps.size())
            return false;
        HistoryText read;
        read.steps.assign(history.steps.begin(), history.steps.begin() + std::ptrdiff_t(kept));
        for (const auto& step : all.at("steps"))
            read.steps.push_back(
                {step.at(0).get<std::string>(), step.at(1).get<int>(), step.at(2).get<int>()});
        read.done = all.at("done").get<std::size_t>();
        read.current = all.at("current").get<int>();
        for (const auto& home : all.at("homes"))
            read.homes.push_back({home.at(0).get<std::string>(), home.at(1).get<int>()});
        for (const auto& of : all.at("documents"))
            read.documents[of.at(0).get<int>()] = of.at(1).get<int>();
        for (const auto& one : all.at("unsaved"))
            read.unsaved.emplace_back(one.at(0).get<std::string>(), one.at(1).get<std::string>());
        if (read.done > read.steps.size() || read.homes.empty())
            return false;
        history = std::move(read);
        return true;
    } catch (const json::exception&) {
        return false; // written by something else
    }
}

} // namespace

std::string record(char kind, const std::string& body)
{
    return std::string(1, kind) + ' ' + hexadecimal(body.size()) + ' '
        + hexadecimal(XXH3_64bits(body.data(), body.size())) + '\n' + body;
}

std::string valueRecord(int number, const std::string& text, const std::string& before)
{
    const auto shorter = std::min(text.size(), before.size());
    const auto front = std::size_t(
        std::mismatch(text.begin(), text.begin() + std::ptrdiff_t(shorter), before.begin()).first
        - text.begin());
    const auto back =
        std::size_t(std::mismatch(text.rbegin(), text.rbegin() + std::ptrdiff_t(shorter - front),
                        before.rbegin())
                        .first
            - text.rbegin());
    return record('v',
        std::to_string(number) + ' ' + std::to_string(front) + ' ' + std::to_string(back) + '\n'
            + text.substr(front, text.size() - front - back));
}

std::string historyRecord(const HistoryText& history, std::size_t kept)
{
    return record('h', toJson(history, kept).dump(-1, ' ', false, json::error_handler_t::replace));
}

std::optional<Contents> read(const std::string& bytes)
{
    std::string_view rest = bytes;
    Contents contents;
    HistoryText history;
    std::string before;
    bool complete = false;
    bool whole = false; // up to the last history
    while (const auto found = nextRecord(rest)) {
        if (found->kind == 'a') {
            const auto tab = found->body.find('\t');
            if (tab != std::string_view::npos)
                contents.audio[std::string(found->body.substr(0, tab))] =
                    found->body.substr(tab + 1);
        } else if (found->kind == 'v') {
            auto value = readValue(found->body, before);
            if (!value)
                break;
            before = value->text;
            contents.values[value->number] = std::move(value->text);
        } else if (found->kind != 'h' || !readHistory(found->body, history)) {
            break;
        } else {
            contents.history = history;
            complete = true;
        }
        whole = found->kind == 'h' && rest.empty();
    }
    contents.whole = whole;
    if (!complete)
        return std::nullopt;
    std::set<int> wanted{contents.history.current};
    for (const auto& step : contents.history.steps)
        wanted.insert({step.before, step.after});
    for (const auto& home : contents.history.homes)
        wanted.insert(home.saved);
    std::erase_if(
        contents.values, [&](const auto& value) { return wanted.count(value.first) == 0; });
    return contents;
}

} // namespace puretone::journal
