// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

namespace puretone {

/// The note that a file's name says: "horn_A#2_soft.wav", "Fs4 bell", "stay-wire Eb3". Sharps are
/// #, s or their sign, flats b or theirs; an octave must stand behind, and nothing else in that
/// word.
///
/// @return Its key with C4 = 60; which octave was meant depends on who named it. Nothing where no
///         word is a note.
std::optional<int> noteInName(const std::string& fileName);

/// What a file's name says.
struct NameSays {
    std::optional<int> key; ///< Of noteInName, or a MIDI number: "058 hum.wav".
    bool isNumber = false; ///< No octave is in doubt then.
    std::optional<int> touch; ///< Grows with loudness: "soft", "mf", "v3".
    std::optional<int> number; ///< Of the take: "take 2", "rr3", "horn 2".
    bool operator==(const NameSays&) const = default;
};

/// Reads all of it. A MIDI number is a word of three digits, or one behind "midi", "key" or "note".
NameSays readName(const std::string& fileName);

} // namespace puretone
