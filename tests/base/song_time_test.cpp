// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/song_time.h"

#include <catch2/catch.hpp>

using namespace puretone;
using Catch::Matchers::WithinAbs;

TEST_CASE("times of a song are typed as seconds or as notes", "[base][tempo]")
{
    struct Case {
        const char* text;
        double value; ///< Below 0: beats.
        const char* shown;
    };
    const auto c = GENERATE(Case{"250 ms", 0.25, "250 ms"}, Case{"0", 0.0, "0.0 ms"},
        Case{"3/16", -0.75, "3/16"}, Case{"1/4", -1.0, "1/4"}, Case{" 2/8 ", -1.0, "1/4"},
        Case{"1/8 dotted", -0.75, "3/16"}, Case{"1/8 triplet", -1.0 / 3.0, "1/12"},
        Case{"2 beats", -2.0, "1/2"}, Case{"1 bar", -4.0, "1/1"}, Case{"1 beat", -1.0, "1/4"},
        Case{"1.37 beats", -1.37, "1.37 beats"});
    CAPTURE(c.text);
    const auto value = parseSongTime(c.text);
    REQUIRE(value);
    CHECK_THAT(*value, WithinAbs(c.value, 1e-9));
    CHECK(formatSongTime(*value) == c.shown);
}

TEST_CASE("what is neither seconds nor a note is refused", "[base][tempo]")
{
    const auto* text =
        GENERATE("", "1/0", "0/4", "-1/4", "/", "1/4 wide", "-2 beats", "0 bars", "-1 s", "beats");
    CAPTURE(text);
    CHECK_FALSE(parseSongTime(text));
}

TEST_CASE("notes step to their neighbours, seconds by ratios", "[base][tempo]")
{
    CHECK(formatSongTime(stepSongTime(inBeats(1.0), 1.0)) == "1/3");
    CHECK(formatSongTime(stepSongTime(inBeats(1.0), -1.0)) == "3/16");
    CHECK(formatSongTime(stepSongTime(inBeats(1.0), -100.0)) == "1/64");
    CHECK(formatSongTime(stepSongTime(inBeats(1.0), 100.0)) == "8/1");
    CHECK(stepSongTime(0.5, 1.0) > 0.5);
    CHECK(stepSongTime(0.0, 1.0) > 0.0);
    CHECK_THAT(songSeconds(inBeats(1.5), 2.0), WithinAbs(0.75, 1e-12));
    CHECK_THAT(songSeconds(0.25, 2.0), WithinAbs(0.25, 1e-12));
}
