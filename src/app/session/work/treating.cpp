// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "prepare/treat/treat.h"

namespace puretone::app {

Treating::Treating(Session& session)
    : session_(session)
{
}

namespace {

/// Longer sounds take so long to treat that a newer wish ends the work on an older one.
constexpr double quickSeconds = 60.0;

/// What was read from the sound as it is now, where nobody has decided otherwise.
void adoptHeard(Take& take, const Take& heard)
{
    auto& facts = take.facts.change();
    facts.pitch = heard.facts->pitch;
    if (take.tuning.source == TuningSource::proposed)
        take.tuning = heard.tuning;
    // Others may have been found meanwhile.
    const auto& measured = heard.facts->loopChoices;
    if (std::equal(measured.begin(), measured.end(), facts.loopChoices.begin(),
            facts.loopChoices.end(), [](const LoopCandidate& a, const LoopCandidate& b) {
                return a.loop == b.loop && a.kind == b.kind;
            }))
        facts.loopChoices = measured;
}

} // namespace

const Treatments& Treating::list() const
{
    static const Treatments none;
    const Take* current = session_.take();
    if (current == nullptr)
        return none;
    return unfinished_ && unfinished_->take == session_.keyOf(*current) ? unfinished_->list
                                                                        : current->treatments;
}

void Treating::set(const QString& name, Treatments list, int gesture,
    std::function<void(Instrument&)> also, const QString& said)
{
    const Take* current = session_.take();
    if (current == nullptr)
        return;
    for (auto& treatment : list)
        treatment = sanitized(treatment);
    if (gesture == 0)
        gesture = session_.newGesture();
    unfinished_ = Unfinished{session_.keyOf(*current), list, gesture};
    const bool quick = current->recording->audio->seconds() < quickSeconds;
    session_.background().run(
        JobKind::treat, quick ? Background::Running::finish : Background::Running::cancel,
        [audio = current->recording->audio, list](
            const Progress& progress) { return treat(audio, list, progress); },
        [this, name, list, gesture, also = std::move(also), said, of = session_.keyOf(*current),
            audio = current->recording->audio](const AudioPtr& treated) {
            if (unfinished_ && unfinished_->take == of && unfinished_->list == list)
                unfinished_.reset();
            const Take* still = session_.take(of);
            if (treated == nullptr || still == nullptr || still->recording->audio != audio)
                return;
            session_.edit(
                name,
                [&](Instrument& next) {
                    puretone::setTreatments(*next.take(of.take), list, treated);
                    if (also)
                        also(next);
                },
                gesture);
            if (!said.isEmpty())
                session_.say(said, false);
            if (!unfinished_)
                hearAgain(of, gesture);
        },
        [this](const Error& error) {
            drop();
            session_.say(QString::fromStdString(error.sentence()));
        });
    emit session_.changed();
}

bool Treating::drop()
{
    if (!unfinished_)
        return false;
    const bool begun = session_.history().continues(unfinished_->gesture);
    unfinished_.reset();
    session_.background().cancel(JobKind::treat);
    emit session_.changed();
    // Where a part of the gesture is in the document already, undoing has that to take back.
    return !begun;
}

void Treating::drop(int gesture)
{
    if (unfinished_ && unfinished_->gesture == gesture)
        drop();
}

void Treating::hearAgain(const TakeKey& of, int gesture)
{
    session_.background().run(
        JobKind::hearAgain, Background::Running::cancel,
        [heard = *session_.take(of)](const Progress& progress) mutable {
            puretone::hearAgain(heard, progress);
            return std::move(heard);
        },
        [this, of, gesture](const Take& heard) {
            // Only while nothing else was done: this belongs to the step that changed the sound.
            const Take* now = session_.take(of);
            if (now == nullptr || now->sound() != heard.sound() || now->kept != heard.kept
                || !session_.history().continues(gesture))
                return;
            session_.editTake(
                of, tr("Hear again"), [&](Take& t) { adoptHeard(t, heard); }, gesture);
        });
}

void Treating::copyToAll()
{
    const Take* from = session_.take();
    if (from == nullptr || session_.instrument().takes.size() < 2)
        return;
    std::vector<Take> others;
    for (const auto& t : session_.instrument().takes)
        if (t.id != from->id)
            others.push_back(t);
    session_.background().run(
        JobKind::copyTreatments, Background::Running::cancel,
        [others = std::move(others), list = from->treatments](const Progress& progress) mutable {
            for (auto& other : others) {
                const auto own = treatmentsFor(other, list);
                auto treated = treat(other.recording->audio, own, progress);
                if (treated == nullptr)
                    break;
                puretone::setTreatments(other, own, std::move(treated));
                puretone::hearAgain(other, progress);
            }
            return std::move(others);
        },
        [this, document = session_.history().document()](const std::vector<Take>& treated) {
            if (session_.history().document() != document)
                return;
            session_.edit(tr("Copy treatments to all takes"), [&](Instrument& next) {
                for (const auto& other : treated) {
                    Take* take = next.take(other.id);
                    // What was changed meanwhile is not overwritten with what it was before.
                    if (take == nullptr || !(take->recording == other.recording))
                        continue;
                    puretone::setTreatments(*take, other.treatments, other.sound());
                    adoptHeard(*take, other);
                }
            });
            session_.say(
                tr("All %1 takes are treated alike.").arg(session_.instrument().takes.size()),
                false);
        });
}

} // namespace puretone::app
