// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/take_maker.h"
#include "prepare/split.h"

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
    /// document.
    void change(const SplitResult& changed);
    const std::optional<SplitResult>& proposal() const { return split_; }
    /// Makes takes of the proposed pieces; they take the place of the take on screen.
    /// @param series Names them in turn; otherwise each is named by its own pitch.
    void make(const std::optional<NoteSeries>& series = {});
    /// Another take is on screen.
    void leave() { split_.reset(); }

private:
    struct Several {
        AudioPtr audio; ///< Of the recording, untreated.
        SplitResult split;
    };
    const Several* several() const;

    Session& session_;
    std::optional<SplitResult> split_;
    std::vector<Several> several_; ///< Recordings that hold several notes, until that is answered.
};

} // namespace puretone::app
