// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/in_range.h"
#include "base/units.h"
#include "loop/loop.h"

#include <array>
#include <limits>
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

/// Throws json::other_error for a name that is none of them: taking it for another one would change
/// the sound without a word.
template <class E, std::size_t N> E valueIn(const Names<E, N>& names, const std::string& name)
{
    for (const auto& [v, n] : names)
        if (name == n)
            return v;
    throw nlohmann::json::other_error::create(501, "unknown name: " + name, nullptr);
}

// Numbers. JSON allows 1e300 where a count is meant, and a plain cast of that is undefined; what a
// sensible range is, the gate knows (see sanitized).

inline constexpr std::int64_t largestWhole = std::int64_t(1) << 53U; ///< That a double holds.

/// Throws json::type_error for what is no number.
template <class Whole = std::int64_t> Whole whole(const nlohmann::json& j)
{
    const auto most = std::min<std::int64_t>(largestWhole, std::numeric_limits<Whole>::max());
    return Whole(wholeIn(j.get<double>(), -most, most));
}
template <class Whole = std::int64_t>
Whole whole(const nlohmann::json& j, const char* name, Whole fallback)
{
    return j.contains(name) ? whole<Whole>(j.at(name)) : fallback;
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
    return {Frames{whole(j.at("start"))}, Frames{whole(j.at("end"))}};
}

inline constexpr Names<FadeCurve, 3> curveNames = {{{FadeCurve::automatic, "automatic"},
    {FadeCurve::linear, "linear"}, {FadeCurve::equalPower, "equalPower"}}};

inline nlohmann::json loopJson(const Loop& loop)
{
    nlohmann::json j = spanJson(loop.span);
    j["on"] = loop.on;
    j["crossfade"] = loop.crossfade.value;
    j["curve"] = nameIn(curveNames, loop.curve);
    j["mode"] = nameIn(loopModeNames, loop.mode);
    j["fraction"] = loop.fraction;
    j["evenOut"] = loop.evenOut;
    j["evenColour"] = loop.evenColour;
    return j;
}
/// Throws json::exception for what is no loop.
inline Loop loopFrom(const nlohmann::json& j)
{
    Loop loop;
    loop.span = spanFrom(j);
    loop.on = j.value("on", false);
    loop.crossfade = Frames{whole(j, "crossfade", std::int64_t(0))};
    loop.curve = valueIn(curveNames, j.value("curve", "automatic"));
    loop.mode = valueIn(loopModeNames, j.value("mode", "forward"));
    loop.fraction = j.value("fraction", 0.0);
    loop.evenOut = j.value("evenOut", 0.0);
    loop.evenColour = j.value("evenColour", 0.0);
    return loop;
}

} // namespace puretone
