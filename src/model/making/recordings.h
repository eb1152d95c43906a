// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

namespace puretone {

/// Calls with every recording that an instrument holds: of its takes, and the impulses of its
/// effects. One that several share comes several times.
template <class Each> void eachRecording(const Instrument& instrument, Each each)
{
    for (const auto& take : instrument.takes)
        each(*take.recording);
    for (const auto& effect : instrument.effects)
        if (effect.impulse.pointer())
            each(*effect.impulse);
}

} // namespace puretone
