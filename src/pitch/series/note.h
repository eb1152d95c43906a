// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/in_range.h"
#include "base/units.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace puretone {

enum class Accidentals { sharps, flats };

/// How keys are called; a matter of taste that changes no sound (except A4).
struct Naming {
    int middleCOctave = 4; ///< 3, 4 or 5: the octave number of MIDI key 60.
    Accidentals accidentals = Accidentals::sharps;
    bool operator==(const Naming&) const = default;
};

inline constexpr Hz concertPitch{440.0};

/// MIDI pitch as a real number: 69 = A4.
inline double midiOf(Hz hz, Hz a4 = concertPitch)
{
    return 69.0 + 12.0 * std::log2(hz.value / a4.value);
}
inline Hz hzOf(double midi, Hz a4 = concertPitch)
{
    return Hz{a4.value * std::exp2((midi - 69.0) / 12.0)};
}

/// Cents from one frequency to another, never below 0.
inline double centsBetween(double hz, double other)
{
    return std::abs(1200.0 * std::log2(hz / other));
}

/// A pitch as its nearest key and the rest, -50 to +50 cents.
struct KeyAndCents {
    int key = 60;
    Cents rest;
};
inline KeyAndCents nearestKey(double midi)
{
    const int key = intIn(midi, -1000, 1000);
    return {key, Cents{100.0 * (midi - key)}};
}

/// "A#3", "Bb3": plain ASCII; the window puts the typographic signs in.
std::string noteName(int key, const Naming& naming = {});
/// Reads "A#3", "bb2", "B♭2", "60"; nothing when it is no key from 0 to 127.
std::optional<int> parseKey(std::string_view text, const Naming& naming = {});

/// Keys that a person may mean: by name ("A#3", or "a" for all of them), by MIDI number, or by
/// frequency ("440 Hz", and any number above 127: the nearest key). All 128 for an empty text.
std::vector<int> lookUpKeys(const std::string& text, const Naming& naming, Hz a4);

} // namespace puretone
