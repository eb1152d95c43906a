// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/ready_shape.h"

#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;

namespace {

constexpr double rate = 48000.0;

/// Partials of a bell that die away, behind a strike of noise.
Take bell()
{
    std::vector<float> wave(std::size_t(3.0 * rate));
    const auto strike = noise(rate, 0.02, 0.5);
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        wave[i] = float(0.4 * std::exp(-1.5 * t) * std::sin(2.0 * std::numbers::pi * 523.25 * t));
        if (i < strike.size())
            wave[i] += strike[i];
    }
    return plainTake(mono(wave), 72.0, "bell");
}

Instrument horn()
{
    return instrumentOf(
        looped(plainTake(mono(harmonicTone(110.0, rate, 3.0)), 45.0), 48000, 96000, 4000));
}

} // namespace

TEST_CASE("a bell's pad begins behind its strike, a horn's at its beginning", "[model][shape]")
{
    auto struck = instrumentOf(bell());
    const auto said = applyShape(struck, 1, ReadyShape::pad);
    CHECK_THAT(said, Contains("strike"));
    CHECK(struck.layers[0].inner == InnerUse::always);
    REQUIRE(struck.takes[0].hasInnerStart());
    const double inside = toSeconds(struck.takes[0].innerStart, rate);
    CHECK(inside > 0.01);
    CHECK(inside < 0.5);
    CHECK(struck.layers[0].envelope.attack > 0.1);
    auto held = horn();
    CHECK_THAT(applyShape(held, 1, ReadyShape::pad), !Contains("strike") && Contains("loop"));
    CHECK(held.layers[0].inner == InnerUse::never);
}

TEST_CASE("a frozen moment is shaped without its loop and strike", "[model][shape]")
{
    auto frozen = instrumentOf(bell());
    frozen.layers[0].manner = Manner::frozen;
    const auto takes = frozen.takes;
    for (const auto shape : {ReadyShape::pad, ReadyShape::drone, ReadyShape::drum}) {
        const auto said = applyShape(frozen, 1, shape);
        CHECK_THAT(said, !Contains("loop") && !Contains("strike") && !Contains("to its end"));
        CHECK(frozen.takes == takes);
        CHECK(frozen.layers[0].inner == InnerUse::never);
    }
    CHECK(frozen.layers[0].envelope.sustainDb == silentSustainDb); // a drum that ends
}

TEST_CASE("a struck sound is held by the loop that still has some of it", "[model][shape]")
{
    auto boom = instrumentOf(bell());
    auto& take = boom.takes[0];
    const auto choice = [](std::int64_t start, double cost, double holdsDb) {
        LoopCandidate c;
        c.loop.on = true;
        c.loop.span = {Frames{start}, Frames{start + 4800}};
        c.cost = cost;
        c.holdsDb = holdsDb;
        return c;
    };
    const auto heldFrom = [&](std::vector<LoopCandidate> choices) {
        auto next = boom;
        next.takes[0].loop.on = false;
        next.takes[0].facts.change().loopChoices = std::move(choices);
        applyShape(next, 1, ReadyShape::tiedBass);
        CHECK(next.takes[0].loop.on);
        return next.takes[0].loop.span.start.value;
    };
    take.loop.on = false;
    CHECK(heldFrom({choice(90000, 0.5, -40.0), choice(20000, 0.9, -18.0), choice(9000, 2.0, -6.0)})
        == 20000); // not the one whose joint is heard
    CHECK(heldFrom({choice(90000, 0.5, -8.0), choice(20000, 0.9, -1.0)}) == 90000);
    CHECK(heldFrom({choice(90000, 0.5, -20.0), choice(20000, 0.9, -17.0)}) == 90000);
    CHECK(heldFrom({choice(90000, 3.0, -40.0), choice(20000, 2.0, -18.0)}) == 20000);
}

TEST_CASE("a filter that something moves outlives a shape that has none", "[model][shape]")
{
    auto held = horn();
    held.layers[0].filter.kind = FilterKind::low;
    applyShape(held, 1, ReadyShape::pad);
    CHECK(held.layers[0].filter.kind == FilterKind::off);
    held.layers[0].filter.kind = FilterKind::low;
    held.layers[0].movements.push_back(
        {{SourceKind::wheel, 0}, Target::cutoff, 0, 2.0, {}, 0.0, true});
    applyShape(held, 1, ReadyShape::pad);
    CHECK(held.layers[0].filter.kind == FilterKind::low);
}

TEST_CASE("ready shapes set what they say, and as recorded takes it back", "[model][shape]")
{
    auto instrument = horn();
    const auto before = instrument;
    CHECK_THAT(applyShape(instrument, 1, ReadyShape::tiedBass), Contains("slides"));
    CHECK(instrument.layers[0].notes == Notes::tied);
    CHECK(instrument.layers[0].glide.seconds > 0.0);
    CHECK(instrument.layers[0].octave == 0); // it is low already
    applyShape(instrument, 1, ReadyShape::pluck);
    CHECK(instrument.layers[0].notes == Notes::many);
    CHECK(instrument.layers[0].envelope.sustainDb == silentSustainDb);
    CHECK(instrument.layers[0].filter.kind == FilterKind::low);
    applyShape(instrument, 1, ReadyShape::drum);
    CHECK(instrument.takes[0].loop.mode == LoopMode::oneShot);
    applyShape(instrument, 1, ReadyShape::drone);
    CHECK(instrument.layers[0].unison.voices == 3);
    CHECK(instrument.takes[0].loop.repeats());
    applyShape(instrument, 1, ReadyShape::asRecorded);
    CHECK(instrument == before);
    for (int i = 0; i < readyShapeCount; ++i) {
        auto empty = Instrument();
        CHECK_FALSE(applyShape(empty, 1, ReadyShape(i)).empty());
        CHECK(sanitized(empty) == empty);
        CHECK(std::string(nameOf(ReadyShape(i))).size() > 2);
    }
}
