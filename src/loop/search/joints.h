// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

#include <vector>

namespace puretone {

/// A start and an end that continue alike, before any crossfade is chosen.
struct Joint {
    double start = 0.0; ///< Seconds in the searched stretch.
    double end = 0.0;
    double score = 0.0; ///< Higher is better; about 1 for a perfect match.
};

/// Which lengths are looked for, and how.
struct JointSearch {
    double shortest = 0.3; ///< Seconds.
    double longest = 4.0;
    double matched = 0.03; ///< Seconds before the points that are compared.
    double lengthBonus = 0.06; ///< Score per doubling of the length.
    std::size_t anchors = 24;
    std::size_t keep = 12;
};

/// Compares what lies before every start with what lies before every end, at a low rate.
///
/// Looking backwards is deliberate: what precedes the points is what a crossfade mixes, and most
/// recordings have nothing after the end.
class JointFinder {
public:
    /// @param mono The stretch searched; it is reduced to `searchRate` frames per second.
    JointFinder(std::span<const float> mono, double rate, double searchRate);
    double rate() const { return rate_; }

    /// Joints whose starts lie in [from, to] seconds, the best first, none nearly equal.
    std::vector<Joint> find(const JointSearch& search, double from, double to) const;
    /// The end near `joint.end` (within `reach` seconds) that matches best over `fade` seconds.
    Joint refine(Joint joint, double fade, double reach) const;

private:
    std::vector<Joint> findFor(const JointSearch& search, std::size_t start) const;
    double levelDb(std::size_t frame, std::size_t window) const;

    double rate_ = 0.0;
    std::vector<float> samples_;
    std::vector<double> squares_; ///< Running sum of squares.
};

} // namespace puretone
