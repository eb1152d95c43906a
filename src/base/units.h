// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <compare>
#include <cstdint>

namespace puretone {

struct Hz {
    double value = 0.0;
    auto operator<=>(const Hz&) const = default;
};
struct Cents {
    double value = 0.0;
    auto operator<=>(const Cents&) const = default;
};
struct Decibels {
    double value = 0.0;
    auto operator<=>(const Decibels&) const = default;
};
/// Time on one recording's axis. One frame is one sample of every channel.
struct Frames {
    std::int64_t value = 0;
    auto operator<=>(const Frames&) const = default;
};
/// A half-open stretch `[start, end)` of a recording.
struct Span {
    Frames start;
    Frames end;
    std::int64_t length() const { return end.value - start.value; }
    auto operator<=>(const Span&) const = default;
};

/// Signed interval, positive when `to` is the higher. Both above 0 Hz.
inline Cents interval(Hz from, Hz to)
{
    return Cents{1200.0 * std::log2(to.value / from.value)};
}
inline Hz transpose(Hz base, Cents by)
{
    return Hz{base.value * std::exp2(by.value / 1200.0)};
}
inline double toGain(Decibels level)
{
    return std::pow(10.0, level.value / 20.0);
}
/// Level of an amplitude; silence gives -200 dB, so that sums and pictures stay finite.
inline Decibels toDecibels(double gain)
{
    return Decibels{gain > 1e-10 ? 20.0 * std::log10(gain) : -200.0};
}

inline double toSeconds(Frames frames, double rate)
{
    return double(frames.value) / rate;
}
inline Frames toFrames(double seconds, double rate)
{
    return Frames{std::llround(seconds * rate)};
}

} // namespace puretone
