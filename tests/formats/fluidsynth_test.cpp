// SPDX-License-Identifier: GPL-3.0-or-later
// An independent reader's word on what is written: libfluidsynth plays the file.
#include "engine/offline/render.h"
#include "formats/project/instrument_file.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fluidsynth.h>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

class Synth {
public:
    explicit Synth(const std::filesystem::path& file)
    {
        for (const int level : {FLUID_PANIC, FLUID_ERR, FLUID_WARN, FLUID_INFO, FLUID_DBG})
            fluid_set_log_function(level, nullptr, nullptr);
        fluid_settings_setnum(settings_.get(), "synth.sample-rate", 48000.0);
        fluid_settings_setint(settings_.get(), "synth.reverb.active", 0);
        fluid_settings_setint(settings_.get(), "synth.chorus.active", 0);
        synth_.reset(new_fluid_synth(settings_.get()));
        loaded_ = fluid_synth_sfload(synth_.get(), file.c_str(), 1) != FLUID_FAILED;
    }
    bool loaded() const { return loaded_; }
    void on(int key) { fluid_synth_noteon(synth_.get(), 0, key, 100); }
    void off(int key) { fluid_synth_noteoff(synth_.get(), 0, key); }
    std::vector<float> render(double seconds)
    {
        std::vector<float> left(std::size_t(seconds * 48000.0)), right(left.size());
        fluid_synth_write_float(
            synth_.get(), int(left.size()), left.data(), 0, 1, right.data(), 0, 1);
        return left;
    }

private:
    std::unique_ptr<fluid_settings_t, void (*)(fluid_settings_t*)> settings_{
        new_fluid_settings(), delete_fluid_settings};
    std::unique_ptr<fluid_synth_t, void (*)(fluid_synth_t*)> synth_{nullptr, delete_fluid_synth};
    bool loaded_ = false;
};

} // namespace

TEST_CASE(
    "another synthesizer plays our SoundFont in tune and for ever", "[formats][sf2][fluidsynth]")
{
    const TemporaryFolder folder;
    const double midi = GENERATE(57.31, 45.92);
    Audio audio = mono(harmonicTone(hzOf(midi).value, 48000.0, 2.0));
    if (midi > 50.0)
        audio.channels.push_back(audio.channels[0]);
    REQUIRE(writeInstrument(
        makeInstrument(*makeTake(makeRecording(std::move(audio), "tone.wav"))), folder / "x.sf2"));
    Synth synth(folder / "x.sf2");
    REQUIRE(synth.loaded());
    for (const int key : {36, 57, 84}) {
        CAPTURE(key, midi);
        synth.on(key);
        synth.render(0.2);
        const auto heard = analysePitch(synth.render(1.0), 48000.0);
        synth.off(key);
        synth.render(1.0);
        REQUIRE(heard.midi);
        // Whole cents in the file, and the reading's own tenth.
        CHECK_THAT(100.0 * (*heard.midi - key), WithinAbs(0.0, 2.0));
    }
    synth.on(57);
    synth.render(0.2);
    const double early = rmsDb(synth.render(1.0));
    synth.render(18.0);
    CHECK_THAT(rmsDb(synth.render(1.0)), WithinAbs(early, 0.5));
}

TEST_CASE(
    "zones, levels and pitches of a SoundFont are the engine's, as another synthesizer plays them",
    "[formats][sf2][fluidsynth][layers]")
{
    // Six takes of other loudness and root, zones and layers at other levels.
    Instrument instrument;
    std::vector<Take> takes;
    for (int i = 0; i < 6; ++i) {
        const double midi = 48.0 + 5.0 * i + 0.07 * i;
        takes.push_back(
            looped(plainTake(mono(harmonicTone(hzOf(midi).value, 48000.0, 2.0)), midi, "take"),
                20000, 76000, 8000));
        for (auto& sample : const_cast<Audio&>(takes.back().audio()).channels[0])
            sample *= 0.15f + 0.05f * float(i);
    }
    addTakes(instrument, std::move(takes));
    for (auto& zone : instrument.layers[0].zones)
        zone.levelDb = -1.5 * double(&zone - instrument.layers[0].zones.data());
    const auto second = duplicateLayer(instrument, instrument.layers[0].id);
    instrument.layer(second)->levelDb = -5.0;
    instrument.layer(second)->octave = 1;
    instrument = sanitized(std::move(instrument));
    const TemporaryFolder folder;
    REQUIRE(writeInstrument(instrument, folder / "x.sf2"));
    Synth synth(folder / "x.sf2");
    REQUIRE(synth.loaded());
    std::optional<double> usual;
    for (int key = 46; key <= 74; key += 4) {
        CAPTURE(key);
        const auto ours = renderEvents(instrument,
            {{0.0, MidiEvent::noteOn(key, 100)}, {1.4, MidiEvent::noteOff(key)}}, 48000.0)
                              .channels[0];
        const auto mine = std::span(ours).subspan(9600, 48000);
        synth.on(key);
        synth.render(0.2);
        const auto theirs = synth.render(1.0);
        synth.off(key);
        synth.render(1.5);
        // As old sound cards did, it takes 0.4 of the attenuation that the file says.
        double attenuation = 0.0;
        for (const auto& zone : instrument.layers[0].zones)
            if (inZone(zone, key, 100))
                attenuation = -zone.levelDb;
        const double apart = rmsDb(theirs) - rmsDb(mine) - 0.6 * attenuation;
        if (!usual)
            usual = apart;
        CHECK_THAT(apart, WithinAbs(*usual, 0.5));
        const auto a = analysePitch(mine, 48000.0), b = analysePitch(theirs, 48000.0);
        REQUIRE(a.midi);
        REQUIRE(b.midi);
        CHECK_THAT(100.0 * (*a.midi - *b.midi), WithinAbs(0.0, 1.0));
    }
}
