// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument.h"

namespace puretone {

/// How the takes of a layer were laid over the keys.
struct LaidOut {
    std::size_t takes = 0, roots = 0;
    enum class Shared {
        none, ///< Every root has one take.
        inTurn, ///< Takes of one root take turns.
        byTouch, ///< They sound by touch, the softest recording at the softest touch.
    } shared = Shared::none;
    double leastStepDb = 0.0; ///< Between the levels of takes of one root.
};

/// Lays the takes of a layer over the keys by their roots: borders half-way, the lowest and the
/// highest reaching as far as before. Takes of one root share its keys: by touch, where every root
/// has as many takes and their levels differ clearly; otherwise in turn.
///
/// @return What was done, for a sentence; no takes where there is no such layer.
LaidOut layOut(Instrument& instrument, LayerId layer);

} // namespace puretone
