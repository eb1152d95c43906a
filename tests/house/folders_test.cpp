// SPDX-License-Identifier: GPL-3.0-or-later
// How the house stands: folders of src/ that a newcomer can take in, and no circles between them.
#include <catch2/catch.hpp>

#include <algorithm>
#include <filesystem>
#include <fstream>
#include <functional>
#include <map>
#include <regex>
#include <set>

namespace fs = std::filesystem;

namespace {

const fs::path sources = fs::path(SOURCE_FOLDER) / "src";

using Folders = std::map<std::string, std::set<std::string>>;

bool isCode(const fs::path& file)
{
    return file.extension() == ".h" || file.extension() == ".cpp";
}

/// What the files of each folder include from other folders.
Folders readIncludes()
{
    static const std::regex include("#include \"([^\"]+)/[^/\"]+\"");
    Folders seen;
    for (const auto& entry : fs::recursive_directory_iterator(sources)) {
        if (!isCode(entry.path()))
            continue;
        const auto folder = fs::relative(entry.path().parent_path(), sources).generic_string();
        std::ifstream in(entry.path());
        std::smatch found;
        for (std::string line; std::getline(in, line);)
            if (std::regex_search(line, found, include) && found[1] != folder)
                seen[folder].insert(found[1]);
    }
    return seen;
}

/// A folder that sees itself through others; the way there, or nothing.
std::string circleFrom(const Folders& folders, const std::string& start)
{
    std::set<std::string> visited;
    const std::function<std::string(const std::string&)> walk = [&](const std::string& at) {
        const auto of = folders.find(at);
        if (of == folders.end())
            return std::string();
        for (const auto& next : of->second) {
            if (next == start)
                return at + " -> " + start;
            if (visited.insert(next).second)
                if (const auto way = walk(next); !way.empty())
                    return at + " -> " + way;
        }
        return std::string();
    };
    return walk(start);
}

/// Parts that hold each other by design, taken as one: a session and its parts; the formats, whose
/// one header of functions all of them fill.
std::string asOne(const std::string& folder)
{
    for (const std::string whole : {"app/session", "formats"})
        if (folder.rfind(whole, 0) == 0)
            return whole;
    return folder;
}

} // namespace

TEST_CASE("no folder of the sources sees itself through others", "[house]")
{
    Folders folders;
    for (const auto& [folder, seen] : readIncludes())
        for (const auto& other : seen)
            if (asOne(folder) != asOne(other))
                folders[asOne(folder)].insert(asOne(other));
    REQUIRE(folders.size() > 30);
    for (const auto& [folder, seen] : folders)
        CHECK(circleFrom(folders, folder) == ""); // says the way round where there is one
    // The check can fail.
    folders["base"].insert("engine");
    CHECK_FALSE(circleFrom(folders, "engine").empty());
}

TEST_CASE("a folder of the sources can be taken in at a glance", "[house]")
{
    std::map<std::string, int> files;
    for (const auto& entry : fs::recursive_directory_iterator(sources))
        if (isCode(entry.path()))
            ++files[entry.path().parent_path().string()];
    for (const auto& [folder, count] : files) {
        CAPTURE(folder);
        CHECK(count <= 25);
    }
}
