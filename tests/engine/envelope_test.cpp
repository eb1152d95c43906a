// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/voices/envelope_run.h"

#include "engine/offline/render.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

/// Levels of a note that is let go at a frame, one for each frame.
std::vector<float> levels(const Envelope& e, int held, int frames, double slower = 1.0)
{
    EnvelopeRun run;
    run.start(e, rate, slower);
    std::vector<float> gains(static_cast<std::size_t>(frames));
    for (int at = 0; at < frames;) {
        if (at == held)
            run.release();
        const int next = at < held ? std::min(held, at + 32) : std::min(frames, at + 32);
        run.run(e, gains.data() + at, next - at);
        at = next;
    }
    return gains;
}

} // namespace

TEST_CASE("slopes begin and end where they should, whatever their curve", "[engine][envelope]")
{
    for (const double curve : {-1.0, -0.3, -0.001, 0.0, 0.001, 0.4, 1.0}) {
        CAPTURE(curve);
        CHECK_THAT(slopeAt(curve, 0.0), WithinAbs(0.0, 1e-12));
        CHECK_THAT(slopeAt(curve, 1.0), WithinAbs(1.0, 1e-12));
        for (double share = 0.0; share <= 1.0; share += 0.05)
            CHECK_THAT(slopeShare(curve, slopeAt(curve, share)), WithinAbs(share, 1e-9));
    }
    CHECK(slopeAt(1.0, 0.5) < 0.1); // begins slowly
    CHECK(slopeAt(-1.0, 0.5) > 0.9); // hurries at first
}

TEST_CASE("curved envelopes take the times that they are given, and are drawn as played",
    "[engine][envelope]")
{
    const double curve = GENERATE(-1.0, -0.4, 0.0, 0.6, 1.0);
    const double scale = GENERATE(0.01, 0.1, 1.0);
    CAPTURE(curve, scale);
    Envelope e{0.5 * scale, scale, 0.3 * scale, 2.0 * scale, -18.0, scale};
    e.attackCurve = e.decayCurve = e.releaseCurve = curve;
    const int held = int(std::lround(5.0 * scale * rate));
    const auto got = levels(e, held, held + int(std::lround(2.0 * scale * rate)));
    double worst = 0.0;
    for (std::size_t i = 0; i < std::size_t(held); i += 7)
        worst = std::max(worst, std::abs(double(got[i]) - envelopeGain(e, double(i) / rate)));
    // A curve is made of 64 straight pieces, or of pieces of 32 frames.
    CHECK(worst < 0.02);
    const double from = double(got[std::size_t(held)]);
    double furthest = 0.0;
    for (double share : {0.25, 0.5, 0.75, 1.0}) {
        const auto at = std::size_t(held + std::lround(share * scale * rate));
        const double wanted = toDecibels(releaseGain(e, share * scale)).value;
        furthest = std::max(furthest, std::abs(toDecibels(double(got[at]) / from).value - wanted));
    }
    CHECK(furthest < 0.8);
    // And the end comes within a percent.
    const auto sixty = std::size_t(held + std::lround(scale * rate));
    CHECK_THAT(toDecibels(double(got[sixty]) / from).value, WithinAbs(-60.0, 0.8));
}

TEST_CASE("the times of stages are right within 1 % or 0.1 ms", "[engine][envelope]")
{
    for (const double seconds : {0.001, 0.005, 0.03, 0.2, 1.5}) {
        CAPTURE(seconds);
        const Envelope e{seconds, seconds, seconds, seconds, -20.0, seconds};
        const int held = int(std::lround(5.0 * seconds * rate));
        const auto got = levels(e, held, held + int(2.0 * seconds * rate) + 64);
        const double allowed = std::max(0.01 * seconds, 0.0001) * rate + 1.0;
        const auto first = [&](auto wanted) {
            return double(std::find_if(got.begin(), got.end(), wanted) - got.begin());
        };
        CHECK_THAT(first([](float g) { return g > 0.0f; }), WithinAbs(seconds * rate, allowed));
        CHECK_THAT(
            first([](float g) { return g >= 0.9999f; }), WithinAbs(2.0 * seconds * rate, allowed));
        const auto hold = std::find_if(got.begin() + std::ptrdiff_t(2.5 * seconds * rate),
            got.end(), [](float g) { return g < 0.9999f; });
        CHECK_THAT(double(hold - got.begin()), WithinAbs(3.0 * seconds * rate, allowed));
        CHECK_THAT(double(got[std::size_t(held - 2)]), WithinAbs(0.1, 0.001));
    }
}

TEST_CASE("touch and keys change the times of envelopes", "[engine][envelope]")
{
    auto instrument = instrumentOf(plainTake(mono(std::vector<float>(96000, 0.1f)), 60.0));
    Layer& layer = instrument.layers[0];
    layer.touch = 0.0;
    layer.follow = 0.0;
    layer.envelope = {0.0, 0.2, 0.0, 0.0, 0.0, 0.01};
    const auto at = [&](int key, int touch, double seconds) {
        const auto out = renderEvents(instrument,
            {{0.0, MidiEvent::noteOn(key, touch)}, {1.0, MidiEvent::noteOff(key)}}, rate);
        return double(out.channels[0][std::size_t(seconds * rate)]);
    };
    CHECK_THAT(at(60, 127, 0.1), WithinAbs(0.05, 1e-3));
    layer.envelope.touchTimes = -2.0; // four times as fast at full touch
    CHECK_THAT(at(60, 127, 0.025), WithinAbs(0.05, 1e-3));
    layer.envelope.touchTimes = 0.0;
    layer.envelope.keyTimes = -1.0; // an octave up is twice as fast
    CHECK_THAT(at(72, 127, 0.05), WithinAbs(0.05, 1e-3));
    CHECK_THAT(at(48, 127, 0.2), WithinAbs(0.05, 1e-3));
}

TEST_CASE("the shortest release does not click", "[engine][envelope]")
{
    auto instrument = instrumentOf(plainTake(mono(sine(200.0, rate, 2.0, 0.5)), 60.0));
    instrument.layers[0].envelope.release = shortestRelease;
    const auto out = renderEvents(
        instrument, {{0.0, MidiEvent::noteOn(60, 127)}, {0.5031, MidiEvent::noteOff(60)}}, rate);
    const auto& wave = out.channels[0];
    // A cut at the crest would be a step of 0.5; 60 dB in a millisecond are at most 14 % a frame.
    double step = 0.0;
    for (std::size_t i = 1; i < wave.size(); ++i)
        step = std::max(step, std::abs(double(wave[i]) - double(wave[i - 1])));
    CHECK(step < 0.12);
}
