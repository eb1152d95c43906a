// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/quantity.h"

#include <catch2/catch.hpp>

using namespace puretone;

TEST_CASE("durations are read in every way that people type them", "[base]")
{
    constexpr double rate = 48000.0;
    struct Case {
        const char* text;
        double seconds;
    };
    const auto c = GENERATE(Case{"250 ms", 0.25}, Case{"1.2 s", 1.2}, Case{"1,2s", 1.2},
        Case{"60000", 1.25}, Case{"0.5", 0.5}, Case{"480 frames", 0.01}, Case{" 3 min ", 180.0},
        Case{"+2 s", 2.0}, Case{"1e-3 s", 0.001});
    CAPTURE(c.text);
    const auto seconds = parseSeconds(c.text, rate);
    REQUIRE(seconds);
    CHECK_THAT(*seconds, Catch::Matchers::WithinAbs(c.seconds, 1e-9));
}

TEST_CASE("what is no duration is refused", "[base]")
{
    const auto* text = GENERATE("", "loud", "12 parsecs", "--3 s", "inf", "nan", "3 s 4");
    CAPTURE(text);
    CHECK_FALSE(parseSeconds(text, 48000.0));
}

TEST_CASE("numbers take their own unit only", "[base]")
{
    CHECK(parseNumber("-6 dB", "dB") == -6.0);
    CHECK(parseNumber("\xE2\x88\x92"
                      "12.5 ct",
              "ct")
        == -12.5);
    CHECK(parseNumber("7 cents", "ct") == 7.0);
    CHECK(parseNumber("3", "dB") == 3.0);
    CHECK_FALSE(parseNumber("3 Hz", "dB"));
}

TEST_CASE("values are written as people read them", "[base]")
{
    CHECK(formatSeconds(0.0008) == "0.8 ms");
    CHECK(formatSeconds(0.25) == "250 ms");
    CHECK(formatSeconds(2.314) == "2.31 s");
    CHECK(formatSeconds(0.9999) == "1.00 s");
    CHECK(formatPosition(1.0214) == "1.021 s");
    CHECK(formatDecibels(Decibels{-6.04}) == "-6.0 dB");
    CHECK(formatDecibels(Decibels{-200.0}) == "silent");
    CHECK(formatCents(Cents{7.0}) == "+7.0 ct");
    CHECK(formatCents(Cents{-0.01}) == "0.0 ct");
    CHECK(formatBytes(4'600'000) == "4.6 MB");
}

TEST_CASE("what is written can be read again", "[base]")
{
    const double seconds = GENERATE(0.0012, 0.034, 0.5, 1.75, 42.0);
    CAPTURE(seconds);
    const auto again = parseSeconds(formatSeconds(seconds), 44100.0);
    REQUIRE(again);
    // Three digits are shown.
    CHECK_THAT(*again, Catch::Matchers::WithinRel(seconds, 0.01));
}
