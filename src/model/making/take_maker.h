// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "model/instrument/instrument.h"
#include "prepare/split/split.h"

#include <filesystem>

namespace puretone {

/// A piece of a row may be this far from its key, semitones: nearly a quarter tone out of tune, and
/// no other key's.
inline constexpr double seriesTolerance = 0.6;

struct TakeOptions {
    std::optional<double> midi; ///< The sounding pitch, where it is known; otherwise it is read.
    bool findLoop = true;
};

/// Turns a recording into a take: proposes the kept part, reads the pitch, finds a loop.
///
/// A root or loop inside the file is used where our own reading is not clear or no loop is found.
/// @return The take (id 1), or `nothingInside` for silence, or `cancelled`.
Result<Take> makeTake(
    const RecordingPtr& recording, const TakeOptions& options = {}, const Progress& progress = {});

/// The same for a stretch that is known already, one piece of a split.
///
/// @param source Gives the recording and what is done to it.
Result<Take> makePiece(const Take& source, Span kept, const std::string& name,
    const TakeOptions& options = {}, const Progress& progress = {});

/// A row of notes that is known: "C2, every 6 semitones".
struct NoteSeries {
    int firstKey = 36;
    int step = 1; ///< Semitones.
};

/// Takes of all pieces that are no slivers, named after the recording and numbered. They share
/// the source's recording and its treatments. Runs on all cores; `progress` is told from each.
///
/// @param series Gives each take its root key in turn; the fine tuning is still what was read,
/// where
///        that agrees (seriesTolerance). Without it each take gets its own reading.
std::vector<Take> makePieces(const Take& source, const std::vector<Piece>& pieces,
    const TakeOptions& options = {}, const std::optional<NoteSeries>& series = {},
    const Progress& progress = {});

/// Adds takes with zones of their own to a layer, the first one where there is no such, and spreads
/// its zones by their roots.
void addTakes(Instrument& instrument, std::vector<Take> takes, LayerId layer = {});

/// A new take in the place of an old one: its id and, of its loop, how it goes, its evening and,
/// where there is room, its crossfade. What was found is the new one's own.
Take inPlaceOf(const Take& old, Take made, double a4);

/// How a loop inside a WAV goes; one that only runs backward goes there and back, which is nearest.
inline LoopMode loopModeOf(const SamplerInfo::Loop& given)
{
    return given.type == 0 ? LoopMode::forward : LoopMode::alternating;
}

/// An instrument of one take, named after it.
Instrument makeInstrument(Take take);

/// Reads the pitch of the kept part again and, unless it was set by hand, the tuning from it: the
/// note that was read, or middle C where nothing worth proposing was.
void readPitch(Take& take, const Progress& progress = {});
/// After its treatments changed: reads the pitch again and measures the loop choices on the sound
/// as it is now. The loop itself stays.
void hearAgain(Take& take, const Progress& progress = {});
/// Whether it is a kick, a snare, a knock: struck, gone at once, with or without a note. Such a
/// sound gets no loop switched on by itself.
bool isStruckDead(const Take& take);
/// Searches loops in the kept part again and takes the best; the kept part grows where that is one
/// of the file's own and reaches beyond it.
void searchLoops(Take& take, const Progress& progress = {});
/// The same inside one stretch of it; crossfades may reach back before the stretch. @return False
/// where nothing in it repeats well enough to be proposed: the take is as it was then, but for the
/// message of why.
bool searchLoopsWithin(Take& take, Span stretch, const Progress& progress = {});
/// Keeps another part. A loop that does not lie in it gives way to the best of the choices that
/// does; it is off where none of them does. @return False then, for there may be better ones
/// inside.
bool keepPart(Take& take, Span kept);
/// Finds out again what was found out about a take when it was made. Decides nothing; where it is
/// cancelled, nothing changes.
void findFacts(Take& take, const Progress& progress = {});

/// "fog horn" from "fog-horn.flac": a file name as people would write it.
std::string nameFromFile(const std::string& fileName);
/// What an instrument of these files is called: by the words that all of them begin with ("Horn" of
/// "horn_A2.wav" and "horn_C3.wav"); where those say nothing ("take 1", "take 2"), by the folder
/// that they lie in, and where that says nothing either ("sounds"), by the first.
std::string instrumentName(const std::vector<std::filesystem::path>& files);
/// What a layer of these files is called: the same, without the number of a single one, since its
/// sisters may follow ("Knock" of "knock 1.wav").
std::string layerName(const std::vector<std::filesystem::path>& files);

} // namespace puretone
