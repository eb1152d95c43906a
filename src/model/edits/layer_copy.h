// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"
#include "base/threads/progress.h"
#include "model/instrument/instrument.h"

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

/// Gives each sound of a layer a layer of its own behind it, with every setting of the layer, named
/// after the take: how many notes sound at once then counts for each alone. The first one keeps the
/// layer; sounds that take turns on the same keys stay together.
///
/// @return How many layers it is now; `badValue`, and nothing is changed, where it has nothing to
/// spread, blends with others, or there is no room for so many.
Result<std::size_t> spreadLayer(Instrument& instrument, LayerId layer);

} // namespace puretone
