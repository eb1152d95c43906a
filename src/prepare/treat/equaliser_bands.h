// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "prepare/treat/treatment.h"

namespace puretone {

/// The points of an equaliser as the filters and bands that they are: low cut, low bell, high bell,
/// high shelf. Together they have its response. A low cut that does nothing is off.
Treatments bandsOf(const Effect& equaliser);
/// Takes one of them over, after it was changed. @param index Of bandsOf().
void setBand(Effect& equaliser, int index, const Treatment& band);

} // namespace puretone
