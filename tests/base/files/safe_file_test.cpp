// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files/safe_file.h"

#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fstream>
#include <sys/wait.h>
#include <unistd.h>

using namespace puretone;
using probe::TemporaryFolder;

namespace {

std::string contents(const std::filesystem::path& path)
{
    std::ifstream in(path);
    return {std::istreambuf_iterator<char>(in), {}};
}

void put(const std::filesystem::path& path, const std::string& text)
{
    std::ofstream(path) << text;
}

Result<void> writeText(const std::filesystem::path& path, const std::string& text)
{
    return writeBytes(path, std::as_bytes(std::span(text)));
}

} // namespace

TEST_CASE("a file appears whole or stays as it was", "[base][bad-input]")
{
    const TemporaryFolder folder;
    put(folder / "x.txt", "old");

    SECTION("all goes well")
    {
        REQUIRE(writeWhole(folder / "x.txt", [](const auto& p) { return writeText(p, "new"); }));
        CHECK(contents(folder / "x.txt") == "new");
    }
    SECTION("the writer fails half-way")
    {
        const auto done = writeWhole(folder / "x.txt", [](const auto& p) -> Result<void> {
            CHECK(writeText(p, "ne"));
            return fail(ErrorCode::cannotWrite, "No more ink.");
        });
        REQUIRE_FALSE(done);
        CHECK(done.error().message == "No more ink.");
        CHECK(contents(folder / "x.txt") == "old");
    }
    SECTION("the check does not agree")
    {
        const auto done = writeWhole(
            folder / "x.txt", [](const auto& p) { return writeText(p, "new"); },
            [](const auto&) -> Result<void> {
                return fail(ErrorCode::checkFailed, "It differs.");
            });
        CHECK_FALSE(done);
        CHECK(contents(folder / "x.txt") == "old");
    }
    CHECK(folder.names() == std::vector<std::string>{"x.txt"});
}

TEST_CASE(
    "a drive that vanishes while it is written to is said in one sentence", "[base][bad-input]")
{
    const TemporaryFolder folder;
    const auto drive = folder / "drive";
    std::filesystem::create_directory(drive);
    const auto vanish = [&] { std::filesystem::remove_all(drive); };
    const auto says = [](const Result<void>& done, const char* name) {
        REQUIRE_FALSE(done);
        CHECK(done.error().code == ErrorCode::cannotWrite);
        CHECK_THAT(done.error().message, Catch::Matchers::Contains(name));
    };
    SECTION("before its first byte")
    {
        vanish();
        says(writeWhole(drive / "a.txt", [](const auto& p) { return writeText(p, "new"); }),
            "a.txt");
    }
    SECTION("in the middle")
    {
        says(writeWhole(drive / "a.txt",
                 [&](const auto& p) {
                     auto written = writeText(p, "ne");
                     vanish();
                     return written;
                 }),
            "a.txt");
    }
    SECTION("between writing and taking its place")
    {
        says(writeWhole(
                 drive / "a.txt", [](const auto& p) { return writeText(p, "new"); },
                 [&](const auto&) {
                     vanish();
                     return Result<void>();
                 }),
            "a.txt");
    }
    SECTION("with half of what belongs together")
    {
        FilesTogether files;
        REQUIRE(files.write(drive / "a.txt", [](const auto& p) { return writeText(p, "new"); }));
        vanish();
        says(files.write(drive / "b.txt", [](const auto& p) { return writeText(p, "new"); }),
            "b.txt");
        says(files.keep(), "a.txt");
    }
    CHECK(folder.names().empty());
}

TEST_CASE("writing into a missing folder or over a folder is refused by name", "[base][bad-input]")
{
    const TemporaryFolder folder;
    const auto write = [](const auto& p) { return writeText(p, "x"); };
    const auto missing = writeWhole(folder / "nowhere/x.sf2", write);
    REQUIRE_FALSE(missing);
    CHECK(missing.error().code == ErrorCode::cannotWrite);
    CHECK_THAT(missing.error().message, Catch::Matchers::Contains("x.sf2"));
    std::filesystem::create_directory(folder / "dir.sf2");
    CHECK_FALSE(writeWhole(folder / "dir.sf2", write));
}

TEST_CASE("a full disk is told from success", "[base][bad-input]")
{
    if (!std::filesystem::exists("/dev/full"))
        return;
    const auto full = writeText("/dev/full", "x");
    REQUIRE_FALSE(full);
    CHECK_THAT(full.error().message, Catch::Matchers::Contains("the disk is full"));
}

TEST_CASE("reading says what is in the way", "[base][bad-input]")
{
    const TemporaryFolder folder;
    const auto missing = readFile(folder / "gone.wav");
    REQUIRE_FALSE(missing);
    CHECK(missing.error().message
        == "gone.wav could not be opened: there is no such file or folder.");
    const auto directory = readFile(folder.path());
    REQUIRE_FALSE(directory);
    CHECK_THAT(directory.error().message, Catch::Matchers::Contains("is a folder"));
    CHECK_FALSE(readFile("/dev/zero"));
    if (::geteuid() != 0) { // root may read everything
        put(folder / "secret.wav", "x");
        std::filesystem::permissions(folder / "secret.wav", std::filesystem::perms::none);
        const auto forbidden = readFile(folder / "secret.wav");
        REQUIRE_FALSE(forbidden);
        CHECK_THAT(forbidden.error().message, Catch::Matchers::Contains("permission is denied"));
    }
}

TEST_CASE("what a process that was killed while it wrote left behind goes with the next save",
    "[base][files]")
{
    const TemporaryFolder folder;
    const auto target = folder / "a.puretone";
    REQUIRE(writeBytes(target, {}));
    const auto writeFor = [&](bool die) {
        return writeWhole(target, [&](const std::filesystem::path& temporary) -> Result<void> {
            // A library that writes beside the temporary file leaves its own, too.
            std::ofstream(temporary.string() + ".Ab3dE9") << "half";
            if (die)
                ::_exit(7);
            std::filesystem::remove(temporary.string() + ".Ab3dE9");
            // While the process lives, nobody takes its file away.
            CHECK(removeAbandoned(folder.path()) == 0);
            CHECK(std::filesystem::exists(temporary));
            return writeBytes(temporary, {});
        });
    };
    const pid_t child = ::fork();
    if (child == 0)
        (void)writeFor(true);
    int status = 0;
    ::waitpid(child, &status, 0);
    REQUIRE(WEXITSTATUS(status) == 7);
    REQUIRE(folder.names().size() == 3);
    // Files of people that look a little alike stay.
    for (const char* name :
        {".notes-puretone-", ".a-puretone-1-12-x-1.wav", "b-puretone-1-1-2-3.wav"})
        put(folder / name, "mine");
    // Another computer's, in a shared folder: only after a day it is nobody's.
    put(folder / ".c-puretone-1-2-3-4.wav", "fresh");
    put(folder / ".d-puretone-1-2-3-4.wav", "old");
    std::filesystem::last_write_time(folder / ".d-puretone-1-2-3-4.wav",
        std::filesystem::file_time_type::clock::now() - std::chrono::hours(30));
    REQUIRE(writeFor(false));
    CHECK(folder.names().size() == 5);
    CHECK(std::filesystem::exists(folder / ".c-puretone-1-2-3-4.wav"));
    CHECK(std::filesystem::exists(target));
}

TEST_CASE("files that belong together appear together, or none of them does", "[base][bad-input]")
{
    const TemporaryFolder folder;
    const auto inside = folder / "new";
    put(folder / "a.txt", "old");
    const auto write = [](FilesTogether& files, const std::filesystem::path& path) {
        return files.write(path, [](const auto& p) { return writeText(p, "new"); });
    };
    SECTION("kept")
    {
        FilesTogether files;
        REQUIRE(files.makeFolder(inside));
        REQUIRE(write(files, folder / "a.txt"));
        REQUIRE(write(files, inside / "b.txt"));
        CHECK(contents(folder / "a.txt") == "old");
        CHECK_FALSE(std::filesystem::exists(inside / "b.txt"));
        REQUIRE(files.keep());
        CHECK(contents(folder / "a.txt") == "new");
        CHECK(contents(inside / "b.txt") == "new");
        CHECK(folder.names().size() == 2);
    }
    SECTION("given up: the folder that was made for them goes, too")
    {
        {
            FilesTogether files;
            REQUIRE(files.makeFolder(inside));
            REQUIRE(write(files, folder / "a.txt"));
            REQUIRE(write(files, inside / "b.txt"));
        }
        CHECK(contents(folder / "a.txt") == "old");
        CHECK(folder.names() == std::vector<std::string>{"a.txt"});
    }
    SECTION("a folder that was there stays")
    {
        std::filesystem::create_directory(inside);
        {
            FilesTogether files;
            REQUIRE(files.makeFolder(inside));
            REQUIRE(write(files, inside / "b.txt"));
        }
        CHECK(std::filesystem::is_empty(inside));
    }
    SECTION("one of them throws")
    {
        FilesTogether files;
        const auto burst = [](const auto& p) -> Result<void> {
            CHECK(writeText(p, "ne"));
            throw std::runtime_error("no more memory");
        };
        CHECK_THROWS(files.write(folder / "b.txt", burst));
        CHECK_THROWS(writeWhole(folder / "a.txt", burst));
        CHECK(contents(folder / "a.txt") == "old");
        CHECK(folder.names() == std::vector<std::string>{"a.txt"});
    }
    SECTION("the last one cannot take its place: those before it are what they were")
    {
        std::filesystem::create_directory(folder / "c.txt");
        put(folder / "c.txt" / "inside", "a folder that is not empty");
        FilesTogether files;
        REQUIRE(write(files, folder / "a.txt"));
        REQUIRE(write(files, folder / "b.txt"));
        std::filesystem::rename(folder / "c.txt", folder / "d.txt");
        REQUIRE(write(files, folder / "c.txt"));
        std::filesystem::rename(folder / "d.txt", folder / "c.txt");
        CHECK(contents(files.waiting(folder / "a.txt")) == "new");
        CHECK(files.waiting(folder / "other.txt") == folder / "other.txt");
        CHECK_FALSE(files.keep());
        CHECK(contents(folder / "a.txt") == "old");
        CHECK_FALSE(std::filesystem::exists(folder / "b.txt"));
    }
    SECTION("one of them cannot be written")
    {
        FilesTogether files;
        REQUIRE(write(files, folder / "a.txt"));
        CHECK_FALSE(write(files, folder / "missing" / "b.txt"));
        CHECK_FALSE(files.makeFolder(folder / "missing" / "deeper"));
        CHECK(contents(folder / "a.txt") == "old");
    }
}
