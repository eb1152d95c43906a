// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

namespace puretone {

/// Mean of the squares; 0 for no samples.
double meanSquare(std::span<const float> samples);
/// Sum of the products of two stretches of `count` samples. Eight partial sums in single precision,
/// gathered every 256 samples: about 1e-6 of the power exact, and as fast as the machine's vectors.
double dotProduct(const float* a, const float* b, std::size_t count);
/// Largest absolute sample; 0 for no samples.
float peak(std::span<const float> samples);
Decibels peakLevel(const Audio& audio, Span span);

/// Integrated loudness (EBU R 128 by libebur128); where the gate lets nothing through (shorter than
/// 400 ms, or very quiet), the level of the whole stretch with the same reference; -200 for
/// silence.
Decibels loudnessLufs(const Audio& audio, Span span);

/// Power of all channels together in windows of `windowFrames`, one value every `hopFrames`.
///
/// @return ceil(length / hop) values; value i is centred on frame `span.start` + i * hop. Windows
/// are cut at the ends of the span and averaged over what is there. Takes no memory but the
/// result's.
std::vector<double> powerCurve(
    const Audio& audio, Span span, std::int64_t windowFrames, std::int64_t hopFrames);

} // namespace puretone
