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
    enum class Kind : std::uint8_t {
        noteOn,
        noteOff,
        control,
        bend,
        pressure, ///< Of the channel.
        keyPressure,
        allOff,
        entry,
        restrike, ///< What is held by Hold begins again; no message of the MIDI standard.
        clock, ///< A 24th of a beat.
        clockStart, ///< From the beginning of the song.
        clockContinue, ///< From where the song stands.
        clockStop,
        songPosition, ///< Where the song stands: sixteenths in `key` (low) and `value` (high).
    };
    Kind kind = Kind::noteOff;
    std::uint8_t key = 0; ///< Key, or controller number.
    std::uint8_t value = 0; ///< Touch 1 to 127 (0 to 127 of a note's end), controller, pressure.
    float bend = 0.0f; ///< -1 to 1.
    std::uint8_t channel = 0; ///< 0 to 15.
    bool byHand = false; ///< Somebody pressed a key, which Hold may keep down.

    static MidiEvent noteOn(int key, int velocity)
    {
        return {Kind::noteOn, std::uint8_t(key), std::uint8_t(velocity), 0.0f, 0};
    }
    static MidiEvent noteOff(int key) { return {Kind::noteOff, std::uint8_t(key), 0, 0.0f, 0}; }
    static MidiEvent control(int number, int value)
    {
        return {Kind::control, std::uint8_t(number), std::uint8_t(value), 0.0f, 0};
    }
    /// Of the notes that follow; no message of the MIDI standard.
    static MidiEvent enterAt(NoteEntry entry)
    {
        return {Kind::entry, 0, std::uint8_t(entry), 0.0f, 0};
    }
    /// @param sixteenths Since the song began, 0 to 16383.
    static MidiEvent songPosition(int sixteenths)
    {
        return {Kind::songPosition, std::uint8_t(sixteenths & 127),
            std::uint8_t(sixteenths >> 7 & 127), 0.0f, 0};
    }
    static MidiEvent allOff() { return {Kind::allOff, 0, 0, 0.0f, 0}; }
};

/// Reads one MIDI 1.0 channel or clock message; every channel is heard. Nothing for what the engine
/// ignores: programs and banks, system exclusive, time codes.
inline std::optional<MidiEvent> parseMidi(std::span<const std::uint8_t> bytes)
{
    using Kind = MidiEvent::Kind;
    if (bytes.empty())
        return std::nullopt;
    switch (bytes[0]) {
    case 0xf8:
        return MidiEvent{Kind::clock};
    case 0xf2:
        if (bytes.size() < 3 || (bytes[1] | bytes[2]) > 127)
            return std::nullopt;
        return MidiEvent{Kind::songPosition, bytes[1], bytes[2]};
    case 0xfa:
        return MidiEvent{Kind::clockStart};
    case 0xfb:
        return MidiEvent{Kind::clockContinue};
    case 0xfc:
        return MidiEvent{Kind::clockStop};
    default:
        break;
    }
    const unsigned status = bytes[0] & 0xf0U;
    const auto channel = std::uint8_t(bytes[0] & 0x0fU);
    if (status == 0xd0 && bytes.size() >= 2 && bytes[1] < 128)
        return MidiEvent{Kind::pressure, 0, bytes[1], 0.0f, channel};
    if (bytes.size() < 3 || (bytes[1] | bytes[2]) > 127)
        return std::nullopt;
    switch (status) {
    case 0x80:
        return MidiEvent{Kind::noteOff, bytes[1], bytes[2], 0.0f, channel};
    case 0x90: // touch 0 is a note-off
        return MidiEvent{
            bytes[2] == 0 ? Kind::noteOff : Kind::noteOn, bytes[1], bytes[2], 0.0f, channel};
    case 0xa0:
        return MidiEvent{Kind::keyPressure, bytes[1], bytes[2], 0.0f, channel};
    case 0xb0:
        // All sound off, all notes off, and the modes, which end every note too.
        if (bytes[1] == 120 || bytes[1] >= 123)
            return MidiEvent{Kind::allOff, 0, 0, 0.0f, channel};
        return MidiEvent{Kind::control, bytes[1], bytes[2], 0.0f, channel};
    case 0xe0:
        return MidiEvent{Kind::bend, 0, 0,
            float((int(bytes[2]) << 7 | int(bytes[1])) - 8192) / 8192.0f, channel};
    default:
        return std::nullopt;
    }
}

} // namespace puretone
