// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "app/session/settings.h"
#include "app/theme/theme.h"
#include "base/threads/all_cores.h"
#include "model/making/lay_out.h"
#include "model/making/take_maker.h"

#include <cstdio>

namespace puretone::app {

namespace {

/// Of the takes that are not on screen.
const JobKey otherFacts(JobKind::facts, "others");

} // namespace

Session::Session(QObject* parent)
    : QObject(parent)
    , hearing_(*this)
    , audition_(*this)
    , listening_(*this)
    , lengths_(*this)
    , pictures_(*this)
    , notePicture_(*this)
    , printing_(*this)
    , opening_(*this)
    , treating_(*this)
    , splitting_(*this)
    , looping_(*this)
    , shaping_(*this)
    , saving_(*this, history_)
    , exporting_(*this)
{
    connect(&player_, &Player::message, this, [this](const QString& s) { say(s); });
    connect(&background_, &Background::failed, this,
        [this](const Error& error) { say(QString::fromStdString(error.sentence())); });
}

Session::~Session()
{
    // Jobs that are ending hand nothing in to what goes with us.
    background_.finish();
}

const Take* Session::take() const
{
    if (const Take* shown = instrument().take(shownTake_))
        return shown;
    const auto& takes = instrument().takes;
    return takes.empty() ? nullptr : &takes.front();
}

void Session::showTake(TakeId id)
{
    shownTake_ = id;
    splitting_.leave();
    afterChange();
}

const Layer& Session::layer() const
{
    if (const Layer* shown = instrument().layer(shownLayer_))
        return *shown;
    return instrument().layers.front();
}

void Session::showLayer(LayerId id)
{
    shownLayer_ = id;
    emit changed();
}

void Session::setNaming(const Naming& naming)
{
    naming_ = naming;
    settings::setNaming(naming);
    emit changed();
}

void Session::edit(const QString& name, const std::function<void(Instrument&)>& change, int gesture)
{
    Instrument next = instrument();
    change(next);
    const auto revision = history_.revision();
    history_.apply(name.toStdString(), sanitized(std::move(next)), gesture);
    if (history_.revision() != revision)
        afterChange();
}

void Session::editLayer(const QString& name, const std::function<void(Layer&)>& change, int gesture)
{
    edit(
        name,
        [&, id = layer().id](Instrument& next) {
            if (Layer* shown = next.layer(id))
                change(*shown);
        },
        gesture);
}

void Session::setShapesAll(bool all)
{
    shapesAll_ = all;
    emit changed();
}

void Session::editShape(
    const QString& name, const std::function<void(Layer&)>& change, int gesture, Shaped which)
{
    if (!shapesAll_) {
        editLayer(name, change, gesture);
        return;
    }
    edit(
        name,
        [&](Instrument& next) {
            for (Layer& layer : next.layers) {
                const bool noise = layer.when == SoundsWhen::release || layer.follow == 0.0;
                if (which == Shaped::all || !noise)
                    change(layer);
            }
        },
        gesture);
}

void Session::editTake(const QString& name, const std::function<void(Take&)>& change, int gesture)
{
    if (const Take* current = take())
        editTake(keyOf(*current), name, change, gesture);
}

void Session::editTake(
    const TakeKey& of, const QString& name, const std::function<void(Take&)>& change, int gesture)
{
    if (take(of) != nullptr)
        edit(
            name, [&](Instrument& next) { change(*next.take(of.take)); }, gesture);
}

const Take* Session::take(const TakeKey& key) const
{
    return key.document == history_.document() ? instrument().take(key.take) : nullptr;
}

void Session::begin(const QString& name, Instrument next, const DocumentOrigin& origin)
{
    shownTake_ = 0;
    splitting_.leave();
    history_.begin(name.toStdString(), sanitized(std::move(next)), origin);
    afterChange();
}

void Session::restore(
    const QString& name, const History::Snapshot& history, const Instrument& ready)
{
    shownTake_ = 0;
    splitting_.leave();
    history_.restore(name.toStdString(), history, ready);
    afterChange();
}

void Session::abandon(int gesture)
{
    treating_.drop(gesture);
    if (history_.continues(gesture))
        walk(History::Step::abandon);
}

QString Session::undoName() const
{
    return splitting_.canUndo() ? tr("Change split") : QString::fromStdString(history_.undoName());
}

QString Session::redoName() const
{
    return splitting_.canRedo() ? tr("Change split") : QString::fromStdString(history_.redoName());
}

void Session::undo()
{
    if (treating_.drop() || splitting_.undo())
        return;
    walk(History::Step::undo);
}

void Session::redo()
{
    treating_.drop();
    if (splitting_.redo())
        return;
    walk(History::Step::redo);
}

void Session::walk(History::Step step)
{
    auto target = history_.target(step);
    if (!target)
        return;
    // Said so that nothing stays on the line that was true of the document before; what is put
    // back in the middle of a drag is no news.
    QString said;
    if (step == History::Step::undo)
        said = tr("Undone: %1.").arg(QString::fromStdString(history_.undoName()));
    else if (step == History::Step::redo)
        said = tr("Redone: %1.").arg(QString::fromStdString(history_.redoName()));
    const auto arrive = [this, step, said](const Instrument& there) {
        history_.walk(step, &there);
        afterChange();
        if (!said.isEmpty())
            say(said, false);
    };
    if (!lacksSound(*target)) {
        arrive(*target);
        return;
    }
    // A long sound that nobody has kept is made again first: no document says one thing and sounds
    // another.
    background_.run(
        JobKind::walk, Background::Running::cancel,
        [ready = std::move(*target)](const Progress& progress) mutable {
            return makeSounds(ready, progress) ? std::optional(std::move(ready)) : std::nullopt;
        },
        [this, arrive, revision = history_.revision()](const std::optional<Instrument>& ready) {
            if (ready && history_.revision() == revision)
                arrive(*ready);
        });
}

void Session::afterChange()
{
    splitting_.follow();
    pictures_.refresh();
    lengths_.refresh();
    listening_.refresh();
    hearing_.refresh();
    findMissingFacts();
    looping_.refresh();
    saving_.writeJournalSoon();
    emit changed();
}

void Session::findMissingFacts()
{
    const auto listen = [this](const JobKey& key, std::vector<Take> unheard) {
        background_.run(
            key, Background::Running::cancel,
            [takes = std::move(unheard)](const Progress& progress) mutable {
                onAllCores(takes.size(), [&](std::size_t i) { findFacts(takes[i], progress); });
                return std::move(takes);
            },
            [this, document = history_.document()](const std::vector<Take>& heard) {
                if (document == history_.document())
                    takeFacts(heard);
                else
                    findMissingFacts();
            });
    };
    const Take* current = take();
    if (current != nullptr && !current->facts.known()) {
        listen(JobKind::facts, {*current});
        return;
    }
    // Then the others a few at a time: their rows say what is known of them.
    constexpr std::size_t atOnce = 8;
    std::vector<Take> unheard;
    for (const auto& one : instrument().takes)
        if (!one.facts.known() && unheard.size() < atOnce)
            unheard.push_back(one);
    if (!unheard.empty() && !background_.busy(otherFacts))
        listen(otherFacts, std::move(unheard));
}

/// What was found, for those that nobody has changed meanwhile.
void Session::takeFacts(const std::vector<Take>& heard)
{
    edit({}, [&](Instrument& next) {
        for (const auto& one : heard)
            if (Take* now = next.take(one.id); now != nullptr && *now == one && !now->facts.known())
                now->facts = one.facts;
    });
    if (!background_.busy(otherFacts))
        findMissingFacts(); // what was changed meanwhile
}

void Session::layOut(LayerId layer, const LayOutOptions& options, int gesture,
    const std::function<void(const QString& sentence)>& laid)
{
    struct Work {
        Instrument before, laid;
        LaidOut done;
    };
    background_.run(
        JobKind::layOut, Background::Running::cancel,
        [work = Work{instrument(), instrument(), {}}, options, layer](const Progress&) mutable {
            work.done = puretone::layOut(work.laid, layer, options);
            return std::move(work);
        },
        [this, gesture, laid](const Work& work) {
            if (!(instrument() == work.before))
                return;
            edit(
                tr("Lay out by roots"),
                [&](Instrument& next) {
                    next.layers = work.laid.layers;
                    for (const auto& take : work.laid.takes)
                        if (Take* own = next.take(take.id))
                            own->tuning = take.tuning;
                },
                gesture);
            laid(typeset(puretone::sentenceFor(work.done)));
        });
}

void Session::removeTake(TakeId id)
{
    edit(tr("Remove take"), [&](Instrument& next) {
        std::erase_if(next.takes, [&](const Take& t) { return t.id == id; });
        for (auto& layer : next.layers) {
            const auto gone =
                std::erase_if(layer.zones, [&](const Zone& z) { return z.take == id; });
            if (gone > 0 && !layer.zones.empty())
                spreadByRoots(next, layer);
        }
    });
}

void Session::clear()
{
    Instrument anew;
    anew.a4 = settings::a4();
    begin(tr("New instrument"), std::move(anew));
}

void Session::say(const QString& sentence, bool trouble, const QStringList& details)
{
    if (trouble) {
        std::fprintf(stderr, "%s\n", qPrintable(sentence));
        for (const auto& line : details)
            std::fprintf(stderr, "  %s\n", qPrintable(line));
    }
    emit message(sentence, trouble, details);
}

} // namespace puretone::app
