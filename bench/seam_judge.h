// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

#include <array>
#include <string>

namespace puretone {

/// What a listener's ear could catch at the joint of a loop, found by other means than the finder's
/// own measures: the loop is played several rounds from the samples of a file, and what happens at
/// its joint is compared with what happens elsewhere in it.
///
/// In dB, smaller is better: click, level step, timbre step, onset (rise of the spectrum), change
/// (of any kind), dip, pulse (swing of the level once a round).
inline constexpr std::size_t judgeMeasures = 7;
using JudgeMeasures = std::array<double, judgeMeasures>;
inline constexpr std::array<const char*, judgeMeasures> judgeNames = {
    "click", "level", "timbre", "onset", "change", "dip", "pulse"};

/// @param audio As a file holds it. @param loop Inside it, four frames or longer.
/// @param period Of the note, seconds.
JudgeMeasures judgeSeam(const Audio& audio, Span loop, double period);

} // namespace puretone
