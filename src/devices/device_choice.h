// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "devices/devices.h"

namespace puretone {

/// Ports that only hand on what this computer sends ("Midi Through") stand behind the keyboards:
/// the first of the list is the one that somebody plays.
void putLoopbacksLast(std::vector<DeviceName>& keyboards);

/// The device that was chosen in an earlier session, if it is there again; otherwise the first.
///
/// @param list Not empty. @param remembered An id; empty where nobody chose. ALSA numbers its ports
///        anew when they are plugged in: the number at the end (" 20:0") need not be the same.
const DeviceName& preferredDevice(
    const std::vector<DeviceName>& list, const std::string& remembered);

} // namespace puretone
