// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/offline.h"

#include "support/effects.h"

#include <catch2/catch.hpp>

using namespace testing_effects;
using Catch::Matchers::WithinAbs;

TEST_CASE(
    "a whole sound goes through a chain, not late and as long as before", "[effects][offline]")
{
    Audio audio{rate, {impulse(0.3, 1000).left}};
    applyEffects(audio, {effect(EffectKind::drive, {{"drive", 0.0}, {"tone", 20000.0}})}, 120.0);
    CHECK(audio.channels.size() == 1);
    CHECK(audio.channels[0].size() == 14400);
    const auto peak = std::max_element(audio.channels[0].begin(), audio.channels[0].end());
    CHECK(std::abs(peak - audio.channels[0].begin() - 1000) <= 1);

    Audio wide{rate, {noise(0.1, 0.5).left}};
    applyEffects(wide, {effect(EffectKind::chorus, {})}, 120.0);
    CHECK(wide.channels.size() == 2);
    Audio none{rate, {}};
    applyEffects(none, {effect(EffectKind::chorus, {})}, 120.0);
    CHECK(none.channels.empty());
    // A frame or two.
    Audio brief{rate, {{0.5f, -0.5f}}};
    applyEffects(brief, {effect(EffectKind::reverb, {})}, 120.0);
    CHECK(brief.channels[0].size() == 2);
}
