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
            const Progress&) -> std::any {
            return Seen{judgeLoop(*sound, loop, period), puretone::loopTone(*sound, loop)};
        },
        [this, id = current->id, sound = current->sound(), kept = current->kept,
            period = current->period()](const std::any& result) {
            const auto& seen = std::any_cast<const Seen&>(result);
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
            const Progress&) -> std::any { return loopRemedy(*sound, kept, judged, period); },
        [this, loop = seam_->loop](const std::any& result) {
            if (!seam_ || !(seam_->loop == loop))
                return;
            remedy_ = std::any_cast<std::optional<LoopRemedy>>(result);
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
        [this, sound = mapSound_, kept = mapKept_](const Progress& progress) -> std::any {
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
        [](const std::any&) {});
}

void Session::findLoops()
{
    const Take* current = take();
    if (current == nullptr)
        return;
    background_.run(
        "loops", Background::Running::cancel,
        [wanted = *current](const Progress& progress) mutable -> std::any {
            searchLoops(wanted, true, progress);
            return std::move(wanted);
        },
        [this](const std::any& result) {
            const auto& found = std::any_cast<const Take&>(result);
            if (!found.loop.on)
                say(tr("No loop was found: it %1.").arg(QString::fromStdString(found.loopMessage)));
            editTake(tr("Find loops"), [&](Take& t) {
                if (!(t.recording == found.recording))
                    return;
                t.loopChoices = found.loopChoices;
                t.loopMessage = found.loopMessage;
                t.loop = found.loop;
                t.loop.on = found.loop.on && !found.loopChoices.empty();
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
            const Progress&) -> std::any { return loopNear(*sound, kept, wanted, like, period); },
        [this, id = current->id, sound = current->sound(), stepName](const std::any& result) {
            const auto& found = std::any_cast<const LoopCandidate&>(result);
            if (take() == nullptr || take()->id != id || take()->sound() != sound)
                return;
            editTake(stepName, [&](Take& t) { t.loop = found.loop; });
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
            const Progress& progress) mutable -> std::any {
            int nth = 0;
            for (auto& [other, loop] : others) {
                ++nth;
                loop = copiedLoop(source, other, how, stagger ? nth : 0, progress).loop;
                progress.at(double(nth) / double(others.size()));
            }
            return std::move(others);
        },
        [this](const std::any& result) {
            const auto& copied = std::any_cast<const Copies&>(result);
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
