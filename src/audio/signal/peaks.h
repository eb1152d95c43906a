// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

namespace puretone {

/// Smallest and largest sample of a stretch.
struct Extent {
    float low = 0.0f;
    float high = 0.0f;
    void include(Extent other)
    {
        low = other.low < low ? other.low : low;
        high = other.high > high ? other.high : high;
    }
    bool operator==(const Extent&) const = default;
};

/// Extents of a recording at growing block sizes, so that any zoom is drawn in time that depends on
/// the picture's width only. Immutable once made; safe from any thread.
class PeakPyramid {
public:
    explicit PeakPyramid(AudioPtr audio);

    const Audio& audio() const { return *audio_; }
    /// Never the same for two pyramids, unlike their addresses: what a picture was drawn from.
    std::uint64_t serial() const { return serial_; }
    /// Exact extent of the frames inside `span`, cut to the recording; {0, 0} where nothing is.
    /// Cost: logarithmic in the length.
    Extent extent(std::size_t channel, Span span) const;
    /// Fills `columns` with the extents of equally wide stretches beginning at `firstFrame`; each
    /// of their borders is right to an eighth of a column.
    void columns(std::size_t channel, double firstFrame, double framesPerColumn,
        std::span<Extent> columns) const;

private:
    static constexpr std::int64_t firstBlock =
        64; ///< Finer ones would cost a tenth of the samples.
    static constexpr std::int64_t growth = 4;
    struct Level {
        std::int64_t block;
        std::vector<std::vector<Extent>> channels;
    };
    AudioPtr audio_;
    std::uint64_t serial_;
    std::vector<Level> levels_;
};

} // namespace puretone
