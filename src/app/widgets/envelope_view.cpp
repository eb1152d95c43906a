// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/envelope_view.h"

#include "app/theme/theme.h"
#include "base/quantity.h"
#include "engine/envelope_run.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace puretone::app {

namespace {

constexpr std::array<EnvelopePoint, 4> allPoints = {
    EnvelopePoint::attack, EnvelopePoint::hold, EnvelopePoint::decay, EnvelopePoint::release};
constexpr double reach = 11.0;

QString nameOfPoint(EnvelopePoint point)
{
    switch (point) {
    case EnvelopePoint::attack:
        return EnvelopeView::tr("Attack");
    case EnvelopePoint::hold:
        return EnvelopeView::tr("Hold");
    case EnvelopePoint::decay:
        return EnvelopeView::tr("Decay and sustain");
    case EnvelopePoint::release:
        break;
    }
    return EnvelopeView::tr("Release");
}

} // namespace

EnvelopeGeometry EnvelopeGeometry::make(const QRectF& area, const Envelope& e)
{
    EnvelopeGeometry g{area, e};
    const double shaped = e.delay + e.attack + e.hold + e.decay;
    // Long enough for everything, never so long that a short attack becomes a wall.
    const double held = std::max(1.0, 0.35 * (shaped + e.release));
    g.letGo = shaped + held;
    g.shownSeconds = (g.letGo + std::max(0.1, e.release)) * 1.06;
    return g;
}

double EnvelopeGeometry::gainAt(double seconds) const
{
    if (seconds < letGo)
        return envelopeGain(envelope, seconds);
    return envelopeGain(envelope, letGo)
        * std::pow(10.0, -3.0 * (seconds - letGo) / envelope.release);
}

double EnvelopeGeometry::yOfGain(double gain) const
{
    // Loudness rather than amplitude: the cube root leaves room to see quiet levels.
    return area.bottom() - std::cbrt(std::clamp(gain, 0.0, 1.0)) * area.height();
}

QPointF EnvelopeGeometry::placeOf(EnvelopePoint point) const
{
    const Envelope& e = envelope;
    const double attackEnd = e.delay + e.attack;
    switch (point) {
    case EnvelopePoint::attack:
        return {xOf(attackEnd), yOfGain(1.0)};
    case EnvelopePoint::hold:
        return {xOf(attackEnd + e.hold), yOfGain(1.0)};
    case EnvelopePoint::decay:
        return {xOf(attackEnd + e.hold + e.decay), yOfGain(envelopeGain(e, 1e6))};
    case EnvelopePoint::release:
        break;
    }
    return {xOf(letGo + e.release), yOfGain(gainAt(letGo + e.release))};
}

QPointF EnvelopeGeometry::gripOf(EnvelopePoint point) const
{
    constexpr double apart = 17.0;
    QPointF grip = placeOf(EnvelopePoint::attack);
    for (const auto next : {EnvelopePoint::hold, EnvelopePoint::decay, EnvelopePoint::release}) {
        if (point < next)
            break;
        const QPointF place = placeOf(next);
        const bool covered = next != EnvelopePoint::release && place.x() < grip.x() + apart
            && std::abs(place.y() - grip.y()) < apart;
        grip = covered ? QPointF(grip.x() + apart, place.y()) : place;
    }
    return grip;
}

Envelope EnvelopeGeometry::dragged(EnvelopePoint point, QPointF position) const
{
    Envelope e = envelope;
    const double seconds = secondsAt(position.x());
    switch (point) {
    case EnvelopePoint::attack:
        e.attack = std::max(0.0, seconds - e.delay);
        break;
    case EnvelopePoint::hold:
        e.hold = std::max(0.0, seconds - e.delay - e.attack);
        break;
    case EnvelopePoint::decay: {
        e.decay = std::max(0.0, seconds - e.delay - e.attack - e.hold);
        const double height = std::clamp((area.bottom() - position.y()) / area.height(), 0.0, 1.0);
        e.sustainDb = std::clamp(toDecibels(height * height * height).value, silentSustainDb, 0.0);
        break;
    }
    case EnvelopePoint::release:
        e.release = std::max(0.005, seconds - letGo);
        break;
    }
    return e;
}

EnvelopeView::EnvelopeView(QWidget* parent)
    : QWidget(parent)
{
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Envelope"));
}

void EnvelopeView::setNote(
    std::shared_ptr<const PeakPyramid> peaks, const Take* take, const Envelope& envelope)
{
    peaks_ = take != nullptr ? std::move(peaks) : nullptr;
    if (take != nullptr) {
        kept_ = take->kept;
        loop_ = take->loop;
    }
    envelope_ = envelope;
    update();
}

EnvelopeGeometry EnvelopeView::geometryOfEnvelope() const
{
    return EnvelopeGeometry::make(QRectF(rect()).adjusted(14.0, 22.0, -14.0, -30.0), envelope_);
}

void EnvelopeView::paintWave(QPainter& painter, const EnvelopeGeometry& g) const
{
    const auto& t = Theme::tokens();
    const double rate = peaks_->audio().rate;
    const auto count = int(g.area.width());
    const double perColumn = g.shownSeconds / count * rate;
    const double middle = g.area.center().y(), half = 0.5 * g.area.height();
    float top = 0.05f;
    const Extent whole = peaks_->extent(0, kept_);
    top = std::max({top, whole.high, -whole.low});
    for (int i = 0; i < count; ++i) {
        double frame = double(kept_.start.value) + i * perColumn;
        if (loop_.on && frame >= double(loop_.span.end.value))
            frame = double(loop_.span.start.value)
                + std::fmod(frame - double(loop_.span.start.value), double(loop_.span.length()));
        if (!loop_.on && frame >= double(kept_.end.value))
            return;
        const auto from = std::int64_t(frame);
        const Extent e = peaks_->extent(0,
            {Frames{from}, Frames{from + std::max<std::int64_t>(1, std::int64_t(perColumn)) + 1}});
        const double gain = g.gainAt(double(i) / count * g.shownSeconds);
        const double x = g.area.left() + i + 0.5;
        const auto bar = [&](double scale, const QColor& color) {
            painter.setPen(QPen(color, 1.0));
            painter.drawLine(QPointF(x, middle - half * scale * double(e.high / top) - 0.3),
                QPointF(x, middle - half * scale * double(e.low / top) + 0.3));
        };
        bar(1.0, t.line);
        bar(gain, t.sea);
    }
}

void EnvelopeView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    const auto g = geometryOfEnvelope();
    if (peaks_)
        paintWave(painter, g);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(t.quietInk, 1.0, Qt::DashLine));
    painter.drawLine(
        QPointF(g.xOf(g.letGo), g.area.top()), QPointF(g.xOf(g.letGo), g.area.bottom()));
    painter.setFont(Theme::font(11));
    painter.setPen(t.quietInk);
    painter.drawText(
        QRectF(g.xOf(g.letGo) - 60.0, 2.0, 120.0, 16.0), Qt::AlignCenter, tr("key let go"));
    QPolygonF line;
    for (int i = 0; i <= int(g.area.width()); ++i)
        line << QPointF(g.area.left() + i, g.yOfGain(g.gainAt(g.secondsAt(g.area.left() + i))));
    painter.setPen(QPen(t.ink, 2.0));
    painter.drawPolyline(line);
    for (const auto point : allPoints) {
        const bool live = grabbed_ == point || (!grabbed_ && hovered_ == point);
        painter.setPen(QPen(t.ink, 2.0));
        painter.setBrush(live ? t.ink : t.panel);
        painter.drawEllipse(g.gripOf(point), 6.0, 6.0);
    }
    // Names under the axis, where they do not cover each other.
    painter.setFont(Theme::font(11, Theme::Weight::strong));
    painter.setPen(t.ink);
    if (const auto named = grabbed_ ? grabbed_ : hovered_) {
        const QPointF at = g.gripOf(*named);
        const QRectF box(
            std::clamp(at.x() - 90.0, 0.0, width() - 180.0), g.area.bottom() + 10.0, 180.0, 18.0);
        painter.drawText(box, Qt::AlignCenter, nameOfPoint(*named));
    } else {
        painter.setFont(Theme::font(11));
        painter.setPen(t.quietInk);
        painter.drawText(QRectF(g.area.left(), g.area.bottom() + 10.0, g.area.width(), 18.0),
            Qt::AlignLeft, QStringLiteral("0 s"));
        painter.drawText(QRectF(g.area.left(), g.area.bottom() + 10.0, g.area.width(), 18.0),
            Qt::AlignRight, typeset(formatSeconds(g.shownSeconds)));
    }
}

std::optional<EnvelopePoint> EnvelopeView::pointAt(QPointF position) const
{
    const auto g = geometryOfEnvelope();
    std::optional<EnvelopePoint> best;
    double least = reach;
    for (auto it = allPoints.rbegin(); it != allPoints.rend(); ++it) {
        const double distance = QLineF(g.gripOf(*it), position).length();
        if (distance < least) {
            least = distance;
            best = *it;
        }
    }
    return best;
}

void EnvelopeView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    grabbed_ = pointAt(event->position());
    moved_ = false;
    atGrab_ = geometryOfEnvelope();
    if (grabbed_)
        grabOffset_ = atGrab_.placeOf(*grabbed_) - event->position();
    update();
}

void EnvelopeView::mouseMoveEvent(QMouseEvent* event)
{
    if (!grabbed_) {
        const auto over = pointAt(event->position());
        setCursor(over ? Qt::PointingHandCursor : Qt::ArrowCursor);
        if (std::exchange(hovered_, over) != over)
            update();
        return;
    }
    const bool first = !std::exchange(moved_, true);
    emit dragged(atGrab_.dragged(*grabbed_, event->position() + grabOffset_),
        tr("Change %1").arg(nameOfPoint(*grabbed_).toLower()), first);
}

void EnvelopeView::mouseReleaseEvent(QMouseEvent*)
{
    grabbed_.reset();
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
