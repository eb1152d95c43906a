// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/playing/player.h"

#include <QKeyEvent>
#include <map>
#include <optional>

namespace puretone::app {

/// The computer's keyboard as a piano: the letters' middle row are white keys from C, the row above
/// holds the black ones between them, wherever a language puts its letters. Page Up and Page Down
/// move it by an octave.
class TypingKeys {
public:
    /// MIDI key of a key of the computer; nothing for those that play none.
    std::optional<int> keyOf(const QKeyEvent& event) const;
    /// @param note Sounds until the same key of the computer comes up.
    void press(const QKeyEvent& event, HeldNote note) { down_[placeOf(event)] = std::move(note); }
    bool isDown(const QKeyEvent& event) const { return down_.contains(placeOf(event)); }
    /// False where it was not down.
    bool release(const QKeyEvent& event) { return down_.erase(placeOf(event)) > 0; }
    void releaseAll() { down_.clear(); }
    void shiftOctave(int by);
    int lowest() const { return lowest_; }

private:
    /// The same for both ends of a press, though a modifier or a language has changed its symbol
    /// between them.
    static quint32 placeOf(const QKeyEvent& event);

    int lowest_ = 48;
    std::map<quint32, HeldNote> down_;
};

} // namespace puretone::app
