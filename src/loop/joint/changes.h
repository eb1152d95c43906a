// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// How quickly a sound changes near a seam against how quickly it does anyway. Inside `loop` only.

#include "loop/joint/turn.h"

namespace puretone {

/// Changes of the third-octave spectrum (windows of 20 ms) from one frame to one 12 ms later, every
/// 4 ms of a recording. Reckoned where they are first asked for.
class RecordingChanges {
public:
    /// @param audio Must outlive this.
    explicit RecordingChanges(const Audio& audio);

    /// Quickest change of a turn from the crossfade's begin to a little behind the joint, less what
    /// three in four stretches of that length in the recording stay under. dB, 0 or more.
    double beyondUsual(Turn& turn, std::int64_t joint, std::int64_t fade, Span stretch);

private:
    double changeAt(std::size_t index);
    const std::vector<double>& levelsAt(std::size_t index);

    const Audio& audio_;
    Spectra spectra_;
    std::int64_t hop_;
    std::vector<std::vector<double>> levels_; ///< Empty where not reckoned yet.
    std::vector<float> changes_; ///< Negative where not reckoned yet.
};

} // namespace puretone
