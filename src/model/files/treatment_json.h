// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "prepare/treat/treatment.h"

#include <nlohmann/json.hpp>

namespace puretone {

// The list of treatments inside the document's JSON; see docs/format.md.

nlohmann::json treatmentsJson(const Treatments& treatments);
/// Throws what nlohmann throws; a kind that is not known is a json::other_error.
Treatments treatmentsFrom(const nlohmann::json& list);

} // namespace puretone
