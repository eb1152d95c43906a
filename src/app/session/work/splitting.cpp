// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "model/making/take_maker.h"
#include "prepare/split/split_offer.h"

namespace puretone::app {

Splitting::Splitting(Session& session)
    : session_(session)
{
}

void Splitting::lookForNotes(const RecordingPtr& recording)
{
    const AudioPtr audio = recording->audio;
    session_.background().run(
        JobKey(JobKind::notesInside, recording->hash), Background::Running::finish,
        [audio](const Progress& progress) { return splitToOffer(*audio, progress); },
        [this, audio](const std::optional<SplitResult>& found) {
            if (!found)
                return;
            std::erase_if(several_, [](const Several& s) { return s.audio.expired(); });
            several_.push_back({audio, *found});
            emit session_.derivedChanged();
        });
}

const Splitting::Several* Splitting::several() const
{
    const Take* current = session_.take();
    const auto& takes = session_.instrument().takes;
    if (current == nullptr)
        return nullptr;
    const AudioPtr& audio = current->recording->audio;
    // Pieces of a split share their recording: there the question is answered.
    if (std::count_if(
            takes.begin(), takes.end(), [&](const Take& t) { return t.recording->audio == audio; })
        > 1)
        return nullptr;
    const auto found = std::find_if(several_.begin(), several_.end(),
        [&](const Several& s) { return s.audio.lock() == audio; });
    return found == several_.end() ? nullptr : &*found;
}

std::size_t Splitting::notesInside() const
{
    const Several* found = several();
    return found != nullptr ? wantedNotes(found->split) : 1;
}

void Splitting::showNotesInside()
{
    const Several* found = several();
    if (found == nullptr)
        return;
    if (session_.take()->sound() != found->audio.lock()) {
        propose({}); // as it is treated now
        return;
    }
    show(found->split);
}

/// As a step of its own.
void Splitting::show(Proposal next)
{
    before_.push_back(std::exchange(split_, std::move(next)));
    after_.clear();
    of_ = session_.take()->sound();
    steps_ = session_.history().undoSteps();
    emit session_.derivedChanged();
}

void Splitting::keepAsOne()
{
    if (const Several* found = several())
        several_.erase(several_.begin() + (found - several_.data()));
    forget();
}

void Splitting::propose(const SplitOptions& options)
{
    const Take* current = session_.take();
    if (current == nullptr)
        return;
    session_.background().run(
        JobKind::split, Background::Running::cancel,
        [audio = current->sound(), options](
            const Progress& progress) { return splitRecording(*audio, options, progress); },
        [this, audio = current->sound()](const SplitResult& found) {
            if (session_.take() == nullptr || session_.take()->sound() != audio)
                return;
            show(found);
        });
}

void Splitting::forget()
{
    session_.background().cancel(JobKind::split);
    leave();
    emit session_.derivedChanged();
}

void Splitting::leave()
{
    split_.reset();
    before_.clear();
    after_.clear();
}

void Splitting::change(const SplitResult& changed, bool first)
{
    if (first)
        return show(changed);
    split_ = changed;
    emit session_.derivedChanged();
}

void Splitting::follow()
{
    const Take* current = session_.take();
    if (split_ && (current == nullptr || current->sound() != of_.lock()))
        leave();
}

/// What was done to the document since comes first.
bool Splitting::canUndo() const
{
    return !before_.empty() && session_.history().undoSteps() <= steps_;
}

bool Splitting::undo()
{
    if (!canUndo())
        return false;
    after_.push_back(std::exchange(split_, std::move(before_.back())));
    before_.pop_back();
    emit session_.derivedChanged();
    return true;
}

bool Splitting::redo()
{
    if (after_.empty())
        return false;
    before_.push_back(std::exchange(split_, std::move(after_.back())));
    after_.pop_back();
    emit session_.derivedChanged();
    return true;
}

void Splitting::abandon()
{
    if (undo())
        after_.pop_back(); // nobody wants it again
}

void Splitting::make(const std::optional<NoteSeries>& series)
{
    const Take* current = session_.take();
    if (current == nullptr || !split_)
        return;
    using Takes = std::vector<Take>;
    session_.background().run(
        JobKind::makeSplit, Background::Running::cancel,
        [source = *current, pieces = split_->pieces, series](const Progress& progress) -> Takes {
            return makePieces(source, pieces, {}, series, progress);
        },
        [this, of = session_.keyOf(*current)](const Takes& takes) {
            if (takes.empty() || session_.take(of) == nullptr)
                return;
            const TakeId id = of.take;
            session_.edit(tr("Split into %1 takes").arg(takes.size()), [&](Instrument& next) {
                std::erase_if(next.takes, [&](const Take& t) { return t.id == id; });
                LayerId into = session_.layer().id;
                for (auto& l : next.layers)
                    if (std::erase_if(l.zones, [&](const Zone& z) { return z.take == id; }) > 0)
                        into = l.id;
                addTakes(next, takes, into);
            });
            forget();
            const auto doubtful = std::count_if(takes.begin(), takes.end(), contradictsSeries);
            if (doubtful > 0)
                session_.say(
                    tr("%1 of %2 takes read as another note than their place in the row says; they "
                       "are marked in the list.")
                        .arg(doubtful)
                        .arg(takes.size()));
            else
                session_.say(
                    tr("%1 takes are on the keys, each around its own root.").arg(takes.size()),
                    false);
        });
    emit session_.opening().changed();
}

} // namespace puretone::app
