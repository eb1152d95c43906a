// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"

#include <functional>

namespace puretone {

/// How well every end would meet every start: a picture to be clicked.
struct SeamMap {
    Span span; ///< What it covers.
    double cellFrames = 0.0; ///< Of one cell, along both axes.
    std::size_t cells = 0; ///< Along one axis.
    /// 0 (another sound) to 255 (the same sound), `cells` x `cells`, one row for each end; 0 where
    /// the end does not lie behind the start.
    std::vector<std::uint8_t> quality;

    std::uint8_t at(std::size_t start, std::size_t end) const
    {
        return quality[end * cells + start];
    }
    bool operator==(const SeamMap&) const = default;
};

/// Compares the short-time spectra (half-octave bands over 60 ms, 50 dB deep) before every start
/// with those before every end. The level counts by half: it can be evened out.
///
/// @param span Inside the recording. @param drawn Called with coarser maps on the way and at last
/// with the whole one (10 ms cells, at most 1000 along an axis). @return The last map; empty for
/// less than 40 ms.
SeamMap makeSeamMap(const Audio& audio, Span span, const Progress& progress = {},
    const std::function<void(const SeamMap&)>& drawn = {});

} // namespace puretone
