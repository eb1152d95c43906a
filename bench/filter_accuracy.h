// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace bench {

/// A wave moves the cutoff of a filter over two octaves; the gain of a tone beside it says where
/// the cutoff stands. @param hz Swings a second. @return Worst error of the cutoff, percent.
double movedCutoffError(bool steep, double hz);

} // namespace bench
