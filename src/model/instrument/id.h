// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace puretone {

/// Tells things of one kind apart inside an instrument: above 0, or 0 for none. Numbers become ids,
/// ids of one kind never those of another, and none becomes a number unasked.
template <class Of> struct Id {
    int value = 0;

    constexpr Id() = default;
    constexpr Id(int number) // NOLINT: meant to convert
        : value(number)
    {
    }
    /// Whether it is one.
    constexpr explicit operator bool() const { return value > 0; }
    constexpr bool operator==(const Id&) const = default;
    constexpr bool operator<(const Id& other) const { return value < other.value; }
};

struct Take;
struct Zone;
struct Layer;
using TakeId = Id<Take>;
using ZoneId = Id<Zone>;
using LayerId = Id<Layer>;

} // namespace puretone
