// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/report.h"

#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

double centsOff(const PitchReport& report, double truthHz)
{
    return report.midi ? 100.0 * (*report.midi - midiOf(Hz{truthHz})) : 1e9;
}

} // namespace

TEST_CASE("the pitch of a harmonic tone is found within one cent", "[pitch][accuracy]")
{
    const double rate = GENERATE(44100.0, 48000.0, 96000.0);
    const double truth = GENERATE(61.7, 110.3, 441.3, 987.8, 2093.7); // no lucky whole periods
    CAPTURE(rate, truth);
    const auto report = analysePitch(harmonicTone(truth, rate, 1.0), rate);
    CHECK(report.verdict == PitchVerdict::clear);
    CHECK(report.kind == SoundKind::harmonic);
    // A cent is about a fifth of what a trained ear notices on a held note.
    CHECK_THAT(centsOff(report, truth), WithinAbs(0.0, 1.0));
}

TEST_CASE("octaves are right where the fundamental or the odd partials are weak", "[pitch][octave]")
{
    constexpr double rate = 48000.0;
    const double truth = GENERATE(82.4, 146.8, 261.6, 523.3);
    CAPTURE(truth);
    std::vector<float> wave(48000);
    SECTION("no fundamental")
    {
        for (std::size_t i = 0; i < wave.size(); ++i)
            for (int h = 2; h <= 10; ++h)
                wave[i] += float(0.1 / h * std::sin(twoPi * h * truth * double(i) / rate + h));
    }
    SECTION("second partial 12 dB above the first")
    {
        for (std::size_t i = 0; i < wave.size(); ++i)
            for (int h = 1; h <= 8; ++h)
                wave[i] += float((h == 2 ? 0.4 : 0.1) / std::sqrt(h)
                    * std::sin(twoPi * h * truth * double(i) / rate + h));
    }
    SECTION("odd partials only")
    {
        for (std::size_t i = 0; i < wave.size(); ++i)
            for (int h = 1; h <= 13; h += 2)
                wave[i] += float(0.3 / h * std::sin(twoPi * h * truth * double(i) / rate + h));
    }
    SECTION("a pure sine")
    {
        wave = sine(truth, rate, 1.0);
    }
    SECTION("noise 12 dB below")
    {
        wave = mixed(harmonicTone(truth, rate, 1.0), noise(rate, 1.0, 0.08));
    }
    const auto report = analysePitch(wave, rate);
    CHECK_THAT(centsOff(report, truth), WithinAbs(0.0, 5.0));
}

TEST_CASE("louder, quieter and later make no difference to the reading", "[pitch][law]")
{
    constexpr double rate = 44100.0;
    const auto wave = harmonicTone(233.1, rate, 0.8);
    const auto plain = analysePitch(wave, rate);
    auto quiet = wave;
    for (float& s : quiet)
        s *= 0.1f;
    CHECK_THAT(*analysePitch(quiet, rate).midi, WithinAbs(*plain.midi, 1e-3));
    const auto later = silence(rate, 100.0 / rate) + wave;
    CHECK_THAT(*analysePitch(later, rate).midi, WithinAbs(*plain.midi, 5e-3));
}

TEST_CASE("silence, clicks, DC and noise never get a clear pitch", "[pitch][bad-input]")
{
    constexpr double rate = 48000.0;
    std::vector<float> wave;
    SECTION("nothing") { }
    SECTION("one frame")
    {
        wave = {0.5f};
    }
    SECTION("silence")
    {
        wave = silence(rate, 1.0);
    }
    SECTION("DC")
    {
        wave = std::vector<float>(48000, 0.5f);
    }
    SECTION("a click")
    {
        wave = silence(rate, 0.5);
        wave[1000] = 1.0f;
    }
    SECTION("white noise")
    {
        wave = noise(rate, 2.0, 0.5, GENERATE(1U, 2U, 3U, 4U, 5U));
    }
    SECTION("brown noise")
    {
        wave = noise(rate, 2.0, 0.02, 9);
        for (std::size_t i = 1; i < wave.size(); ++i)
            wave[i] += 0.999f * wave[i - 1];
    }
    CHECK(analysePitch(wave, rate).verdict != PitchVerdict::clear);
}

TEST_CASE("a struck bell is named by its strike note", "[pitch][bell]")
{
    constexpr double rate = 48000.0, hum = 220.3;
    std::vector<float> wave(std::size_t(2.0 * rate));
    const double ratios[] = {1, 2, 2.4, 3, 4, 5.1, 6.2};
    const double levels[] = {0.6, 0.5, 0.7, 0.25, 0.8, 0.2, 0.4};
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        for (int m = 0; m < 7; ++m)
            wave[i] += float(0.15 * levels[m] * std::exp(-t * ratios[m])
                * std::sin(twoPi * hum * ratios[m] * t));
    }
    const auto report = analysePitch(wave, rate);
    CHECK_THAT(centsOff(report, 2.0 * hum), WithinAbs(0.0, 5.0));
    CHECK(report.kind != SoundKind::harmonic);
}

TEST_CASE("a knock that falls at once is named by where it dwells", "[pitch][percussive]")
{
    constexpr double rate = 48000.0, rest = 98.0;
    std::vector<float> wave(std::size_t(0.7 * rate));
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        phase += rest * (1.0 + 0.8 * std::exp(-t / 0.02)) / rate;
        wave[i] = float(0.8 * std::exp(-t / 0.11) * std::sin(twoPi * phase));
    }
    const auto report = analysePitch(wave, rate);
    CHECK_THAT(centsOff(report, rest), WithinAbs(0.0, 20.0));
    CHECK(report.kind == SoundKind::percussive);
}

TEST_CASE("the runners-up are offered with reasons", "[pitch]")
{
    const auto report = analysePitch(harmonicTone(196.0, 48000.0, 1.0), 48000.0);
    REQUIRE(report.choices.size() >= 2);
    CHECK(report.choices[0].midi == *report.midi);
    for (std::size_t i = 0; i < report.choices.size(); ++i) {
        CHECK_FALSE(report.choices[i].reason.empty());
        CHECK(report.choices[i].confidence >= 0.0);
        CHECK(report.choices[i].confidence <= 1.0);
    }
}

TEST_CASE("the pitch line follows vibrato", "[pitch][line]")
{
    constexpr double rate = 48000.0;
    std::vector<float> wave(std::size_t(2.0 * rate));
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double cents = 40.0 * std::sin(twoPi * 5.0 * double(i) / rate);
        phase += 220.0 * std::exp2(cents / 1200.0) / rate;
        wave[i] = float(0.4 * std::sin(twoPi * phase) + 0.2 * std::sin(2.0 * twoPi * phase));
    }
    const auto line = followPitch(wave, rate, midiOf(Hz{220.0}));
    REQUIRE(line.points.size() > 100);
    double worst = 0.0;
    for (const auto& p : line.points) {
        const double truth = 57.0 + 0.4 * std::sin(twoPi * 5.0 * p.seconds);
        worst = std::max(worst, std::abs(p.midi - truth));
    }
    // Four periods of averaging round the crests off a little.
    CHECK(worst < 0.04);
}
