// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "loop/loop.h"

namespace puretone {

/// The material around a loop's end and around its beginning, to be laid over each other.
struct SeamCloseUp {
    std::vector<float> end; ///< Recording from `end - before` on; shorter where it is over.
    std::vector<float>
        start; ///< Recording from `start - before` on; leading frames 0 where none are.
    std::int64_t before = 0; ///< Frames before the joint in both.
};

/// @param reach Frames on either side of the joint, above 0. Mean of the channels.
SeamCloseUp seamCloseUp(const Audio& audio, const Loop& loop, std::int64_t reach);

} // namespace puretone
