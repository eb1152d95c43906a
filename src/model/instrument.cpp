// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/instrument.h"

#include <algorithm>
#include <numbers>

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

double fadeShapeGain(FadeShape shape, double share) noexcept
{
    constexpr double quarter = std::numbers::pi / 2.0;
    share = std::clamp(share, 0.0, 1.0);
    switch (shape) {
    case FadeShape::soft:
        return 0.5 - 0.5 * std::cos(2.0 * quarter * share);
    case FadeShape::early:
        return std::sin(quarter * share);
    case FadeShape::late:
        return 1.0 - std::cos(quarter * share);
    case FadeShape::straight:
        break;
    }
    return share;
}

Treatments treatmentsFor(const Take& take, Treatments treatments)
{
    treatments = measuredOver(std::move(treatments), keptInRecording(take));
    for (auto& treatment : treatments)
        if (auto* straighten = std::get_if<Straighten>(&treatment.what)) {
            straighten->midi = take.pitch.midi.value_or(take.tuning.soundingMidi());
            straighten->note = take.tuning.rootKey + Tuning::offset(take.tuning.a4);
        }
    return treatments;
}

void setConcertPitch(Instrument& instrument, double a4)
{
    instrument.a4 = std::clamp(a4, lowestA4, highestA4);
    for (auto& take : instrument.takes) {
        auto& tuning = take.tuning;
        const bool nearest = std::abs(tuning.fineCents) <= 50.0;
        tuning.fineCents += 100.0 * (Tuning::offset(instrument.a4) - Tuning::offset(tuning.a4));
        tuning.a4 = instrument.a4;
        if (nearest) {
            const double keys = std::round(tuning.fineCents / 100.0);
            tuning.rootKey -= int(keys);
            tuning.fineCents -= 100.0 * keys;
        }
    }
}

Span playedPart(const Take& take)
{
    const bool leaves = take.loop.mode == LoopMode::untilRelease;
    if (take.loop.repeats() && !leaves)
        return {take.kept.start, take.loop.span.end};
    Span played = take.kept;
    if (double(played.length()) > longestNoteSeconds * take.rate())
        played.end.value = played.start.value + std::llround(playedOfLongSeconds * take.rate());
    if (take.loop.repeats())
        played.end = std::max(played.end, take.loop.span.end);
    return played;
}

Span keptInRecording(const Take& take)
{
    return reversed(take.treatments) ? mirrored(take.kept, take.recording->audio->frames())
                                     : take.kept;
}

namespace {

void turnLoop(Loop& loop, std::int64_t frames)
{
    loop.span = mirrored(loop.span, frames);
    loop = clampLoop(loop, frames);
}

} // namespace

void setTreatments(Take& take, Treatments treatments, AudioPtr treated)
{
    for (auto& treatment : treatments)
        treatment = sanitized(treatment);
    if (reversed(treatments) != reversed(take.treatments)) {
        const auto frames = take.recording->audio->frames();
        take.kept = mirrored(take.kept, frames);
        std::swap(take.fades.inSeconds, take.fades.outSeconds);
        std::swap(take.fades.inShape, take.fades.outShape);
        turnLoop(take.loop, frames);
        for (auto& choice : take.loopChoices)
            turnLoop(choice.loop, frames);
    }
    take.treatments = std::move(treatments);
    take.treated.audio = treated == take.recording->audio ? nullptr : std::move(treated);
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

} // namespace puretone
