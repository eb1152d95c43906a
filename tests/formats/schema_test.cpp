// SPDX-License-Identifier: GPL-3.0-or-later
// Files of earlier schemas open for ever, and sound as they did.
#include "engine/render.h"
#include "support/mangle.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace puretone;
using namespace probe;

namespace {

const std::filesystem::path fixtures = std::string(SOURCE_FOLDER) + "/tests/fixtures/schema-1";

const std::vector<std::string> names = {"one-take", "many-takes", "treatments", "straightened",
    "loop-forward", "loop-there-and-back", "loop-until-release", "loop-one-shot", "a4-at-432",
    "split"};

std::filesystem::path fixture(const std::string& name, const std::string& ending)
{
    return fixtures / (name + ending);
}

Instrument opened(const std::string& name)
{
    auto instrument = openInstrument(fixture(name, ".puretone"));
    if (!instrument)
        throw std::runtime_error(instrument.error().sentence());
    return *instrument;
}

std::string textOf(const std::filesystem::path& path)
{
    std::ifstream file(path);
    return {std::istreambuf_iterator<char>(file), {}};
}

double squaredDifference(std::span<const float> a, std::span<const float> b)
{
    double sum = 0.0;
    for (std::size_t i = 0; i < a.size(); ++i)
        sum += (double(a[i]) - double(b[i])) * (double(a[i]) - double(b[i]));
    return sum;
}

/// Frames by which `now` comes after `then` around a place, within a few.
double lagAt(const std::vector<float>& then, const std::vector<float>& now, std::size_t at,
    std::size_t length)
{
    constexpr int most = 6;
    double values[2 * most + 1];
    int best = 0;
    for (int lag = -most; lag <= most; ++lag) {
        values[lag + most] = squaredDifference(std::span(then).subspan(at, length),
            std::span(now).subspan(std::size_t(std::int64_t(at) + lag), length));
        if (values[lag + most] < values[best + most])
            best = lag;
    }
    if (std::abs(best) == most)
        return best;
    const double left = values[best + most - 1], middle = values[best + most],
                 right = values[best + most + 1];
    return best + 0.5 * (left - right) / (left - 2.0 * middle + right);
}

} // namespace

TEST_CASE("files of schema 1 sound as they did", "[formats][schema]")
{
    const auto name = GENERATE(from_range(names));
    CAPTURE(name);
    const auto events = parseNotes(textOf(fixture(name, ".notes")));
    REQUIRE(events);
    const auto now = renderEvents(opened(name), *events, 48000.0, 3.0).channels[0];
    const auto then = openRecording(fixture(name, ".flac"));
    REQUIRE(then);
    const auto& was = (*then)->audio->channels[0];
    REQUIRE(std::abs(double(now.size()) - double(was.size())) < 4800.0);
    // 0.1 s at a time. A drift of 0.1 cent over a second would be 2.8 frames.
    constexpr std::size_t length = 4800;
    std::size_t heard = 0;
    for (std::size_t at = length; at + 2 * length < std::min(now.size(), was.size());
         at += length) {
        const double level = rmsDb(std::span(was).subspan(at, length));
        if (level < -60.0)
            continue;
        ++heard;
        CAPTURE(at, level);
        CHECK(rmsDb(std::span(now).subspan(at, length)) == Approx(level).margin(0.1));
        CHECK(std::abs(lagAt(was, now, at, length)) < 1.0);
    }
    CHECK(heard > 10);
}

TEST_CASE("files of schema 1 bring all that was in them", "[formats][schema]")
{
    CHECK(opened("many-takes").takes.size() == 4);
    CHECK(opened("many-takes").layers[0].zones.size() == 5);
    CHECK(opened("many-takes").layers[0].zones.back().highVelocity == 64);
    CHECK(opened("many-takes").layers[0].envelope == Envelope{0.05, 0.1, 0.05, 0.4, -9.0, 0.3});
    const auto bell = opened("treatments");
    CHECK(bell.takes.front().treatments.size() == 11);
    CHECK_FALSE(bell.takes.front().treatments[2].on);
    CHECK(reversed(bell.takes.front().treatments));
    CHECK(bell.takes.front().fades == Fades{0.02, 0.1, FadeShape::soft, FadeShape::late});
    const auto hum = opened("straightened");
    CHECK(std::get<Straighten>(hum.takes.front().treatments.front().what).vibrato == 0.5);
    const auto forward = opened("loop-forward").takes.front().loop;
    CHECK(forward.on);
    CHECK(forward.span == Span{Frames{16000}, Frames{28800}});
    CHECK(forward.crossfade == Frames{3200});
    CHECK(forward.curve == FadeCurve::equalPower);
    CHECK(forward.fraction == 0.25);
    CHECK(forward.evenOut == 0.7);
    CHECK(forward.evenColour == 0.3);
    CHECK(opened("loop-there-and-back").takes.front().loop.mode == LoopMode::alternating);
    CHECK(opened("loop-until-release").takes.front().loop.mode == LoopMode::untilRelease);
    CHECK(opened("loop-one-shot").takes.front().loop.mode == LoopMode::oneShot);
    CHECK(opened("a4-at-432").a4 == 432.0);
    CHECK(opened("a4-at-432").takes.front().tuning.a4 == 432.0);
    const auto split = opened("split");
    REQUIRE(split.takes.size() == 4);
    CHECK(split.takes[0].recording == split.takes[3].recording);
    CHECK(split.takes[3].kept.start.value > split.takes[0].kept.end.value);
    for (const auto& name : names) {
        CAPTURE(name);
        for (const auto& take : opened(name).takes) {
            CHECK(take.facts->pitch.midi.has_value());
            CHECK_FALSE(take.facts->pitch.choices.empty());
        }
    }
}

TEST_CASE(
    "a file of schema 1 is saved in the present one and comes back the same", "[formats][schema]")
{
    const auto name = GENERATE(from_range(names));
    CAPTURE(name);
    const TemporaryFolder folder;
    const auto before = opened(name);
    REQUIRE(writeInstrument(before, folder / "again.puretone"));
    const auto after = openInstrument(folder / "again.puretone");
    REQUIRE(after);
    CHECK(*after == before);
}

TEST_CASE("damaged copies of schema 1 are refused, or mended and playable",
    "[formats][schema][bad-input]")
{
    const auto name = GENERATE(from_range(names));
    CAPTURE(name);
    const TemporaryFolder folder;
    std::ifstream file(fixture(name, ".puretone"), std::ios::binary);
    const std::string whole{std::istreambuf_iterator<char>(file), {}};
    Noise random(31);
    for (int i = 0; i < 6; ++i) {
        auto bytes = whole;
        if (i == 0)
            bytes.resize(bytes.size() / 2);
        for (int k = 0; k < 1 << i; ++k)
            bytes[std::size_t(random.between(0.0, double(bytes.size() - 1)))] ^=
                char(random.between(1, 127));
        const auto path = folder / "damaged.puretone";
        std::ofstream(path, std::ios::binary) << bytes;
        const auto read = openInstrument(path);
        if (!read) {
            CHECK_THAT(read.error().message, Catch::Matchers::Contains("damaged.puretone"));
            continue;
        }
        CHECK(sanitized(*read) == *read);
        (void)renderEvents(*read, *parseNotes("60:0:0.2"), 48000.0, 0.2);
    }
}

TEST_CASE(
    "numbers of schema 1 pass the gate on their way into layers", "[formats][schema][bad-input]")
{
    const auto instrument = opened("many-takes");
    // As schema 1 said it.
    auto j = nlohmann::json::parse(toJson(instrument));
    j["schema"] = 1;
    j["zones"] = j["layers"][0]["zones"];
    j["envelope"] = j["layers"][0]["envelope"];
    j.erase("layers");
    const auto text = j.dump();
    const auto plain = readWith(instrument, text);
    REQUIRE(plain);
    CHECK(*plain == instrument);
    Noise random(5);
    int read = 0;
    for (int i = 0; i < 40; ++i)
        if (const auto mended = readWith(instrument, mangled(text, random, 2))) {
            ++read;
            CHECK(sanitized(*mended) == *mended);
        }
    CHECK(read > 5);
    j.erase("zones");
    CHECK_FALSE(readWith(instrument, j.dump()));
}
