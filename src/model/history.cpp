// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/history.h"

#include <utility>

namespace puretone {

bool History::continues(int gesture) const
{
    return gesture != 0 && done_ > 0 && done_ == steps_.size() && steps_.back().gesture == gesture;
}

bool History::apply(const std::string& name, Instrument next, int gesture)
{
    if (next == current_)
        return false;
    auto before = std::exchange(current_, std::move(next));
    if (continues(gesture)) {
        steps_.back().after = current_;
        // A drag that came back to where it began is no step.
        if (steps_.back().after == steps_.back().before) {
            steps_.pop_back();
            --done_;
        }
        return true;
    }
    steps_.resize(done_);
    steps_.push_back({name, std::move(before), current_, gesture});
    ++done_;
    return true;
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

void History::reset(Instrument start)
{
    current_ = std::move(start);
    saved_ = current_;
    steps_.clear();
    done_ = 0;
}

} // namespace puretone
