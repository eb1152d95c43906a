// SPDX-License-Identifier: GPL-3.0-or-later
// Where the kept part begins and ends, on computed sounds whose borders are known, in noise of
// -70 to -50 dB; and what treatments of ten seconds of stereo cost beside copying them.
//
//   kept_bench [ROUNDS]

#include "bench_timing.h"
#include "prepare/kept_part.h"
#include "prepare/treat/treat.h"

#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <numbers>
#include <random>

using namespace puretone;

namespace {

constexpr double rate = 48000.0;

struct Known {
    Audio audio;
    double start = 0.0; ///< Seconds.
};

enum class Kind { struck, plucked, knocked, bowed, swelling, breathy };
const char* names[] = {"struck", "plucked", "knocked", "bowed", "swelling", "breathy"};

/// Level over time, seconds after the start; 1 at most.
double shape(Kind kind, double t, double attack)
{
    switch (kind) {
    case Kind::struck:
        return std::exp(-t / 0.6);
    case Kind::plucked:
        return std::exp(-t / 0.3);
    case Kind::knocked:
        return std::exp(-t / 0.03);
    case Kind::bowed:
    case Kind::swelling:
    case Kind::breathy:
        break;
    }
    return t < attack ? t / attack : t < 1.5 ? 1.0 : std::exp(-(t - 1.5) / 0.3);
}

Known sound(Kind kind, double noiseDb, std::mt19937& random)
{
    std::uniform_real_distribution<double> unit(0.0, 1.0);
    std::normal_distribution<double> gauss;
    Known known;
    known.start = 0.15 + 0.6 * unit(random);
    known.audio = {rate, {std::vector<float>(std::size_t(4.0 * rate))}};
    const double hz = 60.0 * std::exp2(4.5 * unit(random));
    const double attack = kind == Kind::swelling ? 0.8 : kind == Kind::bowed ? 0.12 : 0.2;
    const double noise = std::pow(10.0, noiseDb / 20.0);
    const int partials = 3 + int(9.0 * unit(random));
    const double stretch = kind == Kind::struck ? 0.03 : 0.0;
    for (std::size_t i = 0; i < known.audio.channels[0].size(); ++i) {
        const double t = double(i) / rate - known.start;
        double sum = 0.0;
        if (t >= 0.0) {
            for (int h = 1; h <= partials; ++h)
                sum += std::sin(2.0 * std::numbers::pi * hz * h * (1.0 + stretch * h) * t) / h;
            if (kind == Kind::breathy || kind == Kind::knocked)
                sum = 0.6 * sum + 0.5 * gauss(random);
            sum *= 0.5 * shape(kind, t, attack);
        }
        known.audio.channels[0][i] = float(sum + noise * gauss(random));
    }
    return known;
}

void measureStarts(int rounds)
{
    std::printf(
        "%-10s %8s %14s %14s %12s\n", "kind", "noise", "median ms", "p95 |ms|", "within mark");
    for (const auto kind :
        {Kind::struck, Kind::plucked, Kind::knocked, Kind::bowed, Kind::swelling, Kind::breathy})
        for (const double noiseDb : {-70.0, -60.0, -50.0}) {
            std::mt19937 random(7);
            std::vector<double> off, away;
            const double mark = kind <= Kind::knocked ? 5.0 : 20.0;
            int within = 0;
            for (int i = 0; i < rounds; ++i) {
                const auto known = sound(kind, noiseDb, random);
                const auto kept = proposeKept(known.audio, "sound");
                if (!kept)
                    continue;
                off.push_back(1000.0 * (double(kept->start.value) / rate - known.start));
                away.push_back(std::abs(off.back()));
                within += away.back() <= mark ? 1 : 0;
            }
            std::sort(away.begin(), away.end());
            std::printf("%-10s %5.0f dB %14.2f %14.2f %10.1f %%\n", names[int(kind)], noiseDb,
                median(off), away[std::size_t(0.95 * double(away.size() - 1))],
                100.0 * within / double(rounds));
        }
}

void measureTreatments()
{
    Audio audio{rate, std::vector(2, std::vector<float>(std::size_t(10.0 * rate)))};
    std::mt19937 random(1);
    std::normal_distribution<float> gauss(0.0f, 0.1f);
    for (auto& channel : audio.channels)
        for (float& s : channel)
            s = gauss(random);
    const auto shared = std::make_shared<const Audio>(std::move(audio));
    const double copying = medianMs(9, [&] {
        const auto copy = std::make_shared<Audio>(*shared);
        (void)copy;
    });
    std::printf("\nten seconds of stereo; copying them takes %.1f ms\n", copying);
    const Treatments all{{RemoveDc{}}, {PassFilter{PassFilter::Cut::low, 40.0, 24}},
        {Band{Band::Shape::bell, 900.0, 4.0, 1.0}}, {EvenOut{}}, {Level{}}, {Width{1.2}}};
    const auto print = [&](const std::string& name, const Treatments& list) {
        const double ms = medianMs(9, [&] { (void)treat(shared, list); });
        std::printf("%-26s %8.1f ms %8.1f x copying\n", name.c_str(), ms, ms / copying);
    };
    for (const auto& one : all)
        print(describe(one), {one});
    print("all six", all);
    print("cut of 48 dB an octave", {{PassFilter{PassFilter::Cut::low, 40.0, 48}}});
}

} // namespace

int main(int argc, char** argv)
{
    measureStarts(argc > 1 ? std::atoi(argv[1]) : 60);
    measureTreatments();
    return 0;
}
