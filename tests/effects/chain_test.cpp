// SPDX-License-Identifier: GPL-3.0-or-later
// The chain as it is edited while it sounds.
#include "support/effects.h"
#include "support/no_allocation.h"

#include <catch2/catch.hpp>

using namespace testing_effects;
using Catch::Matchers::WithinAbs;

namespace {

Effects someOfEach()
{
    Effects all;
    for (int k = 0; k < effectKindCount; ++k) {
        all.push_back(makeEffect(EffectKind(k), k + 1));
        if (EffectKind(k) == EffectKind::space)
            all.back().impulse =
                RecordingRef(makeRecording(Audio{rate, {noise(0.1, 0.3, 8).left}}, "room.wav"));
    }
    return all;
}

/// The largest second difference, against the same of a sound before anything happened.
double roughest(const std::vector<float>& sound, std::size_t from, std::size_t to)
{
    double most = 0.0;
    for (std::size_t i = from + 2; i < to; ++i)
        most = std::max(
            most, std::abs(double(sound[i]) - 2.0 * double(sound[i - 1]) + double(sound[i - 2])));
    return most;
}

} // namespace

TEST_CASE("blocks of any size give the same bits", "[effects][chain]")
{
    auto in = noise(0.2, 0.5);
    in.left.resize(std::size_t(1.5 * rate));
    in.right.resize(in.left.size());
    const auto cells = through(someOfEach(), in);
    for (const std::size_t block : {1U, 7U, 19U, 31U})
        CHECK(through(someOfEach(), in, block) == cells);
}

TEST_CASE("nothing of the chain allocates where audio runs", "[effects][chain]")
{
    Played played;
    auto all = someOfEach();
    played.want(all);
    auto sound = noise(0.2, 0.5);
    std::reverse(all.begin(), all.end());
    std::vector<ChainedEffect> none;
    const probe::NoAllocation guard;
    played.play(sound, 0, 12000);
    played.chain().setWanted(none);
    played.play(sound, 12000, 12000);
    CHECK(probe::NoAllocation::crimes() == 0);
}

TEST_CASE("switching, adding, taking away and moving effects does not click", "[effects][chain]")
{
    // A low tone through effects that change it a good deal: any step would stand out of what
    // little curve it has.
    const Effect drive = effect(EffectKind::drive, {{"drive", 3.0}, {"tone", 20000.0}}, 1);
    const Effect eq = effect(EffectKind::equaliser, {{"lowHz", 150.0}, {"lowDb", 9.0}}, 2);
    const Effect hall = effect(EffectKind::reverb, {{"mix", 0.5}}, 3);
    Effect off = drive;
    off.on = false;
    const std::vector<std::pair<const char*, Effects>> ways = {{"added", {drive, eq, hall}},
        {"switched off", {off, eq, hall}}, {"switched on", {drive, eq, hall}},
        {"moved", {hall, eq, drive}}, {"moved back", {drive, eq, hall}}, {"taken away", {eq, hall}},
        {"all gone", {}}};
    Played played;
    played.want({eq});
    auto sound = sine(110.0, 0.3, 8.0);
    played.play(sound, 0, 24000);
    std::size_t at = 24000;
    for (const auto& [name, effects] : ways) {
        played.want(effects);
        played.play(sound, at, 48000);
        CAPTURE(name);
        // All fading is over behind this. Until then nothing is much rougher than what comes before
        // and after it; a step of a fiftieth of full scale would be.
        constexpr std::size_t over = 2400;
        const double settled = std::max(
            roughest(sound.left, at - 12000, at), roughest(sound.left, at + over, at + 48000));
        CHECK(settled < 0.01);
        CHECK(roughest(sound.left, at, at + over) < 2.0 * settled);
        at += 48000;
    }
}

TEST_CASE("what is taken away rings on", "[effects][chain]")
{
    Played played;
    const Effect hall = effect(EffectKind::reverb, {{"decay", 3.0}, {"mix", 0.5}}, 1);
    played.want({hall});
    auto sound = noise(0.2, 1.0);
    sound.left.resize(std::size_t(6.0 * rate));
    sound.right.resize(sound.left.size());
    played.play(sound, 0, 48000);
    played.want({effect(EffectKind::drive, {}, 2)});
    played.play(sound, 48000, sound.left.size() - 48000);
    CHECK(rmsDb(sound.left, 1.0, 1.1) > -40.0);
    CHECK_THAT(rmsDb(sound.left, 2.0, 2.2) - rmsDb(sound.left, 3.0, 3.2), WithinAbs(20.0, 4.0));
    // And then it is gone for good.
    CHECK_FALSE(played.chain().silent());
    Stereo rest(std::size_t(8.0 * rate));
    played.play(rest, 0, rest.left.size());
    CHECK(played.chain().silent());
    CHECK(rest.left.back() == 0.0f);
}

TEST_CASE("a switched off echo rings on and takes nothing in", "[effects][chain]")
{
    Effect echo = effect(EffectKind::echo, {{"left", 0.2}, {"right", 0.2}, {"mix", 0.5}}, 1);
    Played played;
    played.want({echo});
    auto sound = impulse(1.0);
    played.play(sound, 0, 4800);
    echo.on = false;
    played.want({echo});
    sound.left[7000] = sound.right[7000] = 1.0f;
    played.play(sound, 4800, sound.left.size() - 4800);
    CHECK(std::abs(sound.left[9600]) > 0.5f);
    CHECK(std::abs(sound.left[16600]) < 0.02f);
    CHECK_THAT(double(sound.left[7000]), WithinAbs(1.0, 1e-3));
}

TEST_CASE("a silent chain sleeps and gives back zeros", "[effects][chain]")
{
    auto all = someOfEach();
    all.erase(all.begin() + int(EffectKind::duck)); // which keeps time
    Played played;
    played.want(all);
    auto sound = noise(0.2, 0.2);
    played.play(sound, 0, sound.left.size());
    CHECK_FALSE(played.chain().silent());
    Stereo rest(std::size_t(12.0 * rate));
    played.play(rest, 0, rest.left.size());
    CHECK(played.chain().silent());
    CHECK(rest.left.back() == 0.0f);
    // It wakes on the frame, as if it had never slept.
    auto again = impulse(0.1, 11);
    played.play(again, 0, again.left.size());
    CHECK(std::abs(again.left[11]) + std::abs(again.left[11 + 48]) > 0.0f);
}

TEST_CASE("values move smoothly and by movements", "[effects][chain]")
{
    Played played;
    Effect width = effect(EffectKind::width, {{"width", 0.0}, {"monoBelow", 10.0}}, 4);
    played.want({width});
    Stereo sound(48000);
    std::fill(sound.left.begin(), sound.left.end(), 0.5f);
    played.play(sound, 0, 4800);
    CHECK_THAT(double(sound.right[4000]), WithinAbs(0.25, 1e-3));
    played.chain().move(4, 0, 0.5f); // half of its range: 100 %
    played.play(sound, 4800, 9600);
    CHECK_THAT(double(sound.right[14000]), WithinAbs(0.0, 1e-3));
    CHECK(roughest(sound.right, 4700, 9000) < 0.01);
    played.chain().moveNothing();
    played.play(sound, 14400, 9600);
    CHECK_THAT(double(sound.right[23000]), WithinAbs(0.25, 1e-3));
}

TEST_CASE("random chains, edited at random, stay finite and bounded", "[effects][chain]")
{
    std::mt19937 random(11);
    const auto share = [&] { return double(random() % 1001) / 1000.0; };
    for (int round = 0; round < 25; ++round) {
        Played played;
        Effects effects;
        int id = 1;
        auto sound = noise(0.5, 1.0, unsigned(round + 1));
        sound.left[1000] = std::numeric_limits<float>::quiet_NaN();
        sound.right[2000] = std::numeric_limits<float>::infinity();
        for (std::size_t at = 0; at + 2000 <= sound.left.size(); at += 2000) {
            if (effects.empty() || random() % 3 == 0)
                effects.insert(effects.begin() + long(random() % (effects.size() + 1)),
                    makeEffect(EffectKind(random() % effectKindCount), id++));
            if (random() % 4 == 0 && effects.size() > 1)
                effects.erase(effects.begin() + long(random() % effects.size()));
            if (!effects.empty()) {
                Effect& e = effects[random() % effects.size()];
                const auto parameters = factsOf(e.kind).parameters;
                const auto p = random() % parameters.size();
                e.values[p] =
                    parameters[p].low + share() * (parameters[p].high - parameters[p].low);
                e.on = random() % 4 != 0;
                std::swap(e, effects[random() % effects.size()]);
            }
            effects = sanitized(effects);
            played.want(effects);
            played.play(sound, at, 2000, random() % 40 + 1);
        }
        float most = 0.0f;
        for (const auto* side : {&sound.left, &sound.right})
            for (std::size_t i = 0; i < 46000; ++i) {
                REQUIRE(std::isfinite((*side)[i]));
                most = std::max(most, std::abs((*side)[i]));
            }
        // 24 dB of one equaliser band and 24 of make-up, several times over.
        CHECK(most < 1e6f);
    }
}
