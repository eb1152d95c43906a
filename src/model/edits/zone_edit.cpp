// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/zone_edit.h"

#include <algorithm>

namespace puretone {

namespace {

bool ofKeys(ZoneEdge edge)
{
    return edge == ZoneEdge::lowKey || edge == ZoneEdge::highKey;
}
bool isLow(ZoneEdge edge)
{
    return edge == ZoneEdge::lowKey || edge == ZoneEdge::quiet;
}
ZoneEdge opposite(ZoneEdge edge)
{
    switch (edge) {
    case ZoneEdge::lowKey:
        return ZoneEdge::highKey;
    case ZoneEdge::highKey:
        return ZoneEdge::lowKey;
    case ZoneEdge::quiet:
        return ZoneEdge::loud;
    case ZoneEdge::loud:
        return ZoneEdge::quiet;
    }
    return edge;
}

int& edgeOf(Zone& zone, ZoneEdge edge)
{
    switch (edge) {
    case ZoneEdge::lowKey:
        return zone.lowKey;
    case ZoneEdge::highKey:
        return zone.highKey;
    case ZoneEdge::quiet:
        return zone.lowVelocity;
    case ZoneEdge::loud:
        break;
    }
    return zone.highVelocity;
}
int edgeOf(const Zone& zone, ZoneEdge edge)
{
    return edgeOf(const_cast<Zone&>(zone), edge);
}

int& fadeOf(Zone& zone, ZoneEdge edge)
{
    switch (edge) {
    case ZoneEdge::lowKey:
        return zone.lowKeyFade;
    case ZoneEdge::highKey:
        return zone.highKeyFade;
    case ZoneEdge::quiet:
        return zone.lowVelocityFade;
    case ZoneEdge::loud:
        break;
    }
    return zone.highVelocityFade;
}
int fadeOf(const Zone& zone, ZoneEdge edge)
{
    return fadeOf(const_cast<Zone&>(zone), edge);
}

int lengthOf(const Zone& zone, ZoneEdge edge)
{
    return std::abs(edgeOf(zone, edge) - edgeOf(zone, opposite(edge))) + 1;
}

/// How much of a crossover of this width a zone takes: half, the low side the half that is rounded
/// up.
int shareOf(ZoneEdge edge, int width)
{
    return isLow(edge) ? width / 2 : (width + 1) / 2;
}

void markByHand(Zone& zone, ZoneEdge edge)
{
    if (edge == ZoneEdge::lowKey)
        zone.lowKeyByHand = true;
    if (edge == ZoneEdge::highKey)
        zone.highKeyByHand = true;
}

/// Whether two zones meet along a border: they share some of the other direction.
bool sideBySide(const Zone& a, const Zone& b, ZoneEdge edge)
{
    const ZoneEdge low = ofKeys(edge) ? ZoneEdge::quiet : ZoneEdge::lowKey;
    return edgeOf(a, low) <= edgeOf(b, opposite(low)) && edgeOf(b, low) <= edgeOf(a, opposite(low));
}

/// Whether `b` begins where `a` ends, counting that they cross over.
bool meets(const Zone& a, const Zone& b, ZoneEdge edge)
{
    const int width = fadeOf(a, edge);
    if (!sideBySide(a, b, edge) || fadeOf(b, opposite(edge)) != width)
        return false;
    const int sign = isLow(edge) ? -1 : 1;
    // It lies on that side: what lies inside is no neighbour.
    const auto twiceMiddle = [&](const Zone& z) {
        return edgeOf(z, edge) + edgeOf(z, opposite(edge));
    };
    if (sign * (twiceMiddle(b) - twiceMiddle(a)) <= 0)
        return false;
    return edgeOf(b, opposite(edge)) == edgeOf(a, edge) + sign * (1 - width);
}

/// A zone and the border of it that moves.
struct Moving {
    Zone* zone;
    ZoneEdge edge;
};

std::vector<Moving> movingWith(
    Layer& layer, const Zone& grabbed, ZoneEdge edge, const ZoneIds& chosen, bool alone)
{
    std::vector<Moving> moving;
    const bool many = chosen.size() > 1 && chosen.contains(grabbed.id);
    for (auto& zone : layer.zones) {
        const bool own = zone.id == grabbed.id || (many && chosen.contains(zone.id));
        const bool shares = !alone && edgeOf(zone, edge) == edgeOf(grabbed, edge)
            && fadeOf(zone, edge) == fadeOf(grabbed, edge) && sideBySide(grabbed, zone, edge);
        if (own || shares)
            moving.push_back({&zone, edge});
    }
    if (alone)
        return moving;
    const auto movers = moving;
    for (auto& zone : layer.zones) {
        const bool neighbour = std::any_of(movers.begin(), movers.end(),
            [&](const Moving& m) { return m.zone != &zone && meets(*m.zone, zone, edge); });
        if (neighbour)
            moving.push_back({&zone, opposite(edge)});
    }
    return moving;
}

} // namespace

void moveBorder(
    Layer& layer, ZoneId grabbed, ZoneEdge edge, int by, const ZoneIds& chosen, bool alone)
{
    const auto found = std::find_if(layer.zones.begin(), layer.zones.end(),
        [&](const Zone& zone) { return zone.id == grabbed; });
    if (found == layer.zones.end())
        return;
    const Zone before = *found;
    const auto moving = movingWith(layer, before, edge, chosen, alone);
    const int lowest = ofKeys(edge) ? 0 : 1;
    for (const auto& [zone, border] : moving) {
        // As far as every one of them can go: each keeps a key of its own, and what it crosses
        // over.
        const ZoneEdge other = opposite(border);
        const int fade = fadeOf(*zone, border), otherFade = fadeOf(*zone, other);
        const int least =
            std::max(fade + otherFade, shareOf(border, fade) + shareOf(other, otherFade) + 1);
        const int at = edgeOf(*zone, border);
        const int room = std::max(0, lengthOf(*zone, border) - least);
        by = isLow(border) ? std::clamp(by, lowest - at, std::max(room, lowest - at))
                           : std::clamp(by, std::min(-room, 127 - at), 127 - at);
    }
    for (const auto& [zone, border] : moving) {
        edgeOf(*zone, border) += by;
        markByHand(*zone, border);
    }
}

void moveZones(Layer& layer, const ZoneIds& chosen, int keys, int touches)
{
    for (const auto& zone : layer.zones)
        if (chosen.contains(zone.id)) {
            keys = std::clamp(keys, -zone.lowKey, 127 - zone.highKey);
            touches = std::clamp(touches, 1 - zone.lowVelocity, 127 - zone.highVelocity);
        }
    for (auto& zone : layer.zones)
        if (chosen.contains(zone.id)) {
            zone.lowKey += keys;
            zone.highKey += keys;
            zone.lowVelocity += touches;
            zone.highVelocity += touches;
            if (keys != 0)
                zone.lowKeyByHand = zone.highKeyByHand = true;
        }
}

void keepBorders(Instrument& instrument)
{
    for (auto& layer : instrument.layers)
        for (auto& zone : layer.zones)
            zone.lowKeyByHand = zone.highKeyByHand = true;
}

int crossover(const Layer& layer, ZoneId id, ZoneEdge edge)
{
    for (const auto& zone : layer.zones)
        if (zone.id == id)
            return fadeOf(zone, edge);
    return 0;
}

void setCrossover(Layer& layer, ZoneId id, ZoneEdge edge, int width)
{
    const auto found = std::find_if(
        layer.zones.begin(), layer.zones.end(), [&](const Zone& zone) { return zone.id == id; });
    if (found == layer.zones.end())
        return;
    const auto moving = movingWith(layer, Zone(*found), edge, {}, false);
    const bool neighbours =
        std::any_of(moving.begin(), moving.end(), [&](const Moving& m) { return m.edge != edge; });
    const int before = fadeOf(*found, edge);
    for (const auto& [zone, border] : moving)
        width = std::min(width,
            neighbours ? 2
                    * (lengthOf(*zone, border) - shareOf(border, before)
                        - fadeOf(*zone, opposite(border)))
                       : lengthOf(*zone, border) - fadeOf(*zone, opposite(border)));
    width = std::max(0, width);
    for (const auto& [zone, border] : moving) {
        if (neighbours) {
            const int by = shareOf(border, width) - shareOf(border, before);
            edgeOf(*zone, border) += isLow(border) ? -by : by;
            markByHand(*zone, border);
        }
        fadeOf(*zone, border) = width;
    }
}

std::vector<ZoneId> stackOf(const Layer& layer, const Zone& zone)
{
    std::vector<ZoneId> stack;
    for (const auto& other : layer.zones)
        if (other.lowKey == zone.lowKey && other.highKey == zone.highKey
            && other.lowVelocity == zone.lowVelocity && other.highVelocity == zone.highVelocity)
            stack.push_back(other.id);
    return stack;
}

void moveInStack(Layer& layer, ZoneId id, int to)
{
    const auto found = std::find_if(
        layer.zones.begin(), layer.zones.end(), [&](const Zone& zone) { return zone.id == id; });
    if (found == layer.zones.end())
        return;
    const auto stack = stackOf(layer, *found);
    to = std::clamp(to, 0, int(stack.size()) - 1);
    const auto target = std::find_if(layer.zones.begin(), layer.zones.end(),
        [&](const Zone& zone) { return zone.id == stack[std::size_t(to)]; });
    if (found < target)
        std::rotate(found, found + 1, target + 1);
    else if (target < found)
        std::rotate(target, found, found + 1);
}

std::array<bool, 128> silentKeys(const Instrument& instrument)
{
    std::array<bool, 128> silent;
    silent.fill(true);
    for (const auto& layer : instrument.layers)
        if (layer.on && layer.when != SoundsWhen::release)
            for (const auto& zone : layer.zones)
                for (int key = zone.lowKey; key <= zone.highKey; ++key)
                    silent[std::size_t(key)] = false;
    return silent;
}

std::vector<std::string> layersOnKey(const Instrument& instrument, int key)
{
    std::vector<std::string> names;
    for (const auto& layer : instrument.layers)
        if (layer.on && std::any_of(layer.zones.begin(), layer.zones.end(), [&](const Zone& zone) {
                return zone.lowKey <= key && key <= zone.highKey;
            }))
            names.push_back(layer.name);
    return names;
}

} // namespace puretone
