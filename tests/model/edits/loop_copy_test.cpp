// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/loop_copy.h"

#include "support/signals.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <set>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

Take note(const std::string& name, double hz, double seconds)
{
    return plainTake(mono(harmonicTone(hz, 48000.0, seconds)), midiOf(Hz{hz}), name);
}

} // namespace

TEST_CASE("a copied loop keeps its times or its shares, and all that was set", "[model][loop]")
{
    Take from = looped(note("hum", 220.0, 2.0), 24000, 72000, 4800);
    from.loop.evenOut = 0.5;
    from.loop.evenColour = 0.25;
    from.loop.curve = FadeCurve::equalPower;
    from.loop.mode = LoopMode::untilRelease;
    Take to = note("horn", 165.0, 4.0);
    to.kept.start = Frames{4800};
    const double period = 48000.0 / 165.0;
    SECTION("times, counted from the kept start")
    {
        const auto copy = copiedLoop(from, to, LoopCopy::sameTimes, 0).loop;
        CHECK_THAT(double(copy.span.start.value), WithinAbs(28800.0, 1.0));
        CHECK_THAT(double(copy.span.end.value), WithinAbs(76800.0, 1.3 * period));
        CHECK(copy.crossfade.value == 4800);
    }
    SECTION("shares of the kept length")
    {
        const auto copy = copiedLoop(from, to, LoopCopy::sameShare, 0).loop;
        const double scale = double(to.kept.length()) / 96000.0;
        CHECK_THAT(double(copy.span.start.value), WithinAbs(4800.0 + 24000.0 * scale, 2.0));
        CHECK_THAT(double(copy.span.length()), WithinAbs(48000.0 * scale, 1.3 * period));
    }
    SECTION("the like of it")
    {
        // A curve that is wrong for the sound is copied as well, so take the right one.
        from.loop.curve = FadeCurve::automatic;
        const auto copy = copiedLoop(from, to, LoopCopy::findTheLike, 0);
        CHECK(seamVerdict(copy.cost) == SeamVerdict::seamless);
        CHECK(double(copy.loop.span.length()) / 48000.0 > 0.25);
        CHECK(double(copy.loop.span.length()) / 48000.0 < 4.0);
    }
    for (const auto how : {LoopCopy::sameTimes, LoopCopy::sameShare, LoopCopy::findTheLike}) {
        const auto copy = copiedLoop(from, to, how, 0).loop;
        CHECK(copy.on);
        CHECK(copy.evenOut >= 0.5);
        CHECK(copy.evenColour >= 0.25);
        CHECK(copy.curve == from.loop.curve);
        CHECK(copy.mode == LoopMode::untilRelease);
        CHECK(copy.span.start >= to.kept.start);
        CHECK(copy.span.end <= to.kept.end);
    }
}

TEST_CASE("staggered copies neither begin nor last the same", "[model][loop]")
{
    const Take from = looped(note("hum", 220.0, 4.0), 48000, 120000, 4800);
    std::set<std::int64_t> starts{48000}, lengths{72000};
    for (int nth = 1; nth <= 6; ++nth) {
        const Take to = note("hum", 220.0, 4.0);
        const auto copy = copiedLoop(from, to, LoopCopy::sameTimes, nth).loop;
        starts.insert(copy.span.start.value);
        lengths.insert(copy.span.length());
        CHECK(std::abs(copy.span.length() - 72000) < 72000 / 4);
    }
    CHECK(starts.size() == 7);
    CHECK(lengths.size() == 7);
    for (const auto& set : {starts, lengths})
        for (auto it = std::next(set.begin()); it != set.end(); ++it)
            CHECK(*it - *std::prev(it) > 200);
}

TEST_CASE("a copy into a shorter take stays inside it", "[model][loop][bad-input]")
{
    const Take from = looped(note("hum", 220.0, 4.0), 48000, 180000, 4800);
    const Take to = note("peep", 880.0, 0.2);
    for (const auto how : {LoopCopy::sameTimes, LoopCopy::sameShare, LoopCopy::findTheLike})
        for (const int nth : {0, 3}) {
            const auto copy = copiedLoop(from, to, how, nth).loop;
            CHECK(copy.span.start.value >= 0);
            CHECK(copy.span.end <= to.kept.end);
            CHECK(copy.span.length() >= shortestLoop);
            CHECK(copy.crossfade <= longestCrossfade(copy.span, copy.mode));
        }
}
