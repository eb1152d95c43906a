// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument.h"

#include <string>
#include <vector>

namespace puretone {

/// The document with everything that was done to it. Undoing swaps values; audio is shared, so a
/// step costs a few hundred bytes.
class History {
public:
    explicit History(Instrument start = {})
        : current_(std::move(start))
        , saved_(current_)
    {
    }

    const Instrument& current() const { return current_; }

    /// Makes `next` the current value.
    ///
    /// @param name What was done, for the menu: "Move loop end".
    /// @param gesture One number per drag or typing: edits of the same gesture are one step. 0
    /// stands
    ///        for an edit on its own.
    /// @return False, and nothing happens, when `next` equals the current value.
    bool apply(const std::string& name, Instrument next, int gesture = 0);
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

    /// Remembers a value as what stands on disk; the current one may have moved on meanwhile.
    void markSaved(Instrument saved) { saved_ = std::move(saved); }
    void markSaved() { saved_ = current_; }
    bool isSaved() const { return saved_ == current_; }
    /// Forgets everything and starts from a document that was opened.
    void reset(Instrument start);

private:
    struct Step {
        std::string name;
        Instrument before;
        Instrument after;
        int gesture;
    };
    Instrument current_;
    Instrument saved_;
    std::vector<Step> steps_;
    std::size_t done_ = 0;
};

} // namespace puretone
