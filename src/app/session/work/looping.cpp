// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"
#include "app/theme/theme.h"

#include "base/quantity.h"
#include "model/making/take_maker.h"

namespace puretone::app {

namespace {

void sayChanged(Session& session, const Take& take)
{
    session.say(Looping::tr("%1 was changed during the search for loops; its loop is as it was.")
                    .arg(QString::fromStdString(take.name)));
}

} // namespace

Looping::Looping(Session& session)
    : session_(session)
{
}

void Looping::refresh()
{
    const Take* current = session_.take();
    if (current == nullptr || !current->loop.repeats()
        || (seam() && seam()->loop == current->loop && seamSound_ == current->sound()))
        return;
    struct Seen {
        LoopCandidate judged;
        std::optional<Hz> tone;
    };
    session_.background().run(
        JobKind::seam, Background::Running::finish,
        [sound = current->sound(), loop = current->loop, period = current->period()](
            const Progress&) {
            return Seen{judgeLoop(*sound, loop, period), puretone::loopTone(*sound, loop)};
        },
        [this, id = current->id, sound = current->sound(), kept = current->kept,
            period = current->period()](const Seen& seen) {
            seam_ = seen.judged;
            tone_ = seen.tone;
            seamOf_ = id;
            seamSound_ = sound;
            remedy_.reset();
            emit session_.derivedChanged();
            findRemedy(sound, kept, period);
        });
}

/// Tries takes longer than measuring: what is seen first does not wait for it.
void Looping::findRemedy(const AudioPtr& sound, Span kept, std::optional<double> period)
{
    session_.background().run(
        JobKind::remedy, Background::Running::cancel,
        [sound, kept, period, judged = *seam_](
            const Progress&) { return loopRemedy(*sound, kept, judged, period); },
        [this, loop = seam_->loop](const std::optional<LoopRemedy>& found) {
            if (!seam_ || !(seam_->loop == loop))
                return;
            remedy_ = found;
            emit session_.derivedChanged();
        });
}

std::optional<LoopCandidate> Looping::seam() const
{
    const Take* current = session_.take();
    return current != nullptr && current->id == seamOf_ ? seam_ : std::nullopt;
}

const LoopRemedy* Looping::remedy() const
{
    const Take* current = session_.take();
    const auto measured = seam();
    return measured && remedy_ && current->loop == measured->loop ? &*remedy_ : nullptr;
}

std::optional<Hz> Looping::tone() const
{
    const auto measured = seam();
    return measured && session_.take()->loop == measured->loop ? tone_ : std::nullopt;
}

void Looping::drawMap()
{
    const Take* current = session_.take();
    if (current == nullptr || (mapSound_ == current->sound() && mapKept_ == current->kept))
        return;
    mapSound_ = current->sound();
    mapKept_ = current->kept;
    map_.reset();
    session_.background().run(
        JobKind::seamMap, Background::Running::cancel,
        [this, sound = mapSound_, kept = mapKept_](const Progress& progress) {
            return std::make_shared<const SeamMap>(
                makeSeamMap(*sound, kept, progress, [&](const SeamMap& part) {
                    // Coarse first: shown as it comes.
                    QMetaObject::invokeMethod(
                        this,
                        [this, sound, kept, map = std::make_shared<const SeamMap>(part)] {
                            if (mapSound_ != sound || !(mapKept_ == kept))
                                return;
                            map_ = map;
                            emit session_.derivedChanged();
                        },
                        Qt::QueuedConnection);
                }));
        },
        [] {});
}

void Looping::find(int gesture)
{
    const Take* current = session_.take();
    if (current == nullptr)
        return;
    session_.background().run(
        JobKind::findLoops, Background::Running::cancel,
        [wanted = *current](const Progress& progress) mutable {
            searchLoops(wanted, progress);
            return std::move(wanted);
        },
        [this, of = session_.keyOf(*current), gesture](const Take& found) {
            const Take* searched = session_.take(of);
            if (searched == nullptr)
                return;
            if (searched->sound() != found.sound() || searched->kept != found.kept) {
                if (gesture == 0) // nobody waits for one that a gesture asked for
                    sayChanged(session_, *searched);
                return;
            }
            if (!found.loop.on)
                session_.say(tr("No loop was found: it %1.")
                                 .arg(QString::fromStdString(found.facts->loopMessage.said())));
            else if (gesture != 0)
                session_.say(tr("Another loop was found in what is kept now."), false);
            session_.editTake(
                of, tr("Find loops"),
                [&](Take& t) {
                    auto& facts = t.facts.change();
                    facts.loopChoices = found.facts->loopChoices;
                    facts.loopMessage = found.facts->loopMessage;
                    t.loop = found.loop;
                    t.loop.on = found.loop.on && !facts.loopChoices.empty();
                },
                gesture);
        });
}

void Looping::findWithin(Span stretch)
{
    const Take* current = session_.take();
    if (current == nullptr)
        return;
    struct Found {
        Take take;
        bool any = false;
    };
    session_.background().run(
        JobKind::findLoops, Background::Running::cancel,
        [wanted = *current, stretch](const Progress& progress) {
            Found found{wanted, false};
            found.any = searchLoopsWithin(found.take, stretch, progress);
            return found;
        },
        [this, of = session_.keyOf(*current), stretch](const Found& found) {
            const Take* searched = session_.take(of);
            if (searched == nullptr)
                return;
            if (searched->sound() != found.take.sound() || searched->kept != found.take.kept)
                return sayChanged(session_, *searched);
            if (!found.any) {
                const auto& why = found.take.facts->loopMessage;
                return session_.say(why.empty()
                        ? tr("Nothing in this stretch goes round well enough.")
                        : tr("Nothing in this stretch goes round well enough: it %1.")
                              .arg(QString::fromStdString(why.said())));
            }
            session_.editTake(of, tr("Find loops in a stretch"), [&](Take& t) {
                t.facts.change().loopChoices = found.take.facts->loopChoices;
                t.facts.change().loopMessage = found.take.facts->loopMessage;
                t.loop = found.take.loop;
            });
            const auto place = [&](Frames f) {
                return QString::fromStdString(formatPosition(double(f.value) / found.take.rate()));
            };
            session_.say(tr("Loops from %1 to %2. Find again searches all that is kept.")
                             .arg(place(stretch.start), place(stretch.end)),
                false);
        });
}

void Looping::loopAround(Span wanted, const Loop& like, const QString& stepName)
{
    const Take* current = session_.take();
    if (current == nullptr)
        return;
    session_.background().run(
        JobKind::loopNear, Background::Running::cancel,
        [sound = current->sound(), kept = current->kept, like, period = current->period(), wanted](
            const Progress&) { return loopNear(*sound, kept, wanted, like, period); },
        [this, of = session_.keyOf(*current), sound = current->sound(), stepName](
            const LoopCandidate& found) {
            if (const Take* t = session_.take(of); t != nullptr && t->sound() == sound)
                session_.editTake(of, stepName, [&](Take& looped) { looped.loop = found.loop; });
        });
}

void Looping::copyToOthers(LoopCopy how, bool stagger)
{
    const Take* from = session_.take();
    if (from == nullptr || from->loop.span.length() < shortestLoop)
        return;
    using Copies = std::vector<std::pair<Take, Loop>>;
    Copies others;
    for (const Take* other : heardBeside(session_.instrument(), from->id))
        others.emplace_back(*other, other->loop);
    if (others.empty())
        return;
    session_.background().run(
        JobKind::copyLoop, Background::Running::cancel,
        [source = *from, others = std::move(others), how, stagger](
            const Progress& progress) mutable {
            int nth = 0;
            for (auto& [other, loop] : others) {
                ++nth;
                loop = copiedLoop(source, other, how, stagger ? nth : 0, progress).loop;
                progress.at(double(nth) / double(others.size()));
            }
            return std::move(others);
        },
        [this, document = session_.history().document()](const Copies& copied) {
            if (session_.history().document() != document)
                return;
            session_.edit(tr("Copy loop"), [&](Instrument& next) {
                for (const auto& [other, loop] : copied) {
                    Take* t = next.take(other.id);
                    // What was changed meanwhile is not overwritten.
                    if (t != nullptr && t->sound() == other.sound() && t->loop == other.loop)
                        t->loop = loop;
                }
            });
            session_.say(
                tr("The loop was copied to %n other take(s).", nullptr, int(copied.size())), false);
        });
}

} // namespace puretone::app
