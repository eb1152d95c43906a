// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/id.h"
#include "model/instrument/movement.h"

#include <array>
#include <cstddef>
#include <string>
#include <vector>

namespace puretone {

/// Level over time of every note. A curve of 0 is straight (decay and release in dB), towards 1 the
/// way begins slowly, towards -1 it hurries at first.
struct Envelope {
    double delay = 0.0; ///< Seconds before anything sounds.
    double attack = 0.002; ///< Seconds from silence to full level.
    double hold = 0.0; ///< Seconds at full level.
    double decay = 0.0; ///< Seconds from full level to the sustain level.
    double sustainDb = 0.0; ///< 0 to -60; -60 is silence.
    double release = 0.03; ///< Seconds to fall by 60 dB after the key is let go.
    double attackCurve = 0.0, decayCurve = 0.0, releaseCurve = 0.0; ///< -1 to 1.
    /// Octaves by which all times grow: at full touch, -4 to 4, and for each octave of the keys
    /// above key 60, -2 to 2.
    double touchTimes = 0.0, keyTimes = 0.0;
    bool operator==(const Envelope&) const = default;
};
inline constexpr double silentSustainDb = -60.0;
inline constexpr double shortestRelease = 0.001; ///< Seconds; none at all would end with a pop.
/// Share of the way that a slope with a curve has gone at a share of its time; both 0 to 1.
double slopeAt(double curve, double share) noexcept;
/// The other way round.
double slopeShare(double curve, double gone) noexcept;

enum class FilterKind { off, low, high, band, notch };

/// A resonant filter over the notes of a layer.
struct Filter {
    FilterKind kind = FilterKind::off;
    bool steep = false; ///< 24 dB per octave instead of 12.
    double hz = 2000.0; ///< Cutoff at key 60 without touch and envelope, 16 to 20000.
    double resonance = 0.0; ///< 0 to 1.
    double driveDb = 0.0; ///< Into a soft ceiling before it, 0 to 36.
    double follow = 0.0; ///< Octaves of cutoff for each octave of the keys, 0 to 2.
    double touchOctaves = 0.0; ///< Added at full touch, -8 to 8.
    double envelopeOctaves = 0.0; ///< Added where the second envelope is at full level, -8 to 8.
    bool operator==(const Filter&) const = default;
};

/// Where on the keyboard a take sounds. Both ends belong to each range.
struct Zone {
    ZoneId id; ///< Unique in the instrument.
    TakeId take;
    int lowKey = 0;
    int highKey = 127;
    int lowVelocity = 1;
    int highVelocity = 127;
    /// Keys or touches over which it rises from silence, inside its range, at each end; 0 for a
    /// hard border. Neighbours that overlap by as much add up to the same power.
    int lowKeyFade = 0, highKeyFade = 0;
    int lowVelocityFade = 0, highVelocityFade = 0;
    double levelDb = 0.0; ///< -60 to 24.
    double pan = 0.0; ///< -1 left to 1 right.
    double tuneCents = 0.0; ///< -1200 to 1200, added to the take's own.
    /// Borders that somebody set stay where they are when takes join.
    bool lowKeyByHand = false, highKeyByHand = false;
    bool operator==(const Zone&) const = default;
};
/// Whether there is a key and a touch that both play.
inline bool overlap(const Zone& a, const Zone& b)
{
    return a.lowKey <= b.highKey && b.lowKey <= a.highKey && a.lowVelocity <= b.highVelocity
        && b.lowVelocity <= a.highVelocity;
}
/// Whether a note plays it.
inline bool inZone(const Zone& zone, int key, int velocity)
{
    return key >= zone.lowKey && key <= zone.highKey && velocity >= zone.lowVelocity
        && velocity <= zone.highVelocity;
}
/// How much of what lies behind each edge of a zone is the same sound, 0 to 1: what is alike adds
/// up in amplitude, what is not in power.
struct EdgeLikeness {
    double lowKey = 0.0, highKey = 0.0, lowVelocity = 0.0, highVelocity = 0.0;
    bool operator==(const EdgeLikeness&) const = default;
};
/// Gain of a note that plays it, crossovers and level counted: with a neighbour that fades over the
/// same keys or touches the power stays what it is.
double zoneGain(const Zone& zone, int key, int velocity, const EdgeLikeness& alike = {}) noexcept;

/// Gains of a balance: the middle leaves both as they are, a side takes the other one away.
struct Balance {
    double left = 1.0, right = 1.0;
};
inline Balance balance(double pan) noexcept
{
    return {pan > 0.0 ? 1.0 - pan : 1.0, pan < 0.0 ? 1.0 + pan : 1.0};
}

/// What makes a layer sound.
enum class SoundsWhen {
    press, ///< Every key that is pressed.
    release, ///< Every key that is let go, with the touch that it was pressed with.
    phraseStart, ///< A key that is pressed while no other is held.
    phraseOn, ///< A key that is pressed while others are held.
};

/// What zones of one layer do that play the same key and touch.
enum class SameKeys {
    together,
    inTurn, ///< One after the other.
    atRandom, ///< Never the same twice running.
};

/// What a key does to a take.
enum class Manner {
    asRecorded, ///< Speed and pitch go together.
    keepsLength, ///< Every key lasts as long as the root.
    frozen, ///< One place of it sounds for as long as the key is held.
};

/// A place in a take, held by grains that overlap.
struct Frozen {
    double place = 0.3; ///< Of the kept part, 0 to 1.
    double sizeSeconds = 0.08; ///< Of a grain, 0.001 to 0.5.
    int density = 4; ///< Grains that sound at once, 1 to 32.
    double scatterSeconds = 0.0; ///< Of the place, to either side, 0 to 1.
    double scatterSize = 0.0; ///< Share of the size, to either side, 0 to 1.
    double scatterCents = 0.0; ///< To either side, 0 to 1200.
    double drift = 0.0; ///< Speed of the place, -1 to 1 of the recording's own; turns at the ends.
    enum class Direction { forward, backward, either } direction = Direction::forward;
    bool hardEdges = false;
    double sizeBeats = 0.0; ///< Of a grain, 1/64 to 8; 0 where its seconds count.
    static constexpr double longestGrain = 4.0; ///< Seconds, whatever the beats are.
    static constexpr int most = 32;
    bool operator==(const Frozen&) const = default;
};

/// How many notes a layer plays at once.
enum class Notes {
    many,
    one, ///< A new note ends the last one; letting go goes back to the one that is still held.
    tied, ///< The same, and the sounding note goes on: no new attack while a key is held.
};

/// From note to note.
struct Glide {
    double seconds = 0.0; ///< For all of the way, or for each octave of it; 0 to 10.
    bool byRate = false; ///< The seconds are for each octave.
    bool always = true; ///< Also from a note that was let go; otherwise only while a key is held.
    bool operator==(const Glide&) const = default;
};

/// Which notes begin at a take's inner start.
enum class InnerUse { never, always, softer, harder };

/// Several voices for every note, each a little beside the pitch and the place.
struct Unison {
    int voices = 1; ///< 1 to 8.
    double detuneCents = 12.0; ///< Of the outer ones, up and down, 0 to 100.
    double width = 0.5; ///< How far they stand apart, 0 to 1.
    double phase = 1.0; ///< How far apart their waves begin, by chance, 0 to 1 of a period.
    static constexpr int most = 8;
    bool operator==(const Unison&) const = default;
};
/// One of its voices.
struct UnisonVoice {
    double cents = 0.0;
    double pan = 0.0; ///< -1 left to 1 right.
    double gain = 1.0; ///< All together are as loud as one.
};
/// @param index 0 to voices - 1, from the lowest and leftmost.
UnisonVoice unisonVoice(const Unison& unison, int index) noexcept;

/// Zones and how they are played.
struct Layer {
    LayerId id = 1; ///< Unique in the instrument.
    std::string name = "Layer 1";
    bool on = true;
    std::vector<Zone> zones;
    double levelDb = 0.0; ///< -60 to 24.
    double pan = 0.0; ///< -1 left to 1 right.
    int octave = 0; ///< -4 to 4.
    double fineCents = 0.0; ///< -100 to 100.
    /// How far the pitch follows the keys: 1 fully, 0 not at all, 2 twice as far.
    double follow = 1.0;
    SoundsWhen when = SoundsWhen::press;
    /// On release: how much softer for each second that the key was held, 0 to 60 dB.
    double fallDbPerSecond = 0.0;
    SameKeys sameKeys = SameKeys::together;
    bool turnsOverAllKeys = false; ///< One turn for the layer instead of one for each key.
    Manner manner = Manner::asRecorded;
    bool keepsFormants = true; ///< Where it keeps the length.
    Frozen frozen;
    double toEffects = 1.0; ///< Share that goes through the chain, 0 to 1; the rest goes past it.
    bool blends = false; ///< Its level follows Instrument::blend.
    int chokeGroup = 0; ///< 1 to 16: a note ends all others of its group; 0 for none.
    int voices = mostVoices; ///< Notes at once; the oldest makes room.
    Notes notes = Notes::many;
    Unison unison;
    Glide glide;
    double bendSemitones = 2.0; ///< Reach of the pitch wheel, 0 to 48.
    double touch = 1.0; ///< How far touch makes louder: 1 by the square of it, 0 not at all.
    InnerUse inner = InnerUse::never;
    int innerTouch = 64; ///< Softer and harder than this, 1 to 127.
    Envelope envelope;
    Envelope second = {0.0, 0.002, 0.0, 0.3, silentSustainDb, 0.15}; ///< For filter and movements.
    Filter filter;
    std::array<Wave, mostWaves> waves;
    std::vector<Movement> movements;

    static constexpr int mostVoices = 256;
    bool operator==(const Layer&) const = default;
};

/// More of them are refused.
inline constexpr std::size_t mostLayers = 64, mostZones = 20000, mostTakes = 5000;

} // namespace puretone
