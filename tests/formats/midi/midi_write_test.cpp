// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/midi/midi_file.h"

#include <catch2/catch.hpp>
#include <random>

using namespace puretone;

TEST_CASE("notes that are written as a MIDI file come back", "[formats][midi]")
{
    using Kind = MidiEvent::Kind;
    std::mt19937 random(2);
    std::vector<TimedEvent> events;
    double at = 0.0;
    for (int i = 0; i < 400; ++i) {
        at += double(random() % 200) / 1000.0;
        const auto key = int(random() % 128);
        switch (random() % 6) {
        case 0:
            events.push_back({at, MidiEvent::control(int(random() % 119), int(random() % 128))});
            break;
        case 1:
            events.push_back({at, {Kind::bend, 0, 0, float(random() % 16384) / 8192.0f - 1.0f, 3}});
            break;
        case 2:
            events.push_back({at, {Kind::pressure, 0, std::uint8_t(random() % 128), 0.0f, 5}});
            break;
        default:
            events.push_back({at, MidiEvent::noteOn(key, 1 + int(random() % 127))});
            events.push_back({at + 0.1, MidiEvent::noteOff(key)});
        }
    }
    const auto bytes = encodeMidiFile(events, 133.0);
    CHECK(tempoOfMidiFile(bytes) == Approx(133.0).epsilon(1e-4));
    const auto again = decodeMidiFile(bytes, "x.mid");
    REQUIRE(again);
    std::stable_sort(events.begin(), events.end(),
        [](const TimedEvent& a, const TimedEvent& b) { return a.seconds < b.seconds; });
    REQUIRE(again->size() == events.size());
    for (std::size_t i = 0; i < events.size(); ++i) {
        const auto &a = events[i], &b = (*again)[i];
        CHECK(std::abs(a.seconds - b.seconds) < 0.001);
        CHECK(a.event.kind == b.event.kind);
        CHECK(a.event.key == b.event.key);
        CHECK(a.event.value == b.event.value);
        CHECK(a.event.channel == b.event.channel);
        CHECK(std::abs(a.event.bend - b.event.bend) < 2e-4f);
    }
}

TEST_CASE("notes that were held when the stretch ended are let go in its file", "[formats][midi]")
{
    const auto bytes =
        encodeMidiFile({{0.0, MidiEvent::noteOn(60, 90)}, {1.0, MidiEvent::control(1, 5)}}, 120.0);
    const auto again = decodeMidiFile(bytes, "x.mid");
    REQUIRE(again);
    REQUIRE(again->size() == 3);
    CHECK(again->back().event.kind == MidiEvent::Kind::noteOff);
    CHECK(again->back().event.key == 60);
    CHECK_FALSE(encodeMidiFile({}, 120.0).empty());
    CHECK(tempoOfMidiFile({}) == 120.0);
}
