// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "loop/sustain.h"
#include "model/instrument/instrument.h"

#include <map>

namespace puretone {

/// What takes were heard to be like, each for as long as its sound and its kept part stay. A value:
/// listening to hundreds of takes may go on beside the window and be kept for the next time.
class HeardTakes {
public:
    /// Null where the take was not listened to as it is now.
    const Sustain* of(const Take& take) const;
    void keep(const Take& take, const Sustain& sustain);

private:
    struct Heard {
        std::weak_ptr<const Audio> sound; ///< Which is nobody's any more once no document has it.
        Span kept;
        Sustain sustain;
    };
    std::map<TakeId, Heard> heard_;
};

/// One take, now. O(n), of its first half minute.
Sustain listenTo(const Take& take);

/// Takes of the layers' zones that are not known yet, each once.
std::vector<const Take*> notHeard(
    const Instrument& instrument, const std::vector<LayerId>& layers, const HeardTakes& heard);

/// `heard` and what is missing in it, on all cores. What was cancelled is left out.
HeardTakes listenToLayers(const Instrument& instrument, const std::vector<LayerId>& layers,
    HeardTakes heard, const Progress& progress = {});

} // namespace puretone
