// SPDX-License-Identifier: GPL-3.0-or-later
// What tuners stumble over: vibrato, glides, drums, bars, several notes, wandering, foreign tones.
#include "pitch/report.h"

#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

/// Partials 1 to `partials`, bent by `cents(seconds)`.
template <class Cents>
std::vector<float> bent(double hz, double seconds, int partials, const Cents& cents)
{
    std::vector<float> wave(std::size_t(seconds * rate));
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        phase += hz * std::exp2(cents(double(i) / rate) / 1200.0) / rate;
        for (int h = 1; h <= partials && h * hz < 0.45 * rate; ++h)
            wave[i] += float(0.2 / h * std::sin(twoPi * h * phase + 1.3 * h));
    }
    return wave;
}

std::vector<float> modes(
    double hz, double seconds, const std::vector<std::array<double, 3>>& ratioLevelDecay)
{
    std::vector<float> wave(std::size_t(seconds * rate));
    for (std::size_t i = 0; i < wave.size(); ++i)
        for (const auto& [ratio, level, decay] : ratioLevelDecay)
            wave[i] += float(0.2 * level * std::pow(10.0, -3.0 * double(i) / rate / decay)
                * std::sin(twoPi * ratio * hz * double(i) / rate + ratio));
    return wave;
}

std::string told(const PitchReport& report)
{
    std::string text = std::string(nameOf(report.verdict)) + " " + nameOf(report.kind);
    for (const auto& c : report.choices)
        text += "\n  " + std::to_string(c.midi) + " " + std::to_string(c.confidence) + " "
            + c.reason.said();
    return text;
}

} // namespace

TEST_CASE("wide vibrato is a clear note, read at its middle", "[pitch][vibrato]")
{
    const double hz = GENERATE(98.3, 222.7, 519.1);
    const double cents = GENERATE(25.0, 50.0, 80.0);
    CAPTURE(hz, cents);
    const auto report = analysePitch(
        bent(hz, 1.37, 20, [&](double t) { return cents * std::sin(twoPi * 5.7 * t); }), rate);
    CHECK(report.verdict == PitchVerdict::clear);
    CHECK(report.kind == SoundKind::harmonic);
    // The mark: a cent.
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{hz}), 0.01));
    REQUIRE(report.movement);
    CHECK_THAT(report.movement->vibratoHz, WithinAbs(5.7, 0.15));
    CHECK_THAT(report.movement->vibratoCents, WithinAbs(cents, 0.06 * cents));
    CHECK_FALSE(report.wanders());
}

TEST_CASE("a note that scoops in is named by where it stays", "[pitch][movement]")
{
    const auto report = analysePitch(
        bent(155.0, 2.0, 12, [](double t) { return -90.0 * std::exp(-t / 0.12); }), rate);
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{155.0}), 0.03));
    CHECK(report.verdict == PitchVerdict::clear);
}

TEST_CASE("a wandering take tells its range and where it is steadiest", "[pitch][movement]")
{
    const auto report = analysePitch(bent(200.0, 4.0, 12,
                                         [](double t) {
                                             return t < 1.5 ? 0.0
                                                 : t < 2.5  ? 120.0 * (t - 1.5)
                                                            : 120.0 + 30.0 * std::sin(4.0 * t);
                                         }),
        rate);
    REQUIRE(report.movement);
    CHECK(report.wanders());
    CHECK_THAT(report.movement->low, WithinAbs(midiOf(Hz{200.0}), 0.1));
    CHECK_THAT(report.movement->high, WithinAbs(midiOf(Hz{200.0}) + 1.5, 0.15));
    CHECK(report.movement->steadyEnd < 1.7);
    CHECK_THAT(report.movement->steady, WithinAbs(midiOf(Hz{200.0}), 0.02));
    CHECK(report.verdict != PitchVerdict::clear);
}

TEST_CASE("a kick is named by where it dwells while it is loud", "[pitch][drum]")
{
    const double hz = GENERATE(43.0, 55.0, 71.0);
    CAPTURE(hz);
    const auto wave = decaying(
        bent(hz, 0.6, 1, [](double t) { return 1500.0 * std::exp(-t / 0.025); }), rate, 0.7);
    const auto report = analysePitch(wave, rate);
    // So quick a fall is over before the first tenth of what is heard. The mark for drums is 20
    // cents.
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{hz}), 0.2));
    CHECK(report.kind == SoundKind::percussive);
    CHECK(report.choices[0].reason.said() == "dwells here while it is loud");
}

TEST_CASE("a tom is read above its rest, which is offered too", "[pitch][drum]")
{
    // A skin that gives way slowly: 30 dB down it has come to a rest that nobody hears as its note.
    const double rest = GENERATE(41.3, 46.6, 50.9);
    CAPTURE(rest);
    const double slow = 0.16, ring = 0.55;
    const auto wave = decaying(
        bent(hzOf(rest).value, 0.6, 1, [&](double t) { return 230.0 * std::exp(-t / slow); }), rate,
        ring);
    const auto report = analysePitch(wave, rate);
    CAPTURE(told(report));
    // What the ear weighs: the pitch by its loudness (amplitude to the power of 0.6), from 25 ms
    // on.
    double weights = 0.0, sum = 0.0;
    for (double t = 0.025; t < 0.24; t += 0.001) {
        const double loud = std::pow(10.0, -3.0 * 0.6 * t / ring);
        weights += loud;
        sum += loud * (rest + 2.3 * std::exp(-t / slow));
    }
    // Its densest place lies a little below that mean; half a semitone either way is one note.
    CHECK_THAT(*report.midi, WithinAbs(sum / weights, 0.5));
    CHECK(*report.midi > rest + 0.3);
    CHECK(report.kind == SoundKind::percussive);
    CHECK(report.verdict != PitchVerdict::none);
    // Its line ends 26 dB down, two thirds of a semitone above the rest.
    CHECK(std::any_of(report.choices.begin(), report.choices.end(), [&](const PitchChoice& c) {
        return std::abs(c.midi - rest) < 0.8
            && c.reason.said().find("settles") != std::string::npos;
    }));
}

TEST_CASE("what has a body has a note", "[pitch][body]")
{
    SECTION("a snare whose lowest mode stands above its noise")
    {
        const auto body = decaying(sine(185.0, rate, 0.4, 0.5), rate, 0.35);
        const auto wires = decaying(noise(rate, 0.4, 0.05, GENERATE(1U, 2U, 3U)), rate, 0.25);
        const auto report = analysePitch(mixed(body, wires), rate);
        CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{185.0}), 0.3));
        CHECK(report.verdict != PitchVerdict::none);
        CHECK(report.kind == SoundKind::percussive);
    }
    SECTION("the same noise alone has none")
    {
        const auto wires = decaying(noise(rate, 0.4, 0.2, GENERATE(1U, 2U, 3U, 4U)), rate, 0.25);
        const auto report = analysePitch(wires, rate);
        CHECK(report.verdict == PitchVerdict::none);
        CHECK(report.kind == SoundKind::unpitched);
    }
    SECTION("a cloud of modes has none")
    {
        Noise next(GENERATE(5U, 6U, 7U));
        std::vector<std::array<double, 3>> cloud;
        for (int i = 0; i < 120; ++i)
            cloud.push_back({1.0 + 10.0 * std::abs(next()), 0.2 + std::abs(next()), 0.8});
        CHECK(analysePitch(modes(700.0, 1.0, cloud), rate).verdict == PitchVerdict::none);
    }
    SECTION("a clank whose few modes no series holds is its strongest")
    {
        const double hz = GENERATE(310.0, 540.0, 830.0);
        const auto report = analysePitch(
            modes(
                hz, 0.6, {{1.0, 1.0, 0.5}, {1.48, 0.25, 0.3}, {2.31, 0.2, 0.2}, {3.67, 0.1, 0.1}}),
            rate);
        CAPTURE(hz);
        CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{hz}), 0.1));
        CHECK(report.verdict != PitchVerdict::none);
    }
}

TEST_CASE("a thick bar is read by the pattern of its modes", "[pitch][bar]")
{
    // Shear brings the upper modes of a thick bar down (Fletcher and Rossing, chapter 2).
    const double thick = GENERATE(0.0, 0.5, 1.0);
    CAPTURE(thick);
    const auto report = analysePitch(
        modes(660.0, 1.5,
            {{1.0, 0.6, 2.0}, {2.756 - 0.03 * thick, 1.0, 1.0}, {5.404 - 0.3 * thick, 0.3, 0.5}}),
        rate);
    CAPTURE(told(report));
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{660.0}), 0.05));
    CHECK(report.choices.front().reason.said() == "lowest mode of a bar: modes at 1 : 2.76 : 5.4");
}

TEST_CASE("no reading stands first beside which no partial lies", "[pitch][body]")
{
    // Random clusters of modes: whatever is read, its own plain tone finds a partial.
    const auto seed = GENERATE(range(1U, 25U));
    Noise next(seed);
    std::vector<std::array<double, 3>> some;
    for (int i = 0; i < 7; ++i)
        some.push_back(
            {1.0 + 4.0 * std::abs(next()), 0.1 + std::abs(next()), 0.3 + std::abs(next())});
    const auto report = analysePitch(modes(230.0, 1.0, some), rate);
    REQUIRE(report.midi);
    const double hz = hzOf(*report.midi).value;
    CAPTURE(seed, hz, report.choices.front().reason.said());
    if (report.choices.front().reason.said().find("bell") != std::string::npos)
        return; // A strike note is heard where no partial lies.
    CHECK(std::any_of(report.partials.begin(), report.partials.end(), [&](const Partial& p) {
        const double h = std::round(p.hz / hz);
        return h >= 1.0 && h <= 4.0 && std::abs(1200.0 * std::log2(p.hz / (h * hz))) < 50.0;
    }));
}

TEST_CASE("verdict, kind, confidence and choices agree", "[pitch][law]")
{
    std::vector<float> wave;
    SECTION("a note")
    {
        wave = harmonicTone(220.0, rate, 1.0);
    }
    SECTION("noise")
    {
        wave = noise(rate, 1.0);
    }
    SECTION("a drum")
    {
        wave = decaying(sine(90.0, rate, 0.5, 0.5), rate, 0.4);
    }
    SECTION("a bell")
    {
        wave = modes(400.0, 2.0, {{1, 0.6, 3}, {2, 0.5, 2}, {2.4, 0.7, 2}, {4, 0.8, 1}});
    }
    SECTION("two notes")
    {
        wave = mixed(harmonicTone(220.0, rate, 1.0), harmonicTone(293.7, rate, 1.0));
    }
    const auto report = analysePitch(wave, rate);
    REQUIRE_FALSE(report.choices.empty());
    CHECK(report.choices.front().midi == *report.midi);
    CHECK(report.choices.front().confidence == report.confidence);
    double sum = 0.0;
    for (const auto& choice : report.choices) {
        CHECK(choice.confidence <= report.confidence);
        sum += choice.confidence;
    }
    CHECK(sum < 1.0 + 1e-9);
    CHECK((report.verdict == PitchVerdict::none) == (report.confidence < 0.45));
    CHECK((report.verdict == PitchVerdict::none) == (report.kind == SoundKind::unpitched));
    CHECK((report.verdict == PitchVerdict::clear) == (report.confidence >= 0.85));
}

TEST_CASE(
    "two strings are two notes with the lower as root, and a hum is no third", "[pitch][several]")
{
    // A small box hardly carries the lower string's first partial.
    const double low = GENERATE(116.5, 155.6);
    CAPTURE(low);
    std::vector<float> wave(std::size_t(2.0 * rate));
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        for (int h = 1; h <= 9; ++h) {
            const double level = 0.1 / h;
            wave[i] += float((h == 1 ? 0.02 : 1.0) * level * std::sin(twoPi * h * low * t + h));
            wave[i] += float(level * std::sin(twoPi * h * 1.4983 * low * t + 2 * h));
        }
        for (int h = 1; h <= 4; ++h)
            wave[i] += float(0.01 / h * std::sin(twoPi * 60.0 * h * t));
    }
    const auto report = analysePitch(wave, rate);
    REQUIRE(report.notes.size() == 2);
    CHECK_THAT(report.notes[0], WithinAbs(midiOf(Hz{low}), 0.1));
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{low}), 0.1));
    CHECK(report.verdict == PitchVerdict::uncertain);
}

TEST_CASE("a bar is inharmonic and named by its lowest mode", "[pitch][bar]")
{
    const double hz = GENERATE(523.0, 1245.0);
    CAPTURE(hz);
    const auto report =
        analysePitch(modes(hz, 2.0, {{1.0, 1.0, 4.0}, {2.756, 0.5, 2.0}, {5.404, 0.3, 1.0}}), rate);
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{hz}), 0.02));
    CHECK(report.kind == SoundKind::inharmonic);
    SECTION("its partials are listed with how long they ring")
    {
        REQUIRE(report.partials.size() >= 3);
        CHECK_THAT(report.partials[0].hz, WithinAbs(hz, 0.5));
        CHECK_THAT(report.partials[0].decay, WithinAbs(4.0, 0.4));
        CHECK_THAT(report.partials[1].decay, WithinAbs(2.0, 0.3));
    }
}

TEST_CASE("a chime is named an octave below its fourth mode, where it has none", "[pitch][bell]")
{
    // A tube that is thick for its length, and one as thin as a wire: squares of 5, 7, ... 15.
    const double thin = GENERATE(0.0, 0.5, 1.0);
    const double strike = GENERATE(262.0, 415.0, 740.0);
    const auto seed = GENERATE(range(1U, 5U));
    CAPTURE(thin, strike, seed);
    Noise next(seed);
    std::vector<std::array<double, 3>> tube;
    const double thick[] = {0.62, 1.23, 2.0, 2.94, 4.0, 5.17};
    const double wire[] = {25 / 40.5, 49 / 40.5, 2.0, 121 / 40.5, 169 / 40.5, 225 / 40.5};
    const double levels[] = {0.1, 0.3, 0.4, 0.8, 0.9, 0.4};
    for (int m = 0; m < 6; ++m)
        tube.push_back({thick[m] + thin * (wire[m] - thick[m]), levels[m] * (0.8 + 0.2 * next()),
            6.0 - 0.7 * m});
    const auto report = analysePitch(modes(strike, 2.0, tube), rate);
    CAPTURE(told(report));
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{strike}), 0.1));
    CHECK(report.choices.front().reason.said()
        == "strike note of a chime: modes at 2 : 3 : 4 above it");
    CHECK(report.verdict != PitchVerdict::clear);
    SECTION("a harmonic tone without its fundamental is none")
    {
        std::vector<std::array<double, 3>> tone;
        for (int h = 2; h < 12; ++h)
            tone.push_back({double(h), (0.8 + 0.2 * next()) / h, 4.0});
        const auto of = analysePitch(modes(strike, 2.0, tone), rate);
        CAPTURE(told(of));
        CHECK_THAT(*of.midi, WithinAbs(midiOf(Hz{strike}), 0.1));
        CHECK(of.choices.front().reason.said().find("chime") == std::string::npos);
    }
}

TEST_CASE("a bell offers its lowest and its strongest partial", "[pitch][bell]")
{
    const auto report = analysePitch(modes(440.0, 3.0,
                                         {{0.5, 0.5, 9.0}, {1.0, 0.5, 6.0}, {1.2, 1.0, 5.0},
                                             {1.5, 0.25, 4.0}, {2.0, 0.9, 3.5}, {3.0, 0.3, 2.0}}),
        rate);
    CHECK_THAT(*report.midi, WithinAbs(69.0, 0.03));
    const auto offered = [&](const std::string& reason) -> double {
        for (const auto& choice : report.choices)
            if (choice.reason.said() == reason)
                return choice.midi;
        return 0.0;
    };
    CHECK_THAT(offered("the strongest partial"), WithinAbs(midiOf(Hz{528.0}), 0.1));
    CHECK_THAT(offered("the lowest partial"), WithinAbs(57.0, 0.1));
}

TEST_CASE("several notes at once are said so, each with its key", "[pitch][several]")
{
    const std::vector<std::vector<double>> chords = {
        {57, 61}, {48, 55}, {55, 59, 62}, {50, 57, 65}};
    const auto& keys = chords[std::size_t(GENERATE(0, 1, 2, 3))];
    std::vector<float> wave(std::size_t(1.5 * rate));
    for (const double key : keys)
        wave = mixed(std::move(wave), harmonicTone(hzOf(key).value, rate, 1.5, 10, 0.1));
    const auto report = analysePitch(wave, rate);
    CAPTURE(keys);
    REQUIRE(report.notes.size() == keys.size());
    for (std::size_t i = 0; i < keys.size(); ++i)
        CHECK_THAT(report.notes[i], WithinAbs(keys[i], 0.1));
    CHECK(report.verdict == PitchVerdict::uncertain);
    for (const double key : keys)
        CHECK(std::any_of(report.choices.begin(), report.choices.end(),
            [&](const PitchChoice& c) { return std::abs(c.midi - key) < 0.3; }));
}

TEST_CASE("one note is not taken for several", "[pitch][several]")
{
    CHECK(analysePitch(harmonicTone(110.0, rate, 1.5, 30), rate).notes.empty());
    // Two strings three cents apart beat; they are one note.
    CHECK(analysePitch(mixed(harmonicTone(220.0, rate, 2.0), harmonicTone(220.4, rate, 2.0)), rate)
              .notes.empty());
    CHECK(analysePitch(noise(rate, 2.0), rate).notes.empty());
    CHECK(analysePitch(
        bent(220.0, 2.0, 20, [](double t) { return 60.0 * std::sin(twoPi * 5.0 * t); }), rate)
              .notes.empty());
}

TEST_CASE("a whistle beside a note is proposed for removal", "[pitch][foreign]")
{
    const auto note = harmonicTone(196.0, rate, 2.0, 16);
    const auto with = analysePitch(mixed(note, sine(1480.0, rate, 2.0, 0.02)), rate);
    const auto tone = foreignTone(with);
    REQUIRE(tone);
    CHECK_THAT(*tone, WithinAbs(1480.0, 2.0));
    CHECK_THAT(*with.midi, WithinAbs(midiOf(Hz{196.0}), 0.01));
    CHECK_FALSE(foreignTone(analysePitch(note, rate)));
    CHECK_FALSE(foreignTone(analysePitch(noise(rate, 2.0), rate)));
}

TEST_CASE("very high and very low notes are read", "[pitch][range]")
{
    // 20 Hz to 8 kHz is what is asked for.
    const double hz = GENERATE(20.6, 27.5, 4186.0, 6645.0, 7902.0);
    CAPTURE(hz);
    const auto report = analysePitch(harmonicTone(hz, rate, 1.5), rate);
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{hz}), 0.01));
    CHECK(report.verdict == PitchVerdict::clear);
}

TEST_CASE("spoilt, tiny and telephone sounds get a verdict that is no lie", "[pitch][bad-input]")
{
    SECTION("clipped hard: the note is still right")
    {
        auto wave = harmonicTone(187.0, rate, 1.0);
        for (float& s : wave)
            s = std::clamp(8.0f * s, -0.5f, 0.5f);
        CHECK_THAT(*analysePitch(wave, rate).midi, WithinAbs(midiOf(Hz{187.0}), 0.02));
    }
    SECTION("8 kHz telephone sound without its fundamental")
    {
        std::vector<float> wave(8000);
        for (std::size_t i = 0; i < wave.size(); ++i)
            for (int h = 3; h * 130.0 < 3400.0; ++h)
                wave[i] += float(0.1 * std::sin(twoPi * h * 130.0 * double(i) / 8000.0 + h * h));
        const auto report = analysePitch(wave, 8000.0);
        CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{130.0}), 0.05));
    }
    SECTION("a bass of which a telephone leaves the sixth partial and up")
    {
        std::vector<float> wave(std::size_t(1.5 * 16000.0));
        for (std::size_t i = 0; i < wave.size(); ++i)
            for (int h = 6; h * 55.0 < 3400.0; ++h)
                wave[i] += float(0.05 * std::sin(twoPi * h * 55.0 * double(i) / 16000.0 + h * h));
        const auto report = analysePitch(wave, 16000.0);
        CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{55.0}), 0.05));
    }
    SECTION("ten milliseconds hold a high note, and no low one")
    {
        CHECK_THAT(*analysePitch(harmonicTone(1200.0, rate, 0.010), rate).midi,
            WithinAbs(midiOf(Hz{1200.0}), 0.2));
        CHECK(analysePitch(harmonicTone(110.0, rate, 0.010), rate).verdict != PitchVerdict::clear);
    }
    SECTION("noise of any colour")
    {
        Noise next(GENERATE(3U, 4U, 5U, 6U));
        const double colour = GENERATE(0.0, 0.5, 0.9, 0.99);
        std::vector<float> wave(std::size_t(2.0 * rate));
        double state = 0.0;
        for (float& s : wave) {
            state = colour * state + next();
            s = float(0.1 * state);
        }
        CHECK(analysePitch(wave, rate).verdict != PitchVerdict::clear);
    }
}

TEST_CASE("a note that comes late in a long take is found", "[pitch][long]")
{
    const auto quiet = noise(rate, 60.0, 0.0005);
    const auto note = harmonicTone(262.0, rate, 3.0);
    const auto audio = mono(quiet + note + quiet);
    const auto heard = stretchForPitch(audio, audio.whole());
    CHECK(heard.length() <= std::int64_t(7.0 * rate));
    const auto report = analysePitch(mixToMono(audio, heard), rate);
    CHECK(report.verdict == PitchVerdict::clear);
    CHECK_THAT(*report.midi, WithinAbs(midiOf(Hz{262.0}), 0.02));
    // What begins at once is read from its beginning.
    const auto early = mono(note + quiet);
    CHECK(stretchForPitch(early, early.whole()).start.value == 0);
}
