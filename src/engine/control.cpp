// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/control.h"

#include "engine/quick_math.h"

#include <algorithm>
#include <numbers>
#include <utility>

namespace puretone {

namespace {

[[gnu::always_inline]] inline void wavesOf(ControlGroup& g)
{
    for (std::size_t i = 0; i < ControlGroup::most; ++i)
        g.wave[i] = quickSine(g.turns[i]);
}

[[gnu::always_inline]] inline void restOf(ControlGroup& g)
{
    for (std::size_t i = 0; i < ControlGroup::most; ++i)
        g.speed[i] = quickExp2(g.octaves[i]);
    for (std::size_t i = 0; i < ControlGroup::most; ++i)
        g.gain[i] = quickExp2(g.levelOctaves[i]);
    ControlGroup::Floats tangent;
    for (std::size_t i = 0; i < ControlGroup::most; ++i) {
        // The gate keeps octaves far below what a float can hold.
        const float share = g.cutoff[i] * quickExp2(g.cutoffOctaves[i]);
        tangent[i] =
            quickTangent(std::numbers::pi_v<float> * std::min(std::max(share, 1e-4f), 0.45f));
    }
    for (std::size_t stage = 0; stage < 2; ++stage)
        for (std::size_t i = 0; i < ControlGroup::most; ++i) {
            const float t = tangent[i];
            const float a1 = 1.0f / (1.0f + t * (t + g.damping[stage][i]));
            g.a1[stage][i] = a1;
            g.a2[stage][i] = t * a1;
            g.a3[stage][i] = t * t * a1;
        }
}

using Make = void (*)(ControlGroup&);

void wavesPlainly(ControlGroup& g)
{
    wavesOf(g);
}
void restPlainly(ControlGroup& g)
{
    restOf(g);
}

#if defined(__x86_64__) && !defined(__clang__)
[[gnu::target("avx2,fma")]] void wavesAvx2(ControlGroup& g)
{
    wavesOf(g);
}
[[gnu::target("avx2,fma")]] void restAvx2(ControlGroup& g)
{
    restOf(g);
}
const bool has = __builtin_cpu_supports("avx2") && __builtin_cpu_supports("fma");
const Make waves = has ? wavesAvx2 : wavesPlainly;
const Make rest = has ? restAvx2 : restPlainly;
#else
const Make waves = wavesPlainly;
const Make rest = restPlainly;
#endif

} // namespace

void ControlGroup::makeWaves() noexcept
{
    if (std::exchange(wavesWanted, false))
        waves(*this);
}

void ControlGroup::makeRest() noexcept
{
    if (std::exchange(restWanted, false))
        rest(*this);
}

} // namespace puretone
