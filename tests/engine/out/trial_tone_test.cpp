// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/out/trial_tone.h"

#include "support/no_allocation.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

constexpr double rate = 48000.0;

struct Sides {
    std::vector<float> left, right;
};

/// A take's constant on both sides, so that its share can be read off.
Sides run(TrialTone& tone, double seconds, float take = 0.25f, float takeRight = 0.25f)
{
    const auto frames = std::size_t(seconds * rate);
    Sides sides{std::vector<float>(frames, take), std::vector<float>(frames, takeRight)};
    for (std::size_t at = 0; at < frames; at += 256) {
        const int count = int(std::min<std::size_t>(256, frames - at));
        const NoAllocation guard;
        tone.process(sides.left.data() + at, sides.right.data() + at, count, rate);
    }
    REQUIRE(NoAllocation::crimes() == 0);
    return sides;
}

} // namespace

TEST_CASE("the trial tone is silent until it is wanted", "[engine][trial]")
{
    TrialTone tone;
    const auto sides = run(tone, 0.1);
    for (const float s : sides.left)
        REQUIRE(s == 0.25f);
}

TEST_CASE("the trial tone is pure, in tune and as loud as asked", "[engine][trial]")
{
    TrialTone tone;
    tone.setHz(523.25);
    tone.setLevel(0.3);
    tone.setOn(true);
    run(tone, 0.5, 0.0f, 0.0f);
    const auto sides = run(tone, 1.0, 0.0f, 0.0f);
    CHECK(sides.left == sides.right);
    CHECK(sineToRestDb(sides.left, 523.25, rate) > 90.0);
    CHECK(std::abs(rmsDb(sides.left) - 20.0 * std::log10(0.3 / std::sqrt(2.0))) < 0.05);
}

TEST_CASE("the three ways of hearing both", "[engine][trial]")
{
    TrialTone tone;
    tone.setHz(300.0);
    tone.setLevel(0.2);
    tone.setOn(true);
    SECTION("apart: the take left, the tone right")
    {
        tone.setWay(TrialTone::Way::apart);
        run(tone, 0.5, 0.4f, 0.0f);
        const auto sides = run(tone, 0.5, 0.4f, 0.0f);
        for (const float s : sides.left)
            REQUIRE(std::abs(s - 0.2f) < 1e-4f); // the middle of 0.4 and 0
        CHECK(sineToRestDb(sides.right, 300.0, rate) > 60.0);
    }
    SECTION("in turn: never both")
    {
        tone.setWay(TrialTone::Way::inTurn);
        const auto sides = run(tone, 2.0 * TrialTone::turnSeconds);
        const auto half = std::size_t(TrialTone::turnSeconds * rate);
        const std::span<const float> wave(sides.left);
        const auto take = wave.subspan(half / 2, 4800), plain = wave.subspan(half + half / 2, 4800);
        for (const float s : take)
            REQUIRE(std::abs(s - 0.25f) < 1e-3f);
        CHECK(sineToRestDb(plain, 300.0, rate) > 40.0);
    }
}

TEST_CASE("switching the trial tone never clicks", "[engine][trial]")
{
    TrialTone tone;
    tone.setHz(220.0);
    tone.setLevel(0.3);
    std::vector<float> wave;
    const auto hear = [&] {
        const auto sides = run(tone, 0.1);
        wave.insert(wave.end(), sides.left.begin(), sides.left.end());
    };
    hear();
    tone.setOn(true);
    hear();
    tone.setWay(TrialTone::Way::apart);
    hear();
    tone.setWay(TrialTone::Way::inTurn);
    hear();
    tone.setHz(880.0);
    tone.setShape(TrialTone::Shape::soft);
    hear();
    tone.setOn(false);
    hear();
    float step = 0.0f;
    for (std::size_t i = 1; i < wave.size(); ++i)
        step = std::max(step, std::abs(wave[i] - wave[i - 1]));
    // The steepest that the tone itself is: six partials of 880 Hz at 0.3.
    CHECK(step < 0.3 * 0.8 * twoPi * 880.0 / rate * 2.5);
    for (std::size_t i = wave.size() - 480; i < wave.size(); ++i)
        REQUIRE(std::abs(wave[i] - 0.25f) < 0.01f);
}
