// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/wide_vectors.h"
#include "engine/reading/kernel.h"

#include "engine/reading/copies.h"
#include "engine/reading/kernel_terms.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

/// Gain of a tabulated kernel, dB, at a frequency in cycles per frame: the sum of all its values,
/// seen as one fine impulse response.
double gainDb(const Kernel& kernel, int phases, double frequency)
{
    double sum = 0.0;
    for (int p = 0; p < phases; ++p)
        for (std::size_t i = 0; i < kernel.taps(); ++i) {
            const double t = double(i) - double(kernel.before()) - double(p) / phases;
            sum += double(kernel.row(std::size_t(p))[i]) * std::cos(twoPi * frequency * t);
        }
    return 20.0 * std::log10(std::abs(sum) / phases + 1e-12);
}

std::vector<KernelTerms> allTerms()
{
    std::vector<KernelTerms> all(plainKernelTerms.begin(), plainKernelTerms.end());
    all.push_back(octaveKernelTerms);
    return all;
}

} // namespace

TEST_CASE(
    "kernels are flat where sound is and silent where images and aliases are", "[engine][kernel]")
{
    const auto all = allTerms();
    const auto& terms = all[GENERATE(range(std::size_t(0), std::size_t(12)))];
    CAPTURE(terms.taps, terms.fastest);
    const Kernel kernel(terms);
    for (int i = 0; i <= 20; ++i)
        CHECK_THAT(gainDb(kernel, terms.phases, terms.flat * i / 20.0), WithinAbs(0.0, 0.02));
    for (int i = 0; i <= 60; ++i) {
        const double frequency = terms.stopped + (4.0 - terms.stopped) * i / 60.0;
        CHECK(gainDb(kernel, terms.phases, frequency) < -114.0);
    }
}

TEST_CASE("every speed has a kernel that lets nothing fold back", "[engine][kernel]")
{
    const auto& ladder = KernelLadder::shared();
    for (int octave : {0, 1, 3})
        for (double speed = octave > 0 ? 0.95 : 0.02; speed < 1.8877; speed *= 1.01) {
            CAPTURE(octave, speed);
            const auto rung = ladder.rungFor(speed, octave);
            REQUIRE(rung.kernel != nullptr);
            CHECK(rung.above < speed);
            CHECK(speed <= rung.upTo);
            CHECK(rung.upTo <= rung.kernel->fastest() + 1e-9);
        }
}

TEST_CASE("both ways of reading give the same, one channel as two", "[engine][kernel]")
{
    Noise random(3);
    std::vector<float> left(3000), right(3000);
    for (std::size_t i = 0; i < left.size(); ++i) {
        left[i] = float(random());
        right[i] = float(random());
    }
    for (int n = 0; n < 300; ++n) {
        const double speed = random.between(0.05, 1.88);
        const int count = 1 + n % readingBlock;
        // Also at both edges and far outside.
        const ReadingWay way{random.between(-100.0, 3100.0), speed, random.between(-1e-4, 1e-3)};
        const auto& kernel = *KernelLadder::shared().rungFor(speed, n % 2).kernel;
        float fast[2][readingBlock], plain[2][readingBlock], mono[readingBlock];
        const CopyView both{left.data(), right.data(), 3000};
        avoidWideVectors(false);
        readBetween(kernel, both, way, count, fast[0], fast[1]);
        readBetween(kernel, {left.data(), nullptr, 3000}, way, count, mono, nullptr);
        avoidWideVectors(true);
        readBetween(kernel, both, way, count, plain[0], plain[1]);
        avoidWideVectors(false);
        for (int i = 0; i < count; ++i) {
            CAPTURE(n, i, way.place, way.step);
            REQUIRE_THAT(double(fast[0][i]), WithinAbs(double(plain[0][i]), 2e-6));
            REQUIRE_THAT(double(fast[1][i]), WithinAbs(double(plain[1][i]), 2e-6));
            REQUIRE_THAT(double(mono[i]), WithinAbs(double(plain[0][i]), 2e-6));
        }
    }
}

TEST_CASE("behind both ends of a recording there is silence", "[engine][kernel][bad-input]")
{
    const std::vector<float> one(5, 1.0f);
    float out[readingBlock];
    const auto& kernel = *KernelLadder::shared().rungFor(1.0, 0).kernel;
    const auto at = [&](double place, double step) {
        readBetween(
            kernel, {one.data(), nullptr, 5}, {place, step, 0.0}, readingBlock, out, nullptr);
        return out[0];
    };
    CHECK_THAT(double(at(2.0, 1.0)), WithinAbs(1.0, 0.3));
    CHECK(at(-1000.0, 1.0) == 0.0f);
    CHECK(at(1e9, 1.0) == 0.0f);
    // So fast that no two windows lie side by side.
    CHECK_THAT(double(at(2.0, 1e6)), WithinAbs(1.0, 0.3));
    for (int i = 1; i < readingBlock; ++i)
        CHECK(out[i] == 0.0f);
}

TEST_CASE("octave copies are made for keys far above the root only", "[engine][copies]")
{
    const auto sound = std::make_shared<const Audio>(mono(harmonicTone(220.0, 48000.0, 1.0)));
    const Span all{Frames{0}, Frames{sound->frames()}};
    CHECK(SoundCopies(sound, 0, all, 1.8).bytesOfOctaves() == 0);
    const SoundCopies high(sound, 0, all, 16.0);
    CHECK(high.octaves() == 4);
    CHECK(high.bytesOfOctaves() < sound->channels[0].size() * sizeof(float));
    // The recording is read where it lies.
    CHECK(high.copy(0).left == sound->channels[0].data());
    CHECK(high.placeIn(0, 1234.5) == 1234.5);
    CHECK(high.placeIn(3, 1234.0) == 1234.0 / 8.0);
    // A stretch that begins elsewhere lies on whole frames of every copy.
    const SoundCopies later(sound, 0, {Frames{1001}, Frames{40000}}, 16.0);
    CHECK(later.placeIn(4, 992.0) == 0.0);
    CHECK(later.covers({Frames{1001}, Frames{40000}}));
    CHECK_FALSE(later.covers({Frames{500}, Frames{30000}}));
}
