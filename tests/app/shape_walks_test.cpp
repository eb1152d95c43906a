// SPDX-License-Identifier: GPL-3.0-or-later
// The walks that are about what a sound becomes under the hands: basses, leads, pads, drums and
// noises, each heard, saved, opened again equal, and walked back.
#include "model/edits/layer_copy.h"
#include "support/walking.h"

#include <cmath>

using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

const std::string sounds = DEMO_FOLDER "/sounds/";

/// How far the level goes up and down over stretches of 20 ms.
double swingDb(std::span<const float> wave)
{
    double low = 0.0, high = -200.0;
    for (std::size_t i = 0; i + 960 <= wave.size(); i += 960) {
        const double level = rmsDb(wave.subspan(i, 960));
        low = std::min(low, level);
        high = std::max(high, level);
    }
    return high - low;
}

} // namespace

TEST_CASE("walk 5: a shout that is no C", "[app][walk]")
{
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    d.goTo(Stop::pitch);
    auto* pitch = d.window.stop(Stop::pitch);
    const int root = d.take().tuning.rootKey;
    d.click(pitch, "Octave up");
    CHECK(d.take().tuning.rootKey == root + 12);
    d.click(pitch, "Octave down");
    CHECK(d.take().tuning.rootKey == root);
    // Behind the breath, and three ways on the same held key.
    const double middle = 0.6;
    d.type(soundOf(d), "Start", "0.6 s");
    CHECK_THAT(double(d.take().kept.start.value) / d.take().rate(), WithinAbs(middle, 1e-3));
    d.goTo(Stop::loop);
    auto* loop = d.window.stop(Stop::loop);
    d.noteOn(root, 100);
    for (const char* way : {"one-shot", "forward", "there and back"}) {
        CAPTURE(way);
        d.choose(loop, "Way", QString::fromLatin1(way));
        d.settle();
        CHECK(rmsDb(d.hear(0.3)) > -60.0);
    }
    CHECK(d.take().loop.mode == LoopMode::alternating);
    d.noteOff(root);
    (void)d.hear(0.5);
    d.type(shapeOf(d), "Release", "2 s");
    d.noteOn(root, 100);
    const double held = rmsDb(d.hear(0.4));
    d.noteOff(root);
    // 60 dB in two seconds.
    (void)d.hear(0.4);
    const double fallen = held - rmsDb(d.hear(0.1));
    CHECK(fallen > 6.0);
    CHECK(fallen < 40.0);
    saveAndWalkBack(d);
}

TEST_CASE("walk 6: a boom becomes a bass that slides, and nothing clicks", "[app][walk]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    const int root = d.take().tuning.rootKey;
    // A loop inside a stretch of choice.
    auto* sound = soundOf(d);
    d.type(sound, "Start", "0.8 s");
    d.type(sound, "End", "2.2 s");
    d.goTo(Stop::loop);
    d.click(d.window.stop(Stop::loop), "Find again");
    CHECK(d.take().loop.on);
    CHECK(d.take().loop.span.start >= d.take().kept.start);
    CHECK(d.take().loop.span.end <= d.take().kept.end);
    auto* shape = shapeOf(d);
    d.choose(shape, "Notes", "one, tied");
    d.type(shape, "Glide", "200 ms");
    d.type(shape, "Bend", "12");
    // An octave up at the very start, that falls.
    d.type(shape, "Second decay", "150 ms");
    d.type(shape, "Second sustain", "-60 dB");
    typeMovements(d, {"second envelope pitch 12 st"});
    d.noteOn(root, 90);
    (void)d.hear(0.6);
    const auto still = d.hear(0.4);
    CHECK_THAT(d.hearPitch(), WithinAbs(root, 0.1));
    // The next key takes over without a new attack: no second octave, no step.
    d.noteOn(root + 5, 90);
    d.noteOff(root);
    const auto sliding = d.hear(0.5);
    CHECK_THAT(d.hearPitch(), WithinAbs(root + 5, 0.1));
    // A fourth up, every partial bends by up to 2^(10/12) more; a click would be many times that.
    CHECK(worstEdge(sliding) < 2.0 * worstEdge(still));
    d.noteOff(root + 5);
    (void)d.hear(0.4);
    // The wheel at its end is an octave.
    d.send({MidiEvent::Kind::bend, 0, 0, 1.0f, 0});
    d.noteOn(root, 90);
    (void)d.hear(0.6);
    CHECK_THAT(d.hearPitch(), WithinAbs(root + 12, 0.1));
    d.noteOff(root);
    d.send({MidiEvent::Kind::bend, 0, 0, 0.0f, 0});
    saveAndWalkBack(d);
}

TEST_CASE(
    "walk 8: a plate, a knock and noise, each on C, and the untunable left alone", "[app][walk]")
{
    Driver d;
    for (const char* name : {"buoy-bell", "mooring-post"}) {
        CAPTURE(name);
        d.open(sounds + name + ".flac");
        d.goTo(Stop::pitch);
        auto* pitch = d.window.stop(Stop::pitch);
        d.click(pitch, "Hear both");
        CHECK(d.session().player().trial().on());
        CHECK(rmsDb(d.hear(0.4)) > -60.0);
        d.type(pitch, "Root key", "C4");
        CHECK(d.take().tuning.rootKey == 60);
        CHECK(d.take().tuning.source == TuningSource::byHand);
        d.goTo(Stop::sound);
        CHECK_FALSE(d.session().player().trial().on());
        // As it was recorded, on that key.
        CHECK(heardDb(d, 60) > -70.0);
    }
    d.open(sounds + "wind-in-the-rigging.flac");
    CHECK(d.take().facts->pitch.verdict == PitchVerdict::none);
    CHECK(d.take().tuning.fineCents == 0.0);
    d.goTo(Stop::pitch);
    bool said = false;
    for (auto* label : d.window.stop(Stop::pitch)->findChildren<QLabel*>())
        said = said || (label->isVisible() && label->text().contains("No clear pitch"));
    CHECK(said);
}

TEST_CASE("walk 9: a moaning pipe becomes a huge bass of four layers", "[app][walk]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    const int root = d.take().tuning.rootKey;
    auto* sound = soundOf(d);
    d.type(sound, "Start", "0.7 s"); // in the middle
    d.goTo(Stop::loop);
    d.session().looping().find();
    d.settle();
    REQUIRE(d.take().loop.on);
    effectsOf(d)->add(EffectKind::drive);
    auto* shape = shapeOf(d);
    d.choose(shape, "Filter", "low");
    d.type(shape, "Cutoff", "600 Hz");
    d.type(shape, "Resonance", "60 %");
    d.type(shape, "Unison", "6");
    typeMovements(d, {"sine 1 bar cutoff 2 oct"});
    CHECK(d.session().layer().unison.voices == 6);
    CHECK(d.session().layer().waves[0].beats == 4.0);
    d.noteOn(root, 100);
    (void)d.hear(0.5);
    CHECK(d.session().player().engine().look().voices >= 1);
    // A bar of 2.5 s: the filter opens and closes.
    CHECK(swingDb(d.hear(2.5)) > 3.0);
    d.noteOff(root);
    // Four layers: two run backwards, detuned, two an octave up, levels apart.
    d.session().edit("Layers", [](Instrument& next) {
        const auto first = next.layers[0].id;
        const auto back = copyLayer(next, first, LayerCopy::reversed);
        next.layer(back)->fineCents = -8.0;
        const auto up = copyLayer(next, first, LayerCopy::octaveUp);
        next.layer(up)->levelDb = -9.0;
        const auto both = copyLayer(next, back, LayerCopy::octaveUp);
        next.layer(both)->fineCents = 8.0;
        next.layer(both)->levelDb = -12.0;
    });
    d.settle();
    REQUIRE(d.document().layers.size() == 4);
    CHECK(d.document().takes.size() == 2); // what runs backwards has a take of its own
    const auto all = heardAt(d, root, 127);
    CHECK(rmsDb(all) > -50.0);
    // The limiter stands last, whatever four layers of six voices give.
    for (const int key : {root, root + 7, root + 12, root - 12})
        d.noteOn(key, 127);
    const auto loud = d.hear(1.0);
    CHECK(*std::max_element(loud.begin(), loud.end()) <= 1.0f);
    d.session().player().allOff();
    saveAndWalkBack(d);
}

TEST_CASE("walk 11: a sound nobody can tune, the same on all keys", "[app][walk]")
{
    Driver d;
    d.open(sounds + "wind-in-the-rigging.flac");
    auto& keys = d.keysStop();
    d.type(&keys, "Follow keys", "0 %");
    auto* sound = soundOf(d);
    sound->treatments()->add(Reverse{});
    sound->treatments()->add(Width{1.6});
    d.settle();
    d.goTo(Stop::loop);
    d.session().looping().find();
    d.settle();
    auto* loop = d.window.stop(Stop::loop);
    d.choose(loop, "Way", "there and back");
    d.type(loop, "Crossfade", "300 ms");
    CHECK(d.take().loop.mode == LoopMode::alternating);
    CHECK(d.take().loop.crossfade.value > 0);
    auto* shape = shapeOf(d);
    d.type(shape, "Octave", "-1");
    typeMovements(d, {"noise shake 20 %", "drift 0.2 Hz level 6 dB", "sine 0.1 Hz pan 60 %"});
    // The same on all keys.
    CHECK_THAT(heardDb(d, 36), WithinAbs(heardDb(d, 84), 6.0));
    saveAndWalkBack(d);
}

TEST_CASE("walk 12: one note of a bowed saw, its loudness on the wheel", "[app][walk]")
{
    Driver d;
    d.open(sounds + "keepers-hum.flac");
    const int root = d.take().tuning.rootKey;
    // The range of good taste is the one that was laid out: a hand may take it, or its own.
    auto& keys = d.keysStop();
    d.type(&keys, "Lowest key", "C2");
    d.type(&keys, "Highest key", "C5");
    CHECK(d.session().layer().zones[0].lowKey == 36);
    CHECK(d.session().layer().zones[0].highKey == 72);
    auto* sound = soundOf(d);
    sound->treatments()->add(EvenOut{0.4, {}});
    d.settle();
    d.goTo(Stop::loop);
    d.session().looping().find();
    d.settle();
    // Level at both ends of the loop.
    REQUIRE(d.session().looping().seam());
    CHECK(std::abs(d.session().looping().seam()->seam.levelDb) < 1.0);
    effectsOf(d)->add(EffectKind::drive);
    effectsOf(d)->add(EffectKind::reverb);
    d.type(shapeOf(d), "Touch", "0 %");
    typeMovements(d, {"wheel plays the loudness 24 dB"});
    CHECK(d.document().layers[0].levelDb == Approx(-24.0));
    const double soft = heardDb(d, root);
    d.send(MidiEvent::control(1, 127));
    (void)d.hear(2.0); // the hall of the soft note is gone
    // Less than the 24 dB of the layer: drive holds what is loud.
    CHECK(heardDb(d, root) > soft + 12.0);
    d.send(MidiEvent::control(1, 0));
    saveAndWalkBack(d);
}

TEST_CASE("walk 15: a thump becomes a drum without its click", "[app][walk]")
{
    Driver d;
    d.open(sounds + "mooring-post.flac");
    const int root = d.take().tuning.rootKey;
    auto* sound = soundOf(d);
    d.type(sound, "Fade in", "3 ms");
    d.type(sound, "Fade out", "30 ms");
    CHECK(d.take().fades.inSeconds == Approx(0.003));
    auto* shape = shapeOf(d);
    d.choose(shape, "Notes", "one");
    d.type(shape, "Glide", "60 ms");
    const auto strike = [&] {
        d.noteOn(root, 110);
        auto wave = d.hear(0.3);
        d.noteOff(root);
        (void)d.hear(1.0);
        return wave;
    };
    const auto plain = strike();
    // The second envelope opens the filter a little after the click has gone.
    d.choose(shape, "Filter", "low");
    d.type(shape, "Cutoff", "120 Hz");
    d.type(shape, "Second attack", "30 ms");
    d.type(shape, "Second sustain", "0 dB");
    d.type(shape, "Sweep", "5 oct");
    CHECK(d.session().layer().filter.envelopeOctaves == 5.0);
    const auto soft = strike();
    CHECK(worstEdge(soft) < 0.5 * worstEdge(plain));
    CHECK(rmsDb(soft) > rmsDb(plain) - 12.0);
    saveAndWalkBack(d);
}

TEST_CASE("walk 17: a clank frozen into a chord, a pluck and a pad", "[app][walk]")
{
    Driver d;
    d.open(sounds + "mooring-post.flac");
    auto& keys = d.keysStop();
    d.choose(&keys, "Plays", "frozen moment");
    d.type(&keys, "Grain", "1 ms");
    d.type(&keys, "Moment", "8 %");
    CHECK(d.session().layer().frozen.sizeSeconds == Approx(0.001));
    CHECK(d.session().layer().frozen.place == Approx(0.08));
    // Its tone is the root's, a key is in tune with a plain one by hand.
    d.goTo(Stop::pitch);
    auto* pitch = d.window.stop(Stop::pitch);
    d.click(pitch, "Hear both");
    d.type(pitch, "Fine tune", "12 ct");
    CHECK(d.take().tuning.fineCents == Approx(12.0));
    auto* shape = shapeOf(d);
    d.choose(shape, "Filter", "low");
    d.type(shape, "Cutoff", "300 Hz");
    typeMovements(d, {"wheel cutoff 4 oct"});
    const int root = d.take().tuning.rootKey;
    auto& player = d.session().player();
    for (const int key : {root, root + 4, root + 7})
        d.noteOn(key, 100);
    (void)d.hear(0.5);
    const double closed = worstEdge(d.hear(0.4));
    d.send(MidiEvent::control(1, 127));
    (void)d.hear(0.3);
    const auto open = d.hear(0.4);
    CHECK(rmsDb(open) > -60.0);
    CHECK(worstEdge(open) > 2.0 * closed); // brighter
    player.allOff();
    d.send(MidiEvent::control(1, 0));
    (void)d.hear(0.5);
    // Pluck and pad from the same sound.
    d.session().edit(
        "Another", [](Instrument& next) { copyLayer(next, next.layers[0].id, LayerCopy::same); });
    d.session().showLayer(d.document().layers[0].id);
    d.click(shapeOf(d), "Pluck");
    d.session().showLayer(d.document().layers[1].id);
    d.click(shapeOf(d), "Pad");
    CHECK(d.document().layers[0].envelope.sustainDb < d.document().layers[1].envelope.sustainDb);
    CHECK(d.document().layers[1].envelope.attack > d.document().layers[0].envelope.attack);
    saveAndWalkBack(d);
}
