// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

namespace puretone::app {

/// Kinds of work beside the window.
enum class JobKind {
    // clang-format off
    open, addFile, audition, shelf, shelfLook, replaceTake, makeSplit, recover,
    keptPart, notesInside, split, layOut, treat, hearAgain, copyTreatments, facts, walk,
    findLoops, loopNear, copyLoop, seam, remedy, seamMap,
    compile, keepLength, copyLayer, levels, shape, reach, draw, note, peaks, beating,
    save, exportFiles, exportLook, journal, sweep, printLook, print, printFiles, keepPlayed,
    findDevices, openOutput, openKeyboard, openInput, dragOut,
    // clang-format on
};

/// Each has threads of its own, so that a moved handle never queues behind fifty files.
enum class Lane {
    swift, ///< What a person waits for while working.
    bulk, ///< What fills the machine for longer.
    keeping, ///< Files that are saved and exported.
    journal, ///< What is on disk within a second, whatever else is written.
};

/// What is known of a kind of work: where it runs, and what the status line says while it lasts.
struct JobFacts {
    JobKind kind;
    Lane lane;
    /// "Searching for loops…"; null where nobody waits for it.
    const char* words = nullptr;
    /// May be given up in the middle: nothing is left half done.
    bool cancellable = false;
};

const JobFacts& factsOf(JobKind kind);
/// Its words as the window speaks; empty for none.
QString wordsOf(JobKind kind);

} // namespace puretone::app
