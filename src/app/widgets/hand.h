// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace puretone::app {

/// Pixels that a pressed pointer moves before it drags: less is a click by an unsteady hand.
inline constexpr double dragThreshold = 4.0;

} // namespace puretone::app
