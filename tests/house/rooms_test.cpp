// SPDX-License-Identifier: GPL-3.0-or-later
// The house as its plan says: no room includes what it may not see. All rooms share one folder of
// includes, so that linking alone would let headers through.
#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <map>
#include <regex>
#include <set>

namespace fs = std::filesystem;

namespace {

using Rooms = std::map<std::string, std::set<std::string>>;

std::string contentOf(const fs::path& path)
{
    std::ifstream file(path);
    return {std::istreambuf_iterator<char>(file), {}};
}

/// Rooms and those that each names in src/CMakeLists.txt.
Rooms plan()
{
    Rooms rooms{{"cli", {"formats"}}, {"app", {"formats", "devices"}}};
    const auto text = contentOf(fs::path(SOURCE_FOLDER) / "src" / "CMakeLists.txt");
    const std::regex room(R"(puretone_room\((\w+)(?:\s+SEES((?:\s+[a-z]+)+))?)");
    const std::regex word("[a-z]+");
    for (std::sregex_iterator it(text.begin(), text.end(), room), end; it != end; ++it) {
        auto& seen = rooms[(*it)[1]];
        const std::string names = (*it)[2];
        for (std::sregex_iterator w(names.begin(), names.end(), word); w != end; ++w)
            seen.insert(w->str());
    }
    return rooms;
}

/// What a room sees through the rooms that it names.
std::set<std::string> seenFrom(const Rooms& rooms, const std::string& room)
{
    std::set<std::string> seen{room};
    std::vector<std::string> ways{room};
    while (!ways.empty()) {
        const auto here = ways.back();
        ways.pop_back();
        for (const auto& next : rooms.at(here))
            if (seen.insert(next).second)
                ways.push_back(next);
    }
    return seen;
}

} // namespace

TEST_CASE("no arrow of the house points back", "[house]")
{
    const auto rooms = plan();
    REQUIRE(rooms.count("engine") == 1);
    CHECK(rooms.at("engine").count("model") == 1);
    for (const auto& [room, named] : rooms)
        for (const auto& other : named) {
            CAPTURE(room, other);
            REQUIRE(rooms.count(other) == 1);
            CHECK(seenFrom(rooms, other).count(room) == 0);
        }
    const std::regex include("#include \"([a-z]+)/");
    int files = 0;
    for (const auto& [room, named] : rooms) {
        const auto seen = seenFrom(rooms, room);
        for (const auto& entry :
            fs::recursive_directory_iterator(fs::path(SOURCE_FOLDER) / "src" / room)) {
            const auto ending = entry.path().extension();
            if (ending != ".cpp" && ending != ".h")
                continue;
            ++files;
            const auto text = contentOf(entry.path());
            for (std::sregex_iterator it(text.begin(), text.end(), include), end; it != end; ++it) {
                CAPTURE(entry.path().string(), (*it)[1].str());
                CHECK(seen.count((*it)[1]) == 1);
            }
            if (room != "app")
                CHECK(text.find("#include <Q") == std::string::npos);
        }
    }
    CHECK(files > 150);
}
