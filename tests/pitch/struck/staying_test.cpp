// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck/staying.h"

#include "pitch/report.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

constexpr double rate = 44100.0;

/// Noise below a corner, as of a distant lorry. (Narrower than some 30 Hz, windows cannot tell it
/// from a tone.)
std::vector<float> rumble(double seconds, double corner, std::uint64_t seed)
{
    auto wave = noise(rate, seconds, 1.0, seed);
    const double share = 1.0 - std::exp(-twoPi * corner / rate);
    for (int pass = 0; pass < 4; ++pass) {
        double held = 0.0;
        for (float& s : wave)
            s = float(held += share * (double(s) - held));
    }
    float top = 0.0f;
    for (const float s : wave)
        top = std::max(top, std::abs(s));
    for (float& s : wave)
        s *= 0.5f / top;
    return wave;
}

/// A skin that falls by an octave and more within some tens of milliseconds, with a beater's noise.
std::vector<float> quickKick(double rest, double fall, double time, std::uint64_t seed)
{
    const auto click = noise(rate, 0.4, 1.0, seed);
    std::vector<float> wave(click.size());
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        phase += hzOf(rest + fall * std::exp(-t / time)).value / rate;
        wave[i] = float(0.7 * std::exp(-t / 0.08) * std::sin(twoPi * phase)
            + 0.15 * std::exp(-t / 0.015) * double(click[i]));
    }
    return wave;
}

} // namespace

TEST_CASE("modes stay where they are, peaks of noise do not", "[pitch][staying]")
{
    std::vector<float> bell(std::size_t(1.2 * rate));
    for (std::size_t i = 0; i < bell.size(); ++i)
        for (const double ratio : {1.0, 2.71, 5.2, 8.3})
            bell[i] += float(0.2 * std::exp(-double(i) / rate / 0.5)
                * std::sin(twoPi * 411.0 * ratio * double(i) / rate));
    CHECK(stayingShare(bell, rate, 411.0) > 0.95);
    for (const std::uint64_t seed : {1U, 2U, 3U}) {
        CAPTURE(seed);
        // By chance: eight peaks, each with a fifth of a bin to meet another.
        CHECK(stayingShare(noise(rate, 1.2, 0.3, seed), rate, 411.0) < 0.1);
        CHECK(stayingShare(rumble(1.2, 150.0, seed), rate, 60.0) < 0.5);
    }
}

TEST_CASE("silence and moments have nothing that stays", "[pitch][staying][bad-input]")
{
    CHECK(stayingShare({}, rate, 440.0) == 0.0);
    CHECK(stayingShare(silence(rate, 0.5), rate, 440.0) == 0.0);
    CHECK(stayingShare(noise(rate, 0.002), rate, 440.0) == 0.0);
    CHECK(stayingShare(noise(8000.0, 0.5), 8000.0, 20000.0) <= 1.0);
}

TEST_CASE("a kick that falls fast is owned, a rumble is not", "[pitch][drum][staying]")
{
    for (const double time : {0.02, 0.035, 0.05}) {
        CAPTURE(time);
        const auto kick = analysePitch(quickKick(31.0, 18.0, time, 7), rate);
        CHECK(kick.verdict != PitchVerdict::none);
        REQUIRE(kick.midi);
        // Somewhere on its way while it is loud: above its rest, below the middle of its fall.
        CHECK(*kick.midi > 30.0);
        CHECK(*kick.midi < 40.0);
    }
    for (const std::uint64_t seed : {11U, 12U, 13U, 14U, 15U, 16U}) {
        CAPTURE(seed);
        const auto report = analysePitch(rumble(4.0, 150.0, seed), rate);
        CHECK(report.verdict == PitchVerdict::none);
    }
}
