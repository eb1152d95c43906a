// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/seam_map.h"

#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

TEST_CASE("the map is bright where the sound is the same and dark where it is not", "[loop][map]")
{
    // A second of a low tone, a second of noise, a second of the low tone.
    auto wave = harmonicTone(200.0, 48000.0, 3.0);
    const auto other = noise(48000.0, 1.0, 0.5, 2);
    std::copy(other.begin(), other.end(), wave.begin() + 48000);
    const Audio audio = mono(wave);
    std::vector<std::size_t> steps;
    const auto map = makeSeamMap(
        audio, audio.whole(), {}, [&](const SeamMap& part) { steps.push_back(part.cells); });
    REQUIRE(map.cells == 300);
    // It comes coarse first.
    REQUIRE(steps.size() == 3);
    CHECK(steps[0] < steps[1]);
    CHECK(steps[2] == 300);
    CHECK(map.at(30, 80) > 230); // tone and tone
    CHECK(map.at(30, 270) > 230);
    CHECK(map.at(30, 150) < 128); // tone and noise
    CHECK(map.at(80, 30) == 0); // the end before the start
}

TEST_CASE("the level counts by half in the map", "[loop][map]")
{
    auto wave = noise(48000.0, 2.0, 0.5, 4);
    for (std::size_t i = 48000; i < wave.size(); ++i)
        wave[i] *= 0.5f; // 6 dB
    const Audio audio = mono(wave);
    const auto map = makeSeamMap(audio, audio.whole());
    double same = 0.0, quieter = 0.0;
    for (std::size_t i = 10; i < 90; ++i) {
        same += double(map.at(5, i)) / 80.0;
        quieter += double(map.at(5, 100 + i)) / 80.0;
    }
    CHECK(quieter < same - 20.0);
    CHECK(quieter > 60.0);
}

TEST_CASE("a map of next to nothing is empty, a stopped one is what there is", "[loop][map]")
{
    const Audio brief = mono(noise(48000.0, 0.02));
    CHECK(makeSeamMap(brief, brief.whole()).cells == 0);
    std::stop_source stop;
    stop.request_stop();
    const Audio audio = mono(noise(48000.0, 1.0));
    CHECK(makeSeamMap(audio, audio.whole(), {stop.get_token(), {}}).cells == 0);
    const Audio long_ = mono(noise(8000.0, 20.0), 8000.0);
    CHECK(makeSeamMap(long_, long_.whole()).cells == 1000);
}
