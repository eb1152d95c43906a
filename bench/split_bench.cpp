// SPDX-License-Identifier: GPL-3.0-or-later
// Splitting computed recordings whose borders are known: 20 by default, plucked, bowed, sung and
// drummed, with noise floors from -70 to -35 dB, notes over their predecessors' tails, and breaths
// between notes.
//
//   split_bench [FILES [SEED]]

#include "prepare/split.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <numbers>
#include <random>
#include <string>
#include <vector>

using namespace puretone;

namespace {

constexpr double rate = 48000.0;
constexpr double turn = 2.0 * std::numbers::pi;

enum class Kind { plucked, bowed, sung, drums };
const char* names[] = {"plucked", "bowed", "sung", "drums"};

struct Scene {
    Kind kind;
    double floorDb;
    bool overlaps, breaths;
    Audio audio{rate, {{}}};
    std::vector<double> starts; ///< Seconds.
};

double uniform(std::mt19937& random, double low, double high)
{
    return std::uniform_real_distribution<double>(low, high)(random);
}

/// One note added at `at`; returns its sounding length.
double addNote(Scene& scene, double at, double seconds, std::mt19937& random)
{
    auto& wave = scene.audio.channels[0];
    const double midi = uniform(random, 43.0, 76.0), hz = 440.0 * std::exp2((midi - 69.0) / 12.0);
    const double level = std::pow(10.0, uniform(random, -14.0, -4.0) / 20.0);
    const double attack = scene.kind == Kind::bowed ? uniform(random, 0.03, 0.09)
        : scene.kind == Kind::sung                  ? uniform(random, 0.02, 0.05)
                                                    : 0.0008;
    const double decay = scene.kind == Kind::plucked ? uniform(random, 0.8, 2.5)
        : scene.kind == Kind::drums                  ? uniform(random, 0.15, 0.5)
                                                     : 0.0;
    const double length = decay > 0.0 ? 1.5 * decay : seconds;
    double phase = 0.0;
    for (std::size_t i = 0; i < std::size_t(length * rate); ++i) {
        const double t = double(i) / rate;
        const auto place = std::size_t(at * rate) + i;
        if (place >= wave.size())
            break;
        double shape = std::min(1.0, t / attack);
        if (decay > 0.0)
            shape *= std::pow(10.0, -3.0 * t / decay);
        else
            shape *= std::min(1.0, (length - t) / 0.08);
        const double cents = scene.kind == Kind::sung
            ? 35.0 * std::min(1.0, t / 0.3) * std::sin(turn * 5.4 * t)
            : scene.kind == Kind::drums ? 700.0 * std::exp(-t / 0.02)
                                        : 0.0;
        phase += hz * std::exp2(cents / 1200.0) / rate;
        double s = 0.0;
        const int partials = scene.kind == Kind::drums ? 2 : 10;
        for (int h = 1; h <= partials && h * hz < 16000.0; ++h)
            s += std::sin(turn * h * phase + h) / std::pow(h, 1.2)
                * (decay > 0.0 ? std::exp(-t * h * 0.6 / decay) : 1.0);
        if (scene.kind == Kind::drums)
            s += 0.8 * std::exp(-t / 0.03) * uniform(random, -1.0, 1.0);
        wave[place] += float(0.4 * level * shape * s);
    }
    return length;
}

void addBreath(Scene& scene, double at, std::mt19937& random)
{
    auto& wave = scene.audio.channels[0];
    for (std::size_t i = 0; i < std::size_t(0.18 * rate); ++i) {
        const double shape = std::sin(std::numbers::pi * double(i) / (0.18 * rate));
        const auto place = std::size_t(at * rate) + i;
        if (place < wave.size())
            wave[place] += float(0.004 * shape * uniform(random, -1.0, 1.0));
    }
}

Scene makeScene(int number, std::mt19937& random)
{
    Scene scene;
    scene.kind = Kind(number % 4);
    scene.floorDb = uniform(random, -70.0, -35.0);
    scene.overlaps = number / 4 % 2 == 1;
    scene.breaths = scene.kind == Kind::sung && scene.floorDb < -55.0;
    scene.audio.channels[0].assign(std::size_t(24.0 * rate), 0.0f);
    double at = uniform(random, 0.3, 0.8);
    while (at < 21.0) {
        scene.starts.push_back(at);
        const double length = addNote(scene, at, uniform(random, 0.6, 1.4), random);
        const bool tailed = scene.kind == Kind::plucked || scene.kind == Kind::drums;
        // Over the tail: when it has fallen by 12 to 30 dB. Bowed and sung ones just follow
        // closely.
        const double next = scene.overlaps
            ? (tailed ? length / 1.5 * uniform(random, 0.2, 0.5) : length + 0.06)
            : length + uniform(random, 0.25, 0.7);
        if (scene.breaths && !scene.overlaps)
            addBreath(scene, at + length + 0.05, random);
        at += std::max(0.18, next);
    }
    const double noise = std::pow(10.0, scene.floorDb / 20.0) * std::sqrt(3.0);
    for (float& s : scene.audio.channels[0])
        s += float(noise * uniform(random, -1.0, 1.0));
    return scene;
}

} // namespace

int main(int argc, char** argv)
{
    const int files = argc > 1 ? std::atoi(argv[1]) : 20;
    std::mt19937 random(argc > 2 ? unsigned(std::atoi(argv[2])) : 1U);
    int notes = 0, found = 0, extra = 0, perfect = 0, late = 0;
    std::vector<double> errors;
    for (int f = 0; f < files; ++f) {
        const Scene scene = makeScene(f, random);
        const auto result = splitRecording(scene.audio);
        std::vector<double> starts;
        for (const auto& piece : result.pieces)
            if (!piece.sliver)
                starts.push_back(toSeconds(piece.span.start, rate));
        int hits = 0, more = 0;
        std::string misses;
        std::vector<bool> used(starts.size(), false);
        for (const double truth : scene.starts) {
            std::size_t best = starts.size();
            for (std::size_t i = 0; i < starts.size(); ++i)
                if (!used[i] && std::abs(starts[i] - truth) < 0.05
                    && (best == starts.size()
                        || std::abs(starts[i] - truth) < std::abs(starts[best] - truth)))
                    best = i;
            if (best == starts.size()) {
                misses += " -" + std::to_string(truth).substr(0, 5);
                continue;
            }
            used[best] = true;
            ++hits;
            errors.push_back(1000.0 * std::abs(starts[best] - truth));
            late += errors.back() > 10.0 ? 1 : 0;
        }
        for (std::size_t i = 0; i < starts.size(); ++i)
            if (!used[i]) {
                ++more;
                misses += " +" + std::to_string(starts[i]).substr(0, 5);
            }
        notes += int(scene.starts.size());
        found += hits;
        extra += more;
        perfect += hits == int(scene.starts.size()) && more == 0 ? 1 : 0;
        std::printf("%-8s floor %4.0f dB %s%s: %2d of %2zu, %d too many%s\n",
            names[int(scene.kind)], scene.floorDb, scene.overlaps ? "overlapping " : "",
            scene.breaths ? "breaths " : "", hits, scene.starts.size(), more, misses.c_str());
    }
    std::sort(errors.begin(), errors.end());
    std::printf("files without a fault %d of %d; notes found %.1f %%, too many %.1f %%; start "
                "error median %.1f ms, p98 %.1f ms, over 10 ms %.1f %%\n",
        perfect, files, 100.0 * found / std::max(1, notes), 100.0 * extra / std::max(1, notes),
        errors[errors.size() / 2], errors[errors.size() * 98 / 100],
        100.0 * late / double(errors.size()));
    return 0;
}
