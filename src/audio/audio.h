// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/units.h"

#include <cassert>
#include <memory>
#include <span>
#include <vector>

namespace puretone {

/// Samples of one recording: full scale +-1, finite, every channel equally long.
struct Audio {
    double rate = 48000.0; ///< Frames per second, above 0.
    std::vector<std::vector<float>> channels;

    std::int64_t frames() const { return channels.empty() ? 0 : std::int64_t(channels[0].size()); }
    std::size_t channelCount() const { return channels.size(); }
    double seconds() const { return double(frames()) / rate; }
    Span whole() const { return {Frames{0}, Frames{frames()}}; }
    std::span<const float> channel(std::size_t index) const { return channels[index]; }
    /// The part of one channel inside `span`, which must lie inside the recording.
    std::span<const float> channel(std::size_t index, Span span) const
    {
        assert(span.start.value >= 0 && span.end.value <= frames());
        return std::span(channels[index])
            .subspan(std::size_t(span.start.value), std::size_t(span.length()));
    }
    bool operator==(const Audio&) const = default;
};

/// Audio that is shared between threads and document versions is never changed again.
using AudioPtr = std::shared_ptr<const Audio>;

/// Mean of all channels over `span`; where channels cancel (less than a quarter of the power of the
/// louder one is left), the loudest channel instead.
std::vector<float> mixToMono(const Audio& audio, Span span);
std::vector<float> mixToMono(const Audio& audio);

/// A copy of one stretch.
Audio cut(const Audio& audio, Span span);

} // namespace puretone
