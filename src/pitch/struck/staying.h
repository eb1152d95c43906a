// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>

namespace puretone {

/// How much of a struck sound stands still: share of the power, 0 to 1, that lies in spectral peaks
/// which stay where they are from one window to the next. Modes do, for as long as they ring; in
/// noise every window has peaks of its own, and only chance puts two in one place.
///
/// Windows do not overlap, so that noise shares nothing between them; they last six periods of
/// `hz`, 40 to 100 ms. Of each the eight highest peaks within 30 dB are looked at.
///
/// @param mono Full scale +-1. @param hz The note that is read, above 0.
/// @return 0 for silence and what is too short for three windows.
double stayingShare(std::span<const float> mono, double rate, double hz);

} // namespace puretone
