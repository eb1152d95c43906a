// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/moved_files.h"

#include "prepare/treat/shift_pitch.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace puretone;
using namespace probe;

TEST_CASE("moved sounds are found again, and made again where they are damaged", "[formats][moved]")
{
    const TemporaryFolder folder;
    const Audio tone = mono(harmonicTone(220.0, 48000.0, 0.4));
    MovedFiles files(folder / "cache");
    const auto first = files.moved(tone, 5.0, true);
    REQUIRE(first);
    CHECK(first->channels == shiftPitch(tone, 5.0, true)->channels);
    const auto count = [&] {
        return std::distance(std::filesystem::directory_iterator(folder / "cache"),
            std::filesystem::directory_iterator());
    };
    CHECK(count() == 1);
    CHECK(files.moved(tone, 5.0, true)->channels == first->channels);
    CHECK(count() == 1);
    files.moved(tone, 5.0, false);
    files.moved(tone, 4.0, true);
    CHECK(count() == 3);
    // Cut off, or full of what is no sound.
    for (const auto& entry : std::filesystem::directory_iterator(folder / "cache"))
        std::filesystem::resize_file(entry.path(), 100);
    CHECK(files.moved(tone, 5.0, true)->channels == first->channels);
    for (const auto& entry : std::filesystem::directory_iterator(folder / "cache")) {
        std::fstream file(entry.path(), std::ios::in | std::ios::out | std::ios::binary);
        file.seekp(64);
        const float wrong = std::numeric_limits<float>::quiet_NaN();
        file.write(reinterpret_cast<const char*>(&wrong), sizeof wrong);
    }
    CHECK(files.moved(tone, 5.0, true)->channels == first->channels);
    // What was used longest ago goes; a folder that cannot be made keeps nothing, and that is all.
    MovedFiles small(folder / "cache", 100);
    CHECK(count() == 0);
    std::ofstream(folder / "file") << "x";
    MovedFiles nowhere(folder / "file" / "cache");
    CHECK(nowhere.moved(tone, 5.0, true)->channels == first->channels);
}

TEST_CASE("moving the pitch keeps the length, in one channel or two", "[prepare][moved]")
{
    for (const std::size_t channels : {1U, 2U}) {
        Audio audio{44100.0, {}};
        for (std::size_t c = 0; c < channels; ++c)
            audio.channels.push_back(harmonicTone(220.0 + 50.0 * double(c), 44100.0, 0.5));
        for (const double semitones : {-24.0, -3.5, 0.0, 12.0}) {
            const auto moved = shiftPitch(audio, semitones, false);
            REQUIRE(moved);
            CHECK(moved->channelCount() == channels);
            CHECK(moved->frames() == audio.frames());
            CHECK(moved->rate == 44100.0);
        }
    }
    std::stop_source stop;
    stop.request_stop();
    CHECK(shiftPitch(mono(harmonicTone(220.0, 48000.0, 0.2)), 3.0, true, {stop.get_token(), {}})
        == nullptr);
}
