// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/layer_copy.h"

#include "base/all_cores.h"
#include "base/say.h"
#include "prepare/treat.h"

#include <algorithm>
#include <map>

namespace puretone {

namespace {

/// The other way round: one more treatment, or one less.
Treatments turned(Treatments treatments)
{
    const auto isReverse = [](const Treatment& t) {
        return t.on && std::holds_alternative<Reverse>(t.what);
    };
    const auto last = std::find_if(treatments.rbegin(), treatments.rend(), isReverse);
    if (last != treatments.rend())
        treatments.erase(std::next(last).base());
    else
        treatments.push_back({Reverse{}, true});
    return treatments;
}

/// Takes that run backwards, in place of those that the zones play. False when cancelled.
bool reverseTakes(Instrument& instrument, Layer& layer, const Progress& progress)
{
    std::map<TakeId, Take> copies;
    int id = instrument.freeId();
    for (const auto& zone : layer.zones)
        if (const Take* take = instrument.take(zone.take);
            take != nullptr && !copies.contains(zone.take)) {
            Take copy = *take;
            copy.id = id++;
            copy.name += say(" reversed");
            copies.emplace(zone.take, std::move(copy));
        }
    if (instrument.takes.size() + copies.size() > mostTakes)
        return false;
    std::vector<Take*> each;
    each.reserve(copies.size());
    for (auto& [from, copy] : copies)
        each.push_back(&copy);
    onAllCores(each.size(), [&](std::size_t i) {
        Take& take = *each[i];
        auto list = turned(take.treatments);
        if (auto sound = treat(take.recording->audio, list, {progress.stop, {}}))
            setTreatments(take, std::move(list), std::move(sound));
    });
    if (progress.cancelled())
        return false;
    for (auto& zone : layer.zones)
        if (const auto copy = copies.find(zone.take); copy != copies.end())
            zone.take = copy->second.id;
    for (auto& [from, copy] : copies)
        instrument.takes.push_back(std::move(copy));
    return true;
}

} // namespace

LayerId copyLayer(Instrument& instrument, LayerId original, LayerCopy how, const Progress& progress)
{
    const auto id = duplicateLayer(instrument, original);
    Layer* layer = instrument.layer(id);
    if (layer == nullptr)
        return {};
    // "Octave up" tells more than "Layer 1, octave up".
    const Layer& from = *instrument.layer(original);
    const std::string name = from.name;
    const auto nameAs = [&](std::string alone, std::string beside) {
        layer->name = isNamedByNumber(from) ? std::move(alone) : std::move(beside);
    };
    constexpr double detuneCents = 9.0;
    constexpr int mostOctaves = 4;
    switch (how) {
    case LayerCopy::same:
        break;
    case LayerCopy::reversed: {
        nameAs(say("Reversed"), say("%1 reversed", name));
        Layer turnedLayer = *layer;
        if (!reverseTakes(instrument, turnedLayer, progress)) {
            std::erase_if(instrument.layers, [&](const Layer& l) { return l.id == id; });
            return {};
        }
        *instrument.layer(id) = std::move(turnedLayer);
        break;
    }
    case LayerCopy::octaveUp:
        nameAs(say("Octave up"), say("%1, octave up", name));
        layer->octave = std::min(mostOctaves, layer->octave + 1);
        break;
    case LayerCopy::octaveDown:
        nameAs(say("Octave down"), say("%1, octave down", name));
        layer->octave = std::max(-mostOctaves, layer->octave - 1);
        break;
    case LayerCopy::detuned:
        nameAs(say("Detuned"), say("%1 detuned", name));
        layer->fineCents += layer->fineCents > 100.0 - detuneCents ? -detuneCents : detuneCents;
        break;
    }
    return id;
}

std::size_t spreadLayer(Instrument& instrument, LayerId id)
{
    const Layer* found = instrument.layer(id);
    if (found == nullptr)
        return 0;
    const Layer original = *found;
    std::vector<TakeId> sounds; // as they lie from the lowest key up
    auto zones = original.zones;
    std::stable_sort(zones.begin(), zones.end(),
        [](const Zone& a, const Zone& b) { return a.lowKey < b.lowKey; });
    for (const auto& zone : zones)
        if (std::find(sounds.begin(), sounds.end(), zone.take) == sounds.end())
            sounds.push_back(zone.take);
    if (sounds.size() < 2 || instrument.layers.size() + sounds.size() - 1 > mostLayers)
        return 0;
    Instrument spread = instrument;
    LayerId at = id;
    for (const TakeId sound : sounds) {
        if (sound != sounds.front())
            at = duplicateLayer(spread, at);
        Layer* layer = spread.layer(at);
        if (layer == nullptr)
            return 0;
        layer->zones.clear();
        for (const auto& zone : original.zones)
            if (zone.take == sound)
                layer->zones.push_back(zone); // keys that are held go on
        if (const Take* take = spread.take(sound))
            layer->name = take->name;
    }
    instrument = std::move(spread);
    return sounds.size();
}

} // namespace puretone
