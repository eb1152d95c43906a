// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/offline/render.h"

#include <cstddef>
#include <filesystem>
#include <span>

namespace puretone {

/// Reads a Standard MIDI file ("The Complete MIDI 1.0 Detailed Specification", 1996, "Standard MIDI
/// Files 1.0"): formats 0 and 1, all tracks and channels together, with the tempo changes of all of
/// them; the patterns of format 2 one after another. Time in quarters or in SMPTE frames.
///
/// @return Events in time order; `notAudio` for another kind of file, `damaged` for one that is cut
///         off or makes no sense, `nothingInside` when it holds no notes, `badValue` for one of
///         more than longestPerformance or two million events. Time and memory are bounded by the
///         size of the file.
Result<std::vector<TimedEvent>> decodeMidiFile(
    std::span<const std::byte> bytes, const std::string& name);
/// The same for a file; also `cannotRead`.
Result<std::vector<TimedEvent>> readMidiFile(const std::filesystem::path& path);

/// Beats a minute with which a MIDI file begins; 120 where it does not say.
double tempoOfMidiFile(std::span<const std::byte> bytes);

/// A MIDI file of one track (format 0, 480 ticks a quarter) in one tempo. What the standard has no
/// message for is left out; notes that were not let go end with the last event.
///
/// @param events In any order. @param tempo Beats a minute.
std::vector<std::byte> encodeMidiFile(std::vector<TimedEvent> events, double tempo);

} // namespace puretone
