// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "loop/search/finder.h"

namespace puretone {

/// What can be done about the worst thing a seam does.
struct LoopRemedy {
    std::string name; ///< A message id, as a button says it: "Even out the level".
    LoopCandidate result; ///< The loop with it done, baked and measured.
    bool operator==(const LoopRemedy&) const = default;
};

/// Tries what fits the worst measure and gives what helps most.
///
/// @param kept What may be looped. @return Nothing for a seamless loop, or where nothing that was
/// tried brings the cost down by a tenth or more.
std::optional<LoopRemedy> loopRemedy(
    const Audio& audio, Span kept, const LoopCandidate& loop, std::optional<double> period);

} // namespace puretone
