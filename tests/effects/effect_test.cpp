// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/effect.h"

#include "base/song_time.h"

#include <catch2/catch.hpp>
#include <random>
#include <set>

using namespace puretone;

TEST_CASE("the facts of effects are in order", "[effects]")
{
    std::set<std::string> names;
    for (int k = 0; k < effectKindCount; ++k) {
        const auto& facts = factsOf(EffectKind(k));
        CAPTURE(facts.name);
        CHECK(names.insert(facts.name).second);
        CHECK(facts.parameters.size() <= mostParameters);
        std::set<std::string> own;
        for (const auto& p : facts.parameters) {
            CAPTURE(p.name);
            CHECK(own.insert(p.name).second);
            CHECK(p.low < p.high);
            CHECK(inRange(p, p.standard) == p.standard);
            const bool isChoice = p.unit == ParameterUnit::choice;
            CHECK((p.words[0] != nullptr) == isChoice);
            if (isChoice) {
                CHECK(p.low == 0.0);
                CHECK(p.words[std::size_t(p.high)] != nullptr);
            }
        }
        CHECK((facts.place("mix") >= 0) == (facts.mix != MixLaw::none));
        CHECK(facts.mixPlace() == facts.place("mix"));
        CHECK_FALSE(describe(makeEffect(EffectKind(k), 1)).empty());
    }
}

TEST_CASE("whatever numbers effects bring, they come out in range", "[effects][bad]")
{
    std::mt19937 random(5);
    const double wild[] = {0.0, -1.0, 1.0, 1e300, -1e300, 0.5, 1e-300, 20000.0,
        std::numeric_limits<double>::quiet_NaN(), std::numeric_limits<double>::infinity()};
    for (int round = 0; round < 300; ++round) {
        Effects effects(random() % 30);
        for (Effect& e : effects) {
            e.id = int(random() % 7) - 2;
            e.kind = EffectKind(int(random() % 20) - 3);
            for (double& value : e.values)
                value = wild[random() % std::size(wild)];
        }
        const Effects clean = sanitized(effects);
        CHECK(clean.size() == std::min(effects.size(), mostEffects));
        std::set<int> ids;
        for (const Effect& e : clean) {
            CHECK(e.id > 0);
            CHECK(ids.insert(e.id).second);
            const auto parameters = factsOf(e.kind).parameters;
            for (std::size_t i = 0; i < parameters.size(); ++i)
                CHECK(inRange(parameters[i], e.values[i]) == e.values[i]);
            CHECK_FALSE(describe(e).empty());
        }
        CHECK(sanitized(clean) == clean);
    }
}

TEST_CASE("effects say what they are set to", "[effects]")
{
    Effect echo = makeEffect(EffectKind::echo, 1);
    CHECK(describe(echo) == "3/16 and 1/4");
    setValue(echo, "right", inBeats(0.75));
    setValue(echo, "crosses", 1.0);
    CHECK(describe(echo) == "3/16, crossing");
    Effect drive = makeEffect(EffectKind::drive, 1);
    setValue(drive, "drive", 6.0);
    CHECK(describe(drive) == "tape-like, 6 dB");
    Effect hall = makeEffect(EffectKind::reverb, 1);
    CHECK(describe(hall) == "hall, 2.20 s");
    setValue(hall, "kind", 3.0);
    CHECK(describe(hall) == "endless, 44.00 s");
    CHECK(valueOf(hall, "kid") == 0.0);
}
