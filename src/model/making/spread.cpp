// SPDX-License-Identifier: GPL-3.0-or-later
// Borders between roots.
#include "model/making/lay_out.h"

#include <algorithm>

namespace puretone {

namespace {

/// Zones of one root.
struct Group {
    int root = 60;
    std::vector<Zone*> zones;
};

bool standsByItself(const Zone& zone)
{
    return zone.lowKeyByHand && zone.highKeyByHand
        && (zone.lowVelocity > 1 || zone.highVelocity < 127);
}

std::vector<Group> groupsOf(const Instrument& instrument, Layer& layer)
{
    const auto root = [&](const Zone& z) {
        const Take* take = instrument.take(z.take);
        return take != nullptr ? take->tuning.rootKey : 60;
    };
    std::stable_sort(layer.zones.begin(), layer.zones.end(),
        [&](const Zone& a, const Zone& b) { return root(a) < root(b); });
    std::vector<Group> groups;
    for (auto& zone : layer.zones) {
        if (standsByItself(zone))
            continue;
        if (groups.empty() || groups.back().root != root(zone))
            groups.push_back({root(zone), {}});
        groups.back().zones.push_back(&zone);
    }
    return groups;
}

template <class Which> bool anyOf(const Group& group, Which which)
{
    return std::any_of(group.zones.begin(), group.zones.end(), which);
}

/// Where a border that was set by hand lies between two roots: the first key above it. Of several
/// the one nearest the middle.
std::optional<int> handBorder(const std::vector<Group>& groups, int below, int above)
{
    std::optional<int> found;
    const auto offer = [&](int key) {
        const int middle = (below + above + 1) / 2;
        if (key > below && key <= above
            && (!found || std::abs(key - middle) < std::abs(*found - middle)))
            found = key;
    };
    for (const auto& group : groups)
        for (const Zone* zone : group.zones) {
            // In the middle of a crossover.
            if (zone->lowKeyByHand)
                offer(zone->lowKey + zone->lowKeyFade / 2);
            if (zone->highKeyByHand)
                offer(zone->highKey + 1 - (zone->highKeyFade + 1) / 2);
        }
    return found;
}

void endAt(Zone& zone, int highKey, bool byHand)
{
    if (zone.highKey != highKey)
        zone.highKeyFade = 0;
    zone.highKey = highKey;
    zone.highKeyByHand = byHand;
}
void beginAt(Zone& zone, int lowKey, bool byHand)
{
    if (zone.lowKey != lowKey)
        zone.lowKeyFade = 0;
    zone.lowKey = lowKey;
    zone.lowKeyByHand = byHand;
}

} // namespace

void spreadByRoots(const Instrument& instrument, Layer& layer)
{
    auto groups = groupsOf(instrument, layer);
    if (groups.empty())
        return;
    int lowest = groups.front().root, highest = groups.back().root;
    for (const auto& group : groups)
        for (const Zone* zone : group.zones) {
            lowest = std::min(lowest, zone->lowKey);
            highest = std::max(highest, zone->highKey);
        }
    std::vector<std::optional<int>> borders;
    for (std::size_t i = 0; i + 1 < groups.size(); ++i)
        borders.push_back(handBorder(groups, groups[i].root, groups[i + 1].root));
    for (std::size_t i = 0; i + 1 < groups.size(); ++i) {
        Group &below = groups[i], &above = groups[i + 1];
        // Two that were set against each other stay as they cross over.
        const bool pair = anyOf(below, [](const Zone* z) { return z->highKeyByHand; })
            && anyOf(above, [](const Zone* z) { return z->lowKeyByHand; });
        const int border = borders[i].value_or((below.root + above.root) / 2 + 1);
        const bool byHand = borders[i].has_value();
        for (Zone* zone : below.zones)
            if (!(pair && zone->highKeyByHand && zone->highKey >= below.root))
                endAt(*zone, border - 1, byHand);
        for (Zone* zone : above.zones)
            if (!(pair && zone->lowKeyByHand && zone->lowKey <= above.root))
                beginAt(*zone, border, byHand);
    }
    for (Zone* zone : groups.front().zones)
        if (!zone->lowKeyByHand)
            beginAt(*zone, lowest, false);
    for (Zone* zone : groups.back().zones)
        if (!zone->highKeyByHand)
            endAt(*zone, std::max(highest, zone->lowKey), false);
    for (auto& zone : layer.zones)
        zone.highKey = std::max(zone.lowKey, zone.highKey);
}

} // namespace puretone
