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
    auto& facts = take.facts.change();
    facts.pitch = heard.facts->pitch;
    if (take.tuning.source == TuningSource::proposed)
        take.tuning = heard.tuning;
    if (facts.loopChoices.size() == heard.facts->loopChoices.size())
        facts.loopChoices = heard.facts->loopChoices;
}

} // namespace

const Treatments& Session::treatments() const
{
    static const Treatments none;
    const Take* current = take();
    if (current == nullptr)
        return none;
    return treating_ && treating_->take == keyOf(*current) ? treating_->list : current->treatments;
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
    treating_ = Treating{keyOf(*current), list, gesture};
    const bool quick = current->recording->audio->seconds() < quickSeconds;
    background_.run(
        "treat", quick ? Background::Running::finish : Background::Running::cancel,
        [audio = current->recording->audio, list](
            const Progress& progress) { return treat(audio, list, progress); },
        [this, name, list, gesture, of = keyOf(*current), audio = current->recording->audio](
            const AudioPtr& treated) {
            if (treating_ && treating_->take == of && treating_->list == list)
                treating_.reset();
            const Take* still = take(of);
            if (treated == nullptr || still == nullptr || still->recording->audio != audio)
                return;
            editTake(
                of, name, [&](Take& t) { puretone::setTreatments(t, list, treated); }, gesture);
            if (!treating_)
                hearTreated(of, gesture);
        },
        Background::Lane::swift,
        [this](const Error& error) {
            dropUnfinishedTreatment();
            say(QString::fromStdString(error.sentence()));
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

void Session::hearTreated(const TakeKey& of, int gesture)
{
    background_.run(
        "hear", Background::Running::cancel,
        [heard = *take(of)](const Progress& progress) mutable {
            hearAgain(heard, progress);
            return std::move(heard);
        },
        [this, of, gesture](const Take& heard) {
            // Only while nothing else was done: this belongs to the step that changed the sound.
            const Take* now = take(of);
            if (now == nullptr || now->sound() != heard.sound() || !history_.continues(gesture))
                return;
            editTake(
                of, tr("Hear again"), [&](Take& t) { adoptHeard(t, heard); }, gesture);
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
        [others = std::move(others), list = from->treatments](const Progress& progress) mutable {
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
        [this, document = history_.document()](const std::vector<Take>& treated) {
            if (history_.document() != document)
                return;
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
