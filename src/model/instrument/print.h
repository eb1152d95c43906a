// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/id.h"

#include <string>
#include <vector>

namespace puretone {

/// How a note of an instrument becomes a recording.
struct PrintPlan {
    int key = 60;
    int touch = 100; ///< 1 to 127.
    double heldSeconds = 4.0; ///< Until the key is let go, 0.05 to 600.
    bool untilSilent = true; ///< Then all that still rings, up to `tailSeconds`.
    double tailSeconds = 30.0; ///< 0 to 120.
    bool effects = true;
    bool shape = true; ///< Envelopes, filter and movements.
    bool mono = false;
    bool operator==(const PrintPlan&) const = default;
};
inline constexpr double longestPrint = 600.0, longestPrintTail = 120.0; // seconds

/// What a take is a print of, so that it can be printed anew.
struct Print {
    PrintPlan plan;
    std::vector<LayerId> layers; ///< That sounded.
    std::vector<int> effects; ///< Ids of those that were on.
    std::string sources; ///< Tells whether they are still what they were (see printSources).
    bool operator==(const Print&) const = default;
};

} // namespace puretone
