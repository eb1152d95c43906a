// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/history.h"

#include <algorithm>
#include <utility>

namespace puretone {

bool History::continues(int gesture) const
{
    return gesture != 0 && done_ > 0 && done_ == steps_.size() && steps_.back().gesture == gesture;
}

void History::push(Step step)
{
    steps_.resize(done_);
    current_ = step.after;
    steps_.push_back(std::move(step));
    ++done_;
}

bool History::apply(const std::string& name, Instrument next, int gesture)
{
    if (next == current_.value)
        return false;
    State after{std::move(next), current_.document};
    if (!continues(gesture)) {
        push({name, current_, std::move(after), gesture});
        return true;
    }
    current_ = std::move(after);
    steps_.back().after = current_;
    // A drag that came back to where it began is no step.
    if (steps_.back().after == steps_.back().before) {
        steps_.pop_back();
        --done_;
    }
    return true;
}

void History::begin(const std::string& name, Instrument next, const DocumentOrigin& origin)
{
    const auto document = DocumentId(homes_.size());
    // What has neither a file nor a take is lost without regret.
    const bool nothing = origin.file.empty() && next.takes.empty();
    homes_.push_back({origin.file, nothing || origin.saved ? std::optional(next) : std::nullopt});
    push({name, current_, {std::move(next), document}, 0});
}

void History::abandon(int gesture)
{
    if (!continues(gesture))
        return;
    current_ = steps_.back().before;
    steps_.pop_back();
    --done_;
}

void History::undo()
{
    if (canUndo())
        current_ = steps_[--done_].before;
}

void History::redo()
{
    if (canRedo())
        current_ = steps_[done_++].after;
}

void History::markSaved(DocumentId document, Instrument value, const std::string& file)
{
    markOverwritten(file);
    homes_[std::size_t(document)] = {file, std::move(value)};
}

void History::markOverwritten(const std::string& file)
{
    for (auto& home : homes_)
        if (home.file == file)
            home.saved.reset();
}

std::vector<History::Unsaved> History::unsaved() const
{
    std::vector<Unsaved> found;
    std::vector<DocumentId> seen;
    const auto look = [&](const State& state) {
        if (std::find(seen.begin(), seen.end(), state.document) != seen.end())
            return;
        seen.push_back(state.document);
        if (isSaved(state))
            return;
        found.push_back({state.document, state.value, home(state.document).file});
    };
    look(current_);
    for (auto i = done_; i > 0; --i)
        look(steps_[i - 1].before);
    return found;
}

} // namespace puretone
