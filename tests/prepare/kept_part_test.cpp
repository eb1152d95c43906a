// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/kept_part.h"

#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

std::vector<float> withNoise(std::vector<float> wave, double levelDb)
{
    return mixed(wave,
        noise(48000.0, double(wave.size()) / 48000.0, std::pow(10.0, levelDb / 20.0) * 1.7, 7));
}

} // namespace

TEST_CASE("the attack of a struck note is found within 5 ms", "[prepare][kept]")
{
    const double rate = 48000.0, at = GENERATE(0.05, 0.31, 0.777);
    const auto note = decaying(harmonicTone(330.0, rate, 2.0), rate, 1.2);
    const auto kept =
        proposeKept(mono(withNoise(silence(rate, at) + note + silence(rate, 0.5), -60.0)), "x");
    REQUIRE(kept);
    CHECK_THAT(double(kept->start.value) / rate, Catch::Matchers::WithinAbs(at, 0.005));
    // 60 dB down after 1.2 s: the noise begins to cover it a little earlier.
    CHECK(double(kept->end.value) / rate > at + 0.8);
    CHECK(double(kept->end.value) / rate < at + 1.5);
}

TEST_CASE("steady sounds and noises are kept whole", "[prepare][kept]")
{
    const auto wave = GENERATE(harmonicTone(220.0, 48000.0, 1.0), noise(48000.0, 1.0));
    const auto kept = proposeKept(mono(wave), "x");
    REQUIRE(kept);
    CHECK(kept->start.value < 480);
    CHECK(kept->end.value == std::int64_t(wave.size()));
}

TEST_CASE("a slow swell is not cut short", "[prepare][kept]")
{
    auto wave = harmonicTone(220.0, 48000.0, 2.0);
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] *= float(double(i) / double(wave.size()));
    const auto kept = proposeKept(mono(wave), "x");
    REQUIRE(kept);
    CHECK(kept->start.value < std::int64_t(0.05 * 48000));
    CHECK(kept->end.value == std::int64_t(wave.size()));
}

TEST_CASE("silence is refused by name", "[prepare][bad-input]")
{
    const auto kept = proposeKept(mono(silence(48000.0, 1.0)), "still.wav");
    REQUIRE_FALSE(kept);
    CHECK(kept.error().message == "still.wav holds only silence.");
}

TEST_CASE("very short recordings are kept whole", "[prepare][bad-input]")
{
    const auto kept = proposeKept(mono(std::vector<float>(16, 0.3f)), "x");
    REQUIRE(kept);
    CHECK(kept->length() == 16);
}
