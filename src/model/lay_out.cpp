// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/lay_out.h"

#include "audio/level.h"
#include "model/take_maker.h"

#include <algorithm>
#include <limits>
#include <map>

namespace puretone {

namespace {

/// Smaller steps between recordings of one key are chance, or the player's mood.
constexpr double clearStepDb = 3.0;

struct Member {
    Zone* zone;
    double loudness; ///< LUFS, of what is played first.
};
using Groups = std::map<int, std::vector<Member>>; ///< By root key.

double loudnessOf(const Take& take)
{
    constexpr double heardSeconds = 3.0;
    Span heard = take.kept;
    heard.end.value =
        std::min(heard.end.value, heard.start.value + toFrames(heardSeconds, take.rate()).value);
    return loudnessLufs(take.audio(), heard).value;
}

Groups groupsOf(const Instrument& instrument, Layer& layer)
{
    Groups groups;
    for (auto& zone : layer.zones)
        if (const Take* take = instrument.take(zone.take))
            groups[take->tuning.rootKey].push_back({&zone, loudnessOf(*take)});
    for (auto& [root, members] : groups)
        std::stable_sort(members.begin(), members.end(),
            [](const Member& a, const Member& b) { return a.loudness < b.loudness; });
    return groups;
}

/// The smallest step of level between takes of one root; nothing where roots have different
/// numbers of takes.
double leastStep(const Groups& groups)
{
    double least = std::numeric_limits<double>::infinity();
    for (const auto& [root, members] : groups) {
        if (members.size() != groups.begin()->second.size())
            return 0.0;
        for (std::size_t i = 1; i < members.size(); ++i)
            least = std::min(least, members[i].loudness - members[i - 1].loudness);
    }
    return least;
}

void shareTouch(std::vector<Member>& members)
{
    const auto count = int(members.size());
    for (int i = 0; i < count; ++i) {
        Zone& zone = *members[std::size_t(i)].zone;
        zone.lowVelocity = 1 + 127 * i / count;
        zone.highVelocity = 127 * (i + 1) / count;
    }
}

} // namespace

LaidOut layOut(Instrument& instrument, LayerId id)
{
    LaidOut done;
    Layer* layer = instrument.layer(id);
    if (layer == nullptr || layer->zones.empty())
        return done;
    auto groups = groupsOf(instrument, *layer);
    done.takes = layer->zones.size();
    done.roots = groups.size();
    const bool any = done.takes > done.roots;
    done.leastStepDb = any ? leastStep(groups) : 0.0;
    const bool byTouch = any && done.leastStepDb >= clearStepDb;
    done.shared = !any ? LaidOut::Shared::none
        : byTouch      ? LaidOut::Shared::byTouch
                       : LaidOut::Shared::inTurn;
    for (auto& [root, members] : groups)
        for (auto& member : members) {
            member.zone->lowVelocity = 1;
            member.zone->highVelocity = 127;
            member.zone->lowVelocityFade = member.zone->highVelocityFade = 0;
            member.zone->lowKeyFade = member.zone->highKeyFade = 0;
        }
    if (byTouch)
        for (auto& [root, members] : groups)
            shareTouch(members);
    layer->sameKeys = any && !byTouch ? SameKeys::inTurn : SameKeys::together;
    spreadByRoots(instrument, *layer);
    return done;
}

} // namespace puretone
