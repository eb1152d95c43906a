// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/progress.h"
#include "model/instrument.h"

namespace puretone {

enum class LayerCopy {
    same,
    reversed, ///< Its takes are copied, too, and run backwards.
    octaveUp,
    octaveDown,
    detuned, ///< By 9 cents.
};

/// A copy of a layer, behind it, with every setting and its zones, and ids and a name of its own.
///
/// @return Its id; none where there is no such layer, no room for another, or it was cancelled.
LayerId copyLayer(
    Instrument& instrument, LayerId layer, LayerCopy how, const Progress& progress = {});

} // namespace puretone
