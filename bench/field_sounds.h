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

} // namespace bench
