// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/units.h"
#include "effects/effect.h"

#include <array>
#include <string>
#include <variant>
#include <vector>

namespace puretone {

// What is done to a recording before it becomes a take, each step a value of its own. The
// recording is never changed: the treated audio is derived from it and can be made anew at any
// time.

/// Takes the mean of each channel away, so that the wave swings about zero.
struct RemoveDc {
    bool operator==(const RemoveDc&) const = default;
};

/// A Butterworth filter: everything below (low cut) or above (high cut) goes.
struct PassFilter {
    enum class Cut { low, high } cut = Cut::low;
    double hz = 40.0; ///< -3 dB here.
    int slopeDb = 24; ///< Per octave: 6, 12, 24 or 48.
    bool operator==(const PassFilter&) const = default;
};

/// One band of an equaliser.
struct Band {
    enum class Shape { bell, lowShelf, highShelf } shape = Shape::bell;
    double hz = 1000.0; ///< Middle of a bell, half-way point of a shelf.
    double gainDb = 0.0; ///< -24 to 24.
    double q = 1.0; ///< Of a bell, 0.1 (wide) to 20 (narrow).
    bool operator==(const Band&) const = default;
};

/// One gain for everything. Measured where `over` says, and not again when the kept part moves:
/// nothing changes level by itself.
struct Level {
    enum class To { gain, peak, loudness } to = To::peak;
    double value = -1.0; ///< dB, dB of full scale, or LUFS.
    Span over; ///< Frames of the recording that are measured; the whole of it when empty.
    bool operator==(const Level&) const = default;
};

/// Slowly levels a note that swells or sags: its own median level is kept.
struct EvenOut {
    double amount = 1.0; ///< 0 to 1.
    Span over; ///< The note, frames of the recording; what lies outside keeps the gain of its edge.
    bool operator==(const EvenOut&) const = default;
};

struct Reverse {
    bool operator==(const Reverse&) const = default;
};

/// Which channels are heard: all mixed to one, or one or two picked (the same twice makes mono, the
/// other way round swaps).
struct Channels {
    enum class How { mixed, picked } how = How::mixed;
    int left = 0; ///< Index of a channel of the recording, from 0.
    int right = 1;
    bool operator==(const Channels&) const = default;
};

/// Distance of the two sides from their middle.
struct Width {
    double share = 1.0; ///< 0 is mono in both, 1 as it is, 2 twice as far apart.
    bool operator==(const Width&) const = default;
};

/// Takes drift and vibrato out of a note, by resampling along its own pitch.
struct Straighten {
    double drift = 1.0; ///< Share of the slow movement that goes, 0 to 1.
    double vibrato = 0.0; ///< Share of the swing from 2 to 10 Hz that goes, 0 to 1.
    enum class To {
        centre, ///< The take's own middle.
        note, ///< `note`.
    } to = To::centre;
    double midi = 60.0; ///< The pitch that is followed (69 = 440 Hz).
    double note = 60.0; ///< Where it is put.
    Span over; ///< The note, frames of the recording; the whole of it when empty.
    bool operator==(const Straighten&) const = default;
};

/// Takes a second tone out: a whistle, a hum, a ring.
struct RemoveTone {
    double hz = 1000.0; ///< Where it is strongest; it is followed from there.
    bool harmonics = false; ///< Its overtones go, too.
    bool alone = false; ///< What is heard is the removed part.
    Span over; ///< Where it is looked for; removed wherever it sounds.
    bool operator==(const RemoveTone&) const = default;
};

/// Another pitch at the same length, and the colour of a voice on its own.
struct Transpose {
    double semitones = 0.0; ///< -24 to 24.
    double formants = 0.0; ///< Semitones that the colour moves: 0 keeps it where it is, -24 to 24.
    bool operator==(const Transpose&) const = default;
};

/// Voices beside the sound at other pitches, of the same length.
struct Harmony {
    std::array<double, 4> semitones{}; ///< Of each, -24 to 24; 0 for none.
    double levelDb = -3.0; ///< Of each beside the sound, -40 to 6.
    bool keepsFormants = true;
    double width = 0.6; ///< How far apart they stand, 0 to 1.
    bool operator==(const Harmony&) const = default;
};

/// A chain of effects made part of the take. Spaces are left out: their impulse is no number.
struct Colour {
    Effects effects;
    double tempo = 96.0; ///< Beats a minute, for what keeps time.
    bool operator==(const Colour&) const = default;
};

using TreatmentKind = std::variant<RemoveDc, PassFilter, Band, Level, EvenOut, Reverse, Channels,
    Width, Straighten, RemoveTone, Transpose, Harmony, Colour>;

struct Treatment {
    TreatmentKind what;
    bool on = true; ///< Off, it stays in the list and does nothing.
    bool operator==(const Treatment&) const = default;
};
/// In the order in which they are applied.
using Treatments = std::vector<Treatment>;

/// "Low cut 40 Hz", "Level -1 dB peak".
std::string describe(const Treatment& treatment);
/// The nearest treatment whose numbers are all in range.
Treatment sanitized(Treatment treatment);
/// Whether the result runs backwards.
bool reversed(const Treatments& treatments);
/// A stretch seen from the other end of `frames` frames.
inline Span mirrored(Span span, std::int64_t frames)
{
    return {Frames{frames - span.end.value}, Frames{frames - span.start.value}};
}
/// The same list for another take: what measures a stretch measures that take's.
Treatments measuredOver(Treatments treatments, Span over);

} // namespace puretone
