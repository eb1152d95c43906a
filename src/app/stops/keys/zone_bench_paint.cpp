// SPDX-License-Identifier: GPL-3.0-or-later
// What the bench of the stop Keys looks like.
#include "app/stops/keys/zone_bench.h"
#include "app/theme/theme.h"
#include "app/widgets/keyboard.h"

#include <QPainter>
#include <algorithm>

namespace puretone::app {

namespace {

QColor faint(QColor colour, int alpha)
{
    colour.setAlpha(alpha);
    return colour;
}

/// The most zones of one layer that take turns on one key and touch.
std::size_t mostTurns(const Layer& layer)
{
    std::size_t most = 1;
    // Stacks are equal in all four borders: counting by them is enough.
    std::map<std::array<int, 4>, std::size_t> stacks;
    for (const auto& zone : layer.zones)
        most = std::max(
            most, ++stacks[{zone.lowKey, zone.highKey, zone.lowVelocity, zone.highVelocity}]);
    return most;
}

} // namespace

QString whatLayerDoes(const Layer& layer, const QString& onlyTake)
{
    QStringList words;
    if (!onlyTake.isEmpty())
        words << onlyTake;
    const auto count = int(layer.zones.size());
    if (count == 0)
        return ZoneBench::tr("no keys yet");
    if (layer.follow == 0.0)
        words << ZoneBench::tr("one sound on every key");
    if (layer.manner == Manner::frozen)
        words << ZoneBench::tr("a frozen moment");
    else if (layer.manner == Manner::keepsLength)
        words << ZoneBench::tr("keeps its length");
    const auto turns = int(mostTurns(layer));
    if (layer.sameKeys != SameKeys::together && turns > 1)
        words << (layer.sameKeys == SameKeys::inTurn ? ZoneBench::tr("%1 in turn").arg(turns)
                                                     : ZoneBench::tr("%1 at random").arg(turns));
    switch (layer.when) {
    case SoundsWhen::release:
        words << ZoneBench::tr("when a key comes up");
        break;
    case SoundsWhen::phraseStart:
        words << ZoneBench::tr("when a phrase begins");
        break;
    case SoundsWhen::phraseOn:
        words << ZoneBench::tr("within a phrase");
        break;
    case SoundsWhen::press:
        break;
    }
    if (words.isEmpty())
        words << (count == 1 ? ZoneBench::tr("1 take") : ZoneBench::tr("%1 takes").arg(count));
    return words.join(ZoneBench::tr(" · "));
}

void ZoneBench::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const auto g = geometry();
    for (std::size_t layer = g.first(); layer < std::min(g.first() + g.count(), layers_.size());
         ++layer)
        paintLane(painter, g, layer);
    paintField(painter, g);
    painter.save();
    painter.setClipRect(g.field().adjusted(-1.0, -1.0, 1.0, 1.0));
    paintBlocks(painter, g);
    painter.restore();
    paintKeys(painter, g);
    const auto& t = Theme::tokens();
    if (grabbed_.grip == Grip::frame && moved_) {
        painter.setPen(QPen(t.sea, 1.0, Qt::DashLine));
        painter.setBrush(faint(t.sea, 24));
        painter.drawRect(QRectF(grabPoint_, pointer_).normalized() & g.field());
    }
    if (grabbed_.grip == Grip::ribbon && moved_) {
        const QRectF to = g.lane(g.laneAt(pointer_.y()));
        painter.setPen(QPen(t.sea, 2.0));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(to.adjusted(1.0, 2.0, -1.0, -2.0), 6.0, 6.0);
    }
    paintTag(painter);
}

void ZoneBench::paintLane(QPainter& painter, const LaneGeometry& g, std::size_t index) const
{
    const auto& t = Theme::tokens();
    const Layer& layer = layers_[index];
    const bool isOpen = index == g.open;
    const QPointF dot = g.dot(index).center();
    painter.setPen(QPen(layer.on ? t.sea : t.quietInk, 1.6));
    painter.setBrush(layer.on ? QBrush(t.sea) : QBrush(Qt::NoBrush));
    painter.drawEllipse(dot, 5.0, 5.0);
    // The names of copies differ at their end. Beside an open lane stand the numbers of touch.
    const QRectF where = g.name(index).adjusted(0.0, 0.0, isOpen ? -24.0 : 0.0, 0.0);
    painter.setFont(Theme::font(13, isOpen ? Theme::Weight::strong : Theme::Weight::medium));
    painter.setPen(layer.on ? t.ink : t.quietInk);
    painter.drawText(where, Qt::AlignLeft | Qt::AlignVCenter,
        painter.fontMetrics().elidedText(
            QString::fromStdString(layer.name), Qt::ElideMiddle, int(where.width())));
    if (isOpen)
        return;
    paintRibbon(painter, g, layer, g.track(index));
    painter.setPen(QPen(t.line, 1.0));
    const QRectF lane = g.lane(index);
    const double y = index < g.open ? lane.bottom() : lane.top();
    painter.drawLine(QPointF(lane.left(), y), QPointF(lane.right(), y));
}

void ZoneBench::paintRibbon(
    QPainter& painter, const LaneGeometry& g, const Layer& layer, QRectF track) const
{
    const auto& t = Theme::tokens();
    painter.save();
    painter.setClipRect(track);
    painter.setPen(Qt::NoPen);
    painter.setBrush(faint(layer.on ? t.sea : t.quietInk, 40));
    // Neighbours make one ribbon.
    std::vector<std::pair<int, int>> spans;
    for (const auto& zone : layer.zones)
        spans.emplace_back(zone.lowKey, zone.highKey);
    std::sort(spans.begin(), spans.end());
    double left = track.right(), right = track.left();
    for (std::size_t i = 0; i < spans.size();) {
        auto [low, high] = spans[i];
        for (++i; i < spans.size() && spans[i].first <= high + 1; ++i)
            high = std::max(high, spans[i].second);
        left = std::min(left, g.axis.x(low));
        right = std::max(right, g.axis.x(high + 1));
        painter.drawRoundedRect(QRectF(QPointF(g.axis.x(low), track.top()),
                                    QPointF(g.axis.x(high + 1), track.bottom())),
            4.0, 4.0);
    }
    bool sounds = false;
    for (const auto& zone : layer.zones)
        if (std::find(sounding_.begin(), sounding_.end(), zone.id.value) != sounding_.end()) {
            sounds = true;
            painter.setBrush(faint(t.sea, 130));
            painter.drawRoundedRect(QRectF(QPointF(g.axis.x(zone.lowKey), track.top()),
                                        QPointF(g.axis.x(zone.highKey + 1), track.bottom())),
                4.0, 4.0);
        }
    painter.restore();
    painter.setFont(Theme::font(12));
    painter.setPen(sounds ? t.ink : t.quietInk);
    const TakeWords* only = layer.zones.size() == 1 ? words(layer.zones.front()) : nullptr;
    const auto said = whatLayerDoes(layer, only != nullptr ? only->name : QString());
    // On its keys or beside them, where there is room for it.
    const QRectF keys = QRectF(QPointF(left, track.top()), QPointF(right, track.bottom())) & track;
    const QRectF before(track.topLeft(), keys.bottomLeft()),
        after(keys.topRight(), track.bottomRight());
    const double needed = painter.fontMetrics().horizontalAdvance(said) + 16.0;
    QRectF room = track;
    for (const QRectF& place : {keys, after, before})
        if (place.width() > needed) {
            room = place;
            break;
        }
    painter.drawText(room, Qt::AlignCenter,
        painter.fontMetrics().elidedText(said, Qt::ElideRight, int(room.width()) - 16));
}

void ZoneBench::paintField(QPainter& painter, const LaneGeometry& g) const
{
    const auto& t = Theme::tokens();
    const QRectF f = g.field();
    painter.setPen(QPen(t.line, 1.0));
    painter.setBrush(t.well);
    painter.drawRoundedRect(f, 4.0, 4.0);
    painter.setFont(Theme::font(11));
    for (const int velocity : {1, 32, 64, 96, 127}) {
        const double y = velocity == 127 ? f.top() : g.y(velocity);
        painter.setPen(QPen(t.line, 1.0));
        painter.drawLine(QPointF(f.left(), y), QPointF(f.right(), y));
        painter.setPen(t.quietInk);
        painter.drawText(QRectF(f.left() - 46.0, y - 8.0, 38.0, 16.0),
            Qt::AlignRight | Qt::AlignVCenter, QString::number(velocity));
    }
    painter.drawText(QRectF(f.left() - 104.0, f.center().y() - 8.0, 56.0, 16.0),
        Qt::AlignRight | Qt::AlignVCenter, tr("touch"));
    if (!layers_.empty() && open().zones.empty()) {
        painter.setFont(Theme::font(13));
        // Between two lines, not across one.
        const QRectF between(QPointF(f.left(), g.y(96)), QPointF(f.right(), g.y(64)));
        painter.drawText(between, Qt::AlignCenter,
            takes_.empty() ? tr("No key plays anything yet") : tr("No key plays this layer yet"));
    }
}

void ZoneBench::paintBlocks(QPainter& painter, const LaneGeometry& g) const
{
    if (layers_.empty())
        return;
    // What is chosen stands over its neighbours.
    for (const bool isChosen : {false, true})
        for (const auto& zone : open().zones)
            if (chosen_.contains(zone.id) == isChosen)
                paintBlock(painter, g, zone, isChosen);
    if (chosen_.size() == 1)
        if (const Zone* one = zone(*chosen_.begin())) {
            if (const TakeWords* take = words(*one))
                paintReach(painter, g, *one, *take);
            paintHandles(painter, *one);
        }
}

void ZoneBench::paintShape(
    QPainter& painter, const LaneGeometry& g, const Zone& zone, QRectF block) const
{
    if (zone.lowKeyFade + zone.highKeyFade == 0) {
        // Plain fills of whole pixels: five hundred outlines would take ten times as long.
        const QRect area = block.toRect();
        const int width = int(std::lround(painter.pen().widthF()));
        const QColor line = painter.pen().color();
        painter.fillRect(area, painter.brush().color());
        painter.fillRect(QRect(area.left(), area.top(), area.width(), width), line);
        painter.fillRect(QRect(area.left(), area.bottom() + 1 - width, area.width(), width), line);
        painter.fillRect(QRect(area.left(), area.top(), width, area.height()), line);
        painter.fillRect(QRect(area.right() + 1 - width, area.top(), width, area.height()), line);
    } else {
        // Edges slant where it crosses over: at the top it is there in full.
        const double key = g.axis.keyWidth();
        painter.drawPolygon(QPolygonF({block.bottomLeft(),
            QPointF(block.left() + zone.lowKeyFade * key, block.top()),
            QPointF(block.right() - zone.highKeyFade * key, block.top()), block.bottomRight()}));
    }
    // Touches over which it rises and falls are a lighter band.
    painter.setPen(Qt::NoPen);
    painter.setBrush(faint(Theme::tokens().well, 150));
    if (zone.highVelocityFade > 0)
        painter.drawRect(QRectF(block.topLeft(),
            QPointF(block.right(), g.y(zone.highVelocity + 1 - zone.highVelocityFade))));
    if (zone.lowVelocityFade > 0)
        painter.drawRect(QRectF(QPointF(block.left(), g.y(zone.lowVelocity + zone.lowVelocityFade)),
            block.bottomRight()));
}

void ZoneBench::paintBlock(
    QPainter& painter, const LaneGeometry& g, const Zone& zone, bool isChosen) const
{
    const auto& t = Theme::tokens();
    const QRectF block = g.block(zone);
    if (block.right() < g.field().left() || block.left() > g.field().right())
        return;
    const bool sounds =
        std::find(sounding_.begin(), sounding_.end(), zone.id.value) != sounding_.end();
    const bool on = open().on;
    const QColor colour = on ? t.sea : t.quietInk;
    painter.setBrush(faint(colour, sounds ? 120 : isChosen ? 62 : 28));
    painter.setPen(QPen(colour, isChosen ? 2.2 : 1.0));
    paintShape(painter, g, zone, block);
    const auto stack = stacks_.find(zone.id);
    const std::size_t count = stack != stacks_.end() ? stack->second : 1;
    const TakeWords* take = words(zone);
    if (take == nullptr)
        return;
    paintRoot(painter, block, g, *take, isChosen);
    if (count > 1)
        paintStack(painter, block, count);
    // Of a stack that is chosen as a whole one name is enough.
    const bool quiet = count == 0 && !(isChosen && chosen_.size() == 1);
    if (block.width() < 54.0 || block.height() < 26.0 || quiet)
        return;
    painter.setPen(t.ink);
    painter.setFont(Theme::font(12, isChosen ? Theme::Weight::strong : Theme::Weight::medium));
    painter.drawText(block.adjusted(8.0, 0.0, -8.0, -6.0), Qt::AlignLeft | Qt::AlignBottom,
        painter.fontMetrics().elidedText(take->name, Qt::ElideRight, int(block.width()) - 16));
}

void ZoneBench::paintRoot(QPainter& painter, QRectF block, const LaneGeometry& g,
    const TakeWords& take, bool isChosen) const
{
    const auto& t = Theme::tokens();
    const double x = g.axis.x(take.root + 0.5);
    if (x < block.left() || x > block.right())
        return;
    const double y = block.top() + std::min(10.0, block.height() / 4.0);
    painter.setPen(QPen(t.brass, isChosen ? 2.0 : 1.2));
    painter.drawLine(QPointF(x, y), QPointF(x, block.bottom()));
    painter.setBrush(t.brass);
    painter.setPen(Qt::NoPen);
    painter.drawEllipse(QPointF(x, y), 3.5, 3.5);
}

void ZoneBench::paintStack(QPainter& painter, QRectF block, std::size_t count) const
{
    const auto& t = Theme::tokens();
    painter.setPen(QPen(t.sea, 1.0));
    painter.setBrush(t.panel);
    const double size = 15.0;
    if (block.width() < size + 10.0)
        return;
    const QPointF at(block.right() - size - 16.0, block.top() + 8.0);
    const QPointF corner(std::max(block.left() + 4.0, at.x()), at.y());
    for (int i = 2; i >= 0; --i)
        painter.drawRoundedRect(
            QRectF(corner + QPointF(3.0 * i, 2.0 * i), QSizeF(size, size - 2.0)), 3.0, 3.0);
    painter.setFont(Theme::font(11, Theme::Weight::strong));
    painter.setPen(t.sea);
    painter.drawText(
        QRectF(corner, QSizeF(size, size - 2.0)), Qt::AlignCenter, QString::number(count));
}

void ZoneBench::paintReach(
    QPainter& painter, const LaneGeometry& g, const Zone& zone, const TakeWords& take) const
{
    if (!take.reach || !take.pitched || open().follow != 1.0 || open().manner != Manner::asRecorded)
        return;
    const auto& t = Theme::tokens();
    const int low = take.root - take.reach->down, high = take.root + take.reach->up;
    const QRectF block = g.block(zone) & g.field(); // zoomed, it may reach beyond
    struct Mark {
        double x;
        QString words;
        bool above;
    };
    std::vector<Mark> marks;
    if (zone.highKey > high)
        marks.push_back({g.axis.x(high + 1), tr("thin above here"), true});
    if (zone.lowKey < low)
        marks.push_back({g.axis.x(low), tr("slow below here"), false});
    painter.setPen(QPen(t.coral, 1.2, Qt::DashLine));
    for (const auto& mark : marks)
        painter.drawLine(QPointF(mark.x, block.top()), QPointF(mark.x, block.bottom()));
    painter.setFont(Theme::font(11));
    QColor backing = t.panel;
    backing.setAlphaF(0.85F);
    for (const auto& [x, words, above] : marks) {
        const double width = painter.fontMetrics().horizontalAdvance(words) + 8.0;
        const double room = above ? block.right() - x : x - block.left();
        const double left = (above == (room > width + 8.0)) ? x + 4.0 : x - 4.0 - width;
        // One above the other: in a narrow block they reach across each other and the other's line.
        const QRectF label(left, block.top() + (above ? 30.0 : 48.0), width, 16.0);
        painter.setPen(Qt::NoPen);
        painter.setBrush(backing);
        painter.drawRoundedRect(label, 3.0, 3.0);
        painter.setPen(t.coral);
        painter.drawText(label, Qt::AlignCenter, words);
    }
}

/// What drags how far each border crosses over.
void ZoneBench::paintHandles(QPainter& painter, const Zone& zone) const
{
    const auto& t = Theme::tokens();
    const QRectF block = blockRect(zone);
    if (block.width() < 36.0 || block.height() < 36.0)
        return;
    painter.setPen(QPen(t.sea, 1.4));
    painter.setBrush(t.panel);
    for (const auto edge : {ZoneEdge::lowKey, ZoneEdge::highKey, ZoneEdge::quiet, ZoneEdge::loud}) {
        const QPointF at = crossoverHandle(zone, edge);
        painter.drawPolygon(QPolygonF({at + QPointF(-4.5, 0.0), at + QPointF(0.0, -4.5),
            at + QPointF(4.5, 0.0), at + QPointF(0.0, 4.5)}));
    }
}

void ZoneBench::paintKeys(QPainter& painter, const LaneGeometry& g) const
{
    const auto& t = Theme::tokens();
    const QRectF keys = g.keysRect();
    painter.save();
    painter.setClipRect(keys.adjusted(-6.0, -1.0, 8.0, 16.0));
    painter.setPen(QPen(t.line, 0.8));
    const double wide = g.axis.keyWidth();
    const auto down = [&](int key) {
        return (keysDown_[std::size_t(key / 64)] >> (key % 64) & 1U) != 0;
    };
    for (int key = 0; key < 128; ++key) {
        const double x = g.axis.x(key);
        if (x + wide < keys.left() + 0.5 || x > keys.right() - 0.5)
            continue;
        const bool black = KeyboardGeometry::isBlack(key);
        const QRectF column(x, keys.top(), wide, keys.height());
        painter.setBrush(down(key) ? t.brass : t.panel);
        painter.drawRect(column);
        if (black) {
            painter.setBrush(down(key)                     ? t.brass
                    : Theme::name() == ThemeName::daybreak ? t.ink
                                                           : t.paper.darker(140));
            painter.drawRect(column.adjusted(0.0, 0.0, 0.0, -0.38 * keys.height()));
        }
        if (silent_[std::size_t(key)])
            painter.fillRect(column, QBrush(t.quietInk, Qt::BDiagPattern));
    }
    painter.setPen(t.quietInk);
    painter.setFont(Theme::font(10));
    for (int key = 0; key < 128; key += 12)
        painter.drawText(QRectF(g.axis.x(key) - 4.0, keys.bottom() + 1.0, 40.0, 14.0),
            Qt::AlignLeft | Qt::AlignVCenter, typeset(noteName(key, naming_)));
    painter.restore();
}

QString ZoneBench::tagText() const
{
    const Zone* one = zone(grabbed_.zone);
    if (one != nullptr && moved_) {
        const bool touches = grabbed_.edge == ZoneEdge::quiet || grabbed_.edge == ZoneEdge::loud;
        if (grabbed_.grip == Grip::crossover)
            return touches
                ? tr("crosses over %1 touches").arg(crossover(open(), one->id, grabbed_.edge))
                : tr("crosses over %1 keys").arg(crossover(open(), one->id, grabbed_.edge));
        if (grabbed_.grip == Grip::edge && touches)
            return tr("touch %1 to %2").arg(one->lowVelocity).arg(one->highVelocity);
        if (grabbed_.grip == Grip::edge || grabbed_.grip == Grip::block)
            return typeset(tr("%1 to %2")
                               .arg(QString::fromStdString(keyWithNumber(one->lowKey, naming_)),
                                   QString::fromStdString(keyWithNumber(one->highKey, naming_))));
    }
    if (chosen_.size() == 1 && grabbed_.grip == Grip::none)
        if (const Zone* shown = zone(*chosen_.begin()))
            if (const TakeWords* take = words(*shown))
                return take->pitched
                    ? tr("%1 · root %2")
                          .arg(take->name, typeset(keyWithNumber(take->root, naming_)))
                    : tr("%1 · no pitch").arg(take->name);
    return {};
}

/// The value under the hand, or what is chosen.
void ZoneBench::paintTag(QPainter& painter) const
{
    const QString text = tagText();
    if (text.isEmpty())
        return;
    const auto& t = Theme::tokens();
    const auto g = geometry();
    painter.setFont(Theme::font(12, Theme::Weight::strong));
    const QString shown =
        painter.fontMetrics().elidedText(text, Qt::ElideMiddle, int(g.field().width()) - 30);
    const QSizeF size(painter.fontMetrics().horizontalAdvance(shown) + 18.0, 22.0);
    QPointF at = pointer_ + QPointF(14.0, -30.0);
    if (!moved_)
        if (const Zone* one = chosen_.empty() ? nullptr : zone(*chosen_.begin())) {
            const TakeWords* take = words(*one);
            const QRectF block = g.block(*one);
            const double root = g.axis.x((take != nullptr ? take->root : one->lowKey) + 0.5);
            at = {std::clamp(root, block.left(), block.right()) + 8.0, block.top() + 4.0};
        }
    at.setX(std::clamp(
        at.x(), g.field().left(), std::max(g.field().left(), g.field().right() - size.width())));
    at.setY(std::clamp(at.y(), g.field().top() + 2.0, g.field().bottom() - size.height()));
    painter.setPen(QPen(t.line, 1.0));
    painter.setBrush(t.panel);
    painter.drawRoundedRect(QRectF(at, size), 4.0, 4.0);
    painter.setPen(t.brass);
    painter.drawText(QRectF(at, size), Qt::AlignCenter, shown);
}

} // namespace puretone::app
