// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

#include <string>
#include <vector>

namespace bench {

/// A computed sound of the outdoors or of a machine, without a note.
struct FieldSound {
    std::string name;
    puretone::Audio audio;
};

/// Rain, crackle, rumble, a room, a crowd, wind, hiss with clicks, surf, fire and a fan: `rounds`
/// of each, 1.5 to 12 s, every second one in stereo, all drawn from `seed`.
std::vector<FieldSound> fieldSounds(int rounds, std::uint64_t seed);

/// One sound each that comes and goes: tremolo, swells that rise fast and fall slowly, two and five
/// voices beside each other, a level that wanders. `rounds` of each, 2 to 14 s, 60 to 900 Hz, in
/// noise of -75 to -45 dB.
std::vector<FieldSound> slowSounds(int rounds, std::uint64_t seed);

} // namespace bench
