// SPDX-License-Identifier: GPL-3.0-or-later
// A knock becomes a bass that slides, a bell a pad that the wheel opens, a horn a slow chorus:
// heard, saved, opened again, and written for others with a list of what is lost.
#include "engine/offline/render.h"
#include "formats/export/regions.h"
#include "formats/project/instrument_file.h"
#include "model/edits/ready_shape.h"
#include "model/words/movement_words.h"
#include "pitch/report.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;
const std::string sounds = SOURCE_FOLDER "/demo/sounds/";

Instrument instrumentFrom(const std::string& file)
{
    const auto recording = openRecording(sounds + file);
    REQUIRE(recording);
    auto take = makeTake(*recording);
    REQUIRE(take);
    return makeInstrument(std::move(*take));
}

void add(Instrument& instrument, const std::string& sentence)
{
    const auto made = parseMovement(sentence);
    REQUIRE(made);
    REQUIRE(addMovement(instrument.layers[0], *made));
}

std::vector<float> play(const Instrument& instrument, std::vector<TimedEvent> events)
{
    return renderEvents(instrument, std::move(events), rate, 2.0).channels[0];
}
TimedEvent on(double seconds, int key)
{
    return {seconds, MidiEvent::noteOn(key, 100)};
}
TimedEvent off(double seconds, int key)
{
    return {seconds, MidiEvent::noteOff(key)};
}
std::span<const float> part(const std::vector<float>& wave, double from, double to)
{
    return std::span(wave).subspan(std::size_t(from * rate), std::size_t((to - from) * rate));
}

/// Centre of the spectrum's power, by zero crossings: bright sounds cross more often.
double crossings(std::span<const float> wave)
{
    int count = 0;
    for (std::size_t i = 1; i < wave.size(); ++i)
        count += (wave[i] > 0.0f) != (wave[i - 1] > 0.0f) ? 1 : 0;
    return double(count) / (double(wave.size()) / rate);
}

/// Saved, opened again, and written as SFZ and SF2, which say what they lose.
void checkFiles(const Instrument& instrument)
{
    const TemporaryFolder folder;
    const auto path = folder / "x.puretone";
    REQUIRE(writeInstrument(instrument, path));
    const auto again = openInstrument(path);
    REQUIRE(again);
    CHECK(*again == instrument);
    for (const auto kind : {FileKind::sfz, FileKind::sf2}) {
        CHECK_FALSE(lossesOf(instrument, kind).empty());
        const auto written =
            writeInstrument(instrument, folder / (kind == FileKind::sfz ? "x.sfz" : "x.sf2"));
        INFO((written ? std::string() : written.error().sentence()));
        CHECK(written);
    }
}

} // namespace

TEST_CASE("the knock becomes a tied bass that slides, without a click", "[formats][shape][road]")
{
    auto knock = instrumentFrom("mooring-post.flac");
    applyShape(knock, 1, ReadyShape::tiedBass);
    Layer& layer = knock.layers[0];
    CHECK(layer.notes == Notes::tied);
    layer.glide.seconds = 0.2;
    layer.bendSemitones = 12.0;
    layer.second.decay = 0.12;
    layer.second.sustainDb = silentSustainDb;
    add(knock, "second envelope pitch 12 st");
    knock = sanitized(std::move(knock));
    const int key = knock.takes[0].tuning.rootKey;
    const auto wave =
        play(knock, {on(0.0, key), on(0.25, key + 5), off(0.6, key + 5), off(0.9, key)});
    CHECK(rmsDb(part(wave, 0.0, 0.2)) > -45.0);
    // The attack itself is the roughest thing of all: nothing later stands out beside it.
    CHECK(worstEdge(part(wave, 0.1, 0.9)) < worstEdge(part(wave, 0.0, 0.1)));
    // And no step where the second key ties.
    CHECK(worstEdge(part(wave, 0.245, 0.265)) < 2.0 * worstEdge(part(wave, 0.2, 0.245)));
    checkFiles(knock);
}

TEST_CASE("the bell becomes a pad whose filter the wheel opens", "[formats][shape][road]")
{
    auto bell = instrumentFrom("buoy-bell.flac");
    applyShape(bell, 1, ReadyShape::pad);
    bell.layers[0].filter.kind = FilterKind::low;
    bell.layers[0].filter.hz = 500.0;
    add(bell, "drift 0.3 Hz cutoff 0.5 oct");
    add(bell, "wheel cutoff 4 oct");
    bell = sanitized(std::move(bell));
    const int key = bell.takes[0].tuning.rootKey;
    const auto closed = play(bell, {on(0.0, key), off(2.0, key)});
    const auto open = play(bell, {{0.0, MidiEvent::control(1, 127)}, on(0.0, key), off(2.0, key)});
    // It swells: the strike is gone.
    CHECK(rmsDb(part(closed, 0.0, 0.05)) < rmsDb(part(closed, 0.6, 1.0)) - 6.0);
    CHECK(rmsDb(part(open, 0.8, 1.8)) > rmsDb(part(closed, 0.8, 1.8)) - 1.0);
    CHECK(crossings(part(open, 0.8, 1.8)) >= crossings(part(closed, 0.8, 1.8)));
    checkFiles(bell);
}

TEST_CASE(
    "the horn takes four voices and a wave of one bar on its cutoff", "[formats][shape][road]")
{
    auto horn = instrumentFrom("fog-horn.flac");
    horn.tempo = 120.0; // a bar is two seconds
    horn.layers[0].unison = {4, 11.0, 0.8, 1.0};
    horn.layers[0].filter.kind = FilterKind::low;
    horn.layers[0].filter.hz = 700.0;
    add(horn, "sine 1 bar cutoff 2 oct");
    horn = sanitized(std::move(horn));
    CHECK(horn.layers[0].waves[0].beats == 4.0);
    const int key = horn.takes[0].tuning.rootKey;
    const auto wave = play(horn, {on(0.0, key), off(4.2, key)});
    // Bright after a quarter of the bar, dull after three, and so again a bar later.
    for (const double bar : {0.0, 2.0})
        CHECK(crossings(part(wave, bar + 0.4, bar + 0.6))
            > crossings(part(wave, bar + 1.4, bar + 1.6)));
    checkFiles(horn);
}
