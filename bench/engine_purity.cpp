// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/engine_cases.h"

#include "engine/offline/render.h"
#include "model/making/take_maker.h"

#include <cmath>
#include <numbers>

using namespace puretone;

namespace bench {

namespace {

constexpr double rate = 48000.0;

/// Power of everything that is no tone of these frequencies: the tones are fitted by least squares
/// and taken away.
double restPower(std::span<const float> wave, const std::vector<double>& hz)
{
    const std::size_t n = 2 * hz.size();
    std::vector<double> a(n * n, 0.0), b(n, 0.0), basis(n);
    const auto at = [&](std::size_t i) {
        for (std::size_t k = 0; k < hz.size(); ++k) {
            const double angle = 2.0 * std::numbers::pi * hz[k] * double(i) / rate;
            basis[2 * k] = std::cos(angle);
            basis[2 * k + 1] = std::sin(angle);
        }
    };
    for (std::size_t i = 0; i < wave.size(); ++i) {
        at(i);
        for (std::size_t r = 0; r < n; ++r) {
            b[r] += basis[r] * double(wave[i]);
            for (std::size_t c = 0; c <= r; ++c)
                a[r * n + c] += basis[r] * basis[c];
        }
    }
    // Cholesky.
    for (std::size_t r = 0; r < n; ++r)
        for (std::size_t c = 0; c <= r; ++c) {
            double sum = a[r * n + c];
            for (std::size_t k = 0; k < c; ++k)
                sum -= a[r * n + k] * a[c * n + k];
            a[r * n + c] = r == c ? std::sqrt(sum) : sum / a[c * n + c];
        }
    for (std::size_t r = 0; r < n; ++r) {
        for (std::size_t k = 0; k < r; ++k)
            b[r] -= a[r * n + k] * b[k];
        b[r] /= a[r * n + r];
    }
    for (std::size_t r = n; r-- > 0;) {
        for (std::size_t k = r + 1; k < n; ++k)
            b[r] -= a[k * n + r] * b[k];
        b[r] /= a[r * n + r];
    }
    double rest = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        at(i);
        double model = 0.0;
        for (std::size_t r = 0; r < n; ++r)
            model += b[r] * basis[r];
        rest += (double(wave[i]) - model) * (double(wave[i]) - model);
    }
    return rest / double(wave.size());
}

/// Tones of a recording, played so many semitones away from its pitch; those that come to lie above
/// 24 kHz must be gone. @return dB by which everything else lies below them.
double purityOf(const std::vector<double>& hz, double semitones, const Filter& filter = {})
{
    constexpr double size = 0.5;
    // Behind the filter, before the limiter: a resonance must not reach its ceiling.
    const double softerDb = filter.kind == FilterKind::off ? 0.0 : -14.0;
    // Long enough for two octaves up.
    Audio audio{rate, {std::vector<float>(std::size_t(3.0 * rate))}};
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i) {
        double sum = 0.0;
        for (std::size_t k = 0; k < hz.size(); ++k)
            sum += std::sin(2.0 * std::numbers::pi * hz[k] * double(i) / rate + double(k * k));
        audio.channels[0][i] = float(size / double(hz.size()) * sum);
    }
    Take take;
    take.id = 1;
    take.recording = makeRecording(std::move(audio), "tones.wav");
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.fades = {0.0, 0.0};
    const double key = std::round(60.0 + semitones);
    take.tuning = {60, 100.0 * (semitones - (key - 60.0)), TuningSource::byHand};
    auto instrument = makeInstrument(std::move(take));
    instrument.layers[0].filter = filter;
    instrument.layers[0].levelDb = softerDb;
    instrument.layers[0].zones.front().lowKey = 0;
    instrument.layers[0].zones.front().highKey = 127;
    const auto out = renderEvents(instrument,
        {{0.0, MidiEvent::noteOn(int(key), 127)}, {0.6, MidiEvent::noteOff(int(key))}}, rate, 0.1);
    std::vector<double> sounding;
    for (const double f : hz)
        if (const double played = f * std::exp2(semitones / 12.0); played < 0.5 * rate)
            sounding.push_back(played);
    // Against the tones as they were recorded: those near the top may be played much softer.
    const double level = size * std::pow(10.0, softerDb / 20.0) / double(hz.size());
    const double played = 0.5 * level * level * double(hz.size());
    return 10.0
        * std::log10(played / restPower(std::span(out.channels[0]).subspan(4800, 19200), sounding));
}

} // namespace

Purity worstPurity()
{
    Purity worst{1e9, 1e9, 1e9};
    Filter filter;
    filter.kind = FilterKind::low;
    filter.steep = true;
    filter.hz = 4000.0;
    filter.resonance = 0.3;
    std::vector<double> many;
    many.reserve(34);
    for (int k = 0; k < 34; ++k)
        many.push_back(170.3 + 500.7 * k);
    for (const double semitones : {-48.0, -31.4, -24.0, -12.0, -7.3, -1.0, 0.0, 0.37, 1.0, 2.0, 3.6,
             5.0, 6.0, 7.2, 8.0, 9.0, 10.0, 11.0, 12.0, 13.3, 15.0, 17.0, 19.0, 22.0, 24.0}) {
        for (const double hz : {441.7, 3001.3, 9000.0, 17000.0})
            if (hz * std::exp2(semitones / 12.0) < 0.5 * rate) {
                worst.sine = std::min(worst.sine, purityOf({hz}, semitones));
                worst.filtered = std::min(worst.filtered, purityOf({hz}, semitones, filter));
            }
        // Tones that have been taken so low that they lie side by side cannot be told apart.
        if (semitones > -30.0)
            worst.material = std::min(worst.material, purityOf(many, semitones));
    }
    return worst;
}

} // namespace bench
