// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/loop/loop_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QMenu>
#include <QPainter>
#include <QPainterPath>

namespace puretone::app {

namespace {

constexpr double arcRoom = 30.0;

} // namespace

LoopStop::LoopStop(Session& s, QWidget* parent)
    : WaveBench(s, tr("Loop"), parent)
    , seam_(new SeamView(this))
    , map_(new SeamMapView(this))
    , hear_(new HearRow(s, this))
    , candidates_(new CandidateRow(this))
{
    wave()->setHeadroom(arcRoom);
    wave()->setUnderlay([this](QPainter& p, const WaveGeometry& g) { paintUnder(p, g); });
    wave()->setOverlay([this](QPainter& p, const WaveGeometry& g) { paintOver(p, g); });
    auto* pictures = new QHBoxLayout;
    pictures->setSpacing(10);
    for (QWidget* picture : {static_cast<QWidget*>(seam_), static_cast<QWidget*>(map_)}) {
        picture->setMaximumHeight(170);
        pictures->addWidget(picture, 1);
    }
    bench()->addLayout(pictures, 2);
    bench()->addWidget(hear_);
    bench()->addWidget(candidates_);
    addFields();
    connectFields();
    connectBench();
}

void LoopStop::connectBench()
{
    connect(wave(), &WaveView::handleMoved, this, &LoopStop::moveHandle);
    connect(wave(), &WaveView::handleCarried, this, [this](int id, qint64 frame, bool first) {
        session().editTake(
            tr("Move loop"),
            [&](Take& t) {
                const auto back = id == endPost ? t.loop.span.length() : 0;
                t.loop = withLoopAt(t.loop, t.kept, frame - back);
            },
            gesture(first));
    });
    wave()->setMarking(true);
    connect(wave(), &WaveView::stretchMarked, this, [this](qint64 from, qint64 to) {
        session().looping().findWithin({Frames{from}, Frames{to}});
    });
    connect(wave(), &WaveView::menuAsked, this, &LoopStop::showMenu);
    connect(wave(), &WaveView::matchAsked, this, &LoopStop::moveToMatch);
    connect(wave(), &WaveView::handleCancelled, this, [this] { abandonGesture(); });
    connect(wave(), &WaveView::handleReleased, wave(), qOverload<>(&QWidget::update));
    connect(wave(), &WaveView::stretchAsked, this, [this](qint64 frame) {
        const Take* t = session().take();
        if (t == nullptr)
            return;
        const Span loop = t->loop.span;
        const bool inside = t->loop.on && frame >= loop.start.value && frame < loop.end.value;
        wave()->fit(inside ? loop : t->kept);
    });
    connect(candidates_, &CandidateRow::chosen, this, [this](int index) {
        session().editTake(tr("Choose loop"),
            [&](Take& t) { t.loop = t.facts->loopChoices[std::size_t(index)].loop; });
    });
    connect(map_, &SeamMapView::chosen, this, [this](qint64 start, qint64 end) {
        if (const Take* t = session().take())
            session().looping().loopAround({Frames{start}, Frames{end}}, t->loop, tr("Loop there"));
    });
    connect(seam_, &SeamView::shifted, this, &LoopStop::shiftEnd);
    connect(seam_, &SeamView::shiftCancelled, this, [this] { abandonGesture(); });
    connect(seam_, &SeamView::zoomed, this, &LoopStop::zoomCloseUp);
}

void LoopStop::showMenu(qint64, const QPoint& place)
{
    const auto& g = wave()->geometryOfWave();
    const Span seen{Frames{std::llround(g.frameAt(g.area.left()))},
        Frames{std::llround(g.frameAt(g.area.right()))}};
    QMenu menu(wave());
    menu.addAction(
        tr("Find loops in what is in view"), this, [&] { session().looping().findWithin(seen); });
    menu.addAction(
        tr("Find loops in all that is kept"), this, [this] { session().looping().find(); });
    menu.exec(place);
}

void LoopStop::hideEvent(QHideEvent* event)
{
    // Keys play the whole sound at every other stop.
    hear_->reset();
    WaveBench::hideEvent(event);
}

void LoopStop::moveHandle(int id, qint64 frame, bool first)
{
    const QString name = id == startPost ? tr("Move loop start")
        : id == endPost                  ? tr("Move loop end")
                                         : tr("Change crossfade");
    session().editTake(
        name,
        [&](Take& t) {
            if (id == startPost)
                t.loop = withLoopStart(t.loop, t.kept, frame);
            else if (id == endPost)
                t.loop = withLoopEnd(t.loop, t.kept, frame);
            else
                t.loop.crossfade = Frames{t.loop.span.end.value - frame};
        },
        gesture(first));
}

void LoopStop::moveToMatch(int id, bool forward, bool first)
{
    const Take* take = session().take();
    if (take == nullptr || !take->loop.repeats() || id == crossfadeGrip)
        return;
    const auto frame = id == startPost
        ? nextMatchingStart(take->audio(), take->loop, forward, take->period())
        : nextMatchingEnd(take->audio(), take->loop, forward, take->period());
    moveHandle(id, frame, first);
}

void LoopStop::shiftEnd(qint64 frames, bool first)
{
    const Take* take = session().take();
    if (take == nullptr || !take->loop.repeats())
        return;
    if (first)
        shiftFrom_ = take->loop.span.end.value;
    moveHandle(endPost, shiftFrom_ + frames, first);
}

void LoopStop::zoomCloseUp(double factor)
{
    closeUpZoom_ = factor > 0.0 ? std::clamp(closeUpZoom_ * factor, 0.02, 20.0) : 1.0;
    if (const Take* take = session().take())
        showCloseUp(*take);
}

void LoopStop::paintUnder(QPainter& painter, const WaveGeometry& g)
{
    const Take* take = session().take();
    if (take == nullptr || !take->loop.repeats())
        return;
    QColor inside = Theme::tokens().heather;
    inside.setAlpha(26);
    const Span loop = take->loop.span;
    QRectF stretch(g.xOf(double(loop.start.value)), g.area.top(), 0.0, g.area.height());
    stretch.setRight(g.xOf(double(loop.end.value)));
    painter.fillRect(stretch.intersected(g.area), inside);
}

void LoopStop::paintOver(QPainter& painter, const WaveGeometry& g)
{
    const Take* take = session().take();
    if (take == nullptr || !take->loop.repeats())
        return;
    const auto& t = Theme::tokens();
    const Loop& loop = take->loop;
    // Far outside one place is as good as another, and near ones are painted faster.
    const auto near = [&](double x) {
        return std::clamp(x, g.area.left() - 4000.0, g.area.right() + 4000.0);
    };
    const double start = near(g.xOf(double(loop.span.start.value)));
    const double end = near(g.xOf(double(loop.span.end.value)));
    const double fade = std::min(8000.0, double(loop.crossfade.value) / g.framesPerPixel);
    const bool alternates = loop.mode == LoopMode::alternating;
    painter.save();
    painter.setClipRect(QRectF(g.area.left(), 0.0, g.area.width(), g.area.bottom()));
    // The two stretches that are mixed: wedges that grow towards the posts.
    QColor shade = t.heather;
    shade.setAlpha(88);
    painter.setPen(QPen(t.heather, 1.2));
    painter.setBrush(shade);
    const auto wedge = [&](double post, double from) {
        painter.drawPolygon(QPolygonF()
            << QPointF(from, g.area.bottom()) << QPointF(post, g.area.top())
            << QPointF(post, g.area.bottom()));
    };
    wedge(end, end - fade);
    // There and back mixes inside the loop at both turns.
    wedge(start, alternates ? start + fade : start - fade);
    // The return arc: pointed where the sound goes on.
    const double lift = std::min(26.0, 8.0 + 0.1 * (end - start)), base = g.area.top() - 4.0;
    QPainterPath arc(QPointF(end, base));
    arc.cubicTo(QPointF(end - 0.25 * (end - start), base - lift),
        QPointF(start + 0.25 * (end - start), base - lift), QPointF(start, base));
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(t.heather, 2.0));
    painter.drawPath(arc);
    const auto arrow = [&](double x, double sign) {
        painter.drawLine(QPointF(x, base - 1.0), QPointF(x + sign * 9.0, base - 7.0));
        painter.drawLine(QPointF(x, base - 1.0), QPointF(x + sign * 10.0, base + 2.0));
    };
    arrow(start, 1.0);
    if (alternates)
        arrow(end, -1.0);
    if (wave()->draggedHandle() == crossfadeGrip)
        paintLimit(painter, g, loop);
    painter.restore();
}

/// How far the crossfade could go, and why no further.
void LoopStop::paintLimit(QPainter& painter, const WaveGeometry& g, const Loop& loop)
{
    const auto& t = Theme::tokens();
    Loop most = loop;
    most.crossfade = longestCrossfade(loop.span, loop.mode);
    const double x = g.xOf(double(loop.span.end.value - most.crossfade.value));
    painter.setPen(QPen(t.heather, 1.4, Qt::DashLine));
    painter.drawLine(QPointF(x, g.area.top()), QPointF(x, g.area.bottom()));
    const QString why = tr("at most %1").arg(QString::fromStdString(crossfadeLimitReason(most)));
    painter.setFont(Theme::font(12));
    const double width = painter.fontMetrics().horizontalAdvance(why) + 12.0;
    const double left = std::clamp(x + 6.0, g.area.left() + 4.0, g.area.right() - width - 4.0);
    // Under the crossfade's own label.
    const QRectF place(left, g.area.top() + 32.0, width, 20.0);
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.panel);
    painter.drawRoundedRect(place, 4.0, 4.0);
    painter.setPen(t.heather);
    painter.drawText(place, Qt::AlignCenter, why);
}

void LoopStop::showCloseUp(const Take& take)
{
    if (!take.loop.repeats()) {
        seam_->clear();
        return;
    }
    // Three periods on either side; without a pitch, 10 ms.
    const auto period = take.period();
    const double usual = period ? 3.0 * *period : 0.010;
    const auto reach = std::clamp<std::int64_t>(
        std::llround(usual * closeUpZoom_ * take.rate()), 8, std::int64_t(2.0 * take.rate()));
    seam_->setCloseUp(seamCloseUp(take.audio(), take.loop, reach),
        period && closeUpZoom_ == 1.0 ? tr("6 periods")
                                      : typeset(formatSeconds(2.0 * double(reach) / take.rate())));
}

void LoopStop::refresh()
{
    const bool has = showSound();
    const Take* take = session().take();
    hear_->refresh();
    refreshFields(has ? take : nullptr);
    if (!has) {
        wave()->setHandles({});
        seam_->clear();
        map_->setMap(nullptr, 48000.0);
        candidates_->setCandidates(nullptr, {}, {});
        return;
    }
    candidates_->setCandidates(session().pictures().peaks(), take->facts->loopChoices, take->loop);
    if (isVisible())
        session().looping().drawMap();
    map_->setMap(session().looping().map(), take->rate());
    map_->setLoops(take->loop, take->facts->loopChoices);
    showCloseUp(*take);
    refreshHandles(*take);
}

void LoopStop::refreshHandles(const Take& take)
{
    if (!take.loop.repeats()) {
        wave()->setHandles({});
        return;
    }
    const Loop& loop = take.loop;
    const double start = double(loop.span.start.value), end = double(loop.span.end.value);
    const auto note = [this](const QString& name) {
        return [this, name](double frame) {
            return tr("%1 %2").arg(name, QString::fromStdString(formatPosition(frame / rate())));
        };
    };
    const auto fadeNote = [this, loop](double) {
        return tr("crossfade %1")
            .arg(typeset(formatSeconds(double(loop.crossfade.value) / rate())));
    };
    const auto& heather = Theme::tokens().heather;
    using Grip = WaveHandle::Grip;
    wave()->setHandles({{startPost, start, tr("Loop start"), heather, Grip::top, true, true,
                            note(tr("start")), true},
        {endPost, end, tr("Loop end"), heather, Grip::top, true, true, note(tr("end")), true},
        {crossfadeGrip, end - double(loop.crossfade.value), tr("Crossfade"), heather, Grip::bottom,
            false, false, fadeNote}});
}

} // namespace puretone::app
