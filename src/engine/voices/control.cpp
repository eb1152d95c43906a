// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/voices/control.h"

#include "base/wide_vectors.h"
#include "engine/program/quick_math.h"

#include <algorithm>
#include <numbers>
#include <utility>

namespace puretone {

namespace {

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

void restPlain(ControlGroup& g)
{
    restOf(g);
}
PURETONE_WIDE void restWide(ControlGroup& g)
{
    restOf(g);
}

} // namespace

void ControlGroup::makeRest() noexcept
{
    if (std::exchange(restWanted, false))
        (wideVectors() ? restWide : restPlain)(*this);
}

} // namespace puretone
