// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/filter_accuracy.h"

#include "engine/offline/render.h"
#include "engine/voices/filter_run.h"
#include "model/making/take_maker.h"

#include <cmath>
#include <complex>
#include <numbers>

using namespace puretone;

namespace bench {

namespace {

constexpr double rate = 48000.0, tone = 1000.0;
constexpr double turn = 2.0 * std::numbers::pi;

Instrument sineInstrument()
{
    std::vector<float> wave(std::size_t(4.0 * rate));
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(0.5 * std::sin(turn * tone * double(i) / rate));
    Take take;
    take.id = 1;
    take.recording = makeRecording(Audio{rate, {wave}}, "sine.wav");
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.tuning = {60, 0.0, TuningSource::byHand};
    return makeInstrument(std::move(take));
}

std::vector<float> played(const Instrument& instrument)
{
    return renderEvents(
        instrument, {{0.0, MidiEvent::noteOn(60, 100)}, {3.0, MidiEvent::noteOff(60)}}, rate, 0.1)
        .channels[0];
}

/// Size of the tone around a frame: ten of its periods under a bell.
double sizeAt(const std::vector<float>& wave, std::size_t frame)
{
    constexpr std::size_t half = 240;
    std::complex<double> sum = 0.0;
    for (std::size_t i = 0; i < 2 * half; ++i) {
        const double bell = 1.0 - std::cos(turn * (double(i) + 0.5) / double(2 * half));
        const std::size_t at = frame - half + i;
        sum += double(wave[at]) * bell * std::polar(1.0, -turn * tone * double(at) / rate);
    }
    return std::abs(sum);
}

/// The cutoff with which a low filter lets so much of the tone through.
double cutoffOf(const Filter& filter, double gain)
{
    double low = 50.0, high = 20000.0;
    for (int i = 0; i < 60; ++i) {
        const double middle = std::sqrt(low * high);
        (filterGain(filter, middle, tone, rate) < gain ? low : high) = middle;
    }
    return low;
}

} // namespace

double movedCutoffError(bool steep, double hz)
{
    auto instrument = sineInstrument();
    const auto plain = played(instrument);
    Layer& layer = instrument.layers[0];
    layer.filter.kind = FilterKind::low;
    layer.filter.steep = steep;
    layer.filter.hz = tone;
    layer.waves[0] = {};
    layer.waves[0].hz = hz;
    Movement moves;
    moves.source.kind = SourceKind::wave;
    moves.target = Target::cutoff;
    moves.amount = 1.0;
    layer.movements = {moves};
    const auto moved = played(instrument);
    double worst = 0.0;
    for (std::size_t frame = 12000; frame < std::size_t(2.5 * rate); frame += 240) {
        const double gain = sizeAt(moved, frame) / sizeAt(plain, frame);
        const double wanted = tone * std::exp2(std::sin(turn * hz * double(frame) / rate));
        worst = std::max(worst, std::abs(cutoffOf(layer.filter, gain) / wanted - 1.0));
    }
    return 100.0 * worst;
}

} // namespace bench
