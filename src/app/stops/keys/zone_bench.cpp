// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/zone_bench.h"

#include <algorithm>
#include <cmath>

namespace puretone::app {

namespace {

constexpr double edgeReach = 8.0;

} // namespace

ZoneBench::ZoneBench(QWidget* parent)
    : QWidget(parent)
{
    setMouseTracking(true);
    setAcceptDrops(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Layers over the keys"));
    setAccessibleDescription(
        tr("Which keys and touches play which take. The left and right arrows choose a block, with "
           "Shift more; its borders are fields beside the picture."));
}

void ZoneBench::setInstrument(const Instrument& instrument, LayerId open, const Naming& naming)
{
    layers_ = instrument.layers;
    open_ = open;
    naming_ = naming;
    silent_ = silentKeys(instrument);
    findStacks();
    std::map<TakeId, TakeWords> takes;
    for (const auto& take : instrument.takes) {
        auto& words = takes[take.id];
        words = {QString::fromStdString(take.name), take.tuning.rootKey, take.period().has_value(),
            std::nullopt};
        if (const auto known = takes_.find(take.id); known != takes_.end())
            words.reach = known->second.reach;
    }
    takes_ = std::move(takes);
    update();
}

void ZoneBench::findStacks()
{
    stacks_.clear();
    if (layers_.empty())
        return;
    std::map<std::array<int, 4>, ZoneId> firsts;
    for (const auto& zone : open().zones) {
        const std::array<int, 4> place{
            zone.lowKey, zone.highKey, zone.lowVelocity, zone.highVelocity};
        const auto [first, isNew] = firsts.try_emplace(place, zone.id);
        ++stacks_[first->second];
        if (!isNew)
            stacks_[zone.id] = 0;
    }
}

void ZoneBench::setReaches(const std::map<TakeId, Reach>& reaches)
{
    for (auto& [id, words] : takes_)
        if (const auto found = reaches.find(id); found != reaches.end())
            words.reach = found->second;
    update();
}

void ZoneBench::setChosen(const ZoneIds& chosen)
{
    if (chosen_ == chosen)
        return;
    chosen_ = chosen;
    update();
}

void ZoneBench::setChosenByHand(ZoneIds chosen)
{
    if (chosen_ == chosen)
        return;
    chosen_ = std::move(chosen);
    update();
    emit chosenChanged(chosen_);
}

void ZoneBench::setSounding(const std::vector<int>& zones, std::array<std::uint64_t, 2> keys)
{
    if (sounding_ == zones && keysDown_ == keys)
        return;
    sounding_ = zones;
    keysDown_ = keys;
    update();
}

std::size_t ZoneBench::openIndex() const
{
    for (std::size_t i = 0; i < layers_.size(); ++i)
        if (layers_[i].id == open_)
            return i;
    return 0;
}

LaneGeometry ZoneBench::geometry() const
{
    LaneGeometry g{QRectF(rect()).adjusted(2.0, 2.0, -8.0, -2.0), axis_,
        std::max<std::size_t>(1, layers_.size()), openIndex()};
    g.axis.left = g.area.left() + LaneGeometry::names;
    g.axis.width = std::max(50.0, g.area.width() - LaneGeometry::names);
    return g;
}

const Zone* ZoneBench::zone(ZoneId id) const
{
    if (layers_.empty())
        return nullptr;
    const auto& zones = open().zones;
    const auto found =
        std::find_if(zones.begin(), zones.end(), [&](const Zone& z) { return z.id == id; });
    return found == zones.end() ? nullptr : &*found;
}

const ZoneBench::TakeWords* ZoneBench::words(const Zone& zone) const
{
    const auto found = takes_.find(zone.take);
    return found == takes_.end() ? nullptr : &found->second;
}

QPointF ZoneBench::crossoverHandle(const Zone& zone, ZoneEdge edge) const
{
    const auto g = geometry();
    const QRectF block = g.block(zone);
    switch (edge) {
    case ZoneEdge::lowKey:
        return {g.axis.x(zone.lowKey + zone.lowKeyFade), block.top() + 14.0};
    case ZoneEdge::highKey:
        return {g.axis.x(zone.highKey + 1 - zone.highKeyFade), block.top() + 14.0};
    case ZoneEdge::quiet:
        return {block.right() - 14.0, g.y(zone.lowVelocity + zone.lowVelocityFade)};
    case ZoneEdge::loud:
        break;
    }
    return {block.right() - 14.0, g.y(zone.highVelocity + 1 - zone.highVelocityFade)};
}

ZoneBench::Hit ZoneBench::edgeAt(QPointF p) const
{
    const auto g = geometry();
    // What is chosen is grabbed before what lies over it.
    for (const bool chosen : {true, false})
        for (const auto& zone : open().zones) {
            if (chosen_.contains(zone.id) != chosen)
                continue;
            const QRectF block = g.block(zone);
            if (!block.adjusted(-edgeReach, -edgeReach, edgeReach, edgeReach).contains(p))
                continue;
            // Of a narrow block at least a third is not border.
            const double across = std::min(edgeReach, block.width() / 3.0);
            const double along = std::min(edgeReach, block.height() / 3.0);
            const auto near = [](double a, double b, double inside, bool isInside) {
                return std::abs(a - b) <= (isInside ? inside : edgeReach);
            };
            if (near(p.x(), block.left(), across, p.x() > block.left()))
                return {Grip::edge, zone.id, ZoneEdge::lowKey, 0};
            if (near(p.x(), block.right(), across, p.x() < block.right()))
                return {Grip::edge, zone.id, ZoneEdge::highKey, 0};
            if (near(p.y(), block.top(), along, p.y() > block.top()))
                return {Grip::edge, zone.id, ZoneEdge::loud, 0};
            if (near(p.y(), block.bottom(), along, p.y() < block.bottom()))
                return {Grip::edge, zone.id, ZoneEdge::quiet, 0};
        }
    return {};
}

const Zone* ZoneBench::blockAt(QPointF p) const
{
    const auto g = geometry();
    const Zone* found = nullptr;
    // Of those that lie over each other the smallest, or else the one that is drawn last.
    for (const auto& zone : open().zones) {
        const QRectF block = g.block(zone);
        if (!block.contains(p))
            continue;
        const auto area = [&](const Zone& z) {
            const QRectF r = g.block(z);
            return r.width() * r.height();
        };
        if (found == nullptr || area(zone) <= area(*found))
            found = &zone;
    }
    return found;
}

ZoneBench::Hit ZoneBench::hitAt(QPointF p) const
{
    if (layers_.empty())
        return {};
    const auto g = geometry();
    for (std::size_t layer = g.first(); layer < g.first() + g.count(); ++layer)
        if (g.dot(layer).united(g.name(layer)).contains(p)
            || (layer != g.open && g.lane(layer).contains(p)))
            return {Grip::ribbon, {}, ZoneEdge::lowKey, layer};
    if (!g.field().adjusted(-edgeReach, -edgeReach, edgeReach, edgeReach).contains(p))
        return {};
    if (chosen_.size() == 1)
        if (const Zone* one = zone(*chosen_.begin()))
            for (const auto edge :
                {ZoneEdge::lowKey, ZoneEdge::highKey, ZoneEdge::quiet, ZoneEdge::loud})
                if (QLineF(crossoverHandle(*one, edge), p).length() <= edgeReach)
                    return {Grip::crossover, one->id, edge, 0};
    if (const Hit edge = edgeAt(p); edge.grip != Grip::none)
        return edge;
    if (const Zone* block = blockAt(p))
        return {Grip::block, block->id, ZoneEdge::lowKey, 0};
    return {Grip::frame, {}, ZoneEdge::lowKey, 0};
}

} // namespace puretone::app
