// SPDX-License-Identifier: GPL-3.0-or-later
// What mouse and keys do on the bench of the stop Keys.
#include "app/stops/keys/zone_bench.h"
#include "app/theme/theme.h"
#include "app/widgets/hand.h"
#include "app/widgets/sound_files.h"

#include <QDropEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

namespace puretone::app {

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
    // An instrument is for the window: it is opened, not added to a layer.
    const auto paths = droppedPaths(*event->mimeData()).paths;
    if (!paths.isEmpty() && !layers_.empty()
        && std::none_of(paths.begin(), paths.end(), isInstrumentFile))
        event->acceptProposedAction();
}

void ZoneBench::dropEvent(QDropEvent* event)
{
    const auto paths = droppedPaths(*event->mimeData()).paths;
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
        // Neither of these has changed anything yet.
        const bool late = grabbed_.grip == Grip::frame || grabbed_.grip == Grip::ribbon;
        endDrag();
        if (moved && !late)
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
