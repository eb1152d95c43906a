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

} // namespace puretone
