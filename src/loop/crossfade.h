// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "loop/loop.h"

namespace puretone {

/// How alike the two sides of a crossfade are: normalised correlation of the frames before the end
/// with the frames before the start, weighted by the shape of the fade, over all channels. -1 to 1;
/// 0 where there is nothing to compare.
double sideCorrelation(const Audio& audio, Span loop, std::int64_t crossfade);

/// The same for many loops with crossfades of one length.
class SideCorrelation {
public:
    explicit SideCorrelation(std::int64_t crossfade);
    double operator()(const Audio& audio, Span loop) const;

private:
    std::vector<float> weights_;
};

/// Level of the stretch before the end over the level before the start.
///
/// Measured over `frames` frames on either side (at least 30 ms, at most the loop).
Decibels levelRise(const Audio& audio, Span loop, std::int64_t frames);

/// The gains that turn a recording into its looped form, frame by frame:
/// baked[f] = ending[f - first] * x[f] + beginning[f - first] * x[f - length], first <= f < end.
struct LoopGains {
    std::int64_t first = 0; ///< First frame that differs from the recording.
    std::vector<float> ending;
    std::vector<float> beginning; ///< 0 where nothing is mixed in.
};

/// @param loop On, and inside the recording (see clampLoop).
///
/// The automatic law: with a = cos(q)/N and b = sin(q)/N the power of a e + b s stays constant for
/// N^2 = 1 + r sin(2q); r = 1 gives gains that add to one, r = 0 equal power. After M. Fink, M.
/// Holters, U. Zoelzer, "Signal-matched power-complementary cross-fading", DAFx 2016. r is held
/// above -0.6 (4 dB of boost): sides more opposed than that want another end.
LoopGains loopGains(const Audio& audio, const Loop& loop);

/// The recording with its loop's crossfade and evening in place: same length; frames from `end` on
/// are as recorded. What the engine plays and every export writes.
Audio bake(const Audio& audio, const Loop& loop);

/// The last frames of a turn, those that differ from the recording: the crossfade, or all of it
/// where the level is evened out.
Audio bakeEnd(const Audio& audio, const Loop& loop);

/// One turn of the baked loop, `[start, end)`, without copying the rest.
Audio bakeTurn(const Audio& audio, const Loop& loop);

} // namespace puretone
