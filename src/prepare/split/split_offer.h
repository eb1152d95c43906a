// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "prepare/split/split.h"

namespace puretone {

/// What a recording would be split into, where it is nearly certain that it holds several notes:
/// what may be offered without being asked. splitRecording() cuts wherever something new begins,
/// and is right to where somebody asks for it; one sound that swells, beats, crackles or echoes is
/// cut by it as well.
///
/// @param audio Any length and rate.
/// @return Two notes or more, as splitRecording() finds them, those taken together again that swell
///         or pulse at one pitch among others; nothing where that is in doubt, or when cancelled.
/// Cost: that of splitRecording(), and up to 20 ms for each piece.
///
/// Method: what stands on both sides of each cut is compared (pitch, level, what is new in the
/// spectrum, how much of it is still there after the attack), and the cuts of a recording are
/// weighed together. Found by experiment on some 1,300 single notes of two banks, real one-shots
/// and computed field sounds against long takes of known borders; bench/split_bench measures both
/// kinds.
std::optional<SplitResult> splitToOffer(const Audio& audio, const Progress& progress = {});

} // namespace puretone
