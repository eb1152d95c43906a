// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/remove_tone.h"

#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

constexpr double rate = 48000.0;

std::vector<float> keptNote()
{
    return harmonicTone(196.0, rate, 4.0, 16);
}

/// A whistle that wanders and swells: its frequency and level at every moment are known.
std::vector<float> whistle(double hz, double wander, int harmonics = 1)
{
    std::vector<float> wave(std::size_t(4.0 * rate));
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        phase += (hz + wander * std::sin(twoPi * 0.7 * t)) / rate;
        for (int h = 1; h <= harmonics; ++h)
            wave[i] += float(
                0.05 / h * (1.0 + 0.5 * std::sin(twoPi * 0.9 * t)) * std::sin(twoPi * h * phase));
    }
    return wave;
}

double differenceDb(const std::vector<float>& a, const std::vector<float>& b)
{
    std::vector<float> off(a.size());
    for (std::size_t i = 0; i < a.size(); ++i)
        off[i] = a[i] - b[i];
    return rmsDb(off);
}

/// Level of one partial, dB: least squares over the middle of the wave.
double partialDb(std::span<const float> wave, double hz)
{
    double re = 0, im = 0, w = 0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double hann = 0.5 - 0.5 * std::cos(twoPi * double(i) / double(wave.size()));
        re += hann * double(wave[i]) * std::cos(twoPi * hz * double(i) / rate);
        im += hann * double(wave[i]) * std::sin(twoPi * hz * double(i) / rate);
        w += hann;
    }
    return 20.0 * std::log10(2.0 * std::hypot(re, im) / w);
}

} // namespace

TEST_CASE("a whistle goes by 30 dB and the note beside it stays", "[prepare][removetone]")
{
    const double wander = GENERATE(0.0, 4.0, 12.0);
    CAPTURE(wander);
    const auto note = keptNote();
    const auto foreign = whistle(1480.0, wander);
    auto audio = mono(mixed(note, foreign), rate);
    REQUIRE(removeTone(audio, {1480.0, false, false, {}}, audio.whole()));
    const double left = differenceDb(audio.channels[0], note);
    CHECK(left < rmsDb(foreign) - 30.0);
    for (int h = 1; h <= 16; ++h) {
        CAPTURE(h);
        CHECK(std::abs(partialDb(audio.channels[0], 196.0 * h) - partialDb(note, 196.0 * h)) < 0.5);
    }
}

TEST_CASE("partials 21 Hz away keep their level within half a decibel", "[prepare][removetone]")
{
    const auto note = keptNote();
    const auto foreign = whistle(7.0 * 196.0 + 21.0, 0.0);
    auto audio = mono(mixed(note, foreign), rate);
    REQUIRE(removeTone(audio, {7.0 * 196.0 + 21.0, false, false, {}}, audio.whole()));
    CHECK(std::abs(partialDb(audio.channels[0], 7.0 * 196.0) - partialDb(note, 7.0 * 196.0)) < 0.5);
}

TEST_CASE("a hum goes with its overtones where that is wanted", "[prepare][removetone]")
{
    const auto note = keptNote();
    const auto hum = whistle(51.0, 0.0, 6);
    auto audio = mono(mixed(note, hum), rate);
    const bool harmonics = GENERATE(true, false);
    REQUIRE(removeTone(audio, {50.0, harmonics, false, {}}, audio.whole()));
    // Overtones among other partials are only held at the very ends, where too little is there to
    // tell them apart; so the middle is measured.
    const auto middle = [](const std::vector<float>& wave) {
        return std::vector<float>(wave.begin() + 19200, wave.end() - 19200);
    };
    const double left = differenceDb(middle(audio.channels[0]), middle(note)) - rmsDb(middle(hum));
    if (harmonics)
        CHECK(left < -30.0);
    else
        CHECK(left > -12.0);
}

TEST_CASE("the removed part alone and what is left make the whole", "[prepare][removetone][law]")
{
    const Audio whole{rate, {mixed(keptNote(), whistle(1480.0, 3.0)), whistle(1480.0, 3.0)}};
    auto without = whole, alone = whole;
    REQUIRE(removeTone(without, {1480.0, false, false, {}}, whole.whole()));
    REQUIRE(removeTone(alone, {1480.0, false, true, {}}, whole.whole()));
    for (std::size_t c = 0; c < 2; ++c)
        CHECK(differenceDb(mixed(without.channels[c], alone.channels[c]), whole.channels[c])
            < -120.0);
}

TEST_CASE("nothing to remove is nothing done", "[prepare][removetone][bad-input]")
{
    for (auto audio : {mono(silence(rate, 1.0)), mono(sine(440.0, rate, 0.01)), mono({}, rate)}) {
        const auto before = audio;
        removeTone(audio, {1000.0, true, false, {}}, audio.whole());
        CHECK(audio == before);
    }
    auto audio = mono(sine(440.0, 8000.0, 1.0), 8000.0);
    CHECK_FALSE(removeTone(audio, {5000.0, false, false, {}}, audio.whole()));
}
