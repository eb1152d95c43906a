// SPDX-License-Identifier: GPL-3.0-or-later
// Movements: what moves what, how far, and when.
#include "engine/program/moves.h"

#include "engine/offline/render.h"
#include "pitch/report.h"
#include "support/blocks.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <set>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;
/// What reading changes of a level, dB.
constexpr double flat = 0.025;

/// A level of 0.1 for as long as a key is held: what is heard is what moves it.
Instrument steady(std::vector<Movement> movements)
{
    auto instrument = instrumentOf(plainTake(mono(std::vector<float>(240000, 0.1f)), 60.0));
    Layer& layer = instrument.layers[0];
    layer.touch = 0.0;
    layer.envelope = {0.0, 0.0, 0.0, 0.0, 0.0, 0.005};
    layer.movements = std::move(movements);
    return instrument;
}

/// A tone with nothing but its pitch to move.
Instrument tone(std::vector<Movement> movements)
{
    auto instrument = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, rate, 2.0)), 57.0), 20000, 75000, 4000));
    instrument.layers[0].movements = std::move(movements);
    return instrument;
}

Audio play(const Instrument& instrument, std::vector<TimedEvent> events)
{
    return renderEvents(instrument, std::move(events), rate, 2.0);
}
TimedEvent on(double seconds, int key, int touch = 100)
{
    return {seconds, MidiEvent::noteOn(key, touch)};
}
TimedEvent off(double seconds, int key)
{
    return {seconds, MidiEvent::noteOff(key)};
}
TimedEvent wheel(double seconds, int value)
{
    return {seconds, MidiEvent::control(1, value)};
}
double levelAt(const Audio& audio, double seconds)
{
    return double(audio.channels[0][std::size_t(seconds * rate)]);
}
double dbAt(const Audio& audio, double seconds)
{
    return toDecibels(std::abs(levelAt(audio, seconds)) / 0.1).value;
}
double keyAt(const Audio& audio, double seconds)
{
    const auto part = std::span(audio.channels[0])
                          .subspan(std::size_t((seconds - 0.08) * rate), std::size_t(0.16 * rate));
    return analysePitch(part, rate).midi.value_or(0.0);
}

constexpr Source wheelSource{SourceKind::wheel, 0};
Source controllerSource(int number)
{
    return {SourceKind::controller, number};
}

} // namespace

TEST_CASE("every source moves the level as far as its movement says", "[engine][moves]")
{
    using Kind = MidiEvent::Kind;
    struct Case {
        SourceKind source;
        TimedEvent event;
        double value;
    };
    const auto c = GENERATE(Case{SourceKind::wheel, wheel(0.1, 127), 1.0},
        Case{SourceKind::pressure, {0.1, {Kind::pressure, 0, 127, 0.0f, 3}}, 1.0},
        Case{SourceKind::pressure, {0.1, {Kind::keyPressure, 72, 64, 0.0f, 0}}, 64.0 / 127.0},
        Case{SourceKind::bend, {0.1, {Kind::bend, 0, 0, -0.5f, 0}}, -0.5},
        Case{SourceKind::touch, wheel(0.1, 0), 100.0 / 127.0},
        Case{SourceKind::key, wheel(0.1, 0), 1.0},
        Case{SourceKind::levelEnvelope, wheel(0.1, 0), 1.0});
    auto instrument = steady({{{c.source, 0}, Target::level, 0, -12.0, {}, 0.0, true}});
    instrument.layers[0].bendSemitones = 0.0;
    const auto out = play(instrument, {on(0.0, 72), c.event, off(0.5, 72)});
    CHECK_THAT(dbAt(out, 0.4), WithinAbs(-12.0 * c.value, 0.05));
}

TEST_CASE("a movement goes only as far as its second source allows, and along its curve",
    "[engine][moves]")
{
    const Movement scaled{{SourceKind::touch, 0}, Target::level, 0, -20.0, wheelSource, 0.0, true};
    const auto instrument = steady({scaled});
    CHECK_THAT(dbAt(play(instrument, {on(0.0, 60, 127), off(0.5, 60)}), 0.3), WithinAbs(0.0, flat));
    const auto half = play(instrument, {wheel(0.0, 64), on(0.1, 60, 127), off(0.5, 60)});
    CHECK_THAT(dbAt(half, 0.4), WithinAbs(-20.0 * 64.0 / 127.0, 0.05));
    Movement bent = scaled;
    bent.by = {};
    bent.curve = 0.5; // squared
    CHECK_THAT(dbAt(play(steady({bent}), {on(0.0, 60, 64), off(0.5, 60)}), 0.3),
        WithinAbs(-20.0 * std::pow(64.0 / 127.0, 2.0), 0.05));
    bent.on = false;
    CHECK_THAT(
        dbAt(play(steady({bent}), {on(0.0, 60, 64), off(0.5, 60)}), 0.3), WithinAbs(0.0, flat));
}

TEST_CASE("waves give what their shapes are", "[engine][moves]")
{
    using Shape = Wave::Shape;
    const auto at = [](Shape shape, double turns) { return double(waveAt(shape, turns, 5)); };
    CHECK_THAT(at(Shape::sine, 0.25), WithinAbs(1.0, 1e-5));
    CHECK_THAT(at(Shape::sine, 7.75), WithinAbs(-1.0, 1e-5));
    CHECK_THAT(at(Shape::triangle, 0.125), WithinAbs(0.5, 1e-6));
    CHECK_THAT(at(Shape::triangle, 0.75), WithinAbs(-1.0, 1e-6));
    CHECK_THAT(at(Shape::sawUp, 0.75), WithinAbs(0.5, 1e-6));
    CHECK_THAT(at(Shape::sawDown, 0.75), WithinAbs(-0.5, 1e-6));
    CHECK(at(Shape::square, 0.2) == 1.0);
    CHECK(at(Shape::square, 0.7) == -1.0);
    // Random ones stay within bounds, hold or go smoothly, and are not always the same.
    double least = 1.0, most = -1.0, fastest = 0.0;
    for (int i = 0; i < 4000; ++i) {
        const double turns = 0.01 * i;
        CHECK(at(Shape::steps, turns) == at(Shape::steps, std::floor(turns)));
        least = std::min(least, at(Shape::steps, turns));
        most = std::max(most, at(Shape::steps, turns));
        fastest =
            std::max(fastest, std::abs(at(Shape::drift, turns + 0.01) - at(Shape::drift, turns)));
    }
    CHECK(least < -0.7);
    CHECK(most > 0.7);
    CHECK(fastest < 0.035); // 1.5 times twice the range, in a hundredth
}

TEST_CASE("a wave waits, fades in and begins at its phase; a free one is the same for all notes",
    "[engine][moves]")
{
    const Movement tremolo{{SourceKind::wave, 1}, Target::level, 0, 6.0, {}, 0.0, true};
    auto instrument = steady({tremolo});
    Wave& wave = instrument.layers[0].waves[1];
    wave.hz = 2.0;
    wave.phase = 0.25;
    auto out = play(instrument, {on(0.0, 60), off(1.2, 60)});
    CHECK_THAT(dbAt(out, 0.002), WithinAbs(6.0, 0.1));
    CHECK_THAT(dbAt(out, 0.25), WithinAbs(-6.0, 0.05));
    wave.phase = 0.0;
    wave.delaySeconds = 0.5;
    wave.fadeSeconds = 0.5;
    out = play(instrument, {on(0.0, 60), off(1.2, 60)});
    CHECK_THAT(dbAt(out, 0.45), WithinAbs(0.0, flat));
    CHECK_THAT(dbAt(out, 0.625), WithinAbs(6.0 * 0.25, 0.1));
    CHECK_THAT(dbAt(out, 1.125), WithinAbs(6.0, 0.1));
    wave = {};
    wave.hz = 1.0;
    wave.free = true;
    // The second note comes in where the first one stands.
    out = play(instrument, {on(0.0, 60), off(0.3, 60), on(0.5, 60), off(1.0, 60)});
    CHECK_THAT(dbAt(out, 0.25), WithinAbs(6.0, 0.05));
    CHECK_THAT(dbAt(out, 0.75), WithinAbs(-6.0, 0.05));
    // In time with the song: a beat at 120 is half a second.
    instrument.tempo = 120.0;
    wave.beats = 1.0;
    out = play(instrument, {on(0.0, 60), off(1.0, 60)});
    CHECK_THAT(dbAt(out, 0.125), WithinAbs(6.0, 0.05));
    CHECK_THAT(dbAt(out, 0.375), WithinAbs(-6.0, 0.05));
}

TEST_CASE("the speed and depth of a wave can be moved", "[engine][moves]")
{
    const Movement tremolo{{SourceKind::wave, 0}, Target::level, 0, 6.0, {}, 0.0, true};
    auto instrument =
        steady({tremolo, {controllerSource(20), Target::waveRate, 0, 1.0, {}, 0.0, true},
            {controllerSource(21), Target::waveDepth, 0, -1.0, {}, 0.0, true}});
    instrument.layers[0].waves[0].hz = 1.0;
    const auto faster =
        play(instrument, {{0.0, MidiEvent::control(20, 127)}, on(0.2, 60), off(1.2, 60)});
    CHECK_THAT(dbAt(faster, 0.2 + 0.125), WithinAbs(6.0, 0.1));
    const auto still =
        play(instrument, {{0.0, MidiEvent::control(21, 127)}, on(0.2, 60), off(1.2, 60)});
    CHECK_THAT(dbAt(still, 0.45), WithinAbs(0.0, flat));
}

TEST_CASE("pitch, place, cutoff and drive are moved", "[engine][moves]")
{
    const auto bent = play(tone({{wheelSource, Target::pitch, 0, 7.0, {}, 0.0, true}}),
        {on(0.0, 57), wheel(0.5, 127), off(1.2, 57)});
    CHECK_THAT(keyAt(bent, 0.3), WithinAbs(57.0, 0.03));
    CHECK_THAT(keyAt(bent, 0.9), WithinAbs(64.0, 0.03));
    const auto placed = play(steady({{wheelSource, Target::pan, 0, 1.0, {}, 0.0, true}}),
        {wheel(0.0, 127), on(0.1, 60), off(0.5, 60)});
    CHECK_THAT(levelAt(placed, 0.4), WithinAbs(0.0, 1e-4));
    CHECK_THAT(double(placed.channels[1][19200]), WithinAbs(0.1, 1e-3));
    auto filtered = tone({{wheelSource, Target::cutoff, 0, 4.0, {}, 0.0, true}});
    filtered.layers[0].filter.kind = FilterKind::low;
    filtered.layers[0].filter.hz = 150.0;
    const auto closed = play(filtered, {on(0.0, 57), off(1.0, 57)});
    const auto open = play(filtered, {wheel(0.0, 127), on(0.1, 57), off(1.0, 57)});
    const auto db = [](const Audio& a) {
        return rmsDb(std::span(a.channels[0]).subspan(24000, 20000));
    };
    CHECK(db(open) > db(closed) + 6.0);
    // Driven, a wave's crest is pressed: it is denser for its peak.
    auto driven = tone({{wheelSource, Target::drive, 0, 30.0, {}, 0.0, true}});
    const auto crest = [](const Audio& a) {
        const auto part = std::span(a.channels[0]).subspan(24000, 20000);
        float peak = 0.0f;
        for (const float v : part)
            peak = std::max(peak, std::abs(v));
        return toDecibels(double(peak)).value - rmsDb(part);
    };
    CHECK(crest(play(driven, {wheel(0.0, 127), on(0.1, 57), off(1.0, 57)}))
        < crest(play(driven, {on(0.1, 57), off(1.0, 57)})) - 3.0);
}

TEST_CASE("the level follows waves and noise as fast as they go", "[engine][moves]")
{
    auto instrument = steady({{{SourceKind::wave, 0}, Target::ring, 0, 1.0, {}, 0.0, true}});
    instrument.layers[0].waves[0].hz = 1000.0;
    const auto ring = play(instrument, {on(0.0, 60), off(0.5, 60)});
    // A level times a sine is that sine.
    double worst = 0.0;
    for (std::size_t i = 4800; i < 14400; ++i) {
        const double wanted = 0.1 * std::sin(2.0 * std::numbers::pi * 1000.0 * double(i) / rate);
        worst = std::max(worst, std::abs(double(ring.channels[0][i]) - wanted));
    }
    CHECK(worst < 4e-4);
    const auto shaken =
        play(steady({{{SourceKind::noise, 0}, Target::ring, 0, 0.12, {}, 0.0, true}}),
            {on(0.0, 60), off(0.5, 60)});
    double least = 1.0, most = 0.0;
    for (std::size_t i = 4800; i < 14400; ++i) {
        least = std::min(least, double(shaken.channels[0][i]));
        most = std::max(most, double(shaken.channels[0][i]));
    }
    CHECK_THAT(least, WithinAbs(0.1 * 0.76, 0.001));
    CHECK_THAT(most, WithinAbs(0.1, 0.001));
}

TEST_CASE("a key that comes up anywhere in a fast wave is released from the envelope's own level",
    "[engine][moves]")
{
    auto instrument = steady({{{SourceKind::wave, 0}, Target::ring, 0, 1.0, {}, 0.0, true}});
    instrument.layers[0].waves[0].hz = 1000.0;
    instrument.layers[0].envelope.release = 0.4;
    // Let go at a crossing of zero, at a crest, below zero, inside a cell.
    for (const int frame : {9600, 9612, 9619, 9639}) {
        CAPTURE(frame);
        const auto out = play(instrument, {on(0.0, 60), off(frame / rate, 60)});
        double worst = 0.0;
        for (int i = 9000; i < 14000; ++i) {
            const double gone = std::max(0, i - frame) / rate;
            const double wanted = 0.1 * std::sin(2.0 * std::numbers::pi * 1000.0 * i / rate)
                * std::pow(10.0, -3.0 * gone / 0.4);
            worst = std::max(worst, std::abs(double(out.channels[0][std::size_t(i)]) - wanted));
        }
        CHECK(worst < 8e-4); // reading's own share, and straight pieces of the release
    }
}

TEST_CASE("a fast wave that is not there yet takes nothing away, and its scale counts once",
    "[engine][moves]")
{
    auto instrument = steady({{{SourceKind::wave, 0}, Target::ring, 0, 1.0, {}, 0.0, true}});
    instrument.layers[0].waves[0].hz = 100.0;
    instrument.layers[0].waves[0].delaySeconds = 0.3;
    CHECK_THAT(levelAt(play(instrument, {on(0.0, 60), off(0.5, 60)}), 0.2), WithinAbs(0.1, 4e-4));
    // A touch of half, as far as the wheel, which stands at half: 1 - 0.5 + 0.5 * 0.5.
    instrument =
        steady({{{SourceKind::touch, 0}, Target::ring, 0, 1.0, {SourceKind::wheel, 0}, 0.0, true}});
    const double half = 64.0 / 127.0;
    const auto out = play(instrument, {wheel(0.0, 64), on(0.1, 60, 64), off(0.6, 60)});
    CHECK_THAT(levelAt(out, 0.4), WithinAbs(0.1 * (1.0 - half + half * half), 4e-4));
}

TEST_CASE("a wave that goes on by itself begins at its phase", "[engine][moves]")
{
    auto instrument = steady({{{SourceKind::wave, 0}, Target::level, 0, 6.0, {}, 0.0, true}});
    instrument.layers[0].waves[0] = {Wave::Shape::sine, 0.5, 0.0, 0.0, 0.0, 0.25, true};
    CHECK_THAT(dbAt(play(instrument, {on(0.0, 60), off(0.5, 60)}), 0.01), WithinAbs(6.0, 0.05));
}

TEST_CASE(
    "random values are another for each note, and the same in each rendering", "[engine][moves]")
{
    const auto instrument =
        steady({{{SourceKind::random, 0}, Target::level, 0, -12.0, {}, 0.0, true}});
    std::vector<TimedEvent> events;
    for (int i = 0; i < 20; ++i) {
        events.push_back(on(0.1 * i, 60));
        events.push_back(off(0.1 * i + 0.08, 60));
    }
    const auto out = play(instrument, events);
    std::set<int> levels;
    for (int i = 0; i < 20; ++i)
        levels.insert(int(std::lround(10.0 * dbAt(out, 0.1 * i + 0.05))));
    CHECK(levels.size() > 15);
    CHECK(play(instrument, events).channels == out.channels);
}

TEST_CASE("a note begins where movements put its start", "[engine][moves]")
{
    std::vector<float> ramp(240000);
    for (std::size_t i = 0; i < ramp.size(); ++i)
        ramp[i] = 0.5f * float(i) / 240000.0f;
    auto instrument = instrumentOf(plainTake(mono(ramp), 60.0));
    instrument.layers[0].touch = 0.0;
    instrument.layers[0].movements = {{wheelSource, Target::start, 0, 2.0, {}, 0.0, true}};
    const auto out = play(instrument, {wheel(0.0, 127), on(0.1, 60), off(0.6, 60)});
    CHECK_THAT(levelAt(out, 0.3), WithinAbs(0.5 * 2.2 / 5.0, 0.001));
    // The take's second start, for soft or hard notes.
    instrument.layers[0].movements.clear();
    instrument.takes[0].innerStart = Frames{48000};
    Layer& layer = instrument.layers[0];
    layer.innerTouch = 80;
    const auto levelOf = [&](InnerUse use, int touch) {
        layer.inner = use;
        return levelAt(play(instrument, {on(0.0, 60, touch), off(0.6, 60)}), 0.3);
    };
    const double first = 0.5 * 0.3 / 5.0, inner = 0.5 * 1.3 / 5.0;
    CHECK_THAT(levelOf(InnerUse::never, 100), WithinAbs(first, 0.001));
    CHECK_THAT(levelOf(InnerUse::always, 100), WithinAbs(inner, 0.001));
    CHECK_THAT(levelOf(InnerUse::softer, 100), WithinAbs(first, 0.001));
    CHECK_THAT(levelOf(InnerUse::softer, 20), WithinAbs(inner, 0.001));
    CHECK_THAT(levelOf(InnerUse::harder, 100), WithinAbs(inner, 0.001));
}

TEST_CASE("a loop is moved along the take while it sounds", "[engine][moves]")
{
    std::vector<float> ramp(240000);
    for (std::size_t i = 0; i < ramp.size(); ++i)
        ramp[i] = 0.5f * float(i) / 240000.0f;
    auto instrument = instrumentOf(looped(plainTake(mono(ramp), 60.0), 24000, 33600, 480));
    instrument.layers[0].touch = 0.0;
    instrument.layers[0].movements = {{wheelSource, Target::loopPlace, 0, 3.0, {}, 0.0, true}};
    const auto out = play(instrument, {on(0.0, 60), wheel(1.5, 127), off(3.5, 60)});
    // Between its ends, wherever it lies; the way there is as long as the recording.
    const auto range = [&](double from, double to) {
        const auto part = std::span(out.channels[0])
                              .subspan(std::size_t(from * rate), std::size_t((to - from) * rate));
        return std::minmax_element(part.begin(), part.end());
    };
    const auto [low, high] = range(0.75, 1.45);
    CHECK(double(*low) > 0.5 * 0.48 / 5.0);
    CHECK(double(*high) < 0.5 * 0.72 / 5.0);
    const auto [movedLow, movedHigh] = range(2.0, 3.4);
    CHECK(double(*movedLow) > 0.5 * 3.4 / 5.0 - 0.01);
    CHECK(double(*movedHigh) < 0.5 * 3.75 / 5.0);
    // No step anywhere: the joints are mixed.
    double step = 0.0;
    for (std::size_t i = 4801; i < std::size_t(3.4 * rate); ++i)
        step =
            std::max(step, std::abs(double(out.channels[0][i]) - double(out.channels[0][i - 1])));
    CHECK(step < 0.002);
}

TEST_CASE("a movement of the blend moves every layer that blends", "[engine][moves]")
{
    auto instrument = steady({{wheelSource, Target::blend, 0, 1.0, {}, 0.0, true}});
    instrument.layers[0].blends = true;
    const auto id = duplicateLayer(instrument, 1);
    Layer& second = *instrument.layer(id);
    second.movements.clear();
    second.pan = 1.0; // right only
    const auto low = play(instrument, {on(0.1, 60), off(0.5, 60)});
    const auto high = play(instrument, {wheel(0.0, 127), on(0.1, 60), off(0.5, 60)});
    CHECK_THAT(levelAt(low, 0.4), WithinAbs(0.1, 0.001));
    CHECK_THAT(levelAt(high, 0.4), WithinAbs(0.0, 0.001));
    CHECK_THAT(double(high.channels[1][19200]), WithinAbs(0.1, 0.001));
}

TEST_CASE("times of the envelope are moved", "[engine][moves]")
{
    auto instrument = steady({{wheelSource, Target::attack, 0, 2.0, {}, 0.0, true},
        {wheelSource, Target::release, 0, -2.0, {}, 0.0, true}});
    instrument.layers[0].envelope.attack = 0.1;
    instrument.layers[0].envelope.release = 0.4;
    const auto plain = play(instrument, {on(0.1, 60), off(1.0, 60)});
    CHECK_THAT(levelAt(plain, 0.15), WithinAbs(0.05, 0.001));
    CHECK_THAT(dbAt(plain, 1.1), WithinAbs(-15.0, 0.3));
    const auto moved = play(instrument, {wheel(0.0, 127), on(0.1, 60), off(1.0, 60)});
    CHECK_THAT(levelAt(moved, 0.3), WithinAbs(0.05, 0.001));
    CHECK_THAT(dbAt(moved, 1.05), WithinAbs(-30.0, 0.6));
}

TEST_CASE("movements: blocks of any size give the same bits", "[engine][moves][law]")
{
    auto instrument = tone({{{SourceKind::wave, 0}, Target::pitch, 0, 0.3, {}, 0.0, true},
        {{SourceKind::wave, 1}, Target::cutoff, 0, 2.0, wheelSource, 0.0, true},
        {{SourceKind::noise, 0}, Target::ring, 0, 0.2, {}, 0.0, true},
        {{SourceKind::wave, 2}, Target::pan, 0, 0.7, {}, 0.0, true},
        {{SourceKind::random, 0}, Target::level, 0, 3.0, {}, 0.0, true}});
    Layer& layer = instrument.layers[0];
    layer.waves[1] = {Wave::Shape::drift, 9.0, 0.0, 0.0, 0.0, 0.0, true};
    layer.waves[2].beats = 0.25;
    layer.filter.kind = FilterKind::low;
    layer.filter.driveDb = 9.0;
    layer.envelope.attackCurve = 0.7;
    layer.unison.voices = 3;
    const std::vector<EventAt> events{{5, MidiEvent::noteOn(57, 90)},
        {1024, MidiEvent::control(1, 90)}, {2049, MidiEvent::noteOn(64, 110)},
        {4111, MidiEvent::noteOff(64)}, {6145, MidiEvent::noteOff(57)}};
    const auto reference = playInBlocks(instrument, events, 8192, 64);
    for (const int block : {1, 7, 128, 512})
        CHECK(playInBlocks(instrument, events, 8192, block) == reference);
}

TEST_CASE("any movements at all give finite, bounded sound", "[engine][moves][law]")
{
    std::mt19937 random(7);
    const auto share = [&] { return std::uniform_real_distribution(0.0, 1.0)(random); };
    const auto number = [&](int most) { return int(random() % unsigned(most)); };
    for (int round = 0; round < 400; ++round) {
        auto instrument = tone({});
        Layer& layer = instrument.layers[0];
        for (Wave& wave : layer.waves)
            wave = {Wave::Shape(number(7)), std::pow(10.0, 5.0 * share() - 1.5),
                number(3) == 0 ? 4.0 * share() : 0.0, 0.2 * share(), 0.2 * share(), share(),
                number(2) == 0};
        for (int i = 0; i < 12; ++i)
            layer.movements.push_back({{SourceKind(number(14)), number(4)},
                Target(number(targetCount)), number(4), (2.0 * share() - 1.0) * 60.0,
                {SourceKind(number(14)), 1}, 2.0 * share() - 1.0, true});
        layer.filter = {FilterKind(number(5)), number(2) == 0, 20.0 * std::pow(1000.0, share()),
            share(), 36.0 * share(), 2.0 * share(), 8.0 * share() - 4.0, 8.0 * share() - 4.0};
        layer.manner = number(3) == 0 ? Manner::frozen : Manner::asRecorded;
        layer.unison.voices = 1 + number(3);
        layer.touch = share();
        layer.levelDb = -40.0;
        instrument = sanitized(std::move(instrument));
        const auto out = playInBlocks(instrument,
            {{0, MidiEvent::noteOn(number(128), 1 + number(127))},
                {300, MidiEvent::control(1, number(128))},
                {900, {MidiEvent::Kind::bend, 0, 0, float(2.0 * share() - 1.0), 0}},
                {2000, MidiEvent::noteOn(number(128), 1 + number(127))},
                {3000, MidiEvent::noteOff(60)}},
            4096, 97);
        for (const float value : out) {
            REQUIRE(std::isfinite(value));
            // -40 dB, at most 60 dB of movement, resonance (29 dB) and half of the drive.
            REQUIRE(std::abs(value) < 1e4f);
        }
    }
}
