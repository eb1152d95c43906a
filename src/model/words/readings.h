// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

namespace puretone {

/// The stops of the path, in the order of the work.
enum class Stop { sound, pitch, loop, keys, shape, effects, write };
inline constexpr std::array<Stop, 7> allStops = {
    Stop::sound, Stop::pitch, Stop::loop, Stop::keys, Stop::shape, Stop::effects, Stop::write};

/// What stands under a stop's name, and what wants a look there.
struct Reading {
    std::string text; ///< "2.31 s", "A#3 -12 ct".
    std::string concern; ///< One sentence with its remedy; empty when all is well.
    bool operator==(const Reading&) const = default;
};

const char* nameOf(Stop stop);
/// What is known about a take beyond the document.
struct KnownFacts {
    std::optional<LoopCandidate> seam; ///< How the current loop measures.
    std::size_t notesInside = 1; ///< More than one: its recording might be split.
};
Reading readingOf(Stop stop, const Instrument& instrument, const Take* take, const Naming& naming,
    const KnownFacts& known = {});

/// What the take's pitch may be: what was read, ranked, and after the first of it the root that the
/// file itself names, where it does (its confidence is 0: it is not ours to judge).
std::vector<PitchChoice> pitchChoices(const Take& take);

/// What there is to say about a reading beyond its note, one plain sentence each: several notes at
/// once, wandering and where it is steadiest, vibrato, body against noise.
std::vector<std::string> pitchFacts(const Take& take, const Naming& naming);

/// Up to two seconds of the kept part where the pitch is steadiest: what a trial tone is held
/// against.
Span steadiestPart(const Take& take);

/// Whether a take's reading contradicts the row of notes that it was placed by.
bool contradictsSeries(const Take& take);

/// "A#3 (58)": a key with its MIDI number.
std::string keyWithNumber(int key, const Naming& naming = {});

/// The same loop with its start moved to `frame`, kept inside `kept` and at least shortestLoop
/// long; a crossfade that no longer fits is shortened.
Loop withLoopStart(Loop loop, Span kept, std::int64_t frame);
Loop withLoopEnd(Loop loop, Span kept, std::int64_t frame);
/// The same loop, as long as it is, begun at `frame` or as near as `kept` allows.
Loop withLoopAt(Loop loop, Span kept, std::int64_t frame);
/// As withLoopStart(), but a start that would pass the end takes the loop along.
Loop withLoopFrom(Loop loop, Span kept, std::int64_t frame);
/// What is left of the kept part where notes begin at the loop, its crossfade included; nothing
/// where that is no more than 10 ms less, or it does not loop.
std::optional<Span> keptFromLoop(const Take& take);
/// Why a crossfade cannot be longer, in words; empty while it can.
std::string crossfadeLimitReason(const Loop& loop);

/// Whether a loop of few periods is out of tune with its note by what fitting it would mend.
bool wantsFitting(const Take& take);
/// The tuning by which a take sounds at its keys' pitch while its short loop sounds at `tone` (see
/// loopTone); nothing where it does already, within two cents.
std::optional<Tuning> tuningByTone(const Take& take, Hz tone);

/// The kept part with an end moved: never shorter than shortestTake, inside the recording.
Span withKeptStart(Span kept, std::int64_t frame);
Span withKeptEnd(Span kept, std::int64_t frame, std::int64_t frames);

} // namespace puretone
