// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/zone_bench.h"

#include "app/theme/theme.h"

#include <QDropEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

namespace puretone::app {

namespace {

constexpr double reach = 8.0;
constexpr double dragThreshold = 4.0;

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
            if (!block.adjusted(-reach, -reach, reach, reach).contains(p))
                continue;
            // Of a narrow block at least a third is not border.
            const double across = std::min(reach, block.width() / 3.0);
            const double along = std::min(reach, block.height() / 3.0);
            const auto near = [](double a, double b, double inside, bool isInside) {
                return std::abs(a - b) <= (isInside ? inside : reach);
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
    if (!g.field().adjusted(-reach, -reach, reach, reach).contains(p))
        return {};
    if (chosen_.size() == 1)
        if (const Zone* one = zone(*chosen_.begin()))
            for (const auto edge :
                {ZoneEdge::lowKey, ZoneEdge::highKey, ZoneEdge::quiet, ZoneEdge::loud})
                if (QLineF(crossoverHandle(*one, edge), p).length() <= reach)
                    return {Grip::crossover, one->id, edge, 0};
    if (const Hit edge = edgeAt(p); edge.grip != Grip::none)
        return edge;
    if (const Zone* block = blockAt(p))
        return {Grip::block, block->id, ZoneEdge::lowKey, 0};
    return {Grip::frame, {}, ZoneEdge::lowKey, 0};
}

void ZoneBench::choose(const Zone& zone, Qt::KeyboardModifiers modifiers)
{
    ZoneIds chosen = chosen_;
    if ((modifiers & Qt::ControlModifier) != 0) {
        if (!chosen.insert(zone.id).second)
            chosen.erase(zone.id);
    } else if (const Zone* from = this->zone(last_);
               (modifiers & Qt::ShiftModifier) != 0 && from != nullptr) {
        const int low = std::min(from->lowKey, zone.lowKey);
        const int high = std::max(from->highKey, zone.highKey);
        for (const auto& other : open().zones)
            if (other.lowKey >= low && other.highKey <= high)
                chosen.insert(other.id);
    } else if (!chosen.contains(zone.id)) {
        chosen = {zone.id};
    }
    if ((modifiers & Qt::ShiftModifier) == 0)
        last_ = zone.id;
    setChosenByHand(std::move(chosen));
}

void ZoneBench::pressRibbon(const Hit& hit, Qt::KeyboardModifiers modifiers)
{
    const Layer& layer = layers_[hit.layer];
    if (!geometry().dot(hit.layer).contains(grabPoint_))
        return; // a click opens it when the button comes up, unless it is dragged
    if ((modifiers & Qt::AltModifier) != 0)
        emit aloneAsked(layer.id);
    else
        emit switched(layer.id, !layer.on);
    grabbed_ = {};
}

void ZoneBench::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton || layers_.empty())
        return;
    grabbed_ = hitAt(event->position());
    grabPoint_ = pointer_ = event->position();
    moved_ = false;
    atGrab_ = open();
    chosenAtGrab_ = chosen_;
    if (grabbed_.grip == Grip::ribbon)
        pressRibbon(grabbed_, event->modifiers());
    else if (const Zone* block = zone(grabbed_.zone); block != nullptr) {
        if (grabbed_.grip != Grip::edge || !chosen_.contains(block->id))
            choose(*block, grabbed_.grip == Grip::edge ? Qt::NoModifier : event->modifiers());
    } else if (grabbed_.grip == Grip::frame && event->modifiers() == Qt::NoModifier) {
        setChosenByHand({});
    }
    chosenAtGrab_ = chosen_;
    update();
}

void ZoneBench::chooseFrame()
{
    const QRectF frame = QRectF(grabPoint_, pointer_).normalized();
    const auto g = geometry();
    ZoneIds chosen = chosenAtGrab_;
    for (const auto& zone : open().zones)
        if (g.block(zone).intersects(frame))
            chosen.insert(zone.id);
    setChosenByHand(std::move(chosen));
}

void ZoneBench::drag(QPointF position, Qt::KeyboardModifiers modifiers)
{
    const auto g = geometry();
    const QPointF pull = position - grabPoint_;
    const int keys = int(std::lround(pull.x() / g.axis.keyWidth()));
    const int touches = int(std::lround(g.velocityAt(position.y()) - g.velocityAt(grabPoint_.y())));
    const bool first = !std::exchange(moved_, true);
    const bool alone = (modifiers & Qt::AltModifier) != 0;
    Layer layer = atGrab_;
    QString step;
    switch (grabbed_.grip) {
    case Grip::edge: {
        const bool across = grabbed_.edge == ZoneEdge::lowKey || grabbed_.edge == ZoneEdge::highKey;
        moveBorder(
            layer, grabbed_.zone, grabbed_.edge, across ? keys : touches, chosenAtGrab_, alone);
        step = tr("Move zone border");
        break;
    }
    case Grip::crossover: {
        // Both neighbours grow: the handle moves half as fast as the width.
        const int way = grabbed_.edge == ZoneEdge::lowKey ? keys
            : grabbed_.edge == ZoneEdge::highKey          ? -keys
            : grabbed_.edge == ZoneEdge::quiet            ? touches
                                                          : -touches;
        setCrossover(layer, grabbed_.zone, grabbed_.edge,
            crossover(atGrab_, grabbed_.zone, grabbed_.edge) + 2 * way);
        step = tr("Change crossover");
        break;
    }
    case Grip::block:
        moveZones(layer, chosenAtGrab_, keys, touches);
        step = chosenAtGrab_.size() > 1 ? tr("Move zones") : tr("Move zone");
        break;
    case Grip::frame:
        chooseFrame();
        return;
    default:
        return;
    }
    emit layerDragged(step, layer, first);
}

void ZoneBench::mouseMoveEvent(QMouseEvent* event)
{
    pointer_ = event->position();
    if (grabbed_.grip == Grip::none || (event->buttons() & Qt::LeftButton) == 0) {
        showCursor(pointer_);
        showHint(pointer_);
        return;
    }
    if (!moved_ && (pointer_ - grabPoint_).manhattanLength() < dragThreshold)
        return;
    if (grabbed_.grip == Grip::ribbon)
        moved_ = true;
    else
        drag(pointer_, event->modifiers());
    update();
}

void ZoneBench::mouseReleaseEvent(QMouseEvent* event)
{
    const auto g = geometry();
    const Hit was = grabbed_;
    const bool moved = moved_;
    endDrag();
    if (was.grip == Grip::ribbon && was.layer < layers_.size()) {
        const auto id = layers_[was.layer].id;
        const auto to = g.laneAt(event->position().y());
        if (moved && to != was.layer)
            emit moveAsked(id, int(to) - int(was.layer));
        else if (!moved && id != open_)
            emit opened(id);
    } else if (was.grip == Grip::block && !moved && event->modifiers() == Qt::NoModifier) {
        // A click among several that are chosen means this one.
        last_ = was.zone;
        setChosenByHand({was.zone});
    }
}

void ZoneBench::endDrag()
{
    grabbed_ = {};
    moved_ = false;
    update();
}

void ZoneBench::mouseDoubleClickEvent(QMouseEvent* event)
{
    const Hit hit = hitAt(event->position());
    if (hit.grip == Grip::ribbon && hit.layer == openIndex())
        emit renameAsked();
    if (hit.grip == Grip::ribbon || layers_.empty())
        return;
    int low = 127, high = 0;
    const auto include = [&](const Zone& zone) {
        low = std::min(low, zone.lowKey);
        high = std::max(high, zone.highKey);
    };
    const Zone* block = zone(hit.zone);
    for (const auto& other : open().zones)
        if (block == nullptr || chosen_.contains(other.id))
            include(other);
    if (low <= high)
        axis_ = axis_.showing(low, high);
    update();
}

void ZoneBench::wheelEvent(QWheelEvent* event)
{
    const auto g = geometry();
    const QPoint turn = event->angleDelta();
    const bool sideways = turn.x() != 0 || (event->modifiers() & Qt::ShiftModifier) != 0;
    const double notches = double(turn.x() != 0 ? turn.x() : turn.y()) / 120.0;
    axis_ = sideways ? g.axis.scrolled(-notches * g.axis.keys / 12.0)
                     : g.axis.zoomed(std::pow(0.85, notches), event->position().x());
    event->accept();
    update();
}

void ZoneBench::showCursor(QPointF position)
{
    const Hit hit = hitAt(position);
    const bool across = hit.edge == ZoneEdge::lowKey || hit.edge == ZoneEdge::highKey;
    setCursor(hit.grip == Grip::edge || hit.grip == Grip::crossover
            ? (across ? Qt::SizeHorCursor : Qt::SizeVerCursor)
            : hit.grip == Grip::ribbon ? Qt::PointingHandCursor
                                       : Qt::ArrowCursor);
}

void ZoneBench::showHint(QPointF position)
{
    const auto g = geometry();
    QString hint;
    const auto key = position.x() >= g.axis.left ? g.axis.keyAt(position.x()) : std::nullopt;
    if (key && position.y() > g.area.top()) {
        QStringList names;
        for (const auto& layer : layers_)
            if (layer.on && std::any_of(layer.zones.begin(), layer.zones.end(), [&](const Zone& z) {
                    return z.lowKey <= *key && *key <= z.highKey;
                }))
                names << QString::fromStdString(layer.name);
        const QString name = typeset(keyWithNumber(*key, naming_));
        hint = names.isEmpty()  ? tr("%1 stays silent").arg(name)
            : names.size() == 1 ? tr("%1 plays %2").arg(name, names[0])
                                : tr("%1 plays %2 together").arg(name, names.join(tr(" and ")));
    }
    if (hint != hint_) {
        hint_ = hint;
        emit hintChanged(hint_);
    }
}

void ZoneBench::dragEnterEvent(QDragEnterEvent* event)
{
    if (event->mimeData()->hasUrls() && !layers_.empty())
        event->acceptProposedAction();
}

void ZoneBench::dropEvent(QDropEvent* event)
{
    QStringList paths;
    for (const auto& url : event->mimeData()->urls())
        if (url.isLocalFile())
            paths << url.toLocalFile();
    if (paths.isEmpty() || layers_.empty())
        return;
    event->acceptProposedAction();
    emit soundsDropped(layers_[geometry().laneAt(event->position().y())].id, paths);
}

void ZoneBench::leaveEvent(QEvent*)
{
    if (!hint_.isEmpty())
        emit hintChanged(hint_ = {});
}

/// From block to block, in the order of their keys.
void ZoneBench::step(int by, bool extend)
{
    std::vector<const Zone*> order;
    for (const auto& zone : open().zones)
        order.push_back(&zone);
    if (order.empty())
        return;
    std::stable_sort(order.begin(), order.end(), [](const Zone* a, const Zone* b) {
        return std::pair(a->lowKey, a->lowVelocity) < std::pair(b->lowKey, b->lowVelocity);
    });
    const auto at =
        std::find_if(order.begin(), order.end(), [&](const Zone* z) { return z->id == last_; });
    const auto from =
        at == order.end() ? (by > 0 ? -1 : int(order.size())) : int(at - order.begin());
    const auto to = std::size_t(std::clamp(from + by, 0, int(order.size()) - 1));
    last_ = order[to]->id;
    ZoneIds chosen = extend ? chosen_ : ZoneIds{};
    chosen.insert(last_);
    setChosenByHand(std::move(chosen));
}

void ZoneBench::keyPressEvent(QKeyEvent* event)
{
    const bool extend = (event->modifiers() & Qt::ShiftModifier) != 0;
    if (layers_.empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    if (event->key() == Qt::Key_Escape && grabbed_.grip != Grip::none) {
        const bool moved = moved_;
        const bool frame = grabbed_.grip == Grip::frame;
        endDrag();
        if (moved && !frame)
            emit cancelled();
    } else if (event->key() == Qt::Key_Escape && !chosen_.empty()) {
        setChosenByHand({});
    } else if (event->matches(QKeySequence::SelectAll)) {
        ZoneIds all;
        for (const auto& zone : open().zones)
            all.insert(zone.id);
        setChosenByHand(std::move(all));
    } else if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right) {
        step(event->key() == Qt::Key_Right ? 1 : -1, extend);
    } else if (event->key() == Qt::Key_F2) {
        emit renameAsked();
    } else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        emit switched(open_, !open().on);
    } else if (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down) {
        const int by = event->key() == Qt::Key_Down ? 1 : -1;
        const auto to = std::ptrdiff_t(openIndex()) + by;
        if ((event->modifiers() & Qt::AltModifier) != 0)
            emit moveAsked(open_, by);
        else if (to >= 0 && to < std::ptrdiff_t(layers_.size()))
            emit opened(layers_[std::size_t(to)].id);
    } else if (event->key() == Qt::Key_Delete && !chosen_.empty()) {
        emit removeAsked(chosen_);
    } else {
        QWidget::keyPressEvent(event);
    }
}

} // namespace puretone::app
