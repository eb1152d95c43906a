// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument.h"

#include <string>
#include <vector>

namespace puretone {

/// Where a document comes from.
struct DocumentOrigin {
    std::string file; ///< It belongs to this one; empty where there is none.
    bool saved = false; ///< Whether that file holds it as it is.
};

/// Documents in turn, with everything that was done to them. Undoing swaps values; audio is shared,
/// so a step costs a few hundred bytes.
///
/// Opening a file or beginning anew is a step like any other. The file that a document belongs to
/// goes with it: undoing such a step brings back the document before, its file, and whether it is
/// saved there.
class History {
public:
    /// Numbers the documents that were begun here, from 0.
    using DocumentId = int;

    explicit History(Instrument start = {})
        : current_{std::move(start), 0}
        , homes_{{"", current_.value}}
    {
    }

    const Instrument& current() const { return current_.value; }
    DocumentId document() const { return current_.document; }

    /// Makes `next` the current value of the same document.
    ///
    /// @param name What was done, for the menu: "Move loop end".
    /// @param gesture One number per drag or typing: edits of the same gesture are one step. 0
    /// stands
    ///        for an edit on its own.
    /// @return False, and nothing happens, when `next` equals the current value.
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
    void undo();
    void redo();

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
    struct Step {
        std::string name;
        State before;
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
    void push(Step step);

    State current_;
    std::vector<Home> homes_;
    std::vector<Step> steps_;
    std::size_t done_ = 0;
};

} // namespace puretone
