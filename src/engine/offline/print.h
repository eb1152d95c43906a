// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"
#include "base/threads/progress.h"
#include "model/making/printing.h"

namespace puretone {

/// What a print sounds like: the offline rendering of its note, frame by frame, up to where it has
/// fallen to -90 dB or as long as it is told to be; mixed to one channel where it is to be mono.
///
/// @param rate Output frames per second. @return `nothingInside` where nothing plays the key or it
///         is silent; `cancelled`.
Result<Audio> printAudio(
    const Instrument& instrument, const Print& print, double rate, const Progress& progress = {});

/// Several keys and touches.
struct PrintMany {
    PrintPlan plan; ///< Of each, but for its key and touch.
    int from = 36, to = 84, step = 3; ///< Keys.
    std::vector<int> touches = {100};
};
/// One plan for each, keys rising, touches inside; keys that nothing plays are left out.
std::vector<PrintPlan> plansOf(const Instrument& instrument, const PrintMany& many);
/// @return The first error; `cancelled`.
Result<std::vector<Audio>> printAll(const Instrument& instrument, const std::vector<Print>& prints,
    double rate, const Progress& progress = {});

} // namespace puretone
