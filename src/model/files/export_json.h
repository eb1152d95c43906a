// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/export_wish.h"

#include <nlohmann/json_fwd.hpp>

namespace puretone {

/// What differs from the usual only.
nlohmann::json exportsJson(const Exports& exports);
/// Throws json::exception for what is none. What is not said is as usual.
Exports exportsFrom(const nlohmann::json& j);

} // namespace puretone
