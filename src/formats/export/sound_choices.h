// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/program/prepared.h"
#include "model/instrument/export_wish.h"

namespace puretone {

/// 16, 24 or 32.
int bitsOf(Depth depth);
SampleFormat formatOf(Depth depth);

/// Nothing changed.
inline SoundChoices asHeard()
{
    SoundChoices choices;
    choices.depth = Depth::floating;
    return choices;
}

/// A prepared take as it is to be written: its samples are what will stand in the file, rounded to
/// the depth. A loop is a whole number of frames at the new rate; `retuneCents` takes back what
/// that moves the pitch by.
PreparedTake conform(PreparedTake prepared, const SoundChoices& choices);
/// The same for a plan (see planTake): all but the samples.
PreparedTake conformPlan(PreparedTake planned, const SoundChoices& choices);

} // namespace puretone
