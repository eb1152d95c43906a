// SPDX-License-Identifier: GPL-3.0-or-later
// Treatments that move the pitch, add voices, or run a chain of effects.
#include "model/files/treatment_json.h"
#include "pitch/report.h"
#include "prepare/treat/treat.h"
#include "support/signals.h"

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

/// Harmonics under one resonance: where it stands can be heard.
std::vector<float> vowel(double hz, double resonance)
{
    std::vector<float> wave(std::size_t(1.5 * rate), 0.0f);
    for (int h = 1; h * hz < 8000.0; ++h) {
        const double away = std::log2(h * hz / resonance);
        const double level = 0.2 * std::exp(-4.0 * away * away) + 0.002;
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] += float(level * std::sin(twoPi * h * hz * double(i) / rate + h));
    }
    return wave;
}

/// Middle of the energy between 200 Hz and 6 kHz, octaves above 1 Hz.
double brightness(const std::vector<float>& wave)
{
    double sum = 0.0, weight = 0.0;
    for (double hz = 200.0; hz < 6000.0; hz *= 1.015) {
        double re = 0.0, im = 0.0;
        for (std::size_t i = 24000; i < 24000 + 9600; ++i) {
            const double window = 0.5 - 0.5 * std::cos(twoPi * double(i - 24000) / 9600.0);
            re += window * double(wave[i]) * std::cos(twoPi * hz * double(i) / rate);
            im += window * double(wave[i]) * std::sin(twoPi * hz * double(i) / rate);
        }
        sum += (re * re + im * im) * std::log2(hz);
        weight += re * re + im * im;
    }
    return sum / weight;
}

AudioPtr treated(std::vector<float> wave, TreatmentKind what)
{
    return treat(probe::shared(mono(std::move(wave))), {{std::move(what)}});
}

double pitchOf(const AudioPtr& audio)
{
    return analysePitch(std::span(audio->channels[0]).subspan(12000, 40000), rate)
        .midi.value_or(0.0);
}

} // namespace

TEST_CASE("transposing moves the pitch, formants go where they are sent", "[prepare][transpose]")
{
    const auto wave = vowel(hzOf(50.0).value, 900.0);
    const double before = brightness(wave);
    for (const double semitones : {-5.0, 7.0}) {
        const auto kept = treated(wave, Transpose{semitones, 0.0});
        CAPTURE(semitones);
        CHECK(kept->frames() == std::int64_t(wave.size()));
        CHECK_THAT(pitchOf(kept), WithinAbs(50.0 + semitones, 0.1));
        CHECK_THAT(brightness(kept->channels[0]), WithinAbs(before, 0.15));
    }
    const auto darker = treated(wave, Transpose{7.0, -5.0});
    CHECK_THAT(pitchOf(darker), WithinAbs(57.0, 0.1));
    CHECK_THAT(brightness(darker->channels[0]), WithinAbs(before - 5.0 / 12.0, 0.2));
    const auto brighter = treated(wave, Transpose{0.0, 6.0});
    CHECK_THAT(pitchOf(brighter), WithinAbs(50.0, 0.1));
    CHECK_THAT(brightness(brighter->channels[0]), WithinAbs(before + 0.5, 0.2));
    const auto same = treated(wave, Transpose{});
    CHECK(same->channels[0] == wave);
}

TEST_CASE("harmony adds voices at their intervals, apart from each other", "[prepare][harmony]")
{
    const auto wave = harmonicTone(220.0, rate, 1.5);
    const auto level = [&](const std::vector<float>& side, double hz) {
        double re = 0.0, im = 0.0;
        for (std::size_t i = 24000; i < 48000; ++i) {
            re += double(side[i]) * std::cos(twoPi * hz * double(i) / rate);
            im += double(side[i]) * std::sin(twoPi * hz * double(i) / rate);
        }
        return 10.0 * std::log10(re * re + im * im + 1e-12);
    };
    const double fifth = 220.0 * std::exp2(7.0 / 12.0), third = 220.0 * std::exp2(4.0 / 12.0);
    const auto made = treated(wave, Harmony{{7.0, 4.0, 0.0, 0.0}, 0.0, false, 1.0});
    REQUIRE(made->channelCount() == 2);
    CHECK(level(made->channels[0], fifth) > level(made->channels[1], fifth) + 12.0);
    CHECK(level(made->channels[1], third) > level(made->channels[0], third) + 12.0);
    CHECK_THAT(level(made->channels[0], fifth), WithinAbs(level(wave, 220.0) + 3.0, 2.0));
    const auto narrow = treated(wave, Harmony{{12.0, 0.0, 0.0, 0.0}, -6.0, true, 0.0});
    CHECK(narrow->channelCount() == 1);
    CHECK(treated(wave, Harmony{})->channels[0] == wave);
}

TEST_CASE("effects become part of a take as a treatment", "[prepare][colour]")
{
    Colour colour{{makeEffect(EffectKind::compressor, 1)}, 120.0};
    setValue(colour.effects[0], "threshold", -30.0);
    setValue(colour.effects[0], "ratio", 10.0);
    const auto wave = harmonicTone(220.0, rate, 1.5);
    const auto made = treated(wave, colour);
    CHECK(made->channelCount() == 1);
    CHECK(made->frames() == std::int64_t(wave.size()));
    CHECK(rmsDb(std::span(made->channels[0]).subspan(24000, 24000))
        < rmsDb(std::span(wave).subspan(24000, 24000)) - 6.0);
    CHECK(describe({colour}) == "Compressor 10.0 to 1 above -30 dB");
}

TEST_CASE("they are written and read back, and what is out of range is not", "[model][treatments]")
{
    Colour colour{{makeEffect(EffectKind::echo, 3), makeEffect(EffectKind::width, 4)}, 84.0};
    const Treatments list = {{Transpose{7.0, -4.5}},
        {Harmony{{-12.0, 3.0, 0.0, 7.0}, -6.0, false, 0.25}, false}, {colour}};
    CHECK(treatmentsFrom(treatmentsJson(list)) == list);
    const auto clean = sanitized(Treatment{Transpose{1e9, std::nan("")}});
    CHECK(std::get<Transpose>(clean.what).semitones == 24.0);
    CHECK(std::get<Transpose>(clean.what).formants == 0.0);
    Colour wild{{makeEffect(EffectKind::space, 1), makeEffect(EffectKind::drive, -4)}, 1e9};
    const auto tame = std::get<Colour>(sanitized(Treatment{wild}).what);
    CHECK(tame.effects.size() == 1);
    CHECK(tame.tempo == 300.0);
}
