// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/recovery.h"

#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fstream>
#include <sys/wait.h>
#include <unistd.h>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;

namespace {

Instrument example(const std::string& name, double hz = 233.0)
{
    auto take = looped(
        plainTake(mono(harmonicTone(hz, 48000.0, 0.5)), midiOf(Hz{hz}), name), 4000, 20000, 500);
    take.treatments = {{Reverse{}}};
    setTreatments(take, {}, nullptr);
    auto instrument = instrumentOf(std::move(take));
    instrument.name = name;
    return instrument;
}

/// Lets another process keep copies, and kills it in the middle of its work.
void keepAndBeKilled(const std::filesystem::path& root, const std::vector<UnsavedDocument>& kept)
{
    const pid_t child = ::fork();
    if (child == 0) {
        RecoveryCopies copies(root);
        const bool done = copies.keep(kept).has_value();
        ::_exit(done ? 0 : 1); // no destructor runs
    }
    int status = 1;
    ::waitpid(child, &status, 0);
    REQUIRE(status == 0);
}

} // namespace

TEST_CASE("what a killed program had not saved comes back whole", "[formats][recovery]")
{
    const TemporaryFolder folder;
    const auto root = folder / "recovery";
    const auto first = example("horn"), second = example("bell", 440.0);
    keepAndBeKilled(root, {{3, first, "/home/keeper/horn.puretone"}, {12, second, ""}});
    const auto left = leftBehind(root);
    REQUIRE(left.size() == 1);
    REQUIRE(left[0].documents.size() == 2);
    CHECK(left[0].documents[0].name == "horn");
    CHECK(left[0].documents[0].file == "/home/keeper/horn.puretone");
    CHECK(left[0].documents[1].file.empty());
    CHECK(*openLeft(left[0].documents[0]) == first);
    CHECK(*openLeft(left[0].documents[1]) == second);
    // Nobody else is offered it meanwhile.
    CHECK(leftBehind(root).empty());
    discard(left[0]);
    CHECK(leftBehind(root).empty());
}

TEST_CASE("a program that lives keeps its copies to itself and leaves nothing when it ends",
    "[formats][recovery]")
{
    const TemporaryFolder folder;
    const auto root = folder / "recovery";
    {
        RecoveryCopies copies(root), other(root);
        REQUIRE(copies.keep({{1, example("horn"), ""}}));
        REQUIRE(other.keep({{1, example("bell"), ""}}));
        CHECK(leftBehind(root).empty());
        REQUIRE(other.keep({}));
        CHECK(std::distance(std::filesystem::directory_iterator(root), {}) == 1);
    }
    CHECK(std::filesystem::is_empty(root));
}

TEST_CASE("audio is written once, whatever is edited", "[formats][recovery]")
{
    const TemporaryFolder folder;
    auto document = example("horn");
    RecoveryCopies copies(folder.path());
    REQUIRE(copies.keep({{1, document, ""}}));
    std::filesystem::path audio;
    for (const auto& entry : std::filesystem::recursive_directory_iterator(folder.path()))
        if (entry.path().extension() == ".wav")
            audio = entry.path();
    REQUIRE_FALSE(audio.empty());
    const auto written = std::filesystem::last_write_time(audio);
    document.layers[0].envelope.attack = 0.7;
    REQUIRE(copies.keep({{1, document, ""}}));
    CHECK(std::filesystem::last_write_time(audio) == written);
}

TEST_CASE("a long file that stays on disk is referred to, and a change of it is told",
    "[formats][recovery][bad-input]")
{
    const TemporaryFolder folder;
    const auto sound = folder / "long.wav";
    // Just over what is held in memory: 64 MB.
    REQUIRE(writeWav(sound, mono(noise(48000.0, 360.0, 0.1)), SampleFormat::float32));
    const auto recording = *openRecording(sound);
    REQUIRE(!recording->original->path().empty());
    Take take;
    take.id = 1;
    take.name = "long";
    take.recording = recording;
    take.kept = {Frames{0}, Frames{48000}};
    auto document = sanitized(instrumentOf(std::move(take)));
    const auto root = folder / "recovery";
    keepAndBeKilled(root, {{1, document, ""}});
    const auto left = leftBehind(root);
    REQUIRE(left.size() == 1);
    SECTION("still there, under another name")
    {
        std::filesystem::remove(sound);
        const auto again = openLeft(left[0].documents[0]);
        REQUIRE(again);
        CHECK(*again == document);
    }
    SECTION("written into")
    {
        std::fstream file(sound, std::ios::in | std::ios::out | std::ios::binary);
        file.seekp(100000);
        file << "keeper";
        file.close();
        const auto again = openLeft(left[0].documents[0]);
        REQUIRE_FALSE(again);
        CHECK_THAT(again.error().message, Contains("long.wav was changed"));
    }
}

TEST_CASE("damaged copies are told, not opened", "[formats][recovery][bad-input]")
{
    const TemporaryFolder folder;
    keepAndBeKilled(folder.path(), {{1, example("horn"), ""}});
    auto left = leftBehind(folder.path());
    REQUIRE(left.size() == 1);
    const auto path = left[0].documents[0].path;
    const auto whole = std::filesystem::file_size(path);
    for (const auto size : {whole - 100, whole / 2, std::uintmax_t(40), std::uintmax_t(0)}) {
        CAPTURE(size);
        std::filesystem::resize_file(path, size);
        CHECK_FALSE(openLeft(left[0].documents[0]));
    }
    left.clear();
    // It is still offered, under the only name that is known.
    left = leftBehind(folder.path());
    REQUIRE(left.size() == 1);
    CHECK(left[0].documents[0].name == "1");
}

TEST_CASE("a folder that cannot be written to is told", "[formats][recovery][bad-input]")
{
    const TemporaryFolder folder;
    std::ofstream(folder / "recovery") << "a file, not a folder";
    RecoveryCopies copies(folder / "recovery");
    const auto kept = copies.keep({{1, example("horn"), ""}});
    REQUIRE_FALSE(kept);
    CHECK_THAT(kept.error().message, Contains("recovery"));
}
