// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/history.h"

#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

Instrument example(const std::string& name = "hum")
{
    auto instrument = instrumentOf(
        looped(plainTake(mono(harmonicTone(233.0, 48000.0, 0.2)), 58.0, name), 2000, 8000, 100));
    instrument.name = name;
    return instrument;
}

Instrument louder(Instrument instrument)
{
    instrument.layers[0].envelope.attack += 0.1;
    return instrument;
}

} // namespace

TEST_CASE("undo and redo walk through values, one step per gesture", "[model][history]")
{
    History history(example());
    const auto start = history.current();
    const auto moved = [&](std::int64_t by) {
        auto next = start;
        next.takes[0].loop.span.end.value -= by;
        return next;
    };
    CHECK(history.apply("Move loop end", moved(10), 5));
    CHECK(history.apply("Move loop end", moved(20), 5));
    CHECK(history.apply("Move loop end", moved(30), 6));
    CHECK(history.undoName() == "Move loop end");
    history.undo();
    CHECK(history.current() == moved(20));
    history.undo();
    CHECK(history.current() == start);
    CHECK_FALSE(history.canUndo());
    history.redo();
    history.redo();
    CHECK(history.current() == moved(30));
    CHECK_FALSE(history.canRedo());
    CHECK_FALSE(history.apply("Nothing", moved(30)));
    // A new edit forgets what was undone.
    history.undo();
    CHECK(history.apply("Other", moved(99)));
    CHECK_FALSE(history.canRedo());
}

TEST_CASE("a drag that is put back leaves no step", "[model][history]")
{
    History history(example());
    const auto start = history.current();
    auto next = start;
    next.layers[0].envelope.attack = 1.0;
    history.apply("Change attack", next, 3);
    history.abandon(3);
    CHECK(history.current() == start);
    CHECK_FALSE(history.canUndo());
    history.apply("Change attack", next, 4);
    history.apply("Change attack", start, 4);
    CHECK_FALSE(history.canUndo());
    history.abandon(99);
    CHECK(history.isSaved());
    history.apply("Change attack", next);
    CHECK_FALSE(history.isSaved());
    history.undo();
    CHECK(history.isSaved());
}

TEST_CASE("undoing the opening of a file brings the other document back with its file",
    "[model][history]")
{
    History history;
    history.begin("Open A", example("A"), {"/a.puretone", true});
    history.begin("Open B", example("B"), {"/b.puretone", true});
    CHECK(history.file() == "/b.puretone");
    CHECK(history.isSaved());
    history.undo();
    CHECK(history.current().name == "A");
    CHECK(history.file() == "/a.puretone");
    CHECK(history.isSaved());
    history.apply("Change attack", louder(history.current()));
    CHECK_FALSE(history.isSaved());
    CHECK_FALSE(history.canRedo());
    history.undo();
    history.undo();
    CHECK(history.file().empty());
    CHECK(history.isSaved()); // nothing was there
}

TEST_CASE("a save that ends late concerns the document that it was begun for", "[model][history]")
{
    History history;
    history.begin("Open A", example("A"), {"/a.puretone", true});
    history.apply("Change attack", louder(history.current()));
    const auto saving = history.document();
    const auto written = history.current();
    history.begin("Open B", example("B"), {"/b.puretone", true});
    history.markSaved(saving, written, "/other.puretone");
    CHECK(history.file() == "/b.puretone");
    history.apply("Change attack", louder(history.current()));
    CHECK_FALSE(history.isSaved());
    history.undo();
    history.undo();
    CHECK(history.file() == "/other.puretone");
    CHECK(history.isSaved());
}

TEST_CASE("what undo could still reach and nobody has saved is known", "[model][history]")
{
    History history;
    CHECK(history.unsaved().empty());
    history.begin("Open A", example("A"), {"/a.puretone", true});
    CHECK(history.unsaved().empty());
    history.apply("Change attack", louder(history.current()));
    history.begin("Open take", example("take")); // a recording has no file of its own yet
    auto unsaved = history.unsaved();
    REQUIRE(unsaved.size() == 2);
    CHECK(unsaved[0].value.name == "take");
    CHECK(unsaved[0].file.empty());
    CHECK(unsaved[1].value == louder(example("A")));
    CHECK(unsaved[1].file == "/a.puretone");
    // The edit of A is taken back: there is nothing to ask for in A.
    history.undo();
    history.undo();
    history.begin("New instrument", {});
    CHECK(history.unsaved().empty());
    history.begin("Recover B", example("B"), {"/b.puretone", false});
    CHECK(history.unsaved().size() == 1);
    CHECK(history.file() == "/b.puretone");
}

TEST_CASE("two documents in one file: only what was written last stands there", "[model][history]")
{
    History history;
    history.begin("Open A", example("A"), {"/a.puretone", true});
    const auto first = history.document();
    history.begin("Open A again", example("A"), {"/a.puretone", true});
    history.markSaved(first, louder(example("A")), "/a.puretone");
    CHECK_FALSE(history.isSaved());
    history.markSaved(history.document(), history.current(), "/a.puretone");
    CHECK(history.isSaved());
    history.markOverwritten("/a.puretone");
    CHECK_FALSE(history.isSaved());
}

TEST_CASE(
    "undo forgets its oldest steps where their recordings take too much room", "[model][history]")
{
    History history(example("a"));
    const auto one = std::uint64_t(history.current().takes[0].recording->audio->frames()) * 4;
    for (const char* name : {"b", "c", "d", "e"}) {
        auto next = history.current();
        next.takes = example(name).takes;
        next.takes[0].recording = makeRecording(
            mono(harmonicTone(100.0 + name[0], 48000.0, 0.2)), std::string(name) + ".wav");
        history.apply(name, next);
    }
    // a to d wait for undo.
    CHECK(history.undoBytes() == 4 * one);
    history.trim(4 * one);
    CHECK(history.undoBytes() == 4 * one);
    history.trim(2 * one);
    CHECK(history.undoBytes() == 2 * one);
    history.undo();
    history.undo();
    CHECK_FALSE(history.canUndo());
    CHECK(history.current().takes[0].recording->fileName == "c.wav");
    history.redo();
    history.redo();
    CHECK(history.current().takes[0].recording->fileName == "e.wav");
}

TEST_CASE("what only undo still has and nobody saved is not forgotten", "[model][history]")
{
    History history(example("a"));
    history.apply("Louder", louder(history.current()));
    history.begin("Open", example("b"), {"/home/keeper/b.puretone", true});
    history.apply("Louder", louder(history.current()));
    REQUIRE(history.unsaved().size() == 2);
    history.trim(0);
    CHECK(history.unsaved().size() == 2);
}

TEST_CASE("so many steps are kept at most", "[model][history]")
{
    History history(example("a"));
    for (std::size_t i = 0; i < History::mostSteps + 50; ++i)
        history.apply("Louder", louder(history.current()));
    history.trim(std::uint64_t(1) << 40U);
    std::size_t steps = 0;
    for (; history.canUndo(); history.undo())
        ++steps;
    CHECK(steps == History::mostSteps);
}
