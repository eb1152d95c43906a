// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/layer.h"

#include <nlohmann/json.hpp>

namespace puretone {

// Layers inside the document's JSON; see docs/format.md.

nlohmann::json layerJson(const Layer& layer);
/// Throws what nlohmann throws; a name that is not known is a json::other_error.
Layer layerFrom(const nlohmann::json& j);
nlohmann::json envelopeJson(const Envelope& envelope);

} // namespace puretone
