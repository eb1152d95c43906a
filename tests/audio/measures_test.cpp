// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/crossing.h"
#include "audio/fft.h"
#include "audio/level.h"
#include "audio/peaks.h"
#include "audio/resample.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

TEST_CASE("the pyramid's extents equal those of the plain samples", "[audio][peaks]")
{
    const auto wave = noise(48000.0, 0.5);
    const PeakPyramid peaks(shared(mono(wave)));
    Noise next(3);
    for (int i = 0; i < 300; ++i) {
        const auto from = std::int64_t(next.between(-50, double(wave.size())));
        const auto to = from + std::int64_t(next.between(1, 9000));
        Extent plain{};
        bool any = false;
        for (auto f = std::max<std::int64_t>(0, from); f < std::min(to, std::int64_t(wave.size()));
             ++f) {
            const float s = wave[std::size_t(f)];
            plain = any ? Extent{std::min(plain.low, s), std::max(plain.high, s)} : Extent{s, s};
            any = true;
        }
        REQUIRE(peaks.extent(0, {Frames{from}, Frames{to}}) == plain);
    }
}

TEST_CASE("columns meet without a gap", "[audio][peaks]")
{
    const PeakPyramid peaks(shared(mono(sine(3.0, 48000.0, 1.0))));
    std::vector<Extent> columns(700);
    peaks.columns(0, 0.0, 48000.0 / 700.0, columns);
    for (std::size_t i = 1; i < columns.size(); ++i) {
        CHECK(columns[i].low <= columns[i - 1].high);
        CHECK(columns[i].high >= columns[i - 1].low);
    }
}

TEST_CASE("a transform and its inverse give the input back", "[audio][fft]")
{
    const std::size_t size = GENERATE(2U, 90U, 1024U, 4050U);
    RealFft fft(size);
    const auto wave = noise(double(size), 1.0);
    fft.forward(wave);
    // Parseval.
    double power = 0.0;
    const auto bins = fft.spectrum();
    for (std::size_t k = 0; k < bins.size(); ++k)
        power += (k == 0 || 2 * k == size ? 1.0 : 2.0) * double(std::norm(bins[k]));
    CHECK_THAT(power / double(size * size), WithinAbs(meanSquare(wave), 1e-5));
    fft.inverse();
    for (std::size_t i = 0; i < size; ++i)
        REQUIRE_THAT(double(fft.time()[i]), WithinAbs(double(wave[i]), 2e-6));
}

TEST_CASE("good sizes are even, large enough and made of small primes", "[audio][fft]")
{
    for (std::size_t n = 1; n < 3000; n += 7) {
        auto size = RealFft::goodSize(n);
        CHECK(size >= n);
        CHECK(size % 2 == 0);
        for (const std::size_t p : {2U, 3U, 5U})
            while (size % p == 0)
                size /= p;
        CHECK(size == 1);
    }
}

TEST_CASE("resampling keeps a tone clean and in place", "[audio][resample]")
{
    const auto [from, to] =
        GENERATE(table<double, double>({{48000, 44100}, {44100, 96000}, {5, 4}, {3, 1}}));
    const double scale = from < 100 ? 10000.0 : 1.0;
    const auto wave = sine(440.0, from * scale, 1.0);
    const auto out = resample(wave, from, to);
    CHECK(out.size() == std::size_t(std::llround(double(wave.size()) * to / from)));
    const auto middle = std::span(out).subspan(out.size() / 4, out.size() / 2);
    CHECK(sineToRestDb(middle, 440.0, to * scale) > 110.0);
}

TEST_CASE("levels are in full-scale decibels", "[audio][level]")
{
    const auto tone = mono(sine(1000.0, 48000.0, 2.0, 0.5));
    const Span whole{Frames{0}, Frames{tone.frames()}};
    CHECK_THAT(peakLevel(tone, whole).value, WithinAbs(-6.02, 0.01));
    // EBU R 128: a 1 kHz sine of -6 dB peak in one channel reads about -9 LUFS.
    CHECK_THAT(loudnessLufs(tone, whole).value, WithinAbs(-9.03, 0.3));
    CHECK(loudnessLufs(mono(silence(48000.0, 1.0)), {Frames{0}, Frames{48000}}).value <= -190.0);
    const auto curve = powerCurve(tone, tone.whole(), 480, 480);
    CHECK(curve.size() == 200);
    CHECK_THAT(curve[100], WithinAbs(0.125, 1e-3));
}

TEST_CASE("mono keeps channels that cancel each other audible", "[audio]")
{
    auto left = sine(200.0, 48000.0, 0.1);
    auto right = left;
    for (float& s : right)
        s = -s;
    const auto mix = mixToMono({48000.0, {left, right}});
    CHECK_THAT(rmsDb(mix), WithinAbs(rmsDb(left), 0.1));
    const auto same = mixToMono({48000.0, {left, left}});
    CHECK_THAT(rmsDb(same), WithinAbs(rmsDb(left), 0.01));
}

TEST_CASE("crossings are found on all channels, else left alone", "[audio][crossing]")
{
    std::vector<float> wave(4800); // rises through zero just before every 480th frame
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(std::sin(twoPi * (double(i) + 0.5) / 480.0));
    const Audio both{48000.0, {wave, wave}};
    CHECK(nearestCrossing(both, Frames{500}, 100).value == 480);
    CHECK(nearestCrossing(both, Frames{700}, 400).value == 480);
    CHECK(nearestCrossing(both, Frames{730}, 400).value == 960);
    CHECK(nearestCrossing(both, Frames{700}, 50).value == 700);
    CHECK(nearestCrossing(mono(silence(48000.0, 0.1)), Frames{100}, 50).value == 100);
    CHECK(nearestCrossing(both, Frames{0}, 10).value == 0);
}
