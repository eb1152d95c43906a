// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/journal/journal.h"

#include "formats/journal/journal_file.h"
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

/// Lets another process keep a journal of it, and kills it in the middle of its work.
void keepAndBeKilled(const std::filesystem::path& root, const History& history)
{
    const pid_t child = ::fork();
    if (child == 0) {
        Journal journal(root);
        const bool done = journal.keep(history.snapshot()).has_value();
        ::_exit(done ? 0 : 1); // no destructor runs
    }
    int status = 1;
    ::waitpid(child, &status, 0);
    REQUIRE(status == 0);
}

Instrument slower(Instrument instrument, double by)
{
    instrument.layers[0].envelope.attack += by;
    return instrument;
}

/// Every value that undo and redo lead to, from the first to the last, and what they are called.
std::vector<std::pair<std::string, Instrument>> walked(History history)
{
    while (history.canUndo())
        history.undo();
    std::vector<std::pair<std::string, Instrument>> values{{"", history.current()}};
    while (history.canRedo()) {
        const auto name = history.redoName();
        history.redo();
        values.emplace_back(name, history.current());
    }
    return values;
}

History restored(const LeftBehind& left)
{
    const auto opened = openLeft(left);
    REQUIRE(opened);
    History history;
    history.restore("Recover", *opened, *opened->current.value);
    return history;
}

} // namespace

TEST_CASE("what a killed program had not saved comes back whole, with all that can be undone",
    "[formats][journal]")
{
    const TemporaryFolder folder;
    const auto root = folder / "journal";
    const auto first = example("horn"), second = example("bell", 440.0);
    History history;
    history.begin("Open horn", first, {"/home/keeper/horn.puretone", true});
    history.apply("Slower", slower(first, 0.1));
    history.apply("Slower still", slower(first, 0.2), 7);
    history.begin("Open bell", second);
    history.apply("Softer", slower(second, 0.3));
    history.undo();
    keepAndBeKilled(root, history);
    auto left = leftBehind(root).work;
    REQUIRE(left.size() == 1);
    REQUIRE(left[0].documents.size() == 2);
    CHECK(left[0].documents[0].name == "bell");
    CHECK(left[0].documents[0].file.empty());
    CHECK(left[0].documents[1].name == "horn");
    CHECK(left[0].documents[1].file == "/home/keeper/horn.puretone");
    auto again = restored(left[0]);
    CHECK(again.current() == second);
    CHECK(again.redoName() == "Softer");
    CHECK(again.undoName() == "Open bell");
    CHECK(walked(again) == walked(history));
    CHECK_FALSE(again.isSaved());
    again.undo();
    CHECK(again.file() == "/home/keeper/horn.puretone");
    CHECK_FALSE(again.isSaved());
    again.undo();
    again.undo();
    CHECK(again.isSaved()); // that is what stands in the file
    // A step after it begins anew: no gesture of the other program goes on.
    CHECK_FALSE(again.continues(7));
    // Nobody else is offered it meanwhile.
    CHECK(leftBehind(root).work.empty());
    discard(left[0]);
    left.clear();
    CHECK(leftBehind(root).work.empty());
}

TEST_CASE("what comes back joins what was done here, as steps of its own", "[formats][journal]")
{
    const TemporaryFolder folder;
    History history;
    history.begin("Open horn", example("horn"));
    history.apply("Slower", slower(example("horn"), 0.1));
    keepAndBeKilled(folder.path(), history);
    const auto left = leftBehind(folder.path()).work;
    REQUIRE(left.size() == 1);
    const auto opened = openLeft(left[0]);
    REQUIRE(opened);
    History here;
    here.begin("Open bell", example("bell", 440.0), {"/home/keeper/bell.puretone", true});
    const auto bell = here.current();
    here.restore("Recover horn", *opened, *opened->current.value);
    CHECK(here.current() == history.current());
    CHECK(here.file().empty());
    here.undo();
    here.undo();
    CHECK(here.undoName() == "Recover horn");
    here.undo();
    CHECK(here.current() == bell);
    CHECK(here.file() == "/home/keeper/bell.puretone");
    CHECK(here.isSaved());
}

TEST_CASE("whatever is done, the journal says what the history is", "[formats][journal]")
{
    const TemporaryFolder folder;
    Noise random(3);
    History history;
    history.begin("Open", example("horn"));
    Journal journal(folder.path());
    for (int round = 0; round < 150; ++round) {
        const auto chance = int(random.between(0.0, 20.0));
        const auto name = "step " + std::to_string(round);
        if (chance < 5)
            history.undo();
        else if (chance < 7)
            history.redo();
        else if (chance < 9)
            history.markSaved(history.document(), history.current(), "/home/keeper/a.puretone");
        else if (chance < 10)
            history.begin(name, example("bell " + name, 440.0));
        else
            history.apply(name, slower(history.current(), 0.001), chance < 14 ? 3 : 0);
        if (round % 3 != 0)
            continue;
        REQUIRE(journal.keep(history.snapshot()));
        // A look from outside: the folder's copy, as another process would find it.
        std::filesystem::path own;
        for (const auto& entry : std::filesystem::directory_iterator(folder.path()))
            own = entry.path();
        LeftBehind left{own, {{"x", ""}}, nullptr};
        const auto again = restored(left);
        REQUIRE(again.current() == history.current());
        REQUIRE(walked(again) == walked(history));
        REQUIRE(again.unsaved().size() == history.unsaved().size());
    }
}

TEST_CASE("a journal grows by what changed, not by what there is", "[formats][journal]")
{
    const TemporaryFolder folder;
    auto document = example("horn");
    for (int i = 0; i < 400; ++i)
        document.layers[0].zones.push_back({100 + i, 1, i % 100, i % 100 + 20, 1, 127});
    History history;
    history.begin("Open", document);
    Journal journal(folder.path());
    REQUIRE(journal.keep(history.snapshot()));
    const auto whole = journal.bytes();
    for (int i = 0; i < 100; ++i) {
        history.apply("Slower", slower(history.current(), 0.01));
        REQUIRE(journal.keep(history.snapshot()));
    }
    // 100 steps in less than another copy or two of the document.
    CHECK(journal.bytes() < 2 * whole);
}

TEST_CASE("a program that lives keeps its journal to itself and leaves nothing when it ends",
    "[formats][journal]")
{
    const TemporaryFolder folder;
    const auto root = folder / "journal";
    History history;
    history.begin("Open horn", example("horn"));
    {
        Journal journal(root), other(root);
        REQUIRE(journal.keep(history.snapshot()));
        REQUIRE(other.keep(history.snapshot()));
        CHECK(leftBehind(root).work.empty());
        other.clear();
        CHECK(std::distance(std::filesystem::directory_iterator(root), {}) == 1);
    }
    CHECK(std::filesystem::is_empty(root));
}

TEST_CASE("impulses of effects come back with the rest", "[formats][journal]")
{
    const TemporaryFolder folder;
    auto document = example("horn");
    document.effects.push_back(makeEffect(EffectKind::space, 1));
    document.effects[0].impulse = makeRecording(mono(noise(48000.0, 0.2, 0.3)), "shed.wav");
    History history;
    history.begin("Open horn", document);
    keepAndBeKilled(folder.path(), history);
    const auto left = leftBehind(folder.path()).work;
    REQUIRE(left.size() == 1);
    CHECK(restored(left[0]).current() == document);
}

TEST_CASE("audio is written once, whatever is edited", "[formats][journal]")
{
    const TemporaryFolder folder;
    History history;
    history.begin("Open horn", example("horn"));
    Journal journal(folder.path());
    REQUIRE(journal.keep(history.snapshot()));
    std::filesystem::path audio;
    for (const auto& entry : std::filesystem::recursive_directory_iterator(folder.path()))
        if (entry.path().extension() == ".wav")
            audio = entry.path();
    REQUIRE_FALSE(audio.empty());
    const auto written = std::filesystem::last_write_time(audio);
    history.apply("Slower", slower(history.current(), 0.7));
    REQUIRE(journal.keep(history.snapshot()));
    CHECK(std::filesystem::last_write_time(audio) == written);
}

TEST_CASE("a long file that stays on disk is referred to, and a change of it is told",
    "[formats][journal][bad-input]")
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
    const auto root = folder / "journal";
    History history;
    history.begin("Open", document);
    keepAndBeKilled(root, history);
    const auto left = leftBehind(root).work;
    REQUIRE(left.size() == 1);
    SECTION("still there, under another name")
    {
        std::filesystem::remove(sound);
        const auto again = openLeft(left[0]);
        REQUIRE(again);
        CHECK(*again->current.value == document);
    }
    SECTION("written into")
    {
        std::fstream file(sound, std::ios::in | std::ios::out | std::ios::binary);
        file.seekp(100000);
        file << "keeper";
        file.close();
        const auto again = openLeft(left[0]);
        REQUIRE_FALSE(again);
        CHECK_THAT(again.error().message, Contains("long.wav was changed"));
    }
}

TEST_CASE("a journal that was cut off anywhere is what it was at the last whole record",
    "[formats][journal][bad-input]")
{
    const TemporaryFolder folder;
    History history;
    history.begin("Open horn", example("horn"));
    Journal journal(folder.path());
    std::vector<std::pair<std::uintmax_t, Instrument>> stages;
    std::filesystem::path own;
    for (int i = 0; i < 6; ++i) {
        history.apply("Slower", slower(history.current(), 0.1));
        REQUIRE(journal.keep(history.snapshot()));
        for (const auto& entry : std::filesystem::directory_iterator(folder.path()))
            own = entry.path();
        stages.emplace_back(std::filesystem::file_size(own / journal::fileName), history.current());
    }
    Noise random(9);
    for (int round = 0; round < 60; ++round) {
        const auto size = std::uintmax_t(random.between(0.0, double(stages.back().first)));
        CAPTURE(size);
        const auto copy = folder / ("copy " + std::to_string(round));
        std::filesystem::create_directory(copy);
        std::filesystem::copy_file(own / journal::fileName, copy / journal::fileName);
        std::filesystem::resize_file(copy / journal::fileName, size);
        LeftBehind left{copy, {{"x", ""}}, nullptr};
        const auto opened = openLeft(left);
        const Instrument* expected = nullptr;
        for (const auto& [whole, value] : stages)
            if (whole <= size)
                expected = &value;
        REQUIRE(opened.has_value() == (expected != nullptr));
        if (expected != nullptr)
            CHECK(*opened->current.value == *expected);
        std::filesystem::remove_all(copy);
    }
}

TEST_CASE("a journal that says nonsense is refused, not followed", "[formats][journal][bad-input]")
{
    const auto value = journal::valueRecord(1, "{}", "");
    const auto history = [](const std::string& text) { return journal::record('h', text); };
    const std::string good =
        R"({"kept":0,"steps":[],"done":0,"current":1,"homes":[["",-1]],"documents":[],"unsaved":[]})";
    CHECK(journal::read(value + history(good)));
    for (const std::string bad :
        {"", "[]", "{", R"({"kept":5})",
            R"({"kept":0,"steps":[],"done":3,"current":1,"homes":[["",-1]],"documents":[],"unsaved":[]})",
            R"({"kept":0,"steps":[],"done":0,"current":1,"homes":[],"documents":[],"unsaved":[]})",
            R"({"kept":0,"steps":[[1,2]],"done":0,"current":1,"homes":[["",-1]],"documents":[],"unsaved":[]})"}) {
        CAPTURE(bad);
        CHECK_FALSE(journal::read(value + history(bad)));
    }
    CHECK_FALSE(journal::read(journal::record('v', "1 5 0\nx") + history(good)));
    CHECK_FALSE(journal::read("h ffffffffffffffff 0\n"));
    CHECK_FALSE(journal::read(std::string(1000, 'h')));
}

TEST_CASE("a journal that cannot be read is set aside, one of saved work is removed",
    "[formats][journal][bad-input]")
{
    const TemporaryFolder folder;
    const auto root = folder / "journal";
    const auto own = root / "1";
    std::filesystem::create_directories(own);
    const auto path = own / journal::fileName;
    const auto write = [&](const std::string& text) { std::ofstream(path) << text; };
    const std::string saved = journal::valueRecord(1, "{}", "")
        + journal::record('h',
            R"({"kept":0,"steps":[],"done":0,"current":1,"homes":[["",-1]],"documents":[],"unsaved":[]})");
    SECTION("all was saved")
    {
        write(saved);
        const auto left = leftBehind(root);
        CHECK(left.work.empty());
        CHECK(left.unreadable.empty());
        CHECK(std::filesystem::is_empty(root));
        return;
    }
    SECTION("its first record is damaged")
    {
        auto text = saved;
        text[text.find("{}")] = 'x';
        write(text);
    }
    SECTION("a later program has written it")
    {
        write(journal::record('z', "{}") + saved);
    }
    SECTION("a later program has gone on with it")
    {
        write(saved + journal::record('z', "{}"));
    }
    SECTION("newer work is cut off")
    {
        write(saved + journal::valueRecord(2, "{...}", "").substr(0, 20));
    }
    SECTION("nothing is in it")
    {
        write("");
    }
    SECTION("the disk does not give it")
    {
        std::filesystem::create_directory(path);
    }
    const auto left = leftBehind(root);
    CHECK(left.work.empty());
    REQUIRE(left.unreadable.size() == 1);
    CHECK(std::filesystem::exists(left.unreadable[0] / journal::fileName));
    // Told once, kept for good.
    const auto again = leftBehind(root);
    CHECK(again.unreadable.empty());
    CHECK(std::filesystem::exists(left.unreadable[0] / journal::fileName));
}

TEST_CASE("a folder that cannot be written to is told", "[formats][journal][bad-input]")
{
    const TemporaryFolder folder;
    std::ofstream(folder / "journal") << "a file, not a folder";
    Journal journal(folder / "journal");
    History history;
    history.begin("Open horn", example("horn"));
    const auto kept = journal.keep(history.snapshot());
    REQUIRE_FALSE(kept);
    CHECK_THAT(kept.error().message, Contains("journal"));
}
