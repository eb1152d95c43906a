// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/regions.h"

#include "base/say.h"
#include "formats/export/own_lengths.h"
#include "formats/sf2/sf2_movement.h"

#include <map>

namespace puretone {

namespace {

bool sameTouch(const Zone& a, const Zone& b)
{
    return a.lowKey == b.lowKey && a.highKey == b.highKey && a.lowVelocity == b.lowVelocity
        && a.highVelocity == b.highVelocity;
}

/// Level and place of three balances, one behind the other.
void placeRegion(Region& region, const Layer& layer, double blend, const UnisonVoice& voice)
{
    double left = blend * voice.gain, right = left;
    for (const double pan : {layer.pan, region.zone.pan, voice.pan}) {
        const auto sides = balance(pan);
        left *= sides.left;
        right *= sides.right;
    }
    const double loud = std::max({left, right, 1e-3});
    region.levelDb = layer.levelDb + region.zone.levelDb + 20.0 * std::log10(loud);
    region.pan = (right - left) / loud;
}

/// Its place among the zones of its layer that play exactly the same keys and touches.
void placeTurn(Region& region, const Layer& layer)
{
    if (layer.sameKeys == SameKeys::together)
        return;
    region.turns = 0;
    for (const auto& zone : layer.zones)
        if (sameTouch(zone, region.zone)) {
            if (zone.id == region.zone.id)
                region.turn = region.turns;
            ++region.turns;
        }
}

/// Voices of unison are written as regions side by side; where regions take turns or make room for
/// each other, that would be another sound.
bool doubles(const Layer& layer)
{
    return layer.unison.voices > 1 && layer.sameKeys == SameKeys::together
        && layer.notes == Notes::many && layer.voices == Layer::mostVoices;
}

bool carries(FileKind kind, const Layer& layer)
{
    return layer.on && (kind != FileKind::sf2 || layer.when == SoundsWhen::press);
}

template <class Which> bool any(const Instrument& instrument, Which which)
{
    return std::any_of(instrument.layers.begin(), instrument.layers.end(),
        [&](const Layer& layer) { return layer.on && which(layer); });
}

template <class Which> bool anyZone(const Instrument& instrument, Which which)
{
    return any(instrument, [&](const Layer& layer) {
        return std::any_of(layer.zones.begin(), layer.zones.end(), which);
    });
}

bool fades(const Zone& zone)
{
    return zone.lowKeyFade + zone.highKeyFade + zone.lowVelocityFade + zone.highVelocityFade > 0;
}

std::vector<std::string> lossesOfSoundFont(const Instrument& instrument)
{
    std::vector<std::string> losses;
    for (const auto& layer : instrument.layers)
        if (layer.on && layer.when != SoundsWhen::press)
            losses.push_back(
                say("\"%1\" is left out: a SoundFont knows no sounds on release or by phrase.",
                    layer.name));
    if (any(instrument, [](const Layer& l) { return l.sameKeys != SameKeys::together; }))
        losses.emplace_back(say("Of sounds in turn only the first one is written."));
    if (any(instrument, [](const Layer& l) { return l.levelDb != 0.0; })
        || anyZone(instrument, [](const Zone& z) { return z.levelDb != 0.0; }))
        losses.emplace_back(
            say("Levels are written below the loudest one, which is played as recorded."));
    const auto filtered = [&](auto which) {
        return any(instrument,
            [&](const Layer& l) { return l.filter.kind != FilterKind::off && which(l.filter); });
    };
    if (filtered([](const Filter& f) { return f.kind != FilterKind::low; }))
        losses.emplace_back(say("Only filters that let lows through are written."));
    if (filtered([](const Filter& f) { return f.kind == FilterKind::low && f.steep; }))
        losses.emplace_back(say("Filters fall by 12 dB per octave."));
    if (filtered([](const Filter& f) { return f.follow != 0.0; }))
        losses.emplace_back(say("Keys do not move the filter's cutoff."));
    if (filtered([](const Filter& f) { return f.envelopeOctaves != 0.0; }))
        losses.emplace_back(say("The filter's sweep falls evenly, not as it does here."));
    if (any(instrument, [](const Layer& l) { return slowWaveOf(l).moves(); }))
        losses.emplace_back(
            say("The slow wave becomes a triangle, and is there from the beginning of each note."));
    if (any(instrument, [](const Layer& l) { return l.touch != 1.0; }))
        losses.emplace_back(say("Touch makes louder as the player of the file does it."));
    if (anyZone(instrument, fades))
        losses.emplace_back(say("Crossovers become hard borders."));
    if (any(instrument, [](const Layer& l) { return l.bendSemitones != 2.0; }))
        losses.emplace_back(say("The wheel's reach is up to the player of the file."));
    return losses;
}

std::vector<std::string> lossesOfWav(const Instrument& instrument, bool set)
{
    std::vector<std::string> losses;
    if (instrument.takes.size() > 1 && !set)
        losses.emplace_back(say("A WAV file holds one take: the first one is written."));
    if (any(instrument, [](const Layer& l) {
            return !(l.envelope == Envelope{}) || l.filter.kind != FilterKind::off
                || slowWaveOf(l).moves() || l.unison.voices > 1;
        }))
        losses.emplace_back(say("The shape is not written: a WAV file has no room for it."));
    if (instrument.layers.size() > 1)
        losses.emplace_back(say("Layers are not written."));
    if (set && instrument.takes.size() > 1)
        losses.emplace_back(say("Key ranges are not written: each file says its own root."));
    return losses;
}

bool isCurved(const Envelope& e)
{
    return e.attackCurve != 0.0 || e.decayCurve != 0.0 || e.releaseCurve != 0.0
        || e.touchTimes != 0.0 || e.keyTimes != 0.0;
}

/// What neither a SoundFont nor plain SFZ has.
void addLossesOfShape(const Instrument& instrument, FileKind kind, std::vector<std::string>& losses)
{
    std::size_t movements = 0;
    for (const auto& layer : instrument.layers)
        if (layer.on)
            movements += std::size_t(std::count_if(
                layer.movements.begin(), layer.movements.end(), [&](const Movement& m) {
                    const bool control =
                        kind == FileKind::sf2 ? sf2::isWritten(layer, m) : isPlainControl(layer, m);
                    return m.on && !control && !isOfSlowWave(layer, m);
                }));
    if (movements > 0)
        losses.push_back(say(kind == FileKind::sf2
                ? text("%1 not written: only slow sines and plain controllers on pitch, place and "
                       "cutoff are.")
                : text("%1 not written: only slow sines and plain controllers on pitch, level, "
                       "place and cutoff are."),
            movements == 1 ? say("One movement is") : say("%1 movements are", movements)));
    if (any(instrument, [](const Layer& l) {
            return isCurved(l.envelope) || (l.filter.envelopeOctaves != 0.0 && isCurved(l.second));
        }))
        losses.emplace_back(say(
            "Envelopes are written straight, and without what touch and keys do to their times."));
    if (any(instrument, [](const Layer& l) { return l.filter.driveDb > 0.0; }))
        losses.emplace_back(say("The drive before the filter is not written."));
    if (any(instrument, [](const Layer& l) { return l.inner != InnerUse::never; }))
        losses.emplace_back(say("Inner starts are not written: notes begin at the beginning."));
    if (std::any_of(instrument.effects.begin(), instrument.effects.end(),
            [](const Effect& effect) { return effect.on; }))
        losses.emplace_back(say("Effects are not written; a print has them inside."));
    if (instrument.pattern.on)
        losses.emplace_back(say("The pattern is not written."));
}

} // namespace

std::vector<Region> flatten(
    const Instrument& instrument, FileKind kind, Prepares prepares, const SoundChoices& choices)
{
    std::map<std::pair<TakeId, bool>, std::shared_ptr<const PreparedTake>> prepared;
    std::vector<Region> regions;
    for (const auto& layer : instrument.layers) {
        if (!carries(kind, layer))
            continue;
        for (const auto& zone : layer.zones) {
            Region region;
            region.take = instrument.take(zone.take);
            if (region.take == nullptr)
                continue;
            region.layer = &layer;
            region.zone = zone;
            auto& sound = prepared[{zone.take, region.onRelease()}];
            if (!sound && prepares != Prepares::nothing) {
                const auto played = playedBy(*region.take, region.onRelease());
                sound = std::make_shared<const PreparedTake>(prepares == Prepares::plans
                        ? conformPlan(planTake(played), choices)
                        : conform(prepareTake(played), choices));
            }
            region.prepared = sound;
            const auto& tuning = region.take->tuning;
            region.rootKey = tuning.rootKey;
            region.tuneCents = tuning.fineCents + zone.tuneCents + layer.fineCents
                + 1200.0 * layer.octave + (sound ? sound->retuneCents : 0.0);
            placeTurn(region, layer);
            if (kind == FileKind::sf2 && region.turn > 0)
                continue;
            const double cents = region.tuneCents;
            for (int i = 0; i < (doubles(layer) ? layer.unison.voices : 1); ++i) {
                const auto voice = doubles(layer) ? unisonVoice(layer.unison, i) : UnisonVoice{};
                region.tuneCents = cents + voice.cents;
                placeRegion(region, layer, blendGain(instrument, layer), voice);
                regions.push_back(region);
            }
        }
    }
    return regions;
}

double loudestDb(const std::vector<Region>& regions)
{
    return std::max_element(regions.begin(), regions.end(), [](const Region& a, const Region& b) {
        return a.levelDb < b.levelDb;
    })->levelDb;
}

std::vector<std::string> lossesOf(const Instrument& instrument, FileKind kind, bool wavSet)
{
    std::vector<std::string> losses;
    if (kind == FileKind::project)
        return losses;
    losses = kind == FileKind::wav ? lossesOfWav(instrument, wavSet)
        : kind == FileKind::sf2    ? lossesOfSoundFont(instrument)
                                   : losses;
    if (kind == FileKind::wav)
        return losses;
    if (any(instrument, [](const Layer& l) { return l.unison.voices > 1 && !doubles(l); }))
        losses.emplace_back(
            say("Unison is not written where sounds take turns or make room for each other."));
    if (any(instrument,
            [](const Layer& l) { return l.notes == Notes::tied || l.glide.seconds > 0.0; }))
        losses.emplace_back(say("Tied notes and glides are not written: each note begins anew."));
    if (kind == FileKind::sf2 && any(instrument, [](const Layer& l) {
            return l.notes == Notes::one || l.voices < Layer::mostVoices;
        }))
        losses.emplace_back(say("How many notes sound at once is up to the player of the file."));
    // Zones that share some of their keys take turns on those only.
    if (kind == FileKind::sfz && any(instrument, [](const Layer& l) {
            if (l.sameKeys == SameKeys::together)
                return false;
            for (const auto& a : l.zones)
                for (const auto& b : l.zones)
                    if (overlap(a, b) && !sameTouch(a, b))
                        return true;
            return false;
        }))
        losses.emplace_back(
            say("Sounds in turn that share only some of their keys sound together."));
    addLossesOfShape(instrument, kind, losses);
    if (const auto keys = ownLengths(instrument); keys > 0)
        losses.push_back(say("Keeping the length makes a sample of every key: %1 in all.", keys));
    if (any(instrument, [](const Layer& l) { return l.manner == Manner::frozen; }))
        losses.emplace_back(say("Frozen moments are not written: their takes play as recorded."));
    if (any(instrument, [](const Layer& l) { return l.blends; }))
        losses.emplace_back(say("The blend is written as it stands."));
    if (any(instrument,
            [](const Layer& l) { return l.turnsOverAllKeys && l.sameKeys != SameKeys::together; }))
        losses.emplace_back(say("Turns over all keys become turns of each key."));
    if (std::any_of(instrument.layers.begin(), instrument.layers.end(),
            [](const Layer& layer) { return !layer.on; }))
        losses.emplace_back(say("Layers that are switched off are not written."));
    return losses;
}

} // namespace puretone
