// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "pitch/report.h"

#include <optional>
#include <string>

namespace bench {

/// A computed sound and what is known about it because it was computed.
struct Program {
    std::string kind; ///< "voice", "bell", "kick", "pink noise", ...
    puretone::SoundKind family = puretone::SoundKind::harmonic;
    puretone::Audio audio;
    std::optional<double> midi; ///< The note an ear names; nothing for noise.
};

/// Sounds over kind, register, noise, reverberation, vibrato and stereo, all drawn from `seed`.
std::vector<Program> randomPrograms(std::size_t count, std::uint64_t seed);

/// Two to four notes at once, none an octave or a twelfth above another.
struct Chord {
    puretone::Audio audio;
    std::vector<double> midi; ///< Lowest first.
};
std::vector<Chord> randomChords(std::size_t count, std::uint64_t seed);

/// What recordings suffer.
enum class Harm { noise, telephone, room, overdrive, hum, cut };
inline constexpr Harm allHarms[] = {
    Harm::noise, Harm::telephone, Harm::room, Harm::overdrive, Harm::hum, Harm::cut};
const char* nameOf(Harm harm);
/// Mono. Noise is pink and 12 dB below; a cut keeps 35 to 300 ms from anywhere in the first half.
std::vector<float> harmed(std::vector<float> mono, double rate, Harm harm, std::uint64_t seed);

} // namespace bench
