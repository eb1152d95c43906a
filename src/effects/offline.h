// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "effects/effect.h"

namespace puretone {

/// Runs a whole sound through a chain, as the engine would: nothing late, as long as before.
///
/// @param audio One channel or two; of more the first two. One stays one where both sides come out
///        alike. @param tempo Beats a minute. Cancelled, it is left half done.
void applyEffects(
    Audio& audio, const Effects& effects, double tempo, const Progress& progress = {});

} // namespace puretone
