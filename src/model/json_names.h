// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/units.h"
#include "loop/loop.h"

#include <array>
#include <nlohmann/json.hpp>
#include <string>

namespace puretone {

// What the parts of the document's JSON share.

/// Enumerations by name, in both directions.
template <class E, std::size_t N> using Names = std::array<std::pair<E, const char*>, N>;

template <class E, std::size_t N> const char* nameIn(const Names<E, N>& names, E value)
{
    for (const auto& [v, name] : names)
        if (v == value)
            return name;
    return names[0].second;
}

template <class E, std::size_t N> E valueIn(const Names<E, N>& names, const std::string& name)
{
    for (const auto& [v, n] : names)
        if (name == n)
            return v;
    return names[0].first;
}

inline constexpr Names<LoopMode, 4> loopModeNames = {
    {{LoopMode::forward, "forward"}, {LoopMode::alternating, "alternating"},
        {LoopMode::untilRelease, "untilRelease"}, {LoopMode::oneShot, "oneShot"}}};

inline nlohmann::json spanJson(Span span)
{
    return {{"start", span.start.value}, {"end", span.end.value}};
}
inline Span spanFrom(const nlohmann::json& j)
{
    return {Frames{j.at("start").get<std::int64_t>()}, Frames{j.at("end").get<std::int64_t>()}};
}

} // namespace puretone
