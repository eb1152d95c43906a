// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

#include <optional>
#include <string>

namespace skerry {

using puretone::Audio;

/// What the generator knows about a sound because it made it.
struct Truth {
    std::string kind; ///< harmonic, inharmonic, percussive or unpitched.
    std::optional<double> hz; ///< Sounding pitch of the steady part; nothing for noise.
    std::vector<double> partials; ///< Ratios to `hz`.
    double vibratoCents = 0.0; ///< Half the swing.
    double vibratoHz = 0.0;
    double driftCents = 0.0; ///< From the first to the last moment.
    double noiseDb = -120.0; ///< Level of the noise below full scale.
    struct Note {
        double start, end, hz;
    };
    std::vector<Note> notes; ///< Where there are several, seconds.
    std::string story; ///< One line about the scene.
};

struct Sound {
    std::string name; ///< File name without extension.
    Audio audio;
    Truth truth;
};

/// All sounds of the lighthouse; the same bits at every call.
std::vector<Sound> allSounds();

Sound fogHorn();
Sound buoyBell();
Sound keepersHum();
Sound windInTheRigging();
Sound mooringPost();
Sound bottles();

} // namespace skerry
