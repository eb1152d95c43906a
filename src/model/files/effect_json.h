// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/effect.h"

#include <functional>
#include <nlohmann/json_fwd.hpp>

namespace puretone {

/// An effect with its values by their names. @param audio Names an impulse's file in the archive.
nlohmann::json effectJson(
    const Effect& effect, const std::function<std::string(const Recording&)>& audio);
/// @return The effect without its impulse; a value that is not there is the standard one, names
///         that are not known are left out. Throws json::exception, also for a kind that is not
///         known.
Effect effectFrom(const nlohmann::json& j);

} // namespace puretone
