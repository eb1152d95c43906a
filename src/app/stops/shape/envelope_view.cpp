// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/envelope_view.h"

#include "app/theme/plate.h"
#include "app/theme/theme.h"
#include "base/overloaded.h"
#include "base/quantity.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace puretone::app {

namespace {

constexpr std::array allPoints = {EnvelopePoint::delay, EnvelopePoint::attack, EnvelopePoint::hold,
    EnvelopePoint::decay, EnvelopePoint::release};
constexpr std::array allSlopes = {
    EnvelopeSlope::attack, EnvelopeSlope::decay, EnvelopeSlope::release};
constexpr double pointReach = 11.0;
/// A slope that is narrower than this has no middle to grab.
constexpr double narrowest = 26.0;

QString nameOf(EnvelopePoint point)
{
    switch (point) {
    case EnvelopePoint::delay:
        return EnvelopeView::tr("delay");
    case EnvelopePoint::attack:
        return EnvelopeView::tr("attack");
    case EnvelopePoint::hold:
        return EnvelopeView::tr("hold");
    case EnvelopePoint::decay:
        return EnvelopeView::tr("decay and sustain");
    case EnvelopePoint::release:
        break;
    }
    return EnvelopeView::tr("release");
}

QString nameOf(EnvelopeSlope slope)
{
    return slope == EnvelopeSlope::attack ? EnvelopeView::tr("attack's curve")
        : slope == EnvelopeSlope::decay   ? EnvelopeView::tr("decay's curve")
                                          : EnvelopeView::tr("release's curve");
}

/// The value beside a point: "attack 550 ms".
QString readingOf(EnvelopePoint point, const Envelope& e)
{
    const auto seconds = [](const QString& name, double value) {
        return name + QLatin1Char(' ') + typeset(formatSeconds(value));
    };
    switch (point) {
    case EnvelopePoint::delay:
        return seconds(nameOf(point), e.delay);
    case EnvelopePoint::attack:
        return seconds(nameOf(point), e.attack);
    case EnvelopePoint::hold:
        return seconds(nameOf(point), e.hold);
    case EnvelopePoint::decay: {
        const auto sustain = e.sustainDb <= silentSustainDb
            ? EnvelopeView::tr("silent")
            : typeset(formatDecibels(Decibels{e.sustainDb}));
        return e.decay > 0.0 ? EnvelopeView::tr("%1, sustain %2")
                                   .arg(seconds(EnvelopeView::tr("decay"), e.decay), sustain)
                             : EnvelopeView::tr("sustain %1").arg(sustain);
    }
    case EnvelopePoint::release:
        break;
    }
    return seconds(nameOf(point), e.release);
}

QString curveReading(EnvelopeSlope slope, const Envelope& e)
{
    const double curve = slope == EnvelopeSlope::attack ? e.attackCurve
        : slope == EnvelopeSlope::decay                 ? e.decayCurve
                                                        : e.releaseCurve;
    return nameOf(slope) + QLatin1Char(' ')
        + typeset((curve > 0.0 ? "+" : "") + formatNumber(100.0 * curve, 0) + " %");
}

/// Where an undefined delay would lie under the attack's foot.
bool isShown(EnvelopePoint point, const Envelope& e)
{
    return point != EnvelopePoint::delay || e.delay > 0.0;
}

} // namespace

EnvelopeView::EnvelopeView(QWidget* parent)
    : QWidget(parent)
{
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Envelope"));
}

void EnvelopeView::setNote(
    std::shared_ptr<const PeakPyramid> wave, const Envelope& envelope, const QString& key)
{
    wave_ = std::move(wave);
    envelope_ = envelope;
    key_ = key;
    update();
}

EnvelopeGeometry EnvelopeView::geometryOfEnvelope() const
{
    return EnvelopeGeometry::make(QRectF(rect()).adjusted(14.0, 20.0, -14.0, -22.0), envelope_);
}

void EnvelopeView::paintWave(QPainter& painter, const EnvelopeGeometry& g) const
{
    const auto& t = Theme::tokens();
    const Audio& audio = wave_->audio();
    const auto count = int(g.area.width());
    const double perColumn = g.shownSeconds / count * audio.rate;
    const double middle = g.area.center().y(), half = 0.5 * g.area.height();
    const Extent whole = wave_->extent(0, {Frames{0}, Frames{audio.frames()}});
    const float top = std::max({0.0001f, whole.high, -whole.low});
    QColor pale = t.sea;
    pale.setAlpha(46);
    for (int i = 0; i < count; ++i) {
        const auto from = std::int64_t(i * perColumn);
        const auto to =
            std::min(audio.frames(), from + std::max<std::int64_t>(1, std::int64_t(perColumn)));
        if (from >= to)
            break;
        const Extent e = wave_->extent(0, {Frames{from}, Frames{to}});
        const double gain = g.gainAt((i + 0.5) / count * g.shownSeconds);
        const double x = g.area.left() + i + 0.5;
        const auto bar = [&](double scale, const QColor& color) {
            const auto height = [&](float value) {
                return half
                    * EnvelopeGeometry::heightOf(scale * double(std::max(0.0f, value) / top));
            };
            painter.setPen(QPen(color, 1.0));
            painter.drawLine(QPointF(x, middle - height(e.high) - 0.3),
                QPointF(x, middle + height(-e.low) + 0.3));
        };
        bar(1.0, pale);
        bar(gain, t.sea);
    }
}

void EnvelopeView::paintLine(QPainter& painter, const EnvelopeGeometry& g) const
{
    const auto& t = Theme::tokens();
    painter.setPen(QPen(t.quietInk, 1.0, Qt::DashLine));
    painter.drawLine(
        QPointF(g.xOf(g.letGo), g.area.top()), QPointF(g.xOf(g.letGo), g.area.bottom()));
    QPolygonF line;
    for (int i = 0; i <= int(g.area.width()); ++i)
        line << QPointF(g.area.left() + i, g.yOfGain(g.gainAt(g.secondsAt(g.area.left() + i))));
    painter.setPen(QPen(t.ink, 2.0));
    painter.setBrush(Qt::NoBrush);
    painter.drawPolyline(line);
    const Part* live = grabbed_ ? &*grabbed_ : hovered_ ? &*hovered_ : nullptr;
    if (live == nullptr || !std::holds_alternative<EnvelopeSlope>(*live))
        return;
    const auto [from, to] = g.stretchOf(std::get<EnvelopeSlope>(*live));
    QPolygonF slope;
    for (double x = g.xOf(from); x <= g.xOf(to); x += 1.0)
        slope << QPointF(x, g.yOfGain(g.gainAt(g.secondsAt(x))));
    painter.setPen(QPen(t.heather, 4.0));
    painter.drawPolyline(slope);
}

void EnvelopeView::paintGrips(QPainter& painter, const EnvelopeGeometry& g) const
{
    const auto& t = Theme::tokens();
    for (const auto point : allPoints) {
        if (!isShown(point, envelope_))
            continue;
        const Part part = point;
        const bool live = grabbed_ == part || (!grabbed_ && hovered_ == part);
        painter.setPen(QPen(t.ink, 2.0));
        painter.setBrush(live ? t.ink : t.panel);
        painter.drawEllipse(g.gripOf(point), 6.0, 6.0);
    }
}

/// Each value beside its point, where there is room for it; that of what is held always.
void EnvelopeView::paintNames(QPainter& painter, const EnvelopeGeometry& g) const
{
    const auto& t = Theme::tokens();
    std::vector<QRectF> taken;
    const auto live = grabbed_ ? grabbed_ : hovered_;
    const auto write = [&](QPointF at, const QString& text, bool strong) {
        painter.setFont(Theme::font(11, strong ? Theme::Weight::strong : Theme::Weight::regular));
        const double width = painter.fontMetrics().horizontalAdvance(text) + 8.0;
        const double left = std::clamp(at.x() + 9.0, g.area.left(), g.area.right() - width);
        const double top = at.y() < g.area.top() + 20.0 ? at.y() + 6.0 : at.y() - 19.0;
        const QRectF box(left, top, width, 16.0);
        if (!strong && std::any_of(taken.begin(), taken.end(), [&](const QRectF& other) {
                return other.intersects(box);
            }))
            return;
        taken.push_back(box);
        painter.setPen(strong ? t.ink : t.quietInk);
        drawOnPlate(painter, box, Qt::AlignCenter, text, t.panel);
    };
    if (live)
        std::visit(Overloaded{[&](EnvelopePoint point) {
                                  write(g.gripOf(point), readingOf(point, envelope_), true);
                              },
                       [&](EnvelopeSlope slope) {
                           write(g.middleOf(slope), curveReading(slope, envelope_), true);
                       }},
            *live);
    for (const auto point : allPoints)
        if (isShown(point, envelope_) && live != Part(point))
            write(g.gripOf(point), readingOf(point, envelope_), false);
}

void EnvelopeView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    const auto g = geometryOfEnvelope();
    if (wave_)
        paintWave(painter, g);
    painter.setRenderHint(QPainter::Antialiasing);
    paintLine(painter, g);
    paintGrips(painter, g);
    paintNames(painter, g);
    painter.setFont(Theme::font(11));
    painter.setPen(t.quietInk);
    const QRectF above(g.area.left(), 1.0, g.area.width(), 16.0);
    painter.drawText(above, Qt::AlignRight,
        key_.isEmpty() ? tr("no note to show") : tr("as key %1 sounds").arg(key_));
    const QRectF below(g.area.left(), g.area.bottom() + 4.0, g.area.width(), 16.0);
    painter.drawText(below, Qt::AlignLeft, QStringLiteral("0 s"));
    painter.drawText(below, Qt::AlignRight, typeset(formatSeconds(g.shownSeconds)));
    painter.drawText(
        QRectF(g.xOf(g.letGo) - 60.0, below.top(), 120.0, 16.0), Qt::AlignCenter, tr("key let go"));
    if (hasFocus()) {
        painter.setPen(QPen(t.line, 1.0, Qt::DashLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(rect()).adjusted(1.0, 1.0, -1.0, -1.0));
    }
}

std::optional<EnvelopeView::Part> EnvelopeView::partAt(QPointF position) const
{
    const auto g = geometryOfEnvelope();
    std::optional<Part> best;
    double least = pointReach;
    for (auto it = allPoints.rbegin(); it != allPoints.rend(); ++it) {
        const double distance = QLineF(g.gripOf(*it), position).length();
        if (isShown(*it, envelope_) && distance < least) {
            least = distance;
            best = *it;
        }
    }
    if (best)
        return best;
    for (const auto slope : allSlopes) {
        const auto [from, to] = g.stretchOf(slope);
        const bool wide = g.xOf(to) - g.xOf(from) >= narrowest;
        const bool inside = position.x() > g.xOf(from) && position.x() < g.xOf(to);
        const double away = std::abs(position.y() - g.yOfGain(g.gainAt(g.secondsAt(position.x()))));
        if (wide && inside && away < pointReach)
            return slope;
    }
    return std::nullopt;
}

void EnvelopeView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    grabbed_ = partAt(event->position());
    moved_ = false;
    atGrab_ = geometryOfEnvelope();
    pressed_ = event->position();
    if (grabbed_ && std::holds_alternative<EnvelopePoint>(*grabbed_))
        grabOffset_ = atGrab_.placeOf(std::get<EnvelopePoint>(*grabbed_)) - event->position();
    update();
}

void EnvelopeView::mouseMoveEvent(QMouseEvent* event)
{
    if (!grabbed_) {
        const auto over = partAt(event->position());
        setCursor(!over                                        ? Qt::ArrowCursor
                : std::holds_alternative<EnvelopeSlope>(*over) ? Qt::SizeVerCursor
                                                               : Qt::PointingHandCursor);
        if (std::exchange(hovered_, over) != over)
            update();
        return;
    }
    const bool first = !std::exchange(moved_, true);
    const double fine = event->modifiers().testFlag(Qt::ShiftModifier) ? 0.1 : 1.0;
    const QPointF way = (event->position() - pressed_) * fine;
    std::visit(Overloaded{[&](EnvelopePoint point) {
                              emit dragged(atGrab_.dragged(point, pressed_ + way + grabOffset_),
                                  tr("Change %1").arg(nameOf(point)), first);
                          },
                   [&](EnvelopeSlope slope) {
                       emit dragged(atGrab_.bent(slope, -way.y()),
                           tr("Change %1").arg(nameOf(slope)), first);
                   }},
        *grabbed_);
}

void EnvelopeView::mouseReleaseEvent(QMouseEvent*)
{
    grabbed_.reset();
    update();
}

/// A slope becomes straight again.
void EnvelopeView::mouseDoubleClickEvent(QMouseEvent* event)
{
    const auto part = partAt(event->position());
    if (!part || !std::holds_alternative<EnvelopeSlope>(*part))
        return;
    Envelope straight = envelope_;
    switch (std::get<EnvelopeSlope>(*part)) {
    case EnvelopeSlope::attack:
        straight.attackCurve = 0.0;
        break;
    case EnvelopeSlope::decay:
        straight.decayCurve = 0.0;
        break;
    case EnvelopeSlope::release:
        straight.releaseCurve = 0.0;
        break;
    }
    emit dragged(straight, tr("Straighten slope"), true);
}

void EnvelopeView::leaveEvent(QEvent*)
{
    hovered_.reset();
    update();
}

void EnvelopeView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && grabbed_) {
        grabbed_.reset();
        if (moved_)
            emit cancelled();
        update();
        return;
    }
    QWidget::keyPressEvent(event);
}

} // namespace puretone::app
