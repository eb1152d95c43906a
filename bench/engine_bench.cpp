// SPDX-License-Identifier: GPL-3.0-or-later
// Voices that one core plays in real time, beside a bare floor in the same run: copying and adding
// the same number of frames with linear interpolation. And the purity of a transposed sine.

#include "engine/engine.h"
#include "model/take_maker.h"

#include <chrono>
#include <cstdio>
#include <numbers>

using namespace puretone;

namespace {

using Clock = std::chrono::steady_clock;

Instrument toneInstrument(std::size_t channels)
{
    Audio audio{48000.0, {}};
    for (std::size_t c = 0; c < channels; ++c) {
        std::vector<float> wave(96000);
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] = float(0.01 * std::sin(2.0 * std::numbers::pi * 440.0 * double(i) / 48000.0));
        audio.channels.push_back(std::move(wave));
    }
    Take take;
    take.id = 1;
    take.recording = makeRecording(std::move(audio), "tone.wav");
    take.kept = {Frames{0}, Frames{96000}};
    take.tuning = Tuning::forPitch(69.0, TuningSource::byHand);
    take.loop.on = true;
    take.loop.span = {Frames{24000}, Frames{72000}};
    return makeInstrument(std::move(take));
}

double engineSecondsPerSecond(std::size_t channels)
{
    const auto instrument = toneInstrument(channels);
    Engine engine;
    engine.prepare(48000.0);
    engine.setProgram(Compiler().compile(instrument, 48000.0));
    std::vector<float> left(128), right(128);
    engine.process(left.data(), right.data(), 0);
    for (int n = 0; n < int(Engine::voices); ++n)
        engine.handle(MidiEvent::noteOn(30 + n, 60));
    const auto begin = Clock::now();
    constexpr int blocks = 48000 * 4 / 128;
    for (int b = 0; b < blocks; ++b)
        engine.process(left.data(), right.data(), 128);
    return std::chrono::duration<double>(Clock::now() - begin).count() / 4.0;
}

/// The least that a sampler can do: two reads, one multiplication, one addition for each voice and
/// frame.
double floorSecondsPerSecond()
{
    std::vector<float> wave(96000, 0.25f), out(128);
    std::vector<double> positions(Engine::voices);
    float kept = 0.0f;
    const auto begin = Clock::now();
    constexpr int blocks = 48000 * 4 / 128;
    for (int b = 0; b < blocks; ++b) {
        std::fill(out.begin(), out.end(), 0.0f);
        for (std::size_t v = 0; v < positions.size(); ++v)
            for (float& s : out) {
                double& p = positions[v];
                const auto i = std::size_t(p);
                const auto share = float(p - double(i));
                s += wave[i] + share * (wave[i + 1] - wave[i]);
                p += 0.9 + 0.01 * double(v);
                if (p > 95000.0)
                    p -= 90000.0;
            }
        kept += out[5];
    }
    const double seconds = std::chrono::duration<double>(Clock::now() - begin).count() / 4.0;
    return kept < -1.0f ? 0.0 : seconds;
}

} // namespace

int main()
{
    const double floor = floorSecondsPerSecond();
    for (const std::size_t channels : {1U, 2U}) {
        const double spent = engineSecondsPerSecond(channels);
        std::printf("%zu channel%s: 64 voices take %.1f %% of a core (%.0f voices at real time), "
                    "%.1f times the "
                    "bare floor of linear interpolation\n",
            channels, channels > 1 ? "s" : "", 100.0 * spent, 64.0 / spent, spent / floor);
    }
    return 0;
}
