// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/out/limiter.h"

#include "audio/signal/resample.h"
#include "engine/out/master.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

constexpr double rate = 48000.0;

/// Both channels through a limiter, as late as it is.
Audio limited(Audio audio, float* least = nullptr)
{
    Limiter limiter;
    limiter.prepare(audio.rate);
    float lowest = 1.0f;
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i)
        lowest = std::min(lowest, limiter.process(audio.channels[0][i], audio.channels[1][i]));
    if (least != nullptr)
        *least = lowest;
    return audio;
}

float samplePeak(const Audio& audio)
{
    float peak = 0.0f;
    for (const auto& channel : audio.channels)
        for (const float s : channel)
            peak = std::max(peak, std::abs(s));
    return peak;
}

/// Sixteen times oversampled by a library: nothing of ours.
float truePeak(const Audio& audio)
{
    return samplePeak(resample(audio, 16.0 * audio.rate));
}

} // namespace

TEST_CASE("nothing passes the ceiling, in samples or between them", "[engine][limiter]")
{
    const double ceiling = toGain({Limiter::ceilingDb});
    const auto loud = [&](int kind) {
        std::vector<float> wave;
        switch (kind) {
        case 0: // a tone that swells far over it
            wave = sine(997.0, rate, 0.5);
            for (std::size_t i = 0; i < wave.size(); ++i)
                wave[i] *= float(8.0 * double(i) / double(wave.size()));
            break;
        case 1: // a quarter of the rate, between the samples: 3 dB over what they say
            wave = sine(rate / 4.0 + 0.1, rate, 0.5);
            for (float& s : wave)
                s *= 1.4f;
            break;
        case 2: // all that can be heard at once
            wave = resample(noise(40000.0, 0.5), 40000.0, rate);
            for (float& s : wave)
                s *= 5.0f;
            break;
        default: // single peaks out of silence
            wave.assign(24000, 0.0f);
            for (std::size_t i = 500; i < wave.size(); i += 977)
                wave[i] = i % 2 == 0 ? 4.0f : -2.5f;
        }
        // The output is late: what is cut off at its end would overshoot in the resampler.
        wave.insert(wave.end(), 256, 0.0f);
        return wave;
    };
    for (int kind = 0; kind < 4; ++kind) {
        CAPTURE(kind);
        auto wave = loud(kind);
        auto quiet = wave;
        for (float& s : quiet)
            s *= 0.3f;
        const auto out = limited({rate, {wave, quiet}});
        CHECK(samplePeak(out) <= ceiling);
        CHECK(truePeak(out) <= ceiling * 1.0001);
        // Both sides go down together.
        for (std::size_t i = 2000; i < wave.size(); i += 501)
            CHECK(out.channels[1][i] == Approx(0.3f * out.channels[0][i]).margin(1e-6));
        CHECK(samplePeak(out) > 0.5 * ceiling); // and is not simply quiet
    }
}

TEST_CASE("what stays below the ceiling goes through bit by bit", "[engine][limiter]")
{
    auto wave = harmonicTone(220.0, rate, 0.5);
    const float top = samplePeak({rate, {wave}});
    for (float& s : wave)
        s *= 0.8f / top;
    float least = 0.0f;
    const auto out = limited({rate, {wave, wave}}, &least);
    CHECK(least == 1.0f);
    Limiter limiter;
    limiter.prepare(rate);
    const auto late = std::size_t(limiter.latency());
    CHECK(double(late) / rate < 0.0025);
    for (std::size_t i = late; i < wave.size(); ++i)
        REQUIRE(out.channels[0][i] == wave[i - late]);
}

TEST_CASE("the gain comes back, whole and without a step", "[engine][limiter]")
{
    std::vector<float> wave(96000, 0.5f);
    wave[10000] = 3.0f;
    const auto out = limited({rate, {wave, wave}});
    Limiter limiter;
    limiter.prepare(rate);
    const auto late = std::size_t(limiter.latency());
    float step = 0.0f;
    for (std::size_t i = late + 1; i < wave.size(); ++i)
        if (i != 10000 + late && i != 10001 + late)
            step = std::max(step, std::abs(out.channels[0][i] - out.channels[0][i - 1]));
    // From 0.5 to a sixth of it within the look-ahead is 0.006 a frame.
    CHECK(step < 0.008f);
    CHECK(out.channels[0][9000] == 0.5f);
    CHECK(out.channels[0].back() == 0.5f);
}

TEST_CASE("the limiter can be switched while it plays; off, nothing is late", "[engine][limiter]")
{
    const auto master = std::make_unique<Master>();
    master->prepare(rate);
    auto wave = sine(110.0, rate, 1.0);
    for (float& s : wave)
        s *= 0.4f;
    auto left = wave, right = wave;
    constexpr int block = 480;
    for (int i = 0; i < 100; ++i) {
        master->setLimiting(i >= 30 && i < 70);
        master->process(left.data() + i * block, right.data() + i * block, block);
    }
    for (std::size_t i = 0; i < 30 * block; ++i)
        REQUIRE(left[i] == wave[i]);
    const auto late = std::size_t([&] {
        master->setLimiting(true);
        return master->latency();
    }());
    for (std::size_t i = 35 * block; i < 70 * block; ++i)
        REQUIRE(left[i] == wave[i - late]);
    for (std::size_t i = 75 * block; i < wave.size(); ++i)
        REQUIRE(left[i] == wave[i]);
    // Neither going over clicks: a tone of 110 Hz moves by 0.006 a frame.
    for (std::size_t i = 1; i < wave.size(); ++i)
        REQUIRE(std::abs(left[i] - left[i - 1]) < 0.012f);
    const auto look = master->look();
    CHECK(look.peakLeft == Approx(0.2).epsilon(0.01));
    CHECK(look.least == 1.0f);
    CHECK(master->look().peakLeft == 0.0f);
}

TEST_CASE("peaks are measured between samples", "[audio][limiter]")
{
    // A quarter of the rate at 45 degrees: samples say 0.71.
    TruePeak peak;
    float most = 0.0f;
    for (int i = 0; i < 400; ++i)
        most = std::max(most,
            peak.push(i < 100 ? 0.0f
                              : float(std::min(1.0, (i - 100) / 100.0)
                                  * std::sin(std::numbers::pi * (i / 2.0 + 0.25)))));
    CHECK(most == Approx(1.0).epsilon(0.015));
    for (const double hz : {1000.0, 9000.0, 17000.0, 21000.0}) {
        CAPTURE(hz);
        TruePeak one;
        float top = 0.0f;
        for (int i = 0; i < 4800; ++i) {
            const double rise = 0.5 - 0.5 * std::cos(std::min(1.0, i / 2400.0) * std::numbers::pi);
            top = std::max(top,
                one.push(float(rise * std::sin(2.0 * std::numbers::pi * hz * i / rate + 0.3))));
        }
        CHECK(20.0 * std::log10(double(top)) == Approx(0.0).margin(0.2));
    }
}
