// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "model/instrument/instrument.h"

namespace puretone {

/// An instrument for formats that know nothing of keeping a length: every key of a layer that does
/// becomes a zone with a take of its own, whose pitch has been moved. Others stay as they are.
/// Empty takes when cancelled.
Instrument withOwnLengths(Instrument instrument, const Progress& progress = {});

/// How many sounds that are; 0 where no layer keeps its length.
std::size_t ownLengths(const Instrument& instrument);
/// Their bytes at so many for each sample, without making them.
std::uint64_t ownLengthBytes(const Instrument& instrument, std::uint64_t bytesForSample);

} // namespace puretone
