// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "loop/joint/bake.h"
#include "model/instrument/instrument.h"

namespace puretone {

/// A take as it sounds at its recorded speed, ready to be written: cut to what is played, fades and
/// crossfade in place.
struct PreparedTake {
    Audio audio;
    std::optional<Span> loop; ///< Inside `audio`; frames behind its end go on as the loop does.
    double midi = 60.0; ///< Sounding pitch.
    LoopMode mode = LoopMode::forward; ///< How the key's release is to be taken.
    /// Cents to be added where it is played: at another rate a loop is a whole number of frames
    /// only if all of it is a little longer or shorter.
    double retuneCents = 0.0;
    /// Of `audio`, or, where that is only planned and has empty channels, what it will have.
    std::int64_t frames = 0;
};

/// Frames that a prepared loop goes on for behind its end, so that no reader's interpolator meets
/// an edge (SoundFont 2.04, section 7.10, asks for at least eight).
inline constexpr std::int64_t framesBehindLoop = 64;

/// @param take With its loop inside the kept part (see sanitized).
PreparedTake prepareTake(const Take& take);
/// The same without its samples: for what is to be known before anything is written.
PreparedTake planTake(const Take& take);
/// Frames that prepareTake would give.
std::int64_t preparedFrames(const Take& take);

/// What follows a loop when its key is let go, up to the kept end and faded out there. See
/// leaveLoop.
Audio leavingPart(const Take& take, const BakedLoop& baked, std::int64_t guard);

/// A file holds an alternating loop written out, which goes forward.
inline LoopMode modeInFiles(LoopMode mode)
{
    return mode == LoopMode::alternating ? LoopMode::forward : mode;
}

/// Longer than any sound: what is written as the release of a take that ends by itself.
inline constexpr double endlessRelease = 100.0;

/// Where a take's fades lie, and what they do.
struct FadePlan {
    double start = 0.0;
    /// At the latest where the loop begins, so that no round repeats the fade.
    double inEnd = 0.0;
    double outStart = 0.0;
    double end = 0.0; ///< Not reached by a take that loops, which has no fade out.
    FadeShape inShape = FadeShape::straight;
    FadeShape outShape = FadeShape::straight;
    bool loops = false;

    /// Whether everything between two positions keeps its level.
    bool untouched(double from, double to) const noexcept
    {
        return from >= inEnd && (loops || to <= outStart);
    }
    /// Gain at one position, frames of the recording; 0 to 1.
    float at(double position) const noexcept
    {
        double gain = 1.0;
        if (position < inEnd)
            gain = fadeShapeGain(inShape, (position - start) / (inEnd - start));
        if (!loops && position > outStart)
            gain *= fadeShapeGain(outShape, (end - position) / (end - outStart));
        return float(gain);
    }
};
FadePlan fadePlan(const Take& take);

} // namespace puretone
