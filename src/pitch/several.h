// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/series/spectrum.h"

namespace puretone {

/// The notes that sound at once, lowest first, Hz: explains the partials by as few harmonic series
/// as will do, each with a fundamental and overtones of its own (iterative cancellation, after
/// A. Klapuri, "Multiple fundamental frequency estimation based on harmonicity and spectral
/// smoothness", IEEE Trans. Speech and Audio Processing 11(6), 2003).
///
/// @param partials Of a steady sound: vibrato, strikes and bells have partials that no series
/// holds.
/// @param tonal See tonalShare.
/// @return One note or none where a single series explains what there is; never more than five.
std::vector<double> notesAtOnce(
    const std::vector<Partial>& partials, double windowSeconds, double tonal);

/// Whether a reading is nothing but the common period of several notes (Hz): they are its
/// multiples, and where a note of its own would have partials that none of them has, there is
/// silence.
bool isCommonPeriod(
    double hz, const std::vector<double>& notes, const std::vector<Partial>& partials);

} // namespace puretone
