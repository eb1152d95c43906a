// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/units.h"

#include <optional>
#include <string>
#include <string_view>

namespace puretone {

/// Values as people read and type them. Decimal point or comma; spaces are free.

/// "2.31 s", "250 ms", "0.8 ms": three digits that matter.
std::string formatSeconds(double seconds);
/// "1.021 s": always seconds with three places, for positions.
std::string formatPosition(double seconds);
/// "-6.0 dB"; silence is "silent".
std::string formatDecibels(Decibels level);
/// "+7.0 ct", "-12.0 ct", "0.0 ct".
std::string formatCents(Cents cents);
/// "80 Hz", "1.25 kHz".
std::string formatHz(double hz);
/// "4.6 MB", "812 kB", "79.8 GB" (thousands, not 1024).
std::string formatBytes(std::uint64_t bytes);
/// Fixed number of decimals with a real minus sign left to the caller's font: plain ASCII.
std::string formatNumber(double value, int decimals);

/// "250 ms", "1.2 s", "1,2", or a bare count of frames ("60000" when it has no unit and no point).
///
/// @param rate Frames per second for a bare count; a bare number with a point counts as seconds.
/// @return Seconds, or nothing when the text is no duration.
std::optional<double> parseSeconds(std::string_view text, double rate);
/// "80", "80 Hz", "1.2 kHz".
std::optional<double> parseHz(std::string_view text);
/// A number followed by an optional unit word that must equal `unit` (any case).
std::optional<double> parseNumber(std::string_view text, std::string_view unit);

} // namespace puretone
