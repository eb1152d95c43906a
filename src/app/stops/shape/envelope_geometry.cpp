// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/envelope_geometry.h"

#include "base/units.h"
#include "engine/voices/envelope_run.h"

#include <algorithm>
#include <cmath>

namespace puretone::app {

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
    return envelopeGain(envelope, letGo) * releaseGain(envelope, seconds - letGo);
}

double EnvelopeGeometry::heightOf(double gain)
{
    return std::pow(std::clamp(gain, 0.0, 1.0), 0.6);
}

double EnvelopeGeometry::yOfGain(double gain) const
{
    return area.center().y() - heightOf(gain) * 0.5 * area.height();
}

double EnvelopeGeometry::gainOfY(double y) const
{
    const double height = std::clamp((area.center().y() - y) / (0.5 * area.height()), 0.0, 1.0);
    return std::pow(height, 1.0 / 0.6);
}

QPointF EnvelopeGeometry::placeOf(EnvelopePoint point) const
{
    const Envelope& e = envelope;
    const double attackEnd = e.delay + e.attack;
    switch (point) {
    case EnvelopePoint::delay:
        return {xOf(e.delay), yOfGain(0.0)};
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
    if (point == EnvelopePoint::delay)
        return placeOf(point);
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

std::pair<double, double> EnvelopeGeometry::stretchOf(EnvelopeSlope slope) const
{
    const Envelope& e = envelope;
    const double attackEnd = e.delay + e.attack;
    switch (slope) {
    case EnvelopeSlope::attack:
        return {e.delay, attackEnd};
    case EnvelopeSlope::decay:
        return {attackEnd + e.hold, attackEnd + e.hold + (e.sustainDb < 0.0 ? e.decay : 0.0)};
    case EnvelopeSlope::release:
        break;
    }
    return {letGo, letGo + e.release};
}

QPointF EnvelopeGeometry::middleOf(EnvelopeSlope slope) const
{
    const auto [from, to] = stretchOf(slope);
    const double middle = 0.5 * (from + to);
    return {xOf(middle), yOfGain(gainAt(middle))};
}

Envelope EnvelopeGeometry::dragged(EnvelopePoint point, QPointF position) const
{
    Envelope e = envelope;
    const double seconds = secondsAt(position.x());
    switch (point) {
    case EnvelopePoint::delay:
        e.delay = std::max(0.0, seconds);
        break;
    case EnvelopePoint::attack:
        e.attack = std::max(0.0, seconds - e.delay);
        break;
    case EnvelopePoint::hold:
        e.hold = std::max(0.0, seconds - e.delay - e.attack);
        break;
    case EnvelopePoint::decay:
        e.decay = std::max(0.0, seconds - e.delay - e.attack - e.hold);
        e.sustainDb = std::clamp(toDecibels(gainOfY(position.y())).value, silentSustainDb, 0.0);
        break;
    case EnvelopePoint::release:
        e.release = std::max(shortestRelease, seconds - letGo);
        break;
    }
    return e;
}

Envelope EnvelopeGeometry::bent(EnvelopeSlope slope, double upwards) const
{
    constexpr double wholeWay = 120.0; // of the pointer, from straight to fully bent
    const double by = upwards / wholeWay;
    Envelope e = envelope;
    switch (slope) {
    case EnvelopeSlope::attack:
        e.attackCurve = std::clamp(e.attackCurve - by, -1.0, 1.0); // upwards: sooner loud
        break;
    case EnvelopeSlope::decay:
        e.decayCurve = std::clamp(e.decayCurve + by, -1.0, 1.0); // upwards: longer loud
        break;
    case EnvelopeSlope::release:
        e.releaseCurve = std::clamp(e.releaseCurve + by, -1.0, 1.0);
        break;
    }
    return e;
}

} // namespace puretone::app
