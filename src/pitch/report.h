// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/say.h"
#include "base/threads/progress.h"
#include "pitch/motion/movement.h"
#include "pitch/series/note.h"
#include "pitch/series/spectrum.h"

#include <optional>
#include <string>

namespace puretone {

enum class PitchVerdict { clear, uncertain, none };
enum class SoundKind { harmonic, inharmonic, percussive, unpitched };

/// One note that the take may be, with the reason in plain words.
struct PitchChoice {
    double midi = 0.0;
    double confidence = 0.0; ///< Share of the belief, 0 to 1.
    Message reason;
    bool operator==(const PitchChoice&) const = default;
};

/// What is known about the pitch of one take.
struct PitchReport {
    PitchVerdict verdict = PitchVerdict::none;
    SoundKind kind = SoundKind::unpitched;
    std::optional<double> midi; ///< Sounding pitch, 69 = A4 = 440 Hz; a guess when verdict is none.
    double confidence = 0.0; ///< 0 to 1: probability that `midi` is right within a semitone.
    double stretch = 0.0; ///< Inharmonicity B of the fitted series.
    std::vector<PitchChoice> choices; ///< Most believed first, at most five; [0] is `midi`.
    /// MIDI, lowest first, where several notes sound at once; otherwise empty.
    std::vector<double> notes;
    double tonal = 0.0; ///< Share of the power that lies in partials: body against noise.
    std::optional<PitchMovement> movement; ///< Where the pitch can be followed at all.
    std::vector<Partial> partials; ///< Strongest first, at most 40.

    std::optional<Hz> hz() const { return midi ? std::optional(hzOf(*midi)) : std::nullopt; }
    /// Whether it drifts or slides, beyond what vibrato does.
    bool wanders() const { return puretone::wanders(movement); }
    bool operator==(const PitchReport&) const = default;
};

/// Reads the pitch of one recorded note.
///
/// @param mono The kept part of a take, full scale +-1, finite, any length; the first 6 s are used.
/// @param rate Frames per second, 4 kHz or more.
/// @return Always a report: silence, noise and takes of fewer than 16 samples give verdict `none`.
///
/// Cost: 20 to 60 ms for 6 s at 48 kHz. Keeps no state; safe from any thread. When cancelled, the
/// report is meaningless and to be dropped.
/// Method: candidates from period and partials (see candidates.h), octave decided once for the
/// whole take; confidence by J. Platt, "Probabilistic outputs for support vector machines", 1999;
/// bells, chimes and kettledrums after N. Fletcher and T. Rossing, "The Physics of Musical
/// Instruments", chapters 21, 19, 18.
PitchReport analysePitch(std::span<const float> mono, double rate, const Progress& progress = {});

/// The stretch of a kept part that is worth reading: its first 7 s, or, where the sound only comes
/// later (a slow swell, a field recording), 7 s from a second before it is there. Looks at the
/// first ten minutes.
Span stretchForPitch(const Audio& audio, Span kept);

/// A steady tone that does not belong to the note: a whistle or hum that stands out among what the
/// note's series leaves over. Hz; nothing where there is none, or no single harmonic note.
std::optional<double> foreignTone(const PitchReport& report);

const char* nameOf(PitchVerdict verdict);
const char* nameOf(SoundKind kind);

} // namespace puretone
