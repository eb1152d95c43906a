// SPDX-License-Identifier: GPL-3.0-or-later
// What people want to get done, from beginning to end, with the hands that they have: three roads
// that go through effects and prints, each saved, opened again equal, and walked back.
#include "base/song_time.h"
#include "formats/formats.h"
#include "support/walking.h"

#include <tuple>

using namespace puretone;
using namespace puretone::app;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

const std::string sounds = SOURCE_FOLDER "/demo/sounds/";

} // namespace

TEST_CASE("walk 2: a hum becomes a choir, is printed, and frozen", "[app][walk]")
{
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    auto* sound = soundOf(d);
    sound->treatments()->add(Harmony{{-12.0, 7.0, 0.0, 0.0}, -3.0, true, 0.6});
    d.settle();
    d.type(sound, "Voice 3", "4 st");
    CHECK(std::get<Harmony>(d.take().treatments[0].what).semitones[2] == 4.0);
    CHECK(d.take().audio().channelCount() == 2);

    auto* stop = effectsOf(d);
    stop->add(EffectKind::reverb);
    d.choose(stop, "Kind", "endless");
    d.type(stop, "Decay", "300 ms");
    d.type(stop->print(), "Held", "1 s");
    d.click(stop, "Print a take");
    d.settle();
    REQUIRE(d.document().takes.size() == 2);
    const Take& print = *d.session().take();
    REQUIRE(print.print);
    CHECK(print.audio().seconds() > 3.0);
    // The root by ear: the print knows it, and it is the key that sounds it as it was.
    CHECK(heardDb(d, print.tuning.rootKey) > -50.0);

    auto& keys = d.keysStop();
    d.choose(&keys, "Plays", "frozen moment");
    d.type(&keys, "Grain", "1/16");
    d.type(&keys, "Scatter, place", "60 ms");
    CHECK(d.session().layer().frozen.sizeBeats == 0.25);
    auto* shape = shapeOf(d);
    shape->movements()->sentence()->setText("wheel moment 50 %");
    QTest::keyClick(shape->movements()->sentence(), Qt::Key_Return);
    REQUIRE(d.session().layer().movements.size() == 1);
    CHECK(heardDb(d, 48) > -60.0);
    saveAndWalkBack(d);
}

TEST_CASE("walk 14: the buoy bell through echo, ensemble, drive and hall", "[app][walk]")
{
    Driver d;
    d.open(sounds + "buoy-bell.flac");
    CHECK(d.take().tuning.rootKey == 72);
    soundOf(d)->treatments()->add(PassFilter{PassFilter::Cut::low, 150.0, 24});
    d.settle();
    auto* stop = effectsOf(d);
    const double dry = heardDb(d, 72);
    stop->add(EffectKind::echo);
    d.type(stop, "Time left", "3/16");
    stop->add(EffectKind::chorus);
    d.choose(stop, "Kind", "ensemble");
    stop->add(EffectKind::drive);
    d.type(stop, "Drive", "6 dB");
    stop->add(EffectKind::reverb);
    d.type(stop, "Decay", "4 s");
    d.settle();
    CHECK_THAT(heardDb(d, 72), WithinAbs(dry, 12.0));
    // Everything rings on behind the key.
    d.noteOn(72, 100);
    (void)d.hear(0.3);
    d.noteOff(72);
    (void)d.hear(0.5);
    CHECK(rmsDb(d.hear(0.2)) > -60.0);
    CHECK(readingOf(Stop::effects, d.document(), d.session().take(), {}).text == "4 effects");
    saveAndWalkBack(d);
}

TEST_CASE(
    "walk 16: a breathy note, compressed, in two hands, ducked by a kick's key", "[app][walk]")
{
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    auto* sound = soundOf(d);
    sound->treatments()->add(PassFilter{PassFilter::Cut::low, 90.0, 24});
    sound->treatments()->add(Colour{{makeEffect(EffectKind::compressor, 1)}, 96.0});
    d.settle();
    d.type(sound, "Threshold", "-30 dB");
    d.type(sound, "Ratio", "2");
    const auto& made = std::get<Colour>(d.take().treatments[1].what).effects[0];
    CHECK(valueOf(made, "threshold") == -30.0);
    // Two hands: the same take below and above a key, each on its side.
    d.session().editLayer("Two hands", [](Layer& layer) {
        layer.zones[0].lowKey = 0;
        layer.zones[0].highKey = 59;
        layer.zones[0].pan = -0.6;
        Zone right = layer.zones[0];
        right.id = 99;
        right.lowKey = 60;
        right.highKey = 127;
        right.pan = 0.6;
        layer.zones.push_back(right);
    });
    auto* stop = effectsOf(d);
    stop->add(EffectKind::duck);
    d.choose(stop, "Ducks by", "a key");
    d.type(stop, "Ducking key", "24");
    d.type(stop, "Depth", "30 dB");
    d.type(stop, "Comes back in", "2 s");
    d.settle();
    d.noteOn(57, 100);
    (void)d.hear(0.5);
    const double before = rmsDb(d.hear(0.2));
    d.noteOn(24, 1);
    const auto ducked = d.hear(0.2);
    CHECK(rmsDb(std::span(ducked).subspan(ducked.size() / 2)) < before - 10.0);
    d.session().player().allOff();
    saveAndWalkBack(d);
}

TEST_CASE("walk 4: noise of a harbour, slow and low, through echo and a long hall", "[app][walk]")
{
    Driver d;
    d.open(sounds + "wind-in-the-rigging.flac");
    auto* stop = effectsOf(d);
    stop->add(EffectKind::echo);
    d.type(stop, "Time left", "1/4");
    stop->add(EffectKind::reverb);
    d.type(stop, "Decay", "8 s");
    d.session().editLayer("Slow and low", [](Layer& layer) {
        layer.envelope.attack = 0.3;
        layer.filter.kind = FilterKind::low;
        layer.filter.hz = 900.0;
    });
    const int key = d.take().tuning.rootKey;
    d.noteOn(key, 110);
    (void)d.hear(0.8);
    // The loop's start moves while the note is held, and the note goes on.
    d.session().editTake("Move loop start", [](Take& take) {
        take.loop.on = true;
        take.loop.span = {take.kept.start, take.kept.end};
        take.loop = withLoopStart(take.loop, take.kept, take.kept.start.value + 9600);
    });
    d.settle();
    CHECK(rmsDb(d.hear(0.3)) > -70.0);
    d.noteOff(key);
    REQUIRE([&] {
        for (int i = 0; i < 300; ++i) {
            const auto chosen = stop->print()->strip()->chosen();
            if (chosen.to > chosen.from)
                return true;
            QTest::qWait(10);
        }
        return false;
    }());
    d.click(stop, "As a take");
    for (int i = 0; i < 300 && d.document().takes.size() < 2; ++i)
        QTest::qWait(10);
    CHECK(d.document().takes.size() == 2);
    saveAndWalkBack(d);
}

TEST_CASE("walk 7: a sung line becomes a lead", "[app][walk]")
{
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    auto* sound = soundOf(d);
    sound->treatments()->add(Transpose{});
    d.settle();
    d.type(sound, "Pitch", "7 st");
    d.type(sound, "Formants", "-5 st");
    CHECK(std::get<Transpose>(d.take().treatments[0].what) == Transpose{7.0, -5.0});
    auto* stop = effectsOf(d);
    stop->add(EffectKind::drive);
    stop->add(EffectKind::phaser);
    d.click(stop, "Print onto this take");
    d.settle();
    REQUIRE(d.take().treatments.size() == 2);
    (void)soundOf(d);
    d.type(sound, "Start", "0.5 s");
    d.type(sound, "End", "1.7 s");
    d.session().editTake("Root", [](Take& take) {
        take.tuning.rootKey = 51;
        take.tuning.source = TuningSource::byHand;
    });
    (void)effectsOf(d);
    stop->add(EffectKind::echo);
    d.session().edit("Octaves", [](Instrument& next) {
        next.layers[0].zones[0].lowKey = 24;
        next.layers[0].zones[0].highKey = 84;
        for (const int octave : {-1, 1})
            next.layer(duplicateLayer(next, next.layers[0].id))->octave = octave;
        next.pattern.on = true;
    });
    d.settle();
    CHECK(d.document().layers.size() == 3);
    d.noteOn(51, 100);
    d.noteOn(58, 100);
    CHECK(rmsDb(d.hear(1.0)) > -60.0);
    d.session().player().allOff();
    saveAndWalkBack(d);
}

TEST_CASE("walk 1: a horn in chords, a knock as a bass, wind as a pad, a little room on all",
    "[app][walk]")
{
    Driver d;
    d.drop(sounds + "fog-horn.flac");
    d.session().opening().addFiles({QString::fromStdString(sounds + "mooring-post.flac"),
        QString::fromStdString(sounds + "wind-in-the-rigging.flac")});
    d.settle();
    REQUIRE(d.document().takes.size() == 3);
    auto* sound = soundOf(d);
    d.type(sound, "Fade in", "20 ms");
    // Each take its own layer and keys.
    d.session().edit("Three layers", [](Instrument& next) {
        const auto zones = next.layers[0].zones;
        const auto knock = addLayer(next), pad = addLayer(next);
        next.layers[0].zones = {zones[0]};
        next.layer(knock)->zones = {zones[1]};
        next.layer(knock)->notes = Notes::one;
        next.layer(knock)->octave = -2;
        next.layer(pad)->zones = {zones[2]};
        const std::pair<int, int> keys[] = {{48, 71}, {24, 47}, {72, 108}};
        for (std::size_t i = 0; i < 3; ++i)
            std::tie(next.layers[i].zones[0].lowKey, next.layers[i].zones[0].highKey) = keys[i];
    });
    auto* stop = effectsOf(d);
    d.click(stop, "Keeper's kitchen");
    d.settle();
    for (const int key : {48, 52, 55, 36, 74})
        d.noteOn(key, 100);
    CHECK(rmsDb(d.hear(0.6)) > -50.0);
    d.session().player().allOff();
    saveAndWalkBack(d);
}
