// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "model/instrument/facts.h"

#include <nlohmann/json.hpp>

namespace puretone {

nlohmann::json factsJson(const Facts& facts);
/// Facts with every number in range; not known where they cannot be understood.
/// @param audio The take's recording.
Aside<Facts> factsFrom(const nlohmann::json& j, const Audio& audio);

} // namespace puretone
