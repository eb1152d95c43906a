// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/layer.h"

#include <map>
#include <memory>
#include <utility>

namespace puretone {

struct Program;
struct ZoneSound;

/// Likenesses of two sounds that were found before; those of sounds that are gone are forgotten.
using KnownLikeness =
    std::map<std::pair<std::shared_ptr<const ZoneSound>, std::shared_ptr<const ZoneSound>>, double>;

/// Finds out, for zones that fade into a neighbour of their layer, how far both are the same sound:
/// the correlation of what they begin with, 0.3 seconds of it, where a key plays both at one speed;
/// sounds at different speeds have nothing in common.
void findLikeness(Program& program, KnownLikeness& known);

} // namespace puretone
