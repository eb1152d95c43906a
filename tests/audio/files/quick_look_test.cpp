// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/quick_look.h"

#include "audio/files/sound_file.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace puretone;
using namespace probe;

TEST_CASE("a quick look tells length and shape, and what is no sound", "[audio][look]")
{
    const TemporaryFolder folder;
    std::vector<float> wave(48000, 0.0f);
    std::fill(wave.begin() + 24000, wave.begin() + 36000, 0.5f);
    REQUIRE(writeWav(folder / "a.wav", mono(wave), SampleFormat::float32));
    const auto look = quickLook(folder / "a.wav", 8);
    REQUIRE(look);
    CHECK(look->seconds == Approx(1.0));
    REQUIRE(look->columns.size() == 8);
    CHECK(look->columns[1] == Extent{0.0f, 0.0f});
    CHECK(look->columns[4] == Extent{0.0f, 0.5f});
    CHECK(look->columns[7] == Extent{0.0f, 0.0f});
    std::ofstream(folder / "b.wav") << "RIFF no sound";
    std::ofstream(folder / "c.wav");
    for (const char* name : {"b.wav", "c.wav", "missing.wav"})
        CHECK_FALSE(quickLook(folder / name, 8));
    CHECK_FALSE(quickLook(folder / "a.wav", 0));
}
