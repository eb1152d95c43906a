// SPDX-License-Identifier: GPL-3.0-or-later
// What the session does about loops.
#include "app/session/session.h"

#include "model/take_maker.h"

namespace puretone::app {

void Session::measureSeam()
{
    const Take* current = take();
    if (current == nullptr || !current->loop.repeats()
        || (seam() && seam()->loop == current->loop && seamSound_ == current->sound()))
        return;
    struct Seen {
        LoopCandidate judged;
        std::optional<Hz> tone;
    };
    background_.run(
        "seam", Background::Running::finish,
        [sound = current->sound(), loop = current->loop, period = current->period()](
            const Progress&) {
            return Seen{judgeLoop(*sound, loop, period), puretone::loopTone(*sound, loop)};
        },
        [this, id = current->id, sound = current->sound(), kept = current->kept,
            period = current->period()](const Seen& seen) {
            seam_ = seen.judged;
            loopTone_ = seen.tone;
            seamOf_ = id;
            seamSound_ = sound;
            remedy_.reset();
            emit derivedChanged();
            findRemedy(sound, kept, period);
        });
}

/// Tries takes longer than measuring: what is seen first does not wait for it.
void Session::findRemedy(const AudioPtr& sound, Span kept, std::optional<double> period)
{
    background_.run(
        "remedy", Background::Running::cancel,
        [sound, kept, period, judged = *seam_](
            const Progress&) { return loopRemedy(*sound, kept, judged, period); },
        [this, loop = seam_->loop](const std::optional<LoopRemedy>& found) {
            if (!seam_ || !(seam_->loop == loop))
                return;
            remedy_ = found;
            emit derivedChanged();
        });
}

std::optional<LoopCandidate> Session::seam() const
{
    const Take* current = take();
    return current != nullptr && current->id == seamOf_ ? seam_ : std::nullopt;
}

const LoopRemedy* Session::remedy() const
{
    const Take* current = take();
    const auto measured = seam();
    return measured && remedy_ && current->loop == measured->loop ? &*remedy_ : nullptr;
}

std::optional<Hz> Session::loopTone() const
{
    const auto measured = seam();
    return measured && take()->loop == measured->loop ? loopTone_ : std::nullopt;
}

void Session::drawSeamMap()
{
    const Take* current = take();
    if (current == nullptr || (mapSound_ == current->sound() && mapKept_ == current->kept))
        return;
    mapSound_ = current->sound();
    mapKept_ = current->kept;
    seamMap_.reset();
    background_.run(
        "seam map", Background::Running::cancel,
        [this, sound = mapSound_, kept = mapKept_](const Progress& progress) {
            return std::make_shared<const SeamMap>(
                makeSeamMap(*sound, kept, progress, [&](const SeamMap& part) {
                    // Coarse first: shown as it comes.
                    QMetaObject::invokeMethod(
                        this,
                        [this, sound, kept, map = std::make_shared<const SeamMap>(part)] {
                            if (mapSound_ != sound || !(mapKept_ == kept))
                                return;
                            seamMap_ = map;
                            emit derivedChanged();
                        },
                        Qt::QueuedConnection);
                }));
        },
        [] {});
}

void Session::findLoops()
{
    const Take* current = take();
    if (current == nullptr)
        return;
    background_.run(
        "loops", Background::Running::cancel,
        [wanted = *current](const Progress& progress) mutable {
            searchLoops(wanted, progress);
            return std::move(wanted);
        },
        [this, of = keyOf(*current)](const Take& found) {
            const Take* searched = take(of);
            if (searched == nullptr)
                return;
            if (searched->sound() != found.sound() || searched->kept != found.kept) {
                say(tr("%1 was changed during the search for loops; its loop is as it was.")
                        .arg(QString::fromStdString(searched->name)));
                return;
            }
            if (!found.loop.on)
                say(tr("No loop was found: it %1.")
                        .arg(QString::fromStdString(found.facts->loopMessage)));
            editTake(of, tr("Find loops"), [&](Take& t) {
                auto& facts = t.facts.change();
                facts.loopChoices = found.facts->loopChoices;
                facts.loopMessage = found.facts->loopMessage;
                t.loop = found.loop;
                t.loop.on = found.loop.on && !facts.loopChoices.empty();
            });
        });
}

void Session::loopAround(Span wanted, const Loop& like, const QString& stepName)
{
    const Take* current = take();
    if (current == nullptr)
        return;
    background_.run(
        "loop near", Background::Running::cancel,
        [sound = current->sound(), kept = current->kept, like, period = current->period(), wanted](
            const Progress&) { return loopNear(*sound, kept, wanted, like, period); },
        [this, of = keyOf(*current), sound = current->sound(), stepName](
            const LoopCandidate& found) {
            if (const Take* t = take(of); t != nullptr && t->sound() == sound)
                editTake(of, stepName, [&](Take& looped) { looped.loop = found.loop; });
        });
}

void Session::copyLoop(LoopCopy how, bool stagger)
{
    const Take* from = take();
    if (from == nullptr || instrument().takes.size() < 2 || from->loop.span.length() < shortestLoop)
        return;
    using Copies = std::vector<std::pair<Take, Loop>>;
    Copies others;
    for (const auto& t : instrument().takes)
        if (t.id != from->id)
            others.emplace_back(t, t.loop);
    background_.run(
        "copy loop", Background::Running::cancel,
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
        [this, document = history_.document()](const Copies& copied) {
            if (history_.document() != document)
                return;
            edit(tr("Copy loop to all takes"), [&](Instrument& next) {
                for (const auto& [other, loop] : copied) {
                    Take* t = next.take(other.id);
                    // What was changed meanwhile is not overwritten.
                    if (t != nullptr && t->sound() == other.sound() && t->loop == other.loop)
                        t->loop = loop;
                }
            });
            say(tr("The loop was copied to %n other take(s).", nullptr, int(copied.size())), false);
        },
        Background::Lane::bulk);
}

} // namespace puretone::app
