// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/picture.h"

#include "base/song_time.h"
#include "effects/ready_chains.h"
#include "support/effects.h"

#include <catch2/catch.hpp>
#include <set>

using namespace testing_effects;
using Catch::Matchers::WithinAbs;

TEST_CASE("every effect has a picture inside its square", "[effects][picture]")
{
    for (int k = 0; k < effectKindCount; ++k)
        for (const bool high : {false, true}) {
            Effect e = makeEffect(EffectKind(k), 1);
            const auto parameters = factsOf(e.kind).parameters;
            for (std::size_t p = 0; high && p < parameters.size(); ++p)
                e.values[p] = parameters[p].high;
            if (e.kind == EffectKind::space)
                e.impulse =
                    RecordingRef(makeRecording(Audio{rate, {noise(0.1, 0.2).left}}, "r.wav"));
            const auto picture = pictureOf(e, 1.6);
            CAPTURE(factsOf(e.kind).name, high);
            CHECK(picture.lines.size() + picture.area.size() + picture.bars.size() > 0);
            for (const auto& line : picture.lines)
                for (const auto& point : line) {
                    CHECK((point.x >= 0.0f && point.x <= 1.0f));
                    CHECK((point.y >= 0.0f && point.y <= 1.0f));
                }
            for (const float height : picture.area)
                CHECK((height >= 0.0f && height <= 1.0f));
        }
}

TEST_CASE("pictures say what is heard", "[effects][picture]")
{
    // Echoes stand where they come: in nine halves of the longer time.
    const auto echo =
        pictureOf(effect(EffectKind::echo, {{"left", inBeats(1.0)}, {"right", inBeats(0.5)}}), 2.0);
    std::set<int> left, right;
    for (const auto& bar : echo.bars)
        (bar.y > 0.0f ? left : right).insert(int(std::lround(1000.0 * 4.5 * double(bar.x))));
    CHECK(left.count(1000) == 1);
    CHECK(left.count(2000) == 1);
    CHECK(right.count(500) == 1);
    CHECK(right.count(1000) == 1);

    // A reverb falls by 60 dB over its picture's width, once it has begun.
    const auto hall = pictureOf(
        effect(EffectKind::reverb, {{"decay", 3.0}, {"damping", 20000.0}, {"preDelay", 0.0}}), 2.0);
    CHECK(hall.area[20] > 0.5f);
    CHECK_THAT(double(hall.area[20] - hall.area[60]), WithinAbs(40.0 / 120.0, 0.06));

    // An equaliser's curve passes where its bell does.
    const auto eq = pictureOf(
        effect(EffectKind::equaliser, {{"lowHz", 200.0}, {"lowDb", 12.0}, {"lowQ", 1.0}}), 2.0);
    CHECK_THAT(double(eq.lines[0][40].y), WithinAbs(0.75, 0.01));
}

TEST_CASE("ready chains are a dozen, in range and not too loud", "[effects][ready]")
{
    const auto& chains = readyChains();
    CHECK(chains.size() == 12);
    std::set<std::string> names;
    for (const auto& ready : chains) {
        CAPTURE(ready.name);
        CHECK(names.insert(ready.name).second);
        CHECK(sanitized(ready.effects) == ready.effects);
        // Within 8 dB of what goes in, so that trying them out is no shock.
        auto in = noise(0.1, 3.0);
        const auto out = through(ready.effects, in);
        CHECK_THAT(rmsDb(out.left, 1.0, 3.0), WithinAbs(rmsDb(in.left, 1.0, 3.0), 8.0));
    }
}
