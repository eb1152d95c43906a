// SPDX-License-Identifier: GPL-3.0-or-later
// What the session does about recordings that hold several notes.
#include "app/session/session.h"

#include "model/take_maker.h"

namespace puretone::app {

void Session::lookForNotes(const RecordingPtr& recording)
{
    const AudioPtr audio = recording->audio;
    background_.run(
        "notes " + recording->hash, Background::Running::finish,
        [audio](const Progress& progress) { return splitRecording(*audio, {}, progress); },
        [this, audio](const SplitResult& found) {
            if (wantedNotes(found) < 2)
                return;
            several_.push_back({audio, found});
            emit derivedChanged();
        },
        Background::Lane::bulk);
}

const Session::Several* Session::several() const
{
    const Take* current = take();
    const auto& takes = instrument().takes;
    if (current == nullptr)
        return nullptr;
    const AudioPtr& audio = current->recording->audio;
    // Pieces of a split share their recording: there the question is answered.
    if (std::count_if(
            takes.begin(), takes.end(), [&](const Take& t) { return t.recording->audio == audio; })
        > 1)
        return nullptr;
    const auto found = std::find_if(
        several_.begin(), several_.end(), [&](const Several& s) { return s.audio == audio; });
    return found == several_.end() ? nullptr : &*found;
}

std::size_t Session::notesInside() const
{
    const Several* found = several();
    return found != nullptr ? wantedNotes(found->split) : 1;
}

void Session::showNotesInside()
{
    const Several* found = several();
    if (found == nullptr)
        return;
    if (take()->sound() != found->audio) {
        proposeSplit({}); // as it is treated now
        return;
    }
    split_ = found->split;
    emit derivedChanged();
}

void Session::keepAsOne()
{
    if (const Several* found = several())
        several_.erase(several_.begin() + (found - several_.data()));
    forgetSplit();
}

void Session::proposeSplit(const SplitOptions& options)
{
    const Take* current = take();
    if (current == nullptr)
        return;
    background_.run(
        "split", Background::Running::cancel,
        [audio = current->sound(), options](
            const Progress& progress) { return splitRecording(*audio, options, progress); },
        [this, audio = current->sound()](const SplitResult& found) {
            if (take() == nullptr || take()->sound() != audio)
                return;
            split_ = found;
            emit derivedChanged();
        });
}

void Session::forgetSplit()
{
    background_.cancel("split");
    split_.reset();
    emit derivedChanged();
}

void Session::changeSplit(const SplitResult& changed)
{
    split_ = changed;
    emit derivedChanged();
}

void Session::makeSplit(const std::optional<NoteSeries>& series)
{
    const Take* current = take();
    if (current == nullptr || !split_)
        return;
    using Takes = std::vector<Take>;
    background_.run(
        "open", Background::Running::cancel,
        [source = *current, pieces = split_->pieces, series](const Progress& progress) -> Takes {
            return makePieces(source, pieces, {}, series, progress);
        },
        [this, of = keyOf(*current)](const Takes& takes) {
            if (takes.empty() || take(of) == nullptr)
                return;
            const int id = of.take;
            edit(tr("Split into %1 takes").arg(takes.size()), [&](Instrument& next) {
                std::erase_if(next.takes, [&](const Take& t) { return t.id == id; });
                int into = layer().id;
                for (auto& l : next.layers)
                    if (std::erase_if(l.zones, [&](const Zone& z) { return z.take == id; }) > 0)
                        into = l.id;
                addTakes(next, takes, into);
            });
            forgetSplit();
            const auto doubtful = std::count_if(takes.begin(), takes.end(), contradictsSeries);
            if (doubtful > 0)
                say(tr("%1 of %2 takes read as another note than their place in the row says; they "
                       "are marked in the list.")
                        .arg(doubtful)
                        .arg(takes.size()));
            else
                say(tr("%1 takes are on the keys, each around its own root.").arg(takes.size()),
                    false);
        });
    emit openingChanged();
}

} // namespace puretone::app
