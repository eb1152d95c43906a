// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/heard_takes.h"

#include "model/making/take_maker.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;

namespace {

Instrument threeTones()
{
    Instrument instrument;
    for (int i = 1; i <= 3; ++i) {
        Take take;
        take.id = i;
        take.recording =
            makeRecording(Audio{48000.0, {probe::sine(200.0 * i, 48000.0, 1.0)}}, "tone.wav");
        take.kept = {Frames{0}, Frames{48000}};
        instrument.takes.push_back(std::move(take));
        instrument.layers[0].zones.push_back({i, i, 40 + i, 40 + i});
    }
    // One of them twice.
    instrument.layers[0].zones.push_back({4, 1, 60, 60});
    return instrument;
}

} // namespace

TEST_CASE("takes are heard once, for as long as they stay as they are", "[model][shape]")
{
    auto instrument = threeTones();
    const std::vector<LayerId> layers{instrument.layers[0].id, LayerId{99}};
    CHECK(notHeard(instrument, layers, {}).size() == 3);
    const auto heard = listenToLayers(instrument, layers, {});
    CHECK(notHeard(instrument, layers, heard).empty());
    REQUIRE(heard.of(instrument.takes[1]) != nullptr);
    const auto alone = listenTo(instrument.takes[1]);
    CHECK(heard.of(instrument.takes[1])->to == alone.to);
    CHECK(heard.of(instrument.takes[1])->onset == alone.onset);

    instrument.takes[1].kept.start = Frames{4800};
    instrument.takes[2].recording =
        makeRecording(Audio{48000.0, {probe::sine(300.0, 48000.0, 1.0)}}, "another.wav");
    CHECK(heard.of(instrument.takes[0]) != nullptr);
    CHECK(heard.of(instrument.takes[1]) == nullptr);
    CHECK(heard.of(instrument.takes[2]) == nullptr);
    CHECK(notHeard(instrument, layers, heard).size() == 2);
}

TEST_CASE("listening that is given up keeps what it had", "[model][shape]")
{
    const auto instrument = threeTones();
    const std::vector<LayerId> layers{instrument.layers[0].id};
    HeardTakes before;
    before.keep(instrument.takes[0], listenTo(instrument.takes[0]));
    std::stop_source stop;
    stop.request_stop();
    const auto heard = listenToLayers(instrument, layers, before, {stop.get_token(), {}});
    CHECK(heard.of(instrument.takes[0]) != nullptr);
    CHECK(notHeard(instrument, layers, heard).size() == 2);
}
