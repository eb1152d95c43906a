// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/making/heard_takes.h"

#include <string>

namespace puretone {

enum class ReadyShape { pad, pluck, tiedBass, drone, drum, asRecorded };
inline constexpr int readyShapeCount = int(ReadyShape::asRecorded) + 1;
const char* nameOf(ReadyShape shape);

/// Gives a layer a shape that suits its sounds: envelope, loops of its takes, filter, notes and
/// glide, each from what the sound is.
///
/// @param heard What is missing in it is listened to now.
/// @return What was done, in a sentence. The layer must be there.
std::string applyShape(
    Instrument& instrument, LayerId layer, ReadyShape shape, const HeardTakes& heard = {});

/// Where a take has stopped to be its attack and has not lost much: the place that a second start
/// belongs to; the kept part's start where the sound has no attack.
Frames proposeInnerStart(const Take& take, const Sustain& heard);

} // namespace puretone
