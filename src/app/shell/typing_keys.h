// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <Qt>
#include <optional>
#include <set>
#include <utility>

namespace puretone::app {

/// The computer's keyboard as a piano: the letters' middle row are white keys from C, the row above
/// holds the black ones between them. Page Up and Page Down move it by an octave.
class TypingKeys {
public:
    /// MIDI key of a letter; nothing for other keys.
    std::optional<int> keyOf(int qtKey) const;
    bool press(int qtKey); ///< False while it is down already (key repeat).
    bool release(int qtKey) { return down_.erase(qtKey) > 0; }
    /// The keys that are down; none afterwards.
    std::set<int> releaseAll() { return std::exchange(down_, {}); }
    void shiftOctave(int by);
    int lowest() const { return lowest_; }

private:
    int lowest_ = 48;
    std::set<int> down_;
};

} // namespace puretone::app
