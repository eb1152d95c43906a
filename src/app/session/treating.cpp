// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "prepare/treat.h"

namespace puretone::app {

namespace {

/// Longer sounds take so long to treat that a newer wish ends the work on an older one.
constexpr double quickSeconds = 60.0;

/// What was read from the treated sound, where nobody has decided otherwise.
void adoptHeard(Take& take, const Take& heard)
{
    take.pitch = heard.pitch;
    if (take.tuning.source == TuningSource::proposed)
        take.tuning = heard.tuning;
    if (take.loopChoices.size() == heard.loopChoices.size())
        take.loopChoices = heard.loopChoices;
}

} // namespace

const Treatments& Session::treatments() const
{
    static const Treatments none;
    const Take* current = take();
    if (current == nullptr)
        return none;
    return treating_ && treating_->take == current->id ? treating_->list : current->treatments;
}

void Session::setTreatments(const QString& name, Treatments list, int gesture)
{
    const Take* current = take();
    if (current == nullptr)
        return;
    for (auto& treatment : list)
        treatment = sanitized(treatment);
    if (gesture == 0)
        gesture = newGesture();
    treating_ = Treating{current->id, list, gesture};
    const bool quick = current->recording->audio->seconds() < quickSeconds;
    background_.run(
        "treat", quick ? Background::Running::finish : Background::Running::cancel,
        [audio = current->recording->audio, list](
            const Progress& progress) -> std::any { return treat(audio, list, progress); },
        [this, name, list, gesture, id = current->id, of = current->recording->audio](
            const std::any& made) {
            if (treating_ && treating_->take == id && treating_->list == list)
                treating_.reset();
            const auto treated = std::any_cast<AudioPtr>(made);
            const Take* still = instrument().take(id);
            if (treated == nullptr || still == nullptr || still->recording->audio != of)
                return;
            edit(
                name,
                [&](Instrument& next) { puretone::setTreatments(*next.take(id), list, treated); },
                gesture);
            if (!treating_)
                hearTreated(id, gesture);
        });
    emit changed();
}

bool Session::dropUnfinishedTreatment()
{
    if (!treating_)
        return false;
    const bool begun = history_.continues(treating_->gesture);
    treating_.reset();
    background_.cancel("treat");
    emit changed();
    // Where a part of the gesture is in the document already, undoing has that to take back.
    return !begun;
}

void Session::hearTreated(int id, int gesture)
{
    background_.run(
        "hear", Background::Running::cancel,
        [wanted = *instrument().take(id)](const Progress& progress) -> std::any {
            Take heard = wanted;
            hearAgain(heard, progress);
            return heard;
        },
        [this, id, gesture](const std::any& result) {
            const auto& heard = std::any_cast<const Take&>(result);
            // Only while nothing else was done: this belongs to the step that changed the sound.
            const Take* now = instrument().take(id);
            if (now == nullptr || now->sound() != heard.sound() || !history_.continues(gesture))
                return;
            edit(
                tr("Hear again"), [&](Instrument& next) { adoptHeard(*next.take(id), heard); },
                gesture);
        },
        Background::Lane::bulk);
}

void Session::copyTreatments()
{
    const Take* from = take();
    if (from == nullptr || instrument().takes.size() < 2)
        return;
    std::vector<Take> others;
    for (const auto& t : instrument().takes)
        if (t.id != from->id)
            others.push_back(t);
    background_.run(
        "copy treatments", Background::Running::cancel,
        [others = std::move(others), list = from->treatments](
            const Progress& progress) mutable -> std::any {
            for (auto& other : others) {
                const auto own = treatmentsFor(other, list);
                auto treated = treat(other.recording->audio, own, progress);
                if (treated == nullptr)
                    break;
                puretone::setTreatments(other, own, std::move(treated));
                hearAgain(other, progress);
            }
            return std::move(others);
        },
        [this](const std::any& result) {
            const auto& treated = std::any_cast<const std::vector<Take>&>(result);
            edit(tr("Copy treatments to all takes"), [&](Instrument& next) {
                for (const auto& other : treated) {
                    Take* take = next.take(other.id);
                    // What was changed meanwhile is not overwritten with what it was before.
                    if (take == nullptr || !(take->recording == other.recording))
                        continue;
                    puretone::setTreatments(*take, other.treatments, other.sound());
                    adoptHeard(*take, other);
                }
            });
            say(tr("All %1 takes are treated alike.").arg(instrument().takes.size()), false);
        },
        Background::Lane::bulk);
}

} // namespace puretone::app
