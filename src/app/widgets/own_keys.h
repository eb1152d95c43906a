// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace puretone::app {

// Properties of widgets that want keys for themselves which otherwise play, while they have the
// focus.
inline constexpr const char* pressedBySpace = "pressedBySpace";
inline constexpr const char* turnedByPages = "turnedByPages";

} // namespace puretone::app
