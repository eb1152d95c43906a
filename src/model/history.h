// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/making/sounds.h"

#include <memory>
#include <string>
#include <vector>

namespace puretone {

/// Where a document comes from.
struct DocumentOrigin {
    std::string file; ///< It belongs to this one; empty where there is none.
    bool saved = false; ///< Whether that file holds it as it is.
};

/// Documents in turn, with everything that was done to them. Undoing swaps values. Recordings and
/// facts are shared between them, and values that wait here go without their treated sounds, but
/// for those that a small cache still has: 200 steps over ten minutes of treated stereo cost less
/// than another such sound (bench/engine_bench history).
///
/// Opening a file or beginning anew is a step like any other. The file that a document belongs to
/// goes with it: undoing such a step brings back the document before, its file, and whether it is
/// saved there.
class History {
public:
    /// Numbers the documents that were begun here, from 0.
    using DocumentId = int;

    /// A value as undo keeps it, without sounds; shared by the steps on both sides of it.
    struct Kept {
        std::shared_ptr<const Instrument> value;
        DocumentId document = 0;
        /// Another one for each value that ever stood here: equal numbers are equal values.
        int number = 0;
    };
    struct Edit {
        std::string name; ///< What was done.
        Kept before, after;
        int gesture = 0;
    };
    /// Where a document lives.
    struct Home {
        std::string file;
        Kept saved; ///< Nothing to lose; without a value where nothing is known.

        bool holds(const Kept& kept) const;
    };
    /// All of it: what a journal keeps on disk.
    struct Snapshot {
        std::vector<Edit> steps;
        std::size_t done = 0;
        Kept current;
        std::vector<Home> homes; ///< Of each document.
    };

    explicit History(const Instrument& start = {});

    /// As it was handed in or brought back, sounds included.
    const Instrument& current() const { return current_; }
    DocumentId document() const { return kept_.document; }
    /// Cheap: values are shared.
    Snapshot snapshot() const { return {steps_, done_, kept_, homes_}; }
    /// Brings back what another history was, as a step and its own steps behind it; where nothing
    /// was done here yet, it takes the place of this one.
    /// @param ready Its current value with its sounds.
    void restore(const std::string& name, Snapshot other, const Instrument& ready);
    /// Forgets the oldest steps while the recordings that only undo still wants hold more than
    /// this, or where there are more than `mostSteps`. Nothing that is not saved is forgotten but
    /// by that count. @param mostBytes Of samples.
    void trim(std::uint64_t mostBytes);
    /// Bytes of recordings that only undo still wants. @param from Steps before it do not count.
    std::uint64_t undoBytes(std::size_t from = 0) const;
    static constexpr std::size_t mostSteps = 2000;

    /// Makes `next` the current value of the same document.
    ///
    /// @param name What was done, for the menu: "Move loop end".
    /// @param gesture One number per drag or typing: edits of the same gesture are one step. 0
    /// stands
    ///        for an edit on its own.
    /// @return False, and there is no step, when `next` equals the current value. Facts that it
    ///         knows better are those of that value from here on, wherever it stands.
    bool apply(const std::string& name, Instrument next, int gesture = 0);
    /// Another document takes the place of the current one, as a step of its own.
    void begin(const std::string& name, Instrument next, const DocumentOrigin& origin = {});
    /// Whether another edit of this gesture would join the last step.
    bool continues(int gesture) const;
    /// Takes an unfinished gesture back without a trace (Esc while dragging).
    void abandon(int gesture);

    bool canUndo() const { return done_ > 0; }
    bool canRedo() const { return done_ < steps_.size(); }
    std::string undoName() const { return canUndo() ? steps_[done_ - 1].name : ""; }
    std::string redoName() const { return canRedo() ? steps_[done_].name : ""; }
    void undo() { walk(Step::undo); }
    void redo() { walk(Step::redo); }

    enum class Step { undo, redo, abandon };
    /// The value that a step leads to, with those of its sounds that are at hand; nothing where
    /// there is no such step. `abandon` is the one of the last gesture.
    std::optional<Instrument> target(Step step) const;
    /// Takes the step. @param ready Its target with all its sounds; without it they may be lacking.
    void walk(Step step, const Instrument* ready = nullptr);
    /// Another number after every change of the current value.
    /// Steps that undo can take back.
    std::size_t undoSteps() const { return done_; }
    int revision() const { return revision_; }

    /// The file of the current document; empty where it has none.
    const std::string& file() const { return home(kept_.document).file; }
    /// Whether the current value has nothing that could be lost: it stands in the file, or is as
    /// empty as it began.
    bool isSaved() const { return isSaved(kept_); }
    /// Remembers that `file` holds `value` of a document, which may have moved on meanwhile, or may
    /// not be the current one any more. Whatever else was in that file is there no longer.
    void markSaved(DocumentId document, Instrument value, const std::string& file);
    /// Something else was written to `file`: no document stands there as it was.
    void markOverwritten(const std::string& file);

    struct Unsaved {
        DocumentId document;
        Instrument value;
        std::string file; ///< Empty where it has none.
    };
    /// Every document, the current one first, whose value where undo comes upon it is not saved.
    std::vector<Unsaved> unsaved() const { return unsavedIn(snapshot()); }
    static std::vector<Unsaved> unsavedIn(const Snapshot& history);

private:
    const Home& home(DocumentId document) const { return homes_[std::size_t(document)]; }
    bool isSaved(const Kept& kept) const { return home(kept.document).holds(kept); }
    Kept keep(const Instrument& value, DocumentId document);
    void become(Instrument value, Kept kept);
    /// The same where undo or redo may come back: its sounds are kept as long as there is room.
    void leaveFor(Instrument value, Kept kept);
    void push(const std::string& name, Instrument next, Kept after, int gesture);
    void learn(Instrument next);
    const Kept* targetState(Step step) const;
    Instrument withSoundsAtHand(Instrument value) const;

    /// So many sounds wait for undo that another ten minutes of stereo do not fit beside them.
    static constexpr std::uint64_t mostSoundBytes = 48U << 20U;

    int numbers_ = 0; ///< Given out so far.
    Instrument current_; ///< With sounds.
    Kept kept_; ///< The same without.
    std::vector<Home> homes_;
    std::vector<Edit> steps_;
    std::size_t done_ = 0;
    int revision_ = 0;
    SoundCache sounds_{mostSoundBytes};
};

} // namespace puretone
