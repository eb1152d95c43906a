// SPDX-License-Identifier: GPL-3.0-or-later
// What effects cost on one core, and whether the limiter's ceiling holds.
//
//   effects_bench cost      each effect, the chain of eight, silence: % of a core at 48 kHz, worst
//   block
//                           against the median
//   effects_bench print     60 s printed with the chain of eight
//   effects_bench ceiling   1,000 random programs against the true peak of their output

#include "bench_timing.h"

#include "audio/signal/true_peak.h"
#include "base/threads/flush_denormals.h"
#include "effects/chain.h"
#include "engine/offline/print.h"
#include "engine/out/limiter.h"
#include "model/making/take_maker.h"

#include <chrono>
#include <cmath>
#include <cstdio>
#include <ctime>
#include <numbers>
#include <random>

using namespace puretone;

namespace {

constexpr double rate = 48000.0;
constexpr int block = 128;

std::vector<float> noise(std::size_t frames, float level, unsigned seed)
{
    std::mt19937 random(seed);
    std::normal_distribution<float> normal(0.0f, level);
    std::vector<float> made(frames);
    for (float& s : made)
        s = normal(random);
    return made;
}

Effects eight()
{
    Effects effects;
    for (const auto kind :
        {EffectKind::equaliser, EffectKind::drive, EffectKind::compressor, EffectKind::chorus,
            EffectKind::phaser, EffectKind::tremolo, EffectKind::echo, EffectKind::reverb})
        effects.push_back(makeEffect(kind, int(effects.size()) + 1));
    setValue(effects[0], "lowCut", 60.0);
    setValue(effects[0], "lowDb", 3.0);
    setValue(effects[0], "highDb", -3.0);
    setValue(effects[0], "shelfDb", 2.0);
    return effects;
}

/// CPU seconds of this thread: what else the machine does is not counted.
double cpuSeconds()
{
    timespec now{};
    clock_gettime(CLOCK_THREAD_CPUTIME_ID, &now);
    return double(now.tv_sec) + 1e-9 * double(now.tv_nsec);
}

struct Cost {
    double percent = 0.0; ///< Of a core.
    double worst = 0.0; ///< Block, times the median.
};

/// @param seconds Of sound, then the same of silence where `silent`.
Cost costOf(const Effects& effects, bool silent)
{
    const FlushDenormals flush;
    std::vector<ChainedEffect> wanted;
    for (const Effect& e : effects)
        wanted.push_back({e, makeProcessor(e, rate)});
    EffectChain chain;
    chain.reset(rate);
    chain.setWanted(wanted);
    EffectTime time;
    constexpr int blocks = 3000; // 8 s
    auto left = noise(block * blocks, 0.1f, 1), right = noise(block * blocks, 0.1f, 2);
    double beat = 0.0;
    const auto play = [&](std::vector<double>* times) {
        for (int b = 0; b < blocks; ++b) {
            const double from = cpuSeconds();
            for (int at = 0; at < block; at += effectCell) {
                time.beat = beat;
                beat += effectCell * time.beatsPerFrame;
                chain.beginCell(time);
                chain.process(
                    left.data() + b * block + at, right.data() + b * block + at, 0, effectCell);
            }
            if (times != nullptr)
                times->push_back(cpuSeconds() - from);
        }
    };
    play(nullptr);
    if (silent) {
        // Until the tail has gone.
        for (int round = 0; round < 4; ++round) {
            std::fill(left.begin(), left.end(), 0.0f);
            std::fill(right.begin(), right.end(), 0.0f);
            play(nullptr);
        }
        std::fill(left.begin(), left.end(), 0.0f);
        std::fill(right.begin(), right.end(), 0.0f);
    } else {
        left = noise(left.size(), 0.1f, 3);
        right = noise(left.size(), 0.1f, 4);
    }
    std::vector<double> times;
    play(&times);
    double sum = 0.0;
    for (const double t : times)
        sum += t;
    std::sort(times.begin(), times.end());
    return {100.0 * sum / (blocks * block / rate), times.back() / times[times.size() / 2]};
}

void measureCost()
{
    for (int k = 0; k < effectKindCount; ++k) {
        Effect effect = makeEffect(EffectKind(k), 1);
        if (effect.kind == EffectKind::space)
            effect.impulse = RecordingRef(makeRecording(
                Audio{rate, {noise(96000, 0.1f, 5), noise(96000, 0.1f, 6)}}, "room.wav"));
        if (effect.kind == EffectKind::equaliser)
            effect = eight().front();
        const Cost cost = costOf({effect}, false);
        std::printf("%-11s %5.2f %% of a core, %5.0f times real time, worst block %.1f medians\n",
            factsOf(effect.kind).name, cost.percent, 100.0 / cost.percent, cost.worst);
    }
    const Cost chain = costOf(eight(), false), silence = costOf(eight(), true);
    std::printf(
        "chain of 8  %5.2f %% (15), worst block %.1f medians\n", chain.percent, chain.worst);
    std::printf("silence     %5.2f %% (0.5)\n", silence.percent);
}

void measurePrint()
{
    std::vector<float> wave(std::size_t(2.0 * rate));
    for (std::size_t i = 0; i < wave.size(); ++i)
        wave[i] = float(0.3 * std::sin(2.0 * std::numbers::pi * 220.0 * double(i) / rate));
    Take take;
    take.id = 1;
    take.recording = makeRecording(Audio{rate, {std::move(wave)}}, "tone.wav");
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.tuning = Tuning::forPitch(57.0, TuningSource::byHand);
    take.loop.on = true;
    take.loop.span = {Frames{48000}, Frames{91636}};
    auto instrument = makeInstrument(std::move(take));
    instrument.effects = eight();
    PrintPlan plan;
    plan.key = 57;
    plan.heldSeconds = 60.0;
    plan.untilSilent = false;
    plan.tailSeconds = 0.0;
    const auto from = std::chrono::steady_clock::now();
    const auto audio = printAudio(instrument, planPrint(instrument, plan), rate);
    const double took =
        std::chrono::duration<double>(std::chrono::steady_clock::now() - from).count();
    std::printf("print       %.1f s in %.2f s (60 in 8)\n", audio ? audio->seconds() : 0.0, took);
}

/// Oversampled by 16 with a long kernel: far closer than the limiter's own detector.
double truePeakOf(const std::vector<float>& wave)
{
    constexpr int times = 16, side = 32;
    double most = 0.0;
    for (std::size_t i = side; i + side < wave.size(); ++i) {
        // Only where a peak may be.
        if (std::abs(wave[i]) < 0.7f && std::abs(wave[i + 1]) < 0.7f)
            continue;
        for (int f = 0; f < times; ++f) {
            const double t = double(f) / times;
            double sum = 0.0;
            for (int k = -side + 1; k <= side; ++k) {
                const double x = t - k;
                const double window = 0.5 + 0.5 * std::cos(std::numbers::pi * x / (side + 1));
                const double sinc =
                    x == 0.0 ? 1.0 : std::sin(std::numbers::pi * x) / (std::numbers::pi * x);
                sum += window * sinc * double(wave[std::size_t(std::ptrdiff_t(i) + k)]);
            }
            most = std::max(most, std::abs(sum));
        }
    }
    return most;
}

void measureCeiling()
{
    std::mt19937 random(7);
    const auto share = [&] { return double(random() % 10001) / 10000.0; };
    double worst = -100.0;
    int passed = 0;
    constexpr int programs = 1000;
    for (int p = 0; p < programs; ++p) {
        Limiter limiter;
        limiter.prepare(rate);
        // Tones, noise below a cut, clicks, and levels that leap.
        std::vector<float> left(6000), right(6000);
        double hz[4], level[4];
        for (int k = 0; k < 4; ++k) {
            hz[k] = 30.0 * std::pow(20000.0 / 30.0, share());
            level[k] = 2.0 * share();
        }
        const double cut = 0.05 + 0.9 * share(), noisy = share() < 0.5 ? share() : 0.0;
        double low = 0.0;
        std::normal_distribution<double> normal;
        double leap = 1.0;
        for (std::size_t i = 0; i < left.size(); ++i) {
            double s = 0.0;
            for (int k = 0; k < 4; ++k)
                s += level[k]
                    * std::sin(2.0 * std::numbers::pi * hz[k] * double(i) / rate + double(k));
            low += cut * (normal(random) - low);
            if (random() % 900 == 0)
                leap = 3.0 * share();
            left[i] = float(leap * (s + 2.0 * noisy * low) + (random() % 1500 == 0 ? 4.0 : 0.0));
            right[i] = float(leap * (s - 2.0 * noisy * low));
        }
        for (std::size_t i = 0; i < left.size(); ++i)
            limiter.process(left[i], right[i]);
        const double over =
            20.0 * std::log10(std::max(truePeakOf(left), truePeakOf(right))) - Limiter::ceilingDb;
        worst = std::max(worst, over);
        passed += over > 0.1 ? 1 : 0;
    }
    std::printf("ceiling     passed by at most %.2f dB (0.1); by more in %d of %d programs\n",
        worst, passed, programs);
}

} // namespace

int main(int argc, char** argv)
{
    const std::string what = argc > 1 ? argv[1] : "";
    if (what == "cost")
        measureCost();
    else if (what == "print")
        measurePrint();
    else if (what == "ceiling")
        measureCeiling();
    else {
        std::fprintf(stderr, "effects_bench cost | print | ceiling\n");
        return 2;
    }
    return 0;
}
