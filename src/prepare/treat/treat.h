// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"
#include "prepare/treat/treatment.h"

namespace puretone {

/// Applies a list of treatments, in order, to a whole recording.
///
/// @param audio Of any length and number of channels; is not changed.
/// @return Audio of the same rate and length, with one channel where a treatment says so; null when
///         cancelled; `audio` itself when nothing in the list is on. Depends on nothing but its
///         arguments.
///
/// Cost: about 10 ms for 10 s of stereo at 48 kHz and each second-order section, less for the rest.
AudioPtr treat(const AudioPtr& audio, const Treatments& treatments, const Progress& progress = {});

/// Whether a list does anything at all.
bool anyOn(const Treatments& treatments);

/// A compressor that takes hold of this sound, however quiet: it begins 9 dB below the peak of
/// `span`, which at its ratio of three takes 6 dB off the loudest moments.
Colour compressing(const Audio& audio, Span span, double tempo);

/// The slow gain that evens a note out, for each of its hops: what EvenOut applies.
///
/// @return One gain for every `hop` frames of `span`, beginning at its start.
std::vector<double> evenOutGains(const Audio& audio, Span span, double amount, std::int64_t hop);

} // namespace puretone
