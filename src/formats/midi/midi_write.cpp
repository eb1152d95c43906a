// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/midi/midi_file.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <string_view>

namespace puretone {

namespace {

constexpr int ticksPerQuarter = 480;

class Track {
public:
    void number(std::uint32_t value, int size)
    {
        for (int i = size - 1; i >= 0; --i)
            bytes.push_back(std::byte(value >> (8 * i) & 255U));
    }
    void text(std::string_view value)
    {
        for (const char c : value)
            bytes.push_back(std::byte(c));
    }
    /// Seven bits a byte, the last one without its highest bit.
    void variable(std::uint32_t value)
    {
        for (int shift = 21; shift > 0; shift -= 7)
            if (value >> shift != 0)
                number((value >> shift & 127U) | 128U, 1);
        number(value & 127U, 1);
    }
    /// @param data Two bytes, or one where `size` says so.
    void message(std::uint32_t tick, unsigned status, unsigned first, unsigned second, int size)
    {
        variable(tick - last_);
        last_ = tick;
        number(status, 1);
        number(first & 127U, 1);
        if (size > 1)
            number(second & 127U, 1);
    }
    void end(std::uint32_t tick)
    {
        variable(tick - last_);
        number(0xff2f00, 3);
    }
    std::vector<std::byte> bytes;

private:
    std::uint32_t last_ = 0;
};

void write(Track& track, std::uint32_t tick, const MidiEvent& e)
{
    using Kind = MidiEvent::Kind;
    const unsigned channel = e.channel & 15U;
    switch (e.kind) {
    case Kind::noteOn:
        track.message(tick, 0x90U | channel, e.key, std::max<unsigned>(1, e.value), 2);
        break;
    case Kind::noteOff:
        track.message(tick, 0x80U | channel, e.key, e.value, 2);
        break;
    case Kind::control:
        track.message(tick, 0xb0U | channel, e.key, e.value, 2);
        break;
    case Kind::keyPressure:
        track.message(tick, 0xa0U | channel, e.key, e.value, 2);
        break;
    case Kind::pressure:
        track.message(tick, 0xd0U | channel, e.value, 0, 1);
        break;
    case Kind::bend: {
        const auto value =
            unsigned(std::clamp(std::lround(double(e.bend) * 8192.0) + 8192, 0L, 16383L));
        track.message(tick, 0xe0U | channel, value, value >> 7U, 2);
        break;
    }
    case Kind::allOff:
        track.message(tick, 0xb0U | channel, 123, 0, 2);
        break;
    default:
        break;
    }
}

} // namespace

std::vector<std::byte> encodeMidiFile(std::vector<TimedEvent> events, double tempo)
{
    std::stable_sort(events.begin(), events.end(),
        [](const TimedEvent& a, const TimedEvent& b) { return a.seconds < b.seconds; });
    const double ticksPerSecond = tempo / 60.0 * ticksPerQuarter;
    const auto tickOf = [&](double seconds) {
        return std::uint32_t(std::max(0LL, std::llround(seconds * ticksPerSecond)));
    };
    Track track;
    track.number(0x00ff5103, 4); // at once: the tempo, microseconds a quarter
    track.number(std::uint32_t(std::lround(60e6 / tempo)), 3);
    std::array<std::uint8_t, 128> sounding{};
    std::uint32_t last = 0;
    for (const auto& [seconds, event] : events) {
        last = tickOf(seconds);
        write(track, last, event);
        auto& count = sounding[event.key & 127U];
        if (event.kind == MidiEvent::Kind::noteOn)
            count = 1;
        else if (event.kind == MidiEvent::Kind::noteOff)
            count = 0;
    }
    for (int key = 0; key < 128; ++key)
        if (sounding[std::size_t(key)] != 0)
            write(track, last, MidiEvent::noteOff(key));
    track.end(last);
    Track file;
    file.text("MThd");
    file.number(6, 4);
    file.number(0, 2); // one track
    file.number(1, 2);
    file.number(ticksPerQuarter, 2);
    file.text("MTrk");
    file.number(std::uint32_t(track.bytes.size()), 4);
    file.bytes.insert(file.bytes.end(), track.bytes.begin(), track.bytes.end());
    return std::move(file.bytes);
}

} // namespace puretone
