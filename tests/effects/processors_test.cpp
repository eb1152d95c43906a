// SPDX-License-Identifier: GPL-3.0-or-later
// Each effect against what its values say.
#include "audio/signal/fft.h"
#include "base/song_time.h"
#include "effects/convolution.h"
#include "support/effects.h"

#include <catch2/catch.hpp>
#include <complex>
#include <set>

using namespace testing_effects;
using Catch::Matchers::WithinAbs;

namespace {

/// Gain of a chain at a frequency, dB, by its answer to an impulse.
double gainAt(const std::vector<float>& response, double hz)
{
    std::complex<double> sum;
    for (std::size_t i = 0; i < response.size(); ++i)
        sum +=
            double(response[i]) * std::polar(1.0, -2.0 * 3.14159265358979 * hz * double(i) / rate);
    return 20.0 * std::log10(std::abs(sum) + 1e-30);
}

/// Level of one frequency, dB.
double toneDb(const std::vector<float>& sound, double hz, double from, double to)
{
    std::complex<double> sum;
    const auto a = std::size_t(from * rate), b = std::size_t(to * rate);
    for (std::size_t i = a; i < b; ++i)
        sum += double(sound[i]) * std::polar(1.0, -2.0 * 3.14159265358979 * hz * double(i) / rate);
    return 20.0 * std::log10(2.0 * std::abs(sum) / double(b - a) + 1e-30);
}

std::size_t peakAt(const std::vector<float>& sound, std::size_t from, std::size_t to)
{
    std::size_t best = from;
    for (std::size_t i = from; i < to; ++i)
        if (std::abs(sound[i]) > std::abs(sound[best]))
            best = i;
    return best;
}

/// Seconds in which a sound falls by 60 dB, by Schroeder's backward sum from -5 to -35 dB (ISO
/// 3382-1, T30).
double decayOf(const std::vector<float>& sound)
{
    std::vector<double> left(sound.size() + 1);
    for (std::size_t i = sound.size(); i-- > 0;)
        left[i] = left[i + 1] + double(sound[i]) * double(sound[i]);
    // A straight line through the curve, as the standard says.
    double n = 0.0, t = 0.0, tt = 0.0, d = 0.0, td = 0.0;
    for (std::size_t i = 0; i < sound.size(); i += 16) {
        const double db = 10.0 * std::log10(left[i] / left[0]);
        if (db > -5.0 || db < -35.0)
            continue;
        const double at = double(i) / rate;
        n += 1.0;
        t += at;
        tt += at * at;
        d += db;
        td += at * db;
    }
    return -60.0 / ((n * td - t * d) / (n * tt - t * t));
}

} // namespace

TEST_CASE("an equaliser does what its curve says", "[effects][equaliser]")
{
    const Effect eq = effect(EffectKind::equaliser,
        {{"lowCut", 80.0}, {"lowHz", 300.0}, {"lowDb", -6.0}, {"lowQ", 1.5}, {"highHz", 2000.0},
            {"highDb", 9.0}, {"highQ", 3.0}, {"shelfHz", 7000.0}, {"shelfDb", -4.0}});
    const auto out = through({eq}, impulse(0.5));
    for (const double hz : {25.0, 80.0, 150.0, 300.0, 700.0, 2000.0, 3500.0, 7000.0, 15000.0}) {
        CAPTURE(hz);
        CHECK_THAT(
            gainAt(out.left, hz), WithinAbs(equaliserResponse(eq.values, hz, rate).value, 0.2));
    }
    // And by the theory of its parts: Butterworth's cut, the middle of a bell.
    const auto cut = through({effect(EffectKind::equaliser, {{"lowCut", 100.0}})}, impulse(0.5));
    CHECK_THAT(gainAt(cut.left, 100.0), WithinAbs(-3.01, 0.05));
    CHECK_THAT(gainAt(cut.left, 50.0), WithinAbs(-10.0 * std::log10(17.0), 0.1));
    const auto bell = through(
        {effect(EffectKind::equaliser, {{"highHz", 1000.0}, {"highDb", 12.0}})}, impulse(0.5));
    CHECK_THAT(gainAt(bell.left, 1000.0), WithinAbs(12.0, 0.05));
    CHECK_THAT(gainAt(bell.left, 30.0), WithinAbs(0.0, 0.1));
}

TEST_CASE("a flat equaliser changes no bit", "[effects][equaliser]")
{
    const auto in = noise(0.2, 0.2);
    CHECK(through({effect(EffectKind::equaliser, {})}, in) == in);
}

TEST_CASE("a drive bends as its curve says", "[effects][drive]")
{
    for (const double kind : {0.0, 1.0, 2.0}) {
        const Effect drive =
            effect(EffectKind::drive, {{"kind", kind}, {"drive", 12.0}, {"tone", 20000.0}});
        // A slow ramp: filters do not matter.
        Stereo ramp(48000);
        for (std::size_t i = 0; i < ramp.left.size(); ++i)
            ramp.left[i] = ramp.right[i] =
                float(std::sin(2.0 * 3.14159265 * 3.0 * double(i) / rate));
        const auto out = through({drive}, ramp);
        for (std::size_t i = 20000; i < 40000; i += 777) {
            CAPTURE(kind, i);
            CHECK_THAT(double(out.left[i]),
                WithinAbs(driveCurve(drive.values, double(ramp.left[i - 48])), 2e-3));
        }
    }
}

TEST_CASE("hardly anything of a driven 5 kHz folds back", "[effects][drive]")
{
    // What lies between its harmonics below 20 kHz, against the tone: -70 dB is the mark, at every
    // drive.
    for (const double kind : {0.0, 1.0, 2.0})
        for (const double db : {6.0, 12.0, 24.0, 36.0}) {
            const double hz = 5003.0;
            const auto out = through(
                {effect(EffectKind::drive, {{"kind", kind}, {"drive", db}, {"tone", 20000.0}})},
                sine(hz, 0.5, 1.2));
            RealFft fft(32768);
            std::vector<float> wave(fft.size());
            for (std::size_t i = 0; i < wave.size(); ++i) {
                const double t = 2.0 * 3.14159265358979 * double(i) / double(wave.size());
                const double window = 0.35875 - 0.48829 * std::cos(t) + 0.14128 * std::cos(2.0 * t)
                    - 0.01168 * std::cos(3.0 * t);
                wave[i] = float(window) * out.left[9600 + i];
            }
            fft.forward(wave);
            double of = 0.0, between = 0.0;
            for (std::size_t k = 20; double(k) * rate / double(wave.size()) < 20000.0; ++k) {
                const double at = double(k) * rate / double(wave.size());
                const double off = std::abs(at - std::round(at / hz) * hz);
                (off < 15.0 ? of : between) += double(std::norm(fft.spectrum()[k]));
            }
            CAPTURE(kind, db);
            CHECK(10.0 * std::log10(between / of) < -70.0);
        }
}

TEST_CASE("a compressor holds back by its ratio", "[effects][compressor]")
{
    const Effect compressor = effect(EffectKind::compressor,
        {{"threshold", -30.0}, {"ratio", 4.0}, {"knee", 0.0}, {"attack", 0.005}, {"release", 0.2}});
    const auto levelOut = [&](double db) {
        const auto out = through({compressor}, sine(1000.0, std::pow(10.0, db / 20.0), 1.5));
        return toneDb(out.left, 1000.0, 1.0, 1.5);
    };
    CHECK_THAT(levelOut(-40.0), WithinAbs(-40.0, 0.1));
    const double a = levelOut(-18.0), b = levelOut(-6.0);
    CHECK_THAT((b - a) / 12.0, WithinAbs(1.0 / 4.0, 0.02));
    // Between the peaks of a sine it lets go a little.
    CHECK_THAT(b, WithinAbs(compressedDb(compressor.values, -6.0), 0.7));
    // The picture's curve with a knee meets the straight lines at its ends.
    Effect soft = compressor;
    setValue(soft, "knee", 12.0);
    CHECK_THAT(compressedDb(soft.values, -36.0), WithinAbs(-36.0, 1e-9));
    CHECK_THAT(compressedDb(soft.values, -24.0), WithinAbs(-28.5, 1e-9));
}

TEST_CASE("a duck makes room in time with the song or for a key", "[effects][duck]")
{
    Stereo steady(96000);
    std::fill(steady.left.begin(), steady.left.end(), 0.5f);
    steady.right = steady.left;
    Played played;
    played.time().beatsPerFrame = 2.0 / rate; // 120 a minute
    played.want({effect(EffectKind::duck,
        {{"every", inBeats(1.0)}, {"depth", 20.0}, {"fall", 0.002}, {"back", 0.2}})});
    auto out = steady;
    played.play(out, 0, out.left.size());
    for (const double beat : {1.0, 2.0, 3.0}) {
        const auto at = std::size_t(beat * 24000);
        CHECK_THAT(double(out.left[at - 10]), WithinAbs(0.5, 0.001));
        CHECK_THAT(double(out.left[at + 100]), WithinAbs(0.05, 0.002));
    }

    Played byKey;
    byKey.want(
        {effect(EffectKind::duck, {{"by", 1.0}, {"key", 36.0}, {"depth", 20.0}, {"back", 0.2}})});
    auto keyed = steady;
    byKey.play(keyed, 0, 32000);
    CHECK_THAT(double(keyed.left[31999]), WithinAbs(0.5, 0.001));
    byKey.press(40);
    byKey.play(keyed, 32000, 3200);
    CHECK_THAT(double(keyed.left[35199]), WithinAbs(0.5, 0.001));
    byKey.press(36);
    byKey.play(keyed, 35200, 20000);
    CHECK(keyed.left[35200 + 250] < 0.06f);
    CHECK(keyed.left[54000] > 0.49f);
}

TEST_CASE("a tremolo swings as deep and as fast as it says", "[effects][tremolo]")
{
    Stereo steady(48000);
    std::fill(steady.left.begin(), steady.left.end(), 1.0f);
    steady.right = steady.left;
    const auto out = through(
        {effect(EffectKind::tremolo, {{"every", 0.25}, {"depth", 0.5}, {"sides", 1.0}})}, steady);
    const auto [low, high] = std::minmax_element(out.left.begin() + 1000, out.left.begin() + 13000);
    CHECK_THAT(double(*low), WithinAbs(0.5, 0.005));
    CHECK_THAT(double(*high), WithinAbs(1.0, 0.005));
    // A quarter of a second later it stands where it was; the other side is half a swing away.
    CHECK_THAT(double(out.left[2000 + 12000]), WithinAbs(double(out.left[2000]), 0.01));
    CHECK_THAT(double(out.right[2000 + 6000]), WithinAbs(double(out.left[2000]), 0.01));
}

TEST_CASE("echoes come when they should", "[effects][echo]")
{
    const Effect echo = effect(EffectKind::echo,
        {{"left", 0.25}, {"right", 0.1}, {"back", 0.5}, {"lowCut", 20.0}, {"highCut", 20000.0},
            {"mix", 0.5}});
    const auto out = through({echo}, impulse(1.0));
    CHECK_THAT(double(out.left[0]), WithinAbs(1.0, 1e-6));
    for (const std::size_t frame : {std::size_t(12000), std::size_t(24000), std::size_t(36000)})
        CHECK(peakAt(out.left, frame - 3000, frame + 3000) == frame);
    CHECK(peakAt(out.right, 3000, 7000) == 4800);
    // Half of what came before, but for what the low cut takes.
    CHECK_THAT(double(out.left[24000] / out.left[12000]), WithinAbs(0.5, 0.01));

    SECTION("as notes of the tempo")
    {
        Effect inTime = echo;
        setValue(inTime, "left", inBeats(0.75));
        Played played;
        played.time().beatsPerFrame = 1.5 / rate; // 90 a minute: a sixteenth and a half
        played.want({inTime});
        auto sound = impulse(1.0, 3200);
        played.play(sound, 0, sound.left.size());
        CHECK(peakAt(sound.left, 3300, 40000) == 3200 + 24000);
    }
    SECTION("from side to side")
    {
        Effect crossing = echo;
        setValue(crossing, "crosses", 1.0);
        setValue(crossing, "right", 0.25);
        const auto sides = through({crossing}, impulse(1.0));
        CHECK(std::abs(sides.left[12000]) > 0.5f);
        CHECK(std::abs(sides.right[12000]) < 0.01f);
        CHECK(std::abs(sides.right[24000]) > 0.5f);
        CHECK(std::abs(sides.left[24000]) < 0.01f);
        CHECK(std::abs(sides.left[36000]) > 0.25f);
    }
    SECTION("for ever, and never louder than it can be")
    {
        Effect forever = echo;
        setValue(forever, "back", 1.0);
        auto loud = noise(1.0, 20.0);
        const auto held = through({forever}, loud);
        for (const float sample : held.left)
            CHECK(std::abs(sample) < 12.0f);
    }
}

TEST_CASE("a reverb decays as it says", "[effects][reverb]")
{
    for (const double kind : {0.0, 1.0, 2.0})
        for (const double decay : {0.6, 2.0, 6.0})
            for (const double size : {0.2, 0.8}) {
                const auto out = through({effect(EffectKind::reverb,
                                             {{"kind", kind}, {"decay", decay}, {"size", size},
                                                 {"damping", 20000.0}, {"mix", 1.0}})},
                    impulse(decay * 1.5));
                CAPTURE(kind, decay, size);
                CHECK_THAT(decayOf(out.left) / decay, WithinAbs(1.0, 0.1));
                CHECK_THAT(decayOf(out.right) / decay, WithinAbs(1.0, 0.1));
            }
}

TEST_CASE("an endless reverb hardly falls, and never grows for ever", "[effects][reverb]")
{
    const Effect endless = effect(
        EffectKind::reverb, {{"kind", 3.0}, {"decay", 30.0}, {"damping", 20000.0}, {"mix", 1.0}});
    auto sound = noise(0.3, 1.0);
    sound.left.resize(std::size_t(20.0 * rate));
    sound.right.resize(sound.left.size());
    const auto held = through({endless}, sound);
    CHECK(rmsDb(held.left, 4.0, 5.0) - rmsDb(held.left, 18.0, 19.0) < 3.0);
    const auto fed = through({endless}, sine(440.0, 1.0, 30.0));
    for (std::size_t i = 0; i < fed.left.size(); i += 7)
        CHECK(std::abs(fed.left[i]) < 12.0f);
}

TEST_CASE("convolution equals the direct sum", "[effects][space]")
{
    for (const std::size_t length : {1U, 100U, 128U, 129U, 4096U, 4097U, 9000U, 20011U}) {
        const auto response = noise(0.05, double(length + 1) / rate, unsigned(length)).left;
        const auto input = noise(0.3, 0.6, 3).left;
        std::vector<float> fast = input;
        Convolution convolution(std::span<const float>(response).first(length));
        // Blocks of odd sizes.
        for (std::size_t at = 0, size = 1; at < fast.size(); at += size, size = size * 7 % 331 + 1)
            convolution.process(fast.data() + at, int(std::min(size, fast.size() - at)));
        double error = 0.0, power = 0.0;
        for (std::size_t i = 0; i < fast.size(); i += 37) {
            double sum = 0.0;
            for (std::size_t k = 0; k < std::min(length, i + 1); ++k)
                sum += double(response[k]) * double(input[i - k]);
            error += (sum - double(fast[i])) * (sum - double(fast[i]));
            power += sum * sum;
        }
        CAPTURE(length);
        CHECK(10.0 * std::log10(error / power) < -120.0);
    }
}

TEST_CASE("a space is its impulse, whatever that is", "[effects][space][bad]")
{
    const auto spaceOf = [](Audio audio) {
        Effect space = effect(EffectKind::space, {{"mix", 1.0}});
        space.impulse = RecordingRef(makeRecording(std::move(audio), "room.wav"));
        return through({space}, impulse(0.3));
    };
    // A single frame: the sound itself.
    auto out = spaceOf(Audio{rate, {{0.0f, 0.0f, 0.5f}}});
    CHECK_THAT(double(out.left[2]), WithinAbs(1.0, 1e-5));
    CHECK_THAT(double(out.left[0]), WithinAbs(0.0, 1e-5));
    // Silent, empty, and damaged ones make nothing, or nothing that is no number.
    out = spaceOf(Audio{rate, {std::vector<float>(1000, 0.0f)}});
    CHECK(peakAt(out.left, 0, out.left.size()) == 0);
    CHECK(out.left[0] == 0.0f);
    out = spaceOf(Audio{rate, {{}}});
    CHECK(out.left[0] == 0.0f);
    out = spaceOf(Audio{rate, {{1.0f, std::numeric_limits<float>::quiet_NaN(), 0.5f}}});
    CHECK(std::isfinite(out.left[1]));
    out = through({effect(EffectKind::space, {{"mix", 0.5}})}, impulse(0.1));
    CHECK(out.left[0] == 1.0f);
}

TEST_CASE("width draws the sides together and apart", "[effects][width]")
{
    auto in = noise(0.2, 0.5);
    const auto mono =
        through({effect(EffectKind::width, {{"width", 0.0}, {"monoBelow", 10.0}})}, in);
    CHECK(mono.left == mono.right);
    const auto same =
        through({effect(EffectKind::width, {{"width", 1.0}, {"monoBelow", 10.0}})}, in);
    for (std::size_t i = 0; i < in.left.size(); i += 11)
        CHECK_THAT(double(same.left[i]), WithinAbs(double(in.left[i]), 1e-6));
}

TEST_CASE("what swings swings, and stays within bounds", "[effects]")
{
    // Chorus, phaser and flanger: a tone gets side bands, and is not louder than it may be.
    for (const auto kind : {EffectKind::chorus, EffectKind::phaser, EffectKind::flanger}) {
        const auto in = sine(1000.0, 0.5, 4.0);
        const auto out = through({effect(kind, {{"speed", 1.0}})}, in);
        CAPTURE(factsOf(kind).name);
        double most = 0.0, least = 0.0;
        for (double t = 1.0; t < 3.8; t += 0.05) {
            const double level = rmsDb(out.left, t, t + 0.04) - rmsDb(in.left, t, t + 0.04);
            most = std::max(most, level);
            least = std::min(least, level);
        }
        CHECK(most < 9.0);
        CHECK(least < -3.0);
        CHECK(out.left != out.right);
    }
}

TEST_CASE("crushing leaves as many levels as it says", "[effects][crush]")
{
    const auto out = through(
        {effect(EffectKind::crush, {{"bits", 3.0}, {"rate", 6000.0}})}, sine(100.0, 0.95, 0.5));
    std::set<float> levels(out.left.begin() + 4800, out.left.end());
    CHECK(levels.size() <= 9);
    CHECK(levels.size() >= 7);
    int changes = 0;
    for (std::size_t i = 4801; i < 4800 + 4800; ++i)
        changes += out.left[i] != out.left[i - 1] ? 1 : 0;
    CHECK(changes <= 600);
}
