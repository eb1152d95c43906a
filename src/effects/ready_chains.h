// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/effect.h"

namespace puretone {

/// A ready chain.
struct ReadyChain {
    const char* name;
    const char* tip; ///< What it sounds like.
    Effects effects; ///< Their ids are 1 and up.
};
const std::vector<ReadyChain>& readyChains();

} // namespace puretone
