// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/midi.h"

#include <array>
#include <optional>
#include <utility>

namespace puretone {

/// Hold: keys that hands press go on sounding when they come up, until they are pressed again,
/// whichever keyboard they are pressed on. Audio thread; nothing in it allocates.
class KeyLatch {
public:
    /// What becomes of an event; nothing where nobody else is to hear of it.
    std::optional<MidiEvent> pass(const MidiEvent& event) noexcept
    {
        using Kind = MidiEvent::Kind;
        if (event.kind == Kind::allOff)
            held_.fill(false);
        if (!event.byHand || (event.kind != Kind::noteOn && event.kind != Kind::noteOff))
            return event;
        bool& held = held_[event.key & 127U];
        if (event.kind == Kind::noteOff)
            return held ? std::nullopt : std::optional(event);
        if (std::exchange(held, on_ && !held) && on_) {
            MidiEvent end = event;
            end.kind = Kind::noteOff;
            end.value = 0;
            return end;
        }
        return event;
    }
    /// @param letGo Gets each key that is no longer held, where it was switched off.
    template <class Do> void setOn(bool on, Do letGo) noexcept
    {
        if (std::exchange(on_, on) && !on)
            for (std::size_t key = 0; key < held_.size(); ++key)
                if (std::exchange(held_[key], false))
                    letGo(int(key));
    }
    bool holds(int key) const noexcept { return held_[std::size_t(key & 127)]; }
    void reset() noexcept { held_.fill(false); }

private:
    std::array<bool, 128> held_{};
    bool on_ = false;
};

} // namespace puretone
