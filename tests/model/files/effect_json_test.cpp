// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/song_time.h"
#include "model/files/json.h"
#include "model/words/movement_words.h"
#include "support/signals.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

namespace {

Instrument withChain()
{
    auto instrument = instrumentOf(plainTake(mono(sine(220.0, 48000.0, 0.5)), 57.0));
    for (int k = 0; k < effectKindCount; ++k) {
        instrument.effects.push_back(makeEffect(EffectKind(k), 10 * k + 3));
        instrument.effects.back().on = k % 3 != 0;
    }
    setValue(instrument.effects[std::size_t(EffectKind::echo)], "left", inBeats(1.5));
    instrument.effects[std::size_t(EffectKind::space)].impulse =
        RecordingRef(makeRecording(mono(noise(2000, 4)), "boat house.wav"));
    instrument.layers[0].toEffects = 0.4;
    return instrument;
}

Result<Instrument> reread(const Instrument& instrument, const std::string& text)
{
    return fromJson(text, "x.puretone",
        [&](const std::string& path, const std::string&) -> Result<RecordingPtr> {
            for (const auto& take : instrument.takes)
                if (path == audioPath(*take.recording))
                    return take.recording.pointer();
            for (const auto& effect : instrument.effects)
                if (effect.impulse.pointer() && path == audioPath(*effect.impulse))
                    return effect.impulse.pointer();
            return fail(ErrorCode::damaged, "There is no " + path + ".", "");
        });
}

} // namespace

TEST_CASE("a chain comes back as it was written, with its impulse", "[model][effects]")
{
    const auto instrument = withChain();
    const auto again = reread(instrument, toJson(instrument));
    REQUIRE(again);
    CHECK(again->effects == instrument.effects);
    CHECK(*again == instrument);
}

TEST_CASE("an effect that is not known is refused, a value that is not known left out",
    "[model][effects][bad-input]")
{
    const auto instrument = withChain();
    auto text = toJson(instrument);
    auto other = text;
    other.replace(other.find("\"flanger\""), 9, "\"flinger\"");
    CHECK_FALSE(reread(instrument, other));
    other = text;
    other.replace(other.find("\"crosses\""), 9, "\"crosser\"");
    CHECK(reread(instrument, other));
    other = text;
    other.replace(other.find("\"values\": {"), 11, "\"values\": 3, \"v\": {");
    CHECK_FALSE(reread(instrument, other));
}

TEST_CASE("movements of effects are said, typed, and go with their effect", "[model][effects]")
{
    auto instrument = withChain();
    const auto made = parseMovement("wheel echo mix 40 %", instrument.effects);
    REQUIRE(made);
    CHECK(made->movement.target == Target::effect);
    CHECK(made->movement.amount == Approx(0.4));
    auto& layer = instrument.layers[0];
    REQUIRE(addMovement(layer, *made));
    CHECK(sentenceOf(layer, layer.movements[0], instrument.effects).whole()
        == "Mod wheel raises the echo mix by +40 %");
    // The filter's drive and an effect's are told apart by what is said behind.
    CHECK(parseMovement("wheel drive 6 dB", instrument.effects)->movement.target == Target::drive);
    CHECK(parseMovement("wheel drive high cut 20 %", instrument.effects)->movement.target
        == Target::effect);
    const auto again = reread(instrument, toJson(instrument));
    REQUIRE(again);
    CHECK(again->layers[0].movements == layer.movements);
    std::erase_if(instrument.effects, [](const Effect& e) { return e.kind == EffectKind::echo; });
    CHECK(sanitized(instrument).layers[0].movements.empty());
}
