// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/midi.h"
#include "engine/program/moves.h"

namespace puretone {

/// Where wheels, controllers and pressure stand, followed within a few cells instead of stepping,
/// and what the standard says of them: registered numbers, resetting, keys with channels of their
/// own (MIDI 1.0; "MIDI Polyphonic Expression", RP-053). Audio thread.
class Hands {
public:
    void reset() noexcept;
    /// Keys have channels of their own: channel 1 moves all of them, others their own key.
    void setPerKey(bool perKey) noexcept;
    bool perKey() const noexcept { return perKey_; }
    /// Takes what moves something. Pedals are not its business.
    void handle(const MidiEvent& event) noexcept;
    /// A note begins on a channel that no other one listens to: what was sent ahead of it is where
    /// it begins, instead of being followed from where the channel's last note left it.
    void snap(int channel) noexcept;
    /// The channel that a note listens to.
    int channelOf(const MidiEvent& event) const noexcept { return perKey_ ? event.channel : 0; }
    /// Goes on to the end of the next cell.
    void beginCell(double beatsPerSecond) noexcept;
    const Controls& controls() const noexcept { return now_; }
    /// A controller that was moved, 0 to 127, or -1; every look forgets it.
    int lastMoved() noexcept;
    /// Where a controller was put, 0 to 1.
    double wanted(int controller) const noexcept
    {
        return double(wanted_.controllers[std::size_t(controller)]);
    }
    /// Gain of volume and expression (controllers 7 and 11, square law), at the end of the cell.
    double level() const noexcept;
    /// Notes that begin now are softer.
    bool softened() const noexcept { return soft_; }

private:
    void registered(int channel, int number, int value) noexcept;
    void resetControllers() noexcept;
    bool follow(float& now, float wanted) const noexcept;

    Controls now_, wanted_;
    std::array<std::uint8_t, Controls::channels> registeredHigh_{}, registeredLow_{};
    std::array<std::uint8_t, Controls::channels> reachSemitones_{}, reachCents_{};
    int moved_ = -1;
    bool perKey_ = false, soft_ = false, still_ = true;
};

} // namespace puretone
