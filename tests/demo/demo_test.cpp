// SPDX-License-Identifier: GPL-3.0-or-later
// The shipped demo sounds are what the generator makes, and our reading of them agrees with their
// truth.
#include "demo/sounds.h"

#include "formats/project/instrument_file.h"
#include "model/making/take_maker.h"

#include <catch2/catch.hpp>
#include <fstream>
#include <nlohmann/json.hpp>

using namespace puretone;

namespace {

const std::filesystem::path folder = std::filesystem::path(DEMO_FOLDER) / "sounds";

nlohmann::json truthOf(const std::string& name)
{
    return nlohmann::json::parse(std::ifstream(folder / (name + ".json")));
}

} // namespace

TEST_CASE("the shipped sounds are the generator's output", "[demo]")
{
    for (const auto& sound : skerry::allSounds()) {
        CAPTURE(sound.name);
        const auto path = folder / (sound.name + ".flac");
        CHECK(std::filesystem::file_size(path) < 3'000'000);
        const auto shipped = openRecording(path);
        REQUIRE(shipped);
        REQUIRE((*shipped)->audio->frames() == sound.audio.frames());
        double worst = 0.0, top = 0.0;
        for (std::size_t c = 0; c < sound.audio.channelCount(); ++c)
            for (std::size_t i = 0; i < sound.audio.channels[c].size(); ++i) {
                const double made = sound.audio.channels[c][i];
                top = std::max(top, std::abs(made));
                worst = std::max(worst, std::abs(double((*shipped)->audio->channels[c][i]) - made));
            }
        CHECK(top < 1.0); // nothing was clipped on the way
        CHECK(worst < 1.5 / 32768.0);
    }
}

TEST_CASE("single notes of the demo are read as what they are", "[demo][pitch]")
{
    const auto* name = GENERATE("fog-horn", "buoy-bell", "keepers-hum", "mooring-post");
    CAPTURE(name);
    const auto truth = truthOf(name);
    const auto take = *makeTake(*openRecording(folder / (std::string(name) + ".flac")));
    REQUIRE(take.facts->pitch.midi);
    // Vibrato and glides have no pitch to the cent.
    CHECK_THAT(100.0 * (*take.facts->pitch.midi - truth["midi"].get<double>()),
        Catch::Matchers::WithinAbs(0.0, 10.0));
    CHECK(nameOf(take.facts->pitch.kind) == truth["kind"].get<std::string>());
    CHECK(take.loop.on == (take.facts->pitch.kind != SoundKind::percussive));
    CHECK_FALSE(take.facts->loopChoices.empty());
}

TEST_CASE("wind has no clear pitch", "[demo][pitch]")
{
    const auto take = *makeTake(*openRecording(folder / "wind-in-the-rigging.flac"));
    CHECK(take.facts->pitch.verdict == PitchVerdict::none);
}

TEST_CASE("the demo instrument opens", "[demo]")
{
    const auto instrument =
        openInstrument(std::filesystem::path(DEMO_FOLDER) / "skerry-light.puretone");
    REQUIRE(instrument);
    CHECK(instrument->name == "Skerry Light");
    CHECK(instrument->takes.size() == 1);
}
