// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/series/note.h"

#include <catch2/catch.hpp>

using namespace puretone;

TEST_CASE("keys are named in the user's way", "[pitch][note]")
{
    CHECK(noteName(60) == "C4");
    CHECK(noteName(58) == "A#3");
    CHECK(noteName(58, {3, Accidentals::flats}) == "Bb2");
    CHECK(noteName(0) == "C-1");
    CHECK(noteName(127, {5, Accidentals::sharps}) == "G10");
}

TEST_CASE("every name is read back to its key", "[pitch][note]")
{
    const int octave = GENERATE(3, 4, 5);
    const auto signs = GENERATE(Accidentals::sharps, Accidentals::flats);
    const Naming naming{octave, signs};
    for (int key = 0; key < 128; ++key)
        REQUIRE(parseKey(noteName(key, naming), naming) == key);
}

TEST_CASE("keys are read as people type them", "[pitch][note]")
{
    CHECK(parseKey(" a#3 ") == 58);
    CHECK(parseKey("bb3") == 58);
    CHECK(parseKey("B\xE2\x99\xAD"
                   "3")
        == 58);
    CHECK(parseKey("60") == 60);
    CHECK(parseKey("Cb4") == 59);
    for (const char* text : {"", "H3", "C", "C4x", "128", "-1", "G#9", "4C"}) {
        CAPTURE(text);
        CHECK_FALSE(parseKey(text));
    }
}

TEST_CASE("a pitch is its nearest key and the rest", "[pitch][note]")
{
    const auto [key, rest] = nearestKey(69.12);
    CHECK(key == 69);
    CHECK_THAT(rest.value, Catch::Matchers::WithinAbs(12.0, 1e-9));
    CHECK_THAT(midiOf(hzOf(61.37)), Catch::Matchers::WithinAbs(61.37, 1e-12));
    CHECK_THAT(hzOf(69.0, Hz{442.0}).value, Catch::Matchers::WithinAbs(442.0, 1e-9));
}

TEST_CASE("keys are looked up by name, number and frequency", "[pitch][note]")
{
    const Naming naming;
    CHECK(lookUpKeys("", naming, concertPitch).size() == 128);
    CHECK(lookUpKeys("A#3", naming, concertPitch) == std::vector{58});
    CHECK(lookUpKeys("58", naming, concertPitch) == std::vector{58});
    CHECK(lookUpKeys(" 440 hz", naming, concertPitch) == std::vector{69});
    CHECK(lookUpKeys("452.8", naming, concertPitch) == std::vector{69});
    CHECK(lookUpKeys("453.1", naming, concertPitch) == std::vector{70});
    CHECK(lookUpKeys("440 Hz", naming, Hz{466.2}) == std::vector{68});
    const auto everyA = lookUpKeys("a", naming, concertPitch);
    CHECK(everyA.size() == 10);
    for (const int key : everyA)
        CHECK(key % 12 == 9);
    CHECK(lookUpKeys("bb", naming, concertPitch).size() == 10);
    CHECK(lookUpKeys("nothing", naming, concertPitch).empty());
    CHECK(lookUpKeys("-3 Hz", naming, concertPitch).empty());
}
