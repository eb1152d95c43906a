// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/name_note.h"

#include "model/words/readings.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

TEST_CASE("notes are found in file names, and only notes", "[model][name]")
{
    CHECK(noteInName("horn_A#2_soft.wav") == 46);
    CHECK(noteInName("stay-wire Eb3.flac") == 51);
    CHECK(noteInName("Fs4 bell.wav") == 66);
    CHECK(noteInName("bottle g3.wav") == 55);
    CHECK(noteInName("x B\xE2\x99\xAD"
                     "3.wav")
        == 58);
    CHECK(noteInName("C4.wav") == 60);
    CHECK(noteInName("x C-1 hard.wav") == 0);
    CHECK(noteInName("bass F#-1.wav") == 6);
    CHECK(noteInName("horn-A2.wav") == 45);
    for (const char* none : {"fog-horn.flac", "take 12.wav", "bell100.wav", "D.wav", "Ab.wav",
             "cab2b.wav", "H4.wav", "C99.wav", "", ".wav", "e-piano.wav", "as.wav"})
        CHECK_FALSE(noteInName(none));
}

TEST_CASE("what a name says is offered beside the reading, in its octave", "[model][name]")
{
    const auto heard = [](const std::string& name, double hz) {
        return *makeTake(makeRecording(mono(harmonicTone(hz, 48000.0, 1.0)), name));
    };
    // Another way of counting octaves: the reading's own stands first, and is told to agree.
    const auto agreeing = pitchChoices(heard("horn A2.wav", 220.0));
    CHECK(agreeing.front().midi == Approx(57.0).margin(0.05));
    CHECK(agreeing.front().reason.said().find("as the file's name says") != std::string::npos);
    const auto contradicting = pitchChoices(heard("horn D3.wav", 220.0));
    CHECK(contradicting.front().midi == Approx(57.0).margin(0.05));
    REQUIRE(contradicting.size() > 1);
    CHECK(contradicting[1].midi == 50.0);
    CHECK(contradicting[1].reason.said() == "from the file's name");
    const auto unnamed = pitchChoices(heard("horn.wav", 220.0));
    CHECK(unnamed.size() + 1 == contradicting.size());
}

TEST_CASE("names say numbers, touches and takes", "[model][name]")
{
    CHECK(readName("058 hum.wav") == NameSays{58, true, std::nullopt, std::nullopt});
    CHECK(readName("horn_A#2_soft.wav") == NameSays{46, false, 20, std::nullopt});
    CHECK(readName("bell C4 ff take 2.wav") == NameSays{60, false, 60, 2});
    CHECK(readName("knock midi 40 rr3.wav") == NameSays{40, true, std::nullopt, 3});
    CHECK(readName("key64_v2.wav") == NameSays{64, true, 2, std::nullopt});
    CHECK(readName("horn 2.wav") == NameSays{std::nullopt, false, std::nullopt, 2});
    CHECK(readName("horn 999.wav") == NameSays{std::nullopt, false, std::nullopt, 999});
    CHECK(readName("wind in the rigging.wav") == NameSays{});
    CHECK(readName("") == NameSays{});
    CHECK(readName("99999999999999999999.wav") == NameSays{});
}
