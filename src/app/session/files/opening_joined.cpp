// SPDX-License-Identifier: GPL-3.0-or-later
// What follows when all files of a gesture have joined: how they share keys, what is said and
// asked.
#include "app/session/files/adding.h"
#include "app/session/session.h"
#include "model/making/lay_out.h"

#include <algorithm>
#include <set>

namespace puretone::app {

std::vector<TakeId> Opening::joinedOf(
    const Adding& adding, const std::function<bool(const Take&)>& which) const
{
    std::vector<TakeId> those;
    const auto& joined = adding.joined;
    for (const auto& take : session_.instrument().takes)
        if (std::find(joined.begin(), joined.end(), take.recording.pointer()) != joined.end()
            && which(take))
            those.push_back(take.id);
    return those;
}

void Opening::compareNames(const Adding& adding)
{
    if (adding.joined.size() < 2)
        return;
    std::set<TakeId> disagree;
    for (const auto& said : rootsSaid(session_.instrument(), adding.layer))
        if (said.disagree())
            disagree.insert(said.take);
    const auto those = joinedOf(adding, [&](const Take& t) { return disagree.contains(t.id); });
    if (!those.empty())
        emit rootsDisagree(adding.layer, those, adding.joined.size());
}

/// Takes of one root that came together do not sound together, and noises are not spread over the
/// keys by roots that they do not have.
void Opening::shareKeys(const Adding& adding)
{
    const auto& now = session_.instrument();
    const Layer* layer = now.layer(adding.layer);
    if (adding.joined.size() < 2 || layer == nullptr)
        return;
    LayOutOptions options;
    // What could not be opened is the more important to say.
    const auto laid = [this, says = adding.reasons.isEmpty()](const QString& sentence) {
        if (says)
            session_.say(sentence, false);
    };
    if (adding.founds && holdsNoNotes(now, *layer)) {
        options.unpitched = LayOutOptions::Unpitched::ownLayer;
        session_.layOut(layer->id, options, adding.gesture, laid);
        return;
    }
    std::set<int> roots;
    for (const auto& zone : layer->zones)
        if (const Take* take = now.take(zone.take))
            roots.insert(take->tuning.rootKey);
    if ((adding.founds || adding.begins) && roots.size() < layer->zones.size())
        session_.layOut(layer->id, options, adding.gesture, laid);
    const auto noises = joinedOf(adding, [](const Take& t) { return t.isNoNote(); });
    if (!noises.empty())
        emit notesMissing(layer->id, noises, adding.joined.size());
}

bool Opening::stopFollowing(const Adding& adding)
{
    const auto& now = session_.instrument();
    const Layer* layer = now.layer(adding.layer);
    if (!adding.founds || layer == nullptr || layer->follow == 0.0 || !holdsNoNotes(now, *layer))
        return false;
    session_.edit(
        adding.files.size() == 1 ? tr("Add a take") : tr("Add takes"),
        [&](Instrument& next) { next.layer(adding.layer)->follow = 0.0; }, adding.gesture);
    return true;
}

QString Opening::sentenceFor(const Adding& adding, bool alike) const
{
    const auto& now = session_.instrument();
    if (alike)
        return tr("%1 has no clear pitch: every key plays it alike. Follow keys changes that.")
            .arg(QString::fromStdString(now.layer(adding.layer)->name));
    return now.takes.size() == 1 ? tr("1 take is on the keys.")
                                 : tr("%1 takes are on the keys.").arg(now.takes.size());
}

void Opening::finishAdding()
{
    const auto adding = std::exchange(adding_, nullptr);
    for (std::size_t i = 0; i < adding->ready.size(); ++i)
        if (!adding->ready[i])
            session_.background().cancel(adding->jobKey(i));
    session_.hearing().compileNow();
    // Whether one of them is many notes is asked when all are on the keys.
    for (const auto& recording : adding->joined)
        session_.splitting().lookForNotes(recording);
    emit changed();
    compareNames(*adding);
    const bool alike = stopFollowing(*adding);
    if (!adding->reasons.isEmpty())
        session_.say(adding->reasons.size() == 1
                ? tr("One file could not be opened. %1").arg(adding->reasons.front())
                : tr("%1 files could not be opened.").arg(adding->reasons.size()),
            true, adding->reasons.size() == 1 ? QStringList() : adding->reasons);
    else if (adding->done < adding->ready.size())
        session_.say(
            tr("Stopped: %1 of %2 files have joined.").arg(adding->added).arg(adding->ready.size()),
            false);
    else
        session_.say(sentenceFor(*adding, alike), false);
    shareKeys(*adding);
}

} // namespace puretone::app
