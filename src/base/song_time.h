// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace puretone {

// A time that may follow the tempo, as one number, so that it fits wherever numbers stand: seconds
// where it is 0 or more; below 0 minus so many beats, of which a whole note has four.

inline constexpr bool isInBeats(double songTime) noexcept
{
    return songTime < 0.0;
}
inline constexpr double inBeats(double beats) noexcept
{
    return -beats;
}
/// @param beatsPerSecond Above 0.
inline constexpr double songSeconds(double songTime, double beatsPerSecond) noexcept
{
    return songTime < 0.0 ? -songTime / beatsPerSecond : songTime;
}

/// "250 ms", or the part of a whole note: "3/16", "1/12".
std::string formatSongTime(double songTime);
/// What parseSeconds() reads, "3/16", "1/8 dotted", "1/8 triplet", "2 beats", "1 bar".
std::optional<double> parseSongTime(std::string_view text);
/// The time some steps away: seconds by ratios, note lengths to their neighbours. Fractions of a
/// step move seconds only.
double stepSongTime(double songTime, double steps);

} // namespace puretone
