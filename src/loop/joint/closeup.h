// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "loop/loop.h"

namespace puretone {

/// The material around a loop's end and around its beginning, to be laid over each other; for an
/// alternating loop the way there and the way back at its end.
struct SeamCloseUp {
    struct Channel {
        std::vector<float> end; ///< From `before` frames before the joint on, its level evened.
        std::vector<float> start; ///< What it is to run like.
    };
    std::vector<Channel> channels;
    std::int64_t before = 0; ///< Frames before the joint in all of them, and behind it.
};

/// @param reach Frames on either side of the joint, above 0. Frames that the recording does not
/// have are 0. At most two channels.
SeamCloseUp seamCloseUp(const Audio& audio, const Loop& loop, std::int64_t reach);

} // namespace puretone
