// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/layer.h"
#include "model/instrument/pattern.h"

#include <nlohmann/json.hpp>

namespace puretone {

nlohmann::json waveJson(const Wave& wave);
nlohmann::json movementJson(const Movement& movement);
nlohmann::json patternJson(const Pattern& pattern);
/// Throw json::exception for what is none.
Wave waveFrom(const nlohmann::json& j);
Movement movementFrom(const nlohmann::json& j);
Pattern patternFrom(const nlohmann::json& j);

/// A layer as schema 2 had it, with one slow wave and its amounts, in the words of schema 3.
void layerFrom2To3(nlohmann::json& layer);

} // namespace puretone
