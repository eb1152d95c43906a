// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/history.h"

#include "model/making/recordings.h"

#include <algorithm>
#include <limits>
#include <map>
#include <utility>

namespace puretone {

History::History(const Instrument& start)
    : current_(start)
    , kept_(keep(start, 0))
    , homes_{{"", kept_}}
{
}

History::Kept History::keep(const Instrument& value, DocumentId document)
{
    return {std::make_shared<const Instrument>(withoutSounds(value)), document, ++numbers_};
}

bool History::Home::holds(const Kept& kept) const
{
    return saved.value != nullptr && (saved.value == kept.value || *saved.value == *kept.value);
}

bool History::continues(int gesture) const
{
    return gesture != 0 && done_ > 0 && done_ == steps_.size() && steps_.back().gesture == gesture;
}

void History::leaveFor(Instrument value, Kept kept)
{
    sounds_.keep(current_);
    become(std::move(value), std::move(kept));
}

void History::become(Instrument value, Kept kept)
{
    current_ = std::move(value);
    kept_ = std::move(kept);
    ++revision_;
}

void History::push(const std::string& name, Instrument next, Kept after, int gesture)
{
    steps_.resize(done_);
    steps_.push_back({name, kept_, after, gesture});
    ++done_;
    leaveFor(std::move(next), std::move(after));
}

void History::learn(Instrument next)
{
    std::vector<const Take*> learned;
    for (const auto& take : next.takes)
        if (const Take* was = current_.take(take.id);
            was == nullptr || !was->facts.isThatOf(take.facts))
            learned.push_back(&take);
    std::map<const Instrument*, std::shared_ptr<const Instrument>> taught;
    const auto pass = [&](Kept& kept) {
        if (kept.document != kept_.document)
            return;
        auto& wiser = taught[kept.value.get()];
        if (!wiser) {
            auto value = *kept.value;
            for (const Take* knows : learned)
                if (Take* take = value.take(knows->id); take != nullptr && *take == *knows)
                    take->facts = knows->facts;
            wiser = std::make_shared<const Instrument>(std::move(value));
        }
        kept.value = wiser;
    };
    if (!learned.empty())
        for (auto& step : steps_) {
            pass(step.before);
            pass(step.after);
        }
    Kept same = kept_;
    same.value = std::make_shared<const Instrument>(withoutSounds(next));
    become(std::move(next), std::move(same));
}

bool History::apply(const std::string& name, Instrument next, int gesture)
{
    if (next == current_) {
        learn(std::move(next));
        return false;
    }
    Kept after = keep(next, kept_.document);
    if (!continues(gesture)) {
        push(name, std::move(next), std::move(after), gesture);
        return true;
    }
    auto& last = steps_.back();
    last.after = after;
    // A drag that came back to where it began is no step.
    if (*last.after.value == *last.before.value) {
        after = last.before;
        steps_.pop_back();
        --done_;
    }
    become(std::move(next), std::move(after));
    return true;
}

void History::begin(const std::string& name, Instrument next, const DocumentOrigin& origin)
{
    const auto document = DocumentId(homes_.size());
    // What has neither a file nor a take is lost without regret.
    const bool nothing = origin.file.empty() && next.takes.empty();
    auto kept = keep(next, document);
    homes_.push_back({origin.file, nothing || origin.saved ? kept : Kept{}});
    push(name, std::move(next), std::move(kept), 0);
}

void History::restore(const std::string& name, Snapshot other, const Instrument& ready)
{
    // Where nothing was done yet, there is nothing to come back to.
    const bool anew = steps_.empty() && isSaved() && current_.takes.empty();
    const auto document = anew ? 0 : DocumentId(homes_.size());
    std::map<const Instrument*, Kept> known;
    const auto ours = [&](const Kept& theirs) {
        if (!theirs.value)
            return Kept{};
        auto& kept = known[theirs.value.get()];
        if (!kept.value)
            kept = {theirs.value, theirs.document + document, ++numbers_};
        return kept;
    };
    if (anew)
        homes_.clear();
    for (const auto& theirs : other.homes)
        homes_.push_back({theirs.file, ours(theirs.saved)});
    const Kept end = ours(other.current);
    if (!anew) {
        steps_.resize(done_);
        steps_.push_back(
            {name, kept_, other.steps.empty() ? end : ours(other.steps.front().before), 0});
        ++done_;
    }
    for (const auto& step : other.steps)
        steps_.push_back({step.name, ours(step.before), ours(step.after), 0});
    done_ += other.done;
    leaveFor(ready, end);
}

namespace {

/// Bytes of samples, by recording.
using Recordings = std::map<const Recording*, std::uint64_t>;

void addRecordings(const Instrument& value, Recordings& to)
{
    eachRecording(value, [&](const Recording& recording) {
        to[&recording] = std::uint64_t(recording.audio->frames()) * recording.audio->channelCount()
            * sizeof(float);
    });
}

/// Whether two values hold the same recordings in the same places: most neighbours do.
bool holdTheSame(const Instrument& a, const Instrument& b)
{
    const auto impulses = [](const Instrument& value) {
        std::vector<const Recording*> found;
        for (const auto& effect : value.effects)
            found.push_back(effect.impulse.pointer().get());
        return found;
    };
    return std::equal(a.takes.begin(), a.takes.end(), b.takes.begin(), b.takes.end(),
               [](const Take& x, const Take& y) {
                   return x.recording.pointer() == y.recording.pointer();
               })
        && impulses(a) == impulses(b);
}

} // namespace

std::uint64_t History::undoBytes(std::size_t from) const
{
    Recordings present, waiting;
    addRecordings(current_, present);
    const Instrument* last = &current_;
    const auto add = [&](const Kept& kept) {
        if (kept.value.get() != last && !holdTheSame(*kept.value, *last))
            addRecordings(*kept.value, waiting);
        last = kept.value.get();
    };
    for (std::size_t i = from; i < steps_.size(); ++i) {
        add(steps_[i].before);
        add(steps_[i].after);
    }
    std::uint64_t bytes = 0;
    for (const auto& [recording, size] : waiting)
        if (present.count(recording) == 0)
            bytes += size;
    return bytes;
}

void History::trim(std::uint64_t mostBytes)
{
    std::size_t forgotten = 0;
    const auto tooMany = [&] { return steps_.size() - forgotten > mostSteps; };
    std::uint64_t bytes = undoBytes();
    while (forgotten < done_ && (tooMany() || bytes > mostBytes)) {
        const auto& oldest = steps_[forgotten];
        // The only place where a document still is that nobody saved.
        if (oldest.before.document != oldest.after.document && !isSaved(oldest.before))
            break;
        ++forgotten;
        if (bytes > mostBytes)
            bytes = undoBytes(forgotten);
    }
    steps_.erase(steps_.begin(), steps_.begin() + std::ptrdiff_t(forgotten));
    done_ -= forgotten;
}

const History::Kept* History::targetState(Step step) const
{
    if (step == Step::redo)
        return canRedo() ? &steps_[done_].after : nullptr;
    return canUndo() ? &steps_[done_ - 1].before : nullptr;
}

Instrument History::withSoundsAtHand(Instrument value) const
{
    // What is not treated anew sounds as it does now.
    SoundCache present(std::numeric_limits<std::uint64_t>::max());
    present.keep(current_);
    present.fill(value);
    sounds_.fill(value);
    return value;
}

std::optional<Instrument> History::target(Step step) const
{
    const Kept* state = targetState(step);
    return state != nullptr ? std::optional(withSoundsAtHand(*state->value)) : std::nullopt;
}

void History::walk(Step step, const Instrument* ready)
{
    const Kept* state = targetState(step);
    if (state == nullptr)
        return;
    const Kept kept = *state;
    const bool fits = ready != nullptr && *ready == *kept.value;
    leaveFor(fits ? *ready : withSoundsAtHand(*kept.value), kept);
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
    const bool present = document == kept_.document && value == *kept_.value;
    homes_[std::size_t(document)] = {file, present ? kept_ : keep(value, document)};
}

void History::markOverwritten(const std::string& file)
{
    for (auto& home : homes_)
        if (home.file == file)
            home.saved = {};
}

std::vector<History::Unsaved> History::unsavedIn(const Snapshot& history)
{
    std::vector<Unsaved> found;
    std::vector<DocumentId> seen;
    const auto look = [&](const Kept& state) {
        if (std::find(seen.begin(), seen.end(), state.document) != seen.end())
            return;
        seen.push_back(state.document);
        const auto& home = history.homes[std::size_t(state.document)];
        if (!home.holds(state))
            found.push_back({state.document, *state.value, home.file});
    };
    look(history.current);
    for (auto i = history.done; i > 0; --i)
        look(history.steps[i - 1].before);
    return found;
}

} // namespace puretone
