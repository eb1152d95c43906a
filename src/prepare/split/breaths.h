// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "prepare/split/split.h"

namespace puretone {

/// Marks breaths between notes as slivers: quieter than the notes, without a period of their own,
/// and not struck. Only where most of the loud pieces have a period: among drums nothing is a
/// breath.
void markBreaths(std::span<const float> mono, double rate, std::vector<Piece>& pieces);

} // namespace puretone
