// SPDX-License-Identifier: GPL-3.0-or-later
// Files of earlier schemas open for ever, and sound as they did.
#include "engine/offline/render.h"
#include "support/mangle.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace puretone;
using namespace probe;

namespace {

const std::filesystem::path fixtures = std::string(SOURCE_FOLDER) + "/tests/fixtures";

/// "schema-2/layers": every file there is, or those of one schema.
std::vector<std::string> frozen(const std::string& schema = {})
{
    std::vector<std::string> names;
    for (const auto& entry : std::filesystem::recursive_directory_iterator(fixtures))
        if (entry.path().extension() == ".puretone"
            && (schema.empty() || entry.path().parent_path().filename() == schema))
            names.push_back((entry.path().parent_path().filename() / entry.path().stem()).string());
    std::sort(names.begin(), names.end());
    return names;
}

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

TEST_CASE("files of every schema sound as they did", "[formats][schema]")
{
    const auto name = GENERATE(from_range(frozen()));
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
    CHECK(opened("schema-1/many-takes").takes.size() == 4);
    CHECK(opened("schema-1/many-takes").layers[0].zones.size() == 5);
    CHECK(opened("schema-1/many-takes").layers[0].zones.back().highVelocity == 64);
    CHECK(opened("schema-1/many-takes").layers[0].envelope
        == Envelope{0.05, 0.1, 0.05, 0.4, -9.0, 0.3});
    const auto bell = opened("schema-1/treatments");
    CHECK(bell.takes.front().treatments.size() == 11);
    CHECK_FALSE(bell.takes.front().treatments[2].on);
    CHECK(reversed(bell.takes.front().treatments));
    CHECK(bell.takes.front().fades == Fades{0.02, 0.1, FadeShape::soft, FadeShape::late});
    const auto hum = opened("schema-1/straightened");
    CHECK(std::get<Straighten>(hum.takes.front().treatments.front().what).vibrato == 0.5);
    const auto forward = opened("schema-1/loop-forward").takes.front().loop;
    CHECK(forward.on);
    CHECK(forward.span == Span{Frames{16000}, Frames{28800}});
    CHECK(forward.crossfade == Frames{3200});
    CHECK(forward.curve == FadeCurve::equalPower);
    CHECK(forward.fraction == 0.25);
    CHECK(forward.evenOut == 0.7);
    CHECK(forward.evenColour == 0.3);
    CHECK(opened("schema-1/loop-there-and-back").takes.front().loop.mode == LoopMode::alternating);
    CHECK(opened("schema-1/loop-until-release").takes.front().loop.mode == LoopMode::untilRelease);
    CHECK(opened("schema-1/loop-one-shot").takes.front().loop.mode == LoopMode::oneShot);
    CHECK(opened("schema-1/a4-at-432").a4 == 432.0);
    CHECK(opened("schema-1/a4-at-432").takes.front().tuning.a4 == 432.0);
    const auto split = opened("schema-1/split");
    REQUIRE(split.takes.size() == 4);
    CHECK(split.takes[0].recording == split.takes[3].recording);
    CHECK(split.takes[3].kept.start.value > split.takes[0].kept.end.value);
    for (const auto& name : frozen("schema-1")) {
        CAPTURE(name);
        for (const auto& take : opened(name).takes) {
            CHECK(take.facts->pitch.midi.has_value());
            CHECK_FALSE(take.facts->pitch.choices.empty());
        }
    }
}

TEST_CASE("files of schemas 2 to 4 bring all that was in them", "[formats][schema]")
{
    for (const std::string schema : {"schema-2/", "schema-3/"}) {
        CAPTURE(schema);
        const auto layers = opened(schema + "layers");
        REQUIRE(layers.layers.size() == 2);
        CHECK(layers.layers[1].follow == 0.5);
        CHECK(layers.layers[1].octave == -1);
        CHECK(layers.layers[0].pan == -0.3);
        CHECK(opened(schema + "release").layers[1].when == SoundsWhen::release);
        CHECK(opened(schema + "release").layers[1].fallDbPerSecond == 12.0);
        CHECK(opened(schema + "turns").layers[0].sameKeys == SameKeys::inTurn);
        CHECK(opened(schema + "touches").layers[0].zones[0].highVelocityFade == 30);
        CHECK(opened(schema + "crossover").layers[0].zones[1].lowKeyFade == 8);
        CHECK(opened(schema + "tied").layers[0].notes == Notes::tied);
        CHECK(opened(schema + "blend").blend == 0.3);
    }
    CHECK(opened("schema-2/tied").layers[0].glide == Glide{0.2, false, false});
    CHECK(opened("schema-3/tied").layers[0].glide == Glide{0.15, true, true});
    const auto shape = opened("schema-2/shape").layers[0];
    CHECK(shape.filter.envelopeOctaves == 2.0);
    CHECK(slowWaveOf(shape) == SlowWave{6.0, 20.0, 3.0, 0.5, 0.2});
    const auto curves = opened("schema-3/shape").layers[0];
    CHECK(curves.envelope.attackCurve == 0.5);
    CHECK(curves.second.decayCurve == 0.3);
    CHECK(curves.filter.driveDb == 6.0);
    CHECK(opened("schema-3/movements").layers[0].movements.size() == 4);
    CHECK(opened("schema-3/movements").layers[0].waves[1].shape == Wave::Shape::square);
    CHECK(opened("schema-3/pattern").pattern.steps.size() == 3);
    CHECK(opened("schema-3/pattern").tempo == 140.0);
    const auto effects = opened("schema-4/effects");
    REQUIRE(effects.effects.size() == 3);
    CHECK(effects.effects[1].kind == EffectKind::echo);
    CHECK(effects.layers[0].toEffects == 0.7);
    CHECK(effects.layers[0].movements.at(0).target == Target::effect);
}

TEST_CASE("a file of an earlier schema is saved in the present one and comes back the same",
    "[formats][schema]")
{
    const auto name = GENERATE(from_range(frozen()));
    CAPTURE(name);
    const TemporaryFolder folder;
    const auto before = opened(name);
    REQUIRE(writeInstrument(before, folder / "again.puretone"));
    const auto after = openInstrument(folder / "again.puretone");
    REQUIRE(after);
    CHECK(*after == before);
}

TEST_CASE("damaged copies of earlier files are refused, or mended and playable",
    "[formats][schema][bad-input]")
{
    const auto name = GENERATE(from_range(frozen()));
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
    const auto instrument = opened("schema-1/many-takes");
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
