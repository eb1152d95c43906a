// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/program/quick_math.h"

#include "engine/offline/render.h"
#include "engine/voices/control.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <complex>
#include <numbers>

using namespace puretone;

TEST_CASE("quick functions are as near as they say", "[engine][math]")
{
    for (double x = -40.0; x < 40.0; x += 0.00371) {
        CAPTURE(x);
        REQUIRE(std::abs(quickExp2(x) / std::exp2(x) - 1.0) < 1e-12);
        REQUIRE(std::abs(double(quickExp2(float(x))) / std::exp2(double(float(x))) - 1.0) < 3e-7);
        REQUIRE(nearestWhole(x) == std::round(x));
    }
    CHECK(quickExp2(0.0) == 1.0);
    CHECK(quickExp2(0.0f) == 1.0f);
    for (float t = -0.5f; t < 0.5f; t += 0.00037f)
        REQUIRE(
            std::abs(double(quickSine(t)) - std::sin(2.0 * std::numbers::pi * double(t))) < 4e-6);
    for (float x = 0.0f; x < 1.42f; x += 0.00043f)
        REQUIRE(
            std::abs(double(quickTangent(x)) - std::tan(double(x))) <= 3e-5 * std::tan(double(x)));
}

TEST_CASE("a voice's control values do not depend on its neighbours", "[engine][math]")
{
    ControlGroup all;
    for (std::size_t i = 0; i < ControlGroup::most; ++i) {
        all.octaves[i] = double(i) / 3.0 - 1.0;
        all.levelOctaves[i] = float(i) / 5.0f;
        all.cutoff[i] = 0.001f * float(1 << i);
        all.cutoffOctaves[i] = float(i) / 7.0f;
        all.damping[0][i] = all.damping[1][i] = 0.2f * float(i + 1);
    }
    ControlGroup alone;
    constexpr std::size_t from = 5, to = 2;
    alone.octaves[to] = all.octaves[from];
    alone.levelOctaves[to] = all.levelOctaves[from];
    alone.cutoff[to] = all.cutoff[from];
    alone.cutoffOctaves[to] = all.cutoffOctaves[from];
    alone.damping[0][to] = alone.damping[1][to] = all.damping[0][from];
    for (auto* group : {&all, &alone}) {
        group->restWanted = true;
        group->makeRest();
    }
    CHECK(alone.speed[to] == all.speed[from]);
    CHECK(alone.gain[to] == all.gain[from]);
    CHECK(alone.a1[1][to] == all.a1[1][from]);
    CHECK(alone.a3[0][to] == all.a3[0][from]);
    CHECK(all.speed[3] == Approx(1.0));
}

TEST_CASE("a note does not drift away from its pitch", "[engine][math]")
{
    constexpr double rate = 48000.0, hz = 1000.0;
    const double played = hz * std::exp2(6.0 / 12.0);
    const auto instrument =
        probe::instrumentOf(probe::plainTake(probe::mono(probe::sine(hz, rate, 7.0)), 60.0));
    const auto audio = renderEvents(instrument, *parseNotes("66:0:4.5:100"), rate, 0.1);
    const auto& out = audio.channels[0];
    REQUIRE(out.size() > std::size_t(4.4 * rate));
    // Turns by which the note is ahead of a tone of its pitch, around a moment.
    const auto ahead = [&](double seconds) {
        std::complex<double> sum = 0.0;
        const auto from = std::size_t(seconds * rate);
        constexpr std::size_t count = 9600;
        for (std::size_t i = 0; i < count; ++i) {
            const double window =
                0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * double(i) / double(count));
            sum += window * double(out[from + i])
                * std::polar(1.0, -2.0 * std::numbers::pi * played * double(from + i) / rate);
        }
        return std::arg(sum) / (2.0 * std::numbers::pi);
    };
    // Half a hundred-millionth beside the pitch would be 3e-5 turns in four seconds.
    CHECK(std::abs(ahead(4.1) - ahead(0.1)) < 5e-6);
}
