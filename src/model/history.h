// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/sounds.h"

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

    explicit History(const Instrument& start = {})
        : current_{start, 0}
        , homes_{{"", withoutSounds(current_.value)}}
    {
    }

    /// As it was handed in or brought back, sounds included.
    const Instrument& current() const { return current_.value; }
    DocumentId document() const { return current_.document; }

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
    int revision() const { return revision_; }

    /// The file of the current document; empty where it has none.
    const std::string& file() const { return home(current_.document).file; }
    /// Whether the current value has nothing that could be lost: it stands in the file, or is as
    /// empty as it began.
    bool isSaved() const { return isSaved(current_); }
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
    std::vector<Unsaved> unsaved() const;

private:
    struct State {
        Instrument value;
        DocumentId document = 0;
        bool operator==(const State&) const = default;
    };
    struct Edit {
        std::string name;
        State before; ///< Both without sounds.
        State after;
        int gesture;
    };
    /// Where a document lives.
    struct Home {
        std::string file;
        std::optional<Instrument> saved; ///< Nothing to lose; none where nothing is known.
    };
    const Home& home(DocumentId document) const { return homes_[std::size_t(document)]; }
    bool isSaved(const State& state) const { return home(state.document).saved == state.value; }
    void become(State next);
    /// The same where undo or redo may come back: its sounds are kept as long as there is room.
    void leaveFor(State next);
    void push(const std::string& name, State after, int gesture);
    void learn(Instrument next);
    const State* targetState(Step step) const;
    Instrument withSoundsAtHand(Instrument value) const;

    /// So many sounds wait for undo that another ten minutes of stereo do not fit beside them.
    static constexpr std::uint64_t mostSoundBytes = 48U << 20U;

    State current_;
    std::vector<Home> homes_;
    std::vector<Edit> steps_;
    std::size_t done_ = 0;
    int revision_ = 0;
    SoundCache sounds_{mostSoundBytes};
};

} // namespace puretone
