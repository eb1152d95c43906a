// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <span>

namespace puretone {

/// Where notes begin to play: for hearing one part of a loop on its own.
enum class NoteEntry : std::uint8_t { beginning, loopStart, beforeJoint };

/// What a keyboard, a file or the window tells the engine.
struct MidiEvent {
    enum class Kind : std::uint8_t { noteOn, noteOff, control, bend, allOff, entry };
    Kind kind = Kind::noteOff;
    std::uint8_t key = 0; ///< Key, or controller number.
    std::uint8_t value = 0; ///< Velocity 1 to 127, or controller value.
    float bend = 0.0f; ///< -1 to 1.

    static MidiEvent noteOn(int key, int velocity)
    {
        return {Kind::noteOn, std::uint8_t(key), std::uint8_t(velocity), 0.0f};
    }
    static MidiEvent noteOff(int key) { return {Kind::noteOff, std::uint8_t(key), 0, 0.0f}; }
    /// Of the notes that follow; no message of the MIDI standard.
    static MidiEvent enterAt(NoteEntry entry)
    {
        return {Kind::entry, 0, std::uint8_t(entry), 0.0f};
    }
    static MidiEvent allOff() { return {Kind::allOff, 0, 0, 0.0f}; }
};

/// Reads one MIDI 1.0 channel message; every channel is heard. Nothing for what the engine ignores.
inline std::optional<MidiEvent> parseMidi(std::span<const std::uint8_t> bytes)
{
    using Kind = MidiEvent::Kind;
    if (bytes.size() < 3 || (bytes[1] | bytes[2]) > 127)
        return std::nullopt;
    const unsigned status = bytes[0] & 0xf0U;
    if (status == 0x80 || (status == 0x90 && bytes[2] == 0)) // velocity 0 is a note-off
        return MidiEvent::noteOff(bytes[1]);
    switch (status) {
    case 0x90:
        return MidiEvent::noteOn(bytes[1], bytes[2]);
    case 0xb0:
        if (bytes[1] == 120 || bytes[1] == 123)
            return MidiEvent::allOff();
        return MidiEvent{Kind::control, bytes[1], bytes[2], 0.0f};
    case 0xe0:
        return MidiEvent{
            Kind::bend, 0, 0, float((int(bytes[2]) << 7 | int(bytes[1])) - 8192) / 8192.0f};
    default:
        return std::nullopt;
    }
}

} // namespace puretone
