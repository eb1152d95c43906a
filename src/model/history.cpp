// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/history.h"

#include <algorithm>
#include <limits>
#include <utility>

namespace puretone {

bool History::continues(int gesture) const
{
    return gesture != 0 && done_ > 0 && done_ == steps_.size() && steps_.back().gesture == gesture;
}

void History::leaveFor(State next)
{
    sounds_.keep(current_.value);
    become(std::move(next));
}

void History::become(State next)
{
    current_ = std::move(next);
    ++revision_;
}

void History::push(const std::string& name, State after, int gesture)
{
    steps_.resize(done_);
    steps_.push_back({name, {withoutSounds(current_.value), current_.document},
        {withoutSounds(after.value), after.document}, gesture});
    ++done_;
    leaveFor(std::move(after));
}

void History::learn(Instrument next)
{
    std::vector<const Take*> learned;
    for (const auto& take : next.takes)
        if (const Take* was = current_.value.take(take.id);
            was == nullptr || !was->facts.isThatOf(take.facts))
            learned.push_back(&take);
    const auto pass = [&](State& state) {
        if (state.document != current_.document)
            return;
        for (const Take* knows : learned)
            if (Take* take = state.value.take(knows->id); take != nullptr && *take == *knows)
                take->facts = knows->facts;
    };
    for (auto& step : steps_) {
        pass(step.before);
        pass(step.after);
    }
    become({std::move(next), current_.document});
}

bool History::apply(const std::string& name, Instrument next, int gesture)
{
    if (next == current_.value) {
        learn(std::move(next));
        return false;
    }
    State after{std::move(next), current_.document};
    if (!continues(gesture)) {
        push(name, std::move(after), gesture);
        return true;
    }
    auto& last = steps_.back();
    last.after = {withoutSounds(after.value), after.document};
    become(std::move(after));
    // A drag that came back to where it began is no step.
    if (last.after == last.before) {
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
    homes_.push_back(
        {origin.file, nothing || origin.saved ? std::optional(withoutSounds(next)) : std::nullopt});
    push(name, {std::move(next), document}, 0);
}

const History::State* History::targetState(Step step) const
{
    if (step == Step::redo)
        return canRedo() ? &steps_[done_].after : nullptr;
    return canUndo() ? &steps_[done_ - 1].before : nullptr;
}

Instrument History::withSoundsAtHand(Instrument value) const
{
    // What is not treated anew sounds as it does now.
    SoundCache present(std::numeric_limits<std::uint64_t>::max());
    present.keep(current_.value);
    present.fill(value);
    sounds_.fill(value);
    return value;
}

std::optional<Instrument> History::target(Step step) const
{
    const State* state = targetState(step);
    return state != nullptr ? std::optional(withSoundsAtHand(state->value)) : std::nullopt;
}

void History::walk(Step step, const Instrument* ready)
{
    const State* state = targetState(step);
    if (state == nullptr)
        return;
    const auto document = state->document;
    const bool fits = ready != nullptr && *ready == state->value;
    leaveFor({fits ? *ready : withSoundsAtHand(state->value), document});
    if (step == Step::redo) {
        ++done_;
        return;
    }
    --done_;
    if (step == Step::abandon)
        steps_.pop_back();
}

void History::abandon(int gesture)
{
    if (continues(gesture))
        walk(Step::abandon);
}

void History::markSaved(DocumentId document, Instrument value, const std::string& file)
{
    markOverwritten(file);
    homes_[std::size_t(document)] = {file, withoutSounds(std::move(value))};
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
