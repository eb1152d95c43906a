// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/level.h"
#include "audio/signal/crossing.h"
#include "audio/signal/fft.h"
#include "audio/signal/peaks.h"
#include "audio/signal/resample.h"
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

TEST_CASE("the power curve is the mean of the squares around each hop", "[level]")
{
    probe::Noise random(3);
    for (int round = 0; round < 20; ++round) {
        const auto left =
            probe::noise(48000.0, random.between(0.001, 0.3), 0.5, std::uint64_t(round) + 1);
        const Audio audio{48000.0, {left, left}};
        const auto frames = audio.frames();
        const auto from = std::int64_t(random.between(0.0, double(frames) / 2.0));
        const Span span{Frames{from}, Frames{frames - from / 3}};
        const auto window = std::int64_t(random.between(1.0, 900.0));
        const auto hop = std::int64_t(random.between(1.0, 300.0));
        const auto curve = powerCurve(audio, span, window, hop);
        REQUIRE(std::int64_t(curve.size()) == (span.length() + hop - 1) / hop);
        for (std::size_t i = 0; i < curve.size(); i += 7) {
            const auto centre = std::int64_t(i) * hop;
            const auto first = std::max<std::int64_t>(0, centre - window / 2);
            const auto last =
                std::min(span.length(), centre + (window + 1) / 2 + (window < 2 ? 1 : 0));
            const double mean =
                2.0 * meanSquare(audio.channel(0, {Frames{from + first}, Frames{from + last}}));
            CHECK(curve[i] == Approx(mean).margin(1e-12));
        }
    }
}

TEST_CASE("the product of two stretches is that of their samples", "[level]")
{
    for (const std::size_t count : {0UL, 1UL, 7UL, 8UL, 255UL, 256UL, 1003UL, 50000UL}) {
        const auto a = probe::noise(48000.0, 1.1, 0.5, 1), b = probe::noise(48000.0, 1.1, 0.5, 2);
        double sum = 0.0, power = 1e-12;
        for (std::size_t i = 0; i < count; ++i) {
            sum += double(a[i]) * double(b[i]);
            power += double(a[i]) * double(a[i]);
        }
        // Single precision over 256 products at a time.
        CHECK(std::abs(dotProduct(a.data(), b.data(), count) - sum) < 1e-6 * power);
    }
}

TEST_CASE("columns far out are right to an eighth of a column", "[peaks]")
{
    const auto audio = std::make_shared<const Audio>(Audio{48000.0, {probe::noise(48000.0, 20.0)}});
    const PeakPyramid peaks(audio);
    std::vector<Extent> columns(300);
    const double wide = 3100.7;
    peaks.columns(0, 1234.5, wide, columns);
    for (std::size_t i = 0; i < columns.size(); ++i) {
        const double from = 1234.5 + double(i) * wide;
        const auto inner = peaks.extent(0,
            {Frames{std::int64_t(from + wide / 8.0)},
                Frames{std::int64_t(from + wide * 7.0 / 8.0)}});
        const auto outer = peaks.extent(0,
            {Frames{std::int64_t(from - wide / 8.0)},
                Frames{std::int64_t(from + wide * 9.0 / 8.0)}});
        CHECK(columns[i].high >= inner.high);
        CHECK(columns[i].low <= inner.low);
        CHECK(columns[i].high <= outer.high);
        CHECK(columns[i].low >= outer.low);
    }
}
