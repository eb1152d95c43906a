// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/instrument/instrument.h"
#include "base/say.h"

#include <algorithm>
#include <map>
#include <numbers>
#include <set>

namespace puretone {

const Take* Instrument::take(TakeId id) const
{
    const auto found =
        std::find_if(takes.begin(), takes.end(), [id](const Take& t) { return t.id == id; });
    return found == takes.end() ? nullptr : &*found;
}

Take* Instrument::take(TakeId id)
{
    return const_cast<Take*>(std::as_const(*this).take(id));
}

const Layer* Instrument::layer(LayerId id) const
{
    const auto found =
        std::find_if(layers.begin(), layers.end(), [id](const Layer& l) { return l.id == id; });
    return found == layers.end() ? nullptr : &*found;
}

Layer* Instrument::layer(LayerId id)
{
    return const_cast<Layer*>(std::as_const(*this).layer(id));
}

const Effect* Instrument::effect(int effectId) const
{
    const auto found = std::find_if(effects.begin(), effects.end(),
        [effectId](const Effect& effect) { return effect.id == effectId; });
    return found == effects.end() ? nullptr : &*found;
}

Effect* Instrument::effect(int effectId)
{
    return const_cast<Effect*>(std::as_const(*this).effect(effectId));
}

Zone* Instrument::zone(ZoneId id)
{
    for (auto& layer : layers)
        for (auto& zone : layer.zones)
            if (zone.id == id)
                return &zone;
    return nullptr;
}

std::vector<Zone> Instrument::allZones() const
{
    std::vector<Zone> zones;
    for (const auto& layer : layers)
        zones.insert(zones.end(), layer.zones.begin(), layer.zones.end());
    return zones;
}

int Instrument::freeId() const
{
    int most = 0;
    for (const auto& take : takes)
        most = std::max(most, take.id.value);
    for (const auto& layer : layers)
        for (const auto& zone : layer.zones)
            most = std::max(most, zone.id.value);
    return most + 1;
}

LayerId freeLayerId(const Instrument& instrument)
{
    int most = 0;
    for (const auto& layer : instrument.layers)
        most = std::max(most, layer.id.value);
    return most + 1;
}

namespace {

std::string numberName(std::size_t number)
{
    return say("Layer %1", number);
}

} // namespace

std::vector<const Take*> byLayerAndPitch(const Instrument& instrument)
{
    std::map<TakeId, int> layerOf;
    for (int layer = 0; layer < int(instrument.layers.size()); ++layer)
        for (const auto& zone : instrument.layers[std::size_t(layer)].zones)
            layerOf.emplace(zone.take, layer); // the first one of several
    const auto place = [&](const Take* take) {
        const auto found = layerOf.find(take->id);
        return std::pair(
            found != layerOf.end() ? found->second : int(mostLayers), take->tuning.rootKey);
    };
    std::vector<const Take*> takes;
    takes.reserve(instrument.takes.size());
    for (const auto& take : instrument.takes)
        takes.push_back(&take);
    std::stable_sort(takes.begin(), takes.end(),
        [&](const Take* a, const Take* b) { return place(a) < place(b); });
    return takes;
}

std::vector<const Take*> heardBeside(const Instrument& instrument, TakeId id)
{
    std::set<TakeId> beside;
    for (const auto& layer : instrument.layers)
        if (std::any_of(layer.zones.begin(), layer.zones.end(),
                [&](const Zone& zone) { return zone.take == id; }))
            for (const auto& zone : layer.zones)
                beside.insert(zone.take);
    std::vector<const Take*> takes;
    for (const auto& take : instrument.takes)
        if (take.id != id && (beside.empty() || beside.contains(take.id)))
            takes.push_back(&take);
    return takes;
}

bool isNamedByNumber(const Layer& layer)
{
    for (std::size_t number = 1; number <= mostLayers; ++number)
        if (layer.name == numberName(number))
            return true;
    return false;
}

bool holdsNoNotes(const Instrument& instrument, const Layer& layer)
{
    return !layer.zones.empty()
        && std::all_of(layer.zones.begin(), layer.zones.end(), [&](const Zone& zone) {
               const Take* take = instrument.take(zone.take);
               return take != nullptr && take->isNoNote();
           });
}

LayerId addLayer(Instrument& instrument)
{
    if (instrument.layers.size() >= mostLayers)
        return {};
    Layer layer;
    layer.id = freeLayerId(instrument);
    layer.name = numberName(instrument.layers.size() + 1);
    instrument.layers.push_back(layer);
    return layer.id;
}

LayerId duplicateLayer(Instrument& instrument, LayerId layer)
{
    const Layer* original = instrument.layer(layer);
    if (original == nullptr || instrument.layers.size() >= mostLayers
        || instrument.allZones().size() + original->zones.size() > mostZones)
        return {};
    Layer copy = *original;
    copy.id = freeLayerId(instrument);
    int id = instrument.freeId();
    copy.name += say(" copy");
    for (auto& zone : copy.zones)
        zone.id = id++;
    const auto at = original - instrument.layers.data();
    instrument.layers.insert(instrument.layers.begin() + at + 1, copy);
    return copy.id;
}

double blendGain(const Instrument& instrument, const Layer& layer) noexcept
{
    int count = 0, at = 0;
    for (const auto& other : instrument.layers) {
        if (other.id == layer.id)
            at = count;
        count += other.blends ? 1 : 0;
    }
    if (!layer.blends || count < 2)
        return 1.0;
    return blendGain(instrument.blend, at, count);
}

double blendGain(double blend, int at, int count) noexcept
{
    const double away = std::abs(blend * (count - 1) - at);
    return away < 1.0 ? std::cos(away * std::numbers::pi / 2.0) : 0.0;
}

double slopeAt(double curve, double share) noexcept
{
    if (curve == 0.0)
        return share;
    const double bend = 6.0 * curve;
    return std::expm1(bend * share) / std::expm1(bend);
}

double slopeShare(double curve, double gone) noexcept
{
    if (curve == 0.0)
        return gone;
    const double bend = 6.0 * curve;
    return std::log1p(gone * std::expm1(bend)) / bend;
}

UnisonVoice unisonVoice(const Unison& unison, int index) noexcept
{
    if (unison.voices < 2)
        return {};
    const double at = 2.0 * index / (unison.voices - 1.0) - 1.0;
    // They go their own ways: their powers add.
    return {at * unison.detuneCents, at * unison.width, 1.0 / std::sqrt(double(unison.voices))};
}

double zoneGain(const Zone& zone, int key, int velocity, const EdgeLikeness& alike) noexcept
{
    // Power rises evenly; what both sides have in common would add to it.
    const auto share = [](int inside, int fade, double common) {
        inside = std::max(0, inside);
        if (inside >= fade)
            return 1.0;
        const double power = (double(inside) + 0.5) / double(fade);
        return power / (1.0 + 2.0 * common * std::sqrt(power * (1.0 - power)));
    };
    const double power = share(key - zone.lowKey, zone.lowKeyFade, alike.lowKey)
        * share(zone.highKey - key, zone.highKeyFade, alike.highKey)
        * share(velocity - zone.lowVelocity, zone.lowVelocityFade, alike.lowVelocity)
        * share(zone.highVelocity - velocity, zone.highVelocityFade, alike.highVelocity);
    return std::sqrt(power) * std::pow(10.0, zone.levelDb / 20.0);
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
            straighten->midi = take.facts->pitch.midi.value_or(take.tuning.soundingMidi());
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

/// The same round, seen from the other end: what a forward loop mixes before its end and before
/// its start stands behind them then, so that both move by the crossfade.
void turnLoop(Loop& loop, std::int64_t frames)
{
    loop.span = mirrored(loop.span, frames);
    if (loop.mode != LoopMode::alternating) {
        loop.span.start.value += loop.crossfade.value;
        loop.span.end.value += loop.crossfade.value;
    }
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
        take.innerStart = {}; // the attack is at the other end
        if (take.facts.known())
            for (auto& choice : take.facts.change().loopChoices)
                turnLoop(choice.loop, frames);
    }
    take.treatments = std::move(treatments);
    take.treated.audio = treated == take.recording->audio ? nullptr : std::move(treated);
}

Zone proposeZone(const Take& take)
{
    Zone zone;
    zone.id = take.id.value; // alone, until it is added to others
    zone.take = take.id;
    constexpr int lowestPianoKey = 21, highestPianoKey = 108;
    zone.lowKey = std::max(0, std::min(lowestPianoKey, take.tuning.rootKey - 24));
    zone.highKey = std::min(127, std::max(highestPianoKey, take.tuning.rootKey + 24));
    return zone;
}

} // namespace puretone
