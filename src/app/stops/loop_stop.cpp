// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/loop_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QPainter>
#include <QPainterPath>

namespace puretone::app {

namespace {

constexpr double arcRoom = 30.0;

} // namespace

LoopStop::LoopStop(Session& s, QWidget* parent)
    : WaveBench(s, tr("Loop"), parent)
    , seam_(new SeamView(this))
    , candidates_(new CandidateRow(this))
{
    wave()->setHeadroom(arcRoom);
    wave()->setUnderlay([this](QPainter& p, const WaveGeometry& g) { paintUnder(p, g); });
    wave()->setOverlay([this](QPainter& p, const WaveGeometry& g) { paintOver(p, g); });
    seam_->setMaximumHeight(150);
    bench()->addWidget(seam_, 1);
    bench()->addWidget(candidates_);
    addFields();
    connectFields();
    connect(wave(), &WaveView::handleMoved, this, &LoopStop::moveHandle);
    connect(wave(), &WaveView::handleCancelled, this, [this] { abandonGesture(); });
    connect(wave(), &WaveView::stretchAsked, this, [this](qint64 frame) {
        const Take* t = session().take();
        if (t == nullptr)
            return;
        const Span loop = t->loop.span;
        const bool inside = t->loop.on && frame >= loop.start.value && frame < loop.end.value;
        wave()->fit(inside ? loop : t->kept);
    });
    connect(candidates_, &CandidateRow::chosen, this, [this](int index) {
        session().editTake(
            tr("Choose loop"), [&](Take& t) { t.loop = t.loopChoices[std::size_t(index)].loop; });
    });
}

void LoopStop::addFields()
{
    const auto rateNow = [this] { return rate(); };
    on_ = details()->addButton(tr("Loop is on"), tr("Off: the sound plays to its recorded end"));
    on_->setCheckable(true);
    start_ = details()->addField(
        framesField(tr("Start"), tr("Where the loop begins again"), rateNow, true));
    end_ = details()->addField(
        framesField(tr("End"), tr("Where it goes back to the start"), rateNow, true));
    length_ = details()->addField(
        framesField(tr("Length"), tr("Moves the end; the start stays"), rateNow, false));
    crossfade_ = details()->addField(framesField(tr("Crossfade"),
        tr("How long the end is mixed with what lies before the start: longer hides more, and may "
           "sound limp"),
        rateNow, false));
    curve_ = details()->addChoice(tr("Curve"),
        tr("Automatic keeps the loudness, whatever both sides have in common"),
        {tr("automatic"), tr("linear"), tr("equal power")});
    evenOut_ = details()->addField(percentField(tr("Even out"),
        tr("Takes the level change inside the loop out, so that it does not pump"), 0.0));
    details()->addRule();
    details()->addHeading(tr("What the seam does"));
    verdict_ = new QLabel(this);
    verdict_->setWordWrap(true);
    details()->column()->addWidget(verdict_);
    bars_ = new SeamBars(this);
    details()->column()->addWidget(bars_);
    details()->column()->addStretch(1);
    find_ = details()->addButton(
        tr("Find loops again"), tr("Searches the kept part and takes the best"), true);
}

void LoopStop::connectFields()
{
    connectToTake(start_, tr("Move loop start"),
        [](Take& t, double f) { t.loop = withLoopStart(t.loop, t.kept, std::llround(f)); });
    connectToTake(end_, tr("Move loop end"),
        [](Take& t, double f) { t.loop = withLoopEnd(t.loop, t.kept, std::llround(f)); });
    connectToTake(length_, tr("Change loop length"), [](Take& t, double f) {
        t.loop = withLoopEnd(t.loop, t.kept, t.loop.span.start.value + std::llround(f));
    });
    connectToTake(crossfade_, tr("Change crossfade"),
        [](Take& t, double f) { t.loop.crossfade = Frames{std::llround(f)}; });
    connectToTake(evenOut_, tr("Even out loop"), [](Take& t, double v) { t.loop.evenOut = v; });
    connect(curve_, &ChoiceField::chosen, this, [this](int index) {
        session().editTake(tr("Change crossfade curve"), [&](Take& t) {
            t.loop.curve = index == 0 ? FadeCurve::automatic
                : index == 1          ? FadeCurve::linear
                                      : FadeCurve::equalPower;
        });
    });
    connect(on_, &QPushButton::clicked, this, [this](bool wanted) {
        const Take* t = session().take();
        // A loop that was never placed has to be found first.
        if (wanted && t != nullptr && t->loop.span.length() < shortestLoop) {
            session().findLoops();
            return;
        }
        session().editTake(
            wanted ? tr("Loop on") : tr("Loop off"), [&](Take& x) { x.loop.on = wanted; });
    });
    connect(find_, &QPushButton::clicked, this, [this] { session().findLoops(); });
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

void LoopStop::paintUnder(QPainter& painter, const WaveGeometry& g)
{
    const Take* take = session().take();
    if (take == nullptr || !take->loop.on)
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
    if (take == nullptr || !take->loop.on)
        return;
    const auto& t = Theme::tokens();
    // Far outside one place is as good as another, and near ones are painted faster.
    const auto near = [&](double x) {
        return std::clamp(x, g.area.left() - 4000.0, g.area.right() + 4000.0);
    };
    const double start = near(g.xOf(double(take->loop.span.start.value)));
    const double end = near(g.xOf(double(take->loop.span.end.value)));
    const double fade = std::min(8000.0, double(take->loop.crossfade.value) / g.framesPerPixel);
    painter.save();
    painter.setClipRect(QRectF(g.area.left(), 0.0, g.area.width(), g.area.bottom()));
    // The two stretches that are mixed: wedges that grow towards the posts.
    QColor shade = t.heather;
    shade.setAlpha(88);
    for (const double post : {start, end}) {
        painter.setPen(QPen(t.heather, 1.2));
        painter.setBrush(shade);
        painter.drawPolygon(QPolygonF()
            << QPointF(post - fade, g.area.bottom()) << QPointF(post, g.area.top())
            << QPointF(post, g.area.bottom()));
    }
    // The return arc.
    QPainterPath arc(QPointF(end, g.area.top() - 4.0));
    const double lift = std::min(26.0, 8.0 + 0.1 * (end - start));
    arc.cubicTo(QPointF(end - 0.25 * (end - start), g.area.top() - 4.0 - lift),
        QPointF(start + 0.25 * (end - start), g.area.top() - 4.0 - lift),
        QPointF(start, g.area.top() - 4.0));
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(t.heather, 2.0));
    painter.drawPath(arc);
    painter.drawLine(QPointF(start, g.area.top() - 5.0), QPointF(start + 9.0, g.area.top() - 11.0));
    painter.drawLine(QPointF(start, g.area.top() - 5.0), QPointF(start + 10.0, g.area.top() - 2.0));
    painter.restore();
}

void LoopStop::showSeam(const Take& take)
{
    const double seconds = double(take.loop.span.length()) / take.rate();
    if (!take.loop.on) {
        bars_->setMeasured(std::nullopt, seconds);
        verdict_->setText(take.loopMessage.empty()
                ? tr("The loop is off.")
                : tr("No loop was found: it %1.").arg(QString::fromStdString(take.loopMessage)));
        seam_->clear();
        return;
    }
    const auto& measured = session().seam();
    const bool known = measured && measured->loop == take.loop;
    if (known) {
        const bool good = seamVerdict(measured->cost) == SeamVerdict::seamless;
        bars_->setMeasured(measured, seconds);
        verdict_->setText(good ? tr("Seamless.")
                               : tr("It %1.").arg(typeset(describeSeam(measured->seam, seconds))));
        verdict_->setStyleSheet(
            QStringLiteral("color: %1; font-weight: 600")
                .arg((good ? Theme::tokens().sea : Theme::tokens().coral).name()));
    }
    // Three periods on either side; without a pitch, 10 ms.
    const auto period = take.period();
    const auto reach = std::clamp<std::int64_t>(
        std::llround((period ? 3.0 * *period : 0.010) * take.rate()), 16, 48000);
    seam_->setCloseUp(seamCloseUp(take.audio(), take.loop, reach),
        period ? tr("6 periods") : typeset(formatSeconds(2.0 * double(reach) / take.rate())));
}

void LoopStop::refresh()
{
    const bool has = showSound();
    const Take* take = session().take();
    const bool on = has && take->loop.on;
    for (auto* field : {start_, end_, length_, crossfade_, evenOut_})
        field->setFieldEnabled(on);
    curve_->setFieldEnabled(on);
    on_->setEnabled(has);
    find_->setEnabled(has);
    on_->setChecked(on);
    on_->setText(on ? tr("Loop is on") : tr("Loop is off"));
    if (!has) {
        wave()->setHandles({});
        seam_->clear();
        candidates_->setCandidates(nullptr, {}, {});
        bars_->setMeasured(std::nullopt, 1.0);
        verdict_->clear();
        return;
    }
    const Loop& loop = take->loop;
    candidates_->setCandidates(session().peaks(), take->loopChoices, loop);
    showSeam(*take);
    if (!on) {
        wave()->setHandles({});
        return;
    }
    const double start = double(loop.span.start.value), end = double(loop.span.end.value);
    start_->setRange(double(take->kept.start.value), end - double(shortestLoop));
    end_->setRange(start + double(shortestLoop), double(take->kept.end.value));
    length_->setRange(double(shortestLoop), double(take->kept.end.value) - start);
    crossfade_->setRange(0.0, double(longestCrossfade(loop.span).value));
    start_->setValue(start);
    end_->setValue(end);
    length_->setValue(end - start);
    crossfade_->setValue(double(loop.crossfade.value));
    curve_->setIndex(loop.curve == FadeCurve::automatic ? 0
            : loop.curve == FadeCurve::linear           ? 1
                                                        : 2);
    evenOut_->setValue(loop.evenOut);
    const auto note = [this](const QString& name) {
        return [this, name](double frame) {
            return tr("%1 %2").arg(name, QString::fromStdString(formatPosition(frame / rate())));
        };
    };
    const auto fadeNote = [this, loop](double) {
        const QString length = typeset(formatSeconds(double(loop.crossfade.value) / rate()));
        const auto reason = crossfadeLimitReason(loop);
        return reason.empty() ? tr("crossfade %1").arg(length)
                              : tr("crossfade %1: %2").arg(length, QString::fromStdString(reason));
    };
    const auto& heather = Theme::tokens().heather;
    using Grip = WaveHandle::Grip;
    wave()->setHandles(
        {{startPost, start, tr("Loop start"), heather, Grip::top, true, true, note(tr("start"))},
            {endPost, end, tr("Loop end"), heather, Grip::top, true, true, note(tr("end"))},
            {crossfadeGrip, end - double(loop.crossfade.value), tr("Crossfade"), heather,
                Grip::bottom, false, false, fadeNote}});
}

} // namespace puretone::app
