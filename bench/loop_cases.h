// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace puretone {

/// Loops found in computed sounds of known make, one line each.
int measureComputedLoops();
/// Cost of finding and of the seam map by length, beside a bare transform of the same sound.
int measureLoopSpeed();

} // namespace puretone
