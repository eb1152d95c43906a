// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop_cases.h"

#include "audio/signal/fft.h"
#include "bench_timing.h"
#include "loop/search/finder.h"
#include "loop/search/seam_map.h"

#include <cmath>
#include <cstdio>
#include <functional>
#include <numbers>
#include <random>

namespace puretone {

namespace {

constexpr double rate = 48000.0;
constexpr double turn = 2.0 * std::numbers::pi;

using Wave = std::function<double(double seconds)>;

std::vector<float> drawn(double seconds, const Wave& wave)
{
    std::vector<float> samples(std::size_t(seconds * rate));
    for (std::size_t i = 0; i < samples.size(); ++i)
        samples[i] = float(wave(double(i) / rate));
    return samples;
}

/// Eight partials, falling; `stretch` makes them inharmonic.
Wave tone(double hz, double stretch = 0.0)
{
    return [=](double t) {
        double sum = 0.0;
        for (int k = 1; k <= 8; ++k)
            sum += 0.25 / k
                * std::sin(turn * hz * k * std::sqrt(1.0 + stretch * k * k) * t + 0.7 * k * k);
        return sum * std::min(1.0, t / 0.03);
    };
}

Wave vibrato(double hz, double swing, double cents)
{
    return [=](double t) {
        const double depth = std::exp2(cents / 1200.0) - 1.0;
        const double phase = hz * (t - depth / turn / swing * std::cos(turn * swing * t));
        double sum = 0.0;
        for (int k = 1; k <= 8; ++k)
            sum += 0.25 / k * std::sin(turn * k * phase + 0.7 * k * k);
        return sum * std::min(1.0, t / 0.03) * (1.0 + 0.1 * std::sin(turn * swing * t));
    };
}

Wave shaped(const Wave& wave, const std::function<double(double)>& level)
{
    return [=](double t) { return wave(t) * level(t); };
}

Wave sum(const Wave& a, const Wave& b)
{
    return [=](double t) { return 0.5 * (a(t) + b(t)); };
}

std::vector<float> noise(double seconds, double colour, unsigned seed)
{
    std::mt19937 random(seed);
    std::normal_distribution<double> draw(0.0, 0.15);
    double held = 0.0;
    return drawn(seconds,
        [&](double) { return held = colour * held + (1.0 - colour) * 3.0 * draw(random); });
}

struct Case {
    const char* name;
    Audio audio;
    std::optional<double> period;
};

std::vector<Case> computedCases()
{
    std::vector<Case> cases;
    const auto add = [&](const char* name, double hz, std::vector<float> left,
                         std::vector<float> right = {}) {
        Audio audio{rate, {std::move(left)}};
        if (!right.empty())
            audio.channels.push_back(std::move(right));
        cases.push_back(
            {name, std::move(audio), hz > 0.0 ? std::optional(1.0 / hz) : std::nullopt});
    };
    const auto falling = [](double db) {
        return [=](double t) { return std::pow(10.0, -db * t / 20.0); };
    };
    add("steady", 110.3, drawn(3, tone(110.3)));
    add("steady, high", 1318.6, drawn(2, tone(1318.6)));
    add("steady, low", 41.2, drawn(3, tone(41.2)));
    add("steady, stereo", 220.7, drawn(3, tone(220.7)),
        drawn(3, [w = tone(220.7)](double t) { return w(t + 0.0011); }));
    add("beating, 1.7 Hz", 220.0, drawn(5, sum(tone(220.0), tone(221.7))));
    add("beating, 6 Hz, stereo", 330.0, drawn(4, sum(tone(330.0), tone(336.0))),
        drawn(4, sum(tone(330.0), tone(335.0))));
    add("vibrato, 5.3 Hz", 440.0, drawn(4, vibrato(440.0, 5.3, 35.0)));
    add("vibrato, 6.1 Hz, low", 130.8, drawn(3, vibrato(130.8, 6.1, 60.0)));
    add("decaying, 8 dB/s", 196.0, drawn(4, shaped(tone(196.0), falling(8.0))));
    add("decaying, 25 dB/s", 196.0, drawn(2, shaped(tone(196.0), falling(25.0))));
    add("swelling, 6 dB/s", 146.8,
        drawn(4, shaped(tone(146.8), [=](double t) { return falling(-6.0)(t) * 0.06; })));
    add("noise", 0.0, noise(4, 0.0, 1));
    add("wind, stereo", 0.0, noise(6, 0.97, 2), noise(6, 0.97, 3));
    add("bell", 261.6, drawn(4, shaped(tone(261.6, 0.004), falling(10.0))));
    add("reverberant", 174.6, drawn(4, shaped(sum(tone(174.6), tone(174.9)), falling(4.0))));
    return cases;
}

} // namespace

int measureComputedLoops()
{
    std::puts(
        "                         verdict   cost  length   fade  even  click level timbre change "
        "dip pulse  pitch");
    int audible = 0;
    for (const Case& c : computedCases()) {
        const auto report = findLoops(c.audio, c.audio.whole(), c.period);
        if (report.candidates.empty()) {
            std::printf("%-24s none: %s\n", c.name, report.message.said().c_str());
            ++audible;
            continue;
        }
        const auto& best = report.candidates.front();
        audible += report.verdict != SeamVerdict::seamless;
        std::printf(
            "%-24s %-9s %4.2f %6.3f s %5.3f %5.1f %6.1f %5.1f %6.1f %6.1f %3.1f %5.1f %5.2f ct\n",
            c.name, nameOf(report.verdict), best.cost, double(best.loop.span.length()) / rate,
            double(best.loop.crossfade.value) / rate, best.loop.evenOut, best.seam.clickDb,
            best.seam.levelDb, best.seam.timbreDb, best.seam.changeDb, best.seam.dipDb,
            best.seam.pulseDb, best.pitchErrorCents);
    }
    std::printf("%d of %zu not seamless\n", audible, computedCases().size());
    return audible == 0 ? 0 : 1;
}

int measureLoopSpeed()
{
    std::puts("seconds      find, ms   map first, ms   map whole, ms   bare transform, ms   find / "
              "transform");
    for (const double seconds : {2.5, 5.0, 10.0, 20.0, 40.0, 60.0}) {
        const Audio audio{rate, {drawn(seconds, sum(vibrato(220.0, 5.1, 20.0), tone(220.9)))}};
        const double find = medianMs(3, [&] { findLoops(audio, audio.whole(), 1.0 / 220.0); });
        double first = 0.0;
        const double whole = medianMs(3, [&] {
            const auto begin = std::chrono::steady_clock::now();
            bool seen = false;
            makeSeamMap(audio, audio.whole(), {}, [&](const SeamMap&) {
                if (!seen)
                    first = std::chrono::duration<double, std::milli>(
                        std::chrono::steady_clock::now() - begin)
                                .count();
                seen = true;
            });
        });
        RealFft fft(RealFft::commonSize(std::size_t(audio.frames())));
        const double bare = medianMs(3, [&] { fft.forward(audio.channels[0]); });
        std::printf("%7.1f %13.0f %15.1f %15.1f %20.1f %18.0f\n", seconds, find, first, whole, bare,
            find / bare);
    }
    return 0;
}

} // namespace puretone
