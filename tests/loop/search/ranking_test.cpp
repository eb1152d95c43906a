// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/ranking.h"

#include "support/signals.h"

#include <catch2/catch.hpp>
#include <set>

using namespace puretone;
using namespace probe;

namespace {

constexpr double rate = 48000.0;

LoopCandidate candidate(double start, double seconds, double cost, LoopKind kind)
{
    LoopCandidate c;
    c.loop.on = true;
    c.loop.span = {
        Frames{std::llround(start * rate)}, Frames{std::llround((start + seconds) * rate)}};
    c.kind = kind;
    c.cost = cost;
    if (cost > 1.0)
        c.seam.levelDb = cost * seamLimits(seconds).levelDb;
    return c;
}

} // namespace

TEST_CASE("a living loop is preferred unless it is much worse", "[loop][ranking]")
{
    const auto dead = candidate(1.0, 0.02, 0.1, LoopKind::shortSteady);
    for (const double cost : {0.2, 0.6, 1.0})
        CHECK(preference(candidate(1.0, 0.6, cost, LoopKind::longLiving), rate, LoopTaste{})
            < preference(dead, rate, LoopTaste{}));
    CHECK(preference(candidate(1.0, 0.6, 3.0, LoopKind::longLiving), rate, LoopTaste{})
        > preference(dead, rate, LoopTaste{}));
    // In a recording of a few periods nothing lives, and nothing is held against short loops.
    Sustain brief;
    brief.to = 0.1;
    CHECK(tasteFor(brief, true).living == 0.0);
    Sustain ordinary;
    ordinary.to = 3.0;
    CHECK(tasteFor(ordinary, true).living == Approx(0.3));
    // Among equally good ones length decides; an out of tune one falls behind.
    CHECK(preference(candidate(1.0, 1.2, 0.3, LoopKind::longLiving), rate, LoopTaste{})
        < preference(candidate(1.0, 0.5, 0.05, LoopKind::longLiving), rate, LoopTaste{}));
    auto outOfTune = candidate(1.0, 0.5, 0.1, LoopKind::longLiving);
    const double inTune = preference(outOfTune, rate, LoopTaste{});
    outOfTune.pitchErrorCents = -9.0;
    CHECK(preference(outOfTune, rate, LoopTaste{}) > inTune + 0.3);
}

TEST_CASE("ten are shown, every kind among them, none twice", "[loop][ranking]")
{
    std::vector<LoopCandidate> all;
    for (int i = 0; i < 30; ++i)
        all.push_back(candidate(0.3 * i, 0.5, 0.1 + 0.01 * i, LoopKind::longLiving));
    all.push_back(all.front()); // again
    all.push_back(candidate(2.0, 0.05, 0.9, LoopKind::shortSteady));
    all.push_back(candidate(4.0, 1.0, 2.5, LoopKind::lastSteady));
    all.push_back(candidate(0.1, 5.0, 3.0, LoopKind::afterAttack));
    const auto shown = ranked(all, rate, LoopTaste{});
    REQUIRE(shown.size() == 10);
    std::set<LoopKind> kinds;
    std::set<std::int64_t> places;
    for (std::size_t i = 0; i < shown.size(); ++i) {
        kinds.insert(shown[i].kind);
        places.insert(shown[i].loop.span.start.value);
        CHECK_FALSE(shown[i].reason.empty());
        if (i > 0)
            CHECK(preference(shown[i - 1], rate, LoopTaste{})
                <= preference(shown[i], rate, LoopTaste{}));
    }
    CHECK(kinds.size() == 4);
    CHECK(places.size() == 10);
    CHECK(ranked({}, rate, LoopTaste{}).empty());
}

TEST_CASE("reasons say what is heard, or why it is behind", "[loop][ranking]")
{
    std::vector<LoopCandidate> list{candidate(1.0, 1.0, 0.2, LoopKind::longLiving),
        candidate(2.0, 0.5, 0.2, LoopKind::longLiving),
        candidate(2.0, 0.02, 0.2, LoopKind::shortSteady),
        candidate(3.0, 1.0, 2.0, LoopKind::longLiving)};
    list[1].loop.evenOut = 1.0;
    explain(list, rate);
    CHECK(list[0].reason.said() == "seamless and long enough to stay alive");
    CHECK(list[1].reason.said() == "seamless with its level evened out, but shorter than the best");
    CHECK(list[2].reason.said() == "seamless; short, so the sound stands still");
    CHECK(list[3].reason.said() == "steps in level by 2.0 dB");
}

TEST_CASE("what stands in the way is said, and what is nearest", "[loop][ranking]")
{
    Sustain dying;
    dying.to = 1.0;
    dying.fallDbPerSecond = 40.0; // 30 dB in 0.75 s
    auto best = candidate(0.2, 0.4, 2.0, LoopKind::longLiving);
    CHECK(obstacle(best, dying, rate).said()
        == "dies away within 750 ms; the nearest steps in level by 2.0 dB");
    best.loop.evenOut = 1.0;
    CHECK(obstacle(best, dying, rate).said().find("the nearest is evened out and ")
        != std::string::npos);
    Sustain wandering;
    wandering.to = 5.0;
    best.loop.mode = LoopMode::alternating;
    CHECK(obstacle(best, wandering, rate).said()
        == "never comes back to where it was; the nearest runs there and back and steps in level "
           "by 2.0 dB");
    CHECK(obstacle(candidate(0.2, 0.4, 0.5, LoopKind::longLiving), dying, rate).said().empty());
}

TEST_CASE("the sustain of a sound is found with its fall and its swing", "[loop][sustain]")
{
    SECTION("a note that falls by 20 dB a second")
    {
        auto wave = silence(rate, 0.2) + harmonicTone(220.0, rate, 2.0);
        for (std::size_t i = 9600; i < wave.size(); ++i)
            wave[i] *= float(std::pow(10.0, -20.0 * (double(i) - 9600.0) / rate / 20.0));
        const Audio audio = mono(wave);
        const auto s = findSustain(audio, audio.whole(), 100.0);
        CHECK(s.onset == Approx(0.2).margin(0.03));
        CHECK(s.fallDbPerSecond == Approx(20.0).margin(1.5));
        CHECK(s.diesWithin() == Approx(1.5).margin(0.15));
        CHECK(s.steadyTo < s.to);
        CHECK_FALSE(s.swing);
    }
    SECTION("a tremolo of 4 Hz")
    {
        auto wave = harmonicTone(220.0, rate, 3.0);
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] *= float(1.0 + 0.3 * std::sin(twoPi * 4.0 * double(i) / rate));
        const Audio audio = mono(wave);
        const auto s = findSustain(audio, audio.whole(), 100.0);
        REQUIRE(s.swing);
        CHECK(*s.swing == Approx(0.25).margin(0.01));
        CHECK(findSustain(audio, audio.whole(), 1.0).to <= 1.1);
    }
}
