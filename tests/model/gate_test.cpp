// SPDX-License-Identifier: GPL-3.0-or-later
// The gate: whatever stands in a file, what passes can be computed with.
#include "support/mangle.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using nlohmann::json;

namespace {

/// The document with one value replaced.
std::string with(const Instrument& document, const char* place, const json& value)
{
    auto j = json::parse(withFactsInside(document));
    j[json::json_pointer(place)] = value;
    return j.dump();
}

} // namespace

TEST_CASE("crafted numbers are brought into range before anything computes with them",
    "[model][gate][bad-input]")
{
    const auto document = everyKindOfValue();
    REQUIRE(document.takes[0].facts->pitch.movement);
    REQUIRE_FALSE(document.takes[0].facts->loopChoices.empty());
    const auto place = GENERATE("/takes/0/pitch/movement/steadyStart",
        "/takes/0/pitch/movement/steadyEnd", "/takes/0/pitch/movement/low",
        "/takes/0/pitch/movement/high", "/takes/0/pitch/notes/0", "/takes/0/pitch/midi",
        "/takes/0/pitch/candidates/0/midi", "/takes/0/pitch/partials/0/0",
        "/takes/0/loopChoices/0/loop/start", "/takes/0/loopChoices/0/loop/end",
        "/takes/0/loopChoices/0/loop/crossfade", "/takes/0/loopChoices/0/cost",
        "/takes/0/treatments/3/over/start", "/takes/0/treatments/3/over/end",
        "/takes/0/treatments/1/slopeDb", "/takes/0/kept/end", "/takes/0/loop/start",
        "/takes/0/tuning/rootKey", "/takes/0/tuning/fineCents", "/layers/0/zones/0/lowKey",
        "/layers/0/zones/1/highVelocity", "/layers/0/zones/1/levelDb",
        "/layers/0/zones/0/highKeyFade", "/layers/0/pan", "/layers/0/follow", "/layers/0/octave",
        "/layers/0/voices", "/layers/0/chokeGroup", "/layers/0/glide/seconds",
        "/layers/0/unison/voices", "/layers/0/unison/detuneCents", "/layers/0/bendSemitones",
        "/layers/0/envelope/release", "/layers/0/filter/hz", "/layers/0/filter/resonance",
        "/layers/0/filter/envelopeOctaves", "/layers/0/waves/0/hz", "/layers/0/waves/1/fadeSeconds",
        "/layers/0/waves/0/beats", "/layers/0/filter/driveDb", "/layers/0/envelope/attackCurve",
        "/layers/0/second/keyTimes", "/tempo", "/pattern/beats", "/pattern/octaves",
        "/layers/0/touch", "/a4");
    std::vector<Instrument> walked; // two values are often brought to the same end
    for (const double value : {-100.0, 1e300, -1e300, 1e9}) {
        CAPTURE(place, value);
        const auto read = readWith(document, with(document, place, value));
        REQUIRE(read);
        CHECK(sanitized(*read) == *read);
        if (std::find(walked.begin(), walked.end(), *read) != walked.end())
            continue;
        walkThrough(*read);
        walked.push_back(*read);
    }
}

TEST_CASE("a loop choice outside the recording survives a treatment", "[model][gate][bad-input]")
{
    const auto document = everyKindOfValue();
    auto j = json::parse(withFactsInside(document));
    auto& loop = j["takes"][0]["loopChoices"][0]["loop"];
    loop["start"] = 90000;
    loop["end"] = 95000;
    const auto read = readWith(document, j.dump());
    REQUIRE(read);
    const auto& choice = read->takes[0].facts->loopChoices[0].loop;
    CHECK(choice.span.end.value <= read->takes[0].audio().frames());
    walkThrough(*read);
}

TEST_CASE("names that mean nothing are refused, not taken for others", "[model][gate][bad-input]")
{
    const auto document = everyKindOfValue();
    const auto place =
        GENERATE("/takes/0/loop/mode", "/takes/0/loop/curve", "/takes/0/fades/inShape",
            "/takes/0/tuning/source", "/takes/0/treatments/1/cut", "/takes/0/treatments/0/kind");
    CAPTURE(place);
    const auto read = readWith(document, with(document, place, "sideways"));
    REQUIRE_FALSE(read);
    CHECK(read.error().code == ErrorCode::damaged);
}

TEST_CASE("takes and zones that share a number are refused", "[model][gate][bad-input]")
{
    const auto document = everyKindOfValue();
    const int first = document.takes[0].id.value, zone = document.layers[0].zones[0].id.value;
    CHECK_FALSE(readWith(document, with(document, "/takes/1/id", first)));
    CHECK_FALSE(readWith(document, with(document, "/takes/0/id", 0)));
    CHECK_FALSE(readWith(document, with(document, "/layers/0/zones/1/id", zone)));
}

TEST_CASE("mangled documents are refused with a sentence or can be worked with",
    "[model][gate][bad-input]")
{
    const auto document = everyKindOfValue();
    const auto text = withFactsInside(document);
    REQUIRE(readWith(document, text));
    CHECK(*readWith(document, text) == document);
    Noise random(20261126);
    int passed = 0, refused = 0;
    for (int round = 0; round < 150; ++round) {
        const auto wild = mangled(text, random, 1 + round % 8);
        INFO(wild);
        const auto read = readWith(document, wild);
        ++(read ? passed : refused);
        if (!read) {
            CHECK_FALSE(read.error().message.empty());
            continue;
        }
        REQUIRE(sanitized(*read) == *read);
        // What was let through is a document like any other: it is saved and read back the same.
        REQUIRE(*readWith(document, toJson(*read)) == *read);
        walkThrough(*read);
    }
    // Both ways are walked.
    CHECK(passed > 40);
    CHECK(refused > 10);
}
