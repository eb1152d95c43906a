// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/instrument.h"

#include <algorithm>

namespace puretone {

const Take* Instrument::take(int id) const
{
    const auto found =
        std::find_if(takes.begin(), takes.end(), [id](const Take& t) { return t.id == id; });
    return found == takes.end() ? nullptr : &*found;
}

Take* Instrument::take(int id)
{
    return const_cast<Take*>(std::as_const(*this).take(id));
}

Zone proposeZone(const Take& take)
{
    Zone zone;
    zone.id = take.id;
    zone.take = take.id;
    constexpr int lowestPianoKey = 21, highestPianoKey = 108;
    zone.lowKey = std::max(0, std::min(lowestPianoKey, take.tuning.rootKey - 24));
    zone.highKey = std::min(127, std::max(highestPianoKey, take.tuning.rootKey + 24));
    return zone;
}

namespace {

double inRange(double value, double low, double high, double fallback)
{
    return std::isfinite(value) ? std::clamp(value, low, high) : fallback;
}

void sanitize(Take& take)
{
    const auto frames = take.audio().frames();
    auto& [start, end] = take.kept;
    start.value = std::clamp<std::int64_t>(start.value, 0, frames - shortestTake);
    end.value = std::clamp<std::int64_t>(end.value, start.value + shortestTake, frames);
    take.fades.inSeconds = inRange(take.fades.inSeconds, 0.0, 60.0, 0.0);
    take.fades.outSeconds = inRange(take.fades.outSeconds, 0.0, 60.0, 0.0);
    take.tuning.rootKey = std::clamp(take.tuning.rootKey, 0, 127);
    take.tuning.fineCents = inRange(take.tuning.fineCents, -1200.0, 1200.0, 0.0);
    // What is looped is kept: trimming behind the loop's start pushes it along.
    take.loop.span.start.value = std::max(take.loop.span.start.value, start.value);
    take.loop = clampLoop(take.loop, end.value);
}

void sanitize(Zone& zone)
{
    zone.lowKey = std::clamp(zone.lowKey, 0, 127);
    zone.highKey = std::clamp(zone.highKey, zone.lowKey, 127);
    zone.lowVelocity = std::clamp(zone.lowVelocity, 1, 127);
    zone.highVelocity = std::clamp(zone.highVelocity, zone.lowVelocity, 127);
}

} // namespace

Instrument sanitized(Instrument instrument)
{
    for (Take& take : instrument.takes)
        sanitize(take);
    for (Zone& zone : instrument.zones)
        sanitize(zone);
    auto& e = instrument.envelope;
    const Envelope standard;
    e.delay = inRange(e.delay, 0.0, 20.0, standard.delay);
    e.attack = inRange(e.attack, 0.0, 60.0, standard.attack);
    e.hold = inRange(e.hold, 0.0, 60.0, standard.hold);
    e.decay = inRange(e.decay, 0.0, 60.0, standard.decay);
    e.sustainDb = inRange(e.sustainDb, silentSustainDb, 0.0, standard.sustainDb);
    // Never zero: a note that is cut off inside its wave ends with a pop.
    e.release = inRange(e.release, 0.005, 60.0, standard.release);
    return instrument;
}

} // namespace puretone
