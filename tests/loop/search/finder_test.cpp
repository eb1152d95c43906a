// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/finder.h"

#include "audio/level.h"
#include "loop/joint/bake.h"
#include "loop/search/joints.h"
#include "support/signals.h"

#include <algorithm>
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

TEST_CASE("eight candidates or more differ in place and in kind", "[loop][finder]")
{
    const Audio audio = mono(vibrato(220.0, 4.0));
    const auto report = findLoops(audio, whole(audio), 1.0 / 220.0);
    CHECK(report.candidates.size() <= 10);
    REQUIRE(report.candidates.size() >= 8);
    std::set<LoopKind> kinds;
    for (const auto& c : report.candidates)
        kinds.insert(c.kind);
    for (const auto kind : {LoopKind::longLiving, LoopKind::shortSteady, LoopKind::lastSteady,
             LoopKind::afterAttack, LoopKind::thereAndBack})
        CHECK(kinds.count(kind) == 1);
    for (const auto& c : report.candidates) { // eight at the least, see above
        CHECK_FALSE(c.reason.empty());
        // What is said about each is what it measures on its own.
        CHECK(judgeLoop(audio, c.loop, 1.0 / 220.0).cost == Approx(c.cost).margin(0.01));
    }
}

TEST_CASE("of noise the longest loop with a long crossfade wins", "[loop][finder][noise]")
{
    const double seconds = GENERATE(2.0, 6.0);
    auto wave = noise(rate, seconds, 0.1, 3);
    // A click now and then is part of the recording; it must not come back every second.
    for (std::size_t i = 7000; i < wave.size(); i += 61000)
        wave[i] += 0.7f;
    const Audio audio = mono(wave);
    const auto report = findLoops(audio, whole(audio), std::nullopt);
    REQUIRE_FALSE(report.candidates.empty());
    const auto& best = report.candidates.front();
    CAPTURE(seconds, best.reason.said(), double(best.loop.span.length()) / rate);
    CHECK(report.verdict == SeamVerdict::seamless);
    CHECK(double(best.loop.span.length()) > 0.45 * seconds * rate);
    CHECK(double(best.loop.crossfade.value) > 0.08 * rate);
    for (const auto& c : report.candidates)
        CHECK(double(c.loop.span.length()) > 0.1 * rate);
}

TEST_CASE("of a sound that dies away it is said how high a loop holds, and a high one is offered",
    "[loop][finder][decay]")
{
    const Audio audio = mono(decaying(harmonicTone(220.0, rate, 2.5), rate, 2.0)); // 30 dB a second
    const auto report = findLoops(audio, whole(audio), 1.0 / 220.0);
    REQUIRE_FALSE(report.candidates.empty());
    const auto held = std::find_if(report.candidates.begin(), report.candidates.end(),
        [](const LoopCandidate& c) { return c.kind == LoopKind::heldHigh; });
    REQUIRE(held != report.candidates.end());
    CHECK(held->loop.evenOut == 1.0);
    CHECK(held->holdsDb > -12.0);
    for (const auto& c : report.candidates) {
        // 30 dB a second from the attack to the middle of the loop's power, near its beginning.
        const double start = double(c.loop.span.start.value) / rate;
        const double end = double(c.loop.span.end.value) / rate;
        CHECK(c.holdsDb < -30.0 * start + 2.0);
        CHECK(c.holdsDb > -30.0 * end - 2.0);
        const bool said = c.reason.said().find("dB below the attack") != std::string::npos;
        CHECK(said == (c.holdsDb < -10.0));
    }
}

TEST_CASE("where nothing can be looped the reason is said", "[loop][finder][bad-input]")
{
    const Audio brief = mono(harmonicTone(220.0, rate, 0.004));
    const auto report = findLoops(brief, whole(brief), 1.0 / 220.0);
    CHECK(report.verdict == SeamVerdict::none);
    CHECK(report.candidates.empty());
    CHECK(report.message.said() == "is too short to loop");
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
        CHECK(describeSeam(bad.seam, 0.83).said().find("clicks") == 0);
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
    const JointFinder finder(wave, rate, 11025.0);
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

TEST_CASE("a loop of vibrato or beating is as long as whole swings", "[loop][finder]")
{
    const double swing = GENERATE(5.3, 1.9);
    const Audio audio = mono(swing > 3.0
            ? vibrato(220.0, 4.0)
            : mixed(harmonicTone(220.0, rate, 5.0), harmonicTone(220.0 + swing, rate, 5.0)));
    const auto report = findLoops(audio, whole(audio), 1.0 / 220.0);
    REQUIRE_FALSE(report.candidates.empty());
    const auto& best = report.candidates[0];
    REQUIRE(report.verdict == SeamVerdict::seamless);
    const double swings = double(best.loop.span.length()) / rate * swing;
    // A twelfth of a swing off is heard as a limp.
    CHECK_THAT(swings - std::round(swings), Catch::Matchers::WithinAbs(0.0, 0.08));
}

TEST_CASE(
    "what dies away gets the nearest thing: evened, short, or there and back", "[loop][finder]")
{
    // A knock: noise in a body, gone within a tenth of a second.
    auto wave = noise(rate, 1.0, 0.6, 5);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] *= float(std::exp(-60.0 * double(i) / rate));
    const Audio audio = mono(wave);
    const auto report = findLoops(audio, whole(audio), std::nullopt);
    REQUIRE_FALSE(report.candidates.empty());
    CHECK(report.message.empty() == (report.verdict == SeamVerdict::seamless));
    const auto& best = report.candidates.front().loop;
    CHECK((best.evenOut > 0.0 || best.mode == LoopMode::alternating
        || double(best.span.length()) < 0.3 * rate));
}

TEST_CASE("silence, one silent channel, clipping and very short sounds are survived",
    "[loop][finder][bad-input]")
{
    const std::vector<float> nothing(std::size_t(rate), 0.0f);
    Audio audio = mono(nothing);
    SECTION("silence") { }
    SECTION("one channel silent")
    {
        audio.channels.push_back(harmonicTone(220.0, rate, 1.0));
    }
    SECTION("clipped")
    {
        audio = mono(harmonicTone(220.0, rate, 1.0, 12, 3.0));
        for (float& s : audio.channels[0])
            s = std::clamp(s, -1.0f, 1.0f);
    }
    SECTION("a constant")
    {
        audio = mono(std::vector<float>(48000, 0.7f));
    }
    SECTION("brief")
    {
        audio = mono(harmonicTone(880.0, rate, 0.02));
    }
    const auto report = findLoops(audio, whole(audio), 1.0 / 220.0);
    float top = 0.0f;
    for (const auto& channel : audio.channels)
        top = std::max(top, peak(channel));
    for (const auto& c : report.candidates) {
        REQUIRE(std::isfinite(c.cost));
        for (const auto& channel : bakeLoop(audio, c.loop).turn.channels)
            CHECK(peak(channel) <= 1.6f * top); // mixing opposed sides lifts by 4 dB at most
    }
}

TEST_CASE("no loop is proposed in the silence between two notes", "[loop][finder]")
{
    const auto note = decaying(harmonicTone(220.0, 48000.0, 1.5), 48000.0, 3.0);
    const Audio audio = mono(note + silence(48000.0, 1.0) + note + silence(48000.0, 1.0) + note);
    const auto report = findLoops(audio, whole(audio), 1.0 / 220.0);
    REQUIRE_FALSE(report.candidates.empty());
    for (const auto& candidate : report.candidates)
        CHECK(candidate.holdsDb > -60.0);
}

TEST_CASE("the loop near a wish lies near it and closes", "[loop][finder]")
{
    const Audio audio = mono(vibrato(220.0, 4.0));
    Noise next(3);
    for (int i = 0; i < 12; ++i) {
        const auto start = std::int64_t(next.between(0.0, 100000.0));
        const auto length = std::int64_t(next.between(200.0, 80000.0));
        const Span wanted{Frames{start}, Frames{start + length}};
        Loop like;
        like.mode = i % 3 == 2 ? LoopMode::alternating : LoopMode::forward;
        const auto found = loopNear(audio, whole(audio), wanted, like, 1.0 / 220.0);
        CHECK(found.loop.on);
        CHECK(found.loop.mode == like.mode);
        CHECK(found.loop == clampLoop(found.loop, audio.frames()));
        // 1.2 periods of 218 frames, and what the search rounds.
        CHECK(std::abs(found.loop.span.end.value - wanted.end.value) < 280);
        CHECK(std::abs(found.loop.span.start.value - wanted.start.value) < 280);
    }
    // Outside of what is kept it is brought inside.
    const auto outside = loopNear(
        audio, {Frames{1000}, Frames{50000}}, {Frames{-500}, Frames{900000}}, {}, std::nullopt);
    CHECK(outside.loop.span.start.value >= 1000);
    CHECK(outside.loop.span.end.value <= 50000);
}
