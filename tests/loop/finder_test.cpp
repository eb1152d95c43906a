// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/finder.h"

#include "loop/joints.h"
#include "support/signals.h"

#include <catch2/catch.hpp>
#include <set>

using namespace puretone;
using namespace probe;

namespace {

constexpr double rate = 48000.0;

Span whole(const Audio& audio)
{
    return {Frames{0}, Frames{audio.frames()}};
}

std::vector<float> vibrato(double hz, double seconds)
{
    std::vector<float> wave(std::size_t(seconds * rate));
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double cents = 30.0 * std::sin(twoPi * 5.3 * double(i) / rate);
        phase += hz * std::exp2(cents / 1200.0) / rate;
        for (int h = 1; h <= 8; ++h)
            wave[i] += float(0.25 / h * std::sin(twoPi * h * phase + h));
    }
    return wave;
}

} // namespace

TEST_CASE("loops of steady, beating, moving and noisy sounds are seamless", "[loop][finder]")
{
    std::vector<float> wave;
    std::optional<double> period = 1.0 / 187.3;
    SECTION("steady")
    {
        wave = harmonicTone(187.3, rate, 3.0);
    }
    SECTION("beating")
    {
        wave = mixed(harmonicTone(187.3, rate, 3.0), harmonicTone(188.1, rate, 3.0, 12, 0.15));
    }
    SECTION("vibrato")
    {
        wave = vibrato(187.3, 3.0);
    }
    SECTION("noise")
    {
        wave = noise(rate, 3.0);
        period.reset();
    }
    const Audio audio = mono(wave);
    const auto report = findLoops(audio, whole(audio), period);
    REQUIRE_FALSE(report.candidates.empty());
    CHECK(report.verdict == SeamVerdict::seamless);
    const auto& best = report.candidates[0];
    CHECK(best.loop.span.length() >= std::int64_t(0.3 * rate)); // living
    CHECK(best.loop == clampLoop(best.loop, audio.frames()));
}

TEST_CASE("a decaying sound loops with its level evened", "[loop][finder]")
{
    const Audio audio = mono(decaying(harmonicTone(220.0, rate, 3.0), rate, 4.0));
    const auto report = findLoops(audio, whole(audio), 1.0 / 220.0);
    REQUIRE_FALSE(report.candidates.empty());
    CHECK(report.verdict == SeamVerdict::seamless);
}

TEST_CASE("candidates differ in place and in kind, at most eight", "[loop][finder]")
{
    const Audio audio = mono(vibrato(220.0, 4.0));
    const auto report = findLoops(audio, whole(audio), 1.0 / 220.0);
    CHECK(report.candidates.size() <= 8);
    REQUIRE(report.candidates.size() >= 4);
    std::set<LoopKind> kinds;
    for (const auto& c : report.candidates)
        kinds.insert(c.kind);
    CHECK(kinds.size() >= 2);
}

TEST_CASE("where nothing can be looped the reason is said", "[loop][finder][bad-input]")
{
    const Audio brief = mono(harmonicTone(220.0, rate, 0.004));
    const auto report = findLoops(brief, whole(brief), 1.0 / 220.0);
    CHECK(report.verdict == SeamVerdict::none);
    CHECK(report.candidates.empty());
    CHECK(report.message == "too short to loop");
}

TEST_CASE("a search can be stopped", "[loop][finder]")
{
    std::stop_source stop;
    stop.request_stop();
    const Audio audio = mono(noise(rate, 5.0));
    CHECK(findLoops(audio, whole(audio), std::nullopt, {}, {stop.get_token(), {}})
              .candidates.empty());
}

TEST_CASE("what cannot be heard does not click", "[loop][seam][bad-input]")
{
    const Audio still = mono(std::vector<float>(48000, 0.5f));
    Loop loop;
    loop.on = true;
    loop.span = {Frames{10000}, Frames{40000}};
    loop.crossfade = Frames{5000};
    CHECK(judgeLoop(still, loop, std::nullopt).seam.clickDb == 0.0);
}

TEST_CASE("a bad joint is reported before it is heard", "[loop][seam]")
{
    const Audio audio = mono(harmonicTone(240.0, rate, 2.0)); // 200 frames a period
    Loop loop;
    loop.on = true;
    loop.span = {Frames{20000}, Frames{60000}};
    const auto good = judgeLoop(audio, loop, 1.0 / 240.0);
    CHECK(seamVerdict(good.cost) == SeamVerdict::seamless);
    SECTION("half a period off clicks")
    {
        loop.span.end.value += 100;
        const auto bad = judgeLoop(audio, loop, 1.0 / 240.0);
        CHECK(seamVerdict(bad.cost) == SeamVerdict::audible);
        CHECK(bad.seam.clickDb > 4.0);
        CHECK(describeSeam(bad.seam, 0.83).find("clicks") == 0);
    }
    SECTION("a louder second half steps")
    {
        auto louder = audio;
        for (std::size_t i = 40000; i < louder.channels[0].size(); ++i)
            louder.channels[0][i] *= 2.0f;
        const auto bad = judgeLoop(louder, loop, 1.0 / 240.0);
        CHECK(seamVerdict(bad.cost) == SeamVerdict::audible);
        CHECK(bad.seam.levelDb > 1.5);
    }
}

TEST_CASE("the pitch of a short loop is checked against whole periods", "[loop][pitch]")
{
    // 2 periods of 100 frames, one frame too long: 1200 log2(200 / 201) = -8.6 cents.
    CHECK_THAT(
        loopPitchError(201, 48000.0, 100.0 / 48000.0), Catch::Matchers::WithinAbs(-8.63, 0.01));
    CHECK(loopPitchError(200, 48000.0, 100.0 / 48000.0) == Approx(0.0).margin(1e-9));
    CHECK(loopPitchError(20000, 48000.0, 100.0 / 48000.0) == 0.0);
    CHECK(loopPitchError(201, 48000.0, std::nullopt) == 0.0);
}

TEST_CASE("the joint finder meets a wave in its own phase", "[loop][joints]")
{
    const auto wave = harmonicTone(200.0, rate, 2.0);
    const JointFinder finder(wave, rate);
    JointSearch search;
    search.keep = 5;
    const auto joints = finder.find(search, 0.1, 1.9);
    REQUIRE_FALSE(joints.empty());
    for (const auto& joint : joints) {
        const double periods = (joint.end - joint.start) * 200.0;
        // One frame of the search rate is a fiftieth of a period.
        CHECK_THAT(periods - std::round(periods), Catch::Matchers::WithinAbs(0.0, 0.04));
    }
}
