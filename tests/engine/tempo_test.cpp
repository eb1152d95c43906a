// SPDX-License-Identifier: GPL-3.0-or-later
// The tempo, another player's clock, and the pattern that follows them.
#include "engine/playing/pattern_player.h"

#include "engine/offline/render.h"
#include "support/blocks.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;
/// Reading is flat within 0.02 dB, a quarter of a percent.
constexpr double flat = 0.003;
constexpr int cell = PatternPlayer::cellFrames;

/// Ticks of a clock, some late by chance, into a tempo that goes on cell by cell.
class Clock {
public:
    explicit Clock(double tempo)
        : apart_(60.0 / tempo / TempoRun::ticksPerBeat * rate)
    {
        run.reset(rate);
        run.setFollowing(true);
        run.startClock();
    }
    void play(double seconds, double jitterSeconds)
    {
        const auto end = frame_ + std::int64_t(seconds * rate);
        for (; frame_ < end; frame_ += cell) {
            run.beginCell(frame_ > 0 ? cell : 0);
            while (next_ + late_ < double(frame_ + cell)) {
                run.tick(next_ + late_);
                next_ += apart_;
                ++ticks;
                late_ = std::uniform_real_distribution(0.0, jitterSeconds)(random_) * rate;
            }
        }
    }
    void wait(double seconds)
    {
        for (const auto end = frame_ + std::int64_t(seconds * rate); frame_ < end; frame_ += cell)
            run.beginCell(cell);
        next_ = double(frame_);
    }
    void setTempo(double tempo) { apart_ = 60.0 / tempo / TempoRun::ticksPerBeat * rate; }
    /// Beats by which we are late.
    double late() const
    {
        return (double(ticks) - (next_ - double(frame_)) / apart_) / TempoRun::ticksPerBeat
            - run.beat();
    }
    TempoRun run;
    int ticks = 0;

private:
    double apart_, next_ = 0.0, late_ = 0.0;
    std::int64_t frame_ = 0;
    std::mt19937 random_{3};
};

Instrument plucks(const Pattern& pattern)
{
    auto instrument = instrumentOf(plainTake(mono(std::vector<float>(96000, 0.05f)), 60.0));
    instrument.layers[0].touch = 0.0;
    instrument.layers[0].follow = 0.0;
    instrument.layers[0].envelope = {0.0, 0.0, 0.0, 0.0, 0.0, 0.002};
    instrument.tempo = 120.0;
    instrument.pattern = pattern;
    return instrument;
}

/// The notes that were played, as the engine remembers them.
std::vector<RecentNote> notesOf(
    const Instrument& instrument, const std::vector<EventAt>& events, int frames)
{
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    engine->setProgram(Compiler().compile(instrument, rate));
    std::vector<float> left(static_cast<std::size_t>(frames)), right(left);
    int done = 0;
    engine->process(left.data(), right.data(), 0);
    const auto until = [&](int frame) {
        while (done < frame) {
            const int count = std::min(100, frame - done);
            engine->process(left.data(), right.data(), count);
            done += count;
        }
    };
    for (const auto& [at, event] : events) {
        until(at);
        engine->handle(event);
    }
    until(frames);
    return engine->recentNotes().since(0);
}

std::vector<int> keysOf(const std::vector<RecentNote>& notes, std::size_t most = 99)
{
    std::vector<int> keys;
    for (const auto& note : notes)
        if (note.event.kind == MidiEvent::Kind::noteOn && keys.size() < most)
            keys.push_back(note.event.key);
    return keys;
}

std::vector<EventAt> chord()
{
    return {{100, MidiEvent::noteOn(64, 90)}, {100, MidiEvent::noteOn(60, 80)},
        {100, MidiEvent::noteOn(67, 100)}};
}

} // namespace

TEST_CASE(
    "a clock is followed within a percent and 20 ms, though it comes unevenly", "[engine][tempo]")
{
    const double tempo = GENERATE(40.0, 96.0, 174.0);
    const double jitter = GENERATE(0.0, 0.004);
    Clock clock(tempo);
    clock.play(4.0, jitter);
    CHECK(clock.run.followsNow());
    double worst = 0.0, off = 0.0;
    for (int i = 0; i < 40; ++i) {
        clock.play(0.1, jitter);
        worst = std::max(worst, std::abs(clock.late()) * 60.0 / tempo);
        off += (60.0 * clock.run.beatsPerSecond() / tempo - 1.0) / 40.0;
    }
    CHECK(worst < 0.02);
    CHECK(std::abs(off) < 0.01);
}

TEST_CASE("clocks that stop, leap and change are borne", "[engine][tempo][bad-input]")
{
    Clock clock(120.0);
    clock.play(2.0, 0.001);
    clock.wait(3.0);
    CHECK_THAT(60.0 * clock.run.beatsPerSecond(), WithinAbs(120.0, 3.0));
    clock.setTempo(90.0);
    clock.play(4.0, 0.001);
    CHECK_THAT(60.0 * clock.run.beatsPerSecond(), WithinAbs(90.0, 2.0));
    for (int i = 0; i < 100000; ++i)
        clock.run.tick(double(i % 7));
    clock.run.beginCell(cell);
    CHECK(std::isfinite(clock.run.beat()));
    CHECK(clock.run.beatsPerSecond() <= 2.0 * fastestTempo / 60.0 + 3.0);
    CHECK(clock.run.beatsPerSecond() > 0.0);
    clock.run.stopClock();
    clock.run.setFollowing(false);
    clock.run.setTempo(60.0);
    clock.run.beginCell(cell);
    CHECK_THAT(clock.run.beatsPerSecond(), WithinAbs(1.0, 1e-9));
}

TEST_CASE("a pattern plays held keys in its order, in time", "[engine][pattern]")
{
    using Order = Pattern::Order;
    Pattern pattern;
    pattern.on = true;
    pattern.beats = 0.5; // 12000 frames at 120
    const auto orders = GENERATE(std::pair(Order::up, std::vector{60, 64, 67, 60, 64}),
        std::pair(Order::down, std::vector{67, 64, 60, 67, 64}),
        std::pair(Order::upAndDown, std::vector{60, 64, 67, 64, 60}),
        std::pair(Order::asPlayed, std::vector{64, 60, 67, 64, 60}),
        std::pair(Order::together, std::vector{60, 64, 67, 60, 64}));
    pattern.order = orders.first;
    const auto notes = notesOf(plucks(pattern), chord(), 70000);
    CHECK(keysOf(notes, 5) == orders.second);
    std::vector<std::int64_t> times;
    for (const auto& note : notes)
        if (note.event.kind == MidiEvent::Kind::noteOn
            && (times.empty() || note.frame != times.back()))
            times.push_back(note.frame);
    REQUIRE(times.size() >= 3);
    CHECK(times[0] == 100);
    for (std::size_t i = 1; i < times.size(); ++i)
        CHECK(std::abs(times[i] - times[i - 1] - 12000) <= 1);
}

TEST_CASE("gate, swing, octaves and steps of a pattern", "[engine][pattern]")
{
    Pattern pattern;
    pattern.on = true;
    pattern.beats = 0.5;
    pattern.gate = 0.25;
    pattern.swing = 0.5;
    pattern.octaves = 2;
    pattern.steps = {{true, {}}, {true, {LayerId{77}}}, {false, {}}};
    const auto notes = notesOf(plucks(pattern), {{0, MidiEvent::noteOn(60, 90)}}, 80000);
    std::vector<std::int64_t> begins, ends;
    for (const auto& note : notes)
        (note.event.kind == MidiEvent::Kind::noteOn ? begins : ends).push_back(note.frame);
    // Steps 0, 1, 3, 4, 6: the third of three is silent, every second one late by half a step.
    REQUIRE(begins.size() >= 5);
    const std::vector<std::int64_t> wanted = {0, 18000, 42000, 48000, 72000};
    for (std::size_t i = 0; i < wanted.size(); ++i)
        CHECK(std::abs(begins[i] - wanted[i]) <= 1);
    CHECK(std::abs(ends[0] - 3000) <= 1);
    CHECK(keysOf(notes, 4) == std::vector{60, 72, 72, 60});
}

TEST_CASE("a step sounds the layers that it names", "[engine][pattern]")
{
    Pattern pattern;
    pattern.on = true;
    pattern.beats = 0.5;
    pattern.gate = 0.9;
    auto instrument = plucks(pattern);
    const auto second = duplicateLayer(instrument, 1);
    instrument.layer(second)->pan = 1.0;
    instrument.layers[0].pan = -1.0;
    instrument.pattern.steps = {{true, {instrument.layers[0].id}}, {true, {second}}};
    const auto out = playInBlocks(instrument, {{0, MidiEvent::noteOn(60, 90)}}, 24000, 64);
    const auto left = [&](int at) { return double(out[std::size_t(at)]); };
    const auto right = [&](int at) { return double(out[std::size_t(24000 + at)]); };
    CHECK_THAT(left(6000), WithinAbs(0.05, 0.05 * flat));
    CHECK_THAT(right(6000), WithinAbs(0.0, 1e-6));
    CHECK_THAT(left(18000), WithinAbs(0.0, 1e-6));
    CHECK_THAT(right(18000), WithinAbs(0.05, 0.05 * flat));
}

TEST_CASE("a pattern ends with its keys, and a pedal holds them", "[engine][pattern]")
{
    Pattern pattern;
    pattern.on = true;
    pattern.beats = 0.25; // 6000 frames
    const auto instrument = plucks(pattern);
    const auto count = [&](std::vector<EventAt> events) {
        return keysOf(notesOf(instrument, events, 96000)).size();
    };
    CHECK(count({{0, MidiEvent::noteOn(60, 90)}, {20000, MidiEvent::noteOff(60)}}) == 4);
    CHECK(count({{0, MidiEvent::control(64, 127)}, {0, MidiEvent::noteOn(60, 90)},
              {20000, MidiEvent::noteOff(60)}, {50000, MidiEvent::control(64, 0)}})
        == 9);
    CHECK(count({{0, MidiEvent::noteOn(60, 90)}, {20000, MidiEvent::allOff()}}) == 4);
    // Every note that begins ends.
    const auto notes = notesOf(
        instrument, {{0, MidiEvent::noteOn(60, 90)}, {20000, MidiEvent::noteOff(60)}}, 96000);
    CHECK(notes.size() == 8);
    CHECK(notes.back().event.kind == MidiEvent::Kind::noteOff);
}

TEST_CASE("a pattern is the same in blocks of any size", "[engine][pattern][law]")
{
    Pattern pattern;
    pattern.on = true;
    pattern.beats = 1.0 / 16.0;
    pattern.order = Pattern::Order::atRandom;
    pattern.swing = 0.3;
    pattern.octaves = 3;
    auto instrument = plucks(pattern);
    instrument.tempo = 333.0;
    instrument.layers[0].follow = 1.0;
    const auto reference = playInBlocks(instrument, chord(), 8192, 64);
    for (const int block : {1, 7, 33, 512})
        CHECK(playInBlocks(instrument, chord(), 8192, block) == reference);
}

TEST_CASE("a pattern that is switched while keys are held leaves no note hanging",
    "[engine][pattern][bad-input]")
{
    Pattern pattern;
    pattern.on = true;
    pattern.beats = 0.25;
    const auto with = plucks(pattern);
    auto without = with;
    without.pattern.on = false;
    const bool onFirst = GENERATE(true, false);
    const bool pedal = GENERATE(true, false);
    Compiler compiler;
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    std::vector<float> left(4800), right(left);
    const auto go = [&] { engine->process(left.data(), right.data(), 4800); };
    engine->setProgram(compiler.compile(onFirst ? with : without, rate));
    go();
    if (pedal)
        engine->handle(MidiEvent::control(64, 127));
    engine->handle(MidiEvent::noteOn(60, 100));
    engine->handle(MidiEvent::noteOn(64, 100));
    go();
    CHECK(engine->look().voices > 0);
    engine->setProgram(compiler.compile(onFirst ? without : with, rate));
    go();
    engine->handle(MidiEvent::noteOff(60));
    engine->handle(MidiEvent::noteOff(64));
    if (pedal)
        engine->handle(MidiEvent::control(64, 0));
    go();
    // And back again: nothing of what was held is left.
    engine->setProgram(compiler.compile(onFirst ? with : without, rate));
    for (int i = 0; i < 10; ++i)
        go();
    CHECK(engine->look().voices == 0);
}

TEST_CASE(
    "a pattern goes with a song that begins anew, goes on, and leaps", "[engine][pattern][tempo]")
{
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    engine->setFollowsClock(true);
    Pattern pattern;
    pattern.on = true;
    pattern.beats = 0.25;
    pattern.gate = 0.5;
    engine->setProgram(Compiler().compile(plucks(pattern), rate));
    std::vector<float> left(1000), right(left);
    engine->process(left.data(), right.data(), 0);
    constexpr int perTick = 1000; // 120 beats a minute
    int ticks = 0;
    const auto play = [&](int count) {
        for (int i = 0; i < count; ++i, ++ticks) {
            engine->handle({MidiEvent::Kind::clock});
            engine->process(left.data(), right.data(), perTick);
        }
    };
    const auto notesSince = [&](int tick) {
        std::vector<RecentNote> found;
        for (const auto& note : engine->recentNotes().since(0))
            if (note.frame >= std::int64_t(tick) * perTick)
                found.push_back(note);
        return found;
    };
    engine->handle({MidiEvent::Kind::clockStart});
    play(48);
    engine->handle(MidiEvent::noteOn(60, 100));
    play(24 * 8);
    const auto check = [&](int from) {
        // Sixteenths on the song's own: a note each six ticks, none of them longer than its gate.
        const auto notes = notesSince(from);
        REQUIRE(keysOf(notes).size() >= 7);
        std::int64_t began = -1;
        for (const auto& note : notes) {
            if (note.event.kind == MidiEvent::Kind::noteOn) {
                const double place = double(note.frame - std::int64_t(from) * perTick) / perTick;
                CAPTURE(place);
                CHECK_THAT(place - 6.0 * std::round(place / 6.0), WithinAbs(0.0, 0.25));
                began = note.frame;
            } else if (began >= 0) {
                CHECK(note.frame - began < 4 * perTick);
            }
        }
    };
    SECTION("from its beginning, while it plays")
    {
        const int from = ticks;
        engine->handle({MidiEvent::Kind::clockStart});
        play(48);
        check(from);
    }
    SECTION("it goes on where it stopped")
    {
        play(3); // between two sixteenths
        engine->handle({MidiEvent::Kind::clockStop});
        engine->process(left.data(), right.data(), 1000);
        ++ticks;
        const int from = ticks + 3;
        engine->handle({MidiEvent::Kind::clockContinue});
        play(51);
        check(from);
    }
    SECTION("it is put to another place, back and ahead")
    {
        for (const int sixteenths : {2, 400, 0}) {
            engine->handle({MidiEvent::Kind::clockStop});
            engine->handle(MidiEvent::songPosition(sixteenths));
            engine->handle({MidiEvent::Kind::clockContinue});
            const int from = ticks;
            play(48);
            check(from);
        }
    }
}
