// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/playing/frame_clock.h"

#include "engine/engine.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

constexpr double rate = 48000.0;

Moment at(double seconds)
{
    return Moment{}
    + std::chrono::duration_cast<Moment::duration>(std::chrono::duration<double>(seconds));
}

/// Frames at which the output first sounds after silence, for keys pressed at these seconds.
std::vector<std::int64_t> onsets(int block, const std::vector<double>& pressed, double jitter)
{
    const auto engine = std::make_unique<Engine>();
    engine->prepare(rate);
    // A take that begins at once and ends after 2 ms, whatever happens.
    auto take = plainTake(mono(std::vector<float>(96, 0.5f), rate), 60.0);
    take.loop.mode = LoopMode::oneShot;
    auto instrument = instrumentOf(take);
    engine->setProgram(Compiler().compile(instrument, rate));
    Noise random(11);
    const auto size = std::size_t(block);
    std::vector<float> left(size), right(size);
    std::vector<std::int64_t> found;
    std::size_t next = 0;
    float before = 0.0f;
    const double length = block / rate;
    for (int i = 0; double(i) * length < 1.6; ++i) {
        // Asked for a little early or late, as sound servers do; time begins at 1 s.
        const double now = 1.0 + i * length + jitter * random();
        for (; next < pressed.size() && pressed[next] + 1.0 < now; ++next)
            engine->postMidi(MidiEvent::noteOn(60, 100), at(pressed[next] + 1.0));
        engine->process(left.data(), right.data(), block, at(now));
        for (int k = 0; k < block; ++k) {
            if (before == 0.0f && left[std::size_t(k)] != 0.0f)
                found.push_back(std::int64_t(i) * block + k);
            before = left[std::size_t(k)];
        }
    }
    return found;
}

} // namespace

TEST_CASE("keys sound as far apart as they were pressed, whatever the blocks", "[engine][clock]")
{
    std::vector<double> pressed;
    for (int i = 0; i < 60; ++i)
        pressed.push_back(0.2 + 0.0203 * i);
    for (const int block : {64, 256, 1024}) {
        CAPTURE(block);
        const auto found = onsets(block, pressed, 0.0);
        REQUIRE(found.size() == pressed.size());
        for (std::size_t i = 1; i < found.size(); ++i)
            CHECK(std::abs(double(found[i] - found[i - 1]) - 0.0203 * rate) <= 1.0);
        // One block late, and no more.
        CHECK(double(found[0]) - 0.2 * rate == Approx(block).margin(2.0));
        // Where blocks are asked for unevenly, a part of that is left; without moments it would be
        // a whole block.
        const auto shaken = onsets(block, pressed, 0.3 * block / rate);
        REQUIRE(shaken.size() == pressed.size());
        for (std::size_t i = 1; i < shaken.size(); ++i)
            CHECK(std::abs(double(shaken[i] - shaken[i - 1]) - 0.0203 * rate) < 0.5 * block);
    }
}

TEST_CASE("the clock finds its way again after a pause", "[engine][clock]")
{
    FrameClock clock;
    clock.prepare(rate);
    clock.beginBlock(at(1.0), 480);
    CHECK(clock.frameOf(at(0.995), 480) == 240);
    CHECK(clock.frameOf(at(0.5), 480) == 0);
    CHECK(clock.frameOf(at(2.0), 480) == 479);
    clock.beginBlock(at(1.01), 480);
    CHECK(clock.frameOf(at(1.005), 480) == Approx(240).margin(1));
    clock.beginBlock(at(7.0), 480);
    CHECK(clock.frameOf(at(6.995), 480) == Approx(240).margin(1));
    CHECK(clock.frameOf(at(6.995), 0) == 0);
}
