// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/commands.h"

#include "formats/project/instrument_file.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fstream>
#include <nlohmann/json.hpp>
#include <sstream>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;

namespace {

struct Outcome {
    int status;
    std::string out, err;
};

Outcome run(const std::vector<std::string>& arguments)
{
    std::ostringstream out, err;
    const int status = runCommandLine(arguments, out, err);
    return {status, out.str(), err.str()};
}

const std::string demo = std::string(DEMO_FOLDER) + "/sounds/";

} // namespace

TEST_CASE("analyze prints the contract's object for each file", "[cli]")
{
    const auto result =
        run({"analyze", demo + "fog-horn.flac", demo + "keepers-hum.flac", "--json"});
    CHECK(result.status == 0);
    std::istringstream lines(result.out);
    std::string line;
    int count = 0;
    while (std::getline(lines, line)) {
        ++count;
        const auto j = nlohmann::json::parse(line);
        for (const char* field :
            {"file", "sampleRate", "channels", "frames", "level", "kept", "pitch", "loop"})
            CHECK(j.contains(field));
        for (const char* field : {"verdict", "kind", "hz", "midi", "rootKey", "cents", "name",
                 "confidence", "candidates"})
            CHECK(j["pitch"].contains(field));
        for (const char* field :
            {"verdict", "start", "end", "crossfade", "mode", "seam", "pitchErrorCents"})
            CHECK(j["loop"].contains(field));
        CHECK(j["loop"]["seam"].contains("clickDb"));
        CHECK(j["loop"]["end"] <= j["frames"]);
        CHECK_THAT(j["pitch"]["rootKey"].get<double>() + j["pitch"]["cents"].get<double>() / 100.0,
            Catch::Matchers::WithinAbs(j["pitch"]["midi"].get<double>(), 1e-6));
    }
    CHECK(count == 2);
}

TEST_CASE("without --json, analyze and info say the same in words", "[cli]")
{
    const auto horn = run({"analyze", demo + "fog-horn.flac"});
    CHECK(horn.status == 0);
    CHECK_THAT(horn.out,
        Contains("pitch  A#2 (46) -12.0 ct") && Contains("clear (100 %), harmonic")
            && Contains("loop   ") && Contains("seamless") && Contains("crossfade"));
    const auto wind = run({"analyze", demo + "wind-in-the-rigging.flac"});
    CHECK_THAT(wind.out, Contains("none (") && Contains("unpitched"));
    const auto post = run({"analyze", demo + "mooring-post.flac"});
    CHECK_THAT(post.out,
        Contains("dwells here while it is loud")
            && Contains("loop   none: it is struck and gone at once")
            && Contains("dB below the attack"));
    const auto info = run({"info", std::string(DEMO_FOLDER) + "/skerry-light.puretone"});
    CHECK(info.status == 0);
    CHECK_THAT(info.out,
        Contains("Skerry Light\n") && Contains("root A#2 (46), fine tune +12.0 ct")
            && Contains("loop of 2.11 s") && Contains("keys   A0 (21) to C8 (108)")
            && Contains("release 150 ms"));
}

TEST_CASE("one bad file among good ones is told, the others are done", "[cli][bad-input]")
{
    const TemporaryFolder folder;
    std::ofstream(folder / "letter.wav") << "Dear keeper";
    const auto result = run({"analyze", (folder / "letter.wav").string(),
        demo + "mooring-post.flac", (folder / "gone.wav").string(), "--json"});
    CHECK(result.status == 1);
    CHECK_THAT(result.err, Contains("letter.wav") && Contains("gone.wav"));
    CHECK(std::count(result.err.begin(), result.err.end(), '\n') == 2);
    CHECK(std::count(result.out.begin(), result.out.end(), '\n') == 1);
}

TEST_CASE("build makes every kind of file from the single notes of the demo", "[cli]")
{
    const TemporaryFolder folder;
    const auto [name, root] = GENERATE(table<const char*, int>(
        {{"fog-horn", 46}, {"buoy-bell", 72}, {"keepers-hum", 55}, {"mooring-post", 41}}));
    CAPTURE(name);
    for (const char* extension : {".puretone", ".wav", ".sfz", ".sf2"}) {
        const auto target = (folder / (std::string(name) + extension)).string();
        const auto result = run({"build", demo + name + ".flac", "-o", target});
        CHECK(result.status == 0);
        CHECK_THAT(result.out, Contains("Read back"));
        const auto info = run({"info", target, "--json"});
        CHECK(info.status == 0);
        CHECK(nlohmann::json::parse(info.out)["takes"][0]["rootKey"] == root);
    }
}

TEST_CASE("build follows its options", "[cli]")
{
    const TemporaryFolder folder;
    const auto target = (folder / "x.puretone").string();
    REQUIRE(run({"build", demo + "fog-horn.flac", "-o", target, "--root", "C3", "--keys", "C2-C5",
                    "--no-loop"})
                .status
        == 0);
    const auto instrument = *openInstrument(target);
    CHECK(instrument.takes[0].tuning.rootKey == 48);
    CHECK(instrument.layers[0].zones[0].lowKey == 36);
    CHECK(instrument.layers[0].zones[0].highKey == 72);
    CHECK_FALSE(instrument.takes[0].loop.on);
    // Two recordings share the keys by their roots.
    REQUIRE(run({"build", demo + "fog-horn.flac", demo + "keepers-hum.flac", "-o", target}).status
        == 0);
    const auto two = *openInstrument(target);
    REQUIRE(two.layers[0].zones.size() == 2);
    CHECK(two.layers[0].zones[0].highKey + 1 == two.layers[0].zones[1].lowKey);
    CHECK(two.layers[0].zones[0].highKey == 50);
}

TEST_CASE("render plays notes and MIDI files into a WAV", "[cli]")
{
    const TemporaryFolder folder;
    const auto instrument = (folder / "x.sf2").string(), out = (folder / "out.wav").string();
    REQUIRE(run({"build", demo + "fog-horn.flac", "-o", instrument}).status == 0);
    const auto result =
        run({"render", instrument, "--notes", "C3:0:1:100", "-o", out, "--rate", "44100"});
    CHECK(result.status == 0);
    const auto heard = *openRecording(out);
    CHECK(heard->audio->rate == 44100.0);
    CHECK_THAT(*analysePitch(mixToMono(*heard->audio), 44100.0).midi,
        Catch::Matchers::WithinAbs(48.0, 0.02));
}

TEST_CASE("split cuts the bottles apart and says what they are", "[cli][split]")
{
    const TemporaryFolder folder;
    const auto result =
        run({"split", demo + "bottles.flac", "-o", (folder / "out").string(), "--json"});
    REQUIRE(result.status == 0);
    const auto pieces = nlohmann::json::parse(result.out);
    const auto truth = nlohmann::json::parse(std::ifstream(demo + "bottles.json"))["notes"];
    REQUIRE(pieces.size() == truth.size());
    for (std::size_t i = 0; i < pieces.size(); ++i) {
        // A bottle speaks slowly: its first breath lies under the noise.
        CHECK_THAT(pieces[i]["start"].get<double>() / 48000.0,
            Catch::Matchers::WithinAbs(truth[i]["start"].get<double>(), 0.010));
        CHECK_THAT(pieces[i]["midi"].get<double>(),
            Catch::Matchers::WithinAbs(truth[i]["midi"].get<double>(), 0.05));
        const auto opened = openRecording(pieces[i]["file"].get<std::string>());
        REQUIRE(opened);
        CHECK_THAT((*opened)->sampler->midi,
            Catch::Matchers::WithinAbs(pieces[i]["midi"].get<double>(), 0.01));
    }
    // Bottles one after another, with silences between them: the same.
    const auto parted = run({"split", demo + "bottles.flac", "-o", (folder / "parted").string(),
        "--silences", "--json"});
    CHECK(nlohmann::json::parse(parted.out).size() == truth.size());
    CHECK(run({"split", "gone.wav", "-o", folder.path().string()}).status == 1);
    CHECK(run({"split", demo + "bottles.flac"}).status == 2);
}

TEST_CASE("wrong usage gives status 2, bad input status 1", "[cli][bad-input]")
{
    const TemporaryFolder folder;
    const auto out = (folder / "x.wav").string();
    CHECK(run({}).status == 2);
    CHECK(run({"sing"}).status == 2);
    CHECK(run({"analyze"}).status == 2);
    CHECK(run({"build", demo + "fog-horn.flac"}).status == 2);
    CHECK(run({"build", demo + "fog-horn.flac", "-o", "x.mp3"}).status == 2);
    CHECK(run({"build", demo + "fog-horn.flac", "-o", out, "--root", "H9"}).status == 2);
    CHECK(run({"build", demo + "fog-horn.flac", "-o", out, "--keys", "C5-C2"}).status == 2);
    CHECK(run({"render", out, "-o", out}).status == 2);
    CHECK(run({"render", out, "--notes", "A3:0:1", "-o", out}).status == 1);
    CHECK(run({"render", demo + "fog-horn.flac", "--notes", "A3:x:1", "-o", out}).status == 1);
    CHECK(run({"info", "gone.puretone"}).status == 1);
    CHECK(run({"build", "gone.wav", "-o", out}).status == 1);
    CHECK(run({"build", demo + "fog-horn.flac", "-o", (folder / "no/x.sf2").string()}).status == 1);
    CHECK(run({"--help"}).status == 0);
    CHECK(folder.names().empty());
}

TEST_CASE("build lays out by readings, names or a row, and --plan writes nothing", "[cli][layout]")
{
    const TemporaryFolder folder;
    const auto tone = [&](const std::string& name, double midi, double level = 0.3) {
        const auto path = folder / name;
        REQUIRE(writeWav(path, mono(harmonicTone(hzOf(midi).value, 48000.0, 0.6, 12, level)),
            SampleFormat::int16));
        return path.string();
    };
    // Shuffled, and named an octave low.
    const std::vector<std::string> files = {tone("horn G3.wav", 67.0), tone("horn A2.wav", 57.0),
        tone("horn D3 soft.wav", 62.0, 0.05), tone("horn D3 loud.wav", 62.0)};
    const auto with = [&](std::vector<std::string> more) {
        std::vector<std::string> arguments = {"build"};
        arguments.insert(arguments.end(), files.begin(), files.end());
        arguments.insert(arguments.end(), more.begin(), more.end());
        return run(arguments);
    };
    const auto heard = with({"--plan"});
    CHECK(heard.status == 0);
    CHECK_THAT(heard.out,
        Contains("root A3 (57)") && Contains("keys   A0 (21) to B3 (59)  horn A2")
            && Contains("4 takes on 3 roots") && Contains("in turn"));
    CHECK_THAT(heard.err, Contains("horn A2: heard A3 (57), in its name A2 (45)."));
    CHECK(folder.names().size() == 4);
    const auto named = with({"--names", "--plan"});
    CHECK_THAT(named.out, Contains("root A2 (45)"));
    CHECK_THAT(named.err, Contains("if they are read 12 semitones higher"));
    const auto row = with({"--row", "C2:6", "--plan"});
    CHECK_THAT(row.out, Contains("horn G3, 600 ms, root C2 (36)") && Contains("root F#2 (42)"));
    const auto out = (folder / "horns.puretone").string();
    const auto touched = with({"--velocity-by-level", "--follow", "0.5", "-o", out});
    CHECK(touched.status == 0);
    const auto info = run({"info", out});
    CHECK_THAT(
        info.out, Contains("touch 1 to 63  horn D3 soft") && Contains("follows the keys by 50 %"));
    for (const auto& wrong : std::vector<std::vector<std::string>>{{}, {"--row", "C2:x", "--plan"},
             {"--follow", "9", "--plan"}, {"--row", "", "-o", "x"}})
        CHECK(with(wrong).status == 2);
}
