// SPDX-License-Identifier: GPL-3.0-or-later
// What is offered to be split without being asked.
#include "prepare/split/split_offer.h"

#include "audio/files/sound_file.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

constexpr double rate = 44100.0;

/// A tone under a level in dB that is said for each moment of its own, with soft edges, in a little
/// noise.
template <class Level>
void addTone(std::vector<float>& wave, double at, double seconds, double hz, Level level)
{
    const auto from = std::size_t(at * rate);
    for (std::size_t i = 0; i < std::size_t(seconds * rate) && from + i < wave.size(); ++i) {
        const double t = double(i) / rate;
        double sum = 0.0;
        for (int h = 1; h <= 6; ++h)
            sum += std::sin(2.0 * std::numbers::pi * hz * h * t + h) / h;
        const double edge = std::min({1.0, t / 0.03, (seconds - t) / 0.1});
        wave[from + i] += float(0.15 * edge * std::pow(10.0, level(t) / 20.0) * sum);
    }
}

Audio inNoise(std::vector<float> wave, double db = -62.0)
{
    Noise random(11);
    for (float& s : wave)
        s += float(std::pow(10.0, db / 20.0) * random.between(-1.0, 1.0));
    return Audio{rate, {std::move(wave)}};
}

std::vector<float> seconds(double length)
{
    return std::vector<float>(std::size_t(length * rate));
}

double evenly(double)
{
    return 0.0;
}

} // namespace

TEST_CASE("one sound that comes and goes is not offered to be split", "[prepare][split][offer]")
{
    const double hz = GENERATE(98.0, 261.6, 740.0);
    CAPTURE(hz);
    auto wave = seconds(8.0);
    SECTION("it swells")
    {
        const double often = GENERATE(0.3, 0.8, 4.5);
        addTone(wave, 0.2, 7.5, hz,
            [&](double t) { return -9.0 + 9.0 * std::sin(2.0 * std::numbers::pi * often * t); });
    }
    SECTION("it rises at once and falls slowly, again and again")
    {
        addTone(wave, 0.2, 7.5, hz, [](double t) { return -14.0 * std::fmod(t, 1.25) / 1.25; });
    }
    SECTION("it beats")
    {
        addTone(wave, 0.2, 7.5, hz, evenly);
        addTone(wave, 0.2, 7.5, hz * 1.004, evenly);
    }
    SECTION("it dies away and echoes at its own pitch")
    {
        addTone(wave, 0.2, 4.0, hz, [](double t) { return -8.0 * t; });
        for (int i = 1; i < 4; ++i)
            addTone(
                wave, 4.0 + 0.5 * i, 0.4, hz, [&](double t) { return -30.0 - 4.0 * i - 20.0 * t; });
    }
    CHECK_FALSE(splitToOffer(inNoise(std::move(wave))));
}

TEST_CASE("noise without a note is not offered to be split", "[prepare][split][offer]")
{
    Noise random(GENERATE(1U, 2U, 3U));
    auto wave = seconds(6.0);
    // Clicks at random over a hiss.
    for (int i = 0; i < 25; ++i) {
        const auto at = std::size_t(random.between(0.2, 5.8) * rate);
        const double level = random.between(0.05, 0.6);
        for (std::size_t k = 0; k < 120; ++k)
            wave[at + k] += float(level * std::exp(-double(k) / 30.0) * random.between(-1.0, 1.0));
    }
    CHECK_FALSE(splitToOffer(inNoise(std::move(wave), -38.0)));
}

TEST_CASE("several notes are offered, however they follow each other", "[prepare][split][offer]")
{
    const std::vector<double> melody = {196.0, 246.9, 293.7, 220.0, 329.6};
    const double gap = GENERATE(0.4, 0.0);
    auto wave = seconds(8.0);
    double at = 0.3;
    for (const double hz : melody) {
        addTone(wave, at, 1.0, hz, [](double t) { return -6.0 * t; });
        at += 1.0 + gap;
    }
    const auto offer = splitToOffer(inNoise(std::move(wave)));
    REQUIRE(offer);
    CHECK(wantedNotes(*offer) == melody.size());
}

TEST_CASE("the same note struck again is offered", "[prepare][split][offer]")
{
    auto wave = seconds(8.0);
    Noise random(5);
    double at = 0.3;
    for (int i = 0; i < 6; ++i) {
        addTone(wave, at, 0.9, 233.1, [](double t) { return -32.0 * t; });
        at += random.between(0.9, 1.3);
    }
    const auto offer = splitToOffer(inNoise(std::move(wave)));
    REQUIRE(offer);
    CHECK(wantedNotes(*offer) == 6);
}

TEST_CASE("a pad of nine notes that pulse is offered as nine", "[prepare][split][offer]")
{
    auto wave = seconds(9 * 2.6 + 1.0);
    for (int i = 0; i < 9; ++i) {
        const double hz = 65.4 * std::exp2(6.0 * i / 12.0);
        addTone(wave, 0.3 + 2.6 * i, 2.5, hz, [&](double t) {
            return -5.0 + 5.0 * std::sin(2.0 * std::numbers::pi * (1.1 + 0.1 * i) * t + i);
        });
    }
    const auto audio = inNoise(std::move(wave));
    // Asked for, it is cut wherever something new begins.
    CHECK(wantedNotes(splitRecording(audio)) >= 9);
    const auto offer = splitToOffer(audio);
    REQUIRE(offer);
    CHECK(wantedNotes(*offer) == 9);
    for (std::size_t i = 0; i + 1 < offer->pieces.size(); ++i)
        CHECK(offer->pieces[i].span.end <= offer->pieces[i + 1].span.start);
}

TEST_CASE("the demo's bottles are offered, its single sounds are not", "[prepare][split][offer]")
{
    const auto offerOf = [](const std::string& name) {
        const auto recording = openRecording(DEMO_FOLDER "/sounds/" + name + ".flac");
        REQUIRE(recording);
        return splitToOffer(*(*recording)->audio);
    };
    const auto bottles = offerOf("bottles");
    REQUIRE(bottles);
    CHECK(wantedNotes(*bottles) == 6);
    for (const char* name :
        {"buoy-bell", "fog-horn", "keepers-hum", "mooring-post", "wind-in-the-rigging"}) {
        CAPTURE(name);
        CHECK_FALSE(offerOf(name));
    }
}

TEST_CASE("silence, a frame and a search that is cancelled offer nothing",
    "[prepare][split][offer][bad-input]")
{
    CHECK_FALSE(splitToOffer(Audio{rate, {{}}}));
    CHECK_FALSE(splitToOffer(Audio{rate, {{0.5f}}}));
    CHECK_FALSE(splitToOffer(Audio{rate, {seconds(3.0)}}));
    std::stop_source stopped;
    stopped.request_stop();
    auto wave = seconds(4.0);
    addTone(wave, 0.2, 1.0, 200.0, evenly);
    addTone(wave, 1.8, 1.0, 300.0, evenly);
    CHECK_FALSE(splitToOffer(inNoise(std::move(wave)), Progress{stopped.get_token(), {}}));
}
