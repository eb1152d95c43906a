// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/making/take_maker.h"
#include "prepare/split/split.h"

#include <QObject>

namespace puretone::app {

class Session;

/// Recordings that hold several notes.
class Splitting : public QObject {
    Q_OBJECT

public:
    explicit Splitting(Session& session);

    /// Whether a recording that was brought in holds several notes, in the background.
    void lookForNotes(const RecordingPtr& recording);
    /// How many notes were heard in the recording on screen when it was brought in; 1 where nobody
    /// needs to be asked.
    std::size_t notesInside() const;
    /// Proposes the split that was found then.
    void showNotesInside();
    /// Answers that question: it is one take.
    void keepAsOne();
    /// Proposes how the recording on screen splits into notes, in the background.
    void propose(const SplitOptions& options);
    void forget();
    /// A border that was moved, a piece that is wanted or not: the proposal is not part of the
    /// document, but has an undo of its own.
    /// @param first Begins a gesture: what it does is one step.
    void change(const SplitResult& changed, bool first);
    /// Of the take on screen; nothing where none was asked for.
    const std::optional<SplitResult>& proposal() const { return split_; }
    /// What was done to the proposal is undone before anything in the document: change by change,
    /// and then the proposal itself. False where there is nothing of the kind.
    bool undo();
    bool redo();
    bool canUndo() const;
    bool canRedo() const { return !after_.empty(); }
    /// Makes takes of the proposed pieces; they take the place of the take on screen.
    /// @param series Names them in turn; otherwise each is named by its own pitch.
    void make(const std::optional<NoteSeries>& series = {});
    /// Esc in the middle of a gesture: what it has done is taken back.
    void abandon();
    /// Another take is on screen.
    void leave();
    /// The document has changed: a proposal goes with the sound that it was made of.
    void follow();

private:
    struct Several {
        std::weak_ptr<const Audio> audio; ///< Of the recording, untreated; goes with it.
        SplitResult split;
    };
    const Several* several() const;

    Session& session_;
    using Proposal = std::optional<SplitResult>;
    void show(Proposal next);
    Proposal split_;
    std::weak_ptr<const Audio> of_; ///< What it was made of.
    std::size_t steps_ = 0; ///< Of the document's undo, when the proposal was changed last.
    std::vector<Proposal> before_, after_; ///< Of the take on screen: for undo, and for redo.
    std::vector<Several> several_; ///< Recordings that hold several notes, until that is answered.
};

} // namespace puretone::app
