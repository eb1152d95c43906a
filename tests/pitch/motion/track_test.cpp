// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/motion/track.h"

#include "pitch/motion/movement.h"
#include "pitch/series/note.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

TEST_CASE("a steady tone's line is true to a cent from 40 Hz to 8 kHz", "[pitch][line]")
{
    constexpr double rate = 48000.0;
    const double hz = GENERATE(41.2, 110.7, 443.0, 1661.0, 4435.0, 7902.0);
    CAPTURE(hz);
    const double truth = midiOf(Hz{hz});
    const auto line = followPitch(harmonicTone(hz, rate, 1.0), rate, truth + 0.3);
    REQUIRE(line.points.size() > 50);
    CHECK(line.points.size() == line.frames);
    for (const auto& p : line.points)
        REQUIRE_THAT(p.midi, WithinAbs(truth, 0.01));
}

TEST_CASE("silence and noise are left out of the line", "[pitch][line]")
{
    constexpr double rate = 48000.0;
    const auto wave = harmonicTone(220.0, rate, 0.5) + silence(rate, 0.5) + noise(rate, 0.5, 0.1)
        + harmonicTone(220.0, rate, 0.5);
    const auto line = followPitch(wave, rate, 57.0);
    double inNote = 0, inRest = 0;
    for (const auto& p : line.points) {
        const bool rest = p.seconds > 0.55 && p.seconds < 1.45;
        (rest ? inRest : inNote) += 1;
        if (!rest && (p.seconds < 0.45 || p.seconds > 1.55))
            CHECK_THAT(p.midi, WithinAbs(57.0, 0.02));
    }
    CHECK(inNote > 80);
    CHECK(inRest < 10);
}

TEST_CASE("a glide over more than an octave is followed without a leap", "[pitch][line]")
{
    constexpr double rate = 48000.0;
    std::vector<float> wave(std::size_t(2.0 * rate));
    double phase = 0.0;
    const auto midiAt = [](double t) { return 50.0 + 8.0 * t; };
    for (std::size_t i = 0; i < wave.size(); ++i) {
        phase += hzOf(midiAt(double(i) / rate)).value / rate;
        for (int h = 1; h < 8; ++h)
            wave[i] += float(0.2 / h * std::sin(twoPi * h * phase));
    }
    const auto line = followPitch(wave, rate, 58.0);
    REQUIRE(line.points.size() > 150);
    for (const auto& p : line.points)
        REQUIRE_THAT(p.midi, WithinAbs(midiAt(p.seconds), 0.1));
}

TEST_CASE("the line of a few frames and of nothing is empty or short", "[pitch][line][bad-input]")
{
    CHECK(followPitch({}, 48000.0, 60.0).points.empty());
    CHECK(followPitch(silence(48000.0, 1.0), 48000.0, 60.0).points.empty());
    CHECK_FALSE(measureMovement({}));
    const Audio empty{48000.0, {{}}};
    CHECK(followPitch(empty, empty.whole(), 60.0).points.empty());
}
