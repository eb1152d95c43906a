// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>

namespace puretone {

/// What a struck sound says about its note: the first 1.5 s that follow its strike by 25 ms, or by
/// an eighth of a short sound. Never empty where `mono` is not.
std::span<const float> afterStrike(std::span<const float> mono, double rate);

} // namespace puretone
