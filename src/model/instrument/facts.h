// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/aside.h"
#include "loop/search/finder.h"
#include "pitch/report.h"

#include <string>
#include <vector>

namespace puretone {

/// What was found out about a take by listening to it. Never a difference between two documents:
/// it is saved beside them, so that opening is quick, and found again where it is missing.
struct Facts {
    PitchReport pitch;
    std::vector<LoopCandidate> loopChoices; ///< As found, best first.
    Message loopMessage; ///< Why there is no loop; may be empty.
    bool operator==(const Facts&) const = default;
};

} // namespace puretone
