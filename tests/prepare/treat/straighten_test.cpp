// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/straighten.h"

#include "pitch/series/note.h"
#include "prepare/treat/treat.h"
#include "support/signals.h"

#include <catch2/catch.hpp>
#include <complex>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

/// A sung note whose pitch is known at every moment.
struct Sung {
    double midi = 55.0, vibratoCents = 60.0, vibratoHz = 5.6, driftCents = 80.0, rate = 48000.0,
           seconds = 4.0;

    double cents(double t) const
    {
        return driftCents * (t / seconds - 0.5) + vibratoCents * std::sin(twoPi * vibratoHz * t);
    }
    Audio audio() const
    {
        std::vector<float> wave(std::size_t(seconds * rate));
        double phase = 0.0;
        for (std::size_t i = 0; i < wave.size(); ++i) {
            const double t = double(i) / rate;
            phase += hzOf(midi).value * std::exp2(cents(t) / 1200.0) / rate;
            for (int h = 1; h <= 14; ++h)
                wave[i] += float(0.25 / h * std::sin(twoPi * h * phase + h));
        }
        return mono(std::move(wave), rate);
    }
};

/// Mean and deviation of the pitch, cents from `midi`, without the first and last fifth of a
/// second.
struct Pitch {
    double mean = 0.0, deviation = 0.0;
};

/// Read without any tracker of ours: the fundamental is brought down to 0 Hz under a Hann window of
/// four of its periods, and its phase says how far off it is.
Pitch measure(const Audio& audio, double midi)
{
    const double hz = hzOf(midi).value, rate = audio.rate;
    const auto& wave = audio.channels[0];
    const auto window = std::size_t(4.0 * rate / hz), hop = std::size_t(0.002 * rate);
    const auto lowered = [&](std::size_t from) {
        std::complex<double> sum;
        for (std::size_t i = 0; i < window; ++i)
            sum += double(wave[from + i])
                * (0.5 - 0.5 * std::cos(twoPi * (double(i) + 0.5) / double(window)))
                * std::polar(1.0, -twoPi * hz * double(from + i) / rate);
        return sum;
    };
    double n = 0, sum = 0, squares = 0;
    std::complex<double> last;
    for (auto from = std::size_t(0.2 * rate);
         double(from + window) < (audio.seconds() - 0.2) * rate; from += hop) {
        const auto now = lowered(from);
        if (n > 0 || last != 0.0) {
            const double off = std::arg(now * std::conj(last)) / twoPi * rate / double(hop);
            const double cents = 1200.0 * std::log2(1.0 + off / hz);
            ++n;
            sum += cents;
            squares += cents * cents;
        }
        last = now;
    }
    return {sum / n, std::sqrt(std::max(0.0, squares / n - sum * sum / n / n))};
}

double lengthShare(const Audio& after, const Audio& before)
{
    const auto sounding = [](const Audio& audio) {
        std::int64_t last = 0;
        for (std::int64_t i = 0; i < audio.frames(); ++i)
            if (std::abs(audio.channels[0][std::size_t(i)]) > 1e-4f)
                last = i;
        return double(last);
    };
    return sounding(after) / sounding(before);
}

} // namespace

TEST_CASE("a wavering voice is straightened to within three cents", "[prepare][straighten]")
{
    Sung sung;
    sung.midi = GENERATE(40.3, 55.0, 67.2);
    CAPTURE(sung.midi);
    const auto before = sung.audio();
    CHECK(measure(before, sung.midi).deviation > 40.0);
    auto after = before;
    REQUIRE(
        straighten(after, {1.0, 1.0, Straighten::To::centre, sung.midi, 60.0, {}}, before.whole()));
    CHECK(after.frames() == before.frames());
    // The mark of a good straightening: what is left is below what an ear hears in a held note.
    CHECK(measure(after, sung.midi).deviation < 3.0);
    CHECK_THAT(lengthShare(after, before), WithinAbs(1.0, 0.005));
}

TEST_CASE("drift and vibrato go by as much as is asked", "[prepare][straighten]")
{
    const Sung sung;
    const auto before = sung.audio();
    SECTION("drift alone: the vibrato stays as wide as it was")
    {
        auto after = before;
        REQUIRE(
            straighten(after, {1.0, 0.0, Straighten::To::centre, 55.0, 60.0, {}}, before.whole()));
        // 60 cents of a sine have a deviation of 42.4; the windows round its crests off a little.
        CHECK_THAT(measure(after, 55.0).deviation, WithinAbs(42.4, 2.0));
    }
    SECTION("half of the vibrato, none of the drift")
    {
        auto after = before;
        REQUIRE(
            straighten(after, {0.0, 0.5, Straighten::To::centre, 55.0, 60.0, {}}, before.whole()));
        const double truth = std::sqrt(30.0 * 30.0 / 2.0 + 80.0 * 80.0 * 0.9 * 0.9 / 12.0);
        CHECK_THAT(measure(after, 55.0).deviation, WithinAbs(truth, 2.0));
    }
    SECTION("only centred: it lives on, on the note")
    {
        auto after = before;
        REQUIRE(
            straighten(after, {0.0, 0.0, Straighten::To::note, 55.0, 55.3, {}}, before.whole()));
        const auto was = measure(before, 55.0), is = measure(after, 55.0);
        CHECK_THAT(is.mean, WithinAbs(30.0, 3.0));
        CHECK_THAT(is.deviation, WithinAbs(was.deviation, 2.0));
    }
}

TEST_CASE("straightening is clean and keeps its hands off noise", "[prepare][straighten]")
{
    constexpr double rate = 48000.0;
    SECTION("a steady tone comes out as pure as it went in")
    {
        const auto before = mono(sine(440.0, rate, 2.0));
        auto after = before;
        REQUIRE(
            straighten(after, {1.0, 1.0, Straighten::To::note, 69.0, 69.2, {}}, before.whole()));
        const std::span<const float> wave(after.channels[0]);
        // Moved by 20 cents; the kernel leaves about -110 dB, the line's own errors more.
        CHECK(sineToRestDb(wave.subspan(12000, 48000), 440.0 * std::exp2(0.2 / 12.0), rate) > 60.0);
    }
    SECTION("noise has no pitch to be straightened")
    {
        const auto before = mono(noise(rate, 1.0));
        auto after = before;
        CHECK_FALSE(
            straighten(after, {1.0, 1.0, Straighten::To::centre, 60.0, 60.0, {}}, before.whole()));
        CHECK(after == before);
    }
    SECTION("both channels move together")
    {
        Sung sung;
        auto stereo = sung.audio();
        stereo.channels.push_back(stereo.channels[0]);
        REQUIRE(
            straighten(stereo, {1.0, 1.0, Straighten::To::centre, 55.0, 60.0, {}}, stereo.whole()));
        CHECK(stereo.channels[0] == stereo.channels[1]);
    }
    SECTION("very short and silent takes stay as they are")
    {
        for (auto audio : {mono(sine(440.0, rate, 0.004)), mono(silence(rate, 1.0))}) {
            const auto before = audio;
            CHECK_FALSE(straighten(
                audio, {1.0, 1.0, Straighten::To::centre, 69.0, 69.0, {}}, audio.whole()));
            CHECK(audio == before);
        }
    }
}
