// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"
#include "base/threads/progress.h"
#include "engine/engine.h"

namespace puretone {

/// An event at a moment, seconds from the beginning.
struct TimedEvent {
    double seconds = 0.0;
    MidiEvent event;
};

/// Longer performances are refused.
inline constexpr double longestPerformance = 3600.0; // seconds

/// Plays events through the same engine as the window, limiter included, and keeps what comes out:
/// stereo, and nothing late.
///
/// @param events In any order. @param rate Output frames per second.
/// Ends when the last voice has died away, at most `tailSeconds` after the last event.
Audio renderEvents(const Instrument& instrument, std::vector<TimedEvent> events, double rate,
    double tailSeconds = 30.0, const Progress& progress = {});

/// Reads "KEY:START:SECONDS:VELOCITY ..." (keys as names or numbers, velocity may be left out), up
/// to longestPerformance.
Result<std::vector<TimedEvent>> parseNotes(const std::string& text);

} // namespace puretone
