// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "model/making/name_note.h"
#include "model/making/take_maker.h"

#include <map>

namespace puretone {

/// Where a root comes from.
enum class RootFrom {
    asSet, ///< As the take is tuned now.
    reading,
    file, ///< What stands inside the file.
    name, ///< What the file's name says.
    series, ///< A first note and a step, in the order of the takes.
};

/// What is said about the root of one take.
struct RootsSaid {
    TakeId take;
    int set = 60;
    std::optional<int> reading; ///< Nothing without a clear pitch.
    std::optional<int> file;
    NameSays name;
    /// Whether sources that speak name different keys; a difference of octaves between name and
    /// reading counts.
    bool disagree(int nameShift = 0) const;
};

/// For the takes of a layer, each once, in the order of the takes.
std::vector<RootsSaid> rootsSaid(const Instrument& instrument, LayerId layer);

/// One whole number of octaves, semitones, that makes all names agree with all readings, where
/// names differ from readings; nothing where there is none, or they agree already.
std::optional<int> nameShift(const std::vector<RootsSaid>& said);

struct LayOutOptions {
    RootFrom roots = RootFrom::asSet;
    std::map<TakeId, RootFrom> rootsOf; ///< Of single takes, where another source is better.
    int nameShift = 0; ///< Semitones that all names are meant higher.
    NoteSeries series;

    /// How far the lowest and the highest root reach out.
    enum class Reach {
        asBefore, ///< As far as the layer reached.
        everyKey,
        asItSounds, ///< Up to where they would sound thin or slow.
    } reach = Reach::asBefore;

    /// What becomes of takes without a clear pitch, see Take::isNoNote().
    enum class Unpitched {
        likeOthers, ///< By the root that they are given.
        inARow, ///< Single keys, one after the other.
        ownLayer, ///< A layer that does not follow the keys, in turn.
    } unpitched = Unpitched::likeOthers;

    /// How takes of one root share its keys.
    enum class Share { decide, byTouch, inTurn } share = Share::decide;
};

/// How the takes of a layer were laid over the keys.
struct LaidOut {
    std::size_t takes = 0, roots = 0;
    std::size_t unpitched = 0; ///< That went elsewhere.
    LayOutOptions::Unpitched unpitchedTo = LayOutOptions::Unpitched::likeOthers;
    enum class Shared {
        none, ///< Every root has one take.
        inTurn, ///< Takes of one root take turns.
        byTouch, ///< They sound by touch, the softest recording at the softest touch.
    } shared = Shared::none;
    bool byWords = false; ///< The names say which is soft and which is loud.
    double leastStepDb = 0.0; ///< Between the levels of takes of one root.
};

/// Lays the takes of a layer over the keys by their roots: borders half-way. Takes of one root
/// share its keys: by touch, where every root has as many takes and their names or their levels
/// tell them apart clearly; otherwise in turn, in the order of the numbers in their names. Borders
/// that were set by hand are automatic again.
///
/// @return What was done; no takes where there is no such layer.
LaidOut layOut(Instrument& instrument, LayerId layer, const LayOutOptions& options = {});

/// What was done, in one sentence.
std::string sentenceFor(const LaidOut& done);

/// Automatic borders between neighbouring roots of a layer, half-way; the outer zones keep their
/// outer ends. Borders that were set by hand stay where they still lie between two roots; zones
/// with hand-set borders on both sides and touches of their own stay as they are.
void spreadByRoots(const Instrument& instrument, Layer& layer);

} // namespace puretone
